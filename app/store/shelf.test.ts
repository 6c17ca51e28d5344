import { readFileSync } from 'node:fs'
import { readProjectFile } from '../../core/exchange/readProjectFile.ts'
import { projectFile, RECORD_TABLES, writeProjectFile, type ProjectFile } from '../../core/index.ts'
import { database } from './database.ts'
import { importFile, previewImport } from './importing.ts'
import {
  createPiece,
  deleteProject,
  duplicateProject,
  removePiece,
  renamePiece,
  renameProject,
  restoreProject,
  saveGauge,
  saveSettings,
  saveYarn,
  sweepDeleted,
} from './mutations.ts'
import { piecesOf, readSettings } from './queries.ts'
import { recordsOf, removeProjects } from './records.ts'

const demoText = readFileSync('demo/skarn-hut.uzel.json', 'utf8')
const demo = JSON.parse(demoText) as ProjectFile

const takeIn = async (file: ProjectFile, onConflict: 'keepBoth' | 'replace') =>
  importFile(file, onConflict, true)

/** What is on the shelf passes as a project file: every reference met, every log a chain. */
async function shelfIsSound(): Promise<void> {
  const text = writeProjectFile(projectFile(await recordsOf(), demo.exportedAt, await readSettings()))
  expect(readProjectFile(text)).toMatchObject({ ok: true })
}

beforeEach(async () => {
  await Promise.all(database.tables.map((table) => table.clear()))
})
afterEach(shelfIsSound)

test('what is taken in goes out again as it came', async () => {
  await takeIn(demo, 'keepBoth')
  const sorted = <T extends { id: string }>(records: readonly T[]) =>
    [...records].sort((one, other) => (one.id < other.id ? -1 : 1))
  const records = await recordsOf()
  for (const table of RECORD_TABLES) {
    expect(sorted<{ id: string }>(records[table])).toEqual(sorted<{ id: string }>(demo[table]))
  }
  expect(await readSettings()).toEqual(demo.workshop)
})

test('photos go along with their copies when they are asked for, under the names that these have then', async () => {
  const photo = {
    id: 'photo',
    copyId: 'trivet-1',
    at: 1000,
    position: { round: 'r1', unit: 0 },
    data: 'data:image/jpeg;base64,/9j/4AAQ',
  }
  const file = { ...demo, photos: [photo] }
  await takeIn(file, 'keepBoth')
  expect((await previewImport(file)).projects.map(({ photos }) => photos)).toContain(1)
  expect((await recordsOf()).photos).toEqual([])
  expect((await recordsOf(undefined, { photos: true })).photos).toEqual([photo])
  await takeIn(file, 'keepBoth')
  const all = await database.photos.toArray()
  expect(new Set(all.map(({ copyId }) => copyId)).size).toBe(2)
  const kept = await recordsOf(undefined, { photos: true })
  expect(readProjectFile(writeProjectFile(projectFile(kept, demo.exportedAt)))).toMatchObject({ ok: true })
  // What is another thing has no photos of the first; what is gone has none.
  const twice = await duplicateProject('kettle-trivet')
  expect((await recordsOf([twice], { photos: true })).photos).toEqual([])
  await removeProjects(['kettle-trivet'])
  expect(await database.photos.where('copyId').equals('trivet-1').count()).toBe(0)
  expect(await database.photos.count()).toBe(1)
})

test('the same file once more stands beside the first, sharing its yarns and gauges', async () => {
  await takeIn(demo, 'keepBoth')
  expect((await previewImport(demo)).projects.map(({ alreadyHere }) => alreadyHere)).toEqual(
    demo.projects.map(() => true),
  )
  await takeIn(demo, 'keepBoth')
  expect(await database.projects.count()).toBe(2 * demo.projects.length)
  expect((await recordsOf()).events).toHaveLength(2 * demo.events.length)
  expect(await database.yarns.count()).toBe(demo.yarns.length)
  expect(await database.gauges.count()).toBe(demo.gauges.length)
})

test('replacing puts back what the file has, and touches no gauge that has changed here since', async () => {
  await takeIn(demo, 'keepBoth')
  await renameProject('kettle-trivet', 'Something else')
  const changed = { ...demo.gauges[0]!, hook: 8 }
  await saveGauge(changed)
  await takeIn(demo, 'replace')
  expect((await database.projects.get('kettle-trivet'))?.name).toBe('Kettle trivet')
  expect(await database.projects.count()).toBe(demo.projects.length)
  expect(await database.gauges.get(changed.id)).toEqual(changed)
  const piece = await database.pieces.get('trivet')
  expect(piece?.gaugeId).not.toBe(changed.id)
  expect((await database.gauges.get(piece!.gaugeId))?.hook).toBe(demo.gauges[0]!.hook)
})

test('a duplicate has the plan and none of the work; a deleted project comes back whole', async () => {
  await takeIn(demo, 'keepBoth')
  const id = await duplicateProject('tin-mug-mats')
  const copy = await recordsOf([id])
  expect(copy.pieces[0]).toMatchObject({ quantity: 8, gaugeId: 'cotton-single' })
  expect([copy.copies, copy.planVersions, copy.events]).toEqual([[], [], []])
  await deleteProject('tin-mug-mats')
  expect((await recordsOf()).projects).toHaveLength(demo.projects.length)
  await restoreProject('tin-mug-mats')
  expect((await recordsOf()).copies).toHaveLength(demo.copies.length)
})

test('what was deleted is swept after a day, work log and all; the rest stays', async () => {
  await takeIn(demo, 'keepBoth')
  await deleteProject('tin-mug-mats')
  await sweepDeleted(Date.now())
  expect(await database.projects.count()).toBe(demo.projects.length)
  await sweepDeleted(Date.now() + 2 * 86_400_000)
  expect((await database.projects.toArray()).map(({ id }) => id)).toEqual([
    'bed-socks',
    'compass-pouch',
    'cradle-booties',
    'door-stop',
    'drying-rack-mat',
    'headlamp-case',
    'kettle-trivet',
    'kindling-basket',
    'lamp-glass-cover',
    'lamp-glass-sleeve',
    'pan-handle-sleeve',
    'pot-holder',
    'pot-rest',
    'wardens-cap',
    'wash-house-mat',
  ])
  for (const table of [database.events, database.logBlocks]) {
    expect(new Set((await table.toArray()).map(({ copyId }) => copyId))).toEqual(
      new Set(['bootie-1', 'bootie-2', 'trivet-1']),
    )
  }
  await removeProjects(['kettle-trivet', 'cradle-booties'])
  expect(await database.events.count()).toBe(0)
  expect(await database.logBlocks.count()).toBe(0)
})

test('a new mat brings a gauge and a yarn of its own, or goes by one that is there', async () => {
  const { projectId: first } = await createPiece({ name: 'Pot mat', form: { family: 'disc', across: 180 } })
  const { pieces, gauges } = await recordsOf([first])
  expect(pieces[0]!.form).toEqual({ family: 'disc', across: 180 })
  expect(gauges[0]!.evidence).toEqual([])
  await saveYarn({ id: 'a', name: 'Little', colour: '#55656C', weight: 4, fibre: 'acrylic', metres: 9 })
  await saveYarn({ id: 'z', name: 'Most', colour: '#55656C', weight: 4, fibre: 'cotton', metres: 400 })
  const { projectId: second } = await createPiece({
    name: 'Another',
    form: { family: 'disc', across: 150 },
    gaugeId: gauges[0]!.id,
  })
  expect((await recordsOf([second])).yarns.map(({ name }) => name)).toEqual(['Most'])
  expect((await recordsOf([second])).gauges).toEqual(gauges)
  expect(await database.gauges.count()).toBe(1)
})

describe('a project of several pieces', () => {
  const namesOf = async (projectId: string) =>
    (await piecesOf(projectId)).map(({ name, place }) => `${place} ${name}`)

  test('takes them in their order, and goes out, comes in and is copied whole', async () => {
    const { projectId } = await createPiece({ name: 'Bench set', form: { family: 'disc', across: 300 } })
    await createPiece({ name: 'Small mat', form: { family: 'disc', across: 120 }, projectId })
    await createPiece({ name: 'Seat', form: { family: 'disc', across: 380 }, projectId })
    expect(await namesOf(projectId)).toEqual(['1 Mat', '2 Small mat', '3 Seat'])
    expect(await database.projects.count()).toBe(1)
    const all = await recordsOf([projectId])
    const read = readProjectFile(writeProjectFile(projectFile(all, demo.exportedAt)))
    if (!read.ok) throw new Error(JSON.stringify(read.faults))
    await removeProjects([projectId])
    expect(await database.pieces.count()).toBe(0)
    await takeIn(read.file, 'keepBoth')
    expect(await namesOf(projectId)).toEqual(['1 Mat', '2 Small mat', '3 Seat'])
    const copy = await duplicateProject(projectId)
    expect(await namesOf(copy)).toEqual(['1 Mat', '2 Small mat', '3 Seat'])
    const ids = (await database.pieces.toArray()).map(({ id }) => id)
    expect(new Set(ids).size).toBe(6)
  })

  test('lets one out with all its work, and back in as it was', async () => {
    await takeIn(demo, 'keepBoth')
    const other = await createPiece({
      name: 'Small trivet',
      form: { family: 'disc', across: 120 },
      projectId: 'kettle-trivet',
    })
    await renamePiece(other, 'Cup mat')
    const before = await recordsOf()
    const bringBack = await removePiece('trivet')
    expect(await namesOf('kettle-trivet')).toEqual(['2 Cup mat'])
    expect((await database.copies.toArray()).map(({ pieceId }) => pieceId)).not.toContain('trivet')
    expect(await database.planVersions.get('trivet-plan-1')).toBeUndefined()
    await shelfIsSound()
    await bringBack()
    const after = await recordsOf()
    for (const table of RECORD_TABLES) {
      const ids = (records: readonly { id: string }[]) => records.map(({ id }) => id).sort()
      expect(ids(after[table])).toEqual(ids(before[table]))
    }
    // Another tab may have taken the other one out: the last stays, and nothing comes back without its project.
    const late = await removePiece(other.id)
    await removePiece('trivet')
    expect(await namesOf('kettle-trivet')).toEqual(['1 Mat'])
    await late()
    // A piece that joins later still comes last.
    await createPiece({ name: 'Third', form: { family: 'disc', across: 90 }, projectId: 'kettle-trivet' })
    expect(await namesOf('kettle-trivet')).toEqual(['1 Mat', '2 Cup mat', '3 Third'])
  })
})

test('settings are changed one by one, and what was not set has its usual value', async () => {
  expect(await readSettings()).toMatchObject({ units: 'cm', terms: 'US', pace: 18 })
  await saveSettings({ units: 'in' })
  await saveSettings({ pace: 14 })
  expect(await readSettings()).toMatchObject({ units: 'in', terms: 'US', pace: 14 })
})
