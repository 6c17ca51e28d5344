import { database } from './database.ts'
import { useStored } from './liveQueries.ts'
import { useDraft } from './useDraft.ts'

/**
 * Something this browser keeps for its maker that belongs to no project: a half-filled form, the scale of
 * the screen. `undefined` until it is read.
 */
export function useRemembered<T>(
  key: string,
  initial: T,
  notStored: (text: string) => void,
  /** What cannot be shown is put aside: a draft must not stop its screen again and again. */
  fits: (value: T) => boolean = () => true,
) {
  const stored = useStored(['remembered', key], ['remembered'], async () => {
    const found = await database.remembered.get(key)
    return { value: found !== undefined && fits(found.value as T) ? (found.value as T) : initial }
  })
  const [held, change] = useDraft(
    stored ?? undefined,
    ['remembered', key],
    (next) => ({ table: 'remembered', record: { key, value: next?.value } }),
    notStored,
  )
  return [held?.value, (value: T) => change({ value })] as const
}
