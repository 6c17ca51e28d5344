import clsx from 'clsx'
import { writeOp, type Terms, type Unit, type WorkView } from '../../../core/index.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { shortName } from '../../words/wording.ts'
import { stitchRowGeometry } from './stitchRowGeometry.ts'

interface StitchRowProps {
  readonly units: readonly Unit[]
  readonly unit: number
  readonly bracket: WorkView['bracket']
  readonly terms: Terms
  /** Height of the stage, px: in a low one the tiles are smaller. */
  readonly roomHeight: number
}

/** Room for the bracket over the tiles; less on a stage that lies. */
const ABOVE = { usual: 30, lying: 18 }

/** The round enlarged around the stitch in hand: the row moves, the eye does not. */
export function StitchRow({ units, unit, bracket, terms, roomHeight }: StitchRowProps) {
  const [area, { width }] = useElementSize()
  const {
    measures,
    places,
    bracket: span,
  } = stitchRowGeometry(units, unit, bracket, { width, height: roomHeight })
  const above = measures.lying ? ABOVE.lying : ABOVE.usual
  const height = above + measures.height + measures.grow + 6
  return (
    <div ref={area} className="relative shrink-0 overflow-hidden" style={{ height }} aria-hidden>
      <svg className="absolute inset-0" width={width} height={height}>
        <path
          d={`M${span[0]} ${above - 14}V2H${span[1]}V${above - 14}`}
          fill="none"
          stroke="var(--color-ink)"
          strokeWidth={1.4}
        />
      </svg>
      {[...places].map(([index, { x, width: wide }]) => (
        <Tile
          key={index}
          unit={units[index]!}
          name={tileName(units[index]!, terms)}
          state={index < unit ? 'made' : index === unit ? 'now' : 'toCome'}
          x={x}
          width={wide}
          height={measures.height}
          grow={measures.grow}
          above={above}
        />
      ))}
    </div>
  )
}

/** As the pattern says it; what is told in several words by the one that names it. */
function tileName(unit: Unit, terms: Terms): string {
  if (unit.uses === 1 && unit.makes > 2) return `${unit.makes} ${shortName(unit.stitch, terms)}`
  if (unit.manner === 'skip' || unit.manner === 'slit')
    return unit.manner === 'skip' ? `skip ${unit.uses}` : `ch ${unit.makes}`
  if (unit.manner === 'chain') return 'ch'
  if (unit.manner === 'curl' || unit.manner === 'picot') return unit.manner
  if (unit.kind !== 'work') return unit.kind
  if (unit.manner === 'space') return 'ch 1'
  if (unit.manner === 'popcorn' || unit.manner === 'cluster') return unit.manner
  return writeOp({ ...unit, times: 1 }, terms)
}

interface TileProps {
  readonly unit: Unit
  readonly name: string
  readonly state: 'made' | 'now' | 'toCome'
  readonly x: number
  readonly width: number
  readonly height: number
  readonly grow: number
  readonly above: number
}

const PAD = 10

function Tile({ unit, name, state, x, width, height, grow: most, above }: TileProps) {
  const shaping = unit.kind !== 'work'
  const now = state === 'now'
  const grow = now ? most : 0
  const w = width + 2 * grow
  const h = height + 2 * grow
  return (
    <div
      className="absolute left-0 transition-transform duration-[120ms] ease-out"
      style={{ transform: `translateX(${x - grow - PAD}px)`, top: above - grow - PAD }}
    >
      <svg
        className={now && !shaping ? 'on-tape' : undefined}
        width={w + 2 * PAD}
        height={h + 2 * PAD}
        viewBox={`${-PAD} ${-PAD} ${w + 2 * PAD} ${h + 2 * PAD}`}
      >
        {shaping ? (
          <ShapingShape kind={unit.kind} width={w} height={h} now={now} />
        ) : (
          <rect
            width={w}
            height={h}
            rx={now ? 16 : 12}
            fill={now ? 'var(--color-tape)' : state === 'made' ? 'var(--color-fog)' : 'none'}
            stroke="var(--color-ink)"
            strokeWidth={now ? 6 : 2}
            strokeDasharray={state === 'toCome' ? '9 7' : undefined}
          />
        )}
        {state === 'made' &&
          (shaping ? [0.3, 0.7] : [0.5]).map((centre) => (
            <path
              key={centre}
              d={strandPath(w * centre, h, shaping ? w * 0.3 : w)}
              fill="none"
              stroke={unit.kind === 'inc' ? '#F0BDB3' : '#7F959B'}
              strokeWidth={6}
              strokeLinecap="round"
            />
          ))}
        {state !== 'made' && (
          <text
            x={w / 2}
            y={h * (shaping ? 0.72 : 0.5)}
            textAnchor="middle"
            dominantBaseline="central"
            className={clsx('font-slab', now ? 'font-semibold' : 'font-medium')}
            fontSize={Math.min(now ? h * 0.5 : h * 0.38, (w * (name.length > 3 ? 1.3 : 1.5)) / name.length)}
            fill={
              unit.kind === 'inc'
                ? 'var(--color-on-inc)'
                : unit.kind === 'dec'
                  ? 'var(--color-dec)'
                  : 'var(--color-ink)'
            }
          >
            {name}
          </text>
        )}
      </svg>
    </div>
  )
}

const strandPath = (centre: number, height: number, width: number): string =>
  `M${centre - width * 0.16} ${height * 0.84}C${centre - width * 0.3} ${height * 0.5} ${centre + width * 0.3} ${height * 0.5} ${centre + width * 0.16} ${height * 0.2}`

/** Increase: solid, wide side up, slot. Decrease: hollow, wide foot, bar. The one in hand is on tape. */
function ShapingShape({
  kind,
  width,
  height,
  now,
}: {
  kind: 'inc' | 'dec'
  width: number
  height: number
  now: boolean
}) {
  const slope = width * 0.22
  const outline =
    kind === 'inc'
      ? `M4 0H${width - 4}Q${width} 0 ${width - 2} 6L${width - slope} ${height - 4}Q${width - slope - 2} ${height} ${width - slope - 10} ${height}H${slope + 10}Q${slope + 2} ${height} ${slope} ${height - 4}L2 6Q0 0 4 0Z`
      : `M${slope} 0H${width - slope}L${width} ${height}H0Z`
  return (
    <>
      {now && (
        <rect
          x={-6}
          y={-6}
          width={width + 12}
          height={height + 12}
          rx={16}
          fill="var(--color-tape)"
          stroke="var(--color-ink)"
          strokeWidth={6}
        />
      )}
      <path
        d={outline}
        fill={kind === 'inc' ? 'var(--color-inc)' : 'none'}
        stroke={kind === 'inc' ? 'none' : 'var(--color-dec)'}
        strokeWidth={3}
        transform={now ? `translate(${width * 0.04} ${height * 0.04}) scale(0.92)` : undefined}
      />
      <path
        d={
          kind === 'inc'
            ? `M${width / 2} ${now ? height * 0.04 : 0}V${height * 0.32}`
            : `M${width / 2} ${height}V${height * 0.6}`
        }
        stroke={kind === 'inc' ? 'var(--color-film)' : 'var(--color-dec)'}
        strokeWidth={8}
      />
    </>
  )
}
