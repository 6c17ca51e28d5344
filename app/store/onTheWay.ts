import {
  type GaugeRecord,
  type PieceRecord,
  type ProjectRecord,
  type WorkshopSettings,
  type YarnRecord,
} from '../../core/index.ts'
import { database } from './database.ts'
import { saveFinish, saveGauge, savePiece, saveSettings, saveYarn } from './mutations.ts'

/** A record that is edited in place, as it was last edited. */
export type Edited =
  | { readonly table: 'pieces'; readonly record: PieceRecord }
  /** How the project's pieces become one; its name is changed elsewhere. */
  | { readonly table: 'projects'; readonly record: ProjectRecord }
  | { readonly table: 'gauges'; readonly record: GaugeRecord }
  | { readonly table: 'yarns'; readonly record: YarnRecord }
  | { readonly table: 'settings'; readonly record: Partial<WorkshopSettings> }
  | { readonly table: 'remembered'; readonly record: { readonly key: string; readonly value: unknown } }

export const asPiece = (record: PieceRecord): Edited => ({ table: 'pieces', record })
export const asProject = (record: ProjectRecord): Edited => ({ table: 'projects', record })
export const asGauge = (record: GaugeRecord): Edited => ({ table: 'gauges', record })
export const asYarn = (record: YarnRecord): Edited => ({ table: 'yarns', record })

/** Stores an edited record, if it is one that may be. */
export async function saveEdited({ table, record }: Edited): Promise<void> {
  if (table === 'pieces') await savePiece(record)
  else if (table === 'projects') await saveFinish(record)
  else if (table === 'gauges') await saveGauge(record)
  else if (table === 'yarns') await saveYarn(record)
  else if (table === 'settings') await saveSettings(record)
  else await database.remembered.put(record)
}

/** Where edits stand that a page was left with, until the application is next opened: one entry a page. */
const LEFT_BEHIND = 'uzel left behind '
const OWN = LEFT_BEHIND + Math.random().toString(36).slice(2)

/** The edits of this page that are shown and not stored yet. */
const onTheWay = new Set<Edited>()

/**
 * Says that an edit is being stored: should the page be left before it is, it is stored at the next visit.
 * @returns to be called once it is stored, or known that it cannot be
 */
export function setOut(edited: Edited): () => void {
  onTheWay.add(edited)
  return () => {
    onTheWay.delete(edited)
    // The page was left and came back, or had breath enough after all.
    if (localStorage.getItem(OWN) !== null) leaveBehind()
  }
}

/** Changes some of the settings, as they are edited. */
export function changeSettings(record: Partial<WorkshopSettings>): Promise<void> {
  const edited: Edited = { table: 'settings', record }
  return saveEdited(edited).finally(setOut(edited))
}

function leaveBehind(): void {
  if (onTheWay.size === 0) localStorage.removeItem(OWN)
  else localStorage.setItem(OWN, JSON.stringify([...onTheWay]))
}

/** Keeps what is on its way when the page goes: closed, reloaded, or put aside by a phone. */
export function watchLeaving(): void {
  window.addEventListener('pagehide', leaveBehind)
}

/**
 * Stores what pages were left with, oldest edit first. Tried once: what may not or could not be stored must not come
 * over what is edited later, and keeps nothing else from being stored.
 * @throws what kept an edit from being stored, when all the others are
 */
export async function takeUpLeftBehind(): Promise<void> {
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(LEFT_BEHIND))
  const entries = keys.map((key) => localStorage.getItem(key)!)
  for (const key of keys) localStorage.removeItem(key)
  const left = entries.flatMap((entry) => JSON.parse(entry) as Edited[])
  // Left again before they are stored, they stay on their way.
  const arrivals = left.map(setOut)
  const faults: unknown[] = []
  for (const [index, edited] of left.entries()) {
    await saveEdited(edited)
      .catch((fault: unknown) => faults.push(fault))
      .finally(arrivals[index])
  }
  if (faults.length > 0) throw faults[0]
}
