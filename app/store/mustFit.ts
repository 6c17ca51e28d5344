import type { EditedRecords } from '../../core/exchange/faultOfRecord.ts'

/** A record that no file with it in could be read back for: it is not stored, and what stood there stands. */
export class Refused extends Error {
  override readonly name = 'Refused'
}

/** What a maker is told when something could not be stored. */
export const notStoredWords = (error: unknown): string =>
  error instanceof Refused
    ? error.message
    : 'This change is shown but could not be stored. The disk may be full: export a file.'

/** The validation comes with a library of its own, and only when something is stored or the browser is idle. */
export const loadValidation = () => import('../../core/exchange/faultOfRecord.ts')

/**
 * Every record that a maker edits passes here before it is stored, so that what is stored can always be
 * exported and read back.
 * @throws Refused with the field and what is wrong
 */
export async function mustFit<T extends keyof EditedRecords>(
  table: T,
  record: EditedRecords[T],
): Promise<void> {
  const { faultOfRecord } = await loadValidation()
  const fault = faultOfRecord(table, record)
  if (fault) throw new Refused(`This is not kept (${fault.path}). ${fault.message}`)
}
