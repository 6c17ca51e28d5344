import fc from 'fast-check'
import { yarnInk } from './yarnInk.ts'

/** WCAG contrast, worked out here on its own. */
function contrast(one: string, other: string): number {
  const light = (colour: string) => {
    const linear = [1, 3, 5].map((at) => {
      const share = Number.parseInt(colour.slice(at, at + 2), 16) / 255
      return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
    })
    return 0.2126 * linear[0]! + 0.7152 * linear[1]! + 0.0722 * linear[2]!
  }
  const [low, high] = [light(one), light(other)].sort((a, b) => a - b)
  return (high! + 0.05) / (low! + 0.05)
}

const colour = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`)

test('on any yarn an increase keeps a line around it that shows, and stitches show on the yarn', () => {
  fc.assert(
    fc.property(colour, (yarn) => {
      const { outline, keyline, fill } = yarnInk(yarn)
      expect(fill).toBe(yarn)
      expect(contrast(outline, yarn)).toBeGreaterThan(1.5)
      expect(contrast('#B82A12', keyline) >= 2 || contrast('#B82A12', yarn) >= 3).toBe(true)
    }),
  )
})

test.each([
  ['#FAFCFB', '#E5ECEA'],
  ['#55656C', '#E5ECEA'],
  ['#2F5B50', '#E5ECEA'],
])('%s carries the keyline %s', (yarn, keyline) => {
  expect(yarnInk(yarn).keyline).toBe(keyline)
})
