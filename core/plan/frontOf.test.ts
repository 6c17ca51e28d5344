import fc from 'fast-check'
import { zonesOf } from '../rounds/zone.ts'
import { caseSpec } from '../testing/chainSpecs.ts'
import { discSpec } from '../testing/specs.ts'
import { atTheFront, frontOf, fromTheFront } from './frontOf.ts'
import { planPiece } from './planPiece.ts'

test('a slit so far from the front’s middle is left there, counted in stitches', () => {
  const spec = caseSpec({})
  const place = { section: 'wall', along: 40 }
  const front = frontOf(spec, place)!
  for (const off of [-12, 0, 25]) {
    const at = atTheFront(off, front)
    const opening = { ...place, at, width: 15 }
    const { rounds } = planPiece({ ...spec, constraints: { openings: [opening] } })
    const slit = rounds.find(({ steps }) =>
      steps.some(({ ops }) => ops.some(({ manner }) => manner === 'slit')),
    )!
    let before = 0
    let wide = 0
    for (const { times, ops } of slit.steps) {
      for (const { manner, makes, times: each } of ops) {
        if (manner === 'slit') wide = makes
        else if (wide === 0) before += times * each * makes
      }
    }
    // The front is the first side of a round that has none left out: its middle by hand, in stitches.
    const [side] = zonesOf(rounds[slit.number - 2]!)
    const found = (before + wide / 2 - side!.count / 2) * spec.gauge.w
    expect(Math.abs(found - off)).toBeLessThanOrEqual(1.1 * spec.gauge.w)
  }
})

test('there and back: the shorter way around', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -0.499, max: 0.499, noNaN: true }),
      fc.double({ min: 50, max: 900, noNaN: true }),
      fc.double({ min: 0, max: 0.5, noNaN: true }),
      (share, around, middle) => {
        const at = atTheFront(share * around, { middle, around })
        expect(at).toBeGreaterThanOrEqual(0)
        expect(at).toBeLessThan(1)
        expect(fromTheFront({ at }, { middle, around })).toBeCloseTo(share * around, 6)
      },
    ),
  )
  expect(frontOf(discSpec(200), { section: 'flat', along: 40 })).toBeUndefined()
})
