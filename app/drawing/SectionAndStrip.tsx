import { tapeTicks } from './tapeTicks.ts'
import { scaleLinear } from 'd3-scale'
import type { PointerEvent } from 'react'
import { countAround, growthOf, MM_PER_INCH, type Plan, type PlannedRound } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { MEASURE_WORDS, sayGuessed } from '../words/measureWords.ts'
import { isAlongRows } from './views/view.ts'
import { isPart } from './views/viewOf.ts'
import { RoundCapsules, type Capsule } from './RoundCapsules.tsx'

interface SectionProps {
  readonly plan: Plan
  readonly target: number
  readonly sizes: Sizes
  readonly yarns: ReadonlyMap<string, string>
  readonly guess: boolean
  /** px per mm, and px of the piece's axis from the left. */
  readonly scale: number
  readonly centre: number
  readonly width: number
  readonly lit?: number
  readonly onPoint: (round: number | undefined) => void
}

const CAPSULE = 13

/** The finished piece cut through: one capsule a round on the table, the tape under it, posts at the target. */
export function SectionView({
  plan,
  target,
  sizes,
  yarns,
  guess,
  scale,
  centre,
  width,
  lit,
  onPoint,
}: SectionProps) {
  const { finished, hole } = plan
  const rounds = plan.rounds.filter((round) => !isAlongRows(round))
  const [promised] = finished.promises
  const { of, value } = promised!
  // Part of a disc is cut from its middle out.
  const sides = isPart(plan) ? [1] : [1, -1]
  const edge = rounds.at(-1)!.at.radius * scale
  // A target far from anything that could be planned stays off the drawing.
  const post = Math.min((target / growthOf(of)) * scale, edge * 1.3)
  const table = 50
  const lift = Math.min(26, finished.height * scale)
  const liftScale = finished.height > 0 ? lift / finished.height : 0
  const size = guess ? sayGuessed(promised!, sizes) : `${sizes.full(value)} ${MEASURE_WORDS[of].after}`
  const half = size.length * 5.6 + 8
  const near = sides.length > 1 ? centre - edge : centre
  const innerOf = (index: number) => (index === 0 ? Math.max(hole, 0) : rounds[index - 1]!.at.radius)
  const capsulesOf = (round: PlannedRound, index: number): Capsule[] => {
    const { at } = round
    const inner = innerOf(index)
    const long = Math.max(1.5, Math.abs(at.radius - inner) * scale - 0.8)
    const near = Math.min(inner, at.radius) * scale + 0.4
    const y = table - CAPSULE - 1 - at.z * liftScale
    return [centre + near, centre - near - long]
      .slice(0, sides.length)
      .map((x) => ({ held: round, x, y, width: long }))
  }
  const thin = (rounds.at(-1)!.at.radius - innerOf(rounds.length - 1)) * scale < 4.8
  const litRound = lit === undefined ? undefined : rounds[lit - 1]
  /** The round over or under which a pointer is. */
  const point = (event: PointerEvent<SVGSVGElement>) => {
    const { x, y } = event.currentTarget.getBoundingClientRect()
    const out = Math.abs(event.clientX - x - centre) / scale
    const over = event.clientY - y > table - CAPSULE - lift - 4 && out >= hole
    onPoint(over ? rounds.find(({ at }) => at.radius >= out)?.number : undefined)
  }
  return (
    <svg
      width={width}
      height={72}
      onPointerMove={point}
      onPointerLeave={() => onPoint(undefined)}
      role="img"
      aria-label={`Section: ${size}`}
      className="block overflow-visible"
    >
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="none" strokeDasharray={guess ? '5 4' : undefined}>
        <path d={`M${near} 4V20M${centre + edge} 4V20`} />
        {edge > half + 16 && sides.length > 1 && (
          <path
            d={`M${centre - edge} 12H${centre - half}M${centre + half} 12H${centre + edge}M${centre - edge + 8} 9l-8 3l8 3M${centre + edge - 8} 9l8 3l-8 3`}
          />
        )}
      </g>
      <text
        x={(near + centre + edge) / 2}
        y={18}
        textAnchor="middle"
        className="slab text-18"
        fill="var(--color-ink)"
      >
        {size}
      </text>
      <SectionTape centre={centre} y={table} reach={Math.max(edge, post)} scale={scale} sizes={sizes} />
      <RoundCapsules
        capsules={rounds.flatMap(capsulesOf)}
        yarns={yarns}
        height={CAPSULE}
        lineWidth={thin ? 0.5 : 1.1}
        guess={guess}
      />
      {litRound && (
        <RoundCapsules
          capsules={capsulesOf(litRound, litRound.number - 1)}
          yarns={yarns}
          height={CAPSULE}
          lineWidth={2.6}
          guess={guess}
        />
      )}
      {sides.map((side) => (
        <rect
          key={side}
          x={centre + side * post - 2.2}
          y={table - CAPSULE - 8}
          width={4.4}
          height={CAPSULE + 14}
          fill="var(--color-tape)"
          stroke="var(--color-ink)"
          strokeWidth={1.2}
        />
      ))}
    </svg>
  )
}

function SectionTape({
  centre,
  y,
  reach,
  scale,
  sizes,
}: {
  centre: number
  y: number
  reach: number
  scale: number
  sizes: Sizes
}) {
  const unit = sizes.unit === 'in' ? MM_PER_INCH : 10
  const pitch = unit * scale
  const named = pitch >= 24 ? 1 : pitch >= 10 ? 2 : pitch >= 5 ? 5 : 20
  const { ticks, numerals } = tapeTicks(reach, pitch, 1, named * pitch)
  const long = new Set(numerals.map(({ at }) => at))
  return (
    <g className="on-tape">
      <rect x={centre} y={y} width={reach + 2} height={18} fill="var(--color-tape)" />
      <path d={`M${centre - reach} ${y}H${centre + reach + 2}`} stroke="var(--color-ink)" strokeWidth={1} />
      <path
        d={ticks
          .filter(({ at }) => pitch > 4 || long.has(at))
          .map(({ at }) => `M${centre + at} ${y}v${long.has(at) ? 6 : 4}`)
          .join('')}
        stroke="var(--color-ink)"
        strokeWidth={1}
      />
      {numerals.map(({ at, number }) => (
        <text
          key={number}
          x={centre + at - 3}
          y={y + 15}
          textAnchor="end"
          className="slab"
          fontSize={13}
          fill="var(--color-ink)"
        >
          {number}
        </text>
      ))}
    </g>
  )
}

interface StripProps {
  readonly plan: Plan
  readonly scale: number
  readonly centre: number
  readonly width: number
  readonly lit?: number
  readonly onPoint: (round: number | undefined) => void
}

const STRIP_HEIGHT = 52
const ZERO = 28

/** Count against flat: a bar a round under its own radius; filled below cups, outlined above ruffles. */
export function FlatnessStrip({ plan, scale, centre, width, lit, onPoint }: StripProps) {
  const rounds = plan.rounds.filter((round) => !isAlongRows(round))
  const offs = rounds.map((round) => countAround(round) - round.ideal)
  const most = Math.max(1, ...offs.map(Math.abs))
  const up = scaleLinear([-most, most], [ZERO + 19, ZERO - 19])
  const radii = rounds.map(({ at }) => at.arc)
  const right = centre + radii.at(-1)! * scale
  const worst = offs.reduce((index, off, at) => (Math.abs(off) > Math.abs(offs[index]!) ? at : index), 0)
  const mark = most >= 1.5 ? Math.floor(most) : 1
  const bars = offs.map((off, index) => {
    const inner = index === 0 ? plan.hole : radii[index - 1]!
    const wide = Math.max(1.2, (radii[index]! - inner) * scale - 2)
    return { d: barPath(centre + inner * scale + 1, wide, up(off)), wide, short: off < 0 }
  })
  const point = (event: PointerEvent<SVGSVGElement>) => {
    const out = (event.clientX - event.currentTarget.getBoundingClientRect().x - centre) / scale
    onPoint(out < plan.hole ? undefined : rounds.find(({ at }) => at.arc >= out)?.number)
  }
  return (
    <svg
      width={width}
      height={STRIP_HEIGHT}
      onPointerMove={point}
      onPointerLeave={() => onPoint(undefined)}
      role="img"
      aria-label={`Count against flat. Farthest off: round ${worst + 1}, ${describeOff(offs[worst]!)}`}
      className="block overflow-visible"
    >
      {[mark, -mark].map((value) => (
        <g key={value}>
          <path
            d={`M${centre} ${up(value)}H${right}`}
            stroke="var(--color-ink-2)"
            strokeWidth={1}
            strokeDasharray="1.5 4"
          />
          <text x={right + 6} y={up(value) + 5} fontSize={14} fill="var(--color-ink-2)">
            {value > 0 ? `+${mark}` : `−${mark}`}
          </text>
        </g>
      ))}
      <text x={centre - 8} y={up(most * 0.55) + 4} textAnchor="end" fontSize={14} fill="var(--color-ink)">
        ruffles
      </text>
      <text x={centre - 8} y={up(-most * 0.55) + 6} textAnchor="end" fontSize={14} fill="var(--color-ink)">
        cups
      </text>
      <path d={`M${centre - 4} ${ZERO}H${right + 3}`} stroke="var(--color-ink)" strokeWidth={1.4} />
      {(['short', 'long'] as const).map((which) => (
        <path
          key={which}
          d={bars
            .filter((bar) => bar.short === (which === 'short'))
            .map(({ d }) => d)
            .join('')}
          fill={which === 'short' ? 'var(--color-ink)' : 'var(--color-film)'}
          stroke="var(--color-ink)"
          strokeWidth={bars.at(-1)!.wide < 4 ? 0.6 : 1.4}
        />
      ))}
      {lit !== undefined && bars[lit - 1] && (
        <path d={bars[lit - 1]!.d} fill="var(--color-ink)" stroke="var(--color-ink)" strokeWidth={3} />
      )}
    </svg>
  )
}

/** Round-bottomed below the line, scalloped above: the shapes tell cups and ruffles apart without colour. */
function barPath(left: number, wide: number, end: number): string {
  const right = left + wide
  if (Math.abs(end - ZERO) < 0.6) return `M${left} ${ZERO}H${right}`
  if (end > ZERO) {
    const bend = Math.min(wide / 2, end - ZERO)
    return `M${left} ${ZERO}V${end - bend}Q${left} ${end} ${left + wide / 2} ${end}Q${right} ${end} ${right} ${end - bend}V${ZERO}Z`
  }
  const bend = Math.min(wide / 3, ZERO - end)
  const middle = left + wide / 2
  return `M${left} ${ZERO}V${end + bend}Q${left} ${end} ${left + wide / 4} ${end}T${middle} ${end + bend}Q${middle} ${end} ${middle + wide / 4} ${end}T${right} ${end + bend}V${ZERO}Z`
}

export function describeOff(off: number): string {
  const size = Math.abs(off).toFixed(1)
  if (size === '0.0') return 'exact'
  return `${size} ${off < 0 ? 'too few' : 'too many'}`
}
