import { Toast } from 'radix-ui'
import { useSyncExternalStore } from 'react'

interface Message {
  readonly id: number
  readonly text: string
  readonly action?: { readonly label: string; readonly run: () => void }
}

let messages: readonly Message[] = []
let nextId = 1
const listeners = new Set<() => void>()

function show(next: readonly Message[]): void {
  messages = next
  for (const listener of listeners) listener()
}

/** Says something in passing; with an action, what can still be taken back. */
export function say(text: string, action?: Message['action']): void {
  show([...messages.slice(-2), { id: nextId++, text, action }])
}

export function Toaster() {
  const shown = useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => messages,
  )
  return (
    <Toast.Provider duration={8000} swipeDirection="right" label="Message">
      {shown.map(({ id, text, action }) => (
        <Toast.Root
          key={id}
          className="flex items-center gap-4 bg-ink px-5 py-3 text-film"
          onOpenChange={(open) => !open && show(messages.filter((message) => message.id !== id))}
        >
          <Toast.Description className="grow text-18">{text}</Toast.Description>
          {action && (
            <Toast.Action altText={action.label} asChild>
              <button
                type="button"
                className="slab min-h-11 border-2 border-film px-4 text-18 focus-visible:outline-tape"
                onClick={action.run}
              >
                {action.label}
              </button>
            </Toast.Action>
          )}
          <Toast.Close className="min-h-11 px-2 text-16 underline focus-visible:outline-tape">
            Close
          </Toast.Close>
        </Toast.Root>
      ))}
      <Toast.Viewport className="fixed right-4 bottom-4 z-50 grid w-[min(36rem,calc(100vw-2rem))] gap-2" />
    </Toast.Provider>
  )
}
