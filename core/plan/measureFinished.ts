import { lieOf } from '../shape/disc.ts'
import { isEdging } from '../stitches/stitch.ts'
import type { Measurements, Round } from './plan.ts'

/** What the piece measures when done. The last third of the rounds decides how it lies. */
export function measureFinished(rounds: readonly Round[]): Measurements {
  const edge = rounds.at(-1)!
  const fabric = rounds.filter(({ stitch }) => !isEdging(stitch))
  const lastThird = fabric.slice(-Math.max(1, Math.ceil(fabric.length / 3)))
  const stitches = lastThird.reduce((sum, { count }) => sum + count, 0)
  const mean = lastThird.reduce((sum, { count, flatness }) => sum + count * flatness, 0) / stitches
  return {
    across: 2 * edge.at.radius,
    plusMinus: 2 * 2 * edge.at.sd,
    height: edge.at.z,
    flatness: mean,
    lie: lieOf(mean),
  }
}
