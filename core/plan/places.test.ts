import fc from 'fast-check'
import { capSpec, discSpec, vesselSpec } from '../testing/specs.ts'
import { pin, unpin } from './pinnedPlan.ts'
import type { PieceSpec } from './plan.ts'
import { placeOfStitch, placesIn, PLACE_KINDS, type Place } from './places.ts'
import { planPiece } from './planPiece.ts'

const withPlaces = (spec: PieceSpec, places: readonly Place[]): PieceSpec => ({
  ...spec,
  constraints: { ...spec.constraints, places },
})
const place = (more: Partial<Place> = {}): Place => ({
  name: 'eye',
  kind: 'mark',
  along: 60,
  at: 0.25,
  mirrored: false,
  ...more,
})
const forms = [discSpec(220), capSpec({}), vesselSpec({})] as const
const plans = forms.map((spec) => planPiece(spec))

test('a place is in a stitch that there is; told by its stitch it is found there again', () => {
  fc.assert(
    fc.property(
      fc.nat({ max: forms.length - 1 }),
      fc.double({ min: 0, max: 0.999, noNaN: true }),
      fc.nat({ max: 999 }),
      (which, at, n) => {
        const plan = plans[which]!
        const round = plan.rounds[n % plan.rounds.length]!
        const stitch = 1 + Math.floor(at * round.count)
        const told = placeOfStitch(plan, round, stitch)
        const [found] = placesIn(plan, withPlaces(forms[which]!, [place(told)]))
        // Where a wall goes straight down over its base, two rounds lie equally far along.
        expect(plan.rounds[found!.round - 1]!.at.arc).toBeCloseTo(round.at.arc, 6)
        if (found!.round === round.number) expect(found!.stitch).toBe(stitch)
      },
    ),
  )
})

test('mirrored places stand as far from the start both ways, to the stitch', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 0.999, noNaN: true }),
      fc.integer({ min: 1, max: 110 }),
      (at, along) => {
        const plan = plans[0]!
        const found = placesIn(plan, withPlaces(forms[0], [place({ at, along, mirrored: true })]))
        const { count } = plan.rounds[found[0]!.round - 1]!
        expect(found.map(({ half }) => half)).toEqual([0, 1])
        expect(found[0]!.stitch + found[1]!.stitch).toBe(count + 1)
      },
    ),
  )
})

test('places change no stitch of a plan, and are kept with it', () => {
  for (const kind of PLACE_KINDS) {
    const spec = withPlaces(forms[0], [place({ kind })])
    expect(planPiece(spec)).toEqual(plans[0])
    expect(unpin(spec, pin(plans[0]!))).toEqual(plans[0])
  }
})

test('by hand: 6 cm from the middle of a disc, a quarter around', () => {
  const [found] = placesIn(plans[0]!, withPlaces(forms[0], [place()]))
  const round = plans[0]!.rounds.find(({ at }) => at.arc >= 60)!
  expect(found).toMatchObject({ round: round.number, stitch: Math.floor(round.count / 4) + 1 })
  // Beyond the edge it is on the last round.
  const [beyond] = placesIn(plans[0]!, withPlaces(forms[0], [place({ along: 900 })]))
  expect(beyond!.round).toBe(plans[0]!.rounds.length)
})

test('two of one name, and none, are refused in words', () => {
  expect(() => planPiece(withPlaces(forms[0], [place(), place()]))).toThrow(/Two places are called “eye”/)
  expect(() => planPiece(withPlaces(forms[0], [place({ name: ' ' })]))).toThrow(/no name/)
})
