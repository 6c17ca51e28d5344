import fc from 'fast-check'
import { planPiece, unitsOf, workView } from '../../../core/index.ts'
import { discSpec } from '../../../core/testing/specs.ts'
import { endingSentence } from '../../words/endingSentence.ts'
import { mismatchSentence } from '../../words/mismatchSentence.ts'
import { stitchRowGeometry } from './stitchRowGeometry.ts'

const plan = planPiece(discSpec(220))

test('the stitch in hand stays in the middle of the screen, and tiles never overlap', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: plan.rounds.length }),
      fc.double({ min: 0, max: 0.999, noNaN: true }),
      fc.constantFrom(390, 820, 1280, 1920),
      (round, share, width) => {
        const units = unitsOf(plan.rounds[round - 1]!)
        const unit = Math.floor(share * units.length)
        const { bracket } = workView(plan, { round: plan.rounds[round - 1]!.id, unit })
        const {
          places,
          measures,
          bracket: span,
        } = stitchRowGeometry(units, unit, bracket, { width, height: 700 })
        const now = places.get(unit)!
        expect(now.x + now.width / 2).toBeCloseTo(width / 2, 9)
        const inOrder = [...places].sort(([one], [other]) => one - other).map(([, place]) => place)
        inOrder.slice(1).forEach((place, index) => {
          const before = inOrder[index]!
          expect(place.x - (before.x + before.width)).toBeGreaterThanOrEqual(measures.gap - 1e-9)
        })
        expect(span[0]).toBeLessThanOrEqual(now.x)
        expect(span[1]).toBeGreaterThanOrEqual(now.x + now.width - 1e-9)
      },
    ),
  )
})

test('every round says how it ends, from its real steps, in the terms in force', () => {
  expect(endingSentence(plan.rounds[0]!, 'US')).toEqual(['6 sc, nothing else.', 'Another count: recount.'])
  expect(endingSentence(plan.rounds[2]!, 'US')).toEqual([
    'Round ends on an increase.',
    'If it ends on an sc, recount.',
  ])
  expect(endingSentence(plan.rounds[2]!, 'UK')[1]).toBe('If it ends on a dc, recount.')
  expect(endingSentence(plan.rounds[3]!, 'US')[0]).toBe('Round ends with an sc after the last increase.')
})

test('a wrong count names what it most likely is, by the way rounds are joined', () => {
  const { construction } = discSpec(100)
  const spiral = { ...construction, rounds: { kind: 'spiral' } as const }
  expect(mismatchSentence(-1, construction)).toMatch(/first stitch was skipped/)
  expect(mismatchSentence(1, construction)).toMatch(/join was worked/)
  expect(mismatchSentence(-1, spiral)).not.toMatch(/join/)
  expect(mismatchSentence(-4, spiral)).toMatch(/^4 are missing/)
  expect(mismatchSentence(3, spiral)).toMatch(/^3 too many/)
})
