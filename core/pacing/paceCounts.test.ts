import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { everyPace, referencePace } from '../testing/referencePace.ts'
import { paceCounts } from './paceCounts.ts'
import { betaOf, deviationFrom, type PacingProblem } from './pacingProblem.ts'

function problem(
  perRound: number,
  rounds: number,
  rhythm: number,
  rest: Partial<PacingProblem> = {},
): PacingProblem {
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
        expect(paceCounts(asked).cost).toBeCloseTo(referencePace(asked), 6)
      },
    ),
    { numRuns: 60 },
  )
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
        const tried = everyPace(asked)
        expect(referencePace(asked)).toBeCloseTo(tried.cost, 9)
        expect(paceCounts(asked).cost).toBeCloseTo(tried.cost, 9)
      },
    ),
    { numRuns: 25 },
  )
})

test('more rhythm never costs less deviation, and buys fewer complications', () => {
  const deviation = (rhythm: number) => {
    const asked = problem(5.53, 20, rhythm)
    const free = { ...asked, deviationCost: deviationFrom(asked.ideals, 0) }
    return paceCounts(free).counts.reduce((sum, count, index) => sum + free.deviationCost(index, count), 0)
  }
  const all = [0, 0.25, 0.5, 0.75, 1].map(deviation)
  all.slice(1).forEach((cost, index) => expect(cost).toBeGreaterThanOrEqual(all[index]! - 1e-9))
})

test('a fixed count is met and the others are paced around it', () => {
  const fixed = Array.from({ length: 12 }, (_, index) => (index === 8 ? 52 : undefined))
  expect(paceCounts(problem(6, 12, 0.5, { fixed })).counts[8]).toBe(52)
})

test('counts that no round can reach are refused with a way out', () => {
  const fixed = [undefined, 40, undefined]
  expect(() => paceCounts(problem(6, 3, 0.5, { fixed }))).toThrow(SpecError)
})
