import { planPiece } from '../plan/planPiece.ts'
import type { Construction, PieceSpec } from '../plan/plan.ts'
import { ovalSpec } from '../testing/chainSpecs.ts'
import { discSpec } from '../testing/specs.ts'
import { roundEnding } from './roundEnding.ts'
import { writeRound, writeRoundBody } from './writeRound.ts'

const usual = discSpec(100).construction

function roundsOf(stitch: PieceSpec['stitch'], ratio: number, changes: Partial<Construction>) {
  const construction = { ...usual, ...changes }
  const { rounds } = planPiece(discSpec(2 * 8 * 8 * ratio, { stitch, construction }, ratio))
  return rounds.map((round, index) => ({
    round,
    ...writeRound(round, { spec: { construction }, terms: 'US', below: rounds[index - 1] }),
  }))
}

test('joined sc: a chain that does not count, a join in the first stitch', () => {
  const [first, , third] = roundsOf('sc', 0.955, {})
  expect(first).toMatchObject({
    start: 'magic ring, ch 1',
    body: '6 sc in ring',
    end: 'join with sl st in first st',
  })
  expect(third).toMatchObject({ start: 'ch 1', body: '(sc, inc) × 6' })
})

test('spiral: no chain and no join', () => {
  const [first, second] = roundsOf('sc', 0.955, { rounds: { kind: 'spiral' }, start: { kind: 'chainTwo' } })
  expect(first).toMatchObject({ start: 'ch 2', body: '6 sc in 2nd ch from hook', end: 'move the marker up' })
  expect(second).toMatchObject({ start: '', body: 'inc × 6' })
})

test('dc with a chain that counts: the chain is the first stitch, an increase there needs one fewer', () => {
  const rounds = { kind: 'joined', turned: true, begins: 'countingChain', shaping: 'atTheJoin' } as const
  const [first, second, third] = roundsOf('dc', 1.91, {
    rounds,
    start: { kind: 'chainRing', chains: 4 },
    placement: 'stacked',
  })
  expect(first).toMatchObject({
    start: 'ch 4, join into a ring with sl st, ch 3 (counts as 1 dc)',
    end: 'join with sl st in top of ch, turn',
  })
  expect(first!.body).toBe(`${first!.round.count - 1} dc in ring`)
  expect(second).toMatchObject({
    start: 'ch 3 (counts as 1 dc), dc in same st',
    body: `inc × ${second!.round.from - 1}`,
  })
  expect(third!.body).toMatch(/^inc, \(dc, inc\) × \d+$/)
})

test('chain 2 in joined rounds: into the 2nd chain, no ring, and tall stitches as many more chains', () => {
  const start = { kind: 'chainTwo' } as const
  expect(roundsOf('sc', 0.955, { start })[0]).toMatchObject({
    start: 'ch 2',
    body: '6 sc in 2nd ch from hook',
  })
  const joined = { kind: 'joined', turned: false, shaping: 'atTheJoin' } as const
  expect(roundsOf('dc', 1.91, { start, rounds: { ...joined, begins: 'chain' } })[0]).toMatchObject({
    start: 'ch 3',
    body: '12 dc in 3rd ch from hook',
  })
  expect(roundsOf('dc', 1.91, { start, rounds: { ...joined, begins: 'countingChain' } })[0]).toMatchObject({
    start: 'ch 4',
    body: '11 dc in 4th ch from hook, the 3 skipped ch count as 1',
  })
})

test('a chain that does not count says so where it could be taken for a stitch', () => {
  const [, second] = roundsOf('dc', 1.91, {})
  expect(second!.start).toBe('ch 2 (does not count)')
  expect(roundsOf('sc', 0.955, {})[1]!.start).toBe('ch 1')
})

test('a plan that changes convention between stitches says so at the change', () => {
  const rounds = { kind: 'joined', turned: false, begins: 'countingChain', shaping: 'offTheJoin' } as const
  const construction: Construction = { ...usual, rounds }
  const [dc, sc] = planPiece(discSpec(120, { stitch: 'dc', construction }, 1.91)).rounds.slice(-2)
  const trimmed = { ...sc!, stitch: 'sc' as const }
  expect(writeRound(dc!, { spec: { construction }, terms: 'US', below: dc }).start).toBe(
    'ch 3 (counts as 1 dc)',
  )
  expect(writeRound(trimmed, { spec: { construction }, terms: 'US', below: dc }).start).toBe(
    'ch 1 (from here on the ch does not count)',
  )
  expect(writeRound(trimmed, { spec: { construction }, terms: 'UK', below: trimmed }).start).toBe('ch 1')
})

test('a standing stitch begins the round: no chain, and an increase there is completed in the same stitch', () => {
  const rounds = { kind: 'joined', turned: false, begins: 'standingStitch', shaping: 'atTheJoin' } as const
  const [first, second, third] = roundsOf('dc', 1.91, { rounds, placement: 'stacked' })
  expect(first!.start).toBe('magic ring, ch 2 (does not count)')
  expect(second).toMatchObject({
    start: 'standing dc, dc in same st',
    body: 'inc × 11',
    end: 'join with sl st in first st',
  })
  expect(third).toMatchObject({ start: 'standing dc', body: 'inc, (dc, inc) × 11' })
})

test('UK terms name the same stitches otherwise', () => {
  const { rounds } = planPiece(discSpec(100))
  expect(writeRoundBody(rounds[2]!, 'UK')).toBe('(dc, inc) × 6')
})

test('the check at the end comes from the real steps', () => {
  const { rounds } = planPiece(discSpec(200))
  expect(roundEnding(rounds[2]!)).toMatchObject({ kind: 'inc', stitch: 'sc', run: 1 })
  expect(roundEnding(rounds[1]!)).toMatchObject({ kind: 'inc', stitch: 'sc', run: 6 })
  // Round 4 is staggered: sc, inc, (2 sc, inc) × 5, sc.
  expect(roundEnding(rounds[3]!)).toMatchObject({ kind: 'work', stitch: 'sc', run: 1, after: 'inc' })
})

test('rounds around a chain are written by its sides and ends, the first with where it begins', () => {
  const written = (ends: 'exact' | 'fewer', into: 'loops' | 'bumps' = 'loops') => {
    const plain = ovalSpec({ length: 120, width: 50, ends })
    const construction = { ...plain.construction, start: { kind: 'chainAlong', into } as const }
    const { rounds } = planPiece({ ...plain, construction })
    return rounds.map((round, index) =>
      writeRound(round, { spec: { construction }, terms: 'US', below: rounds[index - 1] }),
    )
  }
  const [first, second, third] = written('exact')
  expect(first).toMatchObject({
    start: 'ch 11, begin in 2nd ch from hook',
    body: '9 sc, 4 sc in last ch, on the other side 8 sc, 3 sc in first ch',
    end: 'join with sl st in first st',
  })
  expect(second!.body).toBe('(9 sc, inc × 3) × 2')
  expect(third!.body).toBe('(9 sc, (sc, inc) × 3) × 2')
  const [fewer] = written('fewer', 'bumps')
  expect(fewer).toMatchObject({
    start:
      'ch 12, begin in 3rd ch from hook, into the back bumps, the end ch stays free till the round comes back to it',
    body: '9 sc, 3 sc in last ch, on the other side 9 sc, 3 sc in first ch',
  })
})
