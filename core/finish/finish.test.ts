import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { STITCHES } from '../stitches/stitch.ts'
import { NO_USE_YET } from '../cautions/use.ts'
import { discSpec } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import {
  NO_FINISH,
  stepsFor,
  stillToGoInside,
  wayToFinish,
  withoutPiece,
  withOwnLink,
  withOwnStep,
  type Finish,
  type PieceToFinish,
} from './finish.ts'
import {
  easesWith,
  easingOf,
  nextOfSeam,
  pairsOf,
  seamStitches,
  WAYS_OF_JOINING,
  type Joint,
  type WayOfJoining,
} from './joint.ts'
import { moved, orderOf, rangeOf, STEP_KINDS } from './order.ts'
import { tailsOf, timeOfWhole, yarnForAll, yarnInTurn } from './needs.ts'
import { seamOf } from './seam.ts'
import { seamInHand, withSeamMade } from './seamInHand.ts'
import { validateJoint, type EdgesOf } from './validateJoint.ts'
import { runs } from '../testing/runs.ts'

const anyEdge = fc.integer({ min: 2, max: 300 })
const said = (deed: () => unknown): string => {
  try {
    deed()
  } catch (error) {
    if (error instanceof SpecError) return `${error.message} ${error.valid}`
    throw error
  }
  return ''
}

test('every stitch of both edges is in a pair, in order; what takes two lies as evenly as it can', () => {
  fc.assert(
    fc.property(anyEdge, anyEdge, (first, second) => {
      const pairs = pairsOf(first, second)
      expect(pairs).toHaveLength(Math.max(first, second))
      for (const [side, count] of [
        [0, first],
        [1, second],
      ] as const) {
        const stitches = pairs.map((pair) => pair[side])
        expect([...new Set(stitches)]).toEqual(Array.from({ length: count }, (_, index) => index))
        expect(stitches).toEqual(stitches.toSorted((one, other) => one - other))
        // How often a stitch is taken differs by one at most.
        const often = new Map<number, number>()
        for (const stitch of stitches) often.set(stitch, (often.get(stitch) ?? 0) + 1)
        expect(Math.max(...often.values()) - Math.min(...often.values())).toBeLessThanOrEqual(1)
      }
      const { twice } = easingOf(first, second)
      const gaps = twice.slice(1).map((stitch, index) => stitch - twice[index]!)
      const few = Math.min(first, second)
      // Gaps between those that take two differ by one at most, while none takes three.
      if (Math.max(first, second) < 2 * few && gaps.length > 1) {
        expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThanOrEqual(1)
      }
    }),
    { numRuns: runs(200) },
  )
})

test('a seam is told stitch by stitch: every pair once, and where a stitch takes another', () => {
  fc.assert(
    fc.property(anyEdge, anyEdge, (first, second) => {
      const seam = joint('a', [edge('body', 3, first), edge('lid', 5, second)])
      const told = Array.from({ length: seamStitches(seam) }, (_, made) => nextOfSeam(seam, made)!)
      expect(nextOfSeam(seam, told.length)).toBeUndefined()
      expect(told.map((one) => [one.first - 4, one.second - 6])).toEqual(pairsOf(first, second))
      // It takes another as often as the longer edge has more.
      expect(told.filter(({ again }) => again !== undefined)).toHaveLength(Math.abs(first - second))
      for (const { again } of told) if (again !== undefined) expect(again).toBe(first < second ? 0 : 1)
    }),
    { numRuns: runs(60) },
  )
})

test('a tenth more is unseen, to 15% it is seen, beyond it gathers; what goes with a count is unseen', () => {
  expect(easingOf(12, 12)).toEqual({ kind: 'equal', extra: 0, share: 0, twice: [] })
  expect(easingOf(20, 22).kind).toBe('unseen')
  expect(easingOf(20, 23).kind).toBe('visible')
  expect(easingOf(20, 24).kind).toBe('gather')
  expect(easingOf(44, 40).twice).toHaveLength(4)
  fc.assert(
    fc.property(anyEdge, (count) => {
      const [least, most] = easesWith(count)
      for (const other of [least, most]) expect(['equal', 'unseen']).toContain(easingOf(count, other).kind)
      expect(['equal', 'unseen']).not.toContain(easingOf(count, most + 1).kind)
    }),
  )
})

const PIECES: readonly EdgesOf[] = [
  { id: 'body', name: 'Body', quantity: 1, last: 52 },
  { id: 'lid', name: 'Lid', quantity: 1, last: 52 },
  { id: 'disc', name: 'Disc', quantity: 2, last: 72 },
  { id: 'strap', name: 'Strap', quantity: 1, last: 5, first: 5 },
]
const edge = (pieceId: string, from: number, count: number, copy = 1, of: 'last' | 'first' = 'last') => ({
  pieceId,
  copy,
  of,
  from,
  count,
})
const joint = (id: string, edges: Joint['edges'], changes: Partial<Joint> = {}): Joint => ({
  id,
  way: 'mattress',
  edges,
  ...changes,
})
const hinge = joint('hinge', [edge('body', 20, 12), edge('lid', 20, 12)])

test('joints that cannot be are refused in a sentence with what would be right', () => {
  const refusal = (one: Joint, others: readonly Joint[] = []) =>
    said(() => validateJoint(PIECES, one, others))
  expect(refusal(hinge)).toBe('')
  expect(refusal(joint('a', [edge('body', 0, 12), edge('body', 30, 12)]))).toMatch(
    'with itself joins nothing',
  )
  expect(refusal(joint('a', [edge('disc', 0, 72, 1), edge('disc', 0, 72, 2)]))).toBe('')
  expect(refusal(joint('a', [edge('body', 25, 12), edge('strap', 0, 5)]), [hinge])).toBe(
    'Stitches 26 to 32 of Body are joined already. Free are 1 to 20 and 33 to 52.',
  )
  expect(refusal(joint('a', [edge('body', 0, 6), edge('strap', 0, 5)]), [hinge])).toBe(
    '6 stitches on 5 are 20% more: that gathers. 6 go with 6 to 6; take as many there, or fewer here.',
  )
  expect(refusal(joint('a', [edge('body', 50, 5), edge('strap', 0, 5)]))).toMatch('which has 52')
  expect(refusal(joint('a', [edge('disc', 0, 5, 3), edge('strap', 0, 5)]))).toMatch(
    'There is no Disc 3: 2 are made.',
  )
  expect(refusal(joint('a', [edge('body', 0, 5, 1, 'first'), edge('strap', 0, 5)]))).toMatch(
    'begins in its middle',
  )
  expect(refusal(joint('a', [edge('nothing', 0, 5), edge('strap', 0, 5)]))).toMatch('not in this project')
  expect(refusal({ ...hinge, filledThrough: 11 })).toMatch('From 2 to 10.')
  // It may be changed beside itself.
  expect(refusal({ ...hinge, way: 'whip' }, [hinge])).toBe('')
})

test('yarn of a seam: sewn by its length, worked by its stitches, each against a count of its own', () => {
  const gauge = { w: mm(5), h: mm(5), yarnDiameter: mm(2) }
  const whole = (way: WayOfJoining): Pick<Joint, 'way' | 'edges'> => ({
    way,
    edges: [edge('disc', 0, 72, 1), edge('disc', 0, 72, 2)],
  })
  const seam = (way: WayOfJoining) => seamOf(whole(way), gauge, 18)
  // FIELD §14: 72 · 5 mm · 2.2 = 792 mm of whip stitch, and 15 cm more to leave.
  expect(seam('whip').metres).toBeCloseTo(0.792, 6)
  expect(seam('whip').tail).toBeCloseTo(0.942, 6)
  // Stitch by stitch: from one edge to the other and on by a stitch, through both layers and back over them.
  for (const [way, path] of [
    ['whip', 2 * Math.hypot(2.5, 2 * 2.4)],
    ['backStitch', 5 + 2 * 5],
    ['mattress', 5 + 2 * 4],
  ] as const) {
    expect(Math.abs((72 * path) / 1000 / seam(way).metres - 1)).toBeLessThan(0.15)
  }
  // Worked: 72 sc of 4.3w + 13.7d through both layers, and two tails.
  const sc = 4.3 * 5 + 13.7 * 2
  expect(Math.abs((72 * sc * 1.15 + 300) / 1000 / seam('throughBoth').metres - 1)).toBeLessThan(0.15)
  expect(seam('throughBoth').height).toBe(5)
  expect(seam('slipStitch').height).toBe(0)
  expect(seam('slipStitch').seconds).toBeCloseTo((72 * STITCHES.slst.effort * 60) / 18, 6)
  for (const way of WAYS_OF_JOINING) expect(seam(way).seconds).toBeGreaterThan(60)
})

const piece = (id: string, changes: Partial<PieceToFinish> = {}): PieceToFinish => ({
  id,
  form: { family: 'disc', across: 180 },
  quantity: 1,
  fitness: NO_USE_YET,
  last: 72,
  made: false,
  ...changes,
})
const ids = (steps: readonly { readonly id: string }[]) => steps.map(({ id }) => id)

const anyProject = fc
  .record({
    pieces: fc.array(fc.record({ hardware: fc.boolean(), stiff: fc.boolean(), made: fc.boolean() }), {
      minLength: 1,
      maxLength: 14,
    }),
    joints: fc.array(
      fc.record({ one: fc.nat(13), other: fc.nat(13), whole: fc.boolean(), filled: fc.boolean() }),
      { maxLength: 20 },
    ),
    own: fc.array(fc.record({ kind: fc.constantFrom(...STEP_KINDS), of: fc.nat(13) }), { maxLength: 5 }),
    wanted: fc.array(fc.nat(60), { maxLength: 20 }),
  })
  .map(({ pieces, joints, own, wanted }) => {
    const all = pieces.map(({ hardware, stiff, made }, index) =>
      piece(`p${index}`, {
        made,
        fitness: {
          ...NO_USE_YET,
          hardware: [...(hardware ? (['cords'] as const) : []), ...(stiff ? (['stiffener'] as const) : [])],
        },
      }),
    )
    const at = (index: number) => all[index % all.length]!.id
    const finish: Finish = {
      ...NO_FINISH,
      joints: joints.map(({ one, other, whole, filled }, index) =>
        joint(`j${index}`, [edge(at(one), 0, whole ? 72 : 10, 1), edge(at(other), 0, whole ? 72 : 10, 2)], {
          ...(filled ? { filledThrough: 4 } : {}),
        }),
      ),
      steps: own.map(({ kind, of }, index) => ({
        id: `own${index}`,
        kind: kind === 'make' ? 'mark' : kind,
        name: 'Mine',
        pieces: [at(of)],
      })),
    }
    const steps = stepsFor(all, finish)
    return { all, finish: { ...finish, order: wanted.map((index) => steps[index % steps.length]!.id) } }
  })

test('the way through a project has every step once and keeps every rule, wherever a step is moved', () => {
  fc.assert(
    fc.property(anyProject, fc.nat(80), fc.nat(80), ({ all, finish }, which, to) => {
      const way = wayToFinish(all, finish)
      const keeps = (order: readonly { readonly id: string }[]) => {
        const place = new Map(ids(order).map((id, index) => [id, index]))
        for (const { before, after } of way.links) {
          expect(place.get(before)!).toBeLessThan(place.get(after)!)
        }
      }
      expect(ids(way.order).toSorted()).toEqual(ids(stepsFor(all, finish)).toSorted())
      keeps(way.order)
      const { id } = way.order[which % way.order.length]!
      const after = moved(way.order, way.links, id, to % way.order.length)
      keeps(after)
      // It stops where it may not pass, and what holds it there is named.
      const { first, last, held } = rangeOf(way.order, way.links, id)
      const place = ids(after).indexOf(id)
      expect(place).toBe(Math.max(first, Math.min(last, to % way.order.length)))
      if (first > 0 || last < way.order.length - 1) expect(held.length).toBeGreaterThan(0)
      // Moved so and kept, it comes out so again.
      expect(ids(wayToFinish(all, { ...finish, order: ids(after) }).order)).toEqual(ids(after))
    }),
    { numRuns: runs(120) },
  )
})

test('links in a circle are named; what needs the inside comes before it is closed, and is told when it is late', () => {
  const pieces = [piece('disc', { quantity: 2 }), piece('loop', { last: 8 })]
  const pad: Finish = {
    ...NO_FINISH,
    joints: [joint('around', [edge('disc', 0, 72, 1), edge('disc', 0, 72, 2)], { filledThrough: 9 })],
  }
  expect(ids(wayToFinish(pieces, pad).order)).toEqual([
    'make:disc',
    'make:loop',
    'inside:around',
    'join:around',
    'fill:around',
    'close:around',
    'weaveIn',
    'measure',
  ])
  const circle = { ...pad, links: [['close:around', 'inside:around']] as const }
  expect(said(() => wayToFinish(pieces, circle))).toMatch(
    /wait for one another: .*inside:around.*close:around/,
  )
  const magnet = { id: 'own', kind: 'hardware' as const, name: 'Magnet', pieces: ['disc'] }
  const withMagnet = withOwnStep(pieces, pad, magnet)
  const way = wayToFinish(pieces, withMagnet)
  expect(ids(way.order).indexOf('own')).toBeLessThan(ids(way.order).indexOf('close:around'))
  expect(ids(stillToGoInside(way, 'close:around'))).toEqual(
    expect.arrayContaining(['own', 'inside:around', 'fill:around']),
  )
  const closed = { ...pad, done: ['inside:around', 'join:around', 'fill:around', 'close:around'] }
  expect(said(() => withOwnStep(pieces, closed, magnet))).toMatch(
    'needs the inside of what is closed already',
  )
  expect(withoutPiece(withMagnet, 'disc')).toEqual(NO_FINISH)
  expect(withOwnLink(pieces, pad, 'make:loop', 'join:around').links).toEqual([['make:loop', 'join:around']])
  expect(said(() => withOwnLink(pieces, pad, 'close:around', 'join:around'))).toMatch('wait for one another')
  const cot = pieces.map((one) => ({ ...one, fitness: { ...NO_USE_YET, uses: ['baby'] as const } }))
  expect(said(() => withOwnStep(cot, pad, magnet))).toMatch(/are swallowed\. Embroider it instead\./)
  expect(ids(orderOf(way.order, [], ids(way.order).toReversed()))).toEqual(ids(way.order).toReversed())
})

test('a tail is left by the copy that a seam is sewn with; the yarn at hand is held against all that is left', () => {
  const gauge = { ...discSpec(180).gauge, w: mm(5), yarnDiameter: mm(2) }
  const finish = { ...NO_FINISH, joints: [hinge, joint('loop', [edge('strap', 0, 5), edge('body', 0, 5)])] }
  const tails = (pieceId: string, copy = 1) => tailsOf(finish, { pieceId, copy }, { gauge, pace: 18 })
  // 12 · 5 mm · 2.6 and 15 cm more.
  expect(tails('body').map(({ metres }) => metres)).toEqual([0.306])
  expect(tails('body', 2)).toEqual([])
  expect(tails('lid')).toEqual([])
  const worked = { ...NO_FINISH, joints: [{ ...hinge, way: 'throughBoth' as const }] }
  expect(tailsOf(worked, { pieceId: 'body', copy: 1 }, { gauge, pace: 18 })).toEqual([])
  expect(
    yarnForAll(
      new Map([
        ['fog', 40],
        ['pine', 10],
        ['bark', 3],
      ]),
      [{ yarn: 'fog', metres: 2 }],
      new Map([
        ['fog', 41],
        ['pine', 10],
      ]),
    ),
  ).toEqual([
    { yarn: 'fog', takes: 42, there: 41, enough: false },
    { yarn: 'pine', takes: 10, there: 10, enough: true },
  ])
})

test('what is left after the body is enough for the lid, or runs out in it; what nobody counted says nothing', () => {
  const takes = (metres: Readonly<Record<string, number>>) => new Map(Object.entries(metres))
  const inOrder = [
    { id: 'body', takes: takes({ pine: 46, fog: 3 }) },
    { id: 'lid', takes: takes({ pine: 22 }) },
    { id: 'joints', takes: takes({ pine: 0.3 }) },
  ]
  // By hand: 85 − 46 = 39, − 22 = 17, − 0.3 = 16.7; of 60 the lid has 14 and needs 22.
  const [enough] = yarnInTurn(inOrder, new Map([['pine', 85]]))
  expect(enough!.turns.map(({ left }) => Math.round(left * 10) / 10)).toEqual([39, 17, 16.7])
  const [short] = yarnInTurn(inOrder, new Map([['pine', 60]]))
  expect(short!.turns.find(({ left }) => left < 0)).toMatchObject({ id: 'lid', left: -8 })
  expect(yarnInTurn(inOrder, new Map([['soot', 200]]))).toEqual([])
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 90 }), { maxLength: 9 }), fc.nat(400), (each, there) => {
      const all = each.map((metres, index) => ({ id: `p${index}`, takes: takes({ pine: metres }) }))
      const [turn] = yarnInTurn(all, new Map([['pine', there]]))
      const sum = each.reduce((total, metres) => total + metres, 0)
      expect(turn?.turns.at(-1)?.left ?? there).toBe(there - sum)
    }),
  )
})

test('the time of the whole is that of its pieces and of the seams that are not done', () => {
  const pieces = [
    { secondsInAll: 600, secondsLeft: 200 },
    { secondsInAll: 300, secondsLeft: 300 },
  ]
  const seams = [
    { seconds: 60, done: true },
    { seconds: 90, done: false },
  ]
  expect(timeOfWhole(pieces, seams)).toEqual({ inAll: 1050, left: 590 })
})

test('a seam counted on and back is done with its last stitch and with no other; what is filled waits open', () => {
  const edge = (copy: number, count: number) => ({ pieceId: 'a', copy, of: 'last' as const, from: 0, count })
  const opens = fc.option(fc.integer({ min: 2, max: 6 }), { nil: undefined })
  fc.assert(
    fc.property(fc.integer({ min: 9, max: 40 }), opens, fc.array(fc.boolean()), (count, open, moves) => {
      const joint: Joint = {
        id: 'j',
        way: 'whip',
        edges: [edge(1, count), edge(2, count)],
        ...(open === undefined ? {} : { filledThrough: open }),
      }
      let finish: Finish = { ...NO_FINISH, joints: [joint] }
      const now = () => finish.joints[0]!
      const count1 = (by: number) => {
        const { made } = seamInHand(finish, now())
        finish = withSeamMade(finish, now(), Math.max(0, Math.min(count, made + by)))
      }
      for (const on of moves) {
        const { next } = seamInHand(finish, now())
        if (on && next) count1(1)
        else if (!on) count1(-1)
        const { made } = seamInHand(finish, now())
        expect(finish.done.includes('join:j')).toBe(made >= count - (open ?? 0))
      }
      while (!finish.done.includes('join:j')) count1(1)
      expect(seamInHand(finish, now()).made).toBeGreaterThanOrEqual(count - (open ?? 0))
    }),
  )
})
