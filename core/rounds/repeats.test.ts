import fc from 'fast-check'
import { longestRepeat } from './longestRepeat.ts'
import { expandSteps, increase, plain, stitchesConsumed, stitchesProduced, type Unit } from './steps.ts'
import { stepsFromUnits } from './stepsFromUnits.ts'

const DOES = { work: [1, 1], inc: [1, 2], dec: [2, 1] } as const
const unit = (kind: Unit['kind']): Unit => {
  const [uses, makes] = DOES[kind]
  return { kind, uses, makes, stitch: 'sc', step: 0, time: 0 }
}
const anyUnits = fc.array(fc.constantFrom<Unit['kind']>('work', 'work', 'work', 'inc', 'dec'), {
  minLength: 1,
  maxLength: 60,
})

test('units written as steps and written out again are the same units', () => {
  fc.assert(
    fc.property(anyUnits, (kinds) => {
      const steps = stepsFromUnits(kinds.map(unit))
      expect(expandSteps(steps).map(({ kind }) => kind)).toEqual(kinds)
      const makes = { work: 1, inc: 2, dec: 1 }
      const uses = { work: 1, inc: 1, dec: 2 }
      expect(stitchesProduced(steps)).toBe(kinds.reduce((sum, kind) => sum + makes[kind], 0))
      expect(stitchesConsumed(steps)).toBe(kinds.reduce((sum, kind) => sum + uses[kind], 0))
    }),
  )
})

test('a repeat is written once, whatever stands before and after it', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 5 }),
      fc.integer({ min: 1, max: 9 }),
      fc.integer({ min: 3, max: 12 }),
      fc.integer({ min: 0, max: 5 }),
      (before, plain, times, after) => {
        fc.pre(before !== plain && after !== plain)
        const run = (count: number) => new Array<Unit>(count).fill(unit('work'))
        const cell = [...run(plain), unit('inc')]
        const units = [...run(before), unit('dec'), ...new Array(times).fill(cell).flat(), ...run(after)]
        const steps = stepsFromUnits(units as Unit[])
        expect(Math.max(...steps.map((step) => step.times))).toBe(times)
        expect(steps.length).toBeLessThanOrEqual(3)
      },
    ),
  )
})

test('time and step count up as they are worked', () => {
  const units = expandSteps([
    {
      times: 2,
      ops: [plain('sc', 2), increase('sc')],
    },
    { times: 1, ops: [plain('hdc')] },
  ])
  expect(units.map(({ step, time }) => `${step}.${time}`)).toEqual([
    '0.0',
    '0.0',
    '0.0',
    '0.1',
    '0.1',
    '0.1',
    '1.0',
  ])
  expect(units.at(-1)).toEqual({ kind: 'work', uses: 1, makes: 1, stitch: 'hdc', step: 1, time: 0 })
})

test('the longest repeat covers no less than any other, and really repeats', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 1, maxLength: 30 }), (items) => {
      const { period, times } = longestRepeat(items, 0, 6)
      for (let index = 0; index < period * times; index++) expect(items[index]).toBe(items[index % period])
      for (let other = 1; other <= 6; other++) {
        let again = 1
        while (
          other * (again + 1) <= items.length &&
          items.slice(other * again, other * (again + 1)).every((item, index) => item === items[index])
        ) {
          again++
        }
        if (again > 1) expect(period * times).toBeGreaterThanOrEqual(other * again)
      }
    }),
  )
})
