import fc from 'fast-check'
import { readProjectFile } from '../../core/exchange/readProjectFile.ts'
import {
  DEFAULT_SETTINGS,
  LIMITS,
  newPiece,
  projectFile,
  UNMEASURED_GAUGE,
  writeProjectFile,
  type GaugeRecord,
  type PieceRecord,
  type YarnRecord,
} from '../../core/index.ts'
import { database } from './database.ts'
import { keepFinished } from './keepFinished.ts'
import { createPiece, renameProject, saveGauge, savePiece, saveSettings, saveYarn } from './mutations.ts'
import { mustFit, notStoredWords, Refused } from './mustFit.ts'
import { readSettings } from './queries.ts'
import { runs } from '../../core/testing/runs.ts'

const gauge: GaugeRecord = { ...UNMEASURED_GAUGE, id: 'gauge' }
const yarn: YarnRecord = { id: 'fog', name: 'Fog', colour: '#FAFCFB', weight: 4, fibre: 'cotton' }
const mat = newPiece({
  id: 'mat',
  projectId: 'mats',
  gaugeId: 'gauge',
  yarnId: 'fog',
  form: { family: 'disc', across: 110 },
})

beforeEach(() => Promise.all(database.tables.map((table) => table.clear())))

test.each<[string, () => Promise<unknown>, RegExp]>([
  [
    'a mat wider than a room',
    () => savePiece({ ...mat, form: { family: 'disc', across: 4000 } }),
    /form\.across/,
  ],
  ['a mat of nothing', () => savePiece({ ...mat, form: { family: 'disc', across: 0 } }), /form\.across/],
  ['half a copy', () => savePiece({ ...mat, quantity: 1.5 }), /quantity/],
  [
    'two yarns at one round',
    () => savePiece({ ...mat, colours: [mat.colours[0]!, mat.colours[0]!] }),
    /colours.*Two yarns begin/,
  ],
  ['a hook of 41 mm', () => saveGauge({ ...gauge, hook: 41 }), /hook/],
  ['seven strands', () => saveGauge({ ...gauge, strands: 7 }), /strands/],
  ['a ball of a thousand million metres', () => saveYarn({ ...yarn, metresPerBall: 1e9 }), /metresPerBall/],
  ['a colour that leads elsewhere', () => saveYarn({ ...yarn, colour: 'url(x)' }), /colour/],
  ['a name of ten thousand letters', () => renameProject('mats', 'x'.repeat(10_000)), /name/],
  ['a mat without a name', () => createPiece({ name: '', form: { family: 'disc', across: 200 } }), /name/],
  ['a pace of no hands', () => saveSettings({ pace: 400 }), /pace/],
  [
    'a reading three kilometres wide',
    () =>
      keepFinished(
        {
          id: 'r',
          copyId: 'c',
          at: 1,
          planVersion: 1,
          afterRound: 5,
          seen: [{ of: 'across', at: 5, values: [3e6] }],
          edge: { kind: 'flat' },
        },
        gauge,
      ),
    /seen/,
  ],
])('%s is refused before it is stored, with the field', async (_, save, says) => {
  await expect(save()).rejects.toThrow(says)
  await expect(save()).rejects.toBeInstanceOf(Refused)
  const all = await Promise.all(database.tables.map((table) => table.toArray()))
  expect(all.flat()).toEqual([])
})

test('what is refused leaves what stood there', async () => {
  await savePiece(mat)
  await savePiece({ ...mat, quantity: 0 }).catch(() => undefined)
  expect(await database.pieces.get('mat')).toEqual(mat)
  await saveSettings({ name: 'Hut above the pass' })
  await saveSettings({ pace: 0 }).catch(() => undefined)
  expect(await readSettings()).toEqual({ ...DEFAULT_SETTINGS, name: 'Hut above the pass' })
})

/** Mostly right, so that a single wrong field decides. */
const rarely = <T>(right: fc.Arbitrary<T>, ...wrong: T[]) =>
  fc.oneof({ weight: 12, arbitrary: right }, { weight: 1, arbitrary: fc.constantFrom(...wrong) })

/** A piece as an edit may leave it, right or wrong. */
const edited: fc.Arbitrary<PieceRecord> = fc
  .record({
    across: rarely(fc.double({ min: 1, max: 3000, noNaN: true }), 0, -1, 3001, 1e9),
    tolerance: rarely(fc.constantFrom(0, 5, 1500), -1, 1501),
    quantity: rarely(fc.constantFrom(1, 8, 1000), 0, 1001, 2.5),
    rhythm: rarely(fc.constantFrom(0, 0.5, 1), 1.1, -0.1),
    firstCount: rarely<number | undefined>(fc.constantFrom(undefined, 6, 400), 7, 2, 401, 6.5),
    of: rarely<number | undefined>(fc.constantFrom(undefined, 2), 24, 25, 1),
    even: rarely(fc.uniqueArray(fc.integer({ min: 2, max: 500 }), { maxLength: 3 }), [0], [1], [501]),
    from: rarely<number[]>(fc.constantFrom([], [4], [2, 9]), [1], [0], [5, 5], [9, 2]),
    chains: rarely<number | undefined>(fc.constantFrom(undefined, 3, 6, 60), 2, 61, 4.5),
  })
  .map(({ across, tolerance, quantity, rhythm, firstCount, of, even, from, chains }) => ({
    ...mat,
    form: { family: 'disc' as const, across },
    tolerance,
    quantity,
    rhythm,
    constraints: {
      evenRounds: even,
      ...(firstCount === undefined ? {} : { firstCount }),
      ...(of === undefined ? {} : { multiples: [{ fromRound: 1, of }] }),
    },
    colours: [...mat.colours, ...from.map((fromRound) => ({ fromRound, yarn: 'fog' }))],
    ...(chains === undefined
      ? {}
      : { construction: { ...mat.construction, start: { kind: 'chainRing' as const, chains } } }),
  }))

test('the gate and the reader of files are one: what passes comes back, what does not is refused by both', async () => {
  let passed = 0
  await fc.assert(
    fc.asyncProperty(edited, async (piece) => {
      const stored = await mustFit('pieces', piece).then(
        () => true,
        () => false,
      )
      if (stored) passed++
      const read = readProjectFile(
        writeProjectFile(
          projectFile(
            {
              projects: [{ id: 'mats', name: 'Mats', createdAt: 0, updatedAt: 0 }],
              pieces: [piece],
              gauges: [gauge],
              yarns: [yarn],
              copies: [],
              planVersions: [],
              events: [],
              readings: [],
              photos: [],
            },
            '2026-11-26T08:00:00.000Z',
          ),
        ),
      )
      expect(read.ok).toBe(stored)
    }),
    { numRuns: runs(150) },
  )
  expect(passed).toBeGreaterThan(20)
  expect(passed).toBeLessThan(130)
})

test('a maker is told what was refused, or that the disk may be full', () => {
  expect(notStoredWords(new Refused('This is not kept (hook). Too large.'))).toBe(
    'This is not kept (hook). Too large.',
  )
  expect(notStoredWords(new DOMException('x', 'QuotaExceededError'))).toMatch(
    /disk may be full: export a file/,
  )
})

test('limits are said once: what a field takes at its edges, the gate takes, and a step beyond neither', async () => {
  for (const [table, at, record] of [
    ['pieces', LIMITS.across, (across: number) => ({ ...mat, form: { family: 'disc', across } })],
    ['pieces', LIMITS.quantity, (quantity: number) => ({ ...mat, quantity })],
    ['gauges', LIMITS.hook, (hook: number) => ({ ...gauge, hook })],
    ['gauges', LIMITS.strands, (strands: number) => ({ ...gauge, strands })],
    ['yarns', LIMITS.balls, (balls: number) => ({ ...yarn, balls })],
    ['settings', LIMITS.pace, (pace: number) => ({ ...DEFAULT_SETTINGS, pace })],
  ] as const) {
    for (const edge of at) await expect(mustFit(table, record(edge) as never)).resolves.toBeUndefined()
    await expect(mustFit(table, record(at[0] - 1) as never)).rejects.toBeInstanceOf(Refused)
    await expect(mustFit(table, record(at[1] + 1) as never)).rejects.toBeInstanceOf(Refused)
  }
})
