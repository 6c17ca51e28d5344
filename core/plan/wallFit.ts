import { familyOf } from '../forms/registry.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { sizesOf, type PieceToOutline } from './wantedAround.ts'

/** How a wall sits around something, by perimeters, mm. */
export interface WallFit {
  /** Along its inside, halfway through its fabric, and along its outside (FIELD §3: N·w ∓ πt). */
  readonly inside: number
  readonly middle: number
  readonly outside: number
  /** Of what it goes over, where that is known. */
  readonly object?: number
  /** The share by which the inside is smaller than the object. */
  readonly snug?: number
}

/** How the last round of a wall sits around what it was planned for. */
export function wallFit(
  spec: PieceToOutline & Pick<PieceSpec, 'form'>,
  { rounds }: Pick<Plan, 'rounds'>,
): WallFit {
  const { form } = spec
  const { thickness } = sizesOf(spec)
  const middle = 2 * Math.PI * rounds.at(-1)!.at.radius
  const inside = middle - Math.PI * thickness
  const fit = { inside, middle, outside: middle + Math.PI * thickness }
  const object = familyOf(form).around?.(form)
  return object === undefined ? fit : { ...fit, object, snug: 1 - inside / object }
}
