import { familyOf } from '../forms/registry.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { sizesOf } from './wantedAround.ts'

/** A round of a drawn shape, and how far the middle of its fabric comes to lie outside (+) or inside of it, mm. */
export interface OffTheLine {
  readonly round: number
  readonly off: number
}

/** Where fabric cannot quite follow the shape that is drawn: every round; nothing of a form that is not drawn. */
export function offTheLine(spec: PieceSpec, { rounds }: Pick<Plan, 'rounds'>): OffTheLine[] | undefined {
  const line = familyOf(spec.form).line?.(spec.form, sizesOf(spec))
  return line && rounds.map(({ number, at }) => ({ round: number, off: line.off({ r: at.radius, z: at.z }) }))
}
