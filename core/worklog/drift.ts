import type { PieceReading } from '../fit/pieceReading.ts'
import { sizeSeen } from '../fit/pieceReading.ts'
import type { MeasureKind } from '../lay/measures.ts'
import type { PlanOfVersion } from './sittings.ts'
import { studentAt } from './spread.ts'

/** What a tape found of a piece against what its plan says there. */
export interface FoundAgainstPlan {
  readonly copyId: string
  readonly at: number
  readonly of: MeasureKind
  /** mm. */
  readonly found: number
  readonly planned: number
  /** After its last round. */
  readonly finished: boolean
}

/** Readings of a copy against its plans, oldest first; those of what no plan promised there are left out. */
export const foundAgainstPlan = (
  readings: readonly PieceReading[],
  planOf: PlanOfVersion,
): FoundAgainstPlan[] =>
  readings
    .filter(({ washed }) => !washed)
    .toSorted((one, other) => one.at - other.at)
    .flatMap((reading): FoundAgainstPlan[] => {
      const plan = planOf(reading.planVersion)
      if (!plan) return []
      const finished = reading.afterRound >= plan.rounds.length
      const there = plan.checkpoints.find(({ afterRound }) => afterRound === reading.afterRound)
      const promises = there?.promises ?? (finished ? plan.finished.promises : [])
      for (const { of, value } of promises) {
        const found = sizeSeen(reading, of)
        if (found !== undefined && value > 0) {
          return [{ copyId: reading.copyId, at: reading.at, of, found, planned: value, finished }]
        }
      }
      return []
    })

/** How alike the finished ones of a set are: how many were measured, and how far the largest is from the smallest. */
export interface Alike {
  readonly of: MeasureKind
  readonly count: number
  /** mm, and as a share of the smallest. */
  readonly apart: number
  readonly share: number
}

/** Finished copies side by side, by the size that most of them were measured by; nothing of fewer than two. */
export function alikeOf(found: readonly FoundAgainstPlan[]): Alike | undefined {
  const [first] = found.filter(({ finished }) => finished)
  // Of a copy that was measured twice the last time counts.
  const sizes = new Map(
    found.filter(({ finished, of }) => finished && of === first?.of).map((one) => [one.copyId, one.found]),
  )
  if (!first || sizes.size < 2) return undefined
  const [least, most] = [Math.min(...sizes.values()), Math.max(...sizes.values())]
  return { of: first.of, count: sizes.size, apart: most - least, share: most / least - 1 }
}

/** By how much what is found changes from one piece to the next, as a share; it is 19 times in 20 within ± of that. */
export interface Drift {
  readonly each: number
  readonly plusMinus: number
  /** More than chance makes of so few: tighter below 0, looser above. */
  readonly seen: boolean
}

/** Fewer finds than this have no direction. */
const FEWEST = 4

/** Whether a maker gets tighter or looser: the straight line through the shares that were found, in order. */
export function driftOf(found: readonly Pick<FoundAgainstPlan, 'found' | 'planned'>[]): Drift | undefined {
  const count = found.length
  if (count < FEWEST) return undefined
  const off = found.map((one) => Math.log(one.found / one.planned))
  const middle = (count - 1) / 2
  const mean = off.reduce((sum, one) => sum + one, 0) / count
  const spread = off.reduce((sum, _, index) => sum + (index - middle) ** 2, 0)
  const each = off.reduce((sum, one, index) => sum + (index - middle) * (one - mean), 0) / spread
  const rest = off.reduce((sum, one, index) => sum + (one - mean - each * (index - middle)) ** 2, 0)
  const plusMinus = studentAt(count - 2) * Math.sqrt(rest / (count - 2) / spread)
  return { each, plusMinus, seen: Math.abs(each) > plusMinus }
}
