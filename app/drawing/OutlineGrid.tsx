import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { MM_PER_INCH, type OutlinePoint } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'

interface OutlineGridProps {
  readonly outline: readonly OutlinePoint[]
  /** The line from its foot to its edge, radius and height, mm, as it goes between the points. */
  readonly line: readonly { readonly r: number; readonly z: number }[]
  readonly width: number
  readonly height: number
  readonly sizes: Sizes
  readonly onMove: (index: number, point: OutlinePoint) => void
  readonly onAdd: (after: number) => void
  readonly onRemove: (index: number) => void
}

/** Room around the shape for what is drawn farther out, as a share of it. */
const ROOM = 1.25
const SMALLEST = 60
const FOOT = 22
const TARGET = 44
const SIZE = 14

const MOVES: Readonly<Record<string, readonly [across: number, up: number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

/** A shape on a grid of centimetres or inches, seen from the side; its points are dragged, or moved by keys. */
export function OutlineGrid({
  outline,
  line,
  width,
  height,
  sizes,
  onMove,
  onAdd,
  onRemove,
}: OutlineGridProps) {
  const drag = useRef<{ pointer: number; index: number }>(undefined)
  const [held, setHeld] = useState<number>()
  const wide = Math.max(SMALLEST, ...outline.map(({ across }) => across)) * ROOM
  const tall = Math.max(SMALLEST, ...outline.map(({ up }) => up)) * ROOM
  const scale = held ?? Math.min(width / wide, (height - FOOT) / tall)
  const [axis, table] = [width / 2, height - FOOT]
  const square = sizes.unit === 'in' ? MM_PER_INCH : 10
  const half = (side: 1 | -1) =>
    line.map(({ r, z }) => `${(axis + side * r * scale).toFixed(1)} ${(table - z * scale).toFixed(1)}`)
  const placeOf = ({ across, up }: OutlinePoint) => ({
    x: axis + (across / 2) * scale,
    y: table - up * scale,
  })
  const drop = () => {
    drag.current = undefined
    setHeld(undefined)
  }
  const pull = (event: PointerEvent<SVGGElement>) => {
    const { current } = drag
    if (!current || current.pointer !== event.pointerId) return
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect()
    const [x, y] = [event.clientX - box.x - axis, table - (event.clientY - box.y)]
    onMove(current.index, snapped({ across: (2 * x) / scale, up: y / scale }, sizes.step))
  }
  const press = (event: KeyboardEvent, index: number) => {
    const move = MOVES[event.key]
    const point = outline[index]!
    if (move) {
      event.preventDefault()
      const by = sizes.step * (event.shiftKey ? 10 : 1)
      onMove(index, { across: point.across + move[0] * by, up: point.up + move[1] * by })
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault()
      onRemove(index)
    } else if (event.key === '+') {
      event.preventDefault()
      onAdd(index)
    }
  }
  return (
    <svg
      width={width}
      height={height}
      role="group"
      aria-label="Shape, from the side"
      className="block touch-none"
    >
      <g stroke="var(--color-hair)" strokeWidth={0.8}>
        {lines(width / 2 / scale / square).map((at) => (
          <path
            key={at}
            d={`M${axis + at * square * scale} 0V${table}M${axis - at * square * scale} 0V${table}`}
          />
        ))}
        {lines(table / scale / square).map((at) => (
          <path key={at} d={`M0 ${table - at * square * scale}H${width}`} />
        ))}
      </g>
      <g fill="var(--color-ink-2)" fontSize={13} className="slab" aria-hidden>
        {lines(table / scale / square)
          .filter((at) => at > 0 && at % numbered(square * scale) === 0)
          .map((at) => (
            <text key={at} x={3} y={table - at * square * scale - 3}>
              {at}
            </text>
          ))}
      </g>
      <path
        d={`M${[...half(-1).reverse(), ...half(1)].join('L')}`}
        fill="var(--color-fog)"
        stroke="var(--color-ink)"
        strokeWidth={2.2}
      />
      <path d={`M${axis} 0V${table}`} stroke="var(--color-ink)" strokeWidth={1} strokeDasharray="7 4 1.5 4" />
      <path d={`M0 ${table + 5}H${width}`} stroke="var(--color-ink)" strokeWidth={9} />
      <path d={`M0 ${table + 5}H${width}`} stroke="var(--color-tape)" strokeWidth={6.4} />
      {outline.map((point, index) => {
        const { x, y } = placeOf(point)
        return (
          <g
            key={index}
            role="button"
            tabIndex={0}
            aria-label={`Point ${index + 1}: ${sizes.full(point.across)} across, ${sizes.full(point.up)} up`}
            aria-description="Arrow keys move it, + adds one after it, Delete takes it out."
            className="cursor-grab outline-none [&:focus-visible>rect:last-child]:fill-tape"
            onKeyDown={(event) => press(event, index)}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId)
              drag.current = { pointer: event.pointerId, index }
              setHeld(scale)
            }}
            onPointerMove={pull}
            onPointerUp={drop}
            onPointerCancel={drop}
          >
            <rect x={x - TARGET / 2} y={y - TARGET / 2} width={TARGET} height={TARGET} fill="transparent" />
            <rect
              x={x - SIZE / 2}
              y={y - SIZE / 2}
              width={SIZE}
              height={SIZE}
              transform={`rotate(45 ${x} ${y})`}
              fill="var(--color-film)"
              stroke="var(--color-ink)"
              strokeWidth={2.2}
            />
          </g>
        )
      })}
    </svg>
  )
}

const lines = (many: number): number[] => Array.from({ length: Math.floor(many) + 1 }, (_, index) => index)

/** How many squares lie between two numbers that do not touch. */
const numbered = (pixels: number): number => [1, 2, 5, 10, 20, 50].find((by) => by * pixels >= 26) ?? 100

/** To the steps that its fields have too. */
const snapped = ({ across, up }: OutlinePoint, step: number): OutlinePoint => ({
  across: Math.round(across / step) * step,
  up: Math.round(up / step) * step,
})
