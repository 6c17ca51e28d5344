import { useEffect, useState, useSyncExternalStore } from 'react'
import type { CopyRecord } from '../../../core/index.ts'
import { useStored } from '../../store/liveQueries.ts'
import {
  openWorkSession,
  readWorkState,
  type Deed,
  type SessionView,
  type WorkSession,
} from '../../store/workSession.ts'
import { lastSeq } from '../../store/workLog.ts'

export interface OpenWork extends SessionView {
  readonly act: (deed: Deed) => void
}

const NOTHING = () => undefined
const NEVER = () => () => undefined

/** The work log of a copy, open for counting; follows what other tabs count. */
export function useWorkSession(copy: CopyRecord): OpenWork | undefined {
  const [session, setSession] = useState<WorkSession>()
  const [failure, setFailure] = useState<Error>()
  useEffect(() => {
    let wanted = true
    readWorkState(copy).then(
      (state) => wanted && setSession(openWorkSession(copy, state)),
      (error: unknown) => wanted && setFailure(error instanceof Error ? error : new Error(String(error))),
    )
    return () => {
      wanted = false
    }
    // A session belongs to the copy it was opened for, whatever is noted on the copy later.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [copy.id])
  const last = useStored(['lastSeq', copy.id], ['events'], () => lastSeq(copy.id))
  useEffect(() => {
    if (session && last && last > session.view().state.lastSeq) session.catchUp()
  }, [session, last])
  const view = useSyncExternalStore(session?.subscribe ?? NEVER, session?.view ?? NOTHING)
  if (failure) throw failure
  return session && view ? { ...view, act: session.act } : undefined
}
