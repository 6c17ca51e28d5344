import { FAMILY_NAMES, fieldsOf, planPiece, usualForm, wallFit } from '../../core/index.ts'
import { tubeSpec } from '../../core/testing/specs.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { askingWordsOf } from './formQuestionWords.ts'
import { wallFitWords } from './wallFitWords.ts'
import { sayForm, sayFormShort } from './formWords.ts'
import { sayAllPromised } from './measureWords.ts'

const cm = (millimetres: number) => (millimetres / 10).toFixed(1)
const sizes = {
  full: (mm: number) => `${cm(mm)} cm`,
  bare: cm,
  withDoubt: (mm: number, by: number) => `${cm(mm)} ± ${cm(by)} cm`,
} as unknown as Sizes

test('every family has words for all that it asks', () => {
  for (const family of FAMILY_NAMES) {
    const words = askingWordsOf({ family })
    for (const field of fieldsOf(family)) {
      const { label, question, choices } = words.fields[field.key]!
      expect([label, question].every((text) => text.length > 0)).toBe(true)
      if (field.kind === 'choice') expect(Object.keys(choices!)).toEqual(field.choices)
    }
    expect(sayForm(usualForm(family), sizes)).toMatch(/\d/)
  }
  expect(sayForm(usualForm('disc'), sizes)).toBe('22.0 cm across')
  expect(sayForm(usualForm('tube'), sizes)).toBe('24.0 around, 16.0 cm long')
  expect(sayFormShort(usualForm('tube'), sizes)).toBe('24.0 × 16.0 cm')
})

test('how a tube sits, by hand: N·w less π times its thickness against what it goes over', () => {
  // 240 mm at 3% ease and 8 mm stitches: 232.8 + π · 4.5 = 246.9 around, 31 stitches, 248 mm; 233.9 inside.
  const spec = tubeSpec({ girth: 240, ease: 0.03, length: 100 })
  const plan = planPiece(spec)
  const fit = wallFit(spec, plan)
  expect(plan.rounds[0]!.count).toBe(31)
  expect(fit.inside).toBeCloseTo(248 - Math.PI * 4.5, 3)
  expect(fit.outside).toBeCloseTo(248 + Math.PI * 4.5, 3)
  expect(wallFitWords(fit, sizes)).toEqual(['Stretches 2.6%:', '23.4 cm inside, around 24.0 cm.'])
  expect(wallFitWords({ ...fit, snug: -0.02 }, sizes)[0]).toBe('Room of 2.0%:')
  expect(wallFitWords({ ...fit, snug: 0.001 }, sizes)[0]).toBe('Sits as it is:')
  expect(wallFitWords({ inside: 200, middle: 214, outside: 228 }, sizes)).toEqual([
    '20.0 cm around inside,',
    '22.8 cm outside.',
  ])
  expect(wallFitWords(fit, sizes, true)).toEqual(['How it sits', 'is told once its gauge is known.'])
  expect(sayAllPromised(plan.finished.promises, sizes)).toMatch(
    /^\d+\.\d ± \d\.\d cm long, 12\.4 ± \d\.\d cm wide laid flat$/,
  )
  expect(sayAllPromised(plan.finished.promises, sizes, true)).toMatch(/ to \d+\.\d cm long, /)
})
