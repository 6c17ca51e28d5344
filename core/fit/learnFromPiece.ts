import type { Evidence } from '../gauge/evidence.ts'
import type { PieceSpec, Plan, PlannedRound } from '../plan/plan.ts'
import { CLOSED_RING } from '../lay/startOfFabric.ts'
import { TOE_ROUNDS } from '../forms/toe.ts'
import { familyOf } from '../forms/registry.ts'
import { gaugeIn, textureIn } from '../plan/sectionWork.ts'
import { sizesOf } from '../plan/wantedAround.ts'
import { partOf } from '../rounds/round.ts'
import { straightOf } from '../rounds/spine.ts'
import { isEdging } from '../stitches/stitch.ts'
import { seenOf, sizeSeen, type PieceReading } from './pieceReading.ts'

/**
 * A finished piece as evidence for its gauge: the strongest there is, the same hands, day and fabric. A disc tells
 * by its size and how its edge lies (its edging of slip stitches is left out of it, since it follows the round
 * below); what was laid flat by its stitches around and its rounds along it, what stands by the tape around it and the rounds of its wall.
 * @param from name of the piece
 */
export function learnFromPiece(
  reading: PieceReading,
  { rounds }: Plan,
  spec: PieceSpec,
  from: string,
): Evidence | undefined {
  const {
    stitch,
    construction: { start, loops },
  } = spec
  const worked = rounds.slice(0, reading.afterRound)
  // A texture tells nothing sure of the plain stitch, nor does what filling stretches, nor two fabrics of one, nor what was worked on two hooks.
  const parts = new Set(worked.map(({ section }) => section))
  const gauges = new Set([...parts].map((section) => gaugeIn(spec, section)))
  if (
    [...parts].some((section) => textureIn(spec, section)) ||
    gauges.size > 1 ||
    familyOf(spec.form).closes ||
    spec.gauge.hook !== undefined
  )
    return undefined
  const taken = {
    // One a piece and state: measured again, it takes the place of what was measured before.
    id: `${reading.washed ? 'washed' : 'piece'}-${reading.copyId}`.slice(0, 64),
    at: reading.at,
    stitch,
    loops: loops ? 'single' : 'both',
    state: reading.washed ? 'washed' : 'worked',
  } as const
  if (reading.edge) {
    return {
      ...taken,
      kind: 'round',
      ...(start.kind === 'magicRing' || start.kind === 'chainTwo' ? {} : { start }),
      counts: worked.map(({ count }) => count),
      stitches: worked.map((round) => round.stitch),
      across: seenOf(reading, 'across'),
      edge: reading.edge,
      from,
    }
  }
  const { thickness } = sizesOf(spec)
  const width = sizeSeen(reading, 'width')
  const around = sizeSeen(reading, 'around')
  const [long, wide] = [sizeSeen(reading, 'endToEnd'), sizeSeen(reading, 'sideToSide')]
  const sides = straightOf(worked[0]!)
  const length = sizeSeen(reading, 'length') ?? sizeSeen(reading, 'depth')
  const wall = uprightOf(worked)
  const height = wall && sizeSeen(reading, 'height')
  const out = sizeSeen(reading, 'toTheCurve')
  const leg = sizeSeen(reading, 'leg')
  const broad = sizeSeen(reading, 'alongRow')
  const sole = sizeSeen(reading, 'sole')
  const upTheLeg = worked.filter(({ at }) => at.turned !== undefined).length
  if ([width, length, around, height, wide, out, leg, broad, sole].every((size) => size === undefined))
    return undefined
  const even = worked.every((round) => round.stitch === stitch)
  // An edging may have more stitches than what it edges.
  const { count } = worked.findLast((round) => !isEdging(round.stitch)) ?? worked.at(-1)!
  return {
    ...taken,
    kind: 'marks',
    // Laid flat, half of its stitches lie on top.
    ...(width === undefined ? {} : { along: { count: count / 2, over: width } }),
    ...(around === undefined ? {} : { along: { count, over: around - Math.PI * thickness } }),
    // An oval is as much longer than wide as its sides have stitches, and has its rounds twice across.
    ...(long === undefined || wide === undefined || !sides
      ? {}
      : { along: { count: sides / 2, over: long - wide } }),
    ...(wide === undefined || !even ? {} : { out: { count: 2 * worked.length, over: wide } }),
    ...(length === undefined || !even ? {} : { out: { count: worked.length, over: length } }),
    ...(height === undefined || !even ? {} : { out: { count: wall!, over: height - thickness / 2 } }),
    // The first row begins a part of one from the middle.
    ...(out === undefined || !even ? {} : { out: { count: worked.length + CLOSED_RING.mean, over: out } }),
    // A toe that turns over into its tube adds as much as it does when that is planned.
    ...(sole === undefined || !even
      ? {}
      : { out: { count: worked.length - toeOf(worked) + TOE_ROUNDS, over: sole } }),
    ...(broad === undefined ? {} : { along: { count, over: broad } }),
    ...(leg === undefined || !worked.slice(-upTheLeg).every((round) => round.stitch === stitch)
      ? {}
      : { out: { count: upTheLeg, over: leg } }),
    ...(familyOf(spec.form).inRows ? { rows: true } : {}),
    from,
  }
}

/** How many rounds lie flat at the tip of a toe. */
const toeOf = (worked: readonly PlannedRound[]): number =>
  worked.filter(({ section }) => partOf(section) === partOf(worked[0]!.section)).length

/** A wall stands upright when it rises by so much of its length. */
const UPRIGHT = 0.98

/** How many rounds a wall has that stands straight up from the table; none when it leans, or turns over softly. */
function uprightOf(rounds: readonly PlannedRound[]): number | undefined {
  const last = rounds.at(-1)!
  const wall = rounds.filter(({ section }) => partOf(section) === partOf(last.section)).length
  const below = rounds[rounds.length - wall - 1]
  if (!below || below.at.z > (last.at.arc - below.at.arc) * (1 - UPRIGHT)) return undefined
  return last.at.z >= UPRIGHT * (last.at.arc - below.at.arc) ? wall : undefined
}
