import fc from 'fast-check'
import { planPiece } from '../plan/planPiece.ts'
import { SpecError } from '../errors/specError.ts'
import { anySpec, discSpec } from '../testing/specs.ts'
import { countOf, gathers, stitchesIn, topOf, usedBy, type Round } from './round.ts'
import { decrease, expandSteps, increase, plain, type Step } from './steps.ts'
import { verify } from './verify.ts'
import { runs } from '../testing/runs.ts'

const mat = planPiece(discSpec(150)).rounds
/** The mat with one of its rounds changed. */
const changed = (number: number, change: Partial<Round>): Round[] =>
  mat.map((round, index) => (index === number - 1 ? { ...round, ...change } : round))
const messages = (rounds: readonly Round[]) => verify(rounds).map(({ message }) => message)

test('whatever is planned is a fabric that can be worked', () => {
  fc.assert(
    fc.property(anySpec, (spec) => {
      try {
        expect(verify(planPiece(spec).rounds)).toEqual([])
      } catch (error) {
        if (!(error instanceof SpecError)) throw error
      }
    }),
    { numRuns: runs(60) },
  )
})

test('a stitch more or fewer in any round is found where it is', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: mat.length }),
      fc.constantFrom<Step[]>([{ times: 1, ops: [plain('sc')] }], [{ times: 1, ops: [decrease('sc')] }]),
      fc.boolean(),
      (number, more, goesOn) => {
        const round = mat[number - 1]!
        const rounds = changed(number, { steps: [...round.steps, ...more] })
        const flaws = verify(goesOn ? rounds : rounds.slice(0, number))
        expect(flaws[0]).toEqual({
          at: number - 1,
          field: 'steps',
          message: `Rnd ${number} works off ${usedBy(rounds[number - 1]!)} stitches; below it there are ${round.from}.`,
        })
        // The round above then stands in fewer stitches than there are.
        if (goesOn && number < mat.length) expect(flaws[1]).toMatchObject({ at: number, field: 'hosts' })
      },
    ),
  )
})

test.each<[string, Round[], RegExp]>([
  ['a name twice', changed(4, { id: mat[2]!.id }), /^Rnd 4 has the name of Rnd 3\.$/],
  ['no host', changed(3, { hosts: [] }), /^Rnd 3 is worked into nothing\.$/],
  ['a host of no stitch', changed(3, { hosts: [{ ...topOf(mat[1]!), to: 0 }] }), /into no stitch/],
  [
    'a round above',
    changed(3, { hosts: [topOf(mat[6]!)] }),
    /^Rnd 3 is worked into a round that is not below it/,
  ],
  ['itself', changed(3, { hosts: [topOf(mat[2]!)] }), /not below it/],
  [
    'stitches that are not there',
    changed(3, { hosts: [{ ...topOf(mat[1]!), to: 13 }] }),
    /^Rnd 3 is worked into stitch 13 of Rnd 2, which has 12\.$/,
  ],
  [
    'stitches passed over',
    changed(3, {
      hosts: [{ ...topOf(mat[1]!), to: 10 }],
      steps: [{ times: 1, ops: [plain('sc', 10)] }],
    }),
    /^Rnd 3 leaves 2 sts of Rnd 2 unworked\.$/,
  ],
  [
    'no stitch',
    changed(mat.length, { steps: [{ times: 1, ops: [{ ...plain('sc'), makes: 0 }] }] }),
    /makes no stitch/,
  ],
])('%s is told in a sentence', (_, rounds, message) => {
  expect(messages(rounds)[0]).toMatch(message)
})

test('a round may leave stitches, when it says so, and others take them up, turned if need be', () => {
  const below = mat[1]!
  const heel: Round = {
    ...mat[2]!,
    closed: false,
    hosts: [{ ...topOf(below), to: 6 }],
    steps: [{ times: 1, ops: [plain('sc', 6)] }],
    left: [{ ...topOf(below), from: 6 }],
  }
  const around: Round = {
    ...mat[3]!,
    hosts: [topOf(heel), { ...topOf(below), from: 12, to: 6 }],
    steps: [
      { times: 6, ops: [plain('sc')] },
      { times: 6, ops: [increase('sc')] },
    ],
  }
  expect(verify([mat[0]!, below, heel, around])).toEqual([])
  expect(countOf(around)).toBe(18)
  expect(stitchesIn(around.hosts)).toBe(12)
})

test('in a ring or in one chain stitches stand in nothing that could be counted', () => {
  const [first] = planPiece(
    discSpec(100, { construction: { ...discSpec(1).construction, start: { kind: 'chainTwo' } } }),
  ).rounds
  expect(first!.hosts[0]!.of).toEqual({ kind: 'chain', of: 'foundation', side: 'upper' })
  for (const round of [first!, mat[0]!]) {
    expect(gathers(round)).toBe(true)
    expect(usedBy(round)).toBe(0)
    expect(countOf(round)).toBe(6)
  }
})

test('one thing into one stitch may make three, a chain, or nothing', () => {
  const steps: Step[] = [
    {
      times: 2,
      ops: [
        { stitch: 'dc', uses: 1, makes: 3, times: 1 },
        { stitch: 'slst', uses: 0, makes: 1, times: 2 },
        { stitch: 'sc', uses: 1, makes: 0, times: 2 },
        { ...plain('sc', 2), loops: 'back' },
      ],
    },
  ]
  expect(expandSteps(steps)).toHaveLength(14)
  expect(countOf({ steps })).toBe(14)
  expect(usedBy({ steps, hosts: [topOf(mat[1]!)] })).toBe(10)
  expect(
    expandSteps(steps)
      .map(({ kind }) => kind)
      .slice(0, 7),
  ).toEqual(['inc', 'inc', 'inc', 'dec', 'dec', 'work', 'work'])
})
