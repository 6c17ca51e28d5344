import fc from 'fast-check'
import { readMotif, writeMotif } from '../pattern/readMotif.ts'
import { writeRoundBody } from '../pattern/writeRound.ts'
import { carryOnPlan } from '../plan/carryOnPlan.ts'
import { pin, unpin } from '../plan/pinnedPlan.ts'
import type { PieceSpec } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { capSpec, discSpec, tubeSpec, vesselSpec } from '../testing/specs.ts'
import { STITCHES, type StitchName, type Terms } from '../stitches/stitch.ts'
import {
  alikeCounts,
  budgetOf,
  edgeSteps,
  isMirrored,
  mirroredFrom,
  movedMotif,
  spreadMotifs,
  withAxis,
  withMotif,
  type EdgeBudget,
} from './edge.ts'
import {
  alongChain,
  freeChain,
  leftOut,
  USUAL_MOTIFS,
  usedByMotif,
  usualMotif,
  type UsualMotif,
} from './motif.ts'
import { expandSteps, plain, stitchesConsumed, type Op } from './steps.ts'
import { verify } from './verify.ts'

const motif = (kind: UsualMotif) => ({ name: kind, ops: usualMotif(kind) })
const spread = (kinds: readonly UsualMotif[], more: Partial<EdgeBudget> = {}): EdgeBudget => ({
  motifs: spreadMotifs(kinds.map(motif)),
  mirrored: false,
  alike: false,
  ...more,
})
const edged = (spec: PieceSpec, edge: EdgeBudget): PieceSpec => ({
  ...spec,
  constraints: { ...spec.constraints, edge },
})
const kinds = fc.array(fc.constantFrom(...USUAL_MOTIFS), { minLength: 1, maxLength: 12 })
const count = fc.integer({ min: 80, max: 400 })

test('motifs use what the craft says they do', () => {
  const uses = Object.fromEntries(USUAL_MOTIFS.map((kind) => [kind, usedByMotif(motif(kind))]))
  expect(uses).toEqual({ point: 2, leg: 3, shell: 6, loop: 2, tail: 1 })
})

test('budgets sum to the count exactly, parts in order, no two over one another, wherever motifs are put', () => {
  const anywhere = fc.array(
    fc.record({ kind: fc.constantFrom(...USUAL_MOTIFS), at: fc.double({ min: 0, max: 1, noNaN: true }) }),
    { minLength: 1, maxLength: 12 },
  )
  fc.assert(
    fc.property(anywhere, count, fc.boolean(), (placed, stitches, mirrored) => {
      const motifs = placed.map(({ kind, at }) => ({ ...motif(kind), at }))
      const parts = budgetOf({ motifs, mirrored, alike: false }, stitches)!
      let made = 0
      for (const part of parts) {
        expect(part.from).toBe(made)
        expect(part.stitches).toBeGreaterThanOrEqual(0)
        made += part.stitches
      }
      expect(made).toBe(stitches)
      expect(parts.flatMap((part) => part.motif ?? [])).toEqual(motifs.map((_, index) => index))
      const steps = edgeSteps({ motifs, mirrored, alike: false }, stitches)
      expect(stitchesConsumed(steps)).toBe(stitches)
    }),
  )
})

test('spread evenly, the runs between alike motifs differ by one at most, around the start as well', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 12 }), fc.constantFrom(...USUAL_MOTIFS), count, (n, kind, N) => {
      const parts = budgetOf(spread(Array.from({ length: n }, () => kind)), N)!
      const runs = parts.filter((part) => part.motif === undefined).map(({ stitches }) => stitches)
      const around = [...runs.slice(1, -1), runs[0]! + runs.at(-1)!]
      expect(Math.max(...around) - Math.min(...around)).toBeLessThanOrEqual(1)
    }),
    // Shares whose halves of a stitch are no whole numbers of bits.
    { examples: [[5, 'tail', 170]] },
  )
})

test('mirrored motifs stay mirrored to the stitch, and where they are put near the ends or the middle they still sum', () => {
  const place = fc.integer({ min: 0, max: 99 }).map((share) => share / 200)
  const half = fc.uniqueArray(fc.record({ kind: fc.constantFrom(...USUAL_MOTIFS), at: place }), {
    minLength: 1,
    maxLength: 6,
    selector: ({ at }) => at,
  })
  fc.assert(
    fc.property(half, fc.option(fc.constantFrom(...USUAL_MOTIFS)), count, (first, middle, N) => {
      const motifs = [
        ...first.map(({ kind, at }) => ({ ...motif(kind), at })),
        ...(middle ? [{ ...motif(middle), at: 0.5 }] : []),
        ...first.map(({ kind, at }) => ({ ...motif(kind), at: 1 - at })),
      ]
      const parts = budgetOf({ motifs, mirrored: true, alike: false }, N)!
      const runs = parts.map(({ stitches }) => stitches)
      const mirror = runs.toReversed()
      // One that uses an even number cannot stand in the middle of an odd count: it is then off by half a stitch.
      const off = runs.reduce((most, run, index) => Math.max(most, Math.abs(run - mirror[index]!)), 0)
      expect(off).toBeLessThanOrEqual(middle && (N - usedByMotif(motif(middle))) % 2 !== 0 ? 1 : 0)
    }),
  )
})

test('any edge becomes its first half and that the other way round, and stays so when it is asked again', () => {
  fc.assert(
    fc.property(kinds, (asked) => {
      const edge = mirroredFrom(spread(asked))
      expect(edge.mirrored).toBe(true)
      expect(isMirrored(edge)).toBe(true)
      expect(mirroredFrom(edge)).toEqual(edge)
    }),
  )
})

test('about an axis anywhere, none over the start of the round: mirrored to the stitch, and so when one is moved or added', () => {
  const asked = fc.record({
    half: fc.array(fc.constantFrom(...USUAL_MOTIFS), { minLength: 1, maxLength: 4 }),
    on: fc.boolean(),
    axis: fc.double({ min: 0.02, max: 0.48, noNaN: true }),
    N: fc.integer({ min: 120, max: 400 }),
    to: fc.integer({ min: 0, max: 400 }),
  })
  const expectMirrored = (edge: EdgeBudget, N: number) => {
    expect(isMirrored(edge)).toBe(true)
    const parts = budgetOf(edge, N)!
    expect(parts.reduce((sum, { stitches }) => sum + stitches, 0)).toBe(N)
    expect(parts.every(({ stitches }) => stitches >= 0)).toBe(true)
    // Where the middles stand, twice, so that halves stay whole; mirrored they are the same places.
    const middles = parts.flatMap(({ motif, from, stitches }) =>
      motif === undefined ? [] : [2 * from + stitches],
    )
    const around = (twice: number) => ((twice % (2 * N)) + 2 * N) % (2 * N)
    const mirrors = [0, 1, -1].map((off) => {
      const about = 4 * edge.axis! * N + 2 * off
      return middles.map((middle) => around(Math.round(about) - middle)).toSorted((a, b) => a - b)
    })
    return { middles: middles.map(around).toSorted((a, b) => a - b), mirrors }
  }
  fc.assert(
    fc.property(asked, ({ half, on, axis, N, to }) => {
      const asked: UsualMotif[] = [...(on ? ['loop' as const] : []), ...half, ...half.toReversed()]
      const about = Math.round(axis * N) / N
      // The first stands on the axis, or all beside it.
      const at = (index: number) => (about + (index + (on ? 0 : 0.5)) / asked.length) % 1
      const motifs = asked.map((kind, index) => ({ ...motif(kind), at: at(index) }))
      const mirrored = mirroredFrom({ motifs, mirrored: true, alike: false, axis: about })
      for (const next of [
        mirrored,
        movedMotif(mirrored, N, mirrored.motifs.length - 1, to),
        withMotif(mirrored, N, motif('tail')),
        withAxis(mirrored, Math.round(0.21 * N) / N),
      ]) {
        const { middles, mirrors } = expectMirrored(next, N)
        expect(mirrors).toContainEqual(middles)
      }
    }),
  )
})

test('the nearest counts leave all runs alike, and none between here and there does', () => {
  fc.assert(
    fc.property(kinds, count, (asked, N) => {
      const edge = spread(asked)
      const used = edge.motifs.reduce((sum, one) => sum + usedByMotif(one), 0)
      const alike = (stitches: number) => (stitches - used) % edge.motifs.length === 0
      const { already, below, above } = alikeCounts(edge, N)
      expect(already).toBe(alike(N))
      for (let stitches = (below ?? used) + 1; stitches < above; stitches++) {
        expect(alike(stitches)).toBe(stitches === N && already)
      }
      expect([below ?? used, above].every(alike)).toBe(true)
      expect(above).toBeGreaterThan(N)
    }),
  )
  // By hand: eight points of 2 leave 96 − 16 = 80 stitches, 10 each; of 99 three are over.
  expect(alikeCounts(spread(Array<UsualMotif>(8).fill('point')), 96)).toEqual({
    already: true,
    below: 88,
    above: 104,
  })
  expect(alikeCounts(spread(Array<UsualMotif>(8).fill('point')), 99)).toEqual({
    already: false,
    below: 96,
    above: 104,
  })
})

test('whatever is written is read again, in the terms of either country', () => {
  const op: fc.Arbitrary<Op> = fc.oneof(
    fc.integer({ min: 1, max: 20 }).map((times) => freeChain(times)),
    fc.integer({ min: 1, max: 6 }).map((uses) => leftOut(uses)),
    fc
      .tuple(fc.constantFrom(...(Object.keys(STITCHES) as StitchName[])), fc.integer({ min: 1, max: 5 }))
      .map(([stitch, times]) => plain(stitch, times)),
    fc.integer({ min: 3, max: 9 }).map((makes) => ({ ...plain('dc'), makes })),
  )
  fc.assert(
    fc.property(
      fc.array(op, { minLength: 1, maxLength: 8 }),
      fc.constantFrom<Terms>('US', 'UK'),
      (ops, terms) => {
        const asked = [...ops, leftOut(1), plain('slst')]
        const read = readMotif(writeMotif(asked, terms), terms)
        if (!('ops' in read)) throw new Error(read.message)
        expect(writeMotif(read.ops, terms)).toBe(writeMotif(asked, terms))
        expect(usedByMotif(read)).toBe(usedByMotif({ ops: asked }))
      },
    ),
  )
  for (const kind of USUAL_MOTIFS) {
    for (const terms of ['US', 'UK'] as const) {
      expect(readMotif(writeMotif(usualMotif(kind), terms), terms)).toEqual({ ops: usualMotif(kind) })
    }
  }
})

test('the craft’s own line is understood; what is not says so, with what would be', () => {
  expect(readMotif('ch 5, sl st, sc, hdc, dc, skip 2, sl st 1', 'US')).toEqual({ ops: usualMotif('leg') })
  expect(readMotif('CH 5 , ss, dc, htr, tr, miss 1, ss', 'UK')).toEqual({ ops: usualMotif('point') })
  // A chain of 3 has room for two; the third stands on the edge again.
  expect(readMotif('ch 3, 3 sc', 'US')).toEqual({ ops: [freeChain(3), alongChain('sc', 2), plain('sc')] })
  expect(readMotif('ch 3; sl st', 'US')).toEqual({ ops: [freeChain(3), plain('slst')] })
  expect(readMotif('', 'US')).toMatchObject({ message: 'There is nothing in it yet.' })
  expect(readMotif('ch 5, 4 sl st', 'US')).toMatchObject({ message: 'It stands on no stitch of the edge.' })
  expect(readMotif('ch 5, knot, sl st', 'US')).toMatchObject({ message: '“knot” is not understood.' })
  expect(readMotif('ch 0, sl st', 'US')).toMatchObject({ message: '“ch 0” is not understood.' })
  expect(readMotif('ch 900; sl st', 'US')).toMatchObject({ message: '“ch 900” is more than a motif has.' })
})

test('any form is edged by motifs as it would be by a rim: as large, every stitch used, kept and carried on', () => {
  const forms = [
    discSpec(220),
    vesselSpec({}),
    capSpec({ brim: 'plain', crown: 'flat' }),
    tubeSpec({ girth: 300, length: 140 }),
  ]
  const points = spread(Array<UsualMotif>(8).fill('point'), { alike: true })
  for (const form of forms) {
    const spec = edged(form, points)
    const plan = planPiece(spec)
    const [last, edging] = plan.rounds.slice(-2)
    expect(verify(plan.rounds)).toEqual([])
    expect(last!.count % 8).toBe(0)
    expect(edging!.from).toBe(last!.count)
    expect(edging!.steps.at(-2)?.times ?? edging!.steps[0]!.times).toBeGreaterThan(5)
    expect(unpin(spec, pin(plan))).toEqual(plan)
    const rim = planPiece({ ...form, construction: { ...form.construction, rim: 'slst' } })
    const [one, other] = [plan.finished.promises[0]!, rim.finished.promises[0]!]
    expect(Math.abs(one.value - other.value)).toBeLessThanOrEqual(
      (one.of === 'across' ? 2 : 1) * spec.gauge.h + 0.03 * other.value,
    )
    const at = plan.rounds[5]!.at
    const edge = { radius: at.radius, z: at.z, sd: 1, along: { arc: at.arc, sd: 1 } }
    const carried = carryOnPlan(spec, plan, plan.rounds.slice(0, 6), edge)
    expect(carried.rounds.at(-1)!.steps).toEqual(edging!.steps)
  }
})

test('eight points take what their stitches take, each is a stitch for the hook, and the round says them', () => {
  const plan = planPiece(edged(discSpec(220), spread(Array<UsualMotif>(8).fill('point'), { alike: true })))
  const rim = planPiece({ ...discSpec(220), construction: { ...discSpec(220).construction, rim: 'slst' } })
  const round = plan.rounds.at(-1)!
  const units = expandSteps(round.steps)
  expect(units.filter(({ manner }) => manner === 'chain')).toHaveLength(40)
  expect(units.every(({ kind }) => kind === 'work')).toBe(true)
  expect(writeRoundBody(round, 'US')).toMatch(
    /^\d sl st, \(ch 5, sl st, sc, hdc, dc, skip 1, \d+ sl st\) × 7, ch 5, sl st, sc, hdc, dc, skip 1, \d+ sl st$/,
  )
  // By FIELD §2 and §8 in the yarn of one sc: 40 chains take 18, and 8 each of sc, hdc and dc at least 24 more.
  const more = plan.yarn[0]!.metres - rim.yarn[0]!.metres
  const aStitch = (rim.yarn[0]!.metres / rim.stitches) * 1.05
  expect(more).toBeGreaterThan(38 * aStitch)
  expect(more).toBeLessThan(75 * aStitch)
})

test('more motifs than an edge has room for, a rim besides, and one that stands on nothing are refused in words', () => {
  const many = spread(Array<UsualMotif>(60).fill('leg'))
  expect(() => planPiece(edged(discSpec(220), many))).toThrow(/60 motifs use 180 stitches of an edge/)
  const rimmed = edged(discSpec(220), spread(['point']))
  expect(() => planPiece({ ...rimmed, construction: { ...rimmed.construction, rim: 'picot' } })).toThrow(
    /one edging/,
  )
  const nothing = edged(discSpec(220), {
    motifs: [{ name: 'cord', ops: [freeChain(9)], at: 0.5 }],
    mirrored: false,
    alike: false,
  })
  expect(() => planPiece(nothing)).toThrow(/“cord” stands on no stitch/)
})
