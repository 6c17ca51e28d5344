import './store/demoAhead.ts'
import './ui/firstFrame.ts'
import './store/database.ts'
import './ui/ownTurn.ts'
import Dexie from 'dexie'
import { startTransition, StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { App } from './App.tsx'
import { loadDemoOnFirstVisit } from './store/firstVisit.ts'
import { watchStorage } from './store/liveQueries.ts'
import { loadValidation, notStoredWords, Refused } from './store/mustFit.ts'
import { sweepDeleted } from './store/mutations.ts'
import { takeUpLeftBehind, watchLeaving } from './store/onTheWay.ts'
import { say } from './ui/toasts.tsx'
import './ui/styles.css'
import { nextTurn } from './ui/nextTurn.ts'
import { watchRoom } from './ui/useLayout.ts'

await nextTurn()

watchStorage()
watchRoom()
watchLeaving()

void (async () => {
  // The shelf opens whatever happens here; a workshop that cannot be swept is only a little larger.
  await loadDemoOnFirstVisit()
  await sweepDeleted(Date.now()).catch(() => undefined)
  await navigator.storage?.persist?.().catch(() => false)
})()

// Edits that nobody waits for fail aloud all the same.
window.addEventListener('unhandledrejection', (event) => {
  if (!(event.reason instanceof Refused || event.reason instanceof Dexie.DexieError)) return
  event.preventDefault()
  say(notStoredWords(event.reason))
})

/** The validation is there before anything is edited: with the first touch, or once the page has nothing else to do. */
const ATTENTION = ['pointerdown', 'keydown', 'focusin'] as const
const UNASKED_MS = 15_000
const prepareForEdits = () => {
  for (const event of ATTENTION) window.removeEventListener(event, prepareForEdits)
  void loadValidation().catch(() => undefined)
}
for (const event of ATTENTION) window.addEventListener(event, prepareForEdits)
window.addEventListener('load', () => setTimeout(prepareForEdits, UNASKED_MS))

/** In slices, between which the page answers. */
const open = () =>
  startTransition(() =>
    createRoot(document.getElementById('root')!).render(
      <StrictMode>
        <App />
      </StrictMode>,
    ),
  )
// What a page was left with is there before anything is shown.
void takeUpLeftBehind()
  .catch(() => say('What was edited last, as the page was left, could not be stored.'))
  .then(open)
