import fc from 'fast-check'
import { spoken } from '../errors/sentence.ts'
import { SpecError } from '../errors/specError.ts'
import { layFlat } from '../lay/lay.ts'
import { validateEvidence, questionOf } from './validateEvidence.ts'
import { combineEvidence } from './combineEvidence.ts'
import type { Evidence, RoundEvidence, SwatchEvidence } from './evidence.ts'
import { evidenceSteps } from './evidenceSteps.ts'
import { sdOfHeightOverWidth, type StitchSize } from './gauge.ts'
import { gaugeForStitch } from './gaugeForStitch.ts'
import { beliefFromEvidence, gaugeFromBelief, sizeOf } from './gaugeFromEvidence.ts'
import { gaugeFromTable } from './gaugeFromTable.ts'
import { mm } from '../units/millimetres.ts'
import { hookAdvice } from './hookAdvice.ts'
import { labelBelief } from './latentGauge.ts'
import { nextMeasurements, tellingOf } from './nextMeasurement.ts'
import { arcOfDish } from './discReadings.ts'
import { runs } from '../testing/runs.ts'

const MEDIUM = { weight: 4, strands: 1, hook: 5 } as const
const COTTON = { mean: -0.04, sd: 0.01 }

const taken = (id: string) => ({ id, at: 1, stitch: 'sc', loops: 'both', state: 'worked' }) as const
const swatch = (
  stitches: number,
  rounds: number,
  worked: 'rounds' | 'rows' = 'rounds',
  id = 's',
): SwatchEvidence => ({
  ...taken(id),
  kind: 'swatch',
  worked,
  stitches: { count: stitches, over: 100 },
  rounds: { count: rounds, over: 100 },
})
const disc = (across: number, edge: RoundEvidence['edge'], perRound = 6, rounds = 9): RoundEvidence => ({
  ...taken('disc'),
  kind: 'round',
  counts: Array.from({ length: rounds }, (_, index) => perRound * (index + 1)),
  across: [across],
  edge,
})
const known = (evidence: readonly Evidence[], yarn: { weight: 4; strands: number; hook: number } = MEDIUM) =>
  beliefFromEvidence(yarn, evidence, COTTON)
const sc = (evidence: readonly Evidence[], yarn?: Parameters<typeof known>[1]): StitchSize =>
  sizeOf(known(evidence, yarn).belief, 'sc', 'both', 'worked')
const sds = ({ varLnW, varLnH }: StitchSize) => [Math.sqrt(varLnW), Math.sqrt(varLnH)] as const

test('the label: medium on 5 mm is 7.25 mm wide, light on 3 mm 4.9; h/w known to 6%, size to 12%', () => {
  expect(gaugeFromTable('sc', MEDIUM).w).toBeCloseTo(7.25, 2)
  expect(gaugeFromTable('sc', { weight: 3, strands: 1, hook: 3 }).w).toBeCloseTo(4.9, 1)
  expect(gaugeFromTable('sc', { ...MEDIUM, strands: 2 }).yarnDiameter).toBeCloseTo(2.5 * 1.4, 6)
  for (const stitch of ['sc', 'dc'] as const) {
    const label = sizeOf(labelBelief(MEDIUM, COTTON), stitch, 'both', 'worked')
    expect(label.h / label.w).toBeCloseTo(stitch === 'sc' ? 0.955 : 1.91, 6)
    expect(sds(label)[0]).toBeCloseTo(0.12, 6)
    expect(sdOfHeightOverWidth(label)).toBeCloseTo(0.059, 3)
  }
})

test('a swatch in rounds outweighs the label; rows tell h/w only to 7%, however many are worked', () => {
  const yarn = { ...MEDIUM, hook: 7.6 }
  const rounds = sc([swatch(11.2, 12.1)], yarn)
  expect(Math.abs(rounds.w / (100 / 11.2) - 1)).toBeLessThan(0.02)
  expect(Math.abs(rounds.h / rounds.w - 11.2 / 12.1)).toBeLessThan(0.02)
  const rows = [1, 2, 3, 4, 5].map((id) => swatch(11.2, 12.1, 'rows', String(id)))
  const one = sc(rows.slice(0, 1), yarn)
  const five = sc(rows, yarn)
  // Rows of h/w 0.926 are drawn toward the usual 0.955.
  expect(one.h / one.w).toBeGreaterThan(rounds.h / rounds.w)
  expect(one.h / one.w).toBeLessThan(0.955)
  expect(sds(five)[0]).toBeLessThan(0.6 * sds(one)[0])
  expect(sdOfHeightOverWidth(five)).toBeGreaterThan(0.04)
  expect(sdOfHeightOverWidth(rounds)).toBeLessThan(0.04)
})

/** A true fabric near the label's and what an honest tape would read of it. */
const truth = fc.record({
  w: fc.double({ min: 6.4, max: 8.2, noNaN: true }),
  ratio: fc.double({ min: 0.9, max: 1, noNaN: true }),
  noise: fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 8, maxLength: 8 }),
})

function honest({ w, ratio, noise }: { w: number; ratio: number; noise: number[] }): Evidence[] {
  const h = w * ratio
  const counts = Array.from({ length: 9 }, (_, index) => Math.round(2 * Math.PI * ratio * (index + 1)))
  const rounds = counts.map((count) => ({ count, w, h }))
  const across = 2 * layFlat({ rounds, centre: 0.3 * h, hole: 0, patted: true }).at(-1)!
  return [
    swatch((100 + noise[0]! * 1.5) / w, (100 + noise[1]! * 1.5) / h),
    { ...taken('disc'), kind: 'round', counts, across: [across + noise[2]! * 2], edge: { kind: 'flat' } },
    { ...taken('marks'), kind: 'marks', along: { count: 20, over: 20 * w + noise[3]! * 2 } },
    { ...taken('out'), kind: 'marks', out: { count: 12, over: 12 * h + noise[4]! * 2 } },
  ]
}

test('the order of entry does not matter; agreeing evidence narrows and comes near the truth', () => {
  fc.assert(
    fc.property(truth, fc.integer({ min: 0, max: 23 }), (real, turn) => {
      const evidence = honest(real)
      const shuffled = [...evidence.slice(turn % 4), ...evidence.slice(0, turn % 4)]
      if (turn > 11) shuffled.reverse()
      expect(known(shuffled)).toEqual(known(evidence))
      let before = sds(sc([]))
      evidence.forEach((_, index) => {
        const { conflicts } = known(evidence.slice(0, index + 1))
        const now = sds(sc(evidence.slice(0, index + 1)))
        expect(conflicts).toEqual([])
        // Lying flat is a bound: it may cut off less once the rest puts the stitches well within it.
        now.forEach((sd, axis) => expect(sd).toBeLessThanOrEqual(before[axis]! * 1.1))
        before = now
      })
      const { w, h } = sc(evidence)
      expect(Math.abs(w / real.w - 1)).toBeLessThan(0.04)
      expect(Math.abs(h / (real.w * real.ratio) - 1)).toBeLessThan(0.04)
    }),
    { numRuns: runs(40) },
  )
})

test('conflicting evidence is named and widens what is known, it is not averaged away', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 13, max: 15, noNaN: true }),
      fc.constantFrom(0.72, 0.78, 1.28, 1.35),
      fc.integer({ min: 1, max: 4 }),
      (stitches, by, agreeing) => {
        const same = Array.from({ length: agreeing }, (_, index) =>
          swatch(stitches, 15, 'rounds', `a${index}`),
        )
        const odd = swatch(stitches * by, 15, 'rounds', 'odd')
        const { conflicts } = known([...same, odd])
        expect(conflicts.map(({ id }) => id)).toContain('odd')
        const named = conflicts.find(({ id }) => id === 'odd')!
        expect(named.about).toBe('width')
        expect(named.sigmas).toBeGreaterThan(3)
        expect(Math.sign(named.off)).toBe(by > 1 ? -1 : 1)
        expect(sds(sc([...same, odd]))[0]).toBeGreaterThan(sds(sc(same))[0])
        // Put aside by the maker, it is as if it had never been.
        expect(sc([...same, { ...odd, setAside: true }])).toEqual(sc(same))
      },
    ),
    { numRuns: runs(40) },
  )
})

test('a flat disc tells the size, not w and h apart; a cup or a stretch along a round does', () => {
  const one = disc(118, { kind: 'flat' })
  const flat = known([one])
  const telling = tellingOf(flat.belief, 'sc')
  expect(telling.size).toBeLessThan(0.02)
  // Flat is flat from −4 to +4%: that alone keeps h/w in doubt, however exact the tape.
  expect(telling.ratio).toBeGreaterThan(0.018)
  expect(telling.ratio).toBeGreaterThan(telling.size)
  const [next] = nextMeasurements(flat.belief, 'sc', [one])
  expect(next!.ratio).toBeLessThan(telling.ratio)
  expect(next!.measurement).not.toBe('roundSwatch')
  const again = tellingOf(known([one, { ...one, id: 'second' }]).belief, 'sc')
  expect(again.ratio).toBeGreaterThan(0.95 * telling.ratio)
  expect(again.size).toBeLessThan(telling.size)
  const cup = sizeOf(known([disc(108, { kind: 'standsUp', by: 12 })]).belief, 'sc', 'both', 'worked')
  expect(sds(cup).every((sd) => sd < 0.05)).toBe(true)
  // 54 stitches around a rim 108 mm wide, stretched by half the tolerance.
  expect(cup.w).toBeCloseTo((Math.PI * 108) / (54 * 1.02), 0)
  const wave = sizeOf(known([disc(118, { kind: 'waves', much: 'lot' })]).belief, 'sc', 'both', 'worked')
  expect(wave.w / wave.h).toBeGreaterThan(1 / 0.955)
})

test('the arc of a dish: flat it is the radius, half a ball it is a quarter of the way round', () => {
  expect(arcOfDish(60, 0)).toBe(60)
  expect(arcOfDish(60, 60)).toBeCloseTo((60 * Math.PI) / 2, 6)
  expect(arcOfDish(60, 10)).toBeCloseTo(61.1, 1)
})

test('a reading in sc sharpens dc less than itself, and dc sharpens sc; loops and washing stand apart', () => {
  const { belief } = known([swatch(14, 15)])
  const dc = sizeOf(belief, 'dc', 'both', 'worked')
  const fromLabel = sizeOf(labelBelief(MEDIUM, COTTON), 'dc', 'both', 'worked')
  expect(sds(dc)[1]).toBeLessThan(sds(fromLabel)[1])
  expect(sds(dc)[1]).toBeGreaterThan(sds(sc([swatch(14, 15)]))[1])
  const inDc = sc([{ ...swatch(14, 7.5), stitch: 'dc' }])
  expect(sds(inDc)[0]).toBeLessThan(0.06)
  const back = sizeOf(belief, 'sc', 'single', 'worked')
  expect(back.h / sizeOf(belief, 'sc', 'both', 'worked').h).toBeCloseTo(1.075, 6)
  expect(sizeOf(belief, 'sc', 'post', 'worked').h).toBeLessThan(back.h)
  const washed = known([swatch(14, 15), { ...swatch(14.8, 15.9, 'rounds', 'washed'), state: 'washed' }])
  expect(washed.conflicts).toEqual([])
  expect(sizeOf(washed.belief, 'sc', 'both', 'washed').w).toBeLessThan(7)
  expect(sizeOf(washed.belief, 'sc', 'both', 'worked').w).toBeGreaterThan(7)
})

test('a gauge to plan with carries what the evidence says of the other stitches', () => {
  const evidence = [swatch(14, 15), { ...swatch(13, 8, 'rounds', 'dc'), stitch: 'dc' as const }]
  const gauge = gaugeFromBelief(known(evidence), 'sc', MEDIUM, true)
  const dc = gaugeForStitch(gauge, 'dc')
  expect(dc.h).toBeCloseTo(12.5, 0)
  expect(gaugeForStitch(dc, 'sc')).toMatchObject({ w: gauge.w, h: gauge.h })
  const guess = gaugeFromBelief(known([]), 'sc', MEDIUM, false)
  expect(gaugeForStitch(guess, 'dc').h / guess.h).toBeCloseTo(2, 6)
  expect(gaugeForStitch(guess, 'dc').varLnH).toBeGreaterThan(guess.varLnH)
})

test('the steps of evidence end where all of it together does', () => {
  const evidence = [
    swatch(14, 15, 'rows'),
    disc(118, { kind: 'flat' }),
    disc(110, { kind: 'standsUp', by: 8 }),
  ]
  const steps = evidenceSteps(MEDIUM, evidence, COTTON, 'sc')
  expect(steps).toHaveLength(4)
  expect(steps.at(-1)!.soFar).toEqual(sc(evidence))
  expect(steps[1]!.says.w!.value).toBeCloseTo(100 / 14, 6)
  expect(steps[2]!.says).toEqual({ w: undefined, h: undefined })
  expect(steps[3]!.says.h!.value).toBeCloseTo(arcOfDish(55, 8) / 0.98 / 9.3, 0)
})

describe('hook advice', () => {
  const tight = sc([swatch(15, 16)])
  test('15 sts where 13.5 were thought of: a larger hook, half a millimetre for 4 to 6%', () => {
    const advice = hookAdvice(tight, 5, 100 / 13.5)
    expect(advice).toMatchObject({ hook: 6, keep: false })
    expect(advice.per10cm).toBeCloseTo(13.7, 1)
    const half = hookAdvice({ w: 10, varLnW: 0 } as never, 5, 10 * Math.sqrt(1.1))
    expect(half.hook).toBe(5.5)
    expect(half.change).toBeCloseTo(0.049, 3)
  })
  test('within its own doubt a gauge is kept', () => {
    expect(hookAdvice(tight, 5, tight.w * 1.01).keep).toBe(true)
  })
})

const odd = (change: object, base: Evidence = swatch(14, 15)) => ({ ...base, ...change })
test.each([
  [odd({ stitches: { count: 0, over: 100 } }), 'stitches', /more than 0/, /./],
  [odd({ stitches: { count: 300, over: 100 } }), 'stitches', /sewing thread/, /stretch/],
  [
    odd({ stitches: { count: 140, over: 100 } }),
    'stitches',
    /sewing thread/,
    /Did you mean 14 sts, or 100 cm/,
  ],
  [odd({ stitches: { count: 14, over: 10 } }), 'stitches', /0.7 mm each/, /or 10 cm\?/],
  [odd({ stitches: { count: 1, over: 100 } }), 'stitches', /thicker than any yarn/, /./],
  [odd({ rounds: { count: 2, over: 100 } }), 'rounds', /as tall as wide/, /counts/],
  [
    odd({ across: [11.8] }, disc(118, { kind: 'flat' })),
    'across',
    /round 0.7 mm tall/,
    /Did you mean 11.8 cm/,
  ],
  [odd({ across: [100, 140] }, disc(118, { kind: 'flat' })), 'across', /cannot be one disc/, /hexagon/],
  [odd({ counts: [6] }, disc(118, { kind: 'flat' })), 'counts', /2 rounds/, /./],
  [odd({ edge: { kind: 'standsUp', by: 0 } }, disc(118, { kind: 'flat' })), 'edge', /stand up/, /./],
  [{ ...taken('m'), kind: 'marks' }, 'along', /Nothing is counted/, /./],
] as const)('evidence %# is refused with what would be right', (evidence, path, message, valid) => {
  const attempt = () => validateEvidence(evidence, MEDIUM)
  expect(attempt).toThrow(SpecError)
  expect(attempt).toThrow(message)
  expect(attempt).toThrow(expect.objectContaining({ path, valid: expect.stringMatching(valid) }))
})

test('at either end of the hooks no hook is enough, and it is said', () => {
  const size = (w: number) => ({ w: mm(w), varLnW: 1e-4 })
  expect(hookAdvice(size(14), 15, 18)).toMatchObject({ beyond: 'largest', hook: 15, keep: false })
  expect(hookAdvice(size(4), 1.5, 2.5)).toMatchObject({ beyond: 'smallest', keep: false })
  expect(hookAdvice(size(7.2), 5, 7.9).beyond).toBeUndefined()
  expect(hookAdvice(size(14), 15, 14)).toMatchObject({ keep: true })
})

test('evidence that can be but is odd is asked about; what is usual is not', () => {
  const inches = { ...swatch(14, 15), stitches: { count: 14, over: 40 } }
  expect(spoken(questionOf(inches, MEDIUM)!)).toMatch(
    /2.9 mm is far .* Did you mean 10.2 cm \(inches typed for cm\)/,
  )
  expect(questionOf(swatch(14, 15), MEDIUM)).toBeUndefined()
  expect(() => validateEvidence(swatch(14, 15), MEDIUM)).not.toThrow()
  expect(combineEvidence(labelBelief(MEDIUM, COTTON), [inches]).conflicts).toHaveLength(1)
})

test.each([
  [{ ...MEDIUM, hook: 0 }, 'gauge.hook'],
  [{ ...MEDIUM, strands: 0 }, 'gauge.strands'],
  [{ ...MEDIUM, weight: 9 as never }, 'gauge.weight'],
])('a label of %j is refused', (label, path) => {
  expect(() => gaugeFromTable('sc', label)).toThrow(expect.objectContaining({ path }))
})
