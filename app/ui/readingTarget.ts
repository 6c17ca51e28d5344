import { useSyncExternalStore } from 'react'

/** What an instrument can measure: lengths in mm, weights in grams. */
export type ReadingKind = 'length' | 'mass'

/** The field that a reading would go to: the one that has, or last had, the focus. */
export interface ReadingTarget {
  readonly kind: ReadingKind
  readonly label: string
  readonly fill: (value: number) => void
}

let target: ReadingTarget | undefined
const listeners = new Set<() => void>()

export function aimReadingsAt(next: ReadingTarget | undefined): void {
  target = next
  for (const listener of listeners) listener()
}

/** Takes readings away from a field that leaves the page. */
export function loseAim(label: string): void {
  if (target?.label === label) aimReadingsAt(undefined)
}

export function useReadingTarget(): ReadingTarget | undefined {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => target,
  )
}
