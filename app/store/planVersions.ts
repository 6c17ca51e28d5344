import { unpin, type Plan, type PlanVersionRecord } from '../../core/index.ts'

/** A plan that work was begun on, with all that follows from its rounds. */
export interface PlanVersion extends Omit<PlanVersionRecord, 'plan'> {
  readonly plan: Plan
}

const known = new Map<string, { readonly written: string; readonly plan: Plan }>()

/** A kept version as it is worked with. Laid out once: a version never changes, unless a file writes over it. */
export function versionOf(record: PlanVersionRecord): PlanVersion {
  const { id, at, version, spec, plan } = record
  const written = [at, version, plan.rounds.length, spec.gauge.w, spec.gauge.h, spec.form.across].join()
  const before = known.get(id)
  if (before?.written === written) return { ...record, plan: before.plan }
  const laid = unpin(spec, plan)
  known.set(id, { written, plan: laid })
  return { ...record, plan: laid }
}
