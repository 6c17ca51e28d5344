import { Link } from 'react-router'
import type { CopyRecord, Plan } from '../../../core/index.ts'
import type { PieceView } from '../../store/queries.ts'
import { Header } from '../../ui/Header.tsx'
import { pieceAddress, pieceTitle } from '../../words/pieceWords.ts'
import { roundTitle } from '../../words/roundWords.ts'

interface WorkHeaderProps {
  readonly view: PieceView
  readonly copy: CopyRecord
  readonly plan: Plan
  readonly madeInAll: number
  readonly round: number
}

/** Which piece, how far it is, and the way back. */
export function WorkHeader({ view, copy, plan, madeInAll, round }: WorkHeaderProps) {
  const { piece, copies } = view
  const title = pieceTitle(view)
  return (
    <Header view={view} recent={false}>
      <div className="flex min-w-0 grow items-center gap-6 pr-4 pl-3">
        <h1 className="visually-hidden">
          {roundTitle(plan, round)} of {plan.rounds.length}, {title}
        </h1>
        <p className="flex min-w-0 gap-2 text-18 max-sm:hidden">
          <span className="slab truncate">{title}</span>
          {piece.quantity > 1 && (
            <span className="shrink-0">
              <CopyChooser view={view} current={copy.number} copies={copies} of={piece.quantity} />
            </span>
          )}
        </p>
        <RoundTape plan={plan} made={madeInAll} round={round} />
        {/* Which copy it is takes its room. */}
        {piece.quantity === 1 && (
          <p className="shrink-0 text-18 tabular max-lg:large:hidden tight:hidden">
            {madeInAll} of {plan.stitches}
          </p>
        )}
      </div>
    </Header>
  )
}

function CopyChooser({
  view,
  current,
  copies,
  of,
}: {
  view: PieceView
  current: number
  copies: readonly CopyRecord[]
  of: number
}) {
  const before = copies.findLast(({ number }) => number < current)
  const after = copies.find(({ number }) => number > current)
  const to = (copy: CopyRecord | undefined, sign: string, label: string) =>
    copy && (
      <Link to={`${pieceAddress(view, 'work')}?copy=${copy.number}`} aria-label={label} className="px-2">
        {sign}
      </Link>
    )
  return (
    <>
      {to(before, '‹', `No. ${before?.number}`)}
      no. {current} of {of}
      {to(after, '›', `No. ${after?.number}`)}
    </>
  )
}

/** All rounds as a tape: widths by their stitches, filled to where the hook is, posts where to measure. */
function RoundTape({ plan, made, round }: { plan: Plan; made: number; round: number }) {
  const share = (stitches: number) => (stitches / plan.stitches) * 100
  let before = 0
  return (
    <svg
      viewBox="0 0 100 30"
      preserveAspectRatio="none"
      className="h-[30px] min-w-24 grow max-lg:hidden"
      role="img"
      aria-label={`${roundTitle(plan, round)} of ${plan.rounds.length}`}
    >
      {plan.rounds.map(({ number, count }) => {
        const x = share(before)
        before += count
        const filled = Math.max(0, Math.min(share(count), share(made) - x))
        return (
          <g key={number}>
            <rect
              x={x}
              y={7}
              width={share(count)}
              height={16}
              fill={number === round ? 'var(--color-tape)' : 'none'}
            />
            <rect x={x} y={7} width={filled} height={16} fill="var(--color-ink)" />
            <rect
              x={x}
              y={7}
              width={share(count)}
              height={16}
              fill="none"
              stroke="var(--color-ink)"
              vectorEffect="non-scaling-stroke"
            />
          </g>
        )
      })}
      {plan.checkpoints.map(({ afterRound }) => {
        const x = share(plan.rounds.slice(0, afterRound).reduce((sum, { count }) => sum + count, 0))
        return (
          <g key={afterRound} strokeLinecap="butt">
            <path
              d={`M${x} 1V29`}
              stroke="var(--color-ink)"
              strokeWidth={5}
              vectorEffect="non-scaling-stroke"
            />
            <path
              d={`M${x} 2V28`}
              stroke="var(--color-tape)"
              strokeWidth={2.6}
              vectorEffect="non-scaling-stroke"
            />
          </g>
        )
      })}
    </svg>
  )
}
