import { followWords, strays } from './shapeWords.ts'

const offs = (...all: number[]) => all.map((off, index) => ({ round: index + 1, off }))
const cm = { unit: 'cm' as const, full: (mm: number) => `${(mm / 10).toFixed(1)} cm` }

test('one round is named for every stretch that strays, the farthest of it', () => {
  const found = strays(offs(0, -1, -2.4, -4.6, -3, 0.2, 1.9, 2.2, 6.1, 3, 0, 0))
  expect(found).toEqual([
    { round: 4, off: -4.6 },
    { round: 9, off: 6.1 },
  ])
  // Straight from inside to outside are two stretches.
  expect(strays(offs(-3, 3))).toHaveLength(2)
})

test('it is said how far, which way, and where; what nobody sees is not', () => {
  expect(followWords(offs(0, 1.9, -1.9), cm)).toEqual(['It follows its shape', 'all the way.'])
  expect(followWords(offs(0, -4.6, 0, 6.1), cm)).toEqual([
    'It strays from its shape by 6 mm at the most:',
    '5 mm in at Rnd 2, 6 mm out at Rnd 4.',
  ])
  const inches = { unit: 'in' as const, full: (mm: number) => `${Math.round(mm / 3.175)}⁄8 in` }
  expect(followWords(offs(9.4), inches)[1]).toBe('3⁄8 in out at Rnd 1.')
})
