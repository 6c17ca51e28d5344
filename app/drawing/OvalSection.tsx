import { mainOf } from './views/view.ts'
import type { Plan, PlannedRound } from '../../core/index.ts'
import { FootBehind } from './FootBehind.tsx'
import { SectionCapsule } from './SectionCapsule.tsx'
import { placesAlong, type PlaceAlong } from './views/oval.ts'

interface OvalSectionProps {
  readonly plan: Plan
  /** px per mm, px of the near end's chain stitch, and of the table. */
  readonly scale: number
  readonly x: number
  readonly table: number
  readonly mirrored: boolean
  readonly yarns: ReadonlyMap<string, string>
  readonly guess: boolean
  readonly lit?: number
}

const THICKEST = 10

/** An oval cut along its chain: a round is a capsule at each end, the chain between them. */
export function OvalSection({ plan, scale, x, table, mirrored, yarns, guess, lit }: OvalSectionProps) {
  const rounds = mainOf(plan)
  const pitch = (rounds.at(-1)!.at.arc * scale) / rounds.length
  const thick = Math.min(THICKEST, Math.max(3, pitch * 0.72))
  const side = mirrored ? -1 : 1
  const spine = rounds[0]!.at.spine ?? 0
  const place = ({ x: along, z }: PlaceAlong) => ({ x: x + side * along * scale, y: table - z * scale })
  const places = placesAlong(rounds)
  const capsule = (from: PlaceAlong, to: PlaceAlong, round: PlannedRound, key: string) => {
    const [a, b] = [place(from), place(to)]
    return (
      <SectionCapsule
        key={key}
        from={a}
        to={b}
        thick={thick}
        ink={lit === round.number ? 4 : 2.2}
        fill={guess ? 'var(--color-film)' : (yarns.get(round.yarn) ?? '#FAFCFB')}
      />
    )
  }
  return (
    <>
      {capsule({ x: 0, z: 0 }, { x: spine, z: 0 }, rounds[0]!, 'chain')}
      {rounds.flatMap((round, index) => {
        const before = places[index - 1] ?? { near: { x: 0, z: 0 }, far: { x: spine, z: 0 } }
        const here = places[index]!
        return [
          capsule(before.near, here.near, round, `${round.id} near`),
          capsule(before.far, here.far, round, `${round.id} far`),
        ]
      })}
    </>
  )
}

/** The sizes of an oval that is cut along its chain: the tape under it, and its height at the near end. */
export function OvalSizes({
  plan,
  scale,
  x,
  table,
  mirrored,
  says,
  foot,
  holds,
}: Pick<OvalSectionProps, 'plan' | 'scale' | 'x' | 'table' | 'mirrored'> & {
  /** How long the foot is that it goes on, mm. */
  readonly foot?: number | undefined
  /** How long and how high what it holds stands in it, mm. */
  readonly holds?: { readonly long: number; readonly high: number } | undefined
  readonly says: { readonly long: string; readonly high: string }
}) {
  const places = placesAlong(mainOf(plan))
  const side = mirrored ? -1 : 1
  const [left, right] = [
    x + side * Math.min(...places.map(({ near }) => near.x)) * scale,
    x + side * Math.max(...places.map(({ far }) => far.x)) * scale,
  ]
  const under = table + 13
  const up = table - places.at(-1)!.near.z * scale
  const beside = left - side * 18
  return (
    <g stroke="var(--color-ink)" fill="none">
      {holds && (
        <rect
          x={(left + right) / 2 - (holds.long / 2) * scale}
          y={table - 5 - holds.high * scale}
          width={holds.long * scale}
          height={holds.high * scale}
          rx={6}
          stroke="#6F868C"
          strokeWidth={1.4}
        />
      )}
      {foot !== undefined && (
        <FootBehind foot={foot} scale={scale} x={left + side * 6} sole={table - 5} mirrored={mirrored} />
      )}
      <path d={`M${left} ${under}H${right}`} strokeWidth={9} />
      <path d={`M${left} ${under}H${right}`} stroke="var(--color-tape)" strokeWidth={6} />
      <path
        d={`M${beside - 5} ${table}h10M${beside} ${table}V${up}M${beside - 5} ${up}h10`}
        strokeWidth={1.2}
      />
      <g fill="var(--color-ink)" stroke="none" className="slab text-16">
        <text x={(left + right) / 2} y={under + 22} textAnchor="middle">
          {says.long}
        </text>
        <text
          transform={`translate(${mirrored ? beside + 20 : beside - 7} ${(table + up) / 2}) rotate(-90)`}
          textAnchor="middle"
        >
          {says.high}
        </text>
      </g>
    </g>
  )
}
