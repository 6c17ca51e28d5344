import { placeInPlan } from './placeInPlan.ts'
import type { PieceSpec, Plan } from '../plan/plan.ts'
import { metresOfYarn } from '../plan/yarnAndTime.ts'
import { ESTIMATE_SD } from '../yarn/calibration.ts'
import type { Position } from '../worklog/logEvent.ts'

export interface YarnCheck {
  /** Metres on the ball, and ± (19 times of 20). */
  readonly left: number
  readonly leftPlusMinus: number
  /** Metres this yarn still needs in this piece, and ±. */
  readonly needed: number
  readonly neededPlusMinus: number
  /** The last round of this yarn that is safe (19 times of 20); 0 when not even the one on the hook is. */
  readonly lastSafeRound: number
  /** The round the yarn would run out in, and how many of its stitches are then left; if it does. */
  readonly runsOut?: { readonly round: number; readonly stitchesLeft: number }
  /** Whether this piece is safe, may be, or is not. */
  readonly piece: 'safe' | 'maybe' | 'short'
  /** Whole pieces after this one that the rest is surely enough for. */
  readonly morePieces: number
}

interface YarnQuestion {
  readonly spec: PieceSpec
  readonly plan: Plan
  readonly position: Position
  readonly yarn: string
  /** Metres left of this yarn by the scale, all its balls together, and their standard deviation. */
  readonly left: number
  readonly leftSd: number
  /** Relative standard deviation of yarn per stitch; the estimate's until it is calibrated. */
  readonly useSd?: number
}

/** Yarn to keep back for weaving in, metres. */
const TAIL = 0.15

/** Whether what is left of a yarn finishes this round, this colour, this piece, and the ones after it. */
export function yarnCheck({
  spec,
  plan,
  position,
  yarn,
  left,
  leftSd,
  useSd = ESTIMATE_SD,
}: YarnQuestion): YarnCheck {
  const perRound = metresOfYarn(plan.rounds, spec, yarn)
  const { share } = placeInPlan(plan, position)
  const ahead = plan.rounds
    .map((round, index) => ({ round, metres: perRound[index]! * (1 - share(round.number)) }))
    .filter(({ metres }) => metres > 0)
  const needed = ahead.reduce((sum, { metres }) => sum + metres, 0)
  const certain = (metres: number) => left - TAIL - 2 * Math.hypot(leftSd, metres * useSd) >= metres
  let used = 0
  let lastSafeRound = 0
  let runsOut: YarnCheck['runsOut']
  for (const { round, metres } of ahead) {
    const before = used
    used += metres
    if (certain(used)) lastSafeRound = round.number
    if (!runsOut && used > left - TAIL) {
      const made = Math.max(0, left - TAIL - before) / metres
      runsOut = { round: round.number, stitchesLeft: Math.ceil(round.count * (1 - made)) }
    }
  }
  const whole = plan.yarn.find((use) => use.yarn === yarn)?.metres ?? 0
  let morePieces = 0
  while (whole > 0 && morePieces < 1000 && certain(needed + whole * (morePieces + 1))) morePieces++
  return {
    left,
    leftPlusMinus: 2 * leftSd,
    needed,
    neededPlusMinus: 2 * needed * useSd,
    lastSafeRound,
    ...(runsOut ? { runsOut } : {}),
    piece: certain(needed) ? 'safe' : needed <= left - TAIL ? 'maybe' : 'short',
    morePieces: certain(needed) ? morePieces : 0,
  }
}
