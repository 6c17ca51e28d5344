import type { Answer, PieceSpec, Plan, PlanVersionRecord, Round } from '../../core/index.ts'
import { askPlanner } from './planner.ts'

type LayHere = (spec: PieceSpec, kept: PlanVersionRecord['plan']) => Plan

let layHere: LayHere | undefined

/** From now on plans can be worked out on this thread. */
export function laysHere(lay: LayHere): void {
  layHere = lay
}

/** A plan that work was begun on. What follows from its rounds is worked out when it is first asked for. */
export class PlanVersion {
  readonly id: string
  readonly pieceId: string
  readonly version: number
  readonly at: number
  readonly spec: PieceSpec
  readonly #kept: PlanVersionRecord['plan']
  #plan: Plan | undefined

  constructor({ id, pieceId, version, at, spec, plan }: PlanVersionRecord) {
    this.id = id
    this.pieceId = pieceId
    this.version = version
    this.at = at
    this.spec = spec
    this.#kept = plan
  }

  get rounds(): readonly Round[] {
    return this.#kept.rounds
  }

  get plan(): Plan {
    if (!this.#plan) {
      if (!layHere) throw new Error('A plan is asked for before it was laid out.')
      this.#plan = layHere(this.spec, this.#kept)
    }
    return this.#plan
  }

  /** Whether its plan is worked out already. */
  get isLaid(): boolean {
    return this.#plan !== undefined
  }

  /**
   * Has its plan worked out away from the screen; where that cannot be had it is worked out here, and one that cannot be
   * says so when it is asked for.
   */
  async layAway(): Promise<void> {
    const ask = askPlanner<Answer<Plan>>((planner) => planner.unpin(this.spec, this.#kept))
    const laid = await ask.catch(() => undefined)
    if (laid?.ok) this.#plan ??= laid.value
    else await import('./planHere.ts')
  }
}

const known = new Map<string, { readonly written: string; readonly version: PlanVersion }>()

/** A kept version as it is worked with: one and the same until a file has written over it. */
export function versionOf(record: PlanVersionRecord): PlanVersion {
  const written = JSON.stringify([record.pieceId, record.version, record.at, record.spec, record.plan])
  const before = known.get(record.id)
  if (before?.written === written) return before.version
  const version = new PlanVersion(record)
  known.set(record.id, { written, version })
  return version
}
