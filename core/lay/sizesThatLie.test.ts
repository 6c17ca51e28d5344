import fc from 'fast-check'
import { arcOfDish } from '../gauge/discReadings.ts'
import { layShell, USUAL_FABRIC } from '../testing/elasticShell.ts'
import type { Cloth } from './cloth.ts'
import { lay } from './lay.ts'
import { sizesThatLie } from './sizesThatLie.ts'
import { runs } from '../testing/runs.ts'

/** A mat of six more a round whose stitches are too tall to lie flat. */
const bowl = (rounds: number, w: number, ratio: number): Cloth => ({
  rounds: Array.from({ length: rounds }, (_, index) => ({ count: 6 * (index + 1), w, h: w * ratio })),
  centre: 0.1 * w,
  hole: 0,
  patted: true,
})
const heights = ({ rounds, centre }: Cloth) => rounds.reduce((sum, { h }) => sum + h, centre)

test('the stitches that would stand up so are those that do, whatever is guessed first', () => {
  const shape = fc.record({
    rounds: fc.integer({ min: 7, max: 40 }),
    w: fc.double({ min: 3, max: 12, noNaN: true }),
    ratio: fc.double({ min: 1.08, max: 1.25, noNaN: true }),
    offW: fc.double({ min: -0.06, max: 0.06, noNaN: true }),
    offH: fc.double({ min: -0.06, max: 0.06, noNaN: true }),
  })
  fc.assert(
    fc.property(shape, ({ rounds, w, ratio, offW, offH }) => {
      const cloth = bowl(rounds, w, ratio)
      const rim = lay(cloth).rings.at(-1)!
      const found = sizesThatLie(cloth, rim, { lnW: offW, lnH: offH })!
      expect(Math.abs(found.lnW)).toBeLessThan(0.002)
      expect(Math.abs(found.lnH)).toBeLessThan(0.002)
    }),
    { numRuns: runs(60), endOnFailure: true },
  )
})

test('a rim that a hand would pat flat has no stitches that stand it up', () => {
  const flat = bowl(9, 7.6, 0.955)
  expect(sizesThatLie(flat, { radius: 65, z: 0.4 }, { lnW: 0, lnH: 0 })).toBeUndefined()
})

test('bowls of another elastic shell: heights within 4.5 %, where a dish is 7 % off', () => {
  const off: { readonly laid: number[]; readonly dish: number[] } = { laid: [], dish: [] }
  for (const rounds of [8, 10, 12, 15, 18, 22]) {
    for (const ratio of [1.03, 1.06, 1.1, 1.15, 1.2]) {
      const cloth = bowl(rounds, 7.6, ratio)
      const shell = layShell(
        cloth.rounds.map((round) => ({ ...round, edging: false })),
        cloth.centre,
        USUAL_FABRIC,
      )
      const rim = shell.at(-1)!
      if (rim.z < 3) continue
      const dish = { lnW: 0, lnH: Math.log(arcOfDish(rim.radius, rim.z) / 0.98 / heights(cloth)) }
      off.dish.push(dish.lnH)
      off.laid.push(sizesThatLie(cloth, rim, dish)!.lnH)
    }
  }
  const rms = (all: readonly number[]) => Math.sqrt(all.reduce((sum, one) => sum + one ** 2, 0) / all.length)
  expect(off.laid.length).toBeGreaterThan(25)
  expect(rms(off.laid)).toBeLessThan(0.045)
  expect(rms(off.laid)).toBeLessThan(0.7 * rms(off.dish))
})
