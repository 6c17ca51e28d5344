import { useSyncExternalStore } from 'react'

/** desk: drawing beside the ledger; stacked: one below the other; phone: one column, the drawing whole. */
export type Layout = 'desk' | 'stacked' | 'phone'

const DESK = { width: 1180, height: 700 }
const NARROW = 1024
/** Under this a piece's own tabs and the main ones do not fit beside one another. */
const TIGHT = 780
const PHONE = 640
/** Under this a screen lies on its long side: a propped phone. Under the lower one not even that fits: it scrolls. */
const LYING = 480
const LOW = 310

/** The window in px of normal print: large print has the room of a smaller window. */
function roomNow(): { width: number; height: number } {
  const print = Number.parseFloat(getComputedStyle(document.documentElement).fontSize) / 16 || 1
  return { width: window.innerWidth / print, height: window.innerHeight / print }
}

export function layoutNow(): Layout {
  const { width, height } = roomNow()
  if (width >= DESK.width && height >= DESK.height) return 'desk'
  return width >= PHONE ? 'stacked' : 'phone'
}

function subscribe(listener: () => void): () => void {
  window.addEventListener('resize', listener)
  const print = new MutationObserver(listener)
  print.observe(document.documentElement, { attributes: true, attributeFilter: ['data-print', 'style'] })
  return () => {
    window.removeEventListener('resize', listener)
    print.disconnect()
  }
}

export function useLayout(): Layout {
  return useSyncExternalStore(subscribe, layoutNow)
}

/** Keeps `data-room` on the document, which the style sheet's max-lg, tight, max-sm, lying and low go by. */
export function watchRoom(): void {
  const mark = () => {
    const { width, height } = roomNow()
    const room = [
      width < PHONE && 'phone',
      width < TIGHT && 'tight',
      width < NARROW && 'narrow',
      height < LYING && width > height && height >= LOW && 'lying',
      height < LOW && 'low',
    ]
    document.documentElement.dataset['room'] = room.filter(Boolean).join(' ')
  }
  mark()
  subscribe(mark)
}
