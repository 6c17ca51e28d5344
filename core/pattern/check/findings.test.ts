import { readFileSync } from 'node:fs'
import { readPattern } from '../read/readPattern.ts'
import { findingsOf } from './findings.ts'
import { mended, mendsFor, readingsAfterEdit } from './mends.ts'

const textOf = (name: string) => readFileSync(`core/testing/patterns/${name}.txt`, 'utf8')
const studied = (text: string) => {
  const read = readPattern(text)
  return { read, findings: findingsOf(read) }
}

test('a total that is the next round’s is told so, lights its characters, and one press writes the right one', () => {
  const text = textOf('wrong-total-next')
  const { read, findings } = studied(text)
  expect(findings).toHaveLength(1)
  const [finding] = findings
  expect(text.slice(finding!.span.from, finding!.span.to)).toBe('(36)')
  expect(finding!.is).toMatchObject({ kind: 'total', stated: 36, made: 30 })
  expect(finding!.reasons).toEqual([
    { kind: 'totalOf', round: 5 },
    { kind: 'restAddsUp', count: 30 },
  ])
  const [mend] = mendsFor(read, finding!)
  expect(mend).toMatchObject({ kind: 'write', text: '30', of: 'total' })
  const after = mended(text, mend!, {})
  expect(after.text).toBe(text.replace('around (36)', 'around (30)'))
  expect(findingsOf(readPattern(after.text))).toEqual([])
})

test('a repeat too few is mended by its number, the smallest change that makes everything agree', () => {
  const text = textOf('wrong-total-next')
    .replace('around (36)', 'around (30)')
    .replace('(4 sc, inc) x 6', '(4 sc, inc) x 5')
  const { read, findings } = studied(text)
  expect(findings.map(({ is }) => is.kind)).toEqual(['uses'])
  const [mend] = mendsFor(read, findings[0]!)
  expect(mend).toMatchObject({ kind: 'write', text: '6', of: 'number' })
  expect(studied(mended(text, mend!, {}).text).findings).toEqual([])
})

test('a slip in a run, not in a repeat, is found by what is there and what is said to come out', () => {
  const { read, findings } = studied(
    'Rnd 1: 6 sc in magic ring (6)\nRnd 2: inc x 6 (12)\nRnd 3: (2 sc, inc) x 6 (18)\nRnd 4: (2 sc, inc) x 6 (24)',
  )
  expect(findings[0]).toMatchObject({ line: 2, is: { kind: 'uses', uses: 18, there: 12 } })
  expect(mendsFor(read, findings[0]!)[0]).toMatchObject({ kind: 'write', text: '1', of: 'number' })
})

test('the same line twice is taken out, a number that is off is put right, a missing round is named with its counts', () => {
  const twice = studied(textOf('doubled-round'))
  expect(twice.findings[0]!.is).toEqual({ kind: 'doubled', number: 3, alike: true })
  const [out] = mendsFor(twice.read, twice.findings[0]!)
  expect(out).toMatchObject({ kind: 'write', text: '', of: 'line' })
  expect(studied(mended(twice.read.text, out!, {}).text).findings).toEqual([])

  const off = studied(textOf('misnumbered'))
  expect(off.findings.map(({ is }) => is)).toEqual([{ kind: 'misnumbered', number: 4, expected: 3 }])
  expect(mendsFor(off.read, off.findings[0]!)[0]).toMatchObject({ kind: 'renumber', from: 3 })
  const [on] = mendsFor(off.read, off.findings[0]!)
  const renumbered = mended(off.read.text, on!, {}).text
  expect(renumbered).toContain('Rnd 3: (sc, inc)')
  expect(renumbered).toContain('Rnd 4: (2 sc, inc)')
  expect(studied(renumbered).findings).toEqual([])

  const gone = studied(textOf('missing-round'))
  // 16 stitches, and the next is worked on 24: (2 + 1) × 8.
  expect(gone.findings.map(({ is }) => is)).toEqual([
    { kind: 'missing', after: 2, before: 4, has: 16, needs: 24 },
  ])
})

test('a chain that nothing is said of is read so that most totals agree; told otherwise, what then is off is said', () => {
  const counting = readPattern(textOf('dc-only-us'))
  expect(counting.conventions.chainCounts).toBe('tall')
  expect(counting.pieces[0]!.rounds[0]!.chain).toMatchObject({ times: 3, counts: true, said: false })
  const not = readPattern(textOf('chain-not-counted'))
  expect(not.conventions.chainCounts).toBe('never')
  expect(not.conventions.better.chainCounts).toBe(true)
  const forced = readPattern(textOf('chain-not-counted'), { chainCounts: 'tall', terms: 'US' })
  const [first] = findingsOf(forced)
  expect(first!.is).toMatchObject({ kind: 'total', stated: 12, made: 13 })
  expect(first!.reasons).toContainEqual({ kind: 'chain', counts: false })
})

test('whose words they are is told by a word that only one has, by what lies flat, or by the text; strange words are found', () => {
  expect(readPattern(textOf('bench-cushion-uk')).termsFound.declared).toMatchObject({ terms: 'UK' })
  expect(readPattern(textOf('dc-only-uk')).conventions).toMatchObject({
    terms: 'UK',
    better: { terms: true },
  })
  expect(readPattern(textOf('dc-only-us')).conventions.terms).toBe('US')
  expect(readPattern(textOf('dc-only-us'), { terms: 'UK' }).pieces[0]!.rounds[0]!.stitch).toBe('sc')
  const { findings } = studied('US terms\nRnd 1: 10 htr in magic ring (10)\nRnd 2: 2 htr in each st (20)')
  expect(findings.map(({ is }) => is)).toEqual([{ kind: 'terms', word: 'htr', says: 'US' }])
})

test('a count said by hand stands, whatever the steps say, and goes along when lines before it change', () => {
  const text = textOf('unread-words')
  const at = text.indexOf('Rnd 2')
  const read = readPattern(text, { ends: { [at]: 12 } })
  expect(read.pieces[0]!.rounds.map(({ count }) => count)).toEqual([6, 12, 18])
  // Shaped evenly, so that the rest can be worked: 6 into 12 is one more in each.
  expect(read.pieces[0]!.rounds[1]).toMatchObject({ byHand: true, uses: 6, makes: 12, problems: [] })
  expect(findingsOf(read)).toEqual([])
  expect(readingsAfterEdit(text, `A note\n${text}`, { ends: { [at]: 12 } })).toEqual({
    ends: { [at + 7]: 12 },
  })
  expect(readingsAfterEdit(text, `${text}R4`, { ends: { [at]: 12 } })).toEqual({ ends: { [at]: 12 } })
  const by = readPattern(textOf('wrong-total-next'), {
    ends: { [textOf('wrong-total-next').indexOf('R5')]: 36 },
  })
  expect(findingsOf(by).map(({ is }) => is)).toMatchObject([{ kind: 'uses', uses: 30, there: 36 }])
  const moved = mended(
    text,
    { kind: 'write', span: { from: 0, to: 4 }, text: 'A longer name', of: 'line' },
    { ends: { [at]: 12 } },
  )
  expect(moved.readings.ends).toEqual({ [at + 9]: 12 })
})

test('a repeat that may be five or six is taken as the round below has it, and said', () => {
  const repeatIn = (below: number, line: string) =>
    readPattern(`Rnd 1: ${below} sc in magic ring (${below})\nRnd 2: ${line}`).pieces[0]!.rounds[1]!
  expect(repeatIn(6, '*inc; repeat from * 5 times').repeat).toMatchObject({ said: 5, inAll: 6, fits: true })
  expect(repeatIn(5, '*inc; repeat from * 5 times').repeat).toMatchObject({ said: 5, inAll: 5, fits: true })
  // Neither is what there is: as is usual, and nobody says that it is sure.
  expect(repeatIn(9, '*inc; repeat from * 5 times').repeat).toMatchObject({ inAll: 6, fits: false })
  // Said plainly there is nothing to choose.
  expect(repeatIn(6, '*inc; repeat from * 5 more times').repeat).toBeUndefined()
  expect(repeatIn(6, '(inc) 6 times').repeat).toBeUndefined()
})
