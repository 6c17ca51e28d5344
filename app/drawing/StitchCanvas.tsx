import { useEffect, useMemo, useRef } from 'react'
import { paintCells, paintMotifs, type Shown } from './paintCells.ts'
import { paintRounds, showsStitches } from './paintRounds.ts'
import { cellsIn } from './views/cells.ts'
import { motifsIn } from './views/motifs.ts'
import type { View } from './views/view.ts'

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
    const paint = () => {
      painted.current = true
      const density = Math.min(2, window.devicePixelRatio || 1)
      element.width = Math.max(1, Math.round(width * density))
      element.height = Math.max(1, Math.round(height * density))
      context.setTransform(density, 0, 0, density, 0, 0)
      context.clearRect(0, 0, width, height)
      const now = JSON.parse(shownKey) as Shown
      if (!showsStitches(view)) return paintRounds(context, view, yarns, now)
      const { cells, motifs } = placed()
      paintCells(context, cells, yarns, now)
      paintMotifs(context, motifs, yarns, now)
    }
    // An edit is painted at once; what appears with others takes its turns, so that the page answers in between.
    if (painted.current) return paint()
    let turn = setTimeout(() => {
      if (showsStitches(view)) placed()
      turn = setTimeout(paint)
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
