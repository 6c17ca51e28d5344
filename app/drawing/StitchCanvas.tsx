import { useEffect, useMemo, useRef } from 'react'
import type { Plan } from '../../core/index.ts'
import { paintCells, type Shown } from './paintCells.ts'
import { cellsOf, type DrawingFrame } from './unrolledDisc.ts'

interface StitchCanvasProps {
  readonly plan: Plan
  readonly frame: DrawingFrame
  readonly width: number
  readonly height: number
  readonly yarns: ReadonlyMap<string, string>
  readonly shown: Shown
  readonly turned?: boolean
}

/** The stitches of a plan, painted. What is said about them is drawn above, in SVG. */
export function StitchCanvas({
  plan,
  frame,
  width,
  height,
  yarns,
  shown,
  turned = false,
}: StitchCanvasProps) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const { scale, x, y, cut, mirrored } = frame
  const cells = useMemo(
    () => cellsOf(plan, { scale, x, y, cut, mirrored }, turned),
    [plan, scale, x, y, cut, mirrored, turned],
  )
  const shownKey = JSON.stringify(shown)
  useEffect(() => {
    const element = canvas.current
    const context = element?.getContext('2d')
    if (!element || !context) return
    const density = Math.min(2, window.devicePixelRatio || 1)
    element.width = Math.max(1, Math.round(width * density))
    element.height = Math.max(1, Math.round(height * density))
    context.setTransform(density, 0, 0, density, 0, 0)
    context.clearRect(0, 0, width, height)
    paintCells(context, cells, yarns, JSON.parse(shownKey) as Shown)
  }, [cells, width, height, yarns, shownKey])
  return <canvas ref={canvas} className="absolute inset-0" style={{ width, height }} aria-hidden />
}
