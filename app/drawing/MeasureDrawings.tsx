import type { ReactNode } from 'react'
import { Tape } from './Tape.tsx'

/** Px: numerals on the tape may be this small, words not. */
const TAPE_NUMERAL = 15.4
const LABEL = 16.6

interface StitchBox {
  /** Width and height of a stitch, mm. */
  readonly w: number
  readonly h: number
}

interface DrawingProps {
  readonly label: string
  /** What is drawn, mm. */
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }
  /** Width on the page, px; the height follows. */
  readonly width: number
  readonly children: ReactNode
}

/** A drawing whose units are millimetres. */
function TrueDrawing({ label, box, width, children }: DrawingProps) {
  return (
    <svg
      role="img"
      aria-label={label}
      width={width}
      height={(width * box.height) / box.width}
      viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
    >
      {children}
    </svg>
  )
}

/** Rows of stitches, each with its slanting strand. */
export function StitchGrid({
  w,
  h,
  columns,
  rows,
  x = 0,
  y = 0,
}: StitchBox & {
  readonly columns: number
  readonly rows: number
  readonly x?: number
  readonly y?: number
}) {
  const inset = Math.min(w, h) * 0.04
  const corner = Math.min(w, h) * 0.2
  return (
    <g strokeLinecap="round">
      {Array.from({ length: rows * columns }, (_, index) => {
        const left = x + (index % columns) * w
        const top = y + Math.floor(index / columns) * h
        return (
          <g key={index}>
            <rect
              x={left + inset}
              y={top + inset}
              width={w - 2 * inset}
              height={h - 2 * inset}
              rx={corner}
              fill="#FAFCFB"
              stroke="#7F959B"
              strokeWidth={w * 0.04}
            />
            <path
              d={`M${left + w * 0.36} ${top + h * 0.8}C${left + w * 0.85} ${top + h * 0.55} ${left + w * 0.15} ${top + h * 0.45} ${left + w * 0.64} ${top + h * 0.2}`}
              fill="none"
              stroke="#899EA3"
              strokeWidth={w * 0.055}
            />
          </g>
        )
      })}
    </g>
  )
}

const post = (x: number, y: number, height: number, key?: string) => (
  <rect
    key={key}
    x={x - 0.9}
    y={y}
    width={1.8}
    height={height}
    fill="var(--color-tape)"
    stroke="var(--color-ink)"
    strokeWidth={0.5}
  />
)

/** A flat swatch with the tape along a row, and upright along the rows. */
export function SwatchDrawing({
  w,
  h,
  stitches,
  rows,
  inches,
  width,
}: StitchBox & {
  readonly stitches: number
  readonly rows: number
  readonly inches: boolean
  readonly width: number
}) {
  const columns = Math.min(40, Math.max(4, Math.round(stitches)))
  const lines = Math.min(40, Math.max(4, Math.round(rows)))
  const wide = (columns + 2) * w
  const tall = (lines + 2) * h
  const smallest = (TAPE_NUMERAL * (wide + 18)) / width
  return (
    <TrueDrawing
      label={`A flat swatch. The tape lies along one row over ${columns} stitches, then upright over ${lines} rows, clear of the edges.`}
      box={{ x: -14, y: -3, width: wide + 18, height: tall + 14 }}
      width={width}
    >
      <StitchGrid w={w} h={h} columns={columns + 2} rows={lines + 2} />
      <g transform={`translate(${w} ${tall - h + 1})`}>
        <Tape length={columns * w} inches={inches} height={9} smallest={smallest} />
        {post(0, -h, h + 10)}
        {post(columns * w, -h, h + 10)}
      </g>
      <g transform={`translate(-2.5 ${h}) rotate(90)`}>
        <Tape length={lines * h} inches={inches} height={9} smallest={smallest} />
        {post(0, -1.5, 12)}
        {post(lines * h, -1.5, 12)}
      </g>
    </TrueDrawing>
  )
}

/** A round swatch with the tape across its middle, clear of the join, and where it lies the second time. */
export function RoundSwatchDrawing({
  w,
  h,
  rounds,
  perRound,
  inches,
  width,
}: StitchBox & {
  readonly rounds: number
  readonly perRound: number
  readonly inches: boolean
  readonly width: number
}) {
  const drawn = Math.min(30, rounds)
  const radius = (drawn + 0.3) * h
  const tape = Math.max(6, radius * 0.13)
  const smallest = (TAPE_NUMERAL * (2 * radius + 12)) / width
  return (
    <TrueDrawing
      label={`A round swatch of ${drawn} rounds. The tape lies through the centre, edge to edge, clear of the join; then a quarter turn.`}
      box={{ x: -radius - 6, y: -radius - 6, width: 2 * radius + 12, height: 2 * radius + 12 }}
      width={width}
    >
      <circle r={radius} fill="#FAFCFB" />
      <g fill="none" stroke="#7F959B" strokeWidth={w * 0.06}>
        {Array.from({ length: drawn }, (_, index) => {
          const inner = (index + 0.3) * h
          const outer = (index + 1.3) * h
          const count = perRound * (index + 1)
          const lines = Array.from({ length: count }, (_, stitch) => {
            const turn = ((stitch + 0.5) / count) * 2 * Math.PI
            const from = [inner * Math.cos(turn), inner * Math.sin(turn)]
            const to = [outer * Math.cos(turn), outer * Math.sin(turn)]
            return `M${from.map((part) => part.toFixed(2)).join(' ')}L${to.map((part) => part.toFixed(2)).join(' ')}`
          })
          return (
            <path key={index} d={`${lines.join('')}M${outer} 0A${outer} ${outer} 0 1 1 ${outer} -0.01`} />
          )
        })}
      </g>
      <path
        d={`M0 0L${radius * 0.72} ${-radius * 0.72}`}
        stroke="var(--color-ink)"
        strokeWidth={radius * 0.018}
      />
      <text
        x={radius * 0.74}
        y={-radius * 0.78}
        fontSize={Math.max(radius * 0.13, (smallest * LABEL) / TAPE_NUMERAL)}
        fill="var(--color-ink)"
      >
        join
      </text>
      <rect
        x={-tape / 2}
        y={-radius - 4}
        width={tape}
        height={2 * radius + 8}
        fill="none"
        stroke="var(--color-ink)"
        strokeWidth={radius * 0.012}
        strokeDasharray={`${radius * 0.05} ${radius * 0.04}`}
      />
      <g transform={`translate(${-radius} ${-tape / 2})`}>
        <Tape length={2 * radius} inches={inches} height={tape} smallest={smallest} />
        {post(0, -3, tape + 6)}
        {post(2 * radius, -3, tape + 6)}
      </g>
    </TrueDrawing>
  )
}

/** Two marks along a round and two outward, on a piece that stays on the hook. */
export function MarksDrawing({
  w,
  h,
  stitches,
  rounds,
  inches,
  width,
}: StitchBox & {
  readonly stitches: number
  readonly rounds: number
  readonly inches: boolean
  readonly width: number
}) {
  const along = Math.min(24, Math.max(3, Math.round(stitches)))
  const out = Math.min(24, Math.max(3, Math.round(rounds)))
  const wide = (along + 3) * w
  const tall = (out + 2) * h
  const smallest = (TAPE_NUMERAL * (wide + 20)) / width
  return (
    <TrueDrawing
      label={`A stretch of the piece. Two marks ${along} stitches apart along a round, two ${out} rounds apart outward.`}
      box={{ x: -4, y: -14, width: wide + 20, height: tall + 18 }}
      width={width}
    >
      <StitchGrid w={w} h={h} columns={along + 3} rows={out + 2} />
      <g transform={`translate(${1.5 * w} -11)`}>
        <Tape length={along * w} inches={inches} height={9} smallest={smallest} />
        {post(0, -1.5, 14 + h)}
        {post(along * w, -1.5, 14 + h)}
      </g>
      <g transform={`translate(${wide + 12} ${h}) rotate(90)`}>
        <Tape length={out * h} inches={inches} height={9} smallest={smallest} />
        {post(0, -1.5, 16)}
        {post(out * h, -1.5, 16)}
      </g>
    </TrueDrawing>
  )
}
