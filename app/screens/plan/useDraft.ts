import { useRef, useState } from 'react'
import { queryClient } from '../../store/liveQueries.ts'

/**
 * A stored record that is edited: what is typed shows at once and is stored at once; what another tab
 * stores shows when nothing of ours is on its way.
 */
export function useDraft<T>(stored: T, queryKey: readonly unknown[], save: (next: T) => Promise<void>) {
  const [draft, setDraft] = useState<T>()
  const edits = useRef(0)
  const change = (next: T) => {
    const edit = ++edits.current
    setDraft(next)
    void save(next)
      .then(() => queryClient.refetchQueries({ queryKey }))
      .then(() => {
        if (edit === edits.current) setDraft(undefined)
      })
  }
  return [draft ?? stored, change] as const
}
