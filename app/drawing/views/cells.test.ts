import fc from 'fast-check'
import { planPiece, type PieceSpec, type Plan } from '../../../core/index.ts'
import { diagnose } from '../../../core/fit/diagnose.ts'
import { waysOut } from '../../../core/fit/waysOut.ts'
import { discSpec } from '../../../core/testing/specs.ts'
import { UNROLL_CUT, unrolled, type DrawingFrame } from './unrolled.ts'
import { cellList, cellsIn } from './cells.ts'
import { runs } from '../../../core/testing/runs.ts'

const frame: DrawingFrame = { scale: 2, x: 300, y: 300, cut: UNROLL_CUT, mirrored: false }
const whole: DrawingFrame = { ...frame, cut: 1 }
const spec = (changes: Partial<PieceSpec> = {}) => discSpec(160, changes)

describe('yarns held together', () => {
  const drawn = (beside: string[], strands: number) => {
    const base = spec({ colours: [{ fromRound: 1, yarn: 'fog', beside }] })
    return cellList(cellsIn(unrolled(planPiece({ ...base, gauge: { ...base.gauge, strands } }), whole)))
  }

  test('take turns from stitch to stitch, each the strand of the other', () => {
    const cells = drawn(['soot'], 2)
    for (const { unit, yarn, strand } of cells) {
      expect([yarn, strand]).toEqual(unit % 2 === 0 ? ['fog', 'soot'] : ['soot', 'fog'])
    }
  })

  test('of one yarn all stitches and strands are of it', () => {
    expect(drawn([], 2).every(({ yarn, strand }) => yarn === 'fog' && strand === 'fog')).toBe(true)
  })

  test('three in turn show all three', () => {
    expect(new Set(drawn(['soot', 'pine'], 3).map(({ yarn }) => yarn))).toEqual(
      new Set(['fog', 'soot', 'pine']),
    )
  })
})

describe('chain rings as drawn', () => {
  const begun = (chains: number) =>
    planPiece(spec({ construction: { ...spec().construction, start: { kind: 'chainRing', chains } } }))

  test('a filled ring has no hole, six chains and more leave the one they are planned with', () => {
    expect(begun(5).hole).toBe(0)
    expect(begun(6).hole).toBeCloseTo((3 * 0.85 * 8) / (2 * Math.PI), 9)
    expect(begun(12).hole).toBeGreaterThan(2.9 * begun(6).hole)
  })

  test('nothing is pointed at in the hole', () => {
    const view = unrolled(begun(16), whole)
    expect(view.roundAt({ x: 300, y: 300 })).toBeUndefined()
    const first = view.plan.hole + 1
    expect(view.roundAt({ x: 300 + first * whole.scale, y: 299 })!.number).toBe(1)
  })
})

test('the round under the middle of any stitch is the round it belongs to', () => {
  fc.assert(
    fc.property(
      fc.boolean(),
      fc.constantFrom(1, UNROLL_CUT),
      fc.integer({ min: 90, max: 260 }),
      (mirrored, cut, across) => {
        const plan = planPiece(discSpec(across))
        const view = unrolled(plan, { ...frame, cut, mirrored, x: 400, y: 400, scale: 1.4 })
        const wrong = cellList(cellsIn(view)).filter(({ round, foot, top, unit }) => {
          // Stitches across the cut bend; the last of a round may lie past the flat line.
          const units = plan.rounds[round - 1]!.count
          if (Math.abs(unit / units - cut) < 0.08 || unit > 0.9 * units) return false
          const corners = [foot[0]!, foot.at(-1)!, top[0]!, top.at(-1)!]
          const middle = {
            x: corners.reduce((sum, { x }) => sum + x, 0) / 4,
            y: corners.reduce((sum, { y }) => sum + y, 0) / 4,
          }
          const found = view.roundAt(middle)?.number
          return found !== undefined && Math.abs(found - round) > 1
        })
        expect(wrong).toEqual([])
      },
    ),
    { numRuns: runs(20) },
  )
})

test('a re-planned piece is drawn with the stitch widths of the gauge in it, ring by ring', () => {
  const first = planPiece(spec({ construction: { ...spec().construction, freeLastRounds: 2 } }))
  const asked = spec({ construction: { ...spec().construction, freeLastRounds: 2 } })
  const diagnosis = diagnose({
    spec: asked,
    rounds: first.rounds.slice(0, 7),
    readings: [
      {
        id: 'r',
        copyId: 'c',
        at: 1,
        planVersion: 1,
        afterRound: 7,
        seen: [{ of: 'across', at: 7, values: [2 * 0.95 * first.rounds[6]!.at.radius] }],
        edge: { kind: 'flat' },
        counts: [{ round: 7, count: first.rounds[6]!.count }],
      },
    ],
  })
  const { ways } = waysOut({ spec: asked, hook: 5, plan: first, afterRound: 7, diagnosis })
  const { plan, spec: now }: { plan: Plan; spec: PieceSpec } = ways.find(({ kind }) => kind === 'replan')!
  const cells = cellList(cellsIn(unrolled(plan, { ...frame, x: 0, y: 0, scale: 1 })))
  // In the straight part of a row a stitch is as wide as it is.
  for (const round of plan.rounds.slice(7).filter(({ stitch }) => stitch === 'sc')) {
    const straight = cells.filter(
      ({ round: number, kind, unit }) =>
        number === round.number && kind === 'work' && unit > 0.85 * round.from,
    )
    for (const { top } of straight) {
      expect(Math.abs(top.at(-1)!.x - top[0]!.x)).toBeCloseTo(now.gauge.w, 6)
    }
  }
})

test('turned rounds are drawn backwards, every other one, and cover the same ring', () => {
  const plan = planPiece(spec())
  const { construction } = spec()
  const rounds = { ...construction.rounds, turned: true } as typeof construction.rounds
  const turnedPlan = planPiece(spec({ construction: { ...construction, rounds } }))
  const [straight, turned] = [
    cellList(cellsIn(unrolled(plan, whole))),
    cellList(cellsIn(unrolled(turnedPlan, whole))),
  ]
  const ends = (cells: typeof straight, round: number) =>
    cells.filter((cell) => cell.round === round).flatMap(({ top }) => [top[0]!, top.at(-1)!])
  expect(ends(turned, 3)).toEqual(ends(straight, 3))
  const area = (cells: typeof straight) =>
    ends(cells, 4).reduce((sum, { x, y }) => sum + Math.hypot(x - 300, y - 300), 0)
  expect(area(turned)).toBeCloseTo(area(straight), 6)
  // Anticlockwise goes up from 3 o'clock, and a turned round comes down to it.
  expect([ends(straight, 4)[1]!.y < 300, ends(turned, 4)[1]!.y > 300]).toEqual([true, true])
})
