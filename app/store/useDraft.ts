import { useEffect, useRef, useState } from 'react'
import { queryClient } from './liveQueries.ts'
import { notStoredWords } from './mustFit.ts'

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
  useEffect(() => {
    if (saved.current) setDraft(undefined)
  }, [stored])
  const change = (next: T) => {
    const edit = ++edits.current
    saved.current = false
    setDraft({ value: next })
    void save(next)
      .then(() => queryClient.refetchQueries({ queryKey }))
      .then(() => {
        if (edit === edits.current) saved.current = true
      })
      .catch((error: unknown) => notStored(notStoredWords(error)))
  }
  return [draft ? draft.value : stored, change] as const
}
