import { Lock } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'

/** So long it is held to be meant. */
const HELD_MS = 900

/** Over the work: no tap, key or pedal counts until it is held for a moment. */
export function PocketLock({ onOpen }: { readonly onOpen: () => void }) {
  const [held, setHeld] = useState(false)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const button = useRef<HTMLButtonElement>(null)
  const begin = () => {
    if (timer.current !== undefined) return
    setHeld(true)
    timer.current = setTimeout(onOpen, HELD_MS)
  }
  const end = () => {
    clearTimeout(timer.current)
    timer.current = undefined
    setHeld(false)
  }
  useEffect(() => {
    button.current?.focus()
    return () => clearTimeout(timer.current)
  }, [])
  return (
    <div
      className="fixed inset-0 z-30 grid touch-none place-items-center bg-ink/60"
      role="dialog"
      aria-label="Locked"
    >
      <button
        ref={button}
        type="button"
        className="slab flex min-h-24 w-72 items-center justify-center gap-4 border-2 rule bg-film px-8 text-24 select-none data-[held]:bg-tape"
        data-held={held || undefined}
        onPointerDown={begin}
        onPointerUp={end}
        onPointerLeave={end}
        onPointerCancel={end}
        onContextMenu={(event) => event.preventDefault()}
        onKeyDown={(event) => (event.key === 'Enter' || event.key === ' ') && begin()}
        onKeyUp={end}
      >
        <Lock aria-hidden /> {held ? 'Hold on…' : 'Hold to unlock'}
      </button>
    </div>
  )
}
