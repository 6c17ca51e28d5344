import { attempt } from '../errors/attempt.ts'
import { familyOf } from '../forms/registry.ts'
import { commonMultiple, multipleAt, repeatIn } from './countsFor.ts'
import type { Finished, PieceSpec, Plan } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { gaugesOf, stitchIn } from './sectionWork.ts'
import { sectionsOf, sizesOf } from './wantedAround.ts'

/** One way to have a repeat and a girth, or to do without the repeat. */
export interface Compromise {
  readonly kind: 'fewer' | 'more' | 'free'
  /** What is asked for then; its plan has the count. */
  readonly spec: PieceSpec
  /** Stitches all around the wall. */
  readonly count: number
  /** Halfway through the fabric, mm, and by how much it is off what was asked for (+: larger). */
  readonly around: number
  readonly off: number
  /** Stitches that are left over when the repeat has gone around. */
  readonly over: number
  readonly finished: Finished
}

export interface Compromises {
  readonly of: number
  /** What the wall would have by its girth alone, and how far around that is, mm. */
  readonly ideal: number
  readonly around: number
  readonly ways: readonly Compromise[]
}

/** A girth is met while its count is off by no more than this. */
const MET = 0.5

/**
 * Where a repeat does not go into the girth of a wall: the counts on either side that it goes into, by what the form
 * can give (ease, or the base), and the count that fits best without it. Nothing where both can be had.
 * @throws SpecError when the spec cannot be planned
 */
export function compromises(spec: PieceSpec): Compromises | undefined {
  const wall = sectionsOf(spec).find(({ even, lip }) => even && !lip)
  if (!wall || !familyOf(spec.form).towardsGirth) return undefined
  const repeat = repeatIn(spec.sections, wall.id)
  if (!spec.constraints?.multiples?.length && repeat === 1) return undefined
  const plan = planPiece(spec)
  const first = plan.rounds.find(({ section }) => section === wall.id)!
  const of = commonMultiple(multipleAt(spec.constraints, first.number), repeat)
  const { w } = gaugesOf(spec)({ section: wall.id, stitch: stitchIn(spec, wall.id) })
  const around = wall.guide.perimeter(0)
  const ideal = around / w
  const fewer = of * Math.floor(ideal / of)
  const nearest = of * Math.round(ideal / of)
  if (of === 1 || Math.abs(nearest - ideal) <= MET) return undefined
  const { multiples: _, ...others } = spec.constraints ?? {}
  const asked = (kind: Compromise['kind'], count: number): PieceSpec =>
    kind === 'free' ? { ...spec, constraints: others } : { ...spec, form: withGirth(spec, count * w) }
  // A texture cannot be worked without its repeat.
  const wanted = [
    ['fewer', fewer],
    ['more', fewer + of],
    ...(repeat === 1 ? ([['free', Math.round(ideal)]] as const) : []),
  ] as const
  const ways = wanted.flatMap(([kind, count]): Compromise[] => {
    const next = asked(kind, count)
    const planned = attempt(() => planPiece(next))
    if (!planned.ok) return []
    const comesTo = countOfWall(planned.value, wall.id, repeat > 1)
    if (comesTo === undefined || (kind !== 'free' && comesTo !== count)) return []
    return [
      {
        kind,
        spec: next,
        count: comesTo,
        around: comesTo * w,
        off: comesTo * w - around,
        over: comesTo % of,
        finished: planned.value.finished,
      },
    ]
  })
  return { of, ideal, around, ways }
}

const withGirth = (spec: PieceSpec, girth: number): PieceSpec['form'] =>
  familyOf(spec.form).towardsGirth!(spec.form, sizesOf(spec), girth)

/** The plain rounds that a texture stands on, in which it may still come to its count. */
const GROUND = 2

/** The count that a section keeps, if it keeps one. */
function countOfWall({ rounds }: Plan, section: string, textured: boolean): number | undefined {
  const wall = rounds.filter((round) => round.section === section)
  const counts = new Set(wall.slice(textured ? GROUND : 0).map(({ count }) => count))
  return counts.size === 1 ? [...counts][0] : undefined
}
