import { attempt } from '../../errors/attempt.ts'
import { familyOf } from '../../forms/registry.ts'
import { FLAT_TOLERANCE } from '../../lay/flatness.ts'
import { farthestOffFlat } from '../offFlat.ts'
import type { PieceSpec, Plan } from '../plan.ts'
import { planPiece } from '../planPiece.ts'
import { gaugesOf, stitchIn } from '../sectionWork.ts'
import { sectionsOf, sizesOf, wallOf, withGirth } from '../wantedAround.ts'
import type { Compromise, Compromises, PlannedSpec } from './fight.ts'

/** So much wider a wall is tried, to find how its flat part grows with it. */
const TRIED = 1.02

/**
 * Where a crown or base that lies flat cannot both lie flat and meet its wall, because the wall stands between two of its
 * rounds: the walls on either side that stand at the edge of a whole round, beside what is planned.
 */
export function bendFight(planned: PlannedSpec): Compromises | undefined {
  const { spec, plan } = planned
  const at = sectionsOf(spec).findIndex(
    ({ guide }, index, all) => guide.lies === 'flat' && all[index + 1]?.guide.lies === 'fitted',
  )
  if (at < 0 || !familyOf(spec.form).towardsGirth) return undefined
  const flat = sectionsOf(spec)[at]!
  if (Math.abs(offFlatIn(plan, flat.id)) <= FLAT_TOLERANCE) return undefined
  const { h } = gaugesOf(spec)({ section: flat.id, stitch: stitchIn(spec, flat.id) })
  const { hole } = sizesOf(spec).start
  const wide = (rounds: number) => 2 * (hole + rounds * h)
  const wanted = wide(flat.guide.length / h)
  const wayOf = (kind: Compromise['kind'], { spec: next, plan: made }: PlannedSpec): Compromise => {
    const count = made.rounds.filter(({ section }) => section === flat.id).length
    return {
      kind,
      spec: next,
      count,
      value: wide(count),
      off: wide(count) - wanted,
      over: 0,
      offFlat: offFlatIn(made, flat.id),
      around: wallOf(next).guide.perimeter(0),
      taken: kind === 'asked',
      finished: made.finished,
    }
  }
  const girthFor = girthOfLength(spec, at)
  const rounds = flat.guide.length / h
  const others = (
    [
      ['fewer', Math.floor(rounds)],
      ['more', Math.ceil(rounds)],
    ] as const
  ).flatMap(([kind, count]): Compromise[] => {
    const next = attempt((): PlannedSpec => {
      const asked = { ...spec, form: withGirth(spec, girthFor(count * h)) }
      return { spec: asked, plan: planPiece(asked) }
    })
    if (!next.ok) return []
    const way = wayOf(kind, next.value)
    // A way out is one that lies flat.
    return way.count === count && Math.abs(way.offFlat!) <= FLAT_TOLERANCE ? [way] : []
  })
  return {
    fight: { kind: 'bend', section: flat.id, rounds, across: wanted },
    ways: [wayOf('asked', planned), ...others],
  }
}

/** How far off flat a section comes where it is farthest, as a share (+: it waves). */
const offFlatIn = ({ rounds }: Plan, id: string): number =>
  farthestOffFlat(rounds.filter(({ section }) => section === id)).flatness

/** How far around the wall goes, mm, whose flat part is so long: they grow together. */
function girthOfLength(spec: PieceSpec, at: number): (length: number) => number {
  const wallAround = ({ form }: PieceSpec) => wallOf({ ...spec, form }).guide.perimeter(0)
  const wider = { ...spec, form: withGirth(spec, wallAround(spec) * TRIED) }
  const [here, there] = [sectionsOf(spec)[at]!.guide.length, sectionsOf(wider)[at]!.guide.length]
  const slope = (wallAround(wider) - wallAround(spec)) / (there - here)
  return (length) => wallAround(spec) + slope * (length - here)
}
