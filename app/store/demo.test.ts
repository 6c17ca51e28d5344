import { readFileSync } from 'node:fs'
import { readProjectFile } from '../../core/exchange/readProjectFile.ts'
import {
  planPiece,
  projectFile,
  specOf,
  UNMEASURED_GAUGE,
  writeProjectFile,
  type PieceRecord,
  type ProjectFile,
} from '../../core/index.ts'
import { beginCopy } from './beginCopy.ts'
import { database } from './database.ts'
import { placeDemo, putDemoBack, takeDemoAway } from './demo.ts'
import { readDemo } from './demoRecord.ts'
import { putDemo } from './putDemo.ts'
import { createPiece, deleteProject, saveGauge, savePiece, saveSettings } from './mutations.ts'
import { readSettings } from './queries.ts'
import { recordsOf } from './records.ts'

const file = JSON.parse(readFileSync('demo/skarn-hut.uzel.json', 'utf8')) as ProjectFile

const sorted = <T extends { id: string }>(records: readonly T[]) =>
  [...records].sort((one, other) => (one.id < other.id ? -1 : 1))

beforeEach(async () => {
  await Promise.all(database.tables.map((table) => table.clear()))
  await putDemo(file, 'here')
  await saveSettings({ ...file.workshop!, name: 'Skarn Hut' })
})

afterEach(async () => {
  const text = writeProjectFile(projectFile(await recordsOf(), file.exportedAt, await readSettings()))
  expect(readProjectFile(text)).toMatchObject({ ok: true })
})

test('taken away, nothing of the demo is left; put back, all of it is there, work and all', async () => {
  const before = await recordsOf()
  const taken = (await takeDemoAway())!
  const after = await recordsOf()
  expect(Object.values(after).flat()).toEqual([])
  expect(await readDemo()).toBeUndefined()
  expect((await readSettings()).name).toBe('My workshop')
  await putDemoBack(taken)
  const back = await recordsOf()
  for (const table of Object.keys(before) as (keyof typeof before)[]) {
    expect(sorted<{ id: string }>(back[table])).toEqual(sorted<{ id: string }>(before[table]))
  }
  expect(await readDemo()).toMatchObject({ place: 'here', workshop: 'Skarn Hut' })
  expect((await readSettings()).name).toBe('Skarn Hut')
})

test('a mat of the maker’s own on a demo gauge and yarn keeps both when the demo goes', async () => {
  const piece = await createPiece({
    name: 'Bench mat',
    form: { family: 'disc', across: 300 },
    gaugeId: 'cotton-single',
  })
  await savePiece({ ...piece, colours: [{ fromRound: 1, yarn: 'soot', beside: ['bark'] }] })
  await takeDemoAway()
  const { projects, gauges, yarns } = await recordsOf()
  expect(projects.map((project) => project.name)).toEqual(['Bench mat'])
  expect(gauges.map((gauge) => gauge.id)).toEqual(['cotton-single'])
  expect(yarns.map((yarn) => yarn.id).sort()).toEqual(['bark', 'soot'])
})

test('a plan that was begun in a demo yarn, and a mat that can come back, keep theirs too', async () => {
  const begun = await createPiece({
    name: 'Bench mat',
    form: { family: 'disc', across: 200 },
    gaugeId: 'cotton-single',
  })
  const gauge = (await database.gauges.get('cotton-single'))!
  const spec = specOf({ ...begun, colours: [{ fromRound: 1, yarn: 'soot' }] }, gauge, 18)
  await beginCopy({ pieceId: begun.id, number: 1, spec, plan: planPiece(spec) })
  const away = await createPiece({
    name: 'Stool mat',
    form: { family: 'disc', across: 200 },
    gaugeId: 'loft-wool',
  })
  await savePiece({ ...away, colours: [{ fromRound: 1, yarn: 'bark' }] })
  await deleteProject(away.projectId)
  await takeDemoAway()
  expect((await database.yarns.toArray()).map(({ id }) => id)).toEqual(
    expect.arrayContaining(['bark', 'soot']),
  )
  expect(await database.gauges.get('loft-wool')).toBeDefined()
})

test('fetched once more, the demo writes over no gauge that stayed and was changed', async () => {
  await createPiece({ name: 'Bench mat', form: { family: 'disc', across: 200 }, gaugeId: 'cotton-single' })
  await takeDemoAway()
  const changed = { ...(await database.gauges.get('cotton-single'))!, name: 'My cotton', hook: 4.5 }
  await saveGauge(changed)
  await putDemo(file, 'aside')
  expect(await database.gauges.get('cotton-single')).toEqual(changed)
  expect((await readDemo())?.gauges).not.toContain('cotton-single')
  expect(await database.projects.count()).toBe(file.projects.length + 1)
})

test('a workshop that was given a name of its own keeps it', async () => {
  await saveSettings({ name: 'Hut above the pass' })
  await placeDemo('aside')
  expect((await readSettings()).name).toBe('Hut above the pass')
  await takeDemoAway()
  expect((await readSettings()).name).toBe('Hut above the pass')
})

test('set aside, the demo stays whole, and the shelf is the maker’s own by name', async () => {
  const before = await database.events.count()
  await placeDemo('aside')
  expect(await readDemo()).toMatchObject({
    place: 'aside',
    projects: [
      'kettle-trivet',
      'tin-mug-mats',
      'lamp-glass-sleeve',
      'wardens-cap',
      'kindling-basket',
      'door-stop',
      'pan-handle-sleeve',
      'lamp-glass-cover',
      'cradle-booties',
      'headlamp-case',
      'compass-pouch',
      'pot-rest',
      'bed-socks',
      'pot-holder',
      'drying-rack-mat',
      'wash-house-mat',
    ],
  })
  expect(await database.events.count()).toBe(before)
  expect((await readSettings()).name).toBe('My workshop')
  await placeDemo('among')
  expect(await readDemo()).toMatchObject({ place: 'among' })
})

test('a new piece opens on no stranger’s yarn, unless it goes by the stranger’s gauge', async () => {
  const yarnOf = ({ colours }: PieceRecord) => colours[0]!.yarn
  const first = yarnOf(await createPiece({ name: 'Pot mat', form: { family: 'disc', across: 180 } }))
  expect(file.yarns.map(({ id }) => id)).not.toContain(first)
  expect((await database.yarns.get(first))?.name).toBe('My yarn')
  // The next one finds the maker's own.
  expect(yarnOf(await createPiece({ name: 'Stool mat', form: { family: 'disc', across: 320 } }))).toBe(first)
  expect(file.yarns.map(({ id }) => id)).toContain(
    yarnOf(
      await createPiece({ name: 'Trivet', form: { family: 'disc', across: 200 }, gaugeId: 'cotton-single' }),
    ),
  )
})

test('where there is no demo, there is nothing to take away or to place', async () => {
  await takeDemoAway()
  expect(await takeDemoAway()).toBeUndefined()
  await placeDemo('aside')
  expect(await readDemo()).toBeUndefined()
  await saveGauge({ ...UNMEASURED_GAUGE, id: 'own' })
  expect((await recordsOf()).gauges).toHaveLength(1)
})
