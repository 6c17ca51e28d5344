import type { Foundation } from '../forms/alongChain.ts'
import type { Outline, Sizes } from '../forms/family.ts'
import { familyOf, type Form } from '../forms/registry.ts'
import { startOfFabric } from '../lay/startOfFabric.ts'
import type { Zone } from '../rounds/zone.ts'
import { chainsAlong } from '../rounds/spine.ts'
import type { Round, SectionId } from '../rounds/round.ts'
import type { PieceSpec } from './plan.ts'
import { gaugesOf, stitchIn } from './sectionWork.ts'

/** How thick fabric of a yarn is, as a multiple of the yarn's diameter (FIELD §3, for sc). */
const THICK = 1.8

/** What the form of a spec is planned with. */
export function sizesOf({ construction, stitch, gauge, constraints }: Omit<PieceToOutline, 'form'>): Sizes {
  const { w, h, yarnDiameter } = gauge
  return {
    w,
    h,
    start: startOfFabric(construction.start, stitch, w, h),
    thickness: THICK * yarnDiameter,
    ...(constraints?.chains === undefined ? {} : { chains: constraints.chains }),
  }
}

/** The chain that a spec's form begins along, where it grows around both sides of one. */
export const foundationOf = (spec: PieceToOutline): Foundation | undefined =>
  familyOf(spec.form).foundation?.(spec.form, sizesOf(spec))

export type PieceToOutline = Pick<
  PieceSpec,
  'form' | 'construction' | 'stitch' | 'gauge' | 'sections' | 'constraints'
>

/** A spec of rounds that are there: around the chain that they begin along. */
export function asBegun<S extends Pick<PieceSpec, 'constraints'>>(
  spec: S,
  [first]: readonly Pick<Round, 'hosts'>[],
): S {
  const chains = first && chainsAlong(first)
  return chains === undefined ? spec : { ...spec, constraints: { ...spec.constraints, chains } }
}

/** The parts of a spec's form, in working order. */
export const partsOf = (spec: PieceToOutline): readonly Outline[] =>
  familyOf(spec.form).sections(spec.form, sizesOf(spec))

/** The sections of a spec's form, in working order: its parts, those that are split in as many as they are. */
export const sectionsOf = (spec: PieceToOutline): readonly Outline[] =>
  partsOf(spec).flatMap((part, _, parts) => {
    const splits = (spec.constraints?.splits ?? [])
      .filter(({ part: id, along }) => id === part.id && along > 0 && along < part.guide.length)
      .map(({ along }) => along)
      .sort((one, other) => one - other)
    return splits.length > 0 && maySplit(part, parts) ? splitAt(part, splits) : [part]
  })

/** Whether a part can be worked otherwise from somewhere on: what closes again undoes what it did. */
export const maySplit = ({ id, lip, mirrors }: Outline, parts: readonly Outline[]): boolean =>
  !lip && mirrors === undefined && parts.every((other) => other.mirrors !== id)

function splitAt(part: Outline, splits: readonly number[]): Outline[] {
  const { guide } = part
  return [0, ...splits].map((from, index, all): Outline => {
    const length = (all[index + 1] ?? guide.length) - from
    const cut = { length, lies: guide.lies, perimeter: (along: number) => guide.perimeter(from + along) }
    if (index === 0) return { ...part, guide: cut }
    return {
      id: `${part.id}-${index + 1}`,
      guide: cut,
      ...(part.even ? { even: true } : {}),
      ...(part.rows ? { rows: part.rows } : {}),
    }
  })
}

/** The section that goes around what a piece is made for: the first that keeps its count, or else its last. */
export function wallOf(spec: PieceToOutline): Outline {
  const sections = sectionsOf(spec)
  return sections.find(({ even, lip }) => even && !lip) ?? sections.at(-1)!
}

/** The form of a spec whose wall is so far around, mm, halfway through its fabric: of a family that can give so. */
export const withGirth = (spec: PieceToOutline, girth: number): Form =>
  familyOf(spec.form).towardsGirth!(spec.form, sizesOf(spec), girth)

/** Sections that turn a crisp edge with the one before. */
export const crispIn = (spec: PieceToOutline): ReadonlySet<SectionId> =>
  new Set(sectionsOf(spec).flatMap(({ id, crisp }) => (crisp ? [id] : [])))

/** Sections that lie flat on a table. */
export const flatIn = (spec: PieceToOutline): ReadonlySet<SectionId> =>
  new Set(sectionsOf(spec).flatMap(({ id, guide }) => (guide.lies === 'flat' ? [id] : [])))

/** The zone that sections are taken in over, of those that are. */
export const takenInIn = (spec: PieceToOutline): ReadonlyMap<SectionId, Zone> =>
  new Map(sectionsOf(spec).flatMap(({ id, takesIn }) => (takesIn ? [[id, takesIn] as const] : [])))

/** How much of the way around sections take that are worked in rows. */
export const rowsIn = (spec: PieceToOutline): ReadonlyMap<SectionId, NonNullable<Outline['rows']>> =>
  new Map(sectionsOf(spec).flatMap(({ id, rows }) => (rows ? [[id, rows] as const] : [])))

/** After how many stitches sections leave a hole, of those that do. */
export const holesIn = (spec: PieceToOutline): ReadonlyMap<SectionId, number> =>
  new Map(sectionsOf(spec).flatMap(({ id, holes }) => (holes === undefined ? [] : [[id, holes] as const])))

/** The sections that are lips. */
export const lipsIn = (spec: PieceToOutline): ReadonlySet<SectionId> =>
  new Set(sectionsOf(spec).flatMap(({ id, lip }) => (lip ? [id] : [])))

/** The perimeter that a form wants so far along its fabric: of one section after the other. */
export function wantedAround(spec: PieceToOutline): (arc: number) => number {
  const sections = sectionsOf(spec)
  const { hole } = sizesOf(spec).start
  return (arc) => {
    let along = arc - hole
    for (const { guide } of sections.slice(0, -1)) {
      if (along <= guide.length) return guide.perimeter(along)
      along -= guide.length
    }
    return sections.at(-1)!.guide.perimeter(along)
  }
}

/**
 * The perimeter that a form wants at the top of a round, asked from the first round on: by how far along its section
 * that lies, wherever the section really began.
 */
export function wantedIn(
  spec: PieceToOutline,
): (section: SectionId, arc: number, below: number | undefined) => number {
  const sections = sectionsOf(spec)
  let here = sections[0]!
  let began = sizesOf(spec).start.hole
  return (section, arc, below) => {
    if (section !== here.id) {
      here = sections.find(({ id }) => id === section) ?? here
      began = below ?? began
    }
    return here.guide.perimeter(arc - began)
  }
}

/** About how many rounds of its stitches a form takes. */
export function roundsWanted(spec: PieceToOutline): number {
  const gauges = gaugesOf(spec)
  return sectionsOf(spec).reduce(
    (sum, { id, guide }) => sum + guide.length / gauges({ section: id, stitch: stitchIn(spec, id) }).h,
    0,
  )
}
