import './planHere.ts'
import { readFileSync } from 'node:fs'
import { readProjectFile } from '../../core/exchange/readProjectFile.ts'
import {
  diagnose,
  learnFromPiece,
  projectFile,
  repairCount,
  undo,
  waysOut,
  workOn,
  writeProjectFile,
  type CopyRecord,
  type PieceReading,
  type ProjectFile,
} from '../../core/index.ts'
import { database } from './database.ts'
import { keepFinished } from './keepFinished.ts'
import { deleteGauge, deleteYarn } from './mutations.ts'
import { readSettings } from './queries.ts'
import { putRecords, recordsOf } from './records.ts'
import type { RoundEvidence } from '../../core/gauge/evidence.ts'
import { versionOf, type PlanVersion } from './planVersions.ts'
import { pinVersion, turnTo } from './takeWay.ts'
import { openWorkSession, readWorkState } from './workSession.ts'

const demo = JSON.parse(readFileSync('demo/skarn-hut.uzel.json', 'utf8')) as ProjectFile

let copy: CopyRecord
let pinned: PlanVersion

const reading = (across: number): PieceReading => ({
  id: 'measured',
  copyId: 'trivet-1',
  at: 1,
  planVersion: 1,
  afterRound: 6,
  seen: [{ of: 'across', at: 6, values: [across] }],
  edge: { kind: 'flat' },
})

/** The best way out of a trivet that measures so after Rnd 6. */
function bestWay(across: number) {
  const { spec, plan } = pinned
  const diagnosis = diagnose({ spec, rounds: plan.rounds.slice(0, 6), readings: [reading(across)] })
  return waysOut({ spec, hook: 6.5, plan, afterRound: 6, diagnosis }).ways[0]!
}

beforeEach(async () => {
  await Promise.all(database.tables.map((table) => table.clear()))
  await putRecords(demo, demo.workshop)
  copy = (await database.copies.get('trivet-1'))!
  pinned = versionOf((await database.planVersions.get('trivet-plan-1'))!)
})

/** What is stored passes as a file: every version is sound, every log a chain. */
afterEach(async () => {
  const text = writeProjectFile(projectFile(await recordsOf(), demo.exportedAt, await readSettings()))
  expect(readProjectFile(text)).toMatchObject({ ok: true })
})

test('a way out is pinned as the next version and worked from there; undo brings the old one back', async () => {
  const way = bestWay(97)
  const version = await pinVersion({
    pieceId: 'trivet',
    spec: way.spec,
    plan: way.plan,
    reading: reading(97),
  })
  expect(version).toBe(2)
  expect(await database.readings.get('measured')).toMatchObject({ seen: [{ values: [97] }] })
  const session = openWorkSession(copy, await readWorkState(copy))
  const before = session.view().state
  session.act(turnTo(pinned.plan, way.plan, way.keeps, version))
  await session.settled()
  expect(session.view().state.planVersion).toBe(2)
  expect((await database.copies.get('trivet-1'))!.planVersion).toBe(2)

  session.act((state) => workOn(way.plan.rounds, state, 'round'))
  session.act(undo)
  session.act(undo)
  await session.settled()
  expect(session.view().state).toMatchObject({ planVersion: 1, position: before.position })
  expect((await database.copies.get('trivet-1'))!.planVersion).toBe(1)
  // Opened again, the log says the same.
  expect(await readWorkState((await database.copies.get('trivet-1'))!)).toMatchObject({
    planVersion: 1,
    position: before.position,
  })
})

test('another tab that has the piece open follows to the new version', async () => {
  const way = bestWay(113)
  const [here, there] = await Promise.all(
    [0, 1].map(async () => openWorkSession(copy, await readWorkState(copy))),
  )
  const version = await pinVersion({ pieceId: 'trivet', spec: way.spec, plan: way.plan })
  here!.act(turnTo(pinned.plan, way.plan, way.keeps, version))
  await here!.settled()
  there!.catchUp()
  await there!.settled()
  expect(there!.view().state).toEqual(here!.view().state)
})

test('a mended count is a version of its own', async () => {
  const { plan, spec } = pinned
  const { mended } = repairCount(spec, plan, 7, 43)
  const version = await pinVersion({ pieceId: 'trivet', spec, plan: mended! })
  const session = openWorkSession(copy, await readWorkState(copy))
  session.act(turnTo(plan, mended!, 7, version))
  await session.settled()
  expect(session.view().state).toMatchObject({ planVersion: version, position: { round: 'r8', unit: 0 } })
})

test('a finished mat is one piece of evidence, however often it is measured', async () => {
  const gauge = (await database.gauges.get('cotton-single'))!
  const { plan, spec } = versionOf(demo.planVersions.find(({ pieceId }) => pieceId === 'mats')!)
  const last = plan.rounds.length
  const measured: PieceReading = {
    ...reading(109),
    copyId: 'mat-1',
    afterRound: last,
    seen: [{ of: 'across', at: last, values: [109] }],
  }
  const evidence = learnFromPiece(measured, plan, spec, 'Tin-mug mats no. 1') as RoundEvidence
  await keepFinished(measured, gauge, evidence)
  const once = (await database.gauges.get('cotton-single'))!
  await keepFinished(measured, once, { ...evidence, across: [108] })
  const twice = (await database.gauges.get('cotton-single'))!
  expect(twice.evidence).toHaveLength(gauge.evidence.length + 1)
  expect(twice.evidence.at(-1)).toMatchObject({ from: 'Tin-mug mats no. 1', across: [108] })
})

test('what a piece goes by cannot be taken from under it', async () => {
  await deleteGauge('cotton-single')
  expect(await database.gauges.get('cotton-single')).toBeDefined()
  await deleteGauge('loft-wool')
  expect(await database.gauges.get('loft-wool')).toBeUndefined()
  expect(await deleteYarn('fog')).toBe(false)
  expect(await deleteYarn('bark')).toBe(true)
  expect(await database.yarns.get('fog')).toBeDefined()
})
