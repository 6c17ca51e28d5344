import { SpecError, spoken, type Fault, type Speech } from '../../core/index.ts'

/** What the core refuses: the field, and what is wrong and would be right, as the maker reads it. */
export interface Refusal {
  readonly path: string
  readonly text: string
}

/** What a refusal says in the maker's unit and terms; anything else that was thrown goes on. */
export function refusalIn(error: unknown, speech: Speech): Refusal {
  if (!(error instanceof SpecError)) throw error
  return { path: error.path, text: error.said(speech) }
}

/** A fault of a piece, as from the planner or its worker. */
export const refusalFrom = ({ path, unsaid }: Fault, speech: Speech): Refusal => ({
  path,
  text: unsaid.map((sentence) => spoken(sentence, speech)).join(' '),
})

/** The refusal of a check, if it refuses. */
export function refusalOf(check: () => void, speech: Speech): Refusal | undefined {
  try {
    check()
    return undefined
  } catch (error) {
    return refusalIn(error, speech)
  }
}
