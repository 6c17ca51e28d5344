import { useEffect, useMemo, useRef } from 'react'
import { paintCells, paintMotifs, type Shown } from './paintCells.ts'
import { paintRounds, showsStitches } from './paintRounds.ts'
import { cellsIn } from './views/cells.ts'
import { motifsIn } from './views/motifs.ts'
import type { View } from './views/view.ts'

/** Stitches traced in one turn where the page must answer in between. */
const AT_A_TIME = 200

interface StitchCanvasProps {
  /** Kept from one drawing to the next: its stitches are placed anew for another. */
  readonly view: View
  readonly width: number
  readonly height: number
  readonly yarns: ReadonlyMap<string, string>
  readonly shown: Shown
}

/** The stitches of a plan, painted. What is said about them is drawn above, in SVG. */
export function StitchCanvas({ view, width, height, yarns, shown }: StitchCanvasProps) {
  const canvas = useRef<HTMLCanvasElement>(null)
  // Placed when they are painted: what waits for its turn costs the screen it appears on nothing.
  const placed = useMemo(() => once(() => ({ cells: cellsIn(view), motifs: motifsIn(view) })), [view])
  const shownKey = JSON.stringify(shown)
  const painted = useRef(false)
  useEffect(() => {
    const element = canvas.current
    const context = element?.getContext('2d')
    if (!element || !context) return
    /** Paints in turns of so many stitches: where it stops the page can be answered. */
    const painting = function* (atATime: number): Generator<void, void> {
      const now = JSON.parse(shownKey) as Shown
      const stitches = showsStitches(view) ? placed() : undefined
      if (stitches) yield
      painted.current = true
      const density = Math.min(2, window.devicePixelRatio || 1)
      element.width = Math.max(1, Math.round(width * density))
      element.height = Math.max(1, Math.round(height * density))
      context.setTransform(density, 0, 0, density, 0, 0)
      if (!stitches) return paintRounds(context, view, yarns, now)
      yield* paintCells(context, stitches.cells, yarns, now, atATime)
      paintMotifs(context, stitches.motifs, yarns, now)
    }
    // An edit is painted at once; what appears with others takes its turns, so that the page answers in between.
    if (painted.current) {
      for (const _ of painting(Infinity));
      return
    }
    const turns = painting(AT_A_TIME)
    let turn = setTimeout(function next() {
      if (!turns.next().done) turn = setTimeout(next)
    })
    return () => clearTimeout(turn)
  }, [view, placed, width, height, yarns, shownKey])
  return <canvas ref={canvas} className="absolute inset-0" style={{ width, height }} aria-hidden />
}

/** What something comes to, worked out when it is first asked for. */
function once<T extends object>(make: () => T): () => T {
  let made: T | undefined
  return () => (made ??= make())
}
