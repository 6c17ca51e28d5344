import { database } from './database.ts'

/** What of this browser's records came with the demo, and what its maker wants with it. */
export interface Demo {
  readonly projects: readonly string[]
  readonly gauges: readonly string[]
  readonly yarns: readonly string[]
  /** Name its workshop had. */
  readonly workshop: string
  /** `here`: on the shelf, and the maker is asked; `among`: on the shelf; `aside`: behind a filter of its own. */
  readonly place: 'here' | 'among' | 'aside'
}

const KEY = 'demo'

export async function readDemo(): Promise<Demo | undefined> {
  return (await database.remembered.get(KEY))?.value as Demo | undefined
}

export async function keepDemo(demo: Demo): Promise<void> {
  await database.remembered.put({ key: KEY, value: demo })
}

export async function forgetDemo(): Promise<void> {
  await database.remembered.delete(KEY)
}
