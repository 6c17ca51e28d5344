import type { Plan, PlannedRound } from '../plan/plan.ts'
import { loopsBelow } from '../rounds/round.ts'
import type { OpKind, Unit } from '../rounds/steps.ts'
import type { StitchName } from '../stitches/stitch.ts'
import { yarnsIn } from '../yarn/strands.ts'
import type { Position } from './logEvent.ts'
import { unitsOf } from './moves.ts'

/** What a maker can see of where the hook is, without knowing where that is. */
export interface Sights {
  /** Stitches made since the last increase or decrease, across the beginning of a round as well. */
  readonly since: number
  /** Stitches made in this round. */
  readonly made: number
  /** What was made last, and in which stitch. */
  readonly last: OpKind
  readonly stitch: StitchName
  /** Yarns on the hook, by their ids. */
  readonly yarn: string
  /** The loops that this round goes into. */
  readonly loops: 'both' | 'back' | 'front'
  /** Rounds that are whole. */
  readonly rounds: number
}
export type Sight = keyof Sights
export type Seeing = Readonly<Partial<Sights>>

/** A place where the hook may be. */
export interface PossiblePlace {
  readonly position: Position
  readonly round: PlannedRound
  readonly sights: Sights
  /** How likely it is, of all places, from 0 to 1. */
  readonly likelihood: number
}

export interface FoundPlaces {
  /** The likeliest first; all that are not beyond belief. */
  readonly places: readonly PossiblePlace[]
  /** What to look at next, where that tells them apart. */
  readonly look?: Sight
}

/** So likely is it that a sight is told as it is not: of counts by how far off they are, of others at all. */
const SLIPS = {
  since: [1, 0.06, 0.01],
  made: [1, 0.08, 0.02],
  rounds: [1, 0.1, 0.01],
} as const satisfies Partial<Record<Sight, readonly number[]>>
const FARTHER_OFF = 1e-4
const MISSEEN: Readonly<Record<Exclude<Sight, keyof typeof SLIPS>, number>> = {
  last: 0.02,
  stitch: 0.02,
  yarn: 0.005,
  loops: 0.03,
}

/** What it takes to look: a whole round is longer to count than what lies beside the hook. */
const TROUBLE: Readonly<Record<Sight, number>> = {
  since: 1.3,
  last: 1,
  stitch: 1,
  yarn: 1,
  loops: 1.5,
  made: 2.5,
  rounds: 2.5,
}

/** Taps that were forgotten, or counted twice: so many stitches off is usual. */
const USUALLY_OFF = 60
/** Anywhere else in the piece is so likely against the place in the log. */
const ANYWHERE = 0.003
/** The place in the log against one as near. */
const IN_THE_LOG = 1.2
/** Places less likely than this are left out, and so many are told at the most. */
const BEYOND_BELIEF = 0.01
const MOST_PLACES = 6
/** A look that tells less than this, in bits, decides nothing. */
const TELLS = 0.1

interface Place {
  readonly round: PlannedRound
  readonly unit: number
  readonly sights: Sights
  /** Stitches made in the piece. */
  readonly all: number
}

const placesByPlan = new WeakMap<readonly PlannedRound[], readonly Place[]>()

/** Everywhere the hook can be in a piece, with what is to be seen there; remembered with its rounds. */
function everyPlace(rounds: readonly PlannedRound[]): readonly Place[] {
  const known = placesByPlan.get(rounds)
  if (known) return known
  const places: Place[] = []
  let [all, since] = [0, 0]
  let last: Unit | undefined
  rounds.forEach((round, index) => {
    const beside = {
      yarn: yarnsIn(round).join(' '),
      loops: loopsBelow(round) ?? 'both',
      rounds: index,
    } as const
    let made = 0
    const add = (unit: number) =>
      places.push({
        round,
        unit,
        all,
        sights: { ...beside, since, made, last: last?.kind ?? 'work', stitch: last?.stitch ?? round.stitch },
      })
    add(0)
    unitsOf(round).forEach((unit, at) => {
      made += unit.makes
      all += unit.makes
      since = unit.kind === 'work' ? since + unit.makes : 0
      last = unit
      add(at + 1)
    })
  })
  placesByPlan.set(rounds, places)
  return places
}

/** What is to be seen where the hook is. */
export function sightsAt({ rounds }: Pick<Plan, 'rounds'>, { round, unit }: Position): Sights {
  const place = everyPlace(rounds).find((one) => one.round.id === round && one.unit === unit)
  if (!place) throw new RangeError(`There is no stitch ${unit} in round ${round}.`)
  return place.sights
}

/** What there is to be seen in a piece, by what is looked at; of what is the same everywhere nobody needs to be asked. */
export function sightsThatTell({
  rounds,
}: Pick<Plan, 'rounds'>): ReadonlyMap<Sight, readonly Sights[Sight][]> {
  const places = everyPlace(rounds)
  const seen = SIGHTS.map(
    (sight) => [sight, [...new Set(places.map(({ sights }) => sights[sight]))]] as const,
  )
  return new Map(seen.filter(([, values]) => values.length > 1))
}

const SIGHTS = Object.keys(TROUBLE) as Sight[]

/**
 * Where the hook may be by what is seen there: near the place in the log, or wherever else it fits.
 * @param near where the log has it
 */
export function placesThatFit({ rounds }: Pick<Plan, 'rounds'>, near: Position, seeing: Seeing): FoundPlaces {
  const all = everyPlace(rounds)
  const logged = all.find(({ round, unit }) => round.id === near.round && unit === near.unit) ?? all[0]!
  const spread = Math.max(USUALLY_OFF, logged.round.count)
  const told = SIGHTS.filter((sight) => seeing[sight] !== undefined)
  const weights = all.map((place) => {
    const { sights, all: made } = place
    // The end of a round is as far as the beginning of the next: of the two the log's own.
    const there = place === logged ? IN_THE_LOG : 1
    return told.reduce(
      (weight, sight) => weight * asTold(sight, sights[sight], seeing[sight]!),
      there * (ANYWHERE + Math.exp(-Math.abs(made - logged.all) / spread)),
    )
  })
  const sum = weights.reduce((total, weight) => total + weight, 0)
  const places = all
    .map(({ round, unit, sights }, index): PossiblePlace => ({
      position: { round: round.id, unit },
      round,
      sights,
      likelihood: weights[index]! / sum,
    }))
    .toSorted((one, other) => other.likelihood - one.likelihood)
  const look = lookThatDecides(places.slice(0, MOST_LOOKED_AT), told)
  const likely = places.filter(({ likelihood }) => likelihood >= BEYOND_BELIEF)
  return {
    places: likely.length > 0 ? likely.slice(0, MOST_PLACES) : places.slice(0, 1),
    ...(look ? { look } : {}),
  }
}

/** What is less likely than so many others changes no look. */
const MOST_LOOKED_AT = 200

/** How likely a sight is told so where it is another. */
function asTold(sight: Sight, is: Sights[Sight], told: Sights[Sight]): number {
  if (is === told) return 1
  if (sight === 'since' || sight === 'made' || sight === 'rounds') {
    return SLIPS[sight][Math.abs(Number(is) - Number(told))] ?? FARTHER_OFF
  }
  return MISSEEN[sight]
}

/** The look that tells most for its trouble among these places. */
function lookThatDecides(places: readonly PossiblePlace[], told: readonly Sight[]): Sight | undefined {
  const offers = SIGHTS.filter((sight) => !told.includes(sight)).map((sight) => {
    const tells = bitsIn(places, sight)
    return { sight, tells, worth: tells / TROUBLE[sight] }
  })
  const best = offers.toSorted((one, other) => other.worth - one.worth)[0]
  return best && best.tells >= TELLS ? best.sight : undefined
}

/** How much a sight tells of which of these places it is, in bits. */
function bitsIn(places: readonly PossiblePlace[], sight: Sight): number {
  const byValue = new Map<Sights[Sight], number>()
  let sum = 0
  for (const { sights, likelihood } of places) {
    byValue.set(sights[sight], (byValue.get(sights[sight]) ?? 0) + likelihood)
    sum += likelihood
  }
  return [...byValue.values()].reduce((bits, weight) => bits - (weight / sum) * Math.log2(weight / sum), 0)
}
