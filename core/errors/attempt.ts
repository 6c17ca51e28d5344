import { SpecError } from './specError.ts'

/** What a piece cannot be planned for: the field, and what is wrong and would be right, still to be said. */
export type Fault = Pick<SpecError, 'path' | 'unsaid'>

/**
 * The fault in whatever planning a piece threw. A fault that was not foreseen belongs to no field: it says
 * what happened and what still can be done, so that one piece never takes a list or a screen with it.
 */
export function faultIn(error: unknown): Fault {
  if (error instanceof SpecError) return { path: error.path, unsaid: error.unsaid }
  const what = error instanceof Error ? error.message : String(error)
  return {
    path: '',
    unsaid: [
      `Uzel failed to work this piece out (${what.slice(0, 160)}).`,
      'It is stored and nothing is lost. Change its size, gauge or rounds; or export it as a file and send that to whoever looks after this Uzel.',
    ],
  }
}

/** What was computed, or why it could not be. */
export type Answer<T> = { readonly ok: true; readonly value: T } | ({ readonly ok: false } & Fault)

/** Computes; whatever is thrown on the way becomes the fault of this one piece. */
export function attempt<T>(compute: () => T): Answer<T> {
  try {
    return { ok: true, value: compute() }
  } catch (error) {
    return { ok: false, ...faultIn(error) }
  }
}
