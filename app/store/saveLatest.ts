/**
 * Saves what was last given, one save at a time: while one is on its way only the newest of what comes is
 * kept, so that a hurry of edits never queues up behind a slow disk.
 * @returns stores a value; resolves once that one or a newer is stored, and fails when that save fails
 */
export function saveLatest<T>(save: (value: T) => Promise<void>): (value: T) => Promise<void> {
  let newest: { readonly value: T } | undefined
  let running: Promise<void> | undefined
  const run = async () => {
    while (newest) {
      const { value } = newest
      newest = undefined
      await save(value)
    }
  }
  return (value) => {
    newest = { value }
    running ??= run().finally(() => {
      running = undefined
    })
    return running
  }
}
