import { attempt } from '../../errors/attempt.ts'
import { familyOf } from '../../forms/registry.ts'
import { commonMultiple, multipleAt, repeatIn } from '../pacedCounts.ts'
import type { PieceSpec, Plan } from '../plan.ts'
import { planPiece } from '../planPiece.ts'
import { repeatOf } from '../../rounds/texture.ts'
import { accentAt, gaugesOf, stitchIn } from '../sectionWork.ts'
import { validateSpec } from '../validateSpec.ts'
import { sectionsOf, withGirth } from '../wantedAround.ts'
import type { Compromise, Compromises, PlannedSpec } from './fight.ts'

/** A girth is met while its count is off by no more than this. */
const MET = 0.5

/**
 * Where a repeat, or a count that is asked for, does not go into the girth of a wall: the counts on either side that the
 * repeat goes into, by what the form can give (ease, or the base), the count that is asked for, and the one that fits
 * best without either.
 */
export function countFight({ spec, plan }: PlannedSpec): Compromises | undefined {
  const wall = sectionsOf(spec).find(({ even, lip }) => even && !lip)
  if (!wall || !familyOf(spec.form).towardsGirth) return undefined
  const repeat = plan.rounds
    .filter(({ section }) => section === wall.id)
    .flatMap((round) => accentAt(spec, round) ?? [])
    .map(repeatOf)
    .reduce(commonMultiple, repeatIn(spec.sections, wall.id))
  const asked = askedAround(spec, wall.id)
  if (!spec.constraints?.multiples?.length && repeat === 1 && asked === undefined) return undefined
  const first = plan.rounds.find(({ section }) => section === wall.id)!
  const of = commonMultiple(multipleAt(spec.constraints, first.number), repeat)
  const { w } = gaugesOf(spec)({ section: wall.id, stitch: stitchIn(spec, wall.id) })
  const around = wall.guide.perimeter(0)
  const ideal = around / w
  const fewer = of * Math.floor(ideal / of)
  const nearest = asked ?? of * Math.round(ideal / of)
  if ((of === 1 && asked === undefined) || (nearest % of === 0 && Math.abs(nearest - ideal) <= MET)) {
    return undefined
  }
  const { multiples, wallCount: _, firstCount, ...rest } = spec.constraints ?? {}
  // The chain of a tube is its wall's count.
  const others = first.number === 1 || firstCount === undefined ? rest : { ...rest, firstCount }
  const withCount = (count: number): PieceSpec => ({
    ...spec,
    form: withGirth(spec, count * w),
    constraints: multiples ? { ...others, multiples } : others,
  })
  const wanted: readonly (readonly [Compromise['kind'], number, PieceSpec])[] = [
    ...(asked === undefined ? [] : [['asked', asked, accepted(spec, asked * w, asked % of > 0)] as const]),
    ...(of === 1
      ? []
      : ([
          ['fewer', fewer, withCount(fewer)],
          ['more', fewer + of, withCount(fewer + of)],
        ] as const)),
    // A texture cannot be worked without its repeat.
    ...(repeat === 1 && (asked === undefined || of === 1)
      ? [['free', Math.round(ideal), { ...spec, constraints: others }] as const]
      : []),
  ]
  const now = countOfWall(plan, wall.id, repeat > 1)
  const ways = wanted.flatMap(([kind, count, next]): Compromise[] => {
    // What is settled on is offered once.
    if (kind !== 'asked' && count === asked) return []
    const planned = attempt(() => planPiece(next))
    if (!planned.ok) return []
    const comesTo = countOfWall(planned.value, wall.id, repeat > 1)
    if (comesTo === undefined || (kind !== 'free' && comesTo !== count)) return []
    return [
      {
        kind,
        spec: next,
        count: comesTo,
        value: comesTo * w,
        around: comesTo * w,
        off: comesTo * w - around,
        over: comesTo % of,
        taken: kind !== 'free' && comesTo === now,
        finished: planned.value.finished,
      },
    ]
  })
  return { fight: { kind: 'count', of, ...(asked === undefined ? {} : { asked }), ideal, around }, ways }
}

/** A count that is settled on, with the girth it has; where no such girth can be asked for, as it is. */
function accepted(spec: PieceSpec, girth: number, offRepeat: boolean): PieceSpec {
  const constraints = { ...spec.constraints, ...(offRepeat ? { multiples: [] } : {}) }
  const next = { ...spec, form: withGirth(spec, girth), constraints }
  return attempt(() => validateSpec(next)).ok ? next : spec
}

/** The count that is asked for around a wall: of a tube it is that of the chain it begins with. */
function askedAround(spec: PieceSpec, wall: string): number | undefined {
  const { constraints } = spec
  return constraints?.wallCount ?? (sectionsOf(spec)[0]!.id === wall ? constraints?.firstCount : undefined)
}

/** The plain rounds that a texture stands on, in which it may still come to its count. */
const GROUND = 2

/** The count that a section keeps, if it keeps one. */
function countOfWall({ rounds }: Plan, section: string, textured: boolean): number | undefined {
  const wall = rounds.filter((round) => round.section === section)
  const counts = new Set(wall.slice(textured ? GROUND : 0).map(({ count }) => count))
  return counts.size === 1 ? [...counts][0] : undefined
}
