import { unpin, type Plan, type PlanVersionRecord } from '../../core/index.ts'

/** A plan that work was begun on, with all that follows from its rounds. */
export interface PlanVersion extends Omit<PlanVersionRecord, 'plan'> {
  readonly plan: Plan
}

const known = new Map<string, { readonly written: string; readonly plan: Plan }>()

/** A kept version as it is worked with. Laid out once, and again when a file has written over it. */
export function versionOf(record: PlanVersionRecord): PlanVersion {
  const { id, spec, plan } = record
  const written = JSON.stringify([spec, plan])
  const before = known.get(id)
  if (before?.written === written) return { ...record, plan: before.plan }
  const laid = unpin(spec, plan)
  known.set(id, { written, plan: laid })
  return { ...record, plan: laid }
}
