import fc from 'fast-check'
import { betaOf, deviationFrom, type CountsProblem } from './countsProblem.ts'
import { oneCount } from './oneCount.ts'
import { spreadCounts } from './spreadCounts.ts'
import { runs } from '../testing/runs.ts'

/** A wall of any girth, held to a repeat or not, begun or not. */
const anyWall = fc
  .record({
    ideal: fc.double({ min: 8, max: 120, noNaN: true }),
    rounds: fc.integer({ min: 2, max: 30 }),
    rhythm: fc.constantFrom(0, 0.25, 0.5, 0.75, 1),
    multiple: fc.constantFrom(1, 1, 2, 6),
    worked: fc.option(fc.double({ min: 0.85, max: 1.15, noNaN: true })),
  })
  .map(({ ideal, rounds, rhythm, multiple, worked }) => {
    const goesOn = worked !== null
    const there = Math.max(4, Math.round(ideal * (worked ?? 1)))
    const ideals = Array.from({ length: rounds }, (_, index) => (goesOn && index === 0 ? there : ideal))
    const problem: CountsProblem = {
      ideals,
      firstCounts: goesOn
        ? [there, there]
        : [Math.max(2, Math.floor(0.7 * ideal)), Math.ceil(1.3 * ideal) + 6],
      beta: betaOf(rhythm),
      deviationCost: deviationFrom(ideals, rhythm, 'fitted'),
      even: ideals.map((_, index) => index > (goesOn ? 1 : 0)),
      multiples: ideals.map((_, index) => (goesOn && index === 0 ? 1 : multiple)),
      fixed: ideals.map((_, index) => (goesOn && index === 0 ? there : undefined)),
      ...(goesOn ? { increaseBefore: 0 } : {}),
    }
    return { problem, goesOn }
  })

test('the count of a wall costs what the search over all ways finds', () => {
  fc.assert(
    fc.property(anyWall, ({ problem, goesOn }) => {
      const { counts, cost } = oneCount(problem, goesOn)
      expect(new Set(counts.slice(goesOn ? 1 : 0)).size).toBe(1)
      expect(cost).toBeLessThanOrEqual(spreadCounts(problem).cost + 1e-9)
    }),
    { numRuns: runs(150) },
  )
})

test('a count that is asked for is taken, however far from the girth', () => {
  const ideals = [30, 30, 30]
  const problem: CountsProblem = {
    ideals,
    firstCounts: [26, 36],
    beta: 1,
    deviationCost: deviationFrom(ideals, 0.5, 'fitted'),
    fixed: [45, undefined, undefined],
  }
  expect(oneCount(problem, false).counts).toEqual([45, 45, 45])
})

test('a repeat that no count near has is refused in words', () => {
  const ideals = [30, 30]
  const problem: CountsProblem = {
    ideals,
    firstCounts: [29, 31],
    beta: 1,
    deviationCost: deviationFrom(ideals, 0.5, 'fitted'),
    multiples: [7, 7],
  }
  expect(() => oneCount(problem, false)).toThrow(/No counts fit/)
})
