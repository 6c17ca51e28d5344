import type { Plan } from '../plan/plan.ts'
import { placeOf } from '../rounds/inOrder.ts'
import { yarnsIn } from '../yarn/strands.ts'
import { startOf, type Position } from './logEvent.ts'
import { unitsOf } from './moves.ts'
import { madeAt, stitchesMade } from './workView.ts'

/** One copy that was begun: the plan it is worked to and how far it is. */
export interface CopyProgress {
  readonly number: number
  readonly plan: Plan
  readonly finished: boolean
  readonly position: Position
}

export interface PieceProgress {
  readonly secondsInAll: number
  readonly secondsLeft: number
  /** Metres still to be worked, by yarn, in order of use. */
  readonly metresLeft: ReadonlyMap<string, number>
  readonly finished: number
  /** The copy on the hook. */
  readonly current?: CopyProgress
  /** Share of each copy that is made, in order, 0 for those not begun. */
  readonly shares: readonly number[]
}

/**
 * How far a set is: copies begun go by their own plans, the rest by the plan as it is now.
 * @param quantity how many are to be made
 */
export function pieceProgress(plan: Plan, quantity: number, copies: readonly CopyProgress[]): PieceProgress {
  const all = Array.from({ length: Math.max(quantity, ...copies.map(({ number }) => number)) }, (_, index) =>
    copies.find(({ number }) => number === index + 1),
  )
  const metresLeft = new Map<string, number>()
  let secondsInAll = 0
  let secondsLeft = 0
  const shares = all.map((copy) => {
    const worked = copy?.plan ?? plan
    const share = copy ? shareMade(copy) : 0
    secondsInAll += worked.seconds
    secondsLeft += worked.seconds * (1 - share)
    for (const [yarn, metres] of metresToGo(worked, copy)) {
      metresLeft.set(yarn, (metresLeft.get(yarn) ?? 0) + metres)
    }
    return share
  })
  return {
    secondsInAll,
    secondsLeft,
    metresLeft,
    finished: copies.filter(({ finished }) => finished).length,
    current: copies.find(({ finished }) => !finished),
    shares,
  }
}

/** What several pieces come to together: a project's time and yarn. */
export function sumOfProgress(
  pieces: readonly Pick<PieceProgress, 'secondsLeft' | 'metresLeft'>[],
): Pick<PieceProgress, 'secondsLeft' | 'metresLeft'> {
  const metresLeft = new Map<string, number>()
  for (const piece of pieces) {
    for (const [yarn, metres] of piece.metresLeft) {
      metresLeft.set(yarn, (metresLeft.get(yarn) ?? 0) + metres)
    }
  }
  return { secondsLeft: pieces.reduce((sum, { secondsLeft }) => sum + secondsLeft, 0), metresLeft }
}

function shareMade({ plan, finished, position }: CopyProgress): number {
  return finished ? 1 : madeAt(plan, position) / plan.stitches
}

/** Metres of each yarn that the rest of a copy takes, by its share of that yarn's stitches. */
function metresToGo(plan: Plan, copy: CopyProgress | undefined): [string, number][] {
  if (copy?.finished) return plan.yarn.map(({ yarn }) => [yarn, 0])
  const position = copy?.position ?? startOf(plan.rounds)
  const place = placeOf(plan.rounds, position.round)
  return plan.yarn.map(({ yarn, metres }) => {
    const rounds = plan.rounds.filter((round) => yarnsIn(round).includes(yarn))
    const all = rounds.reduce((sum, { count }) => sum + count, 0)
    const left = rounds.reduce((sum, round) => {
      if (round.number <= place) return sum
      return (
        sum + round.count - (round.id === position.round ? stitchesMade(unitsOf(round), position.unit) : 0)
      )
    }, 0)
    return [yarn, (metres * left) / all]
  })
}
