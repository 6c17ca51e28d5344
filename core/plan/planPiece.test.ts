import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { expandSteps, stitchesConsumed, stitchesProduced } from '../rounds/steps.ts'
import { FLAT_TOLERANCE } from '../lay/flatness.ts'
import { acrossOf, anySpec, discSpec, promise } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { reachableWithin } from './chooseRounds.ts'
import { rhythmScale } from './rhythmScale.ts'
import { runs } from '../testing/runs.ts'

const countsOf = (plan: Plan) => plan.rounds.map(({ count }) => count)
const outerHalf = ({ rounds }: Plan) => rounds.filter(({ number }) => number > rounds.length / 2)
const worstOutside = (plan: Plan) => Math.max(...outerHalf(plan).map(({ flatness }) => Math.abs(flatness)))

/** Plans, or undefined where constraints cannot be met: the one error a random spec may give. */
function planOrNothing(spec: PieceSpec): Plan | undefined {
  try {
    return planPiece(spec)
  } catch (error) {
    if (error instanceof SpecError && error.path === 'constraints') return undefined
    throw error
  }
}

describe('the flat increase is found, not looked up', () => {
  test.each([
    ['sc', 0.955, 6],
    ['hdc', 1.27, 8],
    ['dc', 1.91, 12],
  ] as const)('%s at h/w %f takes %i a round', (stitch, ratio, increase) => {
    const counts = countsOf(planPiece(discSpec(2 * 12 * 8 * ratio, { stitch }, ratio)))
    expect(counts).toEqual(Array.from({ length: counts.length }, (_, index) => (index + 1) * increase))
  })

  test('at h/w 0.88 thirteen rounds stay uniform and within 3.5% of ideal over the outer half', () => {
    const plan = planPiece(discSpec(2 * 13 * 8 * 0.88, {}, 0.88))
    expect(plan.rounds).toHaveLength(13)
    for (const { count, from } of plan.rounds.slice(1)) expect(from % (count - from)).toBe(0)
    expect(worstOutside(plan)).toBeLessThanOrEqual(0.035)
  })
})

describe('invariants over any spec', () => {
  test('every round works off the round below and makes its count', () => {
    fc.assert(
      fc.property(anySpec, (spec) => {
        const wrong = planOrNothing(spec)?.rounds.filter(({ steps, count, from, stitch }, index, rounds) => {
          const below = rounds[index - 1]
          return (
            stitchesProduced(steps) !== count ||
            from !== (below?.count ?? 0) ||
            (below && stitchesConsumed(steps) !== below.count) ||
            expandSteps(steps).some((unit) => unit.stitch !== stitch)
          )
        })
        expect(wrong ?? []).toEqual([])
      }),
      { numRuns: runs(80) },
    )
  })

  test('counts obey the constraints', () => {
    fc.assert(
      fc.property(anySpec, (spec) => {
        const { evenRounds, multiples } = spec.constraints ?? {}
        const broken = planOrNothing(spec)?.rounds.filter(({ number, count, from }) => {
          const rule = multiples?.findLast(({ fromRound }) => number >= fromRound)
          const uneven = number > 1 && evenRounds?.includes(number) && count !== from
          return uneven || (rule && count % rule.of !== 0) || (number > 1 && count > 2 * from)
        })
        expect(broken ?? []).toEqual([])
      }),
      { numRuns: runs(80) },
    )
  })

  const free = anySpec.map((spec) => ({
    ...spec,
    constraints: undefined,
    rhythm: Math.min(spec.rhythm, 0.5),
  }))
  /** How far past what the last rounds can reach a plan ends, in rounds. */
  const pastReach = ({ stitch, gauge, form, construction }: PieceSpec, { finished }: Plan) => {
    const heightOf = (name: typeof stitch) => gaugeForStitch(gauge, name).h
    const within = reachableWithin(stitch, construction.freeLastRounds, heightOf)
    return (Math.abs(promise(finished).value - acrossOf({ form })) / 2 - within) / gauge.h
  }

  test('a free plan comes within what its last rounds can reach, or a notice says by how much not', () => {
    fc.assert(
      fc.property(free, (spec) => {
        const plan = planPiece(spec)
        const by = promise(plan.finished).value - acrossOf(spec)
        if (pastReach(spec, plan) <= 0.1 || Math.abs(by) <= spec.tolerance / 2) return
        const said = plan.notices.find(({ code }) => code === 'sizeMissed' || code === 'trimWaits')
        expect(said).toMatchObject({ by })
        if (said?.code === 'sizeMissed') expect(pastReach(spec, plan)).toBeLessThanOrEqual(0.6)
      }),
    )
  })

  test('of free plans of six rounds or more whose size is known, 49 in 50 need no such notice', () => {
    const plans = fc
      .sample(free, { seed: 11, numRuns: 400 })
      .map((spec) => ({ spec, plan: planPiece(spec) }))
      .filter(
        ({ spec, plan }) => plan.rounds.length >= 6 && promise(plan.finished).plusMinus <= spec.tolerance,
      )
    const missed = plans.filter(
      ({ spec, plan }) =>
        pastReach(spec, plan) > 0.1 &&
        Math.abs(promise(plan.finished).value - acrossOf(spec)) > spec.tolerance / 2,
    )
    expect(plans.length).toBeGreaterThan(60)
    expect(missed.length / plans.length).toBeLessThan(0.02)
  })

  test.each([
    [2, 0.17],
    [1, 0.34],
    [0, 0.5],
  ] as const)('%i free last rounds reach every sc disc within %f of a round', (freeRounds, within) => {
    const reached = reachableWithin('sc', freeRounds, (name) => gaugeForStitch(discSpec(100).gauge, name).h)
    expect(reached / (8 * 0.955)).toBeLessThanOrEqual(within)
  })

  test('the same spec gives the same plan; repeat order and placement keep every count', () => {
    fc.assert(
      fc.property(anySpec, (spec) => {
        const plan = planOrNothing(spec)
        if (!plan) return
        expect(planPiece(spec)).toEqual(plan)
        const order = spec.construction.order === 'increaseLast' ? 'increaseFirst' : 'increaseLast'
        const mirrored = planPiece({ ...spec, construction: { ...spec.construction, order } })
        expect(countsOf(mirrored)).toEqual(countsOf(plan))
      }),
      { numRuns: runs(25) },
    )
  })

  test('scaling target, gauge and hole together leaves the counts unchanged', () => {
    fc.assert(
      fc.property(anySpec, fc.constantFrom(0.5, 2, 4), (spec, by) => {
        const plan = planOrNothing(spec)
        if (!plan || acrossOf(spec) * by > 3000) return
        const { gauge, tolerance } = spec
        const scaled = planPiece({
          ...spec,
          form: { family: 'disc', across: mm(acrossOf(spec) * by) },
          tolerance: mm(tolerance * by),
          gauge: { ...gauge, w: mm(gauge.w * by), h: mm(gauge.h * by) },
        })
        expect(countsOf(scaled)).toEqual(countsOf(plan))
        expect(promise(scaled.finished).value).toBeCloseTo(promise(plan.finished).value * by, 4)
      }),
      { numRuns: runs(60) },
    )
  })

  test('the default rhythm keeps the outer half within 4.5% whenever one uniform plan can keep it flat', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.78, max: 1.15, noNaN: true }),
        fc.integer({ min: 6, max: 30 }),
        (ratio, rounds) => {
          const spec = discSpec(2 * rounds * 8 * ratio, {}, ratio)
          const plan = planPiece(spec)
          if (!uniformPlanExists(plan.rounds.map(({ ideal }) => ideal))) return
          expect(worstOutside(plan)).toBeLessThanOrEqual(1.125 * FLAT_TOLERANCE)
        },
      ),
    )
  })
})

/** Whether uniform steps can stay within the flat tolerance over the outer half, by looking at all of them. */
function uniformPlanExists(ideals: readonly number[]): boolean {
  let reachable = new Set([5, 6, 7, 8].filter((first) => first <= Math.ceil(ideals[0]! * 1.2)))
  for (let index = 1; index < ideals.length; index++) {
    const next = new Set<number>()
    for (const from of reachable) {
      for (let increase = 0; increase <= Math.min(from, 12); increase++) {
        if (increase > 0 && from % increase !== 0) continue
        const count = from + increase
        const off = Math.abs(count / ideals[index]! - 1)
        if (off <= (index + 1 > ideals.length / 2 ? FLAT_TOLERANCE : 0.2)) next.add(count)
      }
    }
    reachable = next
  }
  return reachable.size > 0
}

describe('predictions', () => {
  test('a flat disc comes out at Σh; a waving one keeps about the flat radius; a short one cups', () => {
    const flat = planPiece(discSpec(200))
    expect(flat.finished.lie).toBe('flat')
    const edge = flat.rounds.at(-1)!
    expect(Math.abs(edge.at.radius - edge.number * 7.64)).toBeLessThan(1.5)
    expect(edge.at.z).toBe(0)

    const waving = planPiece(discSpec(200, { rhythm: 1, constraints: { firstCount: 6 } }, 0.86))
    expect(waving.finished.lie).toBe('ruffles')
    expect(waving.rounds.at(-1)!.at.z).toBe(0)
  })

  test('± grows outward and with doubt', () => {
    const plan = planPiece(discSpec(220))
    const sds = plan.rounds.slice(4).map(({ at }) => at.sd)
    sds.slice(1).forEach((sd, index) => expect(sd).toBeGreaterThan(sds[index]!))
    const gauge = { ...discSpec(220).gauge, varLnW: 0.0016, varLnH: 0.0016 }
    expect(promise(planPiece(discSpec(220, { gauge })).finished).plusMinus).toBeGreaterThan(
      promise(plan.finished).plusMinus,
    )
  })

  test('checkpoints: a third of the way but not before round 5, before the trim, and the finish', () => {
    const { checkpoints, rounds } = planPiece(discSpec(200))
    expect(checkpoints.map(({ purpose }) => purpose)).toEqual(['gauge', 'beforeTrim', 'finish'])
    expect(checkpoints[0]!.afterRound).toBe(5)
    expect(checkpoints.at(-1)!.afterRound).toBe(rounds.length)
    expect(planPiece(discSpec(75)).checkpoints).toHaveLength(2)
  })

  test('yarn and time follow the stitches', () => {
    const plan = planPiece(
      discSpec(200, { construction: { ...discSpec(1).construction, rounds: { kind: 'spiral' } } }),
    )
    // 6 + 12 + … + 78 = 546 sc of 4.3·8 + 13.7·2.5 mm, and two tails.
    expect(plan.stitches).toBe(546)
    expect(plan.yarn[0]!.metres).toBeCloseTo((546 * (4.3 * 8 + 13.7 * 2.5) + 300) / 1000, 6)
    expect(plan.seconds).toBeCloseTo(((546 + 13 * 2) / 18) * 60, 6)
  })

  test('precise means the nearest count, even means one repeat', () => {
    const offers = rhythmScale(discSpec(183, {}, 0.88))
    const [precise, even] = [offers[0]!, offers.at(-1)!]
    expect(precise.stitchesOff).toBeLessThanOrEqual(0.5 + 1e-9)
    expect(even).toMatchObject({ differentRepeats: 1, unevenRounds: 0 })
    expect(even.largestDeviation).toBeGreaterThan(precise.largestDeviation)
  })
})

test.each([
  [{ form: { family: 'disc', across: mm(0) }, tolerance: mm(5) }, 'form.across', /two rounds/],
  [{ form: { family: 'disc', across: mm(90_000) }, tolerance: mm(5) }, 'form.across', /room mat/],
  [{ form: { family: 'disc', across: mm(NaN) }, tolerance: mm(5) }, 'form.across', /two rounds/],
  [{ pace: 0 }, 'pace', /a minute/],
  [{ rhythm: 2 }, 'rhythm', /out of range/],
  [{ colours: [] }, 'colours', /no yarn/],
  [{ constraints: { firstCount: 0 } }, 'constraints.firstCount', /cannot have 0/],
] as const)('%j is refused at %s', (changes, path, message) => {
  const attempt = () => planPiece(discSpec(200, changes))
  expect(attempt).toThrow(SpecError)
  expect(attempt).toThrow(message)
  try {
    attempt()
  } catch (error) {
    expect((error as SpecError).path).toBe(path)
    expect((error as SpecError).valid).not.toBe('')
  }
})
