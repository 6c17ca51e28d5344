import fc from 'fast-check'
import { readdirSync, readFileSync } from 'node:fs'
import { discSpec } from '../../testing/specs.ts'
import { findingsOf } from '../check/findings.ts'
import { mendsFor } from '../check/mends.ts'
import { studyPattern } from '../studyPattern.ts'
import { readPattern, refusePattern } from './readPattern.ts'
import { runs } from '../../testing/runs.ts'

const IN = { gauge: discSpec(200).gauge, hook: 5, pace: 18 }

/** Words and signs of patterns, and what has no place in them. */
const BITS = [
  ...[
    'sc',
    '2 sc',
    'inc',
    'dec',
    '(',
    ')',
    '[',
    ']',
    '*',
    'x 6',
    '× 3',
    'rep from * around',
    'around',
    'in next st',
  ],
  ...[
    'in each st',
    'ch 3',
    'skip 2',
    'join',
    'turn',
    'R1:',
    'Rnd 2:',
    'Row 3:',
    '\n',
    ',',
    ';',
    '.',
    '6',
    '999999',
  ],
  ...[
    '10^9 times',
    'magic ring',
    'in 2nd ch from hook',
    'hdc',
    'tr',
    'htr',
    '(6)',
    '= 18',
    '— 24',
    'FPdc',
    'BLO',
  ],
  ...[
    '5-dc popcorn',
    'in same st',
    'to last 2 sts',
    'other side',
    'last ch',
    'change to B',
    'Lid (make 2)',
    'twice',
  ],
  ...[
    'Rep rnd 2 twice more',
    'until piece measures 5 cm',
    'leave 3',
    'along the ends of the rows',
    'over the heel',
  ],
  ...[
    'ю',
    'שלום',
    '\u202e',
    '<b>',
    '<script>alert(1)</script>',
    '\u0000',
    '💥',
    '0',
    '-5',
    'in ring',
    '3 dc in ch-2 sp',
  ],
]

/** Nobody loses a text: every line that is read lies in it, in order, and every finding lights some of it. */
function expectWhole(text: string): void {
  const read = readPattern(text)
  let before = 0
  for (const { span } of read.lines) {
    expect(span.from).toBeGreaterThanOrEqual(before)
    expect(span.to).toBeLessThanOrEqual(text.length)
    before = span.to
  }
  for (const { span } of findingsOf(read)) {
    expect(span.from).toBeGreaterThanOrEqual(0)
    expect(span.to).toBeLessThanOrEqual(text.length)
  }
  const studied = studyPattern(text, {}, IN)
  if (!studied.ok) return
  for (const recognition of studied.study.pieces) {
    if (recognition.ok) expect(recognition.is.plan.rounds.length).toBeGreaterThan(0)
  }
}

test('whatever is typed is read to its end, laid or said why not', () => {
  const line = fc.array(fc.oneof(fc.constantFrom(...BITS), fc.string({ maxLength: 6 })), { maxLength: 22 })
  fc.assert(
    fc.property(line, (bits) => expectWhole(bits.join(' '))),
    { numRuns: runs(400), endOnFailure: true },
  )
})

test('patterns with a character changed, cut out or put in are read, and their mends leave less wrong', () => {
  const texts = readdirSync('core/testing/patterns').flatMap((name) =>
    name.endsWith('.txt') ? [readFileSync(`core/testing/patterns/${name}`, 'utf8')] : [],
  )
  const change = fc.record({
    text: fc.constantFrom(...texts),
    at: fc.nat({ max: 5000 }),
    cut: fc.nat({ max: 3 }),
    put: fc.oneof(fc.constant(''), fc.constantFrom(...BITS), fc.string({ maxLength: 2 })),
  })
  fc.assert(
    fc.property(change, ({ text, at, cut, put }) => {
      const place = at % text.length
      const next = text.slice(0, place) + put + text.slice(place + cut)
      expectWhole(next)
      const read = readPattern(next)
      const [first] = findingsOf(read)
      if (!first || at % 8 !== 0) return
      for (const mend of mendsFor(read, first)) {
        if (mend.kind === 'write') expect(mend.span.to).toBeLessThanOrEqual(next.length)
      }
    }),
    { numRuns: runs(250), endOnFailure: true },
  )
})

test('what goes on without end, too deep or too long is said in a sentence, and all else still works', () => {
  const kinds = (text: string) => findingsOf(readPattern(text)).map(({ is }) => is.kind)
  const first = 'Rnd 1: 6 sc in magic ring (6)\n'
  expect(kinds(`${first}Rnd 2: (sc, inc) x 999999`)).toContain('tooMany')
  expect(kinds(`${first}Rnd 2: (((sc x 999) x 999) x 999) x 999`)).toContain('tooMany')
  expect(kinds(`${first}Rnd 2: ch 999999, sc around`)).toContain('tooMany')
  expect(kinds(`${first}Rnd 2: rep 1000000000 times`).length).toBeGreaterThan(0)
  expect(kinds(`${first}Rnd 2: *ch 1; rep from * around`)).toContain('doesNotDivide')
  expect(kinds(`${first}Rnd 2: ${'('.repeat(900)}sc${')'.repeat(900)}`)).toContain('unread')
  expect(kinds(`${first}Rep rnd 7 twice more`)).toEqual(['unreadLine'])
  expect(readPattern(`${first}Rnds 2-9999: sc around`).pieces[0]!.rounds.length).toBeLessThanOrEqual(1000)
  expect(readPattern(`${first}Rnd 2: ${'sc, '.repeat(3000)}`).lines).toHaveLength(2)
})

test('what is no text is refused with what would do; other alphabets and tags are kept as notes, and never run', () => {
  expect(refusePattern('x'.repeat(200_001))).toMatchObject({
    message: expect.stringContaining('thousand characters'),
  })
  expect(refusePattern('%PDF\u0000\u0001\u0002\u0003\u0004\u0005\u0006\u0000\u0001 obj')).toMatchObject({
    message: expect.stringContaining('no text'),
  })
  expect(refusePattern('Rnd 1: 6 sc in magic ring (6)')).toBeUndefined()
  for (const text of [
    'שורה ראשונה: שש לולאות',
    '第一圈：六针',
    '<img src=x onerror=alert(1)>',
    '\u202eabc\u202c',
  ]) {
    const read = readPattern(`${text}\nRnd 1: 6 sc in magic ring (6)`)
    expect(read.lines.map(({ is }) => is)).toEqual(['note', 'rounds'])
    expect(read.pieces[0]!.rounds[0]!.count).toBe(6)
  }
  expect(readPattern('').lines).toEqual([])
})
