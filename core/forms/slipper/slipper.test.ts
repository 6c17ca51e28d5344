import fc from 'fast-check'
import { writeRound } from '../../pattern/writeRound.ts'
import { endOf } from '../../plan/endOf.ts'
import { planPiece } from '../../plan/planPiece.ts'
import { sectionsWorked } from '../../plan/sectionWork.ts'
import { stitchesIn } from '../../rounds/round.ts'
import { verify } from '../../rounds/verify.ts'
import { waitingAt } from '../../rounds/waiting.ts'
import { inStitches, plannedIfAny } from '../../testing/chainSpecs.ts'
import { slipperSpec } from '../../testing/rowSpecs.ts'
import { promise } from '../../testing/specs.ts'
import { runs } from '../../testing/runs.ts'

const anySlipper = fc
  .record({
    stitch: fc.constantFrom('sc' as const, 'hdc' as const, 'dc' as const),
    w: fc.double({ min: 3, max: 9, noNaN: true }),
    tall: fc.double({ min: 0.9, max: 1.1, noNaN: true }),
    foot: fc.double({ min: 120, max: 320, noNaN: true }),
    around: fc.double({ min: 120, max: 300, noNaN: true }),
    closed: fc.double({ min: 0.35, max: 0.65, noNaN: true }),
    open: fc.double({ min: 0.2, max: 0.4, noNaN: true }),
  })
  .map(({ stitch, w, tall, ...form }) => {
    const spec = slipperSpec(form, { stitch })
    const sections = sectionsWorked(spec.form, stitch, undefined)
    return inStitches({ ...spec, sections }, stitch, w, tall)
  })

test('rows leave the instep open, as much as was asked; every stitch is worked or said to stay', () => {
  fc.assert(
    fc.property(anySlipper, (spec) => {
      const plan = plannedIfAny(spec)
      if (!plan || spec.form.family !== 'slipper') return
      expect(verify(plan.rounds)).toEqual([])
      const rows = plan.rounds.filter(({ closed }) => !closed)
      const tube = plan.rounds[rows[0]!.number - 2]!
      const open = stitchesIn(rows[0]!.left!)
      expect(stitchesIn(rows[0]!.hosts) + open).toBe(tube.count)
      expect(Math.abs(open / tube.count - spec.form.open)).toBeLessThanOrEqual(0.5 / tube.count + 1e-9)
      expect(new Set(rows.map(({ count }) => count)).size).toBe(1)
      expect(rows.map(({ side }) => side)).toEqual(
        rows.map((_, index) => (index % 2 === 0 ? tube.side : 'wrong')),
      )
      // As long as the foot, to half a row; by hand, from the rows themselves and where the tube ends.
      const { h } = spec.gauge
      expect(Math.abs(tube.at.z + rows.length * h - spec.form.foot)).toBeLessThanOrEqual(h / 2 + 0.5)
      expect(Math.abs(promise(plan.finished, 'sole').value - spec.form.foot)).toBeLessThanOrEqual(h / 2 + 0.5)
      const end = endOf(spec, plan)
      expect(end).toEqual({
        kind: 'folded',
        pairs: Math.floor(rows[0]!.count / 2),
        odd: rows[0]!.count % 2 === 1,
      })
    }),
    { numRuns: runs(50), endOnFailure: true },
  )
})

test('its words: what stays open is said in the first row, the last is fastened off', () => {
  const spec = slipperSpec()
  const { rounds } = planPiece(spec)
  const first = rounds.findIndex(({ closed }) => !closed)
  const write = (index: number) =>
    writeRound(rounds[index]!, { spec, terms: 'US', below: rounds[index - 1], above: rounds[index + 1] })
  // 22.5 cm in 7 mm wide sc are 32; 72% of them are 23.
  expect(write(first)).toEqual({ start: 'ch 1', body: '23 sc; 9 wait', end: 'turn' })
  expect(write(rounds.length - 1)).toMatchObject({ body: 'sc in each st', end: 'fasten off' })
  expect(waitingAt(rounds, first + 2)).toEqual({ stitches: 9, takenUpBy: undefined })
})

test('what is worked is a fact, within its rows as well', () => {
  const spec = slipperSpec()
  const plan = planPiece(spec)
  for (const after of [9, plan.rounds.length - 4]) {
    const { at } = plan.rounds[after - 1]!
    const edge = { radius: at.radius, z: at.z, sd: 1, along: { arc: at.arc, sd: 1 } }
    const again = planPiece(spec, { rounds: plan.rounds.slice(0, after), edge })
    expect(again.rounds.map(({ count, closed }) => [count, closed])).toEqual(
      plan.rounds.map(({ count, closed }) => [count, closed]),
    )
    expect(verify(again.rounds)).toEqual([])
  }
})

test.each([
  [{ foot: 0 }, /too short for a toe/],
  [{ foot: 800 }, /longer than a foot/],
  [{ around: 20 }, /no foot to go over/],
  [{ closed: 0.1 }, /no toe to hold it/],
  [{ open: 0.9 }, /falls off/],
  [{ ease: 0.5 }, /No slipper is so much/],
])('%o is refused in a sentence', (form, message) => {
  expect(() => planPiece(slipperSpec(form))).toThrow(message)
})
