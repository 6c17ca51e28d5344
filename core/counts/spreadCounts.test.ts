import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { everyRow, plainSearch } from '../testing/plainSearch.ts'
import { spreadCounts } from './spreadCounts.ts'
import { FLAT_TOLERANCE } from '../lay/flatness.ts'
import { betaOf, deviationFrom, inOuterHalf, type CountsProblem } from './countsProblem.ts'
import { runs } from '../testing/runs.ts'

function problem(
  perRound: number,
  rounds: number,
  rhythm: number,
  rest: Partial<CountsProblem> = {},
): CountsProblem {
  const ideals = Array.from({ length: rounds }, (_, index) => perRound * (index + 1))
  return {
    ideals,
    firstCounts: [Math.max(4, Math.floor(perRound * 0.85)), Math.ceil(perRound * 1.2)],
    beta: betaOf(rhythm),
    deviationCost: deviationFrom(ideals, rhythm),
    ...rest,
  }
}

test('finds what a plain search over every count finds', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 13, noNaN: true }),
      fc.integer({ min: 2, max: 9 }),
      fc.constantFrom(0, 0.25, 0.5),
      fc.option(fc.integer({ min: 1, max: 6 }), { nil: undefined }),
      fc.constantFrom(1, 2, 3),
      (perRound, rounds, rhythm, evenAt, multiple) => {
        const asked = problem(perRound, rounds, rhythm, {
          even: Array.from({ length: rounds }, (_, index) => index === evenAt),
          multiples: Array.from({ length: rounds }, (_, index) => (index > rounds / 2 ? multiple : 1)),
        })
        expect(spreadCounts(asked).cost).toBeCloseTo(plainSearch(asked), 6)
      },
    ),
    { numRuns: runs(60) },
  )
})

/** A guide in stretches that grow, stay and fall, as bases, walls and closings do. */
const anyGuide = fc
  .record({
    first: fc.double({ min: 5, max: 30, noNaN: true }),
    stretches: fc.array(
      fc.record({
        by: fc.oneof(fc.constant(0), fc.double({ min: -8, max: 8, noNaN: true })),
        rounds: fc.integer({ min: 1, max: 4 }),
      }),
      { minLength: 1, maxLength: 4 },
    ),
  })
  .map(({ first, stretches }) => {
    const ideals = [first]
    for (const { by, rounds } of stretches) {
      for (let round = 0; round < rounds; round++) {
        const below = ideals.at(-1)!
        ideals.push(Math.min(45, Math.max(5, below + Math.max(by, -0.4 * below))))
      }
    }
    return ideals
  })

test('growing, level, falling and mixed guides come out as a plain search finds them', () => {
  fc.assert(
    fc.property(
      anyGuide,
      fc.constantFrom(0, 0.25, 0.5, 0.75),
      fc.option(fc.integer({ min: 0, max: 8 }), { nil: undefined }),
      fc.option(fc.integer({ min: 1, max: 12 }), { nil: undefined }),
      (ideals, rhythm, increaseBefore, fixedAt) => {
        const fixed = ideals.map((ideal, index) => (index === fixedAt ? Math.round(1.05 * ideal) : undefined))
        const asked: CountsProblem = {
          ideals,
          firstCounts: [Math.floor(0.85 * ideals[0]!), Math.ceil(1.2 * ideals[0]!)],
          beta: betaOf(rhythm),
          deviationCost: deviationFrom(ideals, rhythm),
          fixed,
          ...(increaseBefore === undefined ? {} : { increaseBefore }),
        }
        const best = plainSearch(asked)
        if (best === Infinity) expect(() => spreadCounts(asked)).toThrow(SpecError)
        else expect(spreadCounts(asked).cost).toBeCloseTo(best, 6)
      },
    ),
    { numRuns: runs(60) },
  )
})

test('a first count of the maker’s own, up to twice what a ring takes, is an increase to go on by', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 9, noNaN: true }),
      fc.integer({ min: 2, max: 7 }),
      fc.constantFrom(0, 0.25, 0.5, 0.75),
      fc.double({ min: 0.5, max: 2, noNaN: true }),
      (perRound, rounds, rhythm, share) => {
        const first = Math.round(share * perRound)
        const asked = problem(perRound, rounds, rhythm, {
          fixed: Array.from({ length: rounds }, (_, index) => (index === 0 ? first : undefined)),
        })
        expect(spreadCounts(asked).cost).toBeCloseTo(
          plainSearch({ ...asked, firstCounts: [first, first] }),
          6,
        )
      },
    ),
    { numRuns: runs(60) },
  )
})

test('along a wall nothing is gained or lost: even rounds cost nothing there', () => {
  const wall = new Array<number>(12).fill(47.6)
  for (const rhythm of [0, 0.5, 1]) {
    const { counts } = spreadCounts({
      ideals: wall,
      firstCounts: [40, 56],
      beta: betaOf(rhythm),
      deviationCost: deviationFrom(wall, rhythm),
    })
    expect(counts).toEqual(new Array(12).fill(48))
  }
})

test('the plain search is right itself: up to four rounds every row of counts is tried', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 8, noNaN: true }),
      fc.integer({ min: 2, max: 4 }),
      fc.constantFrom(0, 0.25, 0.5, 1),
      fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined }),
      (perRound, rounds, rhythm, evenAt) => {
        const asked = problem(perRound, rounds, rhythm, {
          even: Array.from({ length: rounds }, (_, index) => index === evenAt),
        })
        const tried = everyRow(asked)
        expect(plainSearch(asked)).toBeCloseTo(tried.cost, 9)
        expect(spreadCounts(asked).cost).toBeCloseTo(tried.cost, 9)
      },
    ),
    { numRuns: runs(25) },
  )
})

test('more rhythm never costs less deviation, and buys fewer complications', () => {
  const deviation = (rhythm: number) => {
    const asked = problem(5.53, 20, rhythm)
    const free = { ...asked, deviationCost: deviationFrom(asked.ideals, 0) }
    return spreadCounts(free).counts.reduce((sum, count, index) => sum + free.deviationCost(index, count), 0)
  }
  const all = [0, 0.25, 0.5, 0.75, 1].map(deviation)
  all.slice(1).forEach((cost, index) => expect(cost).toBeGreaterThanOrEqual(all[index]! - 1e-9))
})

describe('the guard of flatness, over 1,000 everyday discs', () => {
  const discs = fc.sample(
    fc.noBias(
      fc.record({
        usual: fc.constantFrom(6, 8, 12),
        perMille: fc.integer({ min: -100, max: 100 }),
        rounds: fc.integer({ min: 6, max: 25 }),
      }),
    ),
    { seed: 7, numRuns: 1000 },
  )
  const asked = discs.map(({ usual, perMille, rounds }) =>
    problem(usual * (1 + perMille / 1000), rounds, 0.5),
  )
  const paced = asked.map((one) => spreadCounts(one).counts)
  /** A wall at the tolerance instead: no count beyond it, whatever that does to the rhythm. */
  const walled = asked.map((one) => {
    const wall = (index: number, count: number) => {
      const off = Math.abs(count / one.ideals[index]! - 1) / FLAT_TOLERANCE
      const beyond = inOuterHalf(index, one.ideals.length) && off > 1 + 1e-9
      return ((index + 1) / ((one.ideals.length + 1) / 2)) * off * off + (beyond ? 1000 * off : 0)
    }
    return spreadCounts({ ...one, deviationCost: wall }).counts
  })
  const uneven = (counts: readonly number[]) =>
    counts.slice(1).filter((count, index) => {
      const more = count - counts[index]!
      return more !== 0 && counts[index]! % more !== 0
    }).length
  const sum = (numbers: readonly number[]) => numbers.reduce((total, one) => total + one, 0)

  test('none strays beyond 4.5% in its outer half', () => {
    const strays = paced.map((counts, disc) =>
      Math.max(
        ...counts.map((count, index) =>
          inOuterHalf(index, counts.length) ? Math.abs(count / asked[disc]!.ideals[index]! - 1) : 0,
        ),
      ),
    )
    expect(Math.max(...strays)).toBeLessThanOrEqual(0.045)
  })

  test('a steep cost changes one in twenty against a wall at 4%, all together to fewer uneven repeats', () => {
    const changed = paced.filter((counts, disc) => counts.join() !== walled[disc]!.join())
    expect(changed.length).toBeGreaterThan(20)
    expect(changed.length).toBeLessThan(100)
    expect(sum(paced.map(uneven))).toBeLessThan(0.8 * sum(walled.map(uneven)))
  })
})

test('a fixed count is met and the others are paced around it', () => {
  const fixed = Array.from({ length: 12 }, (_, index) => (index === 8 ? 52 : undefined))
  expect(spreadCounts(problem(6, 12, 0.5, { fixed })).counts[8]).toBe(52)
})

test('counts that no round can reach are refused with a way out', () => {
  const fixed = [undefined, 40, undefined]
  expect(() => spreadCounts(problem(6, 3, 0.5, { fixed }))).toThrow(SpecError)
})
