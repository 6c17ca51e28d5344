import { compressRun, type Step } from './steps.ts'
import type { StitchName } from '../stitches/stitch.ts'

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
  /** Whether a join is at the round's start and end, which shaping had better keep away from. */
  readonly joined: boolean
}

/** The golden angle keeps successive shifts far apart (about ⅜ of a repeat at the least). */
const GOLDEN = (Math.sqrt(5) - 1) / 2

/**
 * Spreads the increases or decreases of a round over its stitches and writes them as steps.
 * Uniform where the round below divides; otherwise the gaps differ by at most one stitch.
 */
export function placeIncreases(request: PlaceRequest): Step[] {
  const { stitch, from, count } = request
  const change = count - from
  if (change === 0) return [{ times: 1, ops: [{ kind: 'work', stitch, count }] }]
  const times = Math.abs(change)
  const kind = change > 0 ? 'inc' : 'dec'
  const hostsOfShaping = change > 0 ? 1 : 2
  const plain = spread(from, times).map((hosts) => hosts - hostsOfShaping)
  const shift = shiftOf(request, Math.min(...plain))
  // Gaps before each shaping; what is left over closes the round.
  const first = request.order === 'increaseLast' ? plain[0]! - shift : shift
  const between = request.order === 'increaseLast' ? plain.slice(1) : plain.slice(0, -1)
  const end = request.order === 'increaseLast' ? shift : plain.at(-1)! - shift
  return compressRun({
    stitch,
    kind,
    gaps: [first, ...between],
    end,
    shapingFirst: request.order === 'increaseFirst',
  })
}

/** `whole` cut into `parts` as evenly as whole numbers allow, the larger ones spread out. */
function spread(whole: number, parts: number): number[] {
  return Array.from(
    { length: parts },
    (_, part) => Math.floor(((part + 1) * whole) / parts) - Math.floor((part * whole) / parts),
  )
}

function shiftOf({ placement, shapingRounds, joined }: PlaceRequest, gap: number): number {
  if (gap <= 0 || placement === 'stacked') return 0
  if (placement === 'staggered') return shapingRounds % 2 === 0 ? Math.ceil(gap / 2) : 0
  const turn = (shapingRounds * GOLDEN) % 1
  const [least, most] = joined && gap >= 2 ? [1, gap - 1] : [0, gap]
  return least + Math.floor(turn * (most - least + 1))
}
