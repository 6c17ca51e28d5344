import { useRef, useState } from 'react'
import { place, type DrawingFrame } from './unrolledDisc.ts'

interface EdgeHandleProps {
  readonly frame: DrawingFrame
  /** Edge as drawn, mm. */
  readonly radius: number
  /** Height of a round, mm: the handle goes by whole rounds. */
  readonly roundHeight: number
  readonly across: number
  readonly label: (across: number) => string
  readonly onDrag: (dragging: boolean) => void
  readonly onChange: (across: number) => void
}

/** Where the handle sits on the edge: half way up the far side of the start, clear of everything else. */
const TURN = 0.375
const SIZE = 22
const TARGET = 44

const KEY_DIRECTIONS: Readonly<Record<string, 1 | -1>> = {
  ArrowUp: 1,
  ArrowRight: 1,
  '+': 1,
  ArrowDown: -1,
  ArrowLeft: -1,
  '-': -1,
}

/** Pulls the outer edge to a larger or smaller piece, by pointer or arrow keys. */
export function EdgeHandle({ frame, radius, roundHeight, across, label, onDrag, onChange }: EdgeHandleProps) {
  const grip = useRef<{ pointer: number; offset: number }>(undefined)
  const [editing, setEditing] = useState(false)
  const { x, y } = place(frame, TURN, radius, 0)
  const distance = (event: { clientX: number; clientY: number; currentTarget: SVGElement }) => {
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect()
    return Math.hypot(event.clientX - box.x - frame.x, event.clientY - box.y - frame.y) / frame.scale
  }
  const toWholeRounds = (wanted: number) => {
    const rounds = Math.round((wanted - across / 2) / roundHeight)
    if (rounds !== 0) onChange(Math.max(4 * roundHeight, across + 2 * rounds * roundHeight))
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
      aria-label="Outer edge: target across"
      aria-valuenow={Math.round(across)}
      aria-valuemin={Math.round(4 * roundHeight)}
      aria-valuemax={3000}
      aria-valuetext={label(across)}
      className="cursor-grab touch-none outline-none [&:focus-visible>rect:nth-of-type(2)]:stroke-[4]"
      onFocus={() => setEditing(true)}
      onBlur={() => setEditing(false)}
      onKeyDown={(event) => {
        const direction = KEY_DIRECTIONS[event.key]
        if (direction === undefined) return
        event.preventDefault()
        toWholeRounds(across / 2 + direction * roundHeight * (event.shiftKey ? 10 : 1))
      }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        grip.current = { pointer: event.pointerId, offset: across / 2 - distance(event) }
        setEditing(true)
        onDrag(true)
      }}
      onPointerMove={(event) => {
        if (grip.current?.pointer === event.pointerId) toWholeRounds(distance(event) + grip.current.offset)
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
        transform={`translate(${x} ${y}) rotate(${frame.mirrored ? -45 : 45})`}
        d="M-7 0H7M-7 0l3 -3M-7 0l3 3M7 0l-3 -3M7 0l-3 3"
        stroke="var(--color-ink)"
        strokeWidth={1.8}
        fill="none"
      />
    </g>
  )
}
