import type { StitchName } from '../stitches/stitch.ts'
import { readableGaps } from './readableGaps.ts'
import { scatteredEnd } from './scatteredEnd.ts'
import { compressRun, plain, type Step } from '../rounds/steps.ts'

export type Placement = 'stacked' | 'staggered' | 'scattered'
export type RepeatOrder = 'increaseFirst' | 'increaseLast'

export interface PlaceRequest {
  readonly stitch: StitchName
  /** Stitches of the round below. */
  readonly from: number
  /** Stitches of this round. */
  readonly count: number
  readonly order: RepeatOrder
  readonly placement: Placement
  /** How many shaping rounds came before this one. */
  readonly shapingRounds: number
  /** Whether shaping keeps off the first and last stitch, as it had better at a join. */
  readonly offTheJoin: boolean
  /** A row that is worked the other way round than those it is staggered with. */
  readonly backwards?: boolean
  /** Steps of the rounds below, the nearest first: what scattered increases keep away from. */
  readonly below?: readonly (readonly Step[])[]
}

/**
 * Spreads the increases or decreases of a round over its stitches and writes them as steps.
 * Uniform where the round below divides; otherwise the gaps differ by at most one stitch.
 */
export function placeIncreases(request: PlaceRequest): Step[] {
  const { stitch, from, count, order } = request
  const change = count - from
  if (change === 0) return [{ times: 1, ops: [plain(stitch, count)] }]
  const kind = change > 0 ? 'inc' : 'dec'
  const hosts = change > 0 ? 1 : 2
  const gaps = readableGaps(from - Math.abs(change) * hosts, Math.abs(change))
  const end =
    request.placement === 'scattered' && change > 0
      ? scatteredEnd({ gaps, offTheJoin: request.offTheJoin, from, below: request.below ?? [] })
      : usualEnd(request, gaps[0]!)
  // The gap that the join cuts in two: its stitches before the first shaping, and after the last.
  return compressRun({
    stitch,
    kind,
    gaps: [gaps[0]! - end, ...gaps.slice(1)],
    end,
    shapingFirst: order === 'increaseFirst',
  })
}

/** Plain stitches that close a round: the shaping stacked above the last one's, or half a repeat over. */
function usualEnd(
  { order, placement, shapingRounds, offTheJoin, backwards = false }: PlaceRequest,
  gap: number,
): number {
  const over = placement === 'staggered' && (shapingRounds % 2 === 0) !== backwards
  if (!offTheJoin || gap < 2) {
    const shift = over ? Math.ceil(gap / 2) : 0
    return order === 'increaseLast' ? shift : gap - shift
  }
  // Off the join: in the middle of the repeat, or a quarter and three quarters of the way through it.
  if (placement !== 'staggered') return Math.floor(gap / 2)
  const quarter = Math.max(1, Math.floor((gap + 1) / 4))
  return over ? gap - quarter : quarter
}
