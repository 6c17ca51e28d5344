import {
  afterWashing,
  familyOf,
  formAfterWashing,
  formOf,
  growthOf,
  roundedForm,
  sectionsOf,
  sizesOf,
  wallOf,
} from '../../../core/index.ts'
import type {
  AnyField,
  CopyRecord,
  Form,
  GaugeRecord,
  PieceRecord,
  PieceSpec,
  Plan,
  ProjectRecord,
  Promised,
  WorkshopSettings,
  YarnRecord,
} from '../../../core/index.ts'
import type { Pulled } from '../../drawing/EdgeHandle.tsx'
import type { PlanVersion } from '../../store/planVersions.ts'
import type { ParsedNumber } from '../../ui/parseCount.ts'
import type { Refusal } from '../../ui/refusal.ts'
import type { Sizes } from '../../ui/useSizes.ts'
import { askingWordsOf } from '../../words/formQuestionWords.ts'
import { wordsOf } from '../../words/formWords.ts'

/** All that the parts of the plan screen show and change. */
export interface PlanModel {
  readonly project: ProjectRecord
  /** All pieces of the project. */
  readonly pieces: readonly PieceRecord[]
  readonly piece: PieceRecord
  readonly gauge: GaugeRecord
  readonly copies: readonly CopyRecord[]
  readonly versions: readonly PlanVersion[]
  readonly yarns: readonly YarnRecord[]
  readonly settings: WorkshopSettings
  /** Single crochets a minute, when the log shows them. */
  readonly learnedPace?: number
  /** The last plan that could be made, and the spec it belongs to. */
  readonly plan?: Plan
  readonly spec?: PieceSpec
  /** What is asked for now, when the gauge can be. */
  readonly wantedSpec?: PieceSpec
  /** The same in stitches as washed and dried. */
  readonly washedSpec?: PieceSpec
  readonly fault?: Refusal
  readonly changePiece: (piece: PieceRecord) => void
  /** Reads a number as `parse` does and refuses, where it is typed, what the piece could not be planned with. */
  readonly taking: (
    parse: (text: string) => ParsedNumber,
    changed: (value: number) => PieceRecord,
  ) => (text: string) => ParsedNumber
  readonly changeGauge: (gauge: GaugeRecord) => void
}

/** The sentence for a field whose path begins so, if that is the one at fault. */
export function faultAt(fault: Refusal | undefined, ...paths: readonly string[]): string | undefined {
  if (!fault || !paths.some((path) => fault.path === path || fault.path.startsWith(`${path}.`)))
    return undefined
  return fault.text
}

/** A piece has two rounds at the least, and is pulled to no fewer. */
const FEWEST_ROUNDS = 2
/** Fewer stitches do not go around anything. */
const FEWEST_STITCHES = 6
/** More of them go around nothing that one carries. */
const FARTHEST_AROUND = 4000

/** What pulling the edge of the drawing changes: the size that the last rounds are chosen for. */
export function pulledSize(model: PlanModel, spec: PieceSpec, sizes: Sizes): Pulled {
  const { changePiece } = model
  const { form } = spec
  const family = familyOf(form)
  const made = sizesOf(spec)
  const [{ of, value }] = family.targets(form, made)
  return {
    value,
    growth: growthOf(of),
    step: spec.gauge.h,
    least: FEWEST_ROUNDS * spec.gauge.h * growthOf(of),
    most: Math.max(...family.fields.map(longestOf)),
    name: askingWordsOf(form).handle,
    label: sizes.full,
    onChange: (next) => changePiece(withFormOf(model, family.towards(form, made, { of, value: next }))),
  }
}

/**
 * What pulling a wall to and from its axis changes: how far around it goes, by whole rounds of the base it stands on, or
 * else by whole stitches. Nothing of a form that has no such wall.
 */
export function pulledGirth(model: PlanModel, spec: PieceSpec, sizes: Sizes): Pulled | undefined {
  const { form, gauge } = spec
  const family = familyOf(form)
  if (!family.towardsGirth) return undefined
  const value = wallOf(spec).guide.perimeter(0)
  return {
    value,
    growth: 1,
    step: sectionsOf(spec)[0]!.guide.lies === 'flat' ? 2 * Math.PI * gauge.h : gauge.w,
    least: FEWEST_STITCHES * gauge.w,
    most: FARTHEST_AROUND,
    name: 'Wall: how far around',
    label: (girth) => `${sizes.full(girth)} around`,
    onChange: (girth) =>
      model.changePiece(withFormOf(model, family.towardsGirth!(form, sizesOf(spec), girth))),
  }
}

const longestOf = (field: AnyField): number =>
  field.kind === 'length' ? field.most : field.kind === 'outline' ? field.highest : 0

/** The piece with a form that was planned, in the sizes its maker names: as it comes off the hook, or washed. */
export function withFormOf({ piece, wantedSpec, washedSpec }: PlanModel, form: Form): PieceRecord {
  const washed = piece.washed && wantedSpec && washedSpec
  const meant = washed ? formAfterWashing({ ...wantedSpec, form }, washedSpec) : roundedForm(form)
  return { ...piece, form: meant }
}

/** What its plan will measure when it is washed and dried. */
export const whenWashed = ({ plan, washedSpec }: PlanModel): readonly Promised[] | undefined =>
  plan && washedSpec && afterWashing(washedSpec, plan)

/** Around the head that a piece is made for, mm, if it is made for one. */
export const headOf = ({ form }: Pick<PieceRecord, 'form'>): number | undefined =>
  wordsOf(form).hangs ? familyOf(form).around?.(formOf(form)) : undefined

/** Whether a piece goes on a foot. */
export const isOnFoot = ({ piece: { form } }: Pick<PlanModel, 'piece'>): boolean =>
  familyOf(form).onFoot !== undefined

/** One count all the way, but for a point: there is no rhythm to choose, and nothing increases. */
export const isEven = ({ rounds }: Plan): boolean =>
  rounds.every(({ count, from, closed }) => count === from || (!closed && count < from))
