import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { dice } from '../testing/dice.ts'
import { anySpec, discSpec, promise } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import { layRounds } from './layRounds.ts'
import { pin, unpin } from './pinnedPlan.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { runs } from '../testing/runs.ts'

const planned = (spec: PieceSpec): Plan | undefined => {
  try {
    return planPiece(spec)
  } catch (error) {
    if (error instanceof SpecError) return undefined
    throw error
  }
}

test('a plan that is kept and taken up again is the same plan, to the last digit', () => {
  fc.assert(
    fc.property(anySpec, (spec) => {
      const plan = planned(spec)
      if (!plan) return
      const kept = JSON.parse(JSON.stringify(pin(plan))) as ReturnType<typeof pin>
      expect(kept.rounds.every((round) => !('at' in round) && !('count' in round))).toBe(true)
      expect(unpin(spec, kept)).toEqual(plan)
      // What was promised is what its rounds measure.
      for (const { afterRound, promises } of kept.checkpoints) {
        const { at } = layRounds(spec, kept.rounds)[afterRound - 1]!
        expect(promise({ promises })).toEqual({ value: 2 * at.radius, plusMinus: 4 * at.sd })
      }
      expect(kept.finished.promises).toEqual(kept.checkpoints.at(-1)!.promises)
    }),
    { numRuns: runs(40) },
  )
})

test('so is one that went on from a measured edge, and the edge is where it was found', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 4, max: 11 }),
      fc.double({ min: 0.92, max: 1.08, noNaN: true }),
      fc.constantFrom(0, 4, 12),
      (after, by, z) => {
        const spec = discSpec(220)
        const first = planPiece(spec)
        const edge = { radius: by * first.rounds[after - 1]!.at.radius, z, sd: 1.2 }
        const plan = planPiece(spec, { rounds: first.rounds.slice(0, after), edge })
        expect(plan.goesOn).toEqual({ after, ...edge })
        expect(unpin(spec, pin(plan))).toEqual(plan)
        const found = plan.rounds[after - 1]!.at
        expect(found).toMatchObject({ radius: expect.closeTo(edge.radius, 9), sd: 1.2 })
        // What is added goes on from there, a round at a time, and names nothing twice.
        const added = plan.rounds.slice(after - 1).map(({ at }) => at.radius)
        added.slice(1).forEach((radius, index) => {
          expect(radius - added[index]!).toBeGreaterThan(0)
          expect(radius - added[index]!).toBeLessThan(1.15 * spec.gauge.h)
        })
        expect(new Set(plan.rounds.map(({ id }) => id)).size).toBe(plan.rounds.length)
        expect(plan.rounds.slice(0, after).map(({ id }) => id)).toEqual(
          first.rounds.slice(0, after).map(({ id }) => id),
        )
      },
    ),
    { numRuns: runs(40) },
  )
})

test('numbers, hosts and counts follow from the rounds', () => {
  fc.assert(
    fc.property(anySpec, (spec) => {
      const plan = planned(spec)
      if (!plan) return
      plan.rounds.forEach((round, index) => {
        const below = plan.rounds[index - 1]
        expect(round.number).toBe(index + 1)
        expect(round.from).toBe(below?.count ?? 0)
        expect(round.stitch).toBe(round.fabric)
        if (below)
          expect(round.hosts).toEqual([
            { of: { kind: 'top', round: below.id, loops: 'both' }, from: 0, to: below.count },
          ])
        const { rounds } = spec.construction
        expect(round.side).toBe(
          rounds.kind === 'joined' && rounds.turned && index % 2 === 1 ? 'wrong' : 'right',
        )
      })
    }),
    { numRuns: runs(40) },
  )
})

test('a dish that flat rounds are added around goes from all of it alike, and leaves no ridge', () => {
  const spec = discSpec(220)
  const first = planPiece(spec)
  for (const after of [4, 6, 8, 10]) {
    const worked = first.rounds.slice(0, after)
    const edge = { radius: worked.at(-1)!.at.radius, z: 8, sd: 1 }
    const heights = planPiece(spec, { rounds: worked, edge }).rounds.map(({ at }) => at.z)
    heights.slice(1).forEach((z, index) => expect(z).toBeGreaterThanOrEqual(heights[index]! - 1e-9))
    expect(Math.max(...heights)).toBeLessThanOrEqual(8)
    // Half as many rounds again and the last third is new: nothing stands.
    if (first.rounds.length - after >= after / 2) expect(Math.max(...heights)).toBe(0)
  }
})

describe('± of a size', () => {
  const spread = (values: readonly number[]) => {
    const mean = values.reduce((sum, one) => sum + one, 0) / values.length
    return Math.sqrt(values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (values.length - 1))
  }

  test.each([
    ['a swatch that was measured', 0.018, 0.02, 0.3, 0.12],
    ['a label', 0.12, 0.12, 0.88, 0.2],
    // h/w strays by 5% here: some of these makers' mats wave and some cup, which first order knows nothing of.
    ['sizes that move against one another', 0.03, 0.03, -0.6, 0.3],
  ] as const)(
    'is how far the size strays over many makers with the doubt of %s',
    (_, sdW, sdH, correlation, within) => {
      const gauge = {
        ...discSpec(1).gauge,
        varLnW: sdW ** 2,
        varLnH: sdH ** 2,
        covLnWLnH: correlation * sdW * sdH,
      }
      const spec = discSpec(200, { gauge })
      const { rounds, finished } = planPiece(spec)
      const { normal } = dice(20261126)
      const sizes = Array.from({ length: 1200 }, () => {
        const [one, other] = [normal(), normal()]
        const lnW = sdW * one
        const lnH = sdH * (correlation * one + Math.sqrt(1 - correlation ** 2) * other)
        const hands = { ...gauge, w: mm(gauge.w * Math.exp(lnW)), h: mm(gauge.h * Math.exp(lnH)) }
        const laid = layRounds({ ...spec, gauge: hands }, rounds)
        return 2 * laid.at(-1)!.at.radius
      })
      // The centre's own doubt is in what is told, not in these makers; it is a small part.
      const centre = 2 * 0.15 * gauge.h
      const told = promise(finished).plusMinus / 2
      const strays = Math.hypot(spread(sizes), 0.25 * centre)
      expect(Math.abs(told / strays - 1)).toBeLessThan(within)
    },
  )
})
