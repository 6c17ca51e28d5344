import fc from 'fast-check'
import { discSpec } from '../testing/specs.ts'
import { smallWorkshop } from '../testing/smallWorkshop.ts'
import { fitsAsEvent } from './fitsAsEvent.ts'
import { readProjectFile } from './readProjectFile.ts'
import { projectFile, writeProjectFile } from './writeProjectFile.ts'
import { event } from './workSchemas.ts'
import { runs } from '../testing/runs.ts'

type Loose = Record<string, Record<string, unknown>[]>

const NOW = '2026-11-26T08:00:00.000Z'
const good = () => JSON.parse(writeProjectFile(projectFile(smallWorkshop(), NOW))) as Loose

/** The file with something changed, read. */
function readWith(change: (file: Loose) => void): readonly { path: string; message: string }[] {
  const file = good()
  change(file)
  const read = readProjectFile(JSON.stringify(file))
  return read.ok ? [] : read.faults
}

const planIn = (file: Loose) => file['planVersions']![0]!['plan'] as Record<string, Record<string, unknown>[]>

test.each<[string, (file: Loose) => void, string, RegExp]>([
  [
    'a position past the last round',
    (file) => (file['events']![3]!['to'] = { round: 'r40', unit: 0 }),
    'events[3].to',
    /has 7 rounds; there is no “r40” among them/,
  ],
  [
    'a position past the end of a round',
    (file) => (file['events']![3]!['to'] = { round: 'r1', unit: 60 }),
    'events[3].to',
    /Rnd 1 has 6 places to work; there is no place 60/,
  ],
  [
    'a note past the piece',
    (file) =>
      file['events']!.push({
        id: 'note',
        copyId: 'copy',
        seq: 5,
        at: 1,
        type: 'note',
        text: 'here',
        position: { round: 'r9', unit: 0 },
      }),
    'events[4].position',
    /no “r9” among them/,
  ],
  [
    'a plan cut short',
    (file) => planIn(file)['rounds']!.pop(),
    'planVersions[0].plan.checkpoints[1].afterRound',
    /nothing can be measured after Rnd 7/,
  ],
  [
    'a plan that is cut short',
    (file) => (planIn(file)['rounds'] = planIn(file)['rounds']!.slice(0, 4)),
    'planVersions[0].plan.checkpoints[1].afterRound',
    /The plan has 4 rounds/,
  ],
  [
    'a round worked into one that comes later',
    (file) =>
      (planIn(file)['rounds']![3]!['hosts'] = [
        { of: { kind: 'top', round: 'r6', loops: 'both' }, from: 0, to: 18 },
      ]),
    'planVersions[0].plan.rounds[3].hosts',
    /into a round that is not below it/,
  ],
  [
    'an edge minus a million kilometres out',
    (file) =>
      (file['planVersions']![0]!['plan'] = {
        ...planIn(file),
        goesOn: { after: 2, radius: -1e9, z: 0, sd: 1 },
      }),
    'planVersions[0].plan.goesOn.radius',
    /greater than or equal/,
  ],
  [
    'a copy started on a plan that is not there',
    (file) => (file['events']![0]!['planVersion'] = 3),
    'events[0].planVersion',
    /version 3 is missing/,
  ],
  [
    'a reading of a plan that is not there',
    (file) => (file['readings']![0]!['planVersion'] = 3),
    'readings[0].planVersion',
    /version 3 is missing/,
  ],
  [
    'a reading after a round that is not there',
    (file) => (file['readings']![0]!['afterRound'] = 30),
    'readings[0].afterRound',
    /nothing can be measured after Rnd 30/,
  ],
  ['a copy without a log', (file) => (file['events'] = []), 'copies[0]', /no beginning/],
  [
    'a log that begins with a stitch',
    (file) => {
      file['events']!.shift()
      for (const line of file['events']!) line['seq'] = (line['seq'] as number) - 1
    },
    'copies[0]',
    /no beginning/,
  ],
  ['a project without a piece', (file) => (file['pieces'] = []), 'projects[0]', /No piece/],
  [
    'a piece without a place among the others',
    (file) => (file['pieces']![0]!['place'] = 0),
    'pieces[0].place',
    /greater than or equal to 1/,
  ],
  [
    'two copies of one number',
    (file) => file['copies']!.push({ ...file['copies']![0]!, id: 'other' }),
    'copies[1].number',
    /another copy of this number/,
  ],
  [
    'two plans of one version',
    (file) => file['planVersions']!.push({ ...file['planVersions']![0]!, id: 'other' }),
    'planVersions[1].version',
    /another plan of this version/,
  ],
  [
    'a pinned plan in a yarn that is not there',
    (file) => (planIn(file)['rounds']![1]!['yarn'] = 'gone'),
    'planVersions[0].plan.rounds[1]',
    /Nothing in the file has the id “gone”/,
  ],
  ['an id that leads elsewhere', (file) => (file['projects']![0]!['id'] = '..'), 'projects[0].id', /no id/],
  ['an id with a slash', (file) => (file['projects']![0]!['id'] = 'a/b'), 'projects[0].id', /no id/],
  ['an id with a query', (file) => (file['copies']![0]!['id'] = '?x#y'), 'copies[0].id', /no id/],
])('%s is refused where it is', (_, change, path, says) => {
  const faults = readWith(change)
  const fault = faults.find((one) => one.path === path)
  expect(fault?.message).toMatch(says)
})

test('nesting without end is refused with a sentence, in a record or around it', () => {
  const deep = `${'['.repeat(200_000)}${']'.repeat(200_000)}`
  for (const text of [
    deep,
    JSON.stringify(good()).replace('"notices":[', `"notices":[${deep},`),
    JSON.stringify(good()).replace(
      '"projects":[',
      `"projects":[{"id":${'{"a":'.repeat(50_000)}1${'}'.repeat(50_000)}},`,
    ),
  ]) {
    const read = readProjectFile(text)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.faults[0]!.message.length).toBeGreaterThan(10)
  }
})

test('lines of a log may stand in any order in a file: their numbers say theirs', () => {
  expect(readWith((file) => file['events']!.reverse())).toEqual([])
})

test('a plan taken back is the one that positions are held against again', () => {
  const wider = smallWorkshop(discSpec(140))
  const faults = (last: object) =>
    readWith((file) => {
      file['planVersions']!.push({
        ...JSON.parse(JSON.stringify(wider.planVersions[0])),
        id: 'v2',
        version: 2,
      } as Record<string, unknown>)
      const at = { copyId: 'copy', at: 1 }
      const here = file['events']!.at(-1)!['to']
      file['events']!.push(
        { ...at, id: 'r', seq: 5, type: 'replan', planVersion: 2, fromVersion: 1, from: here, to: here },
        { ...at, id: 'u', seq: 6, type: 'undo', undoes: 'r', from: here, to: here },
        { ...at, id: 'g', seq: 7, type: 'goTo', from: here, ...last },
      )
    })
  expect(faults({ to: { round: 'r7', unit: 0 } })).toEqual([])
  expect(faults({ to: { round: 'r8', unit: 0 } })[0]).toMatchObject({ path: 'events[6].to' })
})

test('progress is told while a long log is read, and never goes back', () => {
  const file = good()
  const shares: number[] = []
  const here = file['events']!.at(-1)!['to'] as { round: string; unit: number }
  let from = here
  for (let seq = 5; seq < 12_000; seq++) {
    const to = { round: 'r1', unit: from.unit === 3 ? 2 : 3 }
    file['events']!.push({ id: `e-${seq}`, copyId: 'copy', seq, at: seq, type: 'goTo', from, to })
    from = to
  }
  expect(readProjectFile(JSON.stringify(file), (share) => shares.push(share))).toMatchObject({ ok: true })
  expect(shares.length).toBeGreaterThanOrEqual(4)
  expect(shares).toEqual([...shares].sort((one, other) => one - other))
})

/** Events near enough to right that the two judges could differ. */
const loosely = (() => {
  // Mostly right, so that a single wrong field decides.
  const rarely = <T>(right: fc.Arbitrary<T>, ...wrong: unknown[]) =>
    fc.oneof({ weight: 9, arbitrary: right }, { weight: 1, arbitrary: fc.constantFrom(...wrong) })
  const id = rarely(fc.constantFrom('a', 'e-1'), '', '..', 'x'.repeat(65), 7, null)
  const whole = rarely(fc.integer({ min: 1, max: 500 }), 0, 501, 100_000, 100_001, -1, 1.5, 1e12, '1', null)
  const position = rarely(
    fc.record({ round: id, unit: whole }, { noNullPrototype: true }),
    null,
    'here',
    [],
    {
      round: 'r1',
      unit: 1,
      more: 1,
    },
  )
  const fields = {
    id,
    copyId: id,
    seq: whole,
    at: whole,
    type: fc.constantFrom(
      'start',
      'work',
      'nextRound',
      'goTo',
      'undo',
      'replan',
      'count',
      'note',
      'finish',
      'reopen',
      'explode',
      'toString',
    ),
    from: position,
    to: position,
    position,
    by: rarely(fc.constantFrom('stitch', 'repeat', 'round'), 'hand', null),
    undoes: id,
    planVersion: whole,
    fromVersion: whole,
    round: id,
    counted: whole,
    expected: whole,
    text: rarely(fc.string({ minLength: 1, maxLength: 20 }), '', 4, 'x'.repeat(5001)),
  }
  return fc.oneof(
    fc.record(fields, { noNullPrototype: true }),
    fc.record(fields, { requiredKeys: ['type'], noNullPrototype: true }),
  )
})()

const OWN: Readonly<Record<string, readonly string[]>> = {
  start: ['planVersion', 'to'],
  work: ['from', 'to', 'by'],
  nextRound: ['from', 'to'],
  goTo: ['from', 'to'],
  undo: ['from', 'to', 'undoes'],
  replan: ['from', 'to', 'planVersion', 'fromVersion'],
  count: ['round', 'counted', 'expected'],
  note: ['position', 'text'],
}

test('the quick look at events and the schema agree', () => {
  let fitted = 0
  fc.assert(
    fc.property(loosely, fc.boolean(), (some, tidy) => {
      const keep = [
        'id',
        'copyId',
        'seq',
        'at',
        'type',
        ...(Object.hasOwn(OWN, some.type) ? OWN[some.type]! : []),
      ]
      const line = tidy
        ? Object.fromEntries(Object.entries(some).filter(([key]) => keep.includes(key)))
        : (some as object)
      const bySchema = event.validate(line, { convert: false }).error === undefined
      if (fitsAsEvent(line)) fitted++
      expect(fitsAsEvent(line)).toBe(bySchema)
    }),
    { numRuns: runs(2000) },
  )
  expect(fitted).toBeGreaterThan(20)
  for (const line of smallWorkshop().events) expect(fitsAsEvent(line)).toBe(true)
})
