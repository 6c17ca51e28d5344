import {
  chainsAlong,
  partOf,
  reachOfMotifs,
  STITCHES,
  type Plan,
  type PlannedRound,
} from '../../../core/index.ts'
import { ovalFace, partOfPlan, sizeOfOval } from './oval.ts'
import { turnsHeel } from './sock.ts'
import { rows as rowsOf } from './rows.ts'
import { sidesOf, standing } from './standing.ts'
import { UNROLL_CUT, unrolled } from './unrolled.ts'
import {
  footOf,
  isFlat,
  mainOf,
  roundLine,
  rowOf,
  span,
  stitchWidthOf,
  type Point,
  type View,
} from './view.ts'

/** Room that a drawing has, px. */
export interface Room {
  readonly width: number
  readonly height: number
}

/** A view and how large it came out, px. */
export interface Fitted {
  readonly view: View
  readonly width: number
  readonly height: number
}

/** Whether a piece is a wall from its first round on: it stands in a chain, around something. */
export const isWall = (plan: Plan): boolean => plan.rounds[0]!.from > 0 && !isOval(plan)

/** Whether a piece grows around both sides of a chain. */
export const isOval = ({ rounds }: Plan): boolean => chainsAlong(rounds[0]!) !== undefined

/** Whether it lies flat around a middle, so that how its edge lies tells of its stitches. */
export const isDisc = (plan: Plan): boolean => isFlat(plan) && !isOval(plan) && !isPart(plan)

/** Whether a piece is part of a disc, in rows from its middle on. */
export const isPart = ({ rounds }: Plan): boolean => !rounds[0]!.closed && (rounds[0]!.at.share ?? 1) < 1

/** Whether it is a strip in rows, from a chain on. */
export const isStrip = ({ rounds }: Plan): boolean => !rounds[0]!.closed && rounds[0]!.from > 0

/** The rounds of an oval that lie flat around its chain, and those of its wall. */
export function partsOfOval(plan: Plan): { readonly base: Plan; readonly wall: Plan | undefined } {
  const { section } = plan.rounds[0]!
  const inBase = (round: PlannedRound) => partOf(round.section) === partOf(section)
  const wall = partOfPlan(plan, (round) => !inBase(round))
  return { base: partOfPlan(plan, inBase), wall: wall.rounds.length > 0 ? wall : undefined }
}

/** A round goes up rather than out when it widens by less than this share of what it adds to the fabric. */
const GOES_UP = 0.55

/**
 * How far along the fabric a piece that is closed in the middle turns into a wall, mm: the last round of its crown or base
 * that goes out rather than up. Flat pieces never do.
 */
export function bendOf(plan: Plan): number {
  if (isFlat(plan) || isWall(plan) || isOval(plan)) return Infinity
  const { rounds } = plan
  const { section } = rounds[0]!
  const out = rounds.findLastIndex((round, index) => {
    // What widens again below a wall is its brim or its mouth.
    if (partOf(round.section) !== section) return false
    const below = rounds[index - 1]?.at ?? { radius: plan.hole, arc: plan.hole }
    return round.at.radius - below.radius >= GOES_UP * (round.at.arc - below.arc)
  })
  return out === rounds.length - 1 ? Infinity : (rounds[out]?.at.arc ?? Infinity)
}

/** The last round that widens a crown or a base, of a piece that goes on after it. */
export function lastOfCrown({ rounds }: Plan): PlannedRound | undefined {
  const { section } = rounds[0]!
  const widest = rounds.findLast(
    (round) => partOf(round.section) === section && round.number > 1 && round.count > round.from,
  )
  return widest === rounds.at(-1) ? undefined : widest
}

/** How far a piece reaches out, mm. */
export const widestOf = ({ rounds }: Plan): number =>
  Math.max(...rounds.map(({ at }) => at.radius + (at.spine ?? 0) / 2))

/** How large a wall is that is cut open, mm: its longest row or the girth it wants, and its length. */
export function sizeCutOpen(plan: Plan): { readonly wide: number; readonly long: number } {
  const { rounds } = plan
  return {
    wide: Math.max(...rounds.map((round) => Math.max(rowOf(round), round.around))),
    long: Math.max(...rounds.map(({ at }) => at.arc)) - footOf(plan, rounds[0]!),
  }
}

/** How far a flat piece reaches from its middle with all that stands on its edge, mm. */
export function farthestOf({ rounds }: Pick<Plan, 'rounds'>): number {
  const edge = rounds.at(-1)!
  return edge.at.arc + reachOfMotifs(edge, stitchWidthOf(edge))
}

/** How far a flat piece reaches from its middle, along its fabric, mm. */
export const reachOf = (plan: Pick<Plan, 'rounds'>): number => mainOf(plan).at(-1)!.at.arc

/** Reach of a row past the middle of the disc when a quarter of it runs straight, in radii. */
export const TAIL = (1 - UNROLL_CUT) * 2 * Math.PI

interface Standing {
  readonly wide: number
  readonly tall: number
}

/** Asked for by everything that draws a piece: remembered for as long as its plan is. */
const sizesStanding = new WeakMap<Plan, Standing>()

/** How large a piece is that stands, mm. */
export function sizeStanding(plan: Plan): Standing {
  const known = sizesStanding.get(plan) ?? measureStanding(plan)
  sizesStanding.set(plan, known)
  return known
}

function measureStanding(plan: Plan): Standing {
  const sides = sidesOf(plan)
  const tall = Math.max(...sides.map(({ near, far }) => (turnsHeel(plan) ? Math.max(near.z, far.z) : near.z)))
  const out = Math.max(...sides.flatMap(({ near, far }) => [-near.x, far.x]))
  return { wide: 2 * out, tall }
}

/** What a standing piece covers, as one outline. */
export function outlineStanding(view: View): Point[] {
  const { plan } = view
  const there = turnsHeel(plan) ? plan.rounds : mainOf(plan)
  const levels = [footOf(plan, plan.rounds[0]!), ...there.map(({ at }) => at.arc)]
  const side = (share: number) => levels.map((along) => span(view, share, share, along, 0)[0]!)
  return [...side(0), ...side(0.5).reverse()]
}

/** Less than so high for its width, a piece tells more seen from above. */
const WORTH_STANDING = 0.3

/** Whether a piece is seen best as it stands. */
export function stands(plan: Plan): boolean {
  const { wide, tall } = sizeStanding(plan)
  return !isStrip(plan) && (isWall(plan) || (!isFlat(plan) && tall >= WORTH_STANDING * wide))
}

/**
 * The piece seen as it lies or stands, as large as there is room: a disc face-on, a wall or a cap in elevation.
 * @param hangs whether it is closed at the top, as a cap is worn
 * @param margin px that stay free all round
 */
export function wholeIn(
  plan: Plan,
  { width, height }: Room,
  mirrored: boolean,
  { margin = 2, hangs = false }: { readonly margin?: number; readonly hangs?: boolean } = {},
): Fitted {
  if (stands(plan)) {
    const { wide, tall } = sizeStanding(plan)
    const scale = Math.min((width - 2 * margin) / wide, (height - 2 * margin) / tall)
    const size = { width: wide * scale + 2 * margin, height: tall * scale + 2 * margin }
    const table = hangs ? margin : size.height - margin
    return { view: standing(plan, { scale, x: size.width / 2, table, mirrored, hangs }), ...size }
  }
  if (isOval(plan)) return ovalIn(plan, { width, height }, mirrored, margin)
  if (isStrip(plan)) return stripIn(plan, { width, height }, mirrored, margin)
  if (isPart(plan)) return partIn(plan, { width, height }, mirrored, margin)
  const size = Math.min(width, height)
  const scale = (size / 2 - margin) / farthestOf(plan)
  return {
    view: unrolled(plan, { scale, x: size / 2, y: size / 2, cut: 1, mirrored }),
    width: size,
    height: size,
  }
}

/** Against an sc. */
const TALLEST_OF_EDGE = STITCHES.tr.heightOverWidth / STITCHES.sc.heightOverWidth

/** How far part of a disc reaches from its middle when it hangs down from its straight edges, mm. */
export function sizeOfPart({ rounds }: Plan): Readonly<Record<'wide' | 'up' | 'down', number>> {
  const radius = reachOf({ rounds })
  const half = Math.PI * (rounds[0]!.at.share ?? 1)
  // The tallest stitches of a bowed edge stand out from it.
  const out = TALLEST_OF_EDGE * (rounds.at(-1)!.at.arc - radius)
  const side = half >= Math.PI / 2 ? radius : radius * Math.sin(half)
  return { wide: 2 * (side + out), up: Math.max(0, -Math.cos(half)) * radius + out, down: radius }
}

/** What part of a disc covers, as one outline: out from its middle along its curve, and back along its straight edges. */
export function outlineOfPart(view: View): Point[] {
  const { plan } = view
  const last = mainOf(plan).at(-1)!
  const after = plan.rounds.at(-1)!
  const back = after === last ? span(view, 0, 0, plan.hole, 0) : roundLine(view, after)
  return [...roundLine(view, last), ...back]
}

/** Part of a disc face-on, hanging from its straight edges. */
function partIn(plan: Plan, { width, height }: Room, mirrored: boolean, margin: number): Fitted {
  const { wide, up, down } = sizeOfPart(plan)
  const scale = Math.min((width - 2 * margin) / wide, (height - 2 * margin) / (up + down))
  const size = { width: wide * scale + 2 * margin, height: (up + down) * scale + 2 * margin }
  const frame = { scale, x: size.width / 2, y: margin + up * scale, cut: 1, mirrored }
  return { view: unrolled(plan, frame), ...size }
}

/** A strip as it lies, its first row on top. */
function stripIn(plan: Plan, { width, height }: Room, mirrored: boolean, margin: number): Fitted {
  const { wide, long } = sizeCutOpen(plan)
  const scale = Math.min((width - 2 * margin) / wide, (height - 2 * margin) / long)
  const size = { width: wide * scale + 2 * margin, height: long * scale + 2 * margin }
  const x = mirrored ? size.width - margin : margin
  return { view: rowsOf(plan, { scale, x, y: margin, mirrored }), ...size }
}

/** What a strip covers, as one outline. */
export function outlineOfStrip(view: View): Point[] {
  const ends = view.plan.rounds.map((round) => roundLine(view, round))
  const [from, to] = [ends.map((line) => line[0]!), ends.map((line) => line.at(-1)!)]
  const [first] = view.plan.rounds
  const foot = span(view, 0, 1, footOf(view.plan, first!), rowOf(first!))
  return [foot[0]!, ...from, ...to.reverse(), foot.at(-1)!]
}

/** An oval face-on, its base alone where it has a wall. */
function ovalIn(plan: Plan, { width, height }: Room, mirrored: boolean, margin: number): Fitted {
  const { base } = partsOfOval(plan)
  const { wide, long } = sizeOfOval(base)
  const scale = Math.min((width - 2 * margin) / wide, (height - 2 * margin) / long)
  const size = { width: wide * scale + 2 * margin, height: long * scale + 2 * margin }
  const y = size.height - margin - (wide / 2) * scale
  return { view: ovalFace(base, { scale, x: size.width / 2, y, mirrored, unrolls: false }), ...size }
}
