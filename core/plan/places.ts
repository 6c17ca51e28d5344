import { SpecError } from '../errors/specError.ts'
import { countAround, hasMotifs } from '../rounds/round.ts'
import type { PieceSpec, Plan, PlannedRound } from './plan.ts'
import { rowsIn, type PieceToOutline } from './wantedAround.ts'

/** What goes to a place: a mark to find it by, an eyelet, a loop, a part that is sewn on, a line that is embroidered. */
export const PLACE_KINDS = ['mark', 'hole', 'loop', 'part', 'line'] as const
export type PlaceKind = (typeof PLACE_KINDS)[number]

/** Where something goes once the piece is that far, on every copy alike. */
export interface Place {
  readonly name: string
  readonly kind: PlaceKind
  /** How far along the fabric from where it begins, mm: of what lies flat, from the middle. */
  readonly along: number
  /** How far around from the start of the round, as a share of it. */
  readonly at: number
  /** A second one stands as far the other way from the start. */
  readonly mirrored: boolean
}

/** A place by the stitch that it is at. */
export interface PlaceInRound {
  readonly place: Place
  /** Which of the places, and of a mirrored pair which of the two, from 0. */
  readonly index: number
  readonly half?: 0 | 1
  readonly round: number
  /** The stitch that it is at, from 1. */
  readonly stitch: number
  /** Its middle, as a share of the round. */
  readonly at: number
}

type Placed = Pick<PieceSpec, 'constraints'>

/** The round that a place so far along lies in: the first that reaches it, and beyond the edge the last. */
export const roundOfPlace = ({ rounds }: Pick<Plan, 'rounds'>, along: number): PlannedRound => {
  const there = rounds.filter((round) => !hasMotifs(round))
  return there.find(({ at }) => at.arc >= along - 1e-6) ?? there.at(-1)!
}

/** Where a stitch is: as far along as its round's middle, as far around as its own. */
export function placeOfStitch(
  plan: Pick<Plan, 'rounds'>,
  round: PlannedRound,
  stitch: number,
): Pick<Place, 'along' | 'at'> {
  const before = plan.rounds.findLast(({ at }) => at.arc < round.at.arc - 1e-6)?.at.arc ?? 0
  return { along: (before + round.at.arc) / 2, at: (stitch - 0.5) / countAround(round) }
}

/** Every place of a piece by round and stitch, in working order. */
export function placesIn(plan: Pick<Plan, 'rounds'>, { constraints }: Placed): readonly PlaceInRound[] {
  return (constraints?.places ?? [])
    .flatMap((place, index) => {
      const round = roundOfPlace(plan, place.along)
      const count = countAround(round)
      const stitchAt = (at: number) => Math.min(count, Math.floor(at * count + 1e-9) + 1)
      const one = (stitch: number, half?: 0 | 1): PlaceInRound => ({
        place,
        index,
        ...(half === undefined ? {} : { half }),
        round: round.number,
        stitch,
        at: (stitch - 0.5) / count,
      })
      const stitch = stitchAt(place.at)
      if (!place.mirrored) return [one(stitch)]
      const [first, second] = [stitch, count + 1 - stitch].sort((left, right) => left - right)
      return [one(first!, 0), one(second!, 1)]
    })
    .sort((one, other) => one.round - other.round || one.stitch - other.stitch)
}

/** @throws SpecError where two places are called alike, or rows have no around */
export function validatePlaces(spec: PieceToOutline): void {
  const places = spec.constraints?.places ?? []
  const wrong = (message: string, valid: string) => new SpecError('constraints.places', message, valid)
  if (places.length > 0 && rowsIn(spec).size > 0) {
    throw wrong('What is worked in rows has no places around it.', 'Take them out.')
  }
  places.forEach(({ name }, index) => {
    if (name.trim() === '') throw wrong('A place has no name.', 'Call it what goes there.')
    if (places.findIndex((other) => other.name === name) < index) {
      throw wrong(`Two places are called “${name}”.`, 'Give each a name of its own.')
    }
  })
}
