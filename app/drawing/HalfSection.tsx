import type { ReactNode } from 'react'
import type { Plan } from '../../core/index.ts'
import { SectionCapsule } from './SectionCapsule.tsx'
import { pathOf } from './svgPath.ts'

interface HalfSectionProps {
  readonly plan: Plan
  /** px per mm, px of the axis, and of the table that the first rounds lie on, or of the top that they hang from. */
  readonly scale: number
  readonly axis: number
  readonly top: number
  /** Which side of the axis it lies on. */
  readonly mirrored: boolean
  readonly yarns: ReadonlyMap<string, string>
  readonly guess: boolean
  readonly hangs: boolean
  readonly lit?: number
}

const THICKEST = 10

/** A closed piece cut through, one side of its axis: a round is a capsule, from the top of the one below to its own. */
export function HalfSection(props: HalfSectionProps) {
  const { plan, scale, axis, top, mirrored, yarns, guess, hangs, lit } = props
  const side = mirrored ? 1 : -1
  const pitch = (plan.rounds.at(-1)!.at.arc * scale) / plan.rounds.length
  const thick = Math.min(THICKEST, Math.max(3, pitch * 0.72))
  const place = ({ radius, z }: { readonly radius: number; readonly z: number }) => ({
    x: axis + side * radius * scale,
    y: top + (hangs ? z : -z) * scale,
  })
  return plan.rounds.map((round, index) => {
    const below = plan.rounds[index - 1]?.at ?? { radius: plan.hole, z: 0, arc: 0 }
    const isLip = plan.rounds[index + 1]?.into === round.number - 1
    // A lip stands out by a stitch, whatever goes up behind it.
    const out = below.radius + (below.arc - (plan.rounds[index - 2]?.at.arc ?? 0))
    const [from, to] = [place(below), place(isLip ? { radius: out, z: below.z } : round.at)]
    return (
      <SectionCapsule
        key={round.id}
        from={from}
        to={to}
        thick={thick}
        ink={lit === round.number ? 4 : 2.2}
        fill={guess ? 'var(--color-film)' : (yarns.get(round.yarn) ?? '#FAFCFB')}
      />
    )
  })
}

/** A head under its cap, in outline: one side of the axis, its crown where the cap's is, at the scale of the cap. */
export function HeadBehind({
  around,
  scale,
  axis,
  top,
  mirrored,
}: {
  readonly around: number
  readonly scale: number
  readonly axis: number
  readonly top: number
  readonly mirrored: boolean
}): ReactNode {
  const unit = (around / (2 * Math.PI)) * scale
  const side = mirrored ? -1 : 1
  return (
    <path
      transform={`translate(${axis} ${top}) scale(${side * unit} ${unit})`}
      vectorEffect="non-scaling-stroke"
      d="M0 .03C-.6 .03-1 .5-1 1.12C-1 1.3-.99 1.45-.97 1.6C-1.13 1.5-1.2 1.68-1.15 1.9C-1.1 2.12-1.02 2.2-.93 2.12C-.88 2.5-.62 2.86-.3 3.02C-.2 3.07-.1 3.08 0 3.08M-.55 2.9C-.53 3.2-.56 3.4-.68 3.55C-.9 3.7-1.3 3.76-1.6 3.9"
      fill="none"
      stroke="var(--color-hair)"
      strokeWidth={1.4}
    />
  )
}

/** What a piece is drawn to, behind its section, px per mm as there, and by how much its rounds stray from it. */
export function ShapeBehind({
  outline,
  marks,
  scale,
  axis,
  table,
  mirrored,
}: {
  /** One half of it: from its axis, and over the middle of the fabric it stands on, mm. */
  readonly outline: readonly { readonly r: number; readonly z: number }[]
  readonly marks: readonly { readonly radius: number; readonly z: number; readonly says: string }[]
  readonly scale: number
  readonly axis: number
  readonly table: number
  readonly mirrored: boolean
}): ReactNode {
  const side = mirrored ? 1 : -1
  const place = (r: number, z: number) => ({ x: axis + side * r * scale, y: table - z * scale })
  return (
    <>
      <path
        d={pathOf([place(0, outline[0]!.z), ...outline.map(({ r, z }) => place(r, z))])}
        fill="none"
        stroke="var(--color-ink-2)"
        strokeWidth={1.4}
      />
      <g className="slab text-14" fill="var(--color-ink)">
        {marks.map(({ radius, z, says }) => {
          const { x, y } = place(radius, z)
          return (
            <g key={says + z}>
              <path d={`M${x} ${y}h${side * 26}`} stroke="var(--color-ink)" strokeWidth={1} />
              <text x={x + side * 29} y={y + 5} textAnchor={mirrored ? 'start' : 'end'}>
                {says}
              </text>
            </g>
          )
        })}
      </g>
    </>
  )
}

/** Px from the axis to the wall from which its sizes have room inside it. */
const ROOM_INSIDE = 110

/** The sizes of a vessel on its section: the tape under half its base, and its height inside it, px per mm as there. */
export function VesselSizes({
  radius,
  height,
  scale,
  axis,
  table,
  mirrored,
  says,
  round,
}: {
  readonly radius: number
  readonly height: number
  readonly scale: number
  readonly axis: number
  readonly table: number
  readonly mirrored: boolean
  readonly says: { readonly across: string; readonly high: string }
  /** It curves in again below: what is said of its width stands in its middle. */
  readonly round: boolean
}): ReactNode {
  const side = mirrored ? 1 : -1
  const out = axis + side * radius * scale
  const slim = radius * scale < ROOM_INSIDE
  const [under, inside] = [table + 12, slim ? out + side * 20 : axis + side * radius * scale * 0.72]
  const up = table - height * scale
  return (
    <g stroke="var(--color-ink)" fill="none">
      <path d={`M${axis} ${under}H${out}`} strokeWidth={8} />
      <path d={`M${axis} ${under}H${out}`} stroke="var(--color-tape)" strokeWidth={5} />
      <path d={`M${inside} ${table - 9}V${up}M${inside - 5} ${up}h10`} strokeWidth={1.2} />
      <g fill="var(--color-ink)" stroke="none" className="slab text-16">
        <text
          x={slim ? inside + side * 4 : axis + (out - axis) * 0.36}
          y={slim ? under + 5 : round ? (table + up) / 2 + 6 : table - 14}
          textAnchor={slim ? (mirrored ? 'start' : 'end') : 'middle'}
        >
          {says.across}
        </text>
        <text transform={`translate(${inside - 7} ${(table + up) / 2}) rotate(-90)`} textAnchor="middle">
          {says.high}
        </text>
      </g>
    </g>
  )
}
