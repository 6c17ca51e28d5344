import { createHash } from 'node:crypto'
import { writeSteps } from '../pattern/writeSteps.ts'
import type { PieceSpec, Plan } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { SpecError } from '../errors/specError.ts'

/** A plan in so few words that hundreds of them can be kept and compared. */
export interface GoldenPlan {
  /** Counts of every round, and its stitch where it changes: "6 12 18 hdc 24". */
  readonly counts: string
  /** A digest of all steps as they are written. */
  readonly steps: string
  /** mm, to a hundredth. */
  readonly across: number
  readonly height: number
}

/** What is kept of a spec's plan; a refusal's field where it cannot be planned. */
export function goldenPlan(spec: PieceSpec): GoldenPlan | { readonly refused: string } {
  try {
    return inShort(planPiece(spec))
  } catch (error) {
    if (error instanceof SpecError) return { refused: error.path }
    throw error
  }
}

function inShort({ rounds, finished }: Plan): GoldenPlan {
  const steps = rounds.map((round) => writeSteps(round.steps, 'US')).join('\n')
  return {
    counts: rounds
      .map(({ stitch, count }, index) =>
        stitch === rounds[index - 1]?.stitch ? `${count}` : `${stitch} ${count}`,
      )
      .join(' '),
    steps: createHash('sha256').update(steps).digest('hex').slice(0, 16),
    across: Math.round(finished.promises[0]!.value * 100) / 100,
    height: Math.round(finished.height * 100) / 100,
  }
}
