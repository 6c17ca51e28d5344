import { useEffect, useRef, useState } from 'react'
import { queryClient } from './liveQueries.ts'
import { notStoredWords } from './mustFit.ts'
import { saveEdited, setOut, type Edited } from './onTheWay.ts'
import { saveLatest } from './saveLatest.ts'

/**
 * A stored record that is edited: what is typed shows at once and is stored at once. The draft gives way
 * when the stored record next changes after it was saved, so that an older one never shows in between and
 * what another tab stores later does. A page that is left while something is being stored loses none of it.
 */
export function useDraft<T>(
  stored: T,
  queryKey: readonly unknown[],
  asStored: (next: T) => Edited,
  notStored: (text: string) => void,
) {
  const [draft, setDraft] = useState<{ readonly value: T }>()
  const edits = useRef(0)
  const saved = useRef(false)
  // One queue for as long as the record is open.
  const [push] = useState(() => saveLatest(saveEdited))
  useEffect(() => {
    if (saved.current) setDraft(undefined)
  }, [stored])
  const change = (next: T) => {
    const edit = ++edits.current
    saved.current = false
    setDraft({ value: next })
    const edited = asStored(next)
    const arrived = setOut(edited)
    void push(edited)
      .finally(arrived)
      .then(() => queryClient.refetchQueries({ queryKey }))
      .then(() => {
        if (edit === edits.current) saved.current = true
      })
      .catch((error: unknown) => {
        // One word for a hurry of edits that the same save failed for.
        if (edit === edits.current) notStored(notStoredWords(error))
      })
  }
  return [draft ? draft.value : stored, change] as const
}
