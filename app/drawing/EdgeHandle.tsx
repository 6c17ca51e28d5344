import { useRef, useState } from 'react'
import type { Grip } from './views/view.ts'

/** The size that a pull at the edge changes, mm. */
export interface Pulled {
  readonly value: number
  /** By how much it grows with a millimetre of where the handle lies. */
  readonly growth: number
  /** The handle goes by these, mm: a round, or a stitch around. */
  readonly step: number
  readonly least: number
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
const KEY_DIRECTIONS: Readonly<Record<string, 1 | -1>> = {
  ArrowUp: 1,
  ArrowRight: 1,
  '+': 1,
  ArrowDown: -1,
  ArrowLeft: -1,
  '-': -1,
}

/** Pulls a size of the piece to a larger or smaller one, by pointer or arrow keys; what is next either way is marked. */
export function EdgeHandle({ grip: edge, pulled, onDrag }: EdgeHandleProps) {
  const { value, growth, step, least, most, name, label, onChange } = pulled
  const grip = useRef<{ pointer: number; offset: number }>(undefined)
  const [editing, setEditing] = useState(false)
  const { x, y } = edge.at
  const along = (event: { clientX: number; clientY: number; currentTarget: SVGElement }) => {
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect()
    return edge.along({ x: event.clientX - box.x, y: event.clientY - box.y })
  }
  const now = value / growth
  const toWholeSteps = (wanted: number) => {
    const steps = Math.round((wanted - now) / step)
    if (steps !== 0) onChange(Math.max(least, value + growth * steps * step))
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
        toWholeSteps(now + direction * step * (event.shiftKey ? 10 : 1))
      }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        grip.current = { pointer: event.pointerId, offset: now - along(event) }
        setEditing(true)
        onDrag(true)
      }}
      onPointerMove={(event) => {
        if (grip.current?.pointer === event.pointerId) toWholeSteps(along(event) + grip.current.offset)
      }}
      onPointerUp={stop}
      onPointerCancel={stop}
    >
      {editing && <Neighbours grip={edge} pulled={pulled} />}
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

/** A mark closer to the handle than this, px, would lie under it. */
const CLEAR = SIZE / 2 + 5

/** The sizes that the next step either way comes to, each where the edge would lie then. */
function Neighbours({ grip: { at, turned, along }, pulled }: Pick<EdgeHandleProps, 'grip' | 'pulled'>) {
  const { value, growth, step, least, most, label } = pulled
  const turn = (turned * Math.PI) / 180
  const [dx, dy] = [Math.cos(turn), Math.sin(turn)]
  const perPixel = along({ x: at.x + dx, y: at.y + dy }) - along(at)
  const upright = Math.abs(dy) > Math.abs(dx)
  const outward = Math.sign(dx * perPixel)
  return [-1, 1].map((way) => {
    const next = value + way * growth * step
    if (next < least || next > most || perPixel === 0) return null
    const far = (way * step) / perPixel
    const apart = Math.sign(far) * Math.max(Math.abs(far), CLEAR)
    const [x, y] = [at.x + dx * apart, at.y + dy * apart]
    return (
      <g key={way} pointerEvents="none">
        <path
          d={`M${x - dy * 11} ${y + dx * 11}L${x + dy * 11} ${y - dx * 11}`}
          stroke="var(--color-ink)"
          strokeWidth={2}
        />
        <text
          // Beside an edge that goes sideways there may be no room: smaller over the handle, larger under it, inward.
          x={upright ? x + 16 : at.x - outward * (SIZE / 2)}
          y={upright ? y + 5 : at.y + way * (SIZE / 2 + 8) + (way > 0 ? 10 : 0)}
          textAnchor={upright || outward < 0 ? 'start' : 'end'}
          className="slab text-14"
          fill="var(--color-ink)"
          stroke="var(--color-film)"
          strokeWidth={4}
          paintOrder="stroke"
        >
          {label(next)}
        </text>
      </g>
    )
  })
}
