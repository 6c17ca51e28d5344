import { useRef, useState } from 'react'
import type { Grip } from './views/view.ts'

/** The size that a pull at the edge changes, mm. */
export interface Pulled {
  readonly value: number
  /** By how much it grows with a millimetre of fabric, and how tall a round is: the handle goes by whole rounds. */
  readonly growth: number
  readonly roundHeight: number
  readonly most: number
  readonly name: string
  readonly label: (value: number) => string
  readonly onChange: (value: number) => void
}

interface EdgeHandleProps {
  readonly grip: Grip
  readonly pulled: Pulled
  readonly onDrag: (dragging: boolean) => void
}

const SIZE = 22
const TARGET = 44
/** A piece has two rounds at the least, and is pulled to no fewer. */
const FEWEST_ROUNDS = 2

const KEY_DIRECTIONS: Readonly<Record<string, 1 | -1>> = {
  ArrowUp: 1,
  ArrowRight: 1,
  '+': 1,
  ArrowDown: -1,
  ArrowLeft: -1,
  '-': -1,
}

/** Pulls the edge to a larger or smaller piece, by pointer or arrow keys. */
export function EdgeHandle({ grip: edge, pulled, onDrag }: EdgeHandleProps) {
  const { value, growth, roundHeight, most, name, label, onChange } = pulled
  const grip = useRef<{ pointer: number; offset: number }>(undefined)
  const [editing, setEditing] = useState(false)
  const { x, y } = edge.at
  const along = (event: { clientX: number; clientY: number; currentTarget: SVGElement }) => {
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect()
    return edge.along({ x: event.clientX - box.x, y: event.clientY - box.y })
  }
  const now = value / growth
  const least = FEWEST_ROUNDS * roundHeight * growth
  const toWholeRounds = (wanted: number) => {
    const rounds = Math.round((wanted - now) / roundHeight)
    if (rounds !== 0) onChange(Math.max(least, value + growth * rounds * roundHeight))
  }
  const stop = () => {
    grip.current = undefined
    setEditing(false)
    onDrag(false)
  }
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuenow={Math.round(value)}
      aria-valuemin={Math.round(least)}
      aria-valuemax={most}
      aria-valuetext={label(value)}
      className="cursor-grab touch-none outline-none [&:focus-visible>rect:nth-of-type(2)]:stroke-[4]"
      onFocus={() => setEditing(true)}
      onBlur={() => setEditing(false)}
      onKeyDown={(event) => {
        const direction = KEY_DIRECTIONS[event.key]
        if (direction === undefined) return
        event.preventDefault()
        toWholeRounds(now + direction * roundHeight * (event.shiftKey ? 10 : 1))
      }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        grip.current = { pointer: event.pointerId, offset: now - along(event) }
        setEditing(true)
        onDrag(true)
      }}
      onPointerMove={(event) => {
        if (grip.current?.pointer === event.pointerId) toWholeRounds(along(event) + grip.current.offset)
      }}
      onPointerUp={stop}
      onPointerCancel={stop}
    >
      <rect x={x - TARGET / 2} y={y - TARGET / 2} width={TARGET} height={TARGET} fill="transparent" />
      <rect
        x={x - SIZE / 2}
        y={y - SIZE / 2}
        width={SIZE}
        height={SIZE}
        fill={editing ? 'var(--color-tape)' : 'var(--color-film)'}
        stroke="var(--color-ink)"
        strokeWidth={2}
      />
      <path
        transform={`translate(${x} ${y}) rotate(${edge.turned})`}
        d="M-7 0H7M-7 0l3 -3M-7 0l3 3M7 0l-3 -3M7 0l-3 3"
        stroke="var(--color-ink)"
        strokeWidth={1.8}
        fill="none"
      />
    </g>
  )
}
