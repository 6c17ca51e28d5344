import { flatnessOfLastThird, lieOf } from '../lay/flatness.ts'
import { isEdging } from '../stitches/stitch.ts'
import type { Finished, PlannedRound } from './plan.ts'
import { promisesOf } from './promisesOf.ts'
import { sectionsOf, type PieceToOutline } from './wantedAround.ts'

/** What the piece measures when done. The last third of the rounds decides how flat fabric lies. */
export function measureFinished(spec: PieceToOutline, rounds: readonly PlannedRound[]): Finished {
  const edge = rounds.at(-1)!
  const fabric = rounds.filter(({ stitch }) => !isEdging(stitch))
  const flatness = flatnessOfLastThird(fabric.length > 0 ? fabric : rounds)
  const flat = sectionsOf(spec).every(({ guide }) => guide.lies === 'flat')
  return {
    promises: promisesOf(spec, edge),
    height: flat ? edge.at.z : 0,
    flatness,
    ...(flat ? { lie: lieOf(flatness) } : {}),
  }
}
