import { formatLength, sayLength, type Notice, type PieceRecord, type Plan } from '../../core/index.ts'
import { newPiece } from '../../core/exchange/newPiece.ts'
import { planPiece } from '../../core/plan/planPiece.ts'
import { discSpec } from '../../core/testing/specs.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { noticeTexts, openingWords } from './noticeTexts.ts'

const piece: PieceRecord = newPiece({
  id: 'm',
  projectId: 'p',
  gaugeId: 'g',
  yarnId: 'fog',
  form: { family: 'disc', across: 220 },
})
const plan = planPiece(discSpec(220))
const sizes = {
  bare: (mm: number) => formatLength(mm, 'cm'),
  full: (mm: number) => `${formatLength(mm, 'cm')} cm`,
  doubt: (mm: number) => `${formatLength(Math.max(1, mm), 'cm')}`,
} as unknown as Sizes
const said = (notice: Notice, of: Plan = plan, terms: 'US' | 'UK' = 'US') =>
  noticeTexts({ ...of, notices: [notice] }, piece, sizes, terms)[0]

test('a size that is missed is said with what to do, and by how much', () => {
  expect(said({ code: 'sizeMissed', by: -7 })).toMatch(/^Ends 0\.7 cm under the target\./)
  expect(said({ code: 'trimWaits', by: 6.8, plusMinus: 9.4 })).toBe(
    'Whole rounds end 0.7 cm over the target; the size is known to ± 0.9. Measure in work, and Check offers last rounds that trim it.',
  )
})

test('a repeat says what it costs in size and in flatness, and that it costs none when it does not', () => {
  expect(said({ code: 'repeatCost', of: 4, by: 1.5, round: 9, flatness: -0.031 })).toBe(
    'Multiples of 4 make it 0.1 cm larger than free counts would; Rnd 9 is 3.1% shorter than flat.',
  )
  expect(said({ code: 'repeatCost', of: 6, by: 0.2, round: 12, flatness: 0.036 })).toBe(
    'Multiples of 6 cost no size; Rnd 12 is 3.6% longer than flat.',
  )
})

test('an opening that is too tight says so, and from how wide on it lets through what must pass', () => {
  expect(said({ code: 'openingTight', around: 76, passes: 95, stretch: 0.25, least: 53.2 })).toBe(
    'An opening 7.6 cm around does not let 9.5 cm through: it would have to stretch 25.0%. From 5.3 cm wide it does.',
  )
  const fit = { around: 76, stretch: -0.08, passes: true, least: 38 }
  expect(openingWords(fit, sizes)).toBe('It is 7.6 cm around: that passes as it is.')
  expect(openingWords({ ...fit, stretch: 0.05 }, sizes)).toContain('when it stretches 5.0%')
  expect(openingWords({ ...fit, stretch: 0.2, passes: false, least: 45 }, sizes)).toContain(
    'Make it 4.5 cm wide.',
  )
})

test('the last rounds are named in the maker’s terms', () => {
  const trimmed: Plan = {
    ...plan,
    rounds: plan.rounds.map((round, index) =>
      index === plan.rounds.length - 1 ? { ...round, stitch: 'slst' } : round,
    ),
  }
  const last = plan.rounds.length
  const notice: Notice = { code: 'trimLate', afterRound: last - 1, fromRound: last }
  expect(said(notice, trimmed, 'US')).toBe(
    `Measure after Rnd ${last - 1} before you settle the last: ${last} sl st.`,
  )
  expect(said(notice, trimmed, 'UK')).toContain(`${last} ss.`)
})

test('lengths within a sentence: centimetres, what is smaller in millimetres, inches as inches', () => {
  expect([219.34, 100, 6.5, 10].map((mm) => sayLength(mm, 'cm'))).toEqual([
    '21.9 cm',
    '10 cm',
    '6.5 mm',
    '1 cm',
  ])
  expect([219.08, 2.9].map((mm) => sayLength(mm, 'in'))).toEqual(['8 5/8 in', '0.11 in'])
  expect(sayLength(219.3, 'mm')).toBe('219.3 mm')
})
