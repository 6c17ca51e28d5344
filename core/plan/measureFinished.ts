import { flatnessOfLastThird, lieOf } from '../lay/flatness.ts'
import { isEdging } from '../stitches/stitch.ts'
import type { Finished, PlannedRound } from './plan.ts'
import { familyOf } from '../forms/registry.ts'
import type { Promised } from '../lay/measures.ts'
import { beforeRowsAfter } from './rowsAfter.ts'
import { promisesOf } from './promisesOf.ts'
import { sectionsOf, type PieceToOutline } from './wantedAround.ts'

/** What a tape will find of the finished piece, before any rows are worked on its edge: there, or where it is widest when it closes again. */
export function finishedPromises(spec: PieceToOutline, rounds: readonly PlannedRound[]): readonly Promised[] {
  const { closes } = familyOf(spec.form)
  const widest = closes && rounds.findLast(({ section }) => section === closes.at)
  if (!closes || !widest) return promisesOf(spec, beforeRowsAfter(spec, rounds).at(-1)!)
  const by = 1 + closes.grows(spec.form)
  const { at } = widest
  return promisesOf(spec, { ...widest, asEdge: { ...at, radius: at.radius * by, sd: at.sd * by } })
}

/** What the piece measures when done. The last third of the rounds decides how flat fabric lies. */
export function measureFinished(spec: PieceToOutline, all: readonly PlannedRound[]): Finished {
  const rounds = beforeRowsAfter(spec, all)
  const edge = rounds.at(-1)!
  const fabric = rounds.filter(({ stitch }) => !isEdging(stitch))
  const flatness = flatnessOfLastThird(fabric.length > 0 ? fabric : rounds)
  const flat = sectionsOf(spec).every(({ guide }) => guide.lies === 'flat')
  return {
    promises: finishedPromises(spec, rounds),
    height: flat ? edge.at.z : 0,
    flatness,
    ...(flat ? { lie: lieOf(flatness) } : {}),
  }
}
