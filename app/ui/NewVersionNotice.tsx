import { useEffect, useRef, useState } from 'react'

/** A first visit has enough to do: what it needs to work offline is fetched once the page is there. */
const FIRST_COPY_MS = 4000

/** Makes the app work offline, and says when a newer version waits. Work goes on until the maker takes it. */
export function NewVersionNotice() {
  const [waiting, setWaiting] = useState(false)
  const update = useRef<(reload?: boolean) => Promise<void>>(undefined)
  useEffect(() => {
    if (!import.meta.env.PROD) return
    const register = async () => {
      const { registerSW } = await import('virtual:pwa-register')
      update.current = registerSW({ onNeedRefresh: () => setWaiting(true) })
    }
    const turn = setTimeout(() => void register(), navigator.serviceWorker?.controller ? 0 : FIRST_COPY_MS)
    return () => clearTimeout(turn)
  }, [])
  if (!waiting) return null
  return (
    <div
      role="status"
      className="flex flex-wrap items-center gap-4 border-b-2 rule bg-film-2 px-7 py-2 max-sm:px-4"
    >
      <p className="grow text-16">A newer Uzel is ready. Your work is stored; it takes a second.</p>
      <button type="button" className="button-ink" onClick={() => void update.current?.(true)}>
        Use it now
      </button>
      <button type="button" className="button-line" onClick={() => setWaiting(false)}>
        Later
      </button>
    </div>
  )
}
