import fc from 'fast-check'
import { forCopy } from '../../plan/forCopy.ts'
import { planPiece } from '../../plan/planPiece.ts'
import type { PieceSpec, Plan } from '../../plan/plan.ts'
import { validateSpec } from '../../plan/validateSpec.ts'
import { yarnOf } from '../../plan/yarnAndTime.ts'
import { chainsAlong } from '../../rounds/spine.ts'
import { expandSteps } from '../../rounds/steps.ts'
import { verify } from '../../rounds/verify.ts'
import { zonesOf } from '../../rounds/zone.ts'
import { bootieSpec, inStitches, plannedIfAny } from '../../testing/chainSpecs.ts'
import { promise } from '../../testing/specs.ts'
import { among, runs } from '../../testing/runs.ts'

const anyBootie: fc.Arbitrary<PieceSpec> = fc
  .record({
    foot: fc.double({ min: 80, max: 300, noNaN: true }),
    room: fc.double({ min: 0, max: 15, noNaN: true }),
    wide: fc.double({ min: 0.38, max: 0.5, noNaN: true }),
    opening: fc.double({ min: 1.2, max: 1.9, noNaN: true }),
    cuffHeight: fc.double({ min: 10, max: 80, noNaN: true }),
    cuff: fc.constantFrom('plain', 'ribbed', 'folded'),
    side: fc.constantFrom('left', 'right'),
    w: fc.double({ min: 3.5, max: 7, noNaN: true }),
    tall: fc.double({ min: 0.93, max: 1.07, noNaN: true }),
    stitch: fc.constantFrom('sc', 'hdc', 'dc'),
  })
  .map(({ w, tall, stitch, ...form }) => {
    const spec = bootieSpec(form, { stitch })
    return inStitches(spec, stitch, w, tall)
  })

/** So few stitches around the ends, once its sides are taken in, that four decreases hardly fit over one. */
const SMALL_AND_TALL = inStitches(
  bootieSpec(
    { foot: 80, room: 0, wide: 0.38, opening: 1.2, cuffHeight: 52.07, cuff: 'plain', side: 'left' },
    { stitch: 'dc' },
  ),
  'dc',
  4.14112,
  1.07,
)

/** Where decreases stand in the round below, from 0 at its start to 1 at its end: the middle of each. */
function placesOfDecreases(steps: Plan['rounds'][number]['steps'], from: number): number[] {
  let used = 0
  return expandSteps(steps).flatMap(({ kind, uses }) => {
    const middle = used + uses / 2
    used += uses
    return kind === 'dec' ? [middle / from] : []
  })
}

test('a bootie of any foot adds up, and its toe is taken in symmetric about the middle of its end', () => {
  let made = 0
  fc.assert(
    fc.property(anyBootie, (spec) => {
      const plan = plannedIfAny(spec)
      if (!plan || spec.form.family !== 'bootie') return
      made++
      expect(verify(plan.rounds)).toEqual([])
      const { rounds } = plan
      rounds.forEach((round) => {
        const zones = zonesOf(round)
        if (zones.length > 0) expect(zones.reduce((sum, { count }) => sum + count, 0)).toBe(round.count)
      })
      const sole = rounds.filter(({ section }) => section === 'sole').at(-1)!
      const straight = 2 * (chainsAlong(rounds[0]!)! - 1)
      const toes = rounds.filter(({ section, count, from }) => section === 'instep' && count < from)
      expect(toes.length).toBeGreaterThan(0)
      let taken = 0
      for (const { steps, from, count } of toes) {
        // The middle of the toe: half of its own side and a quarter of what goes around the ends, by hand.
        const left = Math.max(0, straight - taken)
        const middle = (left / 2 + (from - left) / 4) / from
        const places = placesOfDecreases(steps, from).map((place) =>
          spec.form.family === 'bootie' && spec.form.side === 'right' ? 1 - place : place,
        )
        const mean = places.reduce((sum, place) => sum + place, 0) / places.length
        expect(Math.abs(mean - middle) * from).toBeLessThanOrEqual(0.51)
        // Kept over the front third.
        for (const place of places) expect(Math.abs(place - middle)).toBeLessThanOrEqual(1 / 6 + 3 / from)
        taken += from - count
      }
      expect(sole.count - taken).toBeGreaterThan(0)
    }),
    { numRuns: runs(120), endOnFailure: true, examples: [[SMALL_AND_TALL]] },
  )
  expect(made).toBeGreaterThan(among(50))
})

test('the other one of a pair is its mirror image: mirrored rounds, equal counts, as much yarn', () => {
  fc.assert(
    fc.property(anyBootie, (spec) => {
      const plan = plannedIfAny(spec)
      if (!plan) return
      const second = forCopy(spec, plan, spec.form.family === 'bootie' && spec.form.side === 'left' ? 2 : 1)
      expect(second.spec.form).not.toEqual(spec.form)
      expect(verify(second.plan.rounds)).toEqual([])
      second.plan.rounds.forEach((round, index) => {
        const one = plan.rounds[index]!
        expect(round.count).toBe(one.count)
        const zones = (some: typeof round) => zonesOf(some).map(({ zone, count }) => `${zone} ${count}`)
        expect(zones(round)).toEqual(zones(one).reverse())
      })
      yarnOf(second.plan.rounds, spec).forEach(({ metres }, index) =>
        expect(metres).toBeCloseTo(plan.yarn[index]!.metres, 6),
      )
      // Planned by itself it is the same.
      const alone = planPiece(second.spec)
      expect(alone.rounds.map(({ steps }) => steps)).toEqual(second.plan.rounds.map(({ steps }) => steps))
      // And its other one is the first again.
      const back = forCopy(
        second.spec,
        second.plan,
        second.spec.form.family === 'bootie' && second.spec.form.side === 'left' ? 2 : 1,
      )
      expect(back.plan.rounds.map(({ steps }) => steps)).toEqual(plan.rounds.map(({ steps }) => steps))
    }),
    { numRuns: runs(60), endOnFailure: true },
  )
})

test('the sole of a 10.5 cm foot is as long as the foot, its room and its walls', () => {
  const spec = bootieSpec()
  const { rounds } = planPiece(spec)
  const sole = rounds.filter(({ section }) => section === 'sole').at(-1)!
  const { w, h, yarnDiameter } = spec.gauge
  // By hand: 105 + 5 + 1.8 × 2 mm of fabric is 113.6; rounds of 5.157, chains of 5.4 mm.
  const long = 2 * sole.at.radius + sole.at.spine!
  expect(Math.abs(long - (110 + 1.8 * yarnDiameter))).toBeLessThan(w / 2 + 1)
  expect(Math.abs(2 * sole.at.radius - (0.43 * 105 + 1.8 * yarnDiameter))).toBeLessThan(h + 1)
  const opening = rounds.filter(({ section }) => section === 'instep').at(-1)!
  expect(Math.abs(opening.count * w - 1.6 * 105)).toBeLessThanOrEqual(2 * w)
})

test('it is as high as its rounds, and a folded cuff has twice as many', () => {
  const rounds = (cuff: 'ribbed' | 'folded') =>
    planPiece(bootieSpec({ cuff, cuffHeight: 40 }, {}, 0.955)).rounds.filter(
      ({ section }) => section === 'cuff',
    ).length
  expect(rounds('folded') / rounds('ribbed')).toBeCloseTo(2, 0)
  const spec = bootieSpec({ foot: 140 })
  const plan = planPiece(spec)
  const upright = plan.rounds.filter(({ section }) => section !== 'sole').length
  expect(Math.abs(promise(plan.finished, 'height').value - (upright * spec.gauge.h + 1.8))).toBeLessThan(4)
})

test('a heel that will not pass is said, with what would let it', () => {
  const tight = bootieSpec({ opening: 1 })
  const plan = planPiece(tight)
  const notice = plan.notices.find(({ code }) => code === 'heelTight')!
  // By hand: a heel asks for 1.25 times its foot, and plain fabric stretches 15%.
  expect(notice).toMatchObject({ passes: 1.25 * 105 })
  const least = (1.25 * 105) / 1.15
  expect((notice as { least: number }).least).toBeCloseTo(least)
  // Each way out is one: wider, or so many rounds of the toe fewer.
  const { of, around } = notice as { of: number; around: number }
  expect(around + of * 2 * tight.gauge.w).toBeGreaterThanOrEqual(least - 1e-6)
  expect(around + (of - 1) * 2 * tight.gauge.w).toBeLessThan(least)
  expect(planPiece(bootieSpec()).notices.some(({ code }) => code === 'heelTight')).toBe(false)
})

test.each([
  [{ foot: 0 }, 'form.foot', 'too short'],
  [{ foot: 400 }, 'form.foot', 'longer than a foot'],
  [{ wide: 0.9 }, 'form.wide', 'so wide'],
  [{ opening: 0.5 }, 'form.opening', 'gets into that'],
  [{ cuffHeight: 1 }, 'form.cuffHeight', 'no cuff'],
  [{ room: 60 }, 'form.room', 'no room'],
])('refuses %j in a sentence', (form, path, says) => {
  expect(() => validateSpec(bootieSpec(form))).toThrow(
    expect.objectContaining({ path, message: expect.stringContaining(says) as string }) as Error,
  )
})
