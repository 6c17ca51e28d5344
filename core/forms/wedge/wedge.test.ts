import fc from 'fast-check'
import { writeRound, writeRoundBody } from '../../pattern/writeRound.ts'
import { planPiece } from '../../plan/planPiece.ts'
import { countOf, stitchesIn, titleOf } from '../../rounds/round.ts'
import { expandSteps } from '../../rounds/steps.ts'
import { verify } from '../../rounds/verify.ts'
import { STITCHES } from '../../stitches/stitch.ts'
import { inStitches, plannedIfAny } from '../../testing/chainSpecs.ts'
import { wedgeSpec } from '../../testing/rowSpecs.ts'
import { runs } from '../../testing/runs.ts'

const anyWedge = fc
  .record({
    stitch: fc.constantFrom('sc' as const, 'hdc' as const, 'dc' as const),
    w: fc.double({ min: 3, max: 9, noNaN: true }),
    tall: fc.double({ min: 0.9, max: 1.1, noNaN: true }),
    radius: fc.double({ min: 40, max: 260, noNaN: true }),
    share: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
    finish: fc.constantFrom('plain' as const, 'bowed' as const, 'none' as const),
    bow: fc.double({ min: 1, max: 20, noNaN: true }),
  })
  .map(({ stitch, w, tall, ...form }) => inStitches(wedgeSpec(form, { stitch }), stitch, w, tall))

test('a half round in sc: 3 a row, back and forth, then one row along its straight edge', () => {
  const { rounds, finished } = planPiece(wedgeSpec({ radius: 90 }))
  const rows = rounds.slice(0, -1)
  rows.forEach(({ count, number }) => expect(count).toBe(3 * number))
  expect(rows.map(({ side }) => side)).toEqual(rows.map((_, index) => (index % 2 === 0 ? 'right' : 'wrong')))
  expect(rows.every(({ closed }) => !closed)).toBe(true)
  expect(titleOf(rows[3]!)).toBe('Row 4')
  // By hand: 12 rows of 7.64 mm around a middle of 0.3 of one, 8 mm wide stitches; 2 × 11 along the edge.
  expect(rows).toHaveLength(12)
  expect(rounds.at(-1)!.count).toBe(2 * Math.round((12 * 8 * 0.955) / 8))
  expect(finished.promises.map(({ of, value }) => [of, Math.round(value)])).toEqual([
    ['toTheCurve', 92],
    ['across', 184],
  ])
  expect(finished.lie).toBe('flat')
})

test('its words say where to turn, and when not to', () => {
  const spec = wedgeSpec()
  const { rounds } = planPiece(spec)
  const written = rounds.map((round, index) =>
    writeRound(round, { spec, terms: 'US', below: rounds[index - 1], above: rounds[index + 1] }),
  )
  expect(written[0]).toEqual({ start: 'magic ring, ch 1', body: '3 sc in ring', end: 'turn' })
  expect(written[3]).toMatchObject({ start: 'ch 1', end: 'turn' })
  expect(written.at(-2)!.end).toBe('do not turn, go on along the ends of the rows')
  expect(written.at(-1)).toMatchObject({ body: '22 sc along the ends of the rows', end: 'fasten off' })
})

test('rows of whatever share are as long as their arc, and use every stitch below once', () => {
  fc.assert(
    fc.property(anyWedge, (spec) => {
      const plan = plannedIfAny(spec)
      if (!plan || spec.form.family !== 'wedge') return
      const { share } = spec.form
      expect(verify(plan.rounds)).toEqual([])
      const rows = plan.rounds.filter(({ section }) => section === 'rows')
      const { h } = spec.gauge
      rows.forEach(({ count, stitch, number }, index) => {
        expect(stitch === spec.stitch).toBe(true)
        // Row n lies n heights from the middle: φ·2πs there (FIELD §11).
        if (number <= rows.length / 2 || number < 4) return
        const arc = share * 2 * Math.PI * h * (index + 1)
        const off = count * spec.gauge.w - arc
        expect(Math.abs(off)).toBeLessThan(Math.max(0.06 * arc, 1.5 * spec.gauge.w))
      })
    }),
    { numRuns: runs(50), endOnFailure: true },
  )
})

test('both edges stay straight: shaping keeps off the first and last stitch of a row', () => {
  fc.assert(
    fc.property(anyWedge, (spec) => {
      const plan = plannedIfAny(spec)
      for (const { steps, count, from, section } of plan?.rounds ?? []) {
        const more = count - from
        // Fewer than three plain stitches for each leave no room to keep off both.
        if (section !== 'rows' || more <= 0 || from < 4 * more) continue
        const units = expandSteps(steps)
        expect([units[0]!.kind, units.at(-1)!.kind]).toEqual(['work', 'work'])
      }
    }),
    { numRuns: runs(50), endOnFailure: true },
  )
})

test('what goes along the straight edge takes its length in stitches, and bows as it was asked', () => {
  fc.assert(
    fc.property(anyWedge, (spec) => {
      const plan = plannedIfAny(spec)
      if (!plan || spec.form.family !== 'wedge' || spec.form.finish === 'none') return
      const { share, bow, finish } = spec.form
      const { w, h } = spec.gauge
      const row = plan.rounds.at(-1)!
      const rows = plan.rounds.length - 1
      // The ends of a row are as long as it is high; an sc is as wide as the others.
      expect(Math.abs(stitchesIn(row.hosts) - (2 * rows * h) / w)).toBeLessThanOrEqual(2)
      expect(countOf(row) - stitchesIn(row.hosts)).toBe(share < 0.45 ? 2 : share > 0.55 ? -1 : 0)
      const heights = expandSteps(row.steps).flatMap(({ stitch, makes }) =>
        new Array<number>(makes).fill(STITCHES[stitch].heightOverWidth),
      )
      if (share < 0.45 || share > 0.55) return
      expect(heights).toEqual(heights.toReversed())
      if (finish === 'plain') expect(new Set(heights).size).toBe(1)
      // A parabola b·(1 − x²) over the lowest stitch, met to half the step from one stitch to the next.
      const unit = h / STITCHES[spec.stitch].heightOverWidth
      const ladder = (['slst', 'sc', 'hdc', 'dc', 'tr'] as const).map(
        (one) => STITCHES[one].heightOverWidth * unit,
      )
      const step = Math.max(...ladder.slice(1).map((high, index) => high - ladder[index]!))
      if (finish !== 'bowed') return
      heights.forEach((height, index) => {
        const x = (2 * (index + 0.5)) / heights.length - 1
        const wanted = Math.min(ladder[0]! + bow * (1 - x * x), ladder.at(-1)!)
        expect(Math.abs(height * unit - wanted)).toBeLessThanOrEqual(step / 2 + 1e-6)
      })
    }),
    { numRuns: runs(50), endOnFailure: true },
  )
})

test('rows that are worked are facts, those along their ends too', () => {
  const spec = wedgeSpec()
  const plan = planPiece(spec)
  const after = (rows: number) =>
    planPiece(spec, {
      rounds: plan.rounds.slice(0, rows),
      edge: { ...plan.rounds[Math.min(rows, 12) - 1]!.at },
    })
  for (const rows of [3, 7, 12, 13]) {
    const again = after(rows)
    expect(again.rounds.map((round) => writeRoundBody(round, 'US'))).toEqual(
      plan.rounds.map((round) => writeRoundBody(round, 'US')),
    )
    expect(verify(again.rounds)).toEqual([])
  }
})

test.each([
  [{ radius: 0 }, /under two rows/],
  [{ radius: 5000 }, /more than 300 rows|wider/],
  [{ share: 0.02 }, /too little of a disc/],
  [{ share: 1 }, /nearly all of one/],
  [{ bow: 90 }, /No row of stitches/],
])('%o is refused in a sentence', (form, message) => {
  expect(() => planPiece(wedgeSpec(form))).toThrow(message)
})
