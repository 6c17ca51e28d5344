import clsx from 'clsx'
import { useEffect, useRef, type KeyboardEvent, type ReactNode } from 'react'
import {
  sameYarns,
  writeRoundBody,
  yarnsIn,
  type HeldYarns,
  type Plan,
  type Terms,
  type YarnRecord,
} from '../../../core/index.ts'
import { NewYarnMark } from '../../drawing/PlanOverlay.tsx'
import type { Sizes } from '../../ui/useSizes.ts'

interface LedgerProps {
  readonly plan: Plan
  readonly terms: Terms
  readonly sizes: Sizes
  readonly yarns: readonly YarnRecord[]
  readonly guess: boolean
  readonly lit?: number
  readonly onPoint: (round: number | undefined) => void
  readonly rowHeight: number
  readonly onScroll?: (top: number) => void
  /** Told where the middle of each row lies, px from the top of the table, whenever that changes. */
  readonly onRows?: (middles: readonly number[]) => void
  readonly className?: string
}

/** The rounds in crochet words, with counts and the sizes to expect. */
export function Ledger(props: LedgerProps) {
  const { plan, terms, sizes, yarns, guess, lit, onPoint, rowHeight, onScroll, onRows, className } = props
  const body = useRef<HTMLTableSectionElement>(null)
  const checkpoints = new Map(plan.checkpoints.map((checkpoint) => [checkpoint.afterRound, checkpoint]))

  // A round pointed at elsewhere is brought into view, without moving the page.
  useEffect(() => {
    if (lit === undefined) return
    const row = body.current?.rows[lit - 1]
    const box = row?.closest('[data-ledger-scroll]')
    if (!row || !box || box.scrollHeight <= box.clientHeight) return
    const top = row.offsetTop - 2 * rowHeight
    if (top < box.scrollTop || row.offsetTop + rowHeight > box.scrollTop + box.clientHeight)
      box.scrollTop = top
  }, [lit, rowHeight])

  useEffect(() => {
    const rows = body.current
    if (!rows || !onRows) return
    const tell = () => onRows([...rows.rows].map((row) => row.offsetTop + row.offsetHeight / 2))
    const observer = new ResizeObserver(tell)
    observer.observe(rows)
    return () => observer.disconnect()
  }, [onRows, plan.rounds.length])

  const moveFocus = (event: KeyboardEvent, number: number) => {
    const to = event.key === 'ArrowDown' ? number + 1 : event.key === 'ArrowUp' ? number - 1 : undefined
    if (to === undefined || to < 1 || to > plan.rounds.length) return
    event.preventDefault()
    body.current?.rows[to - 1]?.focus()
  }

  return (
    <div
      data-ledger-scroll
      className={clsx('overflow-y-auto', className)}
      onScroll={(event) => onScroll?.(event.currentTarget.scrollTop)}
    >
      <table className="w-full border-collapse text-16 tabular">
        <caption className="visually-hidden">Rounds of the piece</caption>
        <thead className="sticky top-0 z-10 bg-film text-14 text-ink-2">
          <tr style={{ height: rowHeight }}>
            <th scope="col" className="w-9 text-right font-normal">
              <span className="visually-hidden">Number</span>
            </th>
            <td className="w-5" />
            <th scope="col" className="text-left font-normal">
              Round
            </th>
            <th scope="col" className="w-12 text-right font-normal">
              sts
            </th>
            <th scope="col" className="w-[6.6rem] pr-2 text-right font-normal whitespace-nowrap">
              across, {sizes.unit}
            </th>
          </tr>
        </thead>
        <tbody ref={body} onPointerLeave={() => onPoint(undefined)}>
          {plan.rounds.map((round, index) => {
            const { number, count, at } = round
            const newYarn = index > 0 && !sameYarns(plan.rounds[index - 1]!, round)
            const checkpoint = checkpoints.get(number)
            const text = writeRoundBody(round, terms)
            return (
              <tr
                key={number}
                tabIndex={number === (lit ?? 1) ? 0 : -1}
                className={clsx('outline-offset-[-3px]', lit === number && 'bg-film-2')}
                style={{ height: rowHeight }}
                onPointerEnter={() => onPoint(number)}
                onFocus={() => onPoint(number)}
                onBlur={() => onPoint(undefined)}
                onKeyDown={(event) => moveFocus(event, number)}
              >
                <th scope="row" className="slab text-right text-18 leading-none">
                  {number}
                </th>
                <td className="px-0.5">
                  {newYarn && (
                    <svg
                      width={16}
                      height={16}
                      viewBox="-8 -8 16 16"
                      role="img"
                      aria-label={`New yarn: ${namesOf(yarns, round)}`}
                    >
                      <NewYarnMark x={0} y={0} />
                    </svg>
                  )}
                </td>
                <td className={clsx('leading-tight', text.length > 27 && 'text-14')}>
                  {text}
                  {newYarn && <span className="text-ink-2"> {namesOf(yarns, round)}</span>}
                </td>
                <td className="slab text-right text-18 leading-none">{count}</td>
                <td className="py-0 pl-2 text-right whitespace-nowrap">
                  {checkpoint ? (
                    <TapeTag>
                      {guess ? (
                        `${sizes.bare(checkpoint.across - checkpoint.plusMinus)}–${sizes.bare(checkpoint.across + checkpoint.plusMinus)}`
                      ) : (
                        <>
                          <strong className="slab">{sizes.bare(checkpoint.across)}</strong> ±{' '}
                          {sizes.doubt(checkpoint.plusMinus)}
                        </>
                      )}
                    </TapeTag>
                  ) : (
                    !guess && <span className="pr-[2.9rem] text-ink-2">{sizes.bare(2 * at.radius)}</span>
                  )}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </div>
  )
}

const namesOf = (yarns: readonly YarnRecord[], held: HeldYarns) =>
  yarnsIn(held)
    .map((id) => yarns.find((yarn) => yarn.id === id)?.name ?? '')
    .join(' + ')

/** A tape tag whose point aims at the count. */
function TapeTag({ children }: { children: ReactNode }) {
  return (
    <span className="inline-block w-full bg-tape pr-2 pl-3 leading-[1.3] [clip-path:polygon(0_50%,8px_0,100%_0,100%_100%,8px_100%)]">
      <span className="visually-hidden">measure: </span>
      {children}
    </span>
  )
}
