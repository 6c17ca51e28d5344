import fc from 'fast-check'
import type { OutlinePoint } from '../../../core/index.ts'
import { moved, withoutPoint, withPointAfter } from './outlineEdits.ts'

const LIMITS = { widest: 1000, highest: 1000 }
const JAR: readonly OutlinePoint[] = [
  { across: 90, up: 0 },
  { across: 130, up: 60 },
  { across: 80, up: 160 },
]

test('wherever its points are pulled, a shape goes up from its foot, within its limits', () => {
  const pull = fc.record({
    index: fc.nat({ max: 20 }),
    across: fc.double({ min: -500, max: 3000, noNaN: true }),
    up: fc.double({ min: -500, max: 3000, noNaN: true }),
    deed: fc.constantFrom('move' as const, 'add' as const, 'remove' as const),
  })
  fc.assert(
    fc.property(fc.array(pull, { maxLength: 30 }), (pulls) => {
      let outline: readonly OutlinePoint[] = JAR
      for (const { index: wanted, across, up, deed } of pulls) {
        const index = wanted % outline.length
        if (deed === 'move') outline = moved(outline, index, { across, up }, LIMITS)
        else if (deed === 'add' && outline.length < 12) outline = withPointAfter(outline, index, LIMITS)
        else if (deed === 'remove') outline = withoutPoint(outline, index)
        expect(outline.length).toBeGreaterThanOrEqual(2)
        expect(outline[0]!.up).toBe(0)
        outline.forEach((point, at) => {
          expect(point.across >= 0 && point.across <= LIMITS.widest).toBe(true)
          expect(point.up >= (outline[at - 1]?.up ?? 0) && point.up <= LIMITS.highest).toBe(true)
        })
      }
    }),
    { endOnFailure: true },
  )
})

test('a point is added halfway to the next, or over the last; the foot stays', () => {
  expect(withPointAfter(JAR, 0, LIMITS)[1]).toEqual({ across: 110, up: 30 })
  expect(withPointAfter(JAR, 2, LIMITS)[3]).toEqual({ across: 80, up: 190 })
  expect(withoutPoint(JAR, 0)).toBe(JAR)
  expect(withoutPoint(JAR, 1)).toEqual([JAR[0], JAR[2]])
})
