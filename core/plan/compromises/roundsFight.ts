import { attempt } from '../../errors/attempt.ts'
import { familyOf } from '../../forms/registry.ts'
import { growthOf } from '../../lay/measures.ts'
import { mm } from '../../units/millimetres.ts'
import type { PieceSpec } from '../plan.ts'
import { planPiece } from '../planPiece.ts'
import { freeLastRoundsIn, gaugesOf, stitchIn } from '../sectionWork.ts'
import { sectionsOf, sizesOf } from '../wantedAround.ts'
import type { Compromise, Compromises, PlannedSpec } from './fight.ts'

/** Last rounds of another stitch are worth it when they bring it so much nearer. */
const WORTH_IT = 0.7

/**
 * Where a size falls between two rounds and misses its tolerance: as it comes, with a round fewer or more, and with last
 * rounds of other stitches where those come nearer.
 */
export function roundsFight(planned: PlannedSpec): Compromises | undefined {
  const { spec, plan } = planned
  if (!plan.notices.some(({ code }) => code === 'sizeMissed')) return undefined
  const family = familyOf(spec.form)
  const [{ of, value: wanted }] = family.targets(spec.form, sizesOf(spec))
  const comesTo = ({ finished }: PlannedSpec['plan']) => finished.promises.find((one) => one.of === of)!.value
  const wayOf = (kind: Compromise['kind'], asked: PieceSpec): Compromise[] => {
    const made = attempt(() => planPiece(asked))
    if (!made.ok) return []
    const value = comesTo(made.value)
    return [
      {
        kind,
        spec: asked,
        count: made.value.rounds.length,
        value,
        off: value - wanted,
        over: 0,
        taken: kind === 'asked',
        finished: made.value.finished,
      },
    ]
  }
  const now = comesTo(plan)
  const towards = (value: number): PieceSpec => ({
    ...spec,
    form: family.towards(spec.form, sizesOf(spec), { of, value: mm(value) }),
  })
  const last = sectionsOf(spec).at(-1)!.id
  const round = growthOf(of) * gaugesOf(spec)({ section: last, stitch: stitchIn(spec, last) }).h
  const by = Math.sign(wanted - now)
  const trims: PieceSpec = { ...spec, construction: { ...spec.construction, freeLastRounds: 2 } }
  /** So many rounds more or fewer, and what they come to asked for. */
  const another = (kind: Compromise['kind'], by: number): Compromise[] =>
    wayOf(kind, towards(now + by * round))
      .flatMap(({ value }) => wayOf(kind, towards(value)))
      .filter(({ count }) => count === plan.rounds.length + by)
  const ways = [
    ...wayOf('asked', towards(now)),
    ...another(by > 0 ? 'more' : 'fewer', by),
    ...(freeLastRoundsIn(trims, last) > freeLastRoundsIn(spec, last) ? wayOf('trimmed', trims) : []).filter(
      ({ off }) => Math.abs(off) <= WORTH_IT * Math.abs(now - wanted),
    ),
  ]
  return { fight: { kind: 'rounds', of, wanted }, ways }
}
