import fc from 'fast-check'
import { diagnose } from '../fit/diagnose.ts'
import { learnFromPiece } from '../fit/learnFromPiece.ts'
import type { PieceReading } from '../fit/pieceReading.ts'
import { waysOut } from '../fit/waysOut.ts'
import type { Seen } from '../lay/measures.ts'
import { verify } from '../rounds/verify.ts'
import { usedBy } from '../rounds/round.ts'
import { promise, tubeSpec } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import { layRounds } from './layRounds.ts'
import { pin, unpin } from './pinnedPlan.ts'
import type { PieceSpec } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { runs } from '../testing/runs.ts'

const anyTube: fc.Arbitrary<PieceSpec> = fc
  .record({
    girth: fc.double({ min: 80, max: 900, noNaN: true }),
    ease: fc.double({ min: -0.05, max: 0.1, noNaN: true }),
    of: fc.constantFrom('object' as const, 'tube' as const),
    length: fc.double({ min: 40, max: 500, noNaN: true }),
    w: fc.double({ min: 3, max: 9, noNaN: true }),
    ratio: fc.double({ min: 0.85, max: 1.1, noNaN: true }),
    free: fc.constantFrom(0 as const, 1 as const, 2 as const),
    rhythm: fc.constantFrom(0, 0.5, 1),
    multiple: fc.constantFrom(1, 2, 6),
    spiral: fc.boolean(),
  })
  .map(({ w, ratio, free, rhythm, multiple, spiral, ...form }) => {
    const plain = tubeSpec(form)
    return {
      ...plain,
      gauge: { ...plain.gauge, w: mm(w), h: mm(w * ratio), yarnDiameter: mm(w / 3) },
      construction: {
        ...plain.construction,
        freeLastRounds: free,
        ...(spiral ? { rounds: { kind: 'spiral' as const } } : {}),
      },
      rhythm,
      constraints: multiple > 1 ? { multiples: [{ fromRound: 1, of: multiple }] } : {},
    }
  })

describe('a tube', () => {
  test('keeps one count from its chain to its end: the nearest that its repeat allows', () => {
    fc.assert(
      fc.property(anyTube, (spec) => {
        const { rounds } = planPiece(spec)
        const [{ count, ideal }] = rounds as [(typeof rounds)[number]]
        const of = spec.constraints?.multiples?.[0]?.of ?? 1
        expect(count % of).toBe(0)
        expect(Math.abs(count - ideal)).toBeLessThanOrEqual(of / 2 + 1e-9)
        expect(new Set(rounds.map((round) => round.count))).toEqual(new Set([count]))
        expect(verify(rounds)).toEqual([])
        expect(rounds[0]!.hosts).toEqual([
          { of: { kind: 'chain', of: 'foundation', side: 'upper' }, from: 0, to: count },
        ])
        expect(rounds.map(usedBy)).toEqual(rounds.map(() => count))
      }),
      { numRuns: runs(60) },
    )
  })

  test('measures what was promised: N·w/2 laid flat, and the heights of its rounds along it', () => {
    fc.assert(
      fc.property(anyTube, (spec) => {
        const plan = planPiece(spec)
        const { w, h } = spec.gauge
        const { rounds, finished, checkpoints } = plan
        const body = rounds.filter(({ stitch }) => stitch === 'sc').length
        expect(promise(finished, 'width').value).toBeCloseTo((rounds[0]!.count * w) / 2, 1)
        if (body === rounds.length) expect(promise(finished, 'length').value).toBeCloseTo(body * h, 6)
        // Whole rounds are half a round off at the most, trims less.
        if (spec.form.family !== 'tube') throw new Error('no tube')
        expect(Math.abs(promise(finished, 'length').value - spec.form.length)).toBeLessThanOrEqual(0.51 * h)
        expect(finished.lie).toBeUndefined()
        expect(checkpoints.at(-1)).toMatchObject({ purpose: 'finish', promises: finished.promises })
        expect(unpin(spec, JSON.parse(JSON.stringify(pin(plan))) as ReturnType<typeof pin>)).toEqual(plan)
      }),
      { numRuns: runs(60) },
    )
  })

  test('is known as surely along as its h, and laid flat as its w', () => {
    const spec = tubeSpec({})
    const { finished } = planPiece(spec)
    const { gauge } = spec
    for (const [of, variance] of [
      ['length', gauge.varLnH],
      ['width', gauge.varLnW],
    ] as const) {
      const { value, plusMinus } = promise(finished, of)
      expect(plusMinus / value / (2 * Math.sqrt(variance))).toBeCloseTo(1, 2)
    }
  })
})

describe('a tube in work', () => {
  const spec = tubeSpec({ girth: 240, ease: 0.03, length: 160 })
  const plan = planPiece(spec)
  const [{ count }] = plan.rounds as [(typeof plan.rounds)[number]]
  const { w, h } = spec.gauge
  const after = 9
  const seen = (width: number, length: number, atStart?: number): readonly Seen[] => [
    { of: 'width', at: after, values: [width] },
    { of: 'length', at: after, values: [length] },
    ...(atStart === undefined ? [] : [{ of: 'width' as const, at: 1, values: [atStart] }]),
  ]
  const look = (sizes: readonly Seen[], more: Partial<PieceReading> = {}) => {
    const reading: PieceReading = {
      id: 'r',
      copyId: 'c',
      at: 1,
      planVersion: 1,
      afterRound: after,
      seen: sizes,
      ...more,
    }
    const diagnosis = diagnose({ spec, rounds: plan.rounds.slice(0, after), readings: [reading] })
    return { diagnosis, ...waysOut({ spec, hook: 5, plan, afterRound: after, diagnosis }) }
  }

  test('that measures as planned is as planned, and carried on', () => {
    const { diagnosis, ways } = look(seen((count * w) / 2, after * h))
    expect([diagnosis.causes[0]!.kind, diagnosis.hands]).toEqual(['hands', 'asGauge'])
    expect(diagnosis.expected.map(({ of, value }) => [of, Math.round(value)])).toEqual([
      ['length', Math.round(after * h)],
      ['width', Math.round((count * w) / 2)],
    ])
    expect(Math.abs(ways[0]!.off)).toBeLessThanOrEqual(h)
  })

  test('that is tight is said to be tight, begun again on more chains, or stepped out to its girth', () => {
    const by = 0.93
    const { diagnosis, ways, unchanged } = look(seen((by * count * w) / 2, by * after * h))
    expect([diagnosis.causes[0]!.kind, diagnosis.hands]).toEqual(['hands', 'tight'])
    expect(diagnosis.size.w / (by * w)).toBeCloseTo(1, 1)
    // Unchanged it would be too narrow and too short by as much.
    const finished = promise(unchanged.plan.finished, 'width').value
    expect(finished / promise(plan.finished, 'width').value).toBeCloseTo(by, 1)
    const anew = ways.find(({ kind }) => kind === 'goBack')!
    expect(anew.keeps).toBe(0)
    expect(anew.plan.rounds[0]!.count).toBeGreaterThan(count + 1)
    const replanned = ways.find(({ kind }) => kind === 'replan')!
    const counts = replanned.plan.rounds.map((round) => round.count)
    expect(counts.slice(0, after)).toEqual(new Array(after).fill(count))
    expect(new Set(counts.slice(after)).size).toBe(1)
    expect(counts[after]!).toBeGreaterThan(count)
    expect(counts.length).toBeGreaterThan(plan.rounds.length)
    for (const way of [anew, replanned]) {
      expect(verify(way.plan.rounds)).toEqual([])
      expect(
        Math.abs(promise(way.plan.finished, 'width').value - promise(plan.finished, 'width').value),
      ).toBeLessThan(w)
      expect(Math.abs(promise(way.plan.finished, 'length').value - 160)).toBeLessThan(0.6 * h)
      expect(unpin(way.spec, pin(way.plan))).toEqual(way.plan)
    }
  })

  test('that grows wider a stitch a round had its join worked; one wider from the start, a chain too many', () => {
    const wide = (stitches: number) => ((count + stitches) * w) / 2
    const grown = look(seen(wide(after - 1), after * h, wide(0)))
    expect(grown.diagnosis.causes[0]).toMatchObject({ kind: 'joinWorked', from: 2 })
    const counted = look(seen(wide(2), after * h, wide(2)), { counts: [{ round: after, count: count + 2 }] })
    expect(counted.diagnosis.causes[0]).toMatchObject({ kind: 'chainMiscounted', stitches: 2 })
    const lost = look(seen(wide(-2), after * h, wide(0)), {
      counts: [
        { round: after, count: count - 2 },
        { round: 5, count },
        { round: 6, count: count - 2 },
      ],
    })
    expect(lost.diagnosis.causes[0]).toMatchObject({ kind: 'stitchLost', from: 6, stitches: -2 })
  })

  test('that is a round short of what was counted tells it by its length alone', () => {
    const { diagnosis } = look(seen((count * w) / 2, (after - 1) * h))
    expect(diagnosis.causes.slice(0, 3).map(({ kind }) => kind)).toContain('roundMissing')
  })

  test('keeps the edge where it was found, and goes on from there', () => {
    const { diagnosis, ways } = look(seen((0.96 * count * w) / 2, 1.03 * after * h))
    const { plan: next, spec: now } = ways.find(({ kind }) => kind === 'replan')!
    const found = layRounds(now, next.rounds, next.goesOn)[after - 1]!.at
    expect(Math.PI * found.radius).toBeCloseTo((0.96 * count * w) / 2, 6)
    expect(found.arc).toBeCloseTo(1.03 * after * h, 6)
    expect(next.rounds[after]!.at.arc - found.arc).toBeCloseTo(diagnosis.size.h, 6)
  })

  test.each([
    [seen(1200, 70), 'width', /Did you mean/],
    [seen((count * w) / 2, 0), 'length', /along it/],
    [[{ of: 'width', at: 14, values: [100] }] as const, 'width', /Up to Rnd 9/],
  ] as const)('what cannot be measured of it is questioned (%#)', (sizes, path, valid) => {
    expect(() => look(sizes)).toThrow(expect.objectContaining({ path, valid: expect.stringMatching(valid) }))
  })

  test('when finished teaches its gauge w by its width and h by its length', () => {
    const last = plan.rounds.length
    const reading: PieceReading = {
      id: 'r',
      copyId: 'c',
      at: 1,
      planVersion: 1,
      afterRound: last,
      seen: [
        { of: 'width', at: last, values: [118, 122] },
        { of: 'length', at: last, values: [160] },
      ],
    }
    expect(learnFromPiece(reading, plan, spec, 'Sleeve')).toMatchObject({
      kind: 'marks',
      along: { count: count / 2, over: 120 },
      from: 'Sleeve',
      out: { count: last, over: 160 },
    })
  })
})
