import fc from 'fast-check'
import { planPiece } from '../plan/planPiece.ts'
import { discSpec } from '../testing/specs.ts'
import { unitsOf } from './moves.ts'
import { pieceProgress, sumOfProgress, type CopyProgress } from './progress.ts'

const spec = discSpec(110, {
  colours: [
    { fromRound: 1, yarn: 'fog' },
    { fromRound: 6, yarn: 'pine' },
  ],
})
const plan = planPiece(spec)

const anyCopy = fc.record({
  round: fc.integer({ min: 1, max: plan.rounds.length }),
  share: fc.double({ min: 0, max: 1, noNaN: true }),
  finished: fc.boolean(),
})

const copies = fc.array(anyCopy, { maxLength: 5 }).map((some) =>
  some.map(({ round, share, finished }, index): CopyProgress => ({
    number: index + 1,
    plan,
    finished,
    position: {
      round: plan.rounds[round - 1]!.id,
      unit: Math.floor(share * unitsOf(plan.rounds[round - 1]!).length),
    },
  })),
)

test('what is made and what is left make up the whole set, and left never grows with work', () => {
  fc.assert(
    fc.property(copies, fc.integer({ min: 1, max: 8 }), (begun, quantity) => {
      const progress = pieceProgress(plan, quantity, begun)
      const pieces = Math.max(quantity, begun.length)
      expect(progress.shares).toHaveLength(pieces)
      expect(progress.secondsInAll).toBeCloseTo(pieces * plan.seconds, 6)
      const made = progress.shares.reduce((sum, share) => sum + share, 0)
      expect(progress.secondsLeft).toBeCloseTo((pieces - made) * plan.seconds, 6)
      for (const { yarn, metres } of plan.yarn) {
        expect(progress.metresLeft.get(yarn)).toBeGreaterThanOrEqual(0)
        expect(progress.metresLeft.get(yarn)).toBeLessThanOrEqual(pieces * metres + 1e-9)
      }
      expect(progress.finished).toBe(begun.filter(({ finished }) => finished).length)
    }),
  )
})

test('a yarn that is worked off is no longer to go; one not yet begun is whole', () => {
  const atPine: CopyProgress = { number: 1, plan, finished: false, position: { round: 'r6', unit: 0 } }
  const { metresLeft } = pieceProgress(plan, 1, [atPine])
  expect(metresLeft.get('fog')).toBe(0)
  expect(metresLeft.get('pine')).toBeCloseTo(plan.yarn[1]!.metres, 9)
})

test('a project is the sum of its pieces, yarn by yarn', () => {
  fc.assert(
    fc.property(fc.array(copies, { minLength: 1, maxLength: 4 }), (sets) => {
      const pieces = sets.map((some) => pieceProgress(plan, 2, some))
      const sum = sumOfProgress(pieces)
      const total = (of: (piece: (typeof pieces)[number]) => number) =>
        pieces.reduce((all, piece) => all + of(piece), 0)
      expect(sum.secondsLeft).toBeCloseTo(
        total(({ secondsLeft }) => secondsLeft),
        6,
      )
      for (const yarn of ['fog', 'pine']) {
        expect(sum.metresLeft.get(yarn)).toBeCloseTo(
          total(({ metresLeft }) => metresLeft.get(yarn)!),
          6,
        )
      }
    }),
  )
})
