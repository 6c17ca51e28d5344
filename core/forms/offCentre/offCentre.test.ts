import fc from 'fast-check'
import { offCentreOf } from '../../plan/offCentreOf.ts'
import type { PieceSpec } from '../../plan/plan.ts'
import { planPiece } from '../../plan/planPiece.ts'
import { halfAngleAt } from '../../plan/rowsAfter.ts'
import { stitchesIn } from '../../rounds/round.ts'
import { verify } from '../../rounds/verify.ts'
import { plannedIfAny } from '../../testing/chainSpecs.ts'
import { discSpec } from '../../testing/specs.ts'
import { mm } from '../../units/millimetres.ts'
import { CRESCENT_SECTION, type OffCentreForm } from './offCentre.ts'
import { runs } from '../../testing/runs.ts'

const offCentreSpec = (across: number, off: number, heightOverWidth = 0.955): PieceSpec => {
  const plain = discSpec(1)
  return {
    ...plain,
    form: { family: 'offCentre', across: mm(across), off: mm(off) },
    gauge: { ...plain.gauge, w: mm(6), h: mm(6 * heightOverWidth) },
  }
}

const rowsOf = (spec: PieceSpec) => {
  const plan = planPiece(spec)
  return { plan, rows: plan.rounds.filter(({ section }) => section === CRESCENT_SECTION) }
}

const anyOffCentre = fc
  .record({
    across: fc.double({ min: 90, max: 400, noNaN: true }),
    share: fc.double({ min: 0.05, max: 0.3, noNaN: true }),
    ratio: fc.double({ min: 0.85, max: 1.1, noNaN: true }),
  })
  .map(({ across, share, ratio }) => offCentreSpec(across, (share * across) / 2, ratio))

test('rows over one side: every stitch once or left, each shorter than the one before, the same on both sides', () => {
  fc.assert(
    fc.property(anyOffCentre, (spec) => {
      const plan = plannedIfAny(spec)
      if (!plan) return
      expect(verify(plan.rounds)).toEqual([])
      const rows = plan.rounds.filter(({ section }) => section === CRESCENT_SECTION)
      expect(rows.length).toBeGreaterThan(0)
      rows.forEach((row, index) => {
        const below = rows[index - 1]
        if (!below) return
        // The sides alternate, and what is left on both sides differs by a stitch at most.
        expect(row.side).not.toBe(below.side)
        const slips = row.steps[0]!.ops[0]!.stitch === 'slst' ? row.steps[0]!.ops[0]!.times : 0
        const slipsBelow = below.steps[0]!.ops[0]!.stitch === 'slst' ? below.steps[0]!.ops[0]!.times : 0
        const left = stitchesIn(row.left ?? []) - slipsBelow
        expect(Math.abs(left - slips)).toBeLessThanOrEqual(1)
        expect(row.count - slips).toBeLessThan(below.count - slipsBelow + 1)
      })
    }),
    { numRuns: runs(60) },
  )
})

test('its edge is a circle off the middle, within a row: an end of every row against the circle itself', () => {
  fc.assert(
    fc.property(anyOffCentre, (spec) => {
      const plan = plannedIfAny(spec)
      const grown = plan && offCentreOf(plan)
      if (!plan || !grown) return
      const { w, h } = spec.gauge
      const disc = plan.rounds.find(({ section }) => section === CRESCENT_SECTION)!.number - 2
      const inner = plan.rounds[disc]!.at.radius
      const outer = inner + grown.off
      const rows = plan.rounds.slice(disc + 1)
      for (const row of rows) {
        const slips = row.steps[0]!.ops[0]!.stitch === 'slst' ? row.steps[0]!.ops[0]!.times : 0
        const radius = row.at.arc
        const half = ((row.count - slips) * w) / radius / 2
        // The corner at the end of the row, from the circle's centre.
        const [x, y] = [radius * Math.sin(half), radius * Math.cos(half) - grown.off]
        expect(Math.abs(Math.hypot(x, y) - outer)).toBeLessThan(h + w)
      }
      // Where it is widest it reaches as far as asked, within half a row, and so does all of it.
      const { across, off } = spec.form as OffCentreForm
      expect(Math.abs(grown.off - off)).toBeLessThan(Math.max(h / 4, h - off) + 1e-6)
      expect(Math.abs(grown.across - across)).toBeLessThan(1.5 * h)
    }),
    { numRuns: runs(60) },
  )
})

test('how wide a crescent is, by its closed form: all of it at its middle, none opposite, the half of a known one', () => {
  expect(halfAngleAt(39.999, 80, 20)).toBeLessThan(0.02)
  expect(halfAngleAt(0.001, 80, 20)).toBeGreaterThan(3.1)
  // A quarter turn on: √(R² − d²) − (R − d), with R = 100 and d = 20.
  expect(halfAngleAt(Math.sqrt(100 ** 2 - 20 ** 2) - 80, 80, 20)).toBeCloseTo(Math.PI / 2, 6)
})

test('its disc is promised, measured and re-planned; what cannot be is refused with what can', () => {
  const { plan, rows } = rowsOf(offCentreSpec(220, 20))
  const { h } = offCentreSpec(220, 20).gauge
  expect(rows).toHaveLength(Math.round(40 / h))
  const finish = plan.checkpoints.at(-1)!
  expect(finish.afterRound).toBe(rows[0]!.number - 1)
  expect(Math.abs(finish.promises[0]!.value - 180)).toBeLessThan(h)
  const message = (across: number, off: number) => {
    try {
      planPiece(offCentreSpec(across, off))
    } catch (error) {
      return (error as Error).message
    }
    return ''
  }
  expect(message(220, 1)).toMatch('takes less than a row')
  expect(message(220, 100)).toMatch('the disc inside would be under two rounds')
  expect(message(20, 3)).toMatch('the disc inside would be under two rounds')
  expect(message(0, 20)).toMatch('is no width')
})
