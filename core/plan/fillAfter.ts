import { familyOf } from '../forms/registry.ts'
import type { PieceSpec, Plan } from './plan.ts'

/** Two fingers, mm (FIELD §11). */
const TWO_FINGERS = 38

/**
 * The round after which a piece that closes again is filled: the last whose opening two fingers still go through, or the
 * widest where none is so wide. Nothing for what is not filled.
 */
export function fillAfter(
  spec: Pick<PieceSpec, 'form'>,
  { rounds }: Pick<Plan, 'rounds'>,
): number | undefined {
  const { closes } = familyOf(spec.form)
  if (!closes || closes.grows(spec.form) === 0) return undefined
  const widest = rounds.findLast(({ section }) => section === closes.at)
  const last = rounds.findLast(({ section, at }) => section !== closes.at && 2 * at.radius >= TWO_FINGERS)
  return (last ?? widest)?.number
}
