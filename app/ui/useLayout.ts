import { useSyncExternalStore } from 'react'

/** desk: drawing beside the ledger; stacked: one below the other; phone: one column, the drawing whole. */
export type Layout = 'desk' | 'stacked' | 'phone'

const DESK_WIDTH = 1180
const DESK_HEIGHT = 700
const STACKED_WIDTH = 600

/** The window in px of normal print: large print has the room of a smaller window. */
function layoutNow(): Layout {
  const print = Number.parseFloat(getComputedStyle(document.documentElement).fontSize) / 16 || 1
  const width = window.innerWidth / print
  if (width >= DESK_WIDTH && window.innerHeight / print >= DESK_HEIGHT) return 'desk'
  return width >= STACKED_WIDTH ? 'stacked' : 'phone'
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
