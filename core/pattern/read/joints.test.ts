import { mendsFor, mended } from '../check/mends.ts'
import { findingsOf } from '../check/findings.ts'
import { jointsAsWritten } from '../jointsAsWritten.ts'
import { readPattern } from './readPattern.ts'

const DISC = `Rnd 1: 6 sc in magic ring (6)
Rnd 2: inc x 6 (12)
Rnd 3: (sc, inc) x 6 (18)`
const PAD = `Side (make 2)\n${DISC}`
const CASE = `Body\n${DISC}\nRnd 4: sc around (18)\n\nLid\n${DISC}`

const both = [
  { piece: 0, copy: 1 },
  { piece: 0, copy: 2 },
]
const lidOnBody = [
  { piece: 0, copy: 1 },
  { piece: 1, copy: 1 },
]

test.each([
  ['Hold both pieces together, sc through both layers around (18)', { way: 'throughBoth', stitches: 18 }],
  [
    'Hold both sides together, wrong sides facing.\nSc in each st through both layers (18).',
    { way: 'throughBoth', stitches: 18 },
  ],
  [
    'Rnd 4: holding the two layers together, sc in each st around, join with sl st in first st (18)',
    { way: 'throughBoth', stitches: 18, written: 4 },
  ],
  ['Whip stitch the two sides together.', { way: 'whip' }],
  [
    'Sew both pieces together, leaving the last 4 sts open; stuff, then close.',
    { way: 'whip', open: 4, fills: true },
  ],
  [
    'Join the two circles together with slip stitch, 14 sl sts, leaving a gap of 4 sts.',
    { way: 'slipStitch', stitches: 14, open: 4 },
  ],
  ['Place both discs together and crochet through both discs, 18 sc.', { way: 'throughBoth', stitches: 18 }],
  ['Mattress stitch the two halves together', { way: 'mattress' }],
])('two alike: %s', (line, expected) => {
  const read = readPattern(`${PAD}\n\n${line}\n`)
  expect(read.pieces).toHaveLength(1)
  expect(read.pieces[0]!.rounds).toHaveLength(3)
  expect(read.joints).toHaveLength(1)
  expect(read.joints[0]).toMatchObject({ ...expected, of: both })
  expect(findingsOf(read)).toEqual([])
  expect(read.text.slice(read.joints[0]!.span.from, read.joints[0]!.span.to)).toContain(
    line.split('\n').at(-1)!.slice(-8),
  )
})

test('two of a text by their names, or the last two; the number of a seam is none that is missing', () => {
  const named = readPattern(`${CASE}\n\nSew the lid to the body with a whip stitch.`)
  expect(named.joints).toMatchObject([{ way: 'whip', of: lidOnBody }])
  const unnamed = readPattern(`${CASE}\nRnd 4: sc through both layers (18)\nRnd 5: sc around (18)`)
  expect(unnamed.joints).toMatchObject([{ way: 'throughBoth', of: lidOnBody, written: 4 }])
  expect(findingsOf(unnamed)).toEqual([])
  // The second of a pair may be asked for in words.
  const another = readPattern(`${DISC}\nMake another the same.\nSew both pieces together.`)
  expect(another.pieces).toMatchObject([{ quantity: 2 }])
  expect(another.joints).toMatchObject([{ of: both }])
})

test.each([
  'Rnd 4: sc in each st through both loops (18)',
  'Rnd 4: sc2tog x 9 (9)',
  'Rnd 4: *sc in next 2 sts, hold back the last loop of each; rep from * around, join with sl st (18)',
  'Join with sl st to the first sc.',
  'Attach the ring to the hook in the porch.',
])('joins nothing: %s', (line) => {
  expect(readPattern(`${PAD}\n${line}`).joints).toEqual([])
  expect(readPattern(`${CASE}\n${line}`).joints).toEqual([])
})

test('one piece of which there is only one is joined to nothing: the line stays as a note', () => {
  const { joints, lines } = readPattern(`${DISC}\nSew both pieces together.`)
  expect(joints).toEqual([])
  expect(lines.at(-1)!.is).toBe('note')
})

test('a seam that its edges cannot have is found at its line, and mended by its own number', () => {
  const wrong = readPattern(`${PAD}\nHold both layers together, sc through both layers (16)`)
  const [finding, ...others] = findingsOf(wrong)
  expect(others).toEqual([])
  expect(finding!.is).toEqual({ kind: 'joint', stated: 16, edges: [18, 18] })
  const [mend] = mendsFor(wrong, finding!)
  expect(findingsOf(readPattern(mended(wrong.text, mend!, {}).text))).toEqual([])
  const uneven = readPattern(`${CASE}\nRnd 4: inc around (36)\nSc through both layers.`)
  expect(findingsOf(uneven)[0]!.is).toEqual({ kind: 'joint', stated: undefined, edges: [18, 36] })
})

test('its joints go between the pieces that are kept; what a filling goes in through is joined in the end', () => {
  const kept = (text: string, pieces: Parameters<typeof jointsAsWritten>[1]) =>
    jointsAsWritten(readPattern(text), pieces)
  const one = new Map([[0, { id: 'side', last: 18 }]])
  const edge = (pieceId: string, copy: number, count: number) => ({
    pieceId,
    copy,
    of: 'last',
    from: 0,
    count,
  })
  expect(kept(`${PAD}\nSew both pieces together, leave 5 sts open; stuff.`, one)).toEqual([
    { way: 'whip', edges: [edge('side', 1, 18), edge('side', 2, 18)], filledThrough: 5 },
  ])
  expect(kept(`${PAD}\nSc through both layers, leave 5 sts open.`, one)).toEqual([
    { way: 'throughBoth', edges: [edge('side', 1, 13), edge('side', 2, 13)] },
  ])
  // Of two one could not be read: nothing is joined to it.
  expect(kept(`${CASE}\nSew the lid to the body.`, new Map([[1, { id: 'lid', last: 18 }]]))).toEqual([])
})
