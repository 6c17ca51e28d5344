import clsx from 'clsx'
import { Link } from 'react-router'
import { isGuess } from '../../words/measureWords.ts'
import { roundNamed, type YarnRecord } from '../../../core/index.ts'
import { pieceAddress, pieceTitle } from '../../words/pieceWords.ts'
import { sayForm } from '../../words/formWords.ts'
import { refusalFrom } from '../../ui/refusal.ts'
import type { Sizes } from '../../ui/useSizes.ts'
import { duration } from '../../words/wording.ts'
import type { RowDeeds } from './RowMenu.tsx'
import { PieceMenu, ProjectMenu } from './RowMenuLater.tsx'
import type { ShelfRow } from './useShelfRows.ts'
import { WorkTape, YarnToGo } from './WorkTape.tsx'
import { roundsNoun, roundTitle } from '../../words/roundWords.ts'

interface PieceRowProps extends RowDeeds {
  readonly row: ShelfRow
  /** Of the project on the shelf; a piece among several has none of its own. */
  readonly number?: number
  readonly oneLine: boolean
  readonly longest: number
  readonly yarns: readonly YarnRecord[]
  readonly sizes: Sizes
  readonly chosen: boolean
  readonly onChoose: (pieceId: string) => void
}

export function PieceRow({
  row,
  number,
  oneLine,
  longest,
  yarns,
  sizes,
  chosen,
  onChoose,
  ...deeds
}: PieceRowProps) {
  const { view, stage } = row
  const planned = row.planned.ok ? row.planned.value : undefined
  const { piece, pieces } = view
  const among = pieces.length > 1
  const title = pieceTitle(view)
  const [next, detail] = nextWords(row, sizes)
  return (
    <tr
      className={clsx(
        'border-b border-hair align-middle max-lg:grid max-lg:grid-cols-[1.75rem_1fr_auto] max-lg:py-2',
        chosen && 'bg-film-2',
      )}
      onPointerEnter={() => onChoose(piece.id)}
      onFocus={() => onChoose(piece.id)}
    >
      <td className={clsx('border-l-[6px] pl-2 text-18', chosen ? 'border-ink' : 'border-transparent')}>
        {number !== undefined && <span className="slab">{number}</span>}
      </td>
      <th
        scope="row"
        className={clsx('pr-4 font-normal', among ? 'pl-6 max-lg:pl-2' : 'pl-2', oneLine ? 'py-0.5' : 'py-1')}
      >
        <Link
          to={pieceAddress(view, 'plan')}
          aria-label={among ? title : undefined}
          className="slab block max-w-80 py-0.5 text-18 leading-tight [overflow-wrap:anywhere] underline-offset-4 hover:underline max-lg:flex max-lg:min-h-11 max-lg:items-center"
        >
          {among ? piece.name : title}
        </Link>
        {!oneLine && (
          <span className="block text-14 text-ink-2">
            {sayForm(piece.form, sizes)}
            {piece.quantity > 1 && `, set of ${piece.quantity}`}
          </span>
        )}
      </th>
      <td className="max-lg:col-span-3 max-lg:col-start-1 max-lg:row-start-2 max-lg:py-1.5 max-lg:pl-9">
        {planned && <WorkTape progress={planned.progress} stage={stage} longest={longest} />}
      </td>
      <td className="max-lg:col-span-2 max-lg:col-start-1 max-lg:row-start-3 max-lg:pl-9">
        <span className="flex items-center justify-between gap-3 pr-2">
          <span>
            <span className="slab block text-18 leading-tight lg:whitespace-nowrap">{next}</span>
            <span className={clsx('block text-14', oneLine && stage !== 'underWay' && 'lg:hidden')}>
              {detail}
            </span>
          </span>
          {stage === 'underWay' && (
            <Link
              to={pieceAddress(view, 'work')}
              className="slab grid min-h-11 place-items-center bg-ink px-4 text-18 text-film"
              aria-label={`Work on ${title}`}
            >
              Work
            </Link>
          )}
        </span>
      </td>
      <td className="text-right whitespace-nowrap max-lg:col-start-3 max-lg:row-start-3 max-lg:self-center">
        {planned && stage !== 'finished' && (
          <span className="slab text-18">{duration(planned.progress.secondsLeft)}</span>
        )}
      </td>
      <td className="pl-7 max-lg:hidden">
        {planned && <YarnToGo progress={planned.progress} yarns={yarns} />}
      </td>
      <td className="max-lg:col-start-3 max-lg:row-start-1 max-lg:justify-self-end">
        {among ? <PieceMenu row={row} {...deeds} /> : <ProjectMenu row={row} {...deeds} />}
      </td>
    </tr>
  )
}

/** What the next step is: the fact, then the detail. */
function nextWords({ planned, copies, view, stage }: ShelfRow, { speech }: Sizes): [string, string] {
  const { piece } = view
  if (!planned.ok) return ['Cannot be planned', refusalFrom(planned, speech).text]
  const { plan, progress } = planned.value
  if (stage === 'finished')
    return ['Finished', `${progress.finished === 1 ? 'One' : progress.finished} made.`]
  if (stage === 'planned') {
    const guess = isGuess(plan)
    return [
      `Planned, ${plan.rounds.length} ${roundsNoun(plan) === 'rows' ? 'rows' : 'rnds'}`,
      guess ? 'Gauge is a guess from the label.' : `${roundTitle(plan, 1)}: ${plan.rounds[0]!.count} sts.`,
    ]
  }
  const { current } = progress
  if (!current) return [`${progress.finished} of ${piece.quantity}`, `Next: no. ${copies.length + 1}.`]
  const now = roundNamed(current.plan.rounds, current.position.round)?.number ?? 1
  const at = `${roundTitle(current.plan, now)} of ${current.plan.rounds.length}`
  const ahead = current.plan.checkpoints.find(({ afterRound }) => afterRound >= now)
  const measure = ahead ? `Measure after ${roundTitle(current.plan, ahead.afterRound)}.` : ''
  return piece.quantity > 1
    ? [`No. ${current.number} of ${piece.quantity}`, `${at}. ${measure}`]
    : [at, measure]
}
