import fc from 'fast-check'
import { newPiece, UNMEASURED_GAUGE } from '../exchange/newPiece.ts'
import type { GaugeRecord } from '../exchange/records.ts'
import { specIn, specOf } from '../exchange/specOf.ts'
import { ballSpec, capSpec, coneSpec, discSpec, drawnSpec, tubeSpec, vesselSpec } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import { afterWashing, formAfterWashing, formBeforeWashing } from './afterWashing.ts'
import type { PieceSpec } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { runs } from '../testing/runs.ts'

const FORMS: readonly PieceSpec[] = [
  discSpec(220),
  tubeSpec({}),
  tubeSpec({ of: 'tube', girth: 300 }),
  vesselSpec({}),
  vesselSpec({ of: 'inside', edge: 'rounded', lean: 0.2 }),
  capSpec({}),
  capSpec({ brim: 'ribbed' }, { stitch: 'dc' }, 1.91),
  ballSpec({}),
  ballSpec({ longer: 0.4 }),
  coneSpec({}),
  drawnSpec({ foot: 'crisp' }),
  coneSpec({ begins: 'open', from: 60 }),
].map((spec) => ({ ...spec, rhythm: 0 }))

/** The same piece in stitches that washing made so many times as wide and as tall. */
const washedBy = (spec: PieceSpec, byW: number, byH: number): PieceSpec => ({
  ...spec,
  gauge: { ...spec.gauge, w: mm(spec.gauge.w * byW), h: mm(spec.gauge.h * byH) },
})

test('what comes off the hook larger by what washing takes has its sizes when it is washed, whatever its form', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...FORMS),
      fc.double({ min: 0.93, max: 1.06, noNaN: true }),
      fc.double({ min: 0.93, max: 1.06, noNaN: true }),
      (spec, byW, byH) => {
        // What lies flat does so washed or not while both change alike.
        const washed = washedBy(spec, byW, spec.form.family === 'tube' ? byH : byW)
        const plan = planPiece({ ...spec, form: formBeforeWashing(spec, washed) })
        const asWished = planPiece(spec).finished.promises
        const { w, h } = spec.gauge
        for (const { of, value } of afterWashing(washed, plan)) {
          const wished = asWished.find((one) => one.of === of)!.value
          // A stitch and a half around, or a round along; fabric a little different gives a little differently.
          const off = of === 'around' ? 1.5 * w : of === 'across' ? 2 * h : 1.2 * h
          expect(Math.abs(value - wished)).toBeLessThan(off + 0.01 * wished)
        }
      },
    ),
    { numRuns: runs(60), endOnFailure: true },
  )
})

const cotton: GaugeRecord = { ...UNMEASURED_GAUGE, id: 'g', fibre: 'cotton' }

const mat = newPiece({
  id: 'p',
  projectId: 'p',
  gaugeId: 'g',
  yarnId: 'fog',
  form: { family: 'disc', across: mm(220) },
})

test('cotton comes out 4 % smaller, and with more doubt; a washed swatch of the maker’s own says it better', () => {
  const plan = planPiece(specOf(mat, cotton, 18))
  const [before] = plan.finished.promises
  const [after] = afterWashing(specIn('washed', mat, cotton, 18), plan)
  expect(after!.value / before!.value).toBeCloseTo(Math.exp(-0.04), 3)
  expect(after!.sd).toBeGreaterThan(0.95 * before!.sd)
  const counted = { worked: 'rounds', kind: 'swatch', loops: 'both', stitch: 'sc', at: 0 } as const
  const swatch = (id: string, state: 'worked' | 'washed', per10: number) =>
    ({
      ...counted,
      id,
      state,
      stitches: { count: per10, over: 100 },
      rounds: { count: per10, over: 100 },
    }) as const
  const shrunk = { ...cotton, evidence: [swatch('a', 'worked', 14), swatch('b', 'washed', 15)] }
  const own = planPiece(specOf(mat, shrunk, 18))
  const [washed] = afterWashing(specIn('washed', mat, shrunk, 18), own)
  // 14 stitches where 15 are when washed; the fibre’s 4 % still counts a little.
  expect(washed!.value / own.finished.promises[0]!.value).toBeGreaterThan(14 / 15 - 0.005)
  expect(washed!.value / own.finished.promises[0]!.value).toBeLessThan(Math.exp(-0.04))
})

test('a piece whose sizes are meant washed is planned as it comes off the hook, and is what was meant then', () => {
  const meant = { ...mat, washed: true } as const
  const worked = specOf(meant, cotton, 18)
  expect(worked.form).toEqual({ family: 'disc', across: 229 })
  expect(worked.gauge).toEqual(specOf(mat, cotton, 18).gauge)
  const plan = planPiece(worked)
  const washed = specIn('washed', meant, cotton, 18)
  expect(washed.form).toEqual(mat.form)
  // Whole rounds: off by no more than half of one, on either side.
  expect(Math.abs(afterWashing(washed, plan)[0]!.value - 220)).toBeLessThan(worked.gauge.h + 0.5)
  expect(formAfterWashing(worked, washed)).toEqual({ family: 'disc', across: 220 })
})
