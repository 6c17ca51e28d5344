import { aboutTheMiddle } from '../counts/aboutTheMiddle.ts'
import { SpecError } from '../errors/specError.ts'
import { countOf, usedBy, type Round } from '../rounds/round.ts'
import { plain, type Step } from '../rounds/steps.ts'
import { zonesOf, type ZoneSpan } from '../rounds/zone.ts'
import { flatIncrease, type StitchName } from '../stitches/stitch.ts'
import type { OwnZone, PieceSpec } from './plan.ts'
import { foundationOf, rowsIn, sectionsOf, type PieceToOutline } from './wantedAround.ts'

const PATH = 'constraints.zones'
const wrong = (message: string, valid: string) => new SpecError(PATH, message, valid)

/** Where a zone ends, as a share of the round. */
const endOf = ({ from, share }: OwnZone): number => from + share

const degrees = (share: number): string => `${Math.round(share * 360)}°`
/** Zones that meet may have been typed in whole degrees. */
const MEET = 1 / 720

/** Whether a piece is no more than flat. */
export const flatOnly = (spec: PieceToOutline): boolean =>
  sectionsOf(spec).every(({ guide }) => guide.lies === 'flat')

/** The zones of a spec's own in working order. */
export const ownZonesOf = ({ constraints }: Pick<PieceSpec, 'constraints'>): readonly OwnZone[] =>
  (constraints?.zones ?? []).toSorted((one, other) => one.from - other.from)

/** @throws SpecError when zones overlap, go past the start of the round, or have no place in the form */
export function validateZones(spec: PieceToOutline): void {
  const zones = ownZonesOf(spec)
  if (zones.length === 0) return
  if (foundationOf(spec)) {
    throw wrong('This form has zones by itself: sides and ends.', 'Take your own out.')
  }
  if (rowsIn(spec).size > 0) {
    throw wrong('What is worked in rows has no zones around it.', 'Take them out.')
  }
  zones.forEach((zone, index) => {
    const { name, share } = zone
    if (name.trim() === '') throw wrong('A zone has no name.', 'Call it what you call that place.')
    if (zones.findIndex((other) => other.name === name) < index) {
      throw wrong(`Two zones are called “${name}”.`, 'Give each a name of its own.')
    }
    if (!(share > 0 && endOf(zone) <= 1 + MEET)) {
      throw wrong(
        `“${name}” goes past the start of the round.`,
        `From ${degrees(zone.from)} it can go over ${degrees(1 - zone.from)} at the most.`,
      )
    }
    const before = zones[index - 1]
    if (before && endOf(before) > zone.from + MEET) {
      throw wrong(
        `“${before.name}” and “${name}” overlap between ${degrees(zone.from)} and ${degrees(Math.min(endOf(before), endOf(zone)))}.`,
        `Begin “${name}” at ${degrees(endOf(before))}, or end “${before.name}” at ${degrees(zone.from)}.`,
      )
    }
  })
  if (zones.some(({ shapes }) => shapes) && flatOnly(spec)) {
    throw wrong(
      'What lies flat needs its increases all around.',
      'Keep shaping inside zones of what stands up.',
    )
  }
}

/** Zones as stretches of a round of so many stitches, and what lies between them; always as many as the round has. */
function stretchesOf(zones: readonly OwnZone[], count: number): ZoneSpan[] {
  const spans: ZoneSpan[] = []
  let made = 0
  const to = (end: number, span: Omit<ZoneSpan, 'count'>) => {
    if (end > made) spans.push({ ...span, count: end - made })
    made = Math.max(made, end)
  }
  for (const zone of zones) {
    to(Math.min(count, Math.round(zone.from * count)), { zone: 'rest' })
    to(Math.min(count, Math.round(endOf(zone) * count)), { zone: 'own', name: zone.name })
  }
  to(count, { zone: 'rest' })
  return spans
}

type Standing = Pick<Round, 'closed' | 'steps' | 'hosts'>

/**
 * The zones of a round on top of another: those that its steps tell, or those of the round below where it stands evenly
 * on it, or a piece's own by their share of it.
 */
export function zonesOn(
  zones: readonly OwnZone[],
  below: readonly ZoneSpan[] | undefined,
  round: Standing,
): readonly ZoneSpan[] | undefined {
  if (!round.closed) return below
  const told = zonesOf(round)
  if (told.length > 0) return told.map(({ steps: _, ...span }) => span)
  const count = countOf(round)
  if (below && usedBy(round) === count && totalOf(below) === count) return below
  return zones.length > 0 ? stretchesOf(zones, count) : undefined
}

const totalOf = (spans: readonly ZoneSpan[]): number => spans.reduce((sum, { count }) => sum + count, 0)

/** Whether anything around the rounds of a spec has a place of its own. */
export const isZoned = (spec: PieceToOutline): boolean =>
  foundationOf(spec) !== undefined || ownZonesOf(spec).length > 0

/** The zones of rounds, one after another; nothing of those that have none. */
export function zonesAlong(
  spec: PieceToOutline,
  rounds: readonly Standing[],
): readonly (readonly ZoneSpan[] | undefined)[] {
  if (!isZoned(spec)) return rounds.map(() => undefined)
  const zones = ownZonesOf(spec)
  let below: readonly ZoneSpan[] | undefined
  return rounds.map((round) => (below = zonesOn(zones, below, round)))
}

interface RoundInZones {
  readonly stitch: StitchName
  readonly from: number
  readonly count: number
  /** Zones of the round that it stands on. */
  readonly below: readonly ZoneSpan[]
}

/** Fabric stands up where it widens by no more than this share of what lies flat: less than 30° off upright. */
const STANDS = 0.5

/** Whether a round that widens or narrows by so many stitches stands up, in stitches so wide and high. */
export const standsUp = (by: number, { w, h }: { readonly w: number; readonly h: number }): boolean =>
  Math.abs(by) <= STANDS * flatIncrease(w, h)

/** Host stitches that a zone has for an increase or a decrease at the least: none stands in another. */
const ROOM = { inc: 2, dec: 3 } as const

/**
 * A round that widens or narrows inside the zones that are for it, each symmetric about its middle, and is plain
 * elsewhere. Zones take as much as their share of all of them asks by then.
 * @returns nothing when they have too few stitches for it
 */
export function shapedInZones(
  spec: Pick<PieceSpec, 'constraints'>,
  { stitch, from, count, below }: RoundInZones,
): Step[] | undefined {
  const kind = count > from ? 'inc' : 'dec'
  const shares = new Map(
    ownZonesOf(spec).flatMap(({ name, share, shapes }) => (shapes ? [[name, share] as const] : [])),
  )
  const open = below.map(({ name, count: has }, index) => ({
    index,
    has,
    share: shares.get(name ?? '') ?? 0,
    takes: 0,
  }))
  const shaping = open.filter(({ share }) => share > 0)
  const [allShares, all] = [
    shaping.reduce((sum, { share }) => sum + share, 0),
    shaping.reduce((sum, { has }) => sum + has, 0) + (count - from),
  ]
  for (let left = Math.abs(count - from); left > 0; left--) {
    // What it still lacks of its share, in the direction that the round goes.
    const lacks = ({ has, share, takes }: (typeof open)[number]) =>
      kind === 'inc' ? (share / allShares) * all - has - takes : has - takes - (share / allShares) * all
    const room = shaping.filter(({ has, takes }) => ROOM[kind] * (takes + 1) <= has)
    if (room.length === 0) return undefined
    room.reduce((best, next) => (lacks(next) > lacks(best) + 1e-9 ? next : best)).takes++
  }
  return open.flatMap(({ index, has, takes }) => {
    const { zone, name } = below[index]!
    const steps =
      takes > 0
        ? aboutTheMiddle(stitch, kind, has, takes)
        : [{ times: 1, ops: [plain(stitch, has)] } satisfies Step]
    return steps.map((step) => ({ ...step, zone, ...(name ? { name } : {}) }))
  })
}
