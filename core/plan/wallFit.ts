import { familyOf } from '../forms/registry.ts'
import type { SectionId } from '../rounds/round.ts'
import { measured } from '../lay/measures.ts'
import { stretchedWidth } from '../rounds/texture.ts'
import type { PieceSpec, Plan, PlannedRound } from './plan.ts'
import { plainGaugesOf, textureIn } from './sectionWork.ts'
import { beforeRowsAfter } from './rowsAfter.ts'
import { sectionsOf, sizesOf, type PieceToOutline } from './wantedAround.ts'

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
  /** Of a rib at its edge: how far around it lies by itself, and how far it stretches, halfway through its fabric. */
  readonly rib?: { readonly relaxed: number; readonly stretched: number }
}

/** Where a piece holds on: the narrowest of its even stretches that is no rib, each where no other pulls at it. */
function tightest(spec: PieceToOutline, rounds: readonly PlannedRound[]): PlannedRound {
  const last = beforeRowsAfter(spec, rounds).at(-1)!
  const places = sectionsOf(spec).flatMap(({ id, even, lip }) => {
    const all = even && !lip && !stretchOf(spec, id) ? rounds.filter(({ section }) => section === id) : []
    const place = all.at(-1) === last ? last : all[Math.floor(all.length / 2)]
    return place ? [place] : []
  })
  return places.reduce((least, one) => (one.at.radius < least.at.radius ? one : least), places[0] ?? last)
}

/** How a wall sits around what it was planned for. */
export function wallFit(
  spec: PieceToOutline & Pick<PieceSpec, 'form'>,
  { rounds }: Pick<Plan, 'rounds'>,
): WallFit {
  const { form } = spec
  const { thickness } = sizesOf(spec)
  const middle = measured('around', tightest(spec, rounds).at)
  const inside = middle - Math.PI * thickness
  const rib = ribOf(spec, rounds)
  const fit = { inside, middle, outside: middle + Math.PI * thickness, ...(rib ? { rib } : {}) }
  const object = familyOf(form).around?.(form)
  return object === undefined ? fit : { ...fit, object, snug: 1 - inside / object }
}

const stretchOf = (spec: PieceToOutline, section: SectionId): number | undefined => {
  const texture = textureIn(spec, section)
  return texture && stretchedWidth(texture)
}

function ribOf(spec: PieceToOutline, rounds: readonly PlannedRound[]): WallFit['rib'] {
  const last = beforeRowsAfter(spec, rounds).at(-1)!
  const stretched = stretchOf(spec, last.section)
  if (stretched === undefined) return undefined
  const { w } = plainGaugesOf(spec)(last)
  return { relaxed: measured('around', last.at), stretched: last.count * w * stretched }
}
