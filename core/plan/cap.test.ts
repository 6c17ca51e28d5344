import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { attempt } from '../errors/attempt.ts'
import { diagnose } from '../fit/diagnose.ts'
import type { PieceReading } from '../fit/pieceReading.ts'
import { waysOut } from '../fit/waysOut.ts'
import { verify } from '../rounds/verify.ts'
import { loopsBelow } from '../rounds/round.ts'
import { usualSizesOf } from '../forms/usualSizes.ts'
import { capSpec, discSpec } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { pin, unpin } from './pinnedPlan.ts'
import { planPiece } from './planPiece.ts'
import { wallFit } from './wallFit.ts'
import { among, runs } from '../testing/runs.ts'

const counts = ({ rounds }: Plan) => rounds.map(({ count }) => count)
const inSection = ({ rounds }: Plan, id: string) => rounds.filter(({ section }) => section === id)
const promised = ({ finished }: Plan, of: string) => finished.promises.find((one) => one.of === of)!.value

const anyCap = fc
  .record({
    head: fc.double({ min: 320, max: 660, noNaN: true }),
    ease: fc.double({ min: -0.03, max: 0.12, noNaN: true }),
    crown: fc.constantFrom('rounded' as const, 'flat' as const, 'dome' as const, 'tall' as const),
    brim: fc.constantFrom(
      'plain' as const,
      'tightened' as const,
      'ribbed' as const,
      'folded' as const,
      'flared' as const,
      'earFlaps' as const,
    ),
    w: fc.double({ min: 3, max: 12, noNaN: true }),
    stitch: fc.constantFrom('sc' as const, 'hdc' as const, 'dc' as const),
    ratio: fc.double({ min: 0.9, max: 1.1, noNaN: true }),
    rhythm: fc.constantFrom(0, 0.5),
  })
  .map(({ w, stitch, ratio, rhythm, ...form }): PieceSpec => {
    const usual = { sc: 0.955, hdc: 1.27, dc: 1.91 }[stitch]
    const spec = capSpec({ ...form, depth: 0.42 * form.head }, { stitch, rhythm })
    return { ...spec, gauge: { ...spec.gauge, w: mm(w), h: mm(w * usual * ratio) } }
  })

test('a cap of any head has its girth in stitches, and comes as deep as whole rounds let it', () => {
  let taken = 0
  fc.assert(
    fc.property(anyCap, (spec) => {
      if (spec.form.family !== 'cap') return
      const { head, ease, depth, brim } = spec.form
      const planned = attempt(() => planPiece(spec))
      // Tall stitches on a small head: a crown and two rounds are deeper than the head.
      if (!planned.ok) return expect(planned.path).toBe('form.depth')
      taken++
      const plan = planned.value
      const { w, h } = spec.gauge
      const girth = head * (1 - ease)
      expect(verify(plan.rounds)).toEqual([])
      // By hand: N = girth / w, to half a stitch and what rhythm may cost: the wall goes on from the crown's last repeat.
      for (const { count } of inSection(plan, 'wall')) {
        expect(Math.abs(count - girth / w)).toBeLessThanOrEqual(
          0.5 + (spec.rhythm > 0 ? 0.035 : 0.02) * (girth / w),
        )
      }
      const brimmed = inSection(plan, 'brim')
      expect(brimmed.length > 0).toBe(brim !== 'plain' && brim !== 'earFlaps')
      const share = { plain: 1, tightened: 0.95, ribbed: 0.95, folded: 0.95, flared: 1.3, earFlaps: 1 }[brim]
      for (const { count } of brimmed) {
        const repeat = brim === 'ribbed' || brim === 'folded' ? 2 : 1
        // One step to a flare is uniform where it can be; from × 1.25 to × 1.5 it flares.
        const near = brim === 'flared' ? 0.05 : 0.035
        expect(Math.abs(count / ((girth / w) * share) - 1)).toBeLessThan(near + (repeat * w) / 2 / girth)
      }
      const folded = brim === 'folded' ? spec.form.brimHeight : 0
      // The last rounds of a rib are as high as its stitch is there.
      const last =
        brim === 'ribbed' || brim === 'folded' ? plan.rounds.at(-1)!.at.arc - plan.rounds.at(-2)!.at.arc : h
      expect(Math.abs(promised(plan, 'depth') - depth - folded)).toBeLessThanOrEqual(last / 2 + 1e-6)
      // What goes round the head lies as its stitches make it, within 2%.
      if (brim === 'flared') return
      const { count, section } = plan.rounds.findLast(({ closed }) => closed)!
      const relaxed = spec.sections?.[section]?.texture ? 0.8 : 1
      expect(Math.abs(promised(plan, 'width') / ((count * w * relaxed) / 2) - 1)).toBeLessThan(
        // A short rib swings in a little past its own girth, where the wide wall ends.
        relaxed < 1 ? 0.035 : 0.02,
      )
    }),
    { numRuns: runs(120), endOnFailure: true },
  )
  expect(taken).toBeGreaterThan(among(90))
})

test('known to every maker: in dc of medium yarn an adult’s cap is 72 stitches after six rounds of 12', () => {
  // 14 dc in 10 cm are 7.14 mm; an adult head of 56 cm less 6%, and dc half as wide again as they are tall.
  const spec = capSpec({ head: 560, ease: 0.08, depth: 210, crown: 'flat' }, { stitch: 'dc' })
  const plan = planPiece({ ...spec, gauge: { ...spec.gauge, w: mm(7.15), h: mm(7.15 * 1.91) } })
  expect(counts(plan).slice(0, 8)).toEqual([12, 24, 36, 48, 60, 72, 72, 72])
  const crown = inSection(plan, 'crown').at(-1)!
  expect(2 * crown.at.radius).toBeGreaterThan(155)
  expect(2 * crown.at.radius).toBeLessThan(190)
})

test('a rounded crown has an even round between the last that widen; a flat one has none', () => {
  const widens = (crown: 'rounded' | 'flat') => {
    const rounds = inSection(planPiece(capSpec({ crown })), 'crown')
    return rounds.slice(1).map(({ count, from }) => count > from)
  }
  const flat = widens('flat')
  expect(flat.every(Boolean)).toBe(true)
  const rounded = widens('rounded')
  const firstEven = rounded.indexOf(false)
  expect(firstEven).toBeGreaterThan(4)
  rounded.slice(firstEven).forEach((wider, index) => expect(wider).toBe(index % 2 === 1))
  expect(rounded.length).toBeGreaterThan(flat.length)
})

test('a dome follows its ball: the perimeter of a round is that of a sphere so far along it', () => {
  const spec = capSpec({ crown: 'dome', ease: 0 }, { rhythm: 0 })
  const { rounds } = planPiece(spec)
  const ball = 570 / (2 * Math.PI)
  for (const { section, number, ideal, count, at } of rounds.filter((one) => one.section === 'crown')) {
    expect(section).toBe('crown')
    const along = Math.min((Math.PI / 2) * ball, number * spec.gauge.h)
    expect(ideal * spec.gauge.w).toBeCloseTo(2 * Math.PI * ball * Math.sin(along / ball), 6)
    expect(Math.abs(count - ideal)).toBeLessThanOrEqual(1)
    // Where it lies, against the sphere: radius and height within 2 mm and 6 mm, the knot of its middle with it.
    if (number > 4) {
      expect(Math.abs(at.radius - ball * Math.sin(along / ball))).toBeLessThan(3)
      expect(Math.abs(at.z - ball * (1 - Math.cos(along / ball)))).toBeLessThan(9)
    }
  }
})

test('the crown is measured across, what goes round the head by its width and its depth', () => {
  const { checkpoints, rounds, finished } = planPiece(capSpec({}))
  for (const { afterRound, promises } of checkpoints) {
    const crown = rounds[afterRound - 1]!.section === 'crown'
    expect(promises.map(({ of }) => of)).toEqual(crown ? ['across'] : ['depth', 'width'])
  }
  expect(finished.lie).toBeUndefined()
  expect(checkpoints.length).toBeGreaterThan(2)
})

test('sections keep their own fabric: a brim on a finer hook is as wide as its stitches, and takes its own yarn', () => {
  const plain = capSpec({ brim: 'tightened' })
  const { gauge } = plain
  const fine = { ...gauge, w: mm(6.6), h: mm(6.3), strands: 2, yarnDiameter: mm(3.5) }
  const ribbed: PieceSpec = { ...plain, sections: { brim: { gauge: fine }, wall: { loops: 'back' } } }
  const [before, after] = [planPiece(plain), planPiece(ribbed)]
  expect(inSection(after, 'crown').map(({ count }) => count)).toEqual(
    inSection(before, 'crown').map(({ count }) => count),
  )
  // 570 less 3% and the brim's 5%, over 6.6 mm: more stitches for the same girth.
  const girth = 570 * 0.97 * 0.95
  for (const { count } of inSection(after, 'brim')) expect(Math.abs(count - girth / 6.6)).toBeLessThan(2.5)
  expect(promised(after, 'width')).toBeCloseTo(promised(before, 'width'), -1)
  for (const round of inSection(after, 'wall')) expect(loopsBelow(round)).toBe('back')
  for (const round of inSection(after, 'crown')) expect(loopsBelow(round)).toBeUndefined()
  // Kept and read back it is the same plan: the spec has the fabric of each section.
  expect(unpin(ribbed, pin(after))).toEqual(after)
  // Two strands of finer stitches take about twice the metres of their rounds.
  const metres = (plan: Plan) => plan.yarn[0]!.metres
  expect(metres(after)).toBeGreaterThan(metres(before) * 1.05)
})

test('the wall goes on even from the crown: what has grown is not taken back, nor added to, where it turns', () => {
  for (const head of [300, 380, 445, 500, 560, 575, 620, 700]) {
    for (const crown of ['flat', 'rounded', 'dome'] as const) {
      const plan = planPiece(capSpec({ head, crown, ease: 0.04 }))
      const [grown, wall] = [inSection(plan, 'crown'), inSection(plan, 'wall')]
      expect(new Set(wall.map(({ count }) => count))).toEqual(new Set([grown.at(-1)!.count]))
      expect(Math.abs(wall[0]!.count * 7.6 - head * 0.96)).toBeLessThan(2 * 7.6)
    }
  }
})

test.each(usualSizesOf('cap').map(({ key, lengths }) => [key, lengths as Record<string, number>] as const))(
  'the usual size of a head (%s) can be worked with every crown, and comes out as deep',
  (_, { head, depth }) => {
    for (const crown of ['flat', 'rounded', 'dome'] as const) {
      const plan = planPiece(capSpec({ head: head!, depth: depth!, crown }))
      expect(Math.abs(promised(plan, 'depth') - depth!)).toBeLessThanOrEqual(0.5 * 7.6 * 0.955 + 1e-6)
      // FIELD §6: the crown is as wide as the finished girth over π before it is worked even.
      const widest = inSection(plan, 'crown').at(-1)!
      expect(Math.abs((widest.count * 7.6) / (head! * 0.97) - 1)).toBeLessThan(0.04)
    }
  },
)

test('a tall crown grows by four a round from a point, a cone whose slope is that of its stitches', () => {
  const plan = planPiece(capSpec({ crown: 'tall', depth: 230 }, { rhythm: 0 }))
  const crown = inSection(plan, 'crown')
  expect(crown[0]!.count).toBe(6)
  for (const { count, number } of crown) expect(Math.abs(count - (2 + 4 * number))).toBeLessThanOrEqual(3)
  // FIELD §11: the sine of its slope is d · w / 2πh.
  const [low, high] = [crown[4]!, crown[12]!]
  const out = (high.at.radius - low.at.radius) / (high.at.arc - low.at.arc)
  expect(out).toBeCloseTo((4 * 7.6) / (2 * Math.PI * 7.6 * 0.955), 1)
})

test('a flared brim stands out, and the cap is as tight as it was above it', () => {
  const flared = planPiece(capSpec({ brim: 'flared' }))
  const rise = (plan: Plan) => {
    const [edge, wall] = [plan.rounds.at(-1)!.at, inSection(plan, 'wall').at(-1)!.at]
    return [edge.radius - wall.radius, Math.abs(edge.z - wall.z)] as const
  }
  const [out, down] = rise(flared)
  expect(out).toBeGreaterThan(down)
  const fit = wallFit(capSpec({ brim: 'flared' }), flared)
  expect(Math.abs(fit.middle / (570 * 0.97) - 1)).toBeLessThan(0.03)
  expect(flared.finished.promises.map(({ of }) => of)).toEqual(['depth'])
})

test('in one stitch for the crown and another for the wall, each has the rounds that its own height needs', () => {
  const plan = planPiece(capSpec({ crown: 'flat' }, { sections: { wall: { stitch: 'dc' } } }))
  const [crown, wall] = [inSection(plan, 'crown'), inSection(plan, 'wall')]
  expect(new Set(crown.map(({ stitch }) => stitch))).toEqual(new Set(['sc']))
  expect(wall[0]!.stitch).toBe('dc')
  const radius = (570 * 0.97) / (2 * Math.PI)
  expect(Math.abs(crown.length - radius / (7.6 * 0.955))).toBeLessThanOrEqual(0.5)
  expect(Math.abs(promised(plan, 'depth') - 220)).toBeLessThan(7.6 * 1.91)
})

const reading = (
  afterRound: number,
  seen: readonly [PieceReading['seen'][number]['of'], number][],
): PieceReading => ({
  id: 'r',
  copyId: 'c',
  at: 1,
  planVersion: 1,
  afterRound,
  seen: seen.map(([of, value]) => ({ of, at: afterRound, values: [value] })),
})

/** A maker whose stitches are all so much smaller or larger: what a tape finds, and what comes of going on. */
describe.each([0.95, 1.06])('a maker whose stitches are %s of the gauge', (hands) => {
  const spec = capSpec({ crown: 'flat' }, { tolerance: mm(4) })
  const plan = planPiece(spec)
  const real = (some: Plan) => {
    const last = some.rounds.at(-1)!
    const depth = some.rounds.reduce(
      (sum, { stitch }) =>
        sum + hands * spec.gauge.h * (stitch === 'hdc' ? 1.33 : stitch === 'slst' ? 0.37 : 1),
      0,
    )
    return { width: (last.count * spec.gauge.w * hands) / 2, depth }
  }
  const wanted = { width: (570 * 0.97) / 2, depth: 220 }

  test('finds the crown small or large, and the rest made by their own stitches comes out as asked', () => {
    const afterRound = 10
    const across = 2 * plan.rounds[afterRound - 1]!.at.radius * hands
    const rounds = plan.rounds.slice(0, afterRound)
    const diagnosis = diagnose({ spec, rounds, readings: [reading(afterRound, [['across', across]])] })
    expect(diagnosis.causes[0]!.kind).toBe('hands')
    expect(diagnosis.hands).toBe(hands < 1 ? 'tight' : 'loose')
    const { ways } = waysOut({ spec, hook: 5, plan, afterRound, diagnosis })
    const replanned = ways.find(({ kind }) => kind === 'replan')!
    const [uncorrected, corrected] = [real(plan), real(replanned.plan)]
    // Across a crown a tape tells how high stitches are; how wide, only by how far both go together.
    for (const [of, share] of [
      ['width', 2],
      ['depth', 3],
    ] as const) {
      const before = Math.abs(uncorrected[of] - wanted[of])
      expect(Math.abs(corrected[of] - wanted[of])).toBeLessThan(Math.max(before / share, 4))
    }
    expect(verify(replanned.plan.rounds)).toEqual([])
  })

  test('measured on the wall, width and depth are mended in the rounds that are left', () => {
    const afterRound = 20
    const { at, count } = plan.rounds[afterRound - 1]!
    const seen = [
      ['width', (count * spec.gauge.w * hands) / 2],
      ['depth', at.arc * hands],
    ] as const
    const rounds = plan.rounds.slice(0, afterRound)
    const diagnosis = diagnose({
      spec,
      rounds,
      readings: [
        reading(
          afterRound,
          seen.map(([of, value]) => [of, value]),
        ),
      ],
    })
    expect(diagnosis.causes[0]!.kind).toBe('hands')
    const { ways } = waysOut({ spec, hook: 5, plan, afterRound, diagnosis })
    const replanned = ways.find(({ kind }) => kind === 'replan')!
    expect(counts(replanned.plan).slice(0, afterRound)).toEqual(counts(plan).slice(0, afterRound))
    expect(Math.abs(real(replanned.plan).depth - wanted.depth)).toBeLessThan(
      Math.abs(real(plan).depth - wanted.depth),
    )
    expect(verify(replanned.plan.rounds)).toEqual([])
  })
})

test('wishes that no cap can fulfil get a sentence that says what would do', () => {
  const refused = (form: Parameters<typeof capSpec>[0]) => {
    try {
      planPiece(capSpec(form))
    } catch (error) {
      if (error instanceof SpecError) return [error.path, error.valid]
    }
    return []
  }
  expect(refused({ head: 2 })[0]).toBe('form.head')
  expect(refused({ head: 5000 })).toEqual(['form.head', expect.stringContaining('Up to')])
  expect(refused({ ease: 0.9 })[0]).toBe('form.ease')
  // A crown of 8.8 cm and two rounds is the least there can be.
  expect(refused({ depth: 60, crown: 'flat' })).toEqual(['form.depth', expect.stringContaining('At least')])
  expect(() => planPiece(discSpec(180))).not.toThrow()
})
