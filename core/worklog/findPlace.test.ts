import fc from 'fast-check'
import { planPiece } from '../plan/planPiece.ts'
import type { PlannedRound } from '../plan/plan.ts'
import { loopsBelow } from '../rounds/round.ts'
import { expandSteps } from '../rounds/steps.ts'
import { PIECES_TO_WRITE } from '../testing/patternSpecs.ts'
import { discSpec } from '../testing/specs.ts'
import { yarnsIn } from '../yarn/strands.ts'
import { placesThatFit, sightsAt, sightsThatTell, type Seeing, type Sights } from './findPlace.ts'

const plan = planPiece(
  discSpec(200, {
    colours: [
      { fromRound: 1, yarn: 'fog' },
      { fromRound: 8, yarn: 'pine' },
    ],
  }),
)

/** What is seen after so many units, counted back from there over the fabric itself. */
function lookedAt(rounds: readonly PlannedRound[], index: number, unit: number): Sights {
  const round = rounds[index]!
  const fabric = rounds
    .slice(0, index + 1)
    .flatMap(({ steps }, at) => expandSteps(steps).slice(0, at === index ? unit : undefined))
  let since = 0
  for (const { uses, makes, manner } of fabric.toReversed()) {
    if (uses !== makes && manner === undefined) break
    since += makes
  }
  const last = fabric.at(-1)
  const made = expandSteps(round.steps).slice(0, unit)
  return {
    since,
    made: made.reduce((sum, { makes }) => sum + makes, 0),
    last: last?.kind ?? 'work',
    stitch: last?.stitch ?? round.stitch,
    yarn: yarnsIn(round).join(' '),
    loops: loopsBelow(round) ?? 'both',
    rounds: index,
  }
}

const somewhere = fc
  .integer({ min: 0, max: plan.rounds.length - 1 })
  .chain((index) =>
    fc.tuple(fc.constant(index), fc.integer({ min: 0, max: expandSteps(plan.rounds[index]!.steps).length })),
  )
const positionOf = ([index, unit]: readonly [number, number]) => ({ round: plan.rounds[index]!.id, unit })

test('what is to be seen at a place is what one counts there', () => {
  fc.assert(
    fc.property(somewhere, (place) => {
      expect(sightsAt(plan, positionOf(place))).toEqual(lookedAt(plan.rounds, ...place))
    }),
  )
})

test('all that is seen finds the place, wherever the log has it; nothing seen leaves it where the log has it', () => {
  fc.assert(
    fc.property(somewhere, somewhere, (truly, logged) => {
      const { places } = placesThatFit(plan, positionOf(logged), lookedAt(plan.rounds, ...truly))
      expect(places[0]!.position).toEqual(positionOf(truly))
      const total = places.reduce((sum, { likelihood }) => sum + likelihood, 0)
      expect(total).toBeLessThanOrEqual(1 + 1e-9)
      expect(placesThatFit(plan, positionOf(logged), {}).places[0]!.position).toEqual(positionOf(logged))
    }),
  )
})

/** Looks only where it is told to, and may see a count wrong. */
function asked(truly: readonly [number, number], logged: readonly [number, number], miscount: number) {
  const real = lookedAt(plan.rounds, ...truly)
  let seeing: Seeing = {}
  let found = placesThatFit(plan, positionOf(logged), seeing)
  let looks = 0
  while (found.look && found.places[0]!.likelihood < 0.9) {
    const value = real[found.look]
    const off = looks === 0 && typeof value === 'number' ? miscount : 0
    seeing = { ...seeing, [found.look]: typeof value === 'number' ? Math.max(0, value + off) : value }
    found = placesThatFit(plan, positionOf(logged), seeing)
    looks++
  }
  return { found, looks, real }
}

/** Every so manieth place, and a log that is some stitches off. */
const CASES = plan.rounds.flatMap((round, index) => {
  const units = expandSteps(round.steps).length
  return [0.2, 0.55, 0.9].map((share, nth) => {
    const unit = Math.max(1, Math.floor(share * units))
    const behind = (index * 7 + nth * 11) % 40
    return { truly: [index, unit] as const, logged: [index, Math.max(0, unit - behind)] as const }
  })
})

test('looking only where it says, the place is found in 95 of 100, with three looks or fewer nearly always', () => {
  const results = CASES.map(({ truly, logged }) => ({ truly, ...asked(truly, logged, 0) }))
  const right = results.filter(
    ({ found, truly }) => JSON.stringify(found.places[0]!.position) === JSON.stringify(positionOf(truly)),
  )
  expect(right.length / results.length).toBeGreaterThanOrEqual(0.95)
  expect(results.filter(({ looks }) => looks <= 3).length / results.length).toBeGreaterThan(0.9)
})

test('with a count that is one off, it is among the first three in 9 of 10', () => {
  const results = CASES.map(({ truly, logged }, index) => ({
    truly,
    ...asked(truly, logged, index % 2 === 0 ? 1 : -1),
  }))
  const among = results.filter(({ found, truly }) =>
    found.places
      .slice(0, 3)
      .some(({ position }) => JSON.stringify(position) === JSON.stringify(positionOf(truly))),
  )
  expect(among.length / results.length).toBeGreaterThanOrEqual(0.9)
})

test('only what differs somewhere is asked; a look is never one that was told already', () => {
  const telling = sightsThatTell(plan)
  expect([...telling.keys()].toSorted()).toEqual(['last', 'made', 'rounds', 'since', 'yarn'])
  expect(telling.get('yarn')).toEqual(['fog', 'pine'])
  expect(telling.get('last')).toEqual(['work', 'inc'])
  expect(sightsThatTell(planPiece(PIECES_TO_WRITE['tube']!)).has('last')).toBe(false)
  const { look } = placesThatFit(plan, positionOf([5, 3]), { since: 2, last: 'work' })
  expect(['since', 'last']).not.toContain(look)
})
