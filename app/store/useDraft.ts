import { useEffect, useRef, useState } from 'react'
import { queryClient } from './liveQueries.ts'
import { notStoredWords } from './mustFit.ts'
import { saveLatest } from './saveLatest.ts'

/**
 * A stored record that is edited: what is typed shows at once and is stored at once. The draft gives way
 * when the stored record next changes after it was saved, so that an older one never shows in between and
 * what another tab stores later does.
 */
export function useDraft<T>(
  stored: T,
  queryKey: readonly unknown[],
  save: (next: T) => Promise<void>,
  notStored: (text: string) => void,
) {
  const [draft, setDraft] = useState<{ readonly value: T }>()
  const edits = useRef(0)
  const saved = useRef(false)
  // One queue for as long as the record is open, whatever function saves it by now.
  const latestSave = useRef(save)
  useEffect(() => {
    latestSave.current = save
  })
  const [push] = useState(() => saveLatest<T>((next) => latestSave.current(next)))
  useEffect(() => {
    if (saved.current) setDraft(undefined)
  }, [stored])
  const change = (next: T) => {
    const edit = ++edits.current
    saved.current = false
    setDraft({ value: next })
    void push(next)
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
