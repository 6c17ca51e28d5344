import { familyOf, roundedForm, type Form } from '../forms/registry.ts'
import type { Gauge } from '../gauge/gauge.ts'
import type { Promised } from '../lay/measures.ts'
import { layRounds } from './layRounds.ts'
import { finishedPromises } from './measureFinished.ts'
import type { PieceSpec, Plan } from './plan.ts'

type Size = Pick<Gauge, 'w' | 'h'>

/**
 * What a tape will find of a planned piece once it is washed and dried.
 * @param washed its spec in stitches as they are then
 */
export function afterWashing(washed: PieceSpec, { rounds }: Pick<Plan, 'rounds'>): readonly Promised[] {
  return finishedPromises(washed, layRounds(washed, rounds))
}

/**
 * What to ask for, as it comes off the hook, of a piece that is to have its sizes once it is washed.
 * @param worked, washed what is wanted, in stitches as worked and as washed
 */
export function formBeforeWashing({ form, gauge }: PieceSpec, washed: PieceSpec): Form {
  return times(form, gauge, washed.gauge)
}

/** What a form that is asked for as it comes off the hook becomes in the wash. */
export function formAfterWashing({ form, gauge }: PieceSpec, washed: PieceSpec): Form {
  return times(form, washed.gauge, gauge)
}

const times = (form: Form, to: Size, from: Size): Form =>
  roundedForm(familyOf(form).larger(form, { around: to.w / from.w, along: to.h / from.h }))
