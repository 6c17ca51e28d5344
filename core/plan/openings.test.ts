import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { carryOnPlan } from './carryOnPlan.ts'
import { writeRoundBody } from '../pattern/writeRound.ts'
import { countOf } from '../rounds/round.ts'
import { expandSteps } from '../rounds/steps.ts'
import { verify } from '../rounds/verify.ts'
import { discSpec, tubeSpec, vesselSpec } from '../testing/specs.ts'
import { whatIsAhead } from '../worklog/whatIsAhead.ts'
import { pin, unpin } from './pinnedPlan.ts'
import { openingFit } from './openings.ts'
import type { Opening, PieceSpec, Plan, PlannedRound } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { runs } from '../testing/runs.ts'

const withOpening = (spec: PieceSpec, ...openings: Opening[]): PieceSpec => ({
  ...spec,
  constraints: { ...spec.constraints, openings },
})
const slitted = ({ rounds }: Plan): PlannedRound[] =>
  rounds.filter(({ steps }) => expandSteps(steps).some(({ manner }) => manner === 'slit'))
const slit = ({ steps }: PlannedRound) => {
  const units = expandSteps(steps)
  const index = units.findIndex(({ manner }) => manner === 'slit')
  const before = units.slice(0, index).reduce((sum, { makes }) => sum + makes, 0)
  return { chains: units[index]!.makes, before }
}

test('an opening lies where it is wanted, as wide as its chains, and changes no count', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 120, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 5, max: 200, noNaN: true }),
      (along, at, width) => {
        const plain = vesselSpec({ base: 240, height: 160 })
        const spec = withOpening(plain, { section: 'wall', along, at, width })
        const plan = planPiece(spec)
        expect(verify(plan.rounds)).toEqual([])
        expect(plan.rounds.map(({ count }) => count)).toEqual(
          planPiece(plain).rounds.map(({ count }) => count),
        )
        const [round, ...others] = slitted(plan)
        expect(others).toEqual([])
        const foot = plan.rounds.findLast(({ section }) => section === 'base')!.at.arc
        expect(Math.abs(round!.at.arc - foot - along)).toBeLessThanOrEqual(0.55 * spec.gauge.h)
        const { chains, before } = slit(round!)
        expect(Math.abs(chains * spec.gauge.w - width)).toBeLessThanOrEqual(
          Math.max(spec.gauge.w / 2, spec.gauge.w - width) + 1e-9,
        )
        // Its middle is where it was wanted, unless the join is there.
        const middle = (before + chains / 2) / round!.count
        const clear = (chains / 2 + 1.5) / round!.count
        if (at > clear && at < 1 - clear) expect(Math.abs(middle - at)).toBeLessThanOrEqual(1 / round!.count)
        expect(before).toBeGreaterThan(0)
        expect(before + chains).toBeLessThan(round!.count)
      },
    ),
    { numRuns: runs(80) },
  )
})

test('what stands on its chains is plain, and so told to the maker', () => {
  const spec = withOpening(
    {
      ...tubeSpec({ girth: 300, length: 150 }, { stitch: 'dc' }),
      sections: { wall: { texture: { kind: 'rib', over: 1 } } },
    },
    { section: 'wall', along: 60, at: 0.5, width: 50 },
  )
  const plan = planPiece(spec)
  const [round] = slitted(plan)
  const above = plan.rounds[round!.number]!
  const { chains, before } = slit(round!)
  const units = expandSteps(above.steps)
  units.forEach(({ manner }, index) => {
    expect(manner === undefined).toBe(index >= before && index < before + chains)
  })
  expect(writeRoundBody(round!, 'US')).toContain(`ch ${chains} over ${chains} skipped sts`)
  expect(writeRoundBody(round!, 'UK')).toContain('missed')
  expect(whatIsAhead(plan.rounds, round!.number - 2)).toMatchObject({ rounds: 1, opening: chains })
  expect(whatIsAhead(plan.rounds, round!.number - 1)).toMatchObject({ rounds: 1, overOpening: chains })
  expect(slitted(unpin(spec, pin(plan)))).toHaveLength(1)
})

test('in a growing base its round has no increases, and the others take them over', () => {
  const spec = withOpening(discSpec(220), { section: 'flat', along: 60, at: 0.25, width: 30 })
  const plan = planPiece(spec)
  const [round] = slitted(plan)
  expect(round!.count).toBe(round!.from)
  expect(plan.rounds.at(-1)!.count).toBe(planPiece(discSpec(220)).rounds.at(-1)!.count)
})

test('worked rounds keep their opening, and a plan carried on with another count keeps it too', () => {
  const spec = withOpening(vesselSpec({ base: 200, height: 140 }), {
    section: 'wall',
    along: 80,
    at: 0.5,
    width: 60,
  })
  const plan = planPiece(spec)
  const [round] = slitted(plan)
  const upTo = (last: number) => ({
    rounds: plan.rounds.slice(0, last),
    edge: {
      radius: plan.rounds[last - 1]!.at.radius,
      z: plan.rounds[last - 1]!.at.z,
      sd: 1,
      along: { arc: plan.rounds[last - 1]!.at.arc, sd: 1 },
    },
  })
  for (const last of [round!.number - 4, round!.number - 1, round!.number, round!.number + 3]) {
    const again = planPiece(spec, upTo(last))
    expect(slitted(again).map(({ number }) => number)).toEqual([round!.number])
  }
  // Found shorter or longer than it was to be, and wherever between two rounds it was wanted: one, and not lost.
  for (let along = 60; along <= 90; along += 6) {
    const asked = withOpening(vesselSpec({ base: 200, height: 140 }), {
      section: 'wall',
      along,
      at: 0.5,
      width: 60,
    })
    const all = planPiece(asked).rounds
    for (const last of all.slice(12, -2).map(({ number }) => number)) {
      const { radius, z, arc } = all[last - 1]!.at
      for (const by of [0.93, 1, 1.07]) {
        const edge = { radius, z: z * by, sd: 1, along: { arc: arc * by, sd: 1 } }
        expect(slitted(planPiece(asked, { rounds: all.slice(0, last), edge }))).toHaveLength(1)
      }
    }
  }
  const { rounds, edge } = upTo(round!.number - 3)
  const last = rounds.at(-1)!
  const off = [
    ...rounds.slice(0, -1),
    {
      ...last,
      steps: [...last.steps, { times: 1, ops: [{ stitch: 'sc' as const, uses: 0, makes: 1, times: 1 }] }],
    },
  ]
  expect(countOf(off.at(-1)!)).toBe(last.count + 1)
  const carried = carryOnPlan(spec, plan, off, edge)
  expect(slitted(carried).map(({ number, count }) => [number, count])).toEqual([
    [round!.number, round!.count + 1],
  ])
  expect(verify(carried.rounds).filter(({ at }) => at >= rounds.length)).toEqual([])
})

test('what cannot be left open is refused with what could', () => {
  const refused = (opening: Opening, ...more: Opening[]) => {
    try {
      planPiece(withOpening(vesselSpec({ base: 200, height: 140 }), opening, ...more))
    } catch (error) {
      if (error instanceof SpecError) return [error.path, error.message]
    }
    throw new Error('it was planned')
  }
  const opening: Opening = { section: 'wall', along: 70, at: 0.5, width: 60 }
  expect(refused({ ...opening, section: 'crown' })[1]).toContain('has not')
  expect(refused({ ...opening, along: 900 })[1]).toContain('beyond')
  expect(refused({ ...opening, width: 600 })[1]).toContain('too little')
  expect(refused({ ...opening, width: 0 })[0]).toBe('constraints.openings')
  expect(refused(opening, { ...opening, at: 0.52 })[1]).toContain('meet')
})

test('what must pass is held against the opening: its chains and as many stitches around, and a tenth of stretch', () => {
  const spec = vesselSpec({ base: 200, height: 140 })
  const fitOf = (width: number, passes?: number) =>
    openingFit(spec, {
      section: 'base',
      along: 40,
      at: 0.5,
      width,
      ...(passes === undefined ? {} : { passes }),
    })
  // By hand: 5 chains of 7.6 mm over 5 stitches are 76 mm around.
  expect(fitOf(40)).toBeUndefined()
  expect(fitOf(40, 70)).toMatchObject({ passes: true, around: 76 })
  expect(fitOf(40, 70)!.stretch).toBeLessThan(0)
  expect(fitOf(40, 80)).toMatchObject({ passes: true })
  expect(fitOf(40, 90)).toMatchObject({ passes: false })
  fc.assert(
    fc.property(
      fc.double({ min: 8, max: 80, noNaN: true }),
      fc.double({ min: 16, max: 300, noNaN: true }),
      (width, girth) => {
        const { least, passes } = fitOf(width, girth)!
        // As wide as it says, it passes without stretching; a stitch narrower it would not.
        expect(fitOf(least, girth)!.stretch).toBeLessThanOrEqual(1e-9)
        expect(fitOf(least - spec.gauge.w, girth)?.stretch ?? 1).toBeGreaterThan(0)
        const told = planPiece(
          withOpening(spec, { section: 'base', along: 40, at: 0.5, width, passes: girth }),
        ).notices
        expect(told.some(({ code }) => code === 'openingTight')).toBe(!passes)
      },
    ),
    { numRuns: runs(60), endOnFailure: true },
  )
})
