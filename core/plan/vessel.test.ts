import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { diagnose } from '../fit/diagnose.ts'
import { learnFromPiece } from '../fit/learnFromPiece.ts'
import type { PieceReading } from '../fit/pieceReading.ts'
import { repairCount } from '../fit/repairCount.ts'
import { waysOut } from '../fit/waysOut.ts'
import { familyOf } from '../forms/registry.ts'
import { writeRoundBody } from '../pattern/writeRound.ts'
import { loopsBelow } from '../rounds/round.ts'
import { verify } from '../rounds/verify.ts'
import { vesselSpec } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import { whatIsAhead } from '../worklog/whatIsAhead.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { sizesOf } from './wantedAround.ts'
import { runs } from '../testing/runs.ts'

const inSection = ({ rounds }: Plan, id: string) => rounds.filter(({ section }) => section === id)
const promised = ({ finished }: Plan, of: string) => finished.promises.find((one) => one.of === of)!.value
/** Yarn of the specs is 2.5 mm thick, and sc fabric 1.8 times as much. */
const THICK = 4.5

const anyVessel = fc
  .record({
    base: fc.double({ min: 90, max: 420, noNaN: true }),
    height: fc.double({ min: 60, max: 260, noNaN: true }),
    lean: fc.oneof(fc.constant(0), fc.double({ min: -0.35, max: 0.5, noNaN: true })),
    of: fc.constantFrom('outside' as const, 'inside' as const),
    edge: fc.constantFrom('crisp' as const, 'rounded' as const, 'lip' as const),
    w: fc.double({ min: 4, max: 11, noNaN: true }),
    ratio: fc.double({ min: 0.92, max: 1.03, noNaN: true }),
    rhythm: fc.constantFrom(0, 0.5),
  })
  .map(({ w, ratio, rhythm, ...form }): PieceSpec => {
    const spec = vesselSpec(form, { rhythm })
    return { ...spec, gauge: { ...spec.gauge, w: mm(w), h: mm(w * 0.955 * ratio) } }
  })

test('a vessel is as wide and as high as asked, its wall the frustum of a cone, all in whole stitches', () => {
  fc.assert(
    fc.property(anyVessel, (spec) => {
      if (spec.form.family !== 'vessel') return
      const { base, of, height, lean } = spec.form
      const { w, h } = spec.gauge
      const plan = planPiece(spec)
      expect(verify(plan.rounds)).toEqual([])
      const wall = inSection(plan, 'wall')
      // By hand: the middle of the fabric lies half its thickness inside of the outside, or outside of the inside.
      const foot = (base + (of === 'inside' ? THICK : -THICK)) / 2
      const rise = Math.hypot(height - THICK / 2, (lean * base) / 2)
      wall.forEach(({ count, at }, index) => {
        const along = Math.min(1, ((index + 1) * h) / rise)
        const ideal = (2 * Math.PI * (foot + (along * lean * base) / 2)) / w
        // Half a stitch, and what rhythm may cost; a crisp edge keeps the count that the base came to.
        const steep = (Math.PI * Math.abs(lean * base)) / w / wall.length
        if (index > 0) expect(Math.abs(count - ideal)).toBeLessThanOrEqual(1.5 + steep + 0.035 * ideal)
        // Where `lay` puts it, its stitches are as wide as they are, once the turn is behind;
        // where counts step, neighbours pull one another by half a step.
        if (index > 4) {
          const off = Math.abs(2 * Math.PI * at.radius - count * w)
          expect(off).toBeLessThan(Math.max(0.02 * count, 0.6, 0.5 * steep) * w)
        }
      })
      // As high as whole rounds let it, or it says by how much not.
      const missed = Math.abs(promised(plan, 'height') - height)
      const said = plan.notices.some(({ code }) => code === 'sizeMissed')
      expect(said || missed <= 0.75 * h + 0.01 * height).toBe(true)
    }),
    { numRuns: runs(60), endOnFailure: true },
  )
})

test('a round into the back loops turns at once, and the wall goes up even; without it the base turns over', () => {
  const tilt = (plan: Plan, index: number) => {
    const [below, at] = [plan.rounds[index - 1]!.at, plan.rounds[index]!.at]
    return (Math.asin(Math.min(1, (at.z - below.z) / (at.arc - below.arc))) * 180) / Math.PI
  }
  const [crisp, rounded] = [planPiece(vesselSpec({})), planPiece(vesselSpec({ edge: 'rounded' }))]
  const first = (plan: Plan) => plan.rounds.findIndex(({ section }) => section === 'wall')
  const [base, wall] = [inSection(crisp, 'base'), inSection(crisp, 'wall')]
  expect(new Set(wall.map(({ count }) => count))).toEqual(new Set([base.at(-1)!.count]))
  expect(loopsBelow(crisp.rounds[first(crisp)]!)).toBe('back')
  expect(tilt(crisp, first(crisp))).toBeGreaterThan(80)
  expect(tilt(crisp, first(crisp) - 1)).toBeLessThan(10)
  expect(loopsBelow(rounded.rounds[first(rounded)]!)).not.toBe('back')
  expect(tilt(rounded, first(rounded))).toBeLessThan(75)
  expect(tilt(rounded, first(rounded) + 3)).toBeGreaterThan(80)
})

test('measured inside it is two thicknesses wider than measured outside', () => {
  const around = (of: 'inside' | 'outside') => {
    const spec = vesselSpec({ of, base: 300 }, { rhythm: 0 })
    return inSection(planPiece(spec), 'wall').at(-1)!.count * spec.gauge.w
  }
  expect(Math.abs(around('inside') - around('outside') - 2 * Math.PI * THICK)).toBeLessThanOrEqual(7.6)
})

test('in work a base is measured flat, whatever its wall will make of it', () => {
  for (const edge of ['crisp', 'rounded'] as const) {
    const plan = planPiece(vesselSpec({ edge }))
    const last = inSection(plan, 'base').at(-1)!
    const flat = { ...last.asEdge }
    expect(Math.abs(flat.radius / (last.number * 7.6 * 0.955) - 1)).toBeLessThan(0.03)
    const turn = plan.checkpoints.find(({ afterRound }) => afterRound === last.number)!
    expect(turn.promises).toEqual([expect.objectContaining({ of: 'across', value: 2 * flat.radius })])
  }
})

const reading = (
  afterRound: number,
  seen: readonly (readonly [PieceReading['seen'][number]['of'], number])[],
): PieceReading => ({
  id: 'r',
  copyId: 'c',
  at: 1,
  planVersion: 1,
  afterRound,
  seen: seen.map(([of, value]) => ({ of, at: afterRound, values: [value] })),
})

/** A maker whose stitches are all so much smaller or larger: a basket of plain rounds, summed by hand. */
describe.each([0.95, 1.06])('a maker whose stitches are %s of the gauge', (hands) => {
  const spec = vesselSpec({ height: 300 }, { tolerance: mm(4) })
  const plan = planPiece(spec)
  const real = (some: Plan) => {
    const wall = inSection(some, 'wall')
    const tall = { hdc: 1.33, slst: 0.37 } as Partial<Record<string, number>>
    return {
      around: wall.at(-1)!.count * spec.gauge.w * hands + Math.PI * THICK,
      height: wall.reduce((sum, { stitch }) => sum + hands * spec.gauge.h * (tall[stitch] ?? 1), THICK / 2),
    }
  }
  const wanted = { around: Math.PI * 240, height: 300 }
  const replanAfter = (afterRound: number, seen: Parameters<typeof reading>[1]) => {
    const rounds = plan.rounds.slice(0, afterRound)
    const diagnosis = diagnose({ spec, rounds, readings: [reading(afterRound, seen)] })
    expect(diagnosis.causes[0]!.kind).toBe('hands')
    expect(diagnosis.hands).toBe(hands < 1 ? 'tight' : 'loose')
    const { ways } = waysOut({ spec, hook: 5, plan, afterRound, diagnosis })
    const replanned = ways.find(({ kind }) => kind === 'replan')!.plan
    expect(verify(replanned.rounds)).toEqual([])
    return replanned
  }
  const better = (replanned: Plan, of: keyof typeof wanted, share: number) => {
    const before = Math.abs(real(plan)[of] - wanted[of])
    expect(Math.abs(real(replanned)[of] - wanted[of])).toBeLessThan(
      Math.max(before / share, 0.75 * spec.gauge.h),
    )
  }

  test('finds the base small or large, and goes on to a wall as wide and as high as asked', () => {
    const replanned = replanAfter(10, [['across', 2 * plan.rounds[9]!.at.radius * hands]])
    better(replanned, 'around', 2)
    better(replanned, 'height', 3)
  })

  test('measured around and up, the rest of the wall is as high as asked, and learns the gauge', () => {
    const afterRound = inSection(plan, 'base').length + 10
    const up = 10 * spec.gauge.h * hands + THICK / 2
    const count = plan.rounds[afterRound - 1]!.count
    const around = count * spec.gauge.w * hands + Math.PI * THICK
    better(
      replanAfter(afterRound, [
        ['around', around],
        ['height', up],
      ]),
      'height',
      3,
    )
    const learned = learnFromPiece(
      reading(plan.rounds.length, [
        ['around', real(plan).around],
        ['height', real(plan).height],
      ]),
      plan,
      spec,
      'Basket',
    )
    if (learned?.kind !== 'marks') throw new Error('marks are what a wall tells')
    expect(learned.along!.over / learned.along!.count / spec.gauge.w).toBeCloseTo(hands, 2)
    expect(learned.out!.over / learned.out!.count / spec.gauge.h).toBeCloseTo(hands, 2)
  })
})

test('wishes that no vessel can fulfil get a sentence that says what would do', () => {
  const refused = (form: Parameters<typeof vesselSpec>[0]) => {
    try {
      planPiece(vesselSpec(form))
    } catch (error) {
      if (error instanceof SpecError) return [error.path, error.valid]
    }
    return []
  }
  expect(refused({ base: 2 })).toEqual(['form.base', expect.stringContaining('At least')])
  expect(refused({ base: 5000 })).toEqual(['form.base', expect.stringContaining('Up to')])
  expect(refused({ height: 2 })).toEqual(['form.height', expect.stringContaining('At least')])
  expect(refused({ height: 5000 })).toEqual(['form.height', expect.stringContaining('Up to')])
  expect(refused({ lean: 9 })[0]).toBe('form.lean')
  // Its mouth would be closed.
  expect(refused({ base: 60, lean: -0.6 })[0]).toBe('form.base')
})

test('a lip stands out from the front loops; the wall goes up behind it, as high and as wide as without', () => {
  const lip = vesselSpec({ edge: 'lip' })
  const plan = planPiece(lip)
  const crisp = planPiece(vesselSpec({ edge: 'crisp' }))
  const at = plan.rounds.findIndex(({ section }) => section === 'lip')
  const [base, round, wall] = [plan.rounds[at - 1]!, plan.rounds[at]!, plan.rounds[at + 1]!]
  expect(verify(plan.rounds)).toEqual([])
  expect([loopsBelow(round), loopsBelow(wall)]).toEqual(['front', 'back'])
  expect([wall.hosts[0]!.of, wall.into]).toEqual([
    { kind: 'top', round: base.id, loops: 'back' },
    base.number,
  ])
  expect([round.count, wall.count]).toEqual([base.count, base.count])
  expect(writeRoundBody(wall, 'US')).toBe(`sc in back loop of each st of Rnd ${base.number}`)
  expect(plan.rounds).toHaveLength(crisp.rounds.length + 1)
  for (const [index, { of, value }] of plan.finished.promises.entries()) {
    expect(of).toBe(crisp.finished.promises[index]!.of)
    expect(Math.abs(value - crisp.finished.promises[index]!.value)).toBeLessThan(2.5)
  }
  expect(whatIsAhead(plan.rounds, at)).toMatchObject({ section: 'wall', behind: base.number })
  // Planned on from the base, from the lip and from the wall it keeps its lip, and one only.
  for (const last of [at - 1, at, at + 1, at + 4]) {
    const { radius, z, arc } = plan.rounds[last - 1]!.at
    const edge = { radius, z, sd: 1, along: { arc, sd: 1 } }
    const again = planPiece(lip, { rounds: plan.rounds.slice(0, last), edge })
    expect(again.rounds.filter(({ section }) => section === 'lip')).toHaveLength(1)
    expect(again.rounds[at + 1]!.into).toBe(base.number)
    expect(verify(again.rounds)).toEqual([])
  }
  // Another count in the lip changes nothing that stands on it.
  expect(repairCount(lip, plan, round.number, round.count + 1)).toMatchObject({ advice: 'carryOn' })
})

test('what a basket holds is drawn against the inside of its fabric, its rim over the wall', () => {
  const spec = vesselSpec({ of: 'inside', lean: 0.2 })
  const { form } = spec
  const pot = familyOf(form).drawnAs!(form, sizesOf(spec))
  const wall = inSection(planPiece({ ...spec, rhythm: 0 }), 'wall')
  // Half a thickness inside the middle of the fabric, at its foot and at its mouth.
  expect(pot[0]).toEqual({ r: 120, z: THICK / 2 })
  expect(Math.abs(pot[1]!.r - (wall.at(-1)!.at.radius - THICK / 2))).toBeLessThan(3)
  expect(pot[1]!.z).toBeGreaterThan(wall.at(-1)!.at.z)
  const outside = vesselSpec({ of: 'outside' })
  expect(familyOf(form).drawnAs!(outside.form, sizesOf(outside))).toEqual([])
})
