import { useRemembered } from '../store/remembered.ts'
import { say } from './toasts.tsx'

/** What a browser takes for a millimetre: 96 px an inch. */
const NOMINAL = 96 / 25.4

/**
 * CSS pixels in a true millimetre on this screen, as its maker set it with a card; and whether they have.
 */
export function useScreenScale() {
  const [scale, setScale] = useRemembered('screenScale', 1, say)
  return {
    pxPerMm: NOMINAL * (scale ?? 1),
    /** Share of the nominal size. */
    scale: scale ?? 1,
    set: setScale,
  }
}
