import fc from 'fast-check'
import { strapSpec } from '../testing/rowSpecs.ts'
import { discSpec } from '../testing/specs.ts'
import { strandsOf } from '../yarn/strands.ts'
import type { ColourRun, PieceSpec } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { strandRuns, tailsIn, yarnChangeBefore } from './yarnChanges.ts'
import { runs } from '../testing/runs.ts'

const stripes = (...runs: readonly (readonly [number, string])[]): readonly ColourRun[] =>
  runs.map(([fromRound, yarn]) => ({ fromRound, yarn }))

function changesOf(spec: PieceSpec) {
  const { rounds } = planPiece(spec)
  const runs = strandRuns(rounds, spec)
  return { rounds, runs, before: (number: number) => yarnChangeBefore(runs, number) }
}

test('a yarn that is back within three rounds is carried up inside; after more it is cut and has two ends', () => {
  const spec = {
    ...discSpec(220),
    colours: stripes([1, 'fog'], [4, 'soot'], [7, 'fog'], [9, 'soot'], [13, 'fog']),
  }
  const { before, runs } = changesOf(spec)
  // Fog rests in rounds 4 to 6, soot in 7 and 8, fog again in 9 to 12, which are four.
  expect(before(4)).toMatchObject({ down: [{ yarn: 'fog', back: { round: 7, carried: true } }], tails: 1 })
  expect(before(7)).toMatchObject({ up: [{ yarn: 'fog', carriedFrom: 3 }], tails: 0 })
  expect(before(9)).toMatchObject({ down: [{ yarn: 'fog', back: { round: 13, carried: false } }], tails: 1 })
  expect(before(13)).toMatchObject({ up: [{ yarn: 'fog' }], tails: 2 })
  expect(before(5)).toBeUndefined()
  // Fog begins twice and ends twice, soot once.
  expect(tailsIn(runs)).toBe(6)
})

test('in rows a yarn waits at the edge where it was laid down: it is there again after an even number of rows', () => {
  const spec = strapSpec({})
  const afterTwo = changesOf({ ...spec, colours: stripes([1, 'fog'], [3, 'soot'], [5, 'fog']) })
  const afterOne = changesOf({ ...spec, colours: stripes([1, 'fog'], [3, 'soot'], [4, 'fog']) })
  expect(afterTwo.rounds.every(({ closed }) => !closed)).toBe(true)
  expect(afterTwo.before(3)).toMatchObject({ down: [{ back: { round: 5, carried: true } }], tails: 1 })
  expect(afterOne.before(3)).toMatchObject({ down: [{ back: { round: 4, carried: false } }], tails: 2 })
})

test('a strand that is taken from beside another is a change though its yarn goes on', () => {
  const spec = {
    ...discSpec(200),
    gauge: { ...discSpec(200).gauge, strands: 2 },
    colours: [
      { fromRound: 1, yarn: 'fog' },
      { fromRound: 6, yarn: 'fog', beside: ['soot'] },
    ],
  }
  expect(changesOf(spec).before(6)).toMatchObject({
    up: [{ yarn: 'soot', from: 6 }],
    down: [{ yarn: 'fog', to: 5 }],
    tails: 2,
  })
})

test('however yarns change, the ends of all changes and of the piece are those of its strands, and every strand is where it is worked', () => {
  const yarn = fc.constantFrom('fog', 'soot', 'pine')
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 1, max: 5 }), yarn, fc.option(yarn)), {
        minLength: 1,
        maxLength: 6,
      }),
      (told) => {
        let fromRound = 1
        const colours = told.map(([rounds, main, other]) => {
          const run = { fromRound, yarn: main, ...(other ? { beside: [other] } : {}) }
          fromRound += rounds
          return run
        })
        const spec = { ...discSpec(200), gauge: { ...discSpec(200).gauge, strands: 2 }, colours }
        const { rounds, runs, before } = changesOf(spec)
        for (const { number, ...round } of rounds) {
          const here = runs.filter(({ from, to }) => from <= number && number <= to)
          const counted = new Map<string, number>()
          for (const run of here) counted.set(run.yarn, (counted.get(run.yarn) ?? 0) + 1)
          expect(counted).toEqual(strandsOf(round, 2))
        }
        const atChanges = rounds.reduce((sum, { number }) => sum + (before(number)?.tails ?? 0), 0)
        // Two strands begin with the piece, two end with it.
        expect(atChanges + 4).toBe(tailsIn(runs))
      },
    ),
    { numRuns: runs(60) },
  )
})
