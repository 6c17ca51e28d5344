import type { Unit } from '../../core/index.ts'
import { yarnInk } from './yarnInk.ts'

interface StepStripProps {
  readonly units: readonly Unit[]
  /** px of a stitch, and of the strip's room. */
  readonly pitch: number
  readonly width: number
  readonly colour: string
  /** The count it is said to have, and whether the tag is lit. */
  readonly stated?: number | undefined
  readonly lit: boolean
}

export const STRIP_HEIGHT = 34
const TOP = 8
const TALL = 18
const TAG_WIDTH = 46
/** Under this pitch the strand of a stitch would only be noise. */
const STRAND_FROM = 7

/** The stitches that a round makes, one beside the other, and the tag of the count it is said to have, on one scale. */
export function StepStrip({ units, pitch, width, colour, stated, lit }: StepStripProps) {
  const ink = yarnInk(colour)
  const paths = pathsOf(units, pitch)
  const made = units.reduce((sum, { makes }) => sum + makes, 0)
  const off = stated !== undefined && stated !== made
  const tagAt = Math.max(made, stated ?? 0) * pitch + 3
  return (
    <svg width={width} height={STRIP_HEIGHT} className="block overflow-visible" aria-hidden>
      <path d={paths.plain} fill={ink.fill} stroke={ink.outline} strokeWidth={0.9} />
      {pitch >= STRAND_FROM && (
        <path d={paths.strands} fill="none" stroke={ink.strand} strokeWidth={1.4} strokeLinecap="round" />
      )}
      <path d={paths.inc} fill="var(--color-inc)" stroke={ink.keyline} strokeWidth={0.6} />
      <path d={paths.dec} fill="none" stroke="var(--color-dec)" strokeWidth={1.8} />
      <path d={paths.open} fill="none" stroke="var(--color-ink-2)" strokeWidth={1.2} />
      {off && stated > made && (
        <>
          {Array.from({ length: Math.min(400, stated - made) }, (_, index) => (
            <rect
              key={index}
              x={(made + index) * pitch + 0.8}
              y={TOP}
              width={Math.max(1, pitch - 1.6)}
              height={TALL}
              fill="none"
              stroke="var(--color-ink)"
              strokeWidth={1.2}
              strokeDasharray="2.5 2"
            />
          ))}
          <path d={`M${made * pitch} ${TOP - 4}v${TALL + 8}`} stroke="var(--color-ink)" strokeWidth={3.5} />
        </>
      )}
      {off && stated < made && (
        <>
          <path
            d={Array.from({ length: Math.min(400, made - stated) }, (_, index) => {
              const x = (stated + index) * pitch
              return `M${x} ${TOP + TALL}l${pitch} ${-TALL}`
            }).join('')}
            stroke="var(--color-ink)"
            strokeWidth={1.2}
          />
          <path d={`M${stated * pitch} ${TOP - 4}v${TALL + 8}`} stroke="var(--color-ink)" strokeWidth={3.5} />
        </>
      )}
      {stated !== undefined && (
        <g transform={`translate(${tagAt} ${TOP - 2})`} className={off ? 'on-tape' : undefined}>
          <path
            d={`M0 11L8 0H${TAG_WIDTH}V22H8Z`}
            fill={off ? 'var(--color-tape)' : 'none'}
            stroke={off && !lit ? 'none' : 'var(--color-ink)'}
            strokeWidth={1.4}
          />
          <text
            x={(TAG_WIDTH + 8) / 2}
            y={16.5}
            textAnchor="middle"
            fontSize={16}
            fontWeight={700}
            className="tabular"
            fill="var(--color-ink)"
          >
            {stated}
          </text>
        </g>
      )}
    </svg>
  )
}

/** px that a strip takes beside its stitches for its tag. */
export const TAG_ROOM = TAG_WIDTH + 8

function pathsOf(units: readonly Unit[], pitch: number) {
  const parts = {
    plain: [] as string[],
    strands: [] as string[],
    inc: [] as string[],
    dec: [] as string[],
    open: [] as string[],
  }
  let made = 0
  for (const { kind, makes, manner } of units) {
    const x = made * pitch
    const wide = makes * pitch
    made += makes
    if (makes === 0) {
      parts.open.push(`M${x} ${TOP + TALL + 2}v4`)
    } else if (manner === 'slit' || manner === 'space' || manner === 'chain') {
      const r = Math.max(0.8, pitch / 2 - 1.2)
      for (let chain = 0; chain < makes; chain++) {
        const cx = x + (chain + 0.5) * pitch
        parts.open.push(
          `M${cx - r} ${TOP + 5}a${r} ${r * 0.7} 0 1 0 ${2 * r} 0a${r} ${r * 0.7} 0 1 0 ${-2 * r} 0`,
        )
      }
    } else if (kind === 'inc') {
      const [left, right] = [x + 0.8, x + wide - 0.8]
      const slope = Math.min(wide * 0.28, 5)
      const slot = Math.min(1.6, wide * 0.1)
      const middle = (left + right) / 2
      parts.inc.push(
        `M${left} ${TOP}H${middle - slot}V${TOP + 7}H${middle + slot}V${TOP}H${right}L${right - slope} ${TOP + TALL}H${left + slope}Z`,
      )
    } else if (kind === 'dec') {
      const [left, right] = [x + 0.9, x + wide - 0.9]
      const slope = Math.min(wide * 0.25, 3)
      parts.dec.push(`M${left + slope} ${TOP + 1}H${right - slope}L${right} ${TOP + TALL}H${left}Z`)
    } else {
      const [w, r] = [Math.max(0.8, pitch - 1.2), Math.min(3.6, pitch * 0.36)]
      const left = x + 0.6
      parts.plain.push(
        `M${left + r} ${TOP}h${w - 2 * r}q${r} 0 ${r} ${r}v${TALL - 2 * r}q0 ${r} ${-r} ${r}h${-(w - 2 * r)}q${-r} 0 ${-r} ${-r}v${-(TALL - 2 * r)}q0 ${-r} ${r} ${-r}z`,
      )
      const cx = x + pitch / 2
      parts.strands.push(`M${cx - 1} ${TOP + TALL - 4}c-2 -5 4 -6 2 -10`)
    }
  }
  return {
    plain: parts.plain.join(''),
    strands: parts.strands.join(''),
    inc: parts.inc.join(''),
    dec: parts.dec.join(''),
    open: parts.open.join(''),
  }
}
