import { heelTurn, type Plan } from '../../core/index.ts'
import { FootBehind } from './FootBehind.tsx'
import { SectionCapsule } from './SectionCapsule.tsx'
import { cutOfSock, type SidePlace } from './views/sock.ts'

interface SockSectionProps {
  readonly plan: Plan
  /** How long the foot is that it goes on, mm. */
  readonly foot: number | undefined
  /** px per mm, px of its toe, and of the floor. */
  readonly scale: number
  readonly x: number
  readonly floor: number
  readonly mirrored: boolean
  readonly yarns: ReadonlyMap<string, string>
  readonly guess: boolean
  readonly lit?: number
  readonly says: { readonly long: string; readonly turn: string }
}

const THICKEST = 9

/** A sock from the side, cut through with the foot in it: a round is a capsule at its sole and one at its instep. */
export function SockSection(props: SockSectionProps) {
  const { plan, foot, scale, x, floor, mirrored, yarns, guess, lit, says } = props
  const cut = cutOfSock(plan)
  const bend = heelTurn(plan)
  const tip = plan.rounds.findLast(({ closed }) => closed)!.at
  const {
    tube,
    across,
    long: heel,
  } = bend ?? {
    tube: tip.z,
    across: 2 * tip.radius,
    long: plan.rounds.at(-1)!.at.z,
  }
  const side = mirrored ? -1 : 1
  const place = (at: SidePlace) => ({ x: x + side * at.x * scale, y: floor - at.z * scale })
  const pitch = (plan.rounds.at(-1)!.at.arc * scale) / plan.rounds.length
  const thick = Math.min(THICKEST, Math.max(2.6, pitch * 0.66))
  const [left, right] = [place({ x: 0, z: 0 }).x, place({ x: heel, z: 0 }).x]
  let [back, front] = [
    { x: 0, z: across / 2 },
    { x: 0, z: across / 2 },
  ]
  return (
    <g>
      {foot !== undefined && (
        <FootBehind
          foot={foot}
          scale={scale}
          x={right - side * thick * 0.5}
          sole={floor - thick * 0.5}
          mirrored={!mirrored}
        />
      )}
      {cut.flatMap(({ round, ...here }) => {
        const look = {
          thick,
          ink: lit === round.number ? 4 : 2,
          fill: guess ? 'var(--color-film)' : (yarns.get(round.yarn) ?? '#FAFCFB'),
        }
        const capsules = [
          <SectionCapsule key={`${round.id} back`} from={place(back)} to={place(here.back)} {...look} />,
        ]
        if (here.front) {
          capsules.push(
            <SectionCapsule key={`${round.id} front`} from={place(front)} to={place(here.front)} {...look} />,
          )
          front = here.front
        }
        back = here.back
        return capsules
      })}
      <g stroke="var(--color-ink)" fill="none">
        <path d={`M${left} ${floor + 13}H${right}`} strokeWidth={9} />
        <path d={`M${left} ${floor + 13}H${right}`} stroke="var(--color-tape)" strokeWidth={6} />
      </g>
      <g className="slab text-16" fill="var(--color-ink)">
        <text x={(left + right) / 2} y={floor + 35} textAnchor="middle">
          {says.long}
        </text>
        <text
          x={place({ x: tube, z: across }).x - side * 10}
          y={place({ x: tube, z: across }).y - 14}
          textAnchor={mirrored ? 'start' : 'end'}
        >
          {says.turn}
        </text>
      </g>
    </g>
  )
}
