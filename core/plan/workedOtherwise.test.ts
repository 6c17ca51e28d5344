import fc from 'fast-check'
import { forCopy } from './forCopy.ts'
import { pin, unpin } from './pinnedPlan.ts'
import { planPiece } from './planPiece.ts'
import { differenceOf, withEvenRound, withoutRound } from './workedOtherwise.ts'
import { verify } from '../rounds/verify.ts'
import { PIECES_TO_WRITE } from '../testing/patternSpecs.ts'
import { capSpec, discSpec, vesselSpec } from '../testing/specs.ts'
import { runs } from '../testing/runs.ts'

const SPECS = [
  discSpec(200, {
    colours: [
      { fromRound: 1, yarn: 'fog' },
      { fromRound: 8, yarn: 'pine' },
    ],
  }),
  vesselSpec({}),
  capSpec({}),
  PIECES_TO_WRITE['oval']!,
  PIECES_TO_WRITE['tube']!,
  PIECES_TO_WRITE['ribbed wall']!,
  PIECES_TO_WRITE['sock']!,
]

test('one even round more adds up, keeps every other round and its yarn, and is told as the one difference', () => {
  fc.assert(
    fc.property(fc.constantFrom(...SPECS), fc.integer({ min: 1, max: 40 }), (spec, after) => {
      const plan = planPiece(spec)
      const otherwise = withEvenRound(spec, plan, Math.min(after, plan.rounds.length))
      if (!otherwise) return
      const { rounds } = otherwise.plan
      expect(verify(rounds)).toEqual([])
      expect(rounds).toHaveLength(plan.rounds.length + 1)
      const difference = differenceOf(plan.rounds, rounds)
      expect(difference.map(({ kind }) => kind)).toEqual(['added'])
      const added = difference[0]!.round
      expect(added.count).toBe(plan.rounds[added.number - 2]!.count)
      expect(added.yarn).toBe(plan.rounds[added.number - 2]!.yarn)
      const others = rounds.filter(({ id }) => id !== added.id)
      expect(others.map(({ yarn, count }) => [yarn, count])).toEqual(
        plan.rounds.map(({ yarn, count }) => [yarn, count]),
      )
      expect(otherwise.plan.stitches).toBe(plan.stitches + added.count)
      // It is kept and laid anew as it was.
      const kept = unpin(otherwise.spec, pin(otherwise.plan))
      expect(kept.rounds.map(({ steps }) => steps)).toEqual(rounds.map(({ steps }) => steps))
      // Taken out again it is the plan that it was.
      const back = withoutRound(otherwise.spec, otherwise.plan, added.number)
      if (back) {
        expect(differenceOf(plan.rounds, back.plan.rounds)).toEqual([])
        expect(back.plan.finished.promises[0]!.value).toBeCloseTo(plan.finished.promises[0]!.value, 6)
      }
    }),
    { numRuns: runs(60) },
  )
})

test('an even round more makes a wall a round higher; a round that widens cannot be left out, nor what turns an edge', () => {
  const spec = vesselSpec({})
  const plan = planPiece(spec)
  const last = plan.rounds.length
  const height = (of: typeof plan) => of.finished.promises.find((one) => one.of === 'height')!.value
  const more = withEvenRound(spec, plan, last - 2)!
  expect(height(more.plan) - height(plan)).toBeCloseTo(spec.gauge.h, 0)
  const less = withoutRound(spec, plan, last - 2)!
  expect(height(plan) - height(less.plan)).toBeCloseTo(spec.gauge.h, 0)
  expect(differenceOf(plan.rounds, less.plan.rounds)).toMatchObject([
    { kind: 'leftOut', round: { number: last - 2 } },
  ])
  expect(withoutRound(spec, plan, 3)).toBeUndefined()
  const turn = plan.rounds.find(({ section }) => section === 'wall')!.number
  expect(withoutRound(spec, plan, turn)).toBeUndefined()
  expect(withoutRound(spec, plan, 1)).toBeUndefined()
  // In a texture an even round breaks the pattern; rows are no rounds.
  const ribbed = PIECES_TO_WRITE['ribbed wall']!
  const wall = planPiece(ribbed)
  expect(withEvenRound(ribbed, wall, wall.rounds.length - 2)).toBeUndefined()
  const sock = planPiece(PIECES_TO_WRITE['sock']!)
  const heel = sock.rounds.find(({ section }) => section === 'heel')!.number
  expect(withEvenRound(PIECES_TO_WRITE['sock']!, sock, heel)).toBeUndefined()
})

test('the other one of a pair is no change; what is changed in it is', () => {
  const spec = PIECES_TO_WRITE['bootie']!
  const plan = planPiece(spec)
  const right = forCopy(spec, plan, 2)
  const planned = forCopy(spec, plan, 2).plan
  expect(differenceOf(planned.rounds, right.plan.rounds)).toEqual([])
  expect(differenceOf(plan.rounds, right.plan.rounds).length).toBeGreaterThan(0)
  const wall = plan.rounds.find(({ section }) => section === 'wall')!.number
  const otherwise = withEvenRound(right.spec, right.plan, wall)!
  expect(differenceOf(planned.rounds, otherwise.plan.rounds).map(({ kind }) => kind)).toEqual(['added'])
})
