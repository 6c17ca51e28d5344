import { stitchesMade, type WorkView } from '../../../core/index.ts'
import { useSettings } from '../../store/queries.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { stitchRowGeometry } from './stitchRowGeometry.ts'

interface CountTapeProps {
  readonly now: WorkView
  readonly unit: number
  /** Height of the stage, px. */
  readonly roomHeight: number
  readonly late: number
  /** The count stands on a tag at the tape. */
  readonly tagged: boolean
}

const HEIGHT = 42
/** Room for the lines that tie the tape to the enlarged row; less on a low stage. */
const LEADS = { usual: 44, low: 22, lying: 6 }
const LOW_STAGE = 520

/** The round as a tape: a tick a stitch, a wedge at every increase, filled to the count. */
export function CountTape({ now, unit, roomHeight, late, tagged }: CountTapeProps) {
  const [area, { width }] = useElementSize()
  const { round, units, made, bracket } = now
  const lead = !tagged ? LEADS.lying : roomHeight > 0 && roomHeight < LOW_STAGE ? LEADS.low : LEADS.usual
  const margin = width < 600 ? 16 : 28
  const long = Math.max(1, width - 2 * margin)
  const x = (stitches: number) => margin + (stitches / round.count) * long
  const pitch = long / round.count
  const from = x(stitchesMade(units, bracket.from))
  const to = x(stitchesMade(units, bracket.to))
  const { bracket: enlarged } = stitchRowGeometry(units, unit, bracket, { width, height: roomHeight })
  return (
    <div ref={area}>
      <svg width={width} height={lead + HEIGHT} className="block" aria-hidden>
        {tagged && (
          <path
            d={`M${enlarged[0]} 2L${from} ${lead - 4}M${enlarged[1]} 2L${to} ${lead - 4}`}
            stroke="var(--color-ink)"
            strokeWidth={1.3}
            fill="none"
          />
        )}
        <g transform={`translate(0 ${lead})`} className="on-tape">
          <rect x={margin} width={long} height={HEIGHT} fill="var(--color-fog)" />
          <rect x={margin} width={(made / round.count) * long} height={HEIGHT} fill="var(--color-tape)" />
          <Ticks now={now} x={x} pitch={pitch} />
          <rect
            x={margin}
            width={long}
            height={HEIGHT}
            fill="none"
            stroke="var(--color-ink)"
            strokeWidth={2}
          />
          <path d={`M${x(made)} -6V${HEIGHT}`} stroke="var(--color-ink)" strokeWidth={4} />
        </g>
      </svg>
      {tagged && (
        <CountTag
          made={made}
          of={round.count}
          late={late}
          at={x(made)}
          width={width}
          roomHeight={roomHeight}
          unit={unit}
        />
      )}
    </div>
  )
}

/** The count where the tape has no room for its tag. */
export function CountBeside({
  now: { made, round },
  unit,
  late,
}: Pick<CountTapeProps, 'now' | 'unit' | 'late'>) {
  return (
    <div className="grid shrink-0 justify-items-center gap-1 pt-2">
      <span
        key={unit}
        data-testid="count"
        className="count-tag bg-tape px-3 font-slab text-[clamp(3rem,26cqh,6rem)] leading-none font-[550] tracking-[-0.04em] tabular"
      >
        {made}
      </span>
      <span className="slab text-[clamp(1.25rem,10cqh,2.25rem)] whitespace-nowrap">of {round.count}</span>
      {late > 0 && (
        <span role="status" className="slab text-18">
          +{late} <span className="visually-hidden">being stored</span>
        </span>
      )}
    </div>
  )
}

function Ticks({
  now: { units, round },
  x,
  pitch,
}: {
  now: WorkView
  x: (stitches: number) => number
  pitch: number
}) {
  let made = 0
  let shown = -Infinity
  return units.map((unit, index) => {
    const before = made
    made += unit.makes
    const right = x(made)
    const next = units[index + 1]
    const endsRun = !next || next.step !== unit.step || next.time !== unit.time
    const wide = Math.min(x(made) - x(before), 52)
    const named = endsRun && right - shown > 38
    if (named) shown = right
    const wedge = unit.kind === 'inc' && (wide >= 20 || !named)
    return (
      <g key={index}>
        {pitch >= 4 && !endsRun && <path d={`M${right} 0V12`} stroke="var(--color-ink)" strokeWidth={1} />}
        {endsRun && right < x(round.count) - 1 && (
          <path d={`M${right} 0V${HEIGHT}`} stroke="var(--color-ink)" strokeWidth={1} />
        )}
        {wedge && (
          <path
            d={`M${right - wide + 1} 14H${right - 2}L${right - wide * 0.28} 34H${right - wide * 0.74}Z`}
            fill="var(--color-inc)"
            stroke="var(--color-film)"
            strokeWidth={1}
          />
        )}
        {named && (
          <text
            x={wedge ? right - wide - 3 : right - 5}
            y={32}
            textAnchor="end"
            className="slab"
            fontSize={pitch >= 20 ? 22 : 18}
            fill="var(--color-ink)"
          >
            {made}
          </text>
        )}
      </g>
    )
  })
}

interface CountTagProps {
  readonly made: number
  readonly of: number
  /** Taps that are taking long to be stored: told beside the count until they are in it. */
  readonly late: number
  /** Where the tape is filled to, px. */
  readonly at: number
  readonly width: number
  readonly roomHeight: number
  readonly unit: number
}

/** Width of a numeral against its height. */
const NUMERAL = 0.62

/** The count on its tag, pointing at the tape; it stays on the screen at both ends, and whole in any room. */
function CountTag({ made, of, late, at, width, roomHeight, unit }: CountTagProps) {
  const { print } = useSettings()
  const small = width < 600
  const rem = (16 * print) / 100
  const size = Math.min((small ? 4.8 : 6.6) * rem, (roomHeight || 600) * (small ? 0.13 : 0.16))
  const tag = size * NUMERAL * Math.max(2, String(made).length) + 34
  const beside = size * 0.44 * NUMERAL * (String(of).length + 3) + 24
  const margin = small ? 16 : 28
  const left = Math.max(margin, Math.min(at - tag / 2, width - tag - beside - margin))
  const nose = Math.max(14, Math.min(at - left, tag - 14))
  return (
    <div className="relative flex items-end" style={{ marginLeft: left, paddingTop: 13 }}>
      <svg className="absolute top-0 left-0" width={tag} height={14} aria-hidden>
        <path d={`M${nose - 14} 14L${nose} 0L${nose + 14} 14Z`} fill="var(--color-tape)" />
      </svg>
      <span
        key={unit}
        data-testid="count"
        className="count-tag grid place-items-center bg-tape font-slab leading-none font-[550] tracking-[-0.04em] tabular"
        style={{ width: tag, height: size, fontSize: size }}
      >
        {made}
      </span>
      <span className="slab pb-2 pl-4 leading-none whitespace-nowrap" style={{ fontSize: size * 0.44 }}>
        of {of}
      </span>
      {late > 0 && (
        <span role="status" className="slab absolute -top-1 bg-film px-1 text-18" style={{ left: tag }}>
          +{late} <span className="visually-hidden">being stored</span>
        </span>
      )}
    </div>
  )
}
