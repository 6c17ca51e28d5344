import type Joi from 'joi'
import { PLAIN_SPEECH } from '../errors/sentence.ts'
import { SpecError } from '../errors/specError.ts'
import { validateWanted } from '../plan/validateSpec.ts'
import { formOf } from '../forms/registry.ts'
import { mm } from '../units/millimetres.ts'
import type { PieceRecord } from './records.ts'

/** What is wrong with a file or a record: where (`pieces[0].form.across`) and a sentence. */
export interface FileFault {
  readonly path: string
  readonly message: string
}

/** The first faults that a schema found. */
export const faultsFrom = (error: Joi.ValidationError, most: number): FileFault[] =>
  error.details
    .slice(0, most)
    .map(({ path, message }) => ({ path: writePath(path), message: sentence(message) }))

/** `['pieces', 0, 'form', 'across']` as `pieces[0].form.across`. */
function writePath(path: readonly (string | number)[]): string {
  return path.reduce<string>(
    (written, part) =>
      typeof part === 'number' ? `${written}[${part}]` : written ? `${written}.${part}` : part,
    '',
  )
}

/** Joi quotes the path in front; the path stands on its own here. */
function sentence(message: string): string {
  const bare = message.replace(/^"[^"]*"\s*/, '')
  return `${bare.charAt(0).toUpperCase()}${bare.slice(1)}.`
}

/** What the planner would refuse in any gauge, by the same validation. */
export function faultOfPiece(piece: PieceRecord, at = ''): FileFault | undefined {
  try {
    const { form, tolerance } = piece
    validateWanted({ ...piece, form: formOf(form), tolerance: mm(tolerance) })
    return undefined
  } catch (error) {
    if (!(error instanceof SpecError)) throw error
    return { path: `${at}${error.path}`, message: error.said(PLAIN_SPEECH) }
  }
}
