import fc from 'fast-check'
import { writeRound } from '../../pattern/writeRound.ts'
import { planPiece } from '../../plan/planPiece.ts'
import { verify } from '../../rounds/verify.ts'
import { inStitches, plannedIfAny } from '../../testing/chainSpecs.ts'
import { strapSpec } from '../../testing/rowSpecs.ts'
import { promise } from '../../testing/specs.ts'
import { runs } from '../../testing/runs.ts'

test('a strap: as many chains as stitches and one to turn, rows of one count, as long as it was asked', () => {
  const spec = strapSpec({ wide: 40, long: 300 })
  const { rounds, finished } = planPiece(spec)
  const write = (index: number) =>
    writeRound(rounds[index]!, { spec, terms: 'US', below: rounds[index - 1], above: rounds[index + 1] })
  expect(write(0)).toEqual({ start: 'ch 9, begin in 2nd ch from hook', body: 'sc in each ch', end: 'turn' })
  expect(write(1)).toEqual({ start: 'ch 1', body: 'sc in each st', end: 'turn' })
  expect(write(rounds.length - 1).end).toBe('fasten off')
  // By hand: 40 / 5 stitches, 300 / 4.775 rows.
  expect(rounds).toHaveLength(63)
  expect(new Set(rounds.map(({ count }) => count))).toEqual(new Set([8]))
  expect(promise(finished, 'alongRow').value).toBeCloseTo(40, 1)
  expect(Math.abs(promise(finished, 'length').value - 300)).toBeLessThan(2.5)
})

test('a chain that counts is the first stitch of a tall row, and is one of those that were passed over', () => {
  const plain = strapSpec({ wide: 60 }, { stitch: 'dc' }, 1.91)
  const rounds = { kind: 'joined', turned: true, begins: 'countingChain', shaping: 'offTheJoin' } as const
  const spec = { ...plain, construction: { ...plain.construction, rounds } }
  const [first, second] = planPiece(spec).rounds
  expect(writeRound(first!, { spec, terms: 'US', above: second })).toEqual({
    start: 'ch 14, begin in 4th ch from hook, the 3 skipped ch count as 1',
    body: '11 dc',
    end: 'turn',
  })
})

test('a point narrows by one at each edge in every row down to two or three, and is part of the length', () => {
  fc.assert(
    fc.property(
      fc.record({
        wide: fc.double({ min: 15, max: 200, noNaN: true }),
        long: fc.double({ min: 150, max: 600, noNaN: true }),
        w: fc.double({ min: 3, max: 9, noNaN: true }),
        stitch: fc.constantFrom('sc' as const, 'hdc' as const, 'dc' as const),
      }),
      ({ wide, long, w, stitch }) => {
        const spec = inStitches(strapSpec({ wide, long, end: 'pointed' }, { stitch }), stitch, w, 1)
        const plan = plannedIfAny(spec)
        if (!plan) return
        expect(verify(plan.rounds)).toEqual([])
        const point = plan.rounds.filter(({ section }) => section === 'point')
        const strip = plan.rounds.filter(({ section }) => section === 'strip')
        let below = strip.at(-1)!
        for (const row of point) {
          expect(row.count).toBe(below.count - 2)
          expect(row.side).not.toBe(below.side)
          below = row
        }
        expect([2, 3]).toContain(below.count)
        const last = plan.rounds.at(-1)!
        expect(Math.abs(last.at.arc - long)).toBeLessThanOrEqual(spec.gauge.h * 1.01)
      },
    ),
    { numRuns: runs(50), endOnFailure: true },
  )
})

test('a slanted end narrows by one in every row at one edge; the other lies straight, where the strip has it', () => {
  fc.assert(
    fc.property(
      fc.record({
        wide: fc.double({ min: 15, max: 120, noNaN: true }),
        long: fc.double({ min: 250, max: 600, noNaN: true }),
        w: fc.double({ min: 3, max: 9, noNaN: true }),
      }),
      ({ wide, long, w }) => {
        const plan = plannedIfAny(inStitches(strapSpec({ wide, long, end: 'slanted' }), 'sc', w, 1))
        if (!plan) return
        expect(verify(plan.rounds)).toEqual([])
        const [tail, strip] = ['point', 'strip'].map((id) =>
          plan.rounds.filter(({ section }) => section === id),
        )
        const edge = strip!.at(-1)!
        expect(tail!.map(({ count }) => count)).toEqual(
          Array.from({ length: edge.count - 2 }, (_, row) => edge.count - 1 - row),
        )
        for (const { at, side, count, steps } of tail!) {
          // The far edge of every row stands where the strip ends; the near one a stitch farther in each time.
          expect(at.from! + at.share!).toBeCloseTo(1, 9)
          expect(at.share).toBeCloseTo(count / edge.count, 9)
          const { ops } = steps[0]!
          expect((side === 'right' ? ops[0] : ops.at(-1))!.uses).toBe(2)
        }
        expect(Math.abs(plan.rounds.at(-1)!.at.arc - long)).toBeLessThanOrEqual(
          edge.at.arc - strip!.at(-2)!.at.arc + 1e-9,
        )
      },
    ),
    { numRuns: runs(50), endOnFailure: true },
  )
})

test.each([
  [{ wide: 0 }, /under 2 stitches/],
  [{ wide: 5000 }, /wider than a strap/],
  [{ long: 4 }, /under 2 rows/],
  [{ long: 20, wide: 100, end: 'pointed' as const }, /and the point/],
  [{ long: 99_999 }, /longer than a room/],
])('%o is refused in a sentence', (form, message) => {
  expect(() => planPiece(strapSpec(form))).toThrow(message)
})
