import fc from 'fast-check'
import { writeRound, writeRoundBody } from '../../pattern/writeRound.ts'
import { carryOnPlan } from '../../plan/carryOnPlan.ts'
import { workedRounds } from '../../fit/workedRounds.ts'
import { heelTurn } from '../../plan/heelTurn.ts'
import { planPiece } from '../../plan/planPiece.ts'
import type { Plan } from '../../plan/plan.ts'
import { countOf, stitchesIn } from '../../rounds/round.ts'
import { expandSteps } from '../../rounds/steps.ts'
import { verify } from '../../rounds/verify.ts'
import { waitingAt } from '../../rounds/waiting.ts'
import { zonesOf } from '../../rounds/zone.ts'
import { inStitches, plannedIfAny } from '../../testing/chainSpecs.ts'
import { sockSpec } from '../../testing/rowSpecs.ts'
import { USUAL_RATIO } from '../../testing/specs.ts'
import { sectionsWorked } from '../../plan/sectionWork.ts'
import { runs } from '../../testing/runs.ts'

const rowsOf = ({ rounds }: Pick<Plan, 'rounds'>) => rounds.filter(({ closed }) => !closed)

const anySock = fc
  .record({
    stitch: fc.constantFrom('sc' as const, 'hdc' as const, 'dc' as const),
    w: fc.double({ min: 3, max: 9, noNaN: true }),
    tall: fc.double({ min: 0.9, max: 1.1, noNaN: true }),
    foot: fc.double({ min: 180, max: 320, noNaN: true }),
    around: fc.double({ min: 180, max: 300, noNaN: true }),
    leg: fc.double({ min: 60, max: 300, noNaN: true }),
    heel: fc.constantFrom('full' as const, 'soft' as const),
    cuff: fc.constantFrom('plain' as const, 'ribbed' as const),
  })
  .map(({ stitch, w, tall, ...form }) => {
    const spec = sockSpec(form, { stitch })
    const sections = sectionsWorked(spec.form, stitch, undefined)
    return inStitches({ ...spec, sections }, stitch, w, tall)
  })

test('the heel is told piece by piece: so many over it, so many across the front, and they are the whole round', () => {
  const spec = sockSpec()
  const { rounds } = planPiece(spec)
  const rows = rowsOf({ rounds })
  const over = rounds[rows.at(-1)!.number]!
  expect(zonesOf(over).map(({ zone, count }) => [zone, count])).toEqual([
    ['heel', 23],
    ['front', 16],
  ])
  expect(writeRoundBody(over, 'US')).toBe('23 sc over the heel, 16 sc across the front')
  expect(writeRoundBody(rows[0]!, 'US')).toBe('4 sc, 4 hdc, 7 dc, 4 hdc, 4 sc; 16 wait')
  const write = (number: number) =>
    writeRound(rounds[number - 1]!, { spec, terms: 'US', below: rounds[number - 2], above: rounds[number] })
  expect(write(rows[0]!.number)).toMatchObject({ start: 'ch 1', end: 'turn' })
  expect(write(over.number)).toMatchObject({ start: 'ch 1', end: 'join with sl st in first st' })
  expect(waitingAt(rounds, rows[3]!.number - 1)).toEqual({ stitches: 16, takenUpBy: over })
  expect(waitingAt(rounds, over.number - 1)).toBeUndefined()
})

test('every stitch of the round below the heel is used once, by its panel or by the round after it', () => {
  fc.assert(
    fc.property(anySock, (spec) => {
      const plan = plannedIfAny(spec)
      if (!plan) return
      expect(verify(plan.rounds)).toEqual([])
      const rows = rowsOf(plan)
      const foot = plan.rounds[rows[0]!.number - 2]!
      const over = plan.rounds[rows.at(-1)!.number]!
      expect(rows.length % 2).toBe(0)
      // It ends where it began: the next round goes on the way the last one went.
      expect(over.side).toBe(foot.side)
      expect(rows.at(-1)!.side).not.toBe(foot.side)
      expect(over.count).toBe(foot.count)
      expect(stitchesIn(rows[0]!.hosts) + stitchesIn(rows[0]!.left!)).toBe(foot.count)
      // FIELD §11: 55 to 62% of the stitches.
      expect(rows[0]!.count / foot.count).toBeGreaterThan(0.55 - 0.5 / foot.count)
      expect(rows[0]!.count / foot.count).toBeLessThan(0.62 + 0.5 / foot.count)
      for (const { count } of plan.rounds.filter(({ section }) => section === 'leg')) {
        expect(count).toBe(foot.count)
      }
    }),
    { numRuns: runs(50), endOnFailure: true },
  )
})

test('the leg turns by what the heel adds at the back over its diameter, to a tenth or as near as rows can come', () => {
  fc.assert(
    fc.property(anySock, (spec) => {
      const plan = plannedIfAny(spec)
      if (!plan || spec.form.family !== 'sock') return
      const rows = rowsOf(plan)
      const foot = plan.rounds[rows[0]!.number - 2]!
      // By hand, from what a maker would see: the middle stitch of every row, in heights of the body stitch.
      const middle = rows.map(({ steps }) => {
        const units = expandSteps(steps)
        return (
          (USUAL_RATIO[units[Math.floor(units.length / 2)]!.stitch as 'sc'] ?? 2.9) /
          USUAL_RATIO[spec.stitch as 'sc']
        )
      })
      const back = middle.reduce((sum, ratio) => sum + ratio * spec.gauge.h, 0)
      const across = (foot.count * spec.gauge.w) / Math.PI
      const turn = back / across
      // What the plan says of it is that.
      const said = heelTurn(plan)!
      expect(Math.abs(said.turn / turn - 1)).toBeLessThan(0.1)
      const wanted = spec.form.heel === 'full' ? Math.PI / 2 : Math.PI / 3
      // Rows come in twos.
      const pair = (2 * Math.max(...middle) * spec.gauge.h) / across
      expect(Math.abs(turn - wanted)).toBeLessThan(Math.max(0.1 * wanted, 0.55 * pair))
      // The row is taller in its middle than at its edges, and the same both ways.
      const units = expandSteps(rows[0]!.steps).map(({ stitch }) => stitch)
      expect(units).toEqual(units.toReversed())
      expect(USUAL_RATIO[units[0] as 'sc'] ?? 2.9).toBeLessThanOrEqual(
        USUAL_RATIO[units[Math.floor(units.length / 2)] as 'sc'] ?? 2.9,
      )
    }),
    { numRuns: runs(50), endOnFailure: true },
  )
})

test('the foot is as long as it was asked, heel and all, to a round and what the heel’s rows leave', () => {
  fc.assert(
    fc.property(anySock, (spec) => {
      const plan = plannedIfAny(spec)
      if (!plan || spec.form.family !== 'sock') return
      const rows = rowsOf(plan)
      const { at } = plan.rounds[rows[0]!.number - 2]!
      const wanted = spec.form.heel === 'full' ? Math.PI / 2 : Math.PI / 3
      // From its toe to where the heel begins, and as far as that reaches back behind the ankle.
      const long = at.z + 2 * at.radius * Math.sin(wanted)
      // Of the heel of a foot that is wider than long more is rounded off.
      expect(Math.abs(long - spec.form.foot)).toBeLessThan(1.6 * spec.gauge.h + 0.025 * spec.form.foot)
      const leg = plan.finished.promises.find(({ of }) => of === 'leg')!
      expect(Math.abs(leg.value - spec.form.leg)).toBeLessThan(1.3 * spec.gauge.h + 2)
    }),
    { numRuns: runs(50), endOnFailure: true },
  )
})

test('what is worked is a fact, before, within and after the heel; a stitch off is carried over it', () => {
  const spec = sockSpec()
  const plan = planPiece(spec)
  const rows = rowsOf(plan)
  for (const after of [12, rows[0]!.number + 2, rows.at(-1)!.number, rows.at(-1)!.number + 3]) {
    const { at } = plan.rounds[after - 1]!
    const edge = { radius: at.radius, z: at.z, sd: 1, along: { arc: at.arc, sd: 1 } }
    const again = planPiece(spec, { rounds: plan.rounds.slice(0, after), edge })
    expect(again.rounds.map((round) => writeRoundBody(round, 'US'))).toEqual(
      plan.rounds.map((round) => writeRoundBody(round, 'US')),
    )
    expect(verify(again.rounds)).toEqual([])
    // One stitch more in the last round before the heel.
    const counts = plan.rounds.slice(0, 12).map(({ count }) => count)
    const worked = workedRounds(plan.rounds, [...counts.slice(0, -1), counts.at(-1)! + 1], spec)
    const on = carryOnPlan(spec, plan, worked, { radius: 44, z: 60, sd: 1 })
    expect(verify(on.rounds)).toEqual([])
    expect(countOf(on.rounds.at(-1)!)).toBe(plan.rounds.at(-1)!.count + 1)
    expect(rowsOf(on).map(({ count }) => count)).toEqual(rows.map(({ count }) => count))
  }
})

test('whatever stitches the rows of a heel are of, an even number of them is left once some are worked', () => {
  for (const spec of [
    sockSpec({ heel: 'soft' }),
    sockSpec({ around: 200 }),
    sockSpec({ heel: 'soft', around: 260 }),
  ]) {
    const plan = planPiece(spec)
    const rows = rowsOf(plan)
    for (let done = 1; done < rows.length; done++) {
      const { number, at } = rows[done - 1]!
      // Found a little shorter than it should be, as fabric is.
      const edge = { radius: at.radius, z: at.z, sd: 1, along: { arc: 0.96 * at.arc, sd: 1 } }
      const again = planPiece(spec, { rounds: plan.rounds.slice(0, number), edge })
      expect(rowsOf(again).length % 2).toBe(0)
      expect(verify(again.rounds)).toEqual([])
    }
  }
})

test('an opening is left before or after the heel, never in its rows nor in the round over them', () => {
  const leg = sockSpec({})
  const opening = { section: 'leg', along: 2, at: 0.75, width: 20 }
  const { rounds } = planPiece({ ...leg, constraints: { openings: [opening] } })
  const slit = rounds.find(({ steps }) =>
    steps.some(({ ops }) => ops.some(({ manner }) => manner === 'slit')),
  )!
  expect(slit.section).toBe('leg')
  expect(zonesOf(slit)).toEqual([])
  expect(slit.number).toBe(rowsOf({ rounds }).at(-1)!.number + 2)
  expect(() => planPiece({ ...leg, constraints: { openings: [{ ...opening, section: 'heel' }] } })).toThrow(
    /leave no opening/,
  )
})

test.each([
  [{ foot: 0 }, /too short for a toe and a heel/],
  [{ foot: 900 }, /longer than a foot/],
  [{ around: 10 }, /no foot to go over/],
  [{ ease: 0.9 }, /No sock is so much smaller/],
  [{ leg: 5 }, /under 2 rounds/],
  [{ leg: 50, cuff: 'ribbed' as const, cuffHeight: 48 }, /and the cuff/],
])('%o is refused in a sentence', (form, message) => {
  expect(() => planPiece(sockSpec(form))).toThrow(message)
})
