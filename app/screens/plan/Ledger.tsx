import clsx from 'clsx'
import { useEffect, useMemo, useRef, type KeyboardEvent, type ReactNode } from 'react'
import {
  belowOf,
  groupRounds,
  plusMinusOf,
  promisesOf,
  sameYarns,
  writeGroup,
  zonesOf,
  type MeasureKind,
  type PieceSpec,
  type Plan,
  type Promised,
  type Terms,
  type YarnRecord,
} from '../../../core/index.ts'
import type { Painting } from './usePainting.ts'
import { NewYarnMark } from '../../drawing/PlanOverlay.tsx'
import { isOval } from '../../drawing/views/viewOf.ts'
import type { Sizes } from '../../ui/useSizes.ts'
import { MEASURE_WORDS } from '../../words/measureWords.ts'
import { ByZones, hasShaping, ZoneHeads } from './ByZones.tsx'
import { yarnNames } from '../../words/wording.ts'

interface LedgerProps {
  readonly plan: Plan
  readonly spec: PieceSpec
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
  /** There is room to tell rounds zone by zone. */
  readonly zoned?: boolean
  /** Rounds that are being painted, and what Enter does with a row while a yarn is taken up. */
  readonly painting?: Pick<Painting, 'brush' | 'stroke' | 'paint'>
}

const signed = (of: MeasureKind) => {
  const { sign } = MEASURE_WORDS[of]
  return sign ? `${sign} ` : ''
}

/** The rounds in crochet words, with counts and the sizes to expect. */
export function Ledger(props: LedgerProps) {
  const { plan, spec, terms, sizes, yarns, guess, lit, onPoint, rowHeight, className, painting } = props
  const { onScroll, onRows, zoned = false } = props
  const body = useRef<HTMLTableSectionElement>(null)
  const told = useMemo(() => plan.rounds.map((round) => promisesOf(spec, round)), [spec, plan])
  // Nothing is promised of rows that come after all others.
  const found = told.map(([promised]) => promised)
  const byZones = zoned && isOval(plan)
  const zones = byZones ? zonesOf(plan.rounds[0]!) : []
  const [first = 'across', ...others] = [...new Set(found.flatMap((one) => (one ? [one.of] : [])))]
  // A second kind of size has a sign of its own: a crown across, then down from it.
  const columns = [first, ...others]
    .map((of) => (of === first ? '' : signed(of)) + MEASURE_WORDS[of].column)
    .join(', ')
  const signOf = (number: number) => {
    const of = found[number - 1]?.of
    return of === undefined || of === first ? '' : signed(of)
  }
  const rowsOnly = plan.rounds.every(({ closed }) => !closed)
  const groups = useMemo(() => groupRounds(plan), [plan])
  const groupOf = (number: number) => groups.findIndex((group) => group.at(-1)!.number >= number)
  const checkpoints = new Map(plan.checkpoints.map((checkpoint) => [checkpoint.afterRound, checkpoint]))

  // A round pointed at elsewhere is brought into view, without moving the page.
  useEffect(() => {
    if (lit === undefined) return
    const row = body.current?.rows[groups.findIndex((group) => group.at(-1)!.number >= lit)]
    const box = row?.closest('[data-ledger-scroll]')
    if (!row || !box || box.scrollHeight <= box.clientHeight) return
    const top = row.offsetTop - 2 * rowHeight
    if (top < box.scrollTop || row.offsetTop + rowHeight > box.scrollTop + box.clientHeight)
      box.scrollTop = top
  }, [lit, rowHeight, groups])

  useEffect(() => {
    const rows = body.current
    if (!rows || !onRows) return
    const tell = () => {
      const middles = [...rows.rows].map((row) => row.offsetTop + row.offsetHeight / 2)
      onRows(groups.flatMap((group, index) => group.map(() => middles[index]!)))
    }
    const observer = new ResizeObserver(tell)
    observer.observe(rows)
    return () => observer.disconnect()
  }, [onRows, groups])

  const onKey = (event: KeyboardEvent, row: number) => {
    const group = groups[row]!
    if (event.key === 'Enter' && painting?.brush !== undefined) {
      event.preventDefault()
      painting.paint({ from: group[0]!.number, to: group.at(-1)!.number })
      return
    }
    const to = event.key === 'ArrowDown' ? row + 1 : event.key === 'ArrowUp' ? row - 1 : -1
    if (to < 0 || to >= groups.length) return
    event.preventDefault()
    body.current?.rows[to]?.focus()
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
            <th
              scope="col"
              className={clsx('text-right font-normal', groups.length < plan.rounds.length ? 'w-12' : 'w-9')}
            >
              <span className="visually-hidden">Number</span>
            </th>
            <td className="w-5" />
            <th scope="col" className="text-left font-normal">
              {zones.length > 0 ? <ZoneHeads zones={zones} /> : rowsOnly ? 'Row' : 'Round'}
            </th>
            <th scope="col" className={clsx('text-right font-normal', zoned ? 'w-16' : 'w-12')}>
              sts
            </th>
            <th
              scope="col"
              className={clsx(
                'pr-2 text-right font-normal whitespace-nowrap',
                others.length > 1 ? 'w-[10.8rem]' : others.length > 0 ? 'w-[8.6rem]' : 'w-[6.6rem]',
              )}
            >
              {columns}, {sizes.unit}
            </th>
          </tr>
        </thead>
        <tbody ref={body} onPointerLeave={() => onPoint(undefined)}>
          {groups.map((group, index) => {
            const [begins, round] = [group[0]!, group.at(-1)!]
            const { number, count } = round
            const below = belowOf(plan.rounds, begins)
            const newYarn = below !== undefined && !sameYarns(below, begins)
            const here = lit !== undefined && lit >= begins.number && lit <= number
            const { stroke } = painting ?? {}
            const stroked = stroke !== undefined && stroke.from <= number && stroke.to >= begins.number
            const checkpoint = checkpoints.get(number)
            const text = writeGroup(group, terms)
            return (
              <tr
                key={number}
                data-from={begins.number}
                data-to={number}
                tabIndex={index === groupOf(lit ?? 1) ? 0 : -1}
                className={clsx('outline-offset-[-3px]', stroked ? 'bg-tape' : here && 'bg-film-2')}
                style={{ height: rowHeight }}
                onPointerEnter={() => onPoint(number)}
                onFocus={() => onPoint(number)}
                onBlur={() => onPoint(undefined)}
                onKeyDown={(event) => onKey(event, index)}
              >
                <th
                  scope="row"
                  className={clsx(
                    'slab text-right leading-none whitespace-nowrap',
                    group.length > 1 ? 'text-16' : 'text-18',
                  )}
                >
                  {group.length > 1 ? `${begins.number}–${number}` : number}
                </th>
                <td className="px-0.5 leading-none">
                  {!round.closed && round.side === 'wrong' && group.length === 1 && <TurnedMark />}
                  {newYarn && (
                    <svg
                      width={16}
                      height={16}
                      viewBox="-8 -8 16 16"
                      role="img"
                      aria-label={`New yarn: ${yarnNames(yarns, round)}`}
                    >
                      <NewYarnMark x={0} y={0} />
                    </svg>
                  )}
                </td>
                <td className={clsx('leading-tight', text.length > (zoned ? 56 : 27) && 'text-14')}>
                  {byZones && hasShaping(round) ? <ByZones group={group} terms={terms} /> : text}
                  {newYarn && <span className="text-ink-2"> {yarnNames(yarns, round)}</span>}
                </td>
                <td
                  className={clsx(
                    'slab text-right leading-none whitespace-nowrap',
                    begins.count === count ? 'text-18' : 'text-16',
                  )}
                >
                  {begins.count === count ? count : `${begins.count}…${count}`}
                </td>
                <td className="py-0 pl-2 text-right whitespace-nowrap">
                  {checkpoint ? (
                    <TapeTag>
                      {signOf(number)}
                      <Expected promised={checkpoint.promises[0]!} sizes={sizes} guess={guess}>
                        {widthOf(checkpoint.promises, sizes)}
                      </Expected>
                    </TapeTag>
                  ) : (
                    !guess &&
                    found[number - 1] && (
                      <span className="pr-[2.9rem] text-ink-2">
                        {signOf(number)}
                        {sizes.bare(found[number - 1]!.value)}
                        {widthOf(told[number - 1]!, sizes)}
                      </span>
                    )
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

/** " × 12.1": how wide, of what is told by two sizes at once. */
function widthOf(promises: readonly Promised[], sizes: Sizes): string {
  const wide = promises.find(({ of }) => of === 'sideToSide')
  return wide ? ` × ${sizes.bare(wide.value)}` : ''
}

function Expected({
  promised,
  sizes,
  guess,
  children,
}: {
  readonly promised: Promised
  readonly sizes: Sizes
  readonly guess: boolean
  readonly children?: ReactNode
}) {
  const { value } = promised
  const by = plusMinusOf(promised)
  if (guess) return `${sizes.bare(value - by)}–${sizes.bare(value + by)}`
  return (
    <>
      <strong className="slab">
        {sizes.bare(value)}
        {children}
      </strong>{' '}
      ± {sizes.doubt(by)}
    </>
  )
}

/** A row that is worked with the wrong side facing, back the other way. */
function TurnedMark() {
  return (
    <svg width={14} height={10} viewBox="0 0 14 10" role="img" aria-label="Wrong side facing">
      <path d="M13 5H2M6 1L2 5L6 9" fill="none" stroke="var(--color-ink-2)" strokeWidth={1.6} />
    </svg>
  )
}

/** A tape tag whose point aims at the count. */
function TapeTag({ children }: { children: ReactNode }) {
  return (
    <span className="inline-block w-full bg-tape pr-2 pl-3 leading-[1.3] [clip-path:polygon(0_50%,8px_0,100%_0,100%_100%,8px_100%)]">
      <span className="visually-hidden">measure: </span>
      {children}
    </span>
  )
}
