import { DEFAULT_SETTINGS, gaugesUsed, yarnsOf, type Records } from '../../core/index.ts'
import { database } from './database.ts'
import { forgetDemo, keepDemo, readDemo, type Demo } from './demoRecord.ts'
import { useStored } from './liveQueries.ts'
import { saveSettings } from './mutations.ts'
import { readSettings } from './queries.ts'
import { putBeside } from './putDemo.ts'
import { recordsOf, removeProjects } from './records.ts'

export function useDemo(): Demo | null | undefined {
  return useStored(['demo'], ['remembered'], readDemo)
}

/** Keeps the demo on the shelf, in its place there. The workshop is the maker's own by name once it is aside. */
export async function placeDemo(place: 'among' | 'aside'): Promise<void> {
  const demo = await readDemo()
  if (!demo) return
  await keepDemo({ ...demo, place })
  if (place === 'aside') await nameOwnWorkshop(demo)
}

/**
 * Takes the demo off the shelf with the gauges and yarns that nothing of the maker's goes by.
 * @returns what was taken, to be put back
 */
export async function takeDemoAway(): Promise<
  { readonly demo: Demo; readonly records: Records } | undefined
> {
  const demo = await readDemo()
  if (!demo) return undefined
  const here = <T>(found: readonly (T | undefined)[]): T[] => found.filter((one) => one !== undefined)
  // Its gauges and yarns all of them, also those that no piece goes by.
  const records: Records = {
    ...(await recordsOf(demo.projects)),
    gauges: here(await database.gauges.bulkGet([...demo.gauges])),
    yarns: here(await database.yarns.bulkGet([...demo.yarns])),
  }
  await database.transaction('rw', database.tables, async () => {
    await removeProjects(demo.projects)
    // Pieces taken off the shelf can come back, and pinned plans stay with the yarn they were begun in.
    const pieces = await database.pieces.toArray()
    const pinned = await database.planVersions.toArray()
    const own = new Set([
      ...pieces.flatMap((piece) => [...gaugesUsed(piece), ...yarnsOf(piece.colours)]),
      ...pinned.flatMap(({ spec }) => yarnsOf(spec.colours)),
    ])
    await database.gauges.bulkDelete(demo.gauges.filter((id) => !own.has(id)))
    await database.yarns.bulkDelete(demo.yarns.filter((id) => !own.has(id)))
    await forgetDemo()
  })
  await nameOwnWorkshop(demo)
  return { demo, records }
}

/** Puts back what was taken away. */
export async function putDemoBack(taken: { readonly demo: Demo; readonly records: Records }): Promise<void> {
  await putBeside(taken.records)
  await keepDemo(taken.demo)
  if ((await readSettings()).name === DEFAULT_SETTINGS.name) {
    await saveSettings({ name: taken.demo.workshop })
  }
}

async function nameOwnWorkshop({ workshop }: Demo): Promise<void> {
  if ((await readSettings()).name === workshop) await saveSettings({ name: DEFAULT_SETTINGS.name })
}
