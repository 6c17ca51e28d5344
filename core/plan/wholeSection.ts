import type { Outline } from '../forms/family.ts'
import type { StitchName } from '../stitches/stitch.ts'
import type { PieceSpec } from './plan.ts'
import type { RoundOf } from './roundsAsked.ts'
import { stitchIn, type Gauges } from './sectionWork.ts'

/** A section of which rounds are to come, and how far along it they begin, mm. */
export interface Ahead {
  readonly section: Outline
  readonly along: number
  /** Whether rounds of it are worked already, and how many. */
  readonly begun: boolean
  readonly worked: number
}

/** A section in as many whole rounds as come nearest to its length. */
export function wholeSection(spec: PieceSpec, gauges: Gauges, ahead: Ahead): RoundOf[] {
  const { section, along, begun } = ahead
  const stitch = stitchIn(spec, section.id)
  if (section.rows?.panel) return wholePanel(spec, gauges, ahead)
  const rounds = Math.round((section.guide.length - along) / gauges({ section: section.id, stitch }).h)
  return new Array<RoundOf>(Math.max(begun ? 0 : 1, rounds)).fill({ section, stitch })
}

/** The stitch a step lower than each, of those that a panel may end with. */
const LOWER: Partial<Record<StitchName, StitchName>> = { tr: 'dc', dc: 'hdc', hdc: 'sc' }

/** A panel so much longer or shorter is not seen; a row of another stitch is worth so many mm. */
const [UNSEEN, LIKES_ALIKE] = [0.06, 0.05]

/**
 * A panel in an even number of rows, so that it ends where it began, some of the last a step lower where that comes nearer
 * to its length.
 */
function wholePanel(spec: PieceSpec, gauges: Gauges, { section, along, begun, worked }: Ahead): RoundOf[] {
  const stitch = stitchIn(spec, section.id)
  const lower = LOWER[stitch] ?? stitch
  const heightOf = (one: StitchName) => gauges({ section: section.id, stitch: one }).h
  const left = section.guide.length - along
  const most = 2 * Math.ceil(left / heightOf(stitch) / 2) + 2
  const ways = Array.from({ length: most + 1 }, (_, rows) => rows)
    .filter((rows) => (rows + worked) % 2 === 0 && (rows > 0 || begun))
    .flatMap((rows) => Array.from({ length: Math.floor(rows / 2) + 1 }, (_, low) => ({ rows, low })))
  const off = ({ rows, low }: (typeof ways)[number]) =>
    Math.abs((rows - low) * heightOf(stitch) + low * heightOf(lower) - left)
  // Rows all alike are easier: others only where those miss by more than a heel would show.
  const cost = (way: (typeof ways)[number]) =>
    Math.max(0, off(way) - UNSEEN * section.guide.length) + way.low * LIKES_ALIKE
  const { rows, low } = ways.reduce((best, next) => (cost(next) < cost(best) - 1e-9 ? next : best))
  return Array.from({ length: rows }, (_, row) => ({ section, stitch: row < rows - low ? stitch : lower }))
}
