import Dexie from 'dexie'
import { readFileSync } from 'node:fs'
import { readProjectFile } from '../../core/exchange/readProjectFile.ts'
import { gaugeOf, unpin, type Plan } from '../../core/index.ts'
import { UzelDatabase } from './database.ts'

/** What a browser of version 1 holds. */
const OLD = JSON.parse(readFileSync('core/testing/workshop-v1.uzel.json', 'utf8')) as Record<
  'projects' | 'pieces' | 'gauges' | 'yarns' | 'copies' | 'planVersions' | 'events',
  { id: string }[]
> & { workshop: object }

const TABLES_OF_1 = {
  projects: 'id, updatedAt',
  pieces: 'id, projectId, gaugeId',
  gauges: 'id',
  yarns: 'id',
  copies: 'id, pieceId, &[pieceId+number]',
  planVersions: 'id, &[pieceId+version]',
  events: 'id, &[copyId+seq]',
  settings: 'key',
  remembered: 'key',
}

test('a browser of version 1 opens with every record brought up to date and none lost', async () => {
  const old = new Dexie('old')
  old.version(1).stores(TABLES_OF_1)
  for (const table of [
    'projects',
    'pieces',
    'gauges',
    'yarns',
    'copies',
    'planVersions',
    'events',
  ] as const) {
    await old.table(table).bulkAdd(OLD[table])
  }
  await old.table('settings').add({ ...OLD.workshop, units: 'in', key: 'workshop' })
  old.close()

  const db = new UzelDatabase('old')
  const gauges = await db.gauges.toArray()
  expect(gauges.map(({ evidence }) => evidence.length)).toEqual([1, 1])
  expect(gaugeOf(gauges.find(({ id }) => id === 'cotton-double')!).w).toBeCloseTo(9.1, 1)
  expect(await db.pieces.get('mats')).toMatchObject({ quantity: 8, fitness: { uses: [], layers: 1 } })
  expect(await db.yarns.get('fog')).toMatchObject({ metres: 96, fibre: 'unknown' })
  expect(await db.settings.get('workshop')).toMatchObject({ units: 'in', gaugeOver: '4in', masses: 'g' })
  const events = await db.events.toArray()
  expect(events).toHaveLength(OLD.events.length)
  for (const event of events) {
    if ('to' in event) expect(event.to.round).toMatch(/^r\d+$/)
  }
  const pinned = await db.planVersions.toArray()
  expect(pinned).toHaveLength(OLD.planVersions.length)
  // Two strands took the metres of one until version 4; counts and positions stay as they were.
  const trivet = pinned.find(({ pieceId }) => pieceId === 'trivet')!
  const before = (OLD.planVersions as unknown as { id: string; plan: Plan }[]).find(
    ({ id }) => id === trivet.id,
  )!
  expect(trivet.spec.gauge.strands).toBe(2)
  const plan = unpin(trivet.spec, trivet.plan)
  expect(plan.yarn[0]!.metres / before.plan.yarn[0]!.metres).toBeCloseTo(2, 1)
  expect(plan.rounds.map(({ count }) => count)).toEqual(before.plan.rounds.map(({ count }) => count))
  expect(plan.rounds.map(({ from }) => from)).toEqual(before.plan.rounds.map(({ from }) => from))
  // What was promised stays as it was said; where rounds lie is worked out anew, and is much the same.
  const { across, plusMinus } = before.plan.finished as unknown as Record<string, number>
  expect(trivet.plan.finished.promises).toEqual([
    { of: 'across', at: before.plan.rounds.length, value: across, sd: plusMinus! / 2 },
  ])
  plan.rounds.forEach(({ at }, index) => {
    expect(Math.abs(at.radius - before.plan.rounds[index]!.at.radius)).toBeLessThan(1)
  })
  expect((await db.pieces.get('trivet'))!.construction.rounds).toEqual({
    kind: 'joined',
    turned: false,
    begins: 'chain',
    shaping: 'atTheJoin',
  })
})

test('a file of version 1 is read as one of this version; what is wrong in it is still found', () => {
  const read = readProjectFile(JSON.stringify(OLD))
  expect(read.ok).toBe(true)
  if (read.ok) {
    expect(read.file.version).toBe(10)
    expect(read.file.gauges[0]!.evidence[0]).toMatchObject({
      kind: 'swatch',
      stitches: { count: 11, over: 100 },
    })
  }
  const spoiled = {
    ...OLD,
    gauges: [{ ...OLD.gauges[0]!, swatch: { stitches: 'many' } }, ...OLD.gauges.slice(1)],
  }
  const refused = readProjectFile(JSON.stringify(spoiled))
  expect(refused.ok).toBe(false)
  if (!refused.ok) expect(refused.faults[0]!.path).toMatch(/^gauges\[0\]\.evidence\[0\]/)
  expect(readProjectFile(JSON.stringify({ ...OLD, gauges: 'none' }))).toMatchObject({ ok: false })
})
