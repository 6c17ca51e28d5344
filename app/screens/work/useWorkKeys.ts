import { useEffect, useRef } from 'react'

export interface WorkKeys {
  readonly count: () => void
  readonly repeat: () => void
  readonly round: () => void
  readonly undo: () => void
  readonly recount: () => void
  readonly note: () => void
  readonly goTo: () => void
  readonly find: () => void
  readonly keys: () => void
  readonly lock: () => void
  readonly plan: () => void
  readonly check: () => void
  readonly yarn: () => void
  readonly larger: () => void
  readonly smaller: () => void
}

/** Keys that a maker chose, by their names, with what they do. */
export type OwnKeys = Readonly<Record<string, string>>

/** Names of keys, as listed to the maker and as events name them. */
export const WORK_KEYS: readonly {
  readonly does: keyof WorkKeys
  readonly keys: string
  readonly says: string
}[] = [
  { does: 'count', keys: 'Space or →', says: 'Count one stitch' },
  {
    does: 'repeat',
    keys: 'Enter or Shift →',
    says: 'To the end of this repeat; there, Enter confirms the count',
  },
  { does: 'round', keys: 'Shift Enter', says: 'To the end of the round' },
  { does: 'undo', keys: '← or Backspace', says: 'Take back' },
  { does: 'recount', keys: 'R', says: 'Recount this round from its start' },
  { does: 'goTo', keys: 'G', says: 'Go to a round' },
  { does: 'find', keys: 'F', says: 'Find the place by what is to be seen' },
  { does: 'note', keys: 'N', says: 'Write a note' },
  { does: 'check', keys: 'C or M', says: 'Measure the piece' },
  { does: 'yarn', keys: 'Y', says: 'Will the yarn do?' },
  { does: 'plan', keys: 'P', says: 'To the plan' },
  { does: 'larger', keys: ']', says: 'Larger print' },
  { does: 'smaller', keys: '[', says: 'Smaller print' },
  { does: 'lock', keys: 'L', says: 'Lock it against taps in a pocket' },
  { does: 'keys', keys: '?', says: 'This list' },
]

/** The name of a key as a maker's own keys are kept by: letters in small. */
export const nameOfKey = ({ key }: Pick<KeyboardEvent, 'key'>): string =>
  key.length === 1 ? key.toLowerCase() : key

function meant(event: KeyboardEvent, own: OwnKeys): keyof WorkKeys | undefined {
  const { key, shiftKey } = event
  const chosen = own[nameOfKey(event)]
  if (chosen && WORK_KEYS.some(({ does }) => does === chosen)) return chosen as keyof WorkKeys
  if (key === 'Enter') return shiftKey ? 'round' : 'repeat'
  if (key === 'ArrowRight') return shiftKey ? 'repeat' : 'count'
  const plain: Readonly<Record<string, keyof WorkKeys>> = {
    ' ': 'count',
    ArrowLeft: 'undo',
    Backspace: 'undo',
    r: 'recount',
    n: 'note',
    g: 'goTo',
    f: 'find',
    p: 'plan',
    c: 'check',
    y: 'yarn',
    m: 'check',
    l: 'lock',
    // Of a headset or a remote.
    MediaTrackNext: 'count',
    MediaPlayPause: 'count',
    MediaTrackPrevious: 'undo',
    ']': 'larger',
    '[': 'smaller',
    '?': 'keys',
  }
  return plain[nameOfKey(event)]
}

/** Keys of the work screen, also as page-turner pedals send them. A held key counts once. */
export function useWorkKeys(enabled: boolean, keys: WorkKeys, own: OwnKeys): void {
  const latest = useRef({ keys, own })
  useEffect(() => {
    latest.current = { keys, own }
  })
  useEffect(() => {
    if (!enabled) return
    const press = (event: KeyboardEvent) => {
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return
      const target = event.target as HTMLElement
      if (target.closest('input, textarea, select, [role="dialog"]')) return
      // On a button or a link, Space and Enter are its own; Shift Enter is the round's.
      const presses = event.key === ' ' || (event.key === 'Enter' && !event.shiftKey)
      if (presses && target.closest('button, a')) return
      const does = meant(event, latest.current.own)
      if (!does) return
      event.preventDefault()
      latest.current.keys[does]()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [enabled])
}
