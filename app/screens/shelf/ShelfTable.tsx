import clsx from 'clsx'
import { MoreVertical } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { Link } from 'react-router'
import type { PieceProgress, YarnRecord } from '../../../core/index.ts'
import { yarnInk } from '../../drawing/yarnInk.ts'
import { refusalFrom } from '../../ui/refusal.ts'
import { useSizes, type Sizes } from '../../ui/useSizes.ts'
import { duration } from '../../ui/wording.ts'
import type { ShelfRow, Stage } from './useShelfRows.ts'

export interface RowDeeds {
  readonly onOpen: (row: ShelfRow) => void
  readonly onRename: (row: ShelfRow) => void
  readonly onDuplicate: (row: ShelfRow) => void
  readonly onExport: (row: ShelfRow) => void
  readonly onDelete: (row: ShelfRow) => void
}

interface ShelfTableProps extends RowDeeds {
  readonly rows: readonly ShelfRow[]
  readonly yarns: readonly YarnRecord[]
  readonly current?: string
  readonly onChoose: (projectId: string) => void
}

/** Over this many pieces, rows are one line. */
const MANY = 12
const HOUR = 3600

/** What is next with each piece; time is length, on one axis for all. */
export function ShelfTable({ rows, yarns, current, onChoose, ...deeds }: ShelfTableProps) {
  const sizes = useSizes()
  const longest = Math.max(
    HOUR,
    ...rows.map(({ planned }) => (planned.ok ? planned.value.progress.secondsInAll : 0)),
  )
  return (
    <table className="mt-2 w-full border-collapse text-left">
      <caption className="visually-hidden">Pieces on the shelf</caption>
      <thead className="text-14 text-ink-2 max-lg:hidden">
        <tr className="border-b-2 rule">
          <th scope="col" className="w-8 font-normal">
            <span className="visually-hidden">Number</span>
          </th>
          <th scope="col" className="font-normal">
            <span className="visually-hidden">Piece</span>
          </th>
          <th scope="col" className="w-72 pb-1 font-normal">
            <HourAxis longest={longest} />
          </th>
          <th scope="col" className="pb-1 font-normal">
            next
          </th>
          <th scope="col" className="w-28 pb-1 text-right font-normal">
            time left
          </th>
          <th scope="col" className="w-60 pb-1 pl-7 font-normal">
            yarn to go
          </th>
          <th scope="col" className="w-12">
            <span className="visually-hidden">More</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row, index) => (
          <Row
            key={row.view.project.id}
            row={row}
            number={index + 1}
            oneLine={rows.length > MANY}
            longest={longest}
            yarns={yarns}
            sizes={sizes}
            chosen={row.view.project.id === current}
            onChoose={onChoose}
            {...deeds}
          />
        ))}
      </tbody>
    </table>
  )
}

interface RowProps extends RowDeeds {
  readonly row: ShelfRow
  readonly number: number
  readonly oneLine: boolean
  readonly longest: number
  readonly yarns: readonly YarnRecord[]
  readonly sizes: Sizes
  readonly chosen: boolean
  readonly onChoose: (projectId: string) => void
}

function Row({ row, number, oneLine, longest, yarns, sizes, chosen, onChoose, ...deeds }: RowProps) {
  const { view, stage } = row
  const planned = row.planned.ok ? row.planned.value : undefined
  const { project, piece } = view
  const [next, detail] = nextWords(row, sizes)
  return (
    <tr
      className={clsx(
        'border-b border-hair align-middle max-lg:grid max-lg:grid-cols-[1.75rem_1fr_auto] max-lg:py-2',
        chosen && 'bg-film-2',
      )}
      onPointerEnter={() => onChoose(project.id)}
      onFocus={() => onChoose(project.id)}
    >
      <td className={clsx('border-l-[6px] pl-2 text-18', chosen ? 'border-ink' : 'border-transparent')}>
        <span className="slab">{number}</span>
      </td>
      <th scope="row" className={clsx('pr-4 pl-2 font-normal', oneLine ? 'py-0.5' : 'py-1')}>
        <Link
          to={`/piece/${project.id}/plan`}
          className="slab block max-w-80 py-0.5 text-18 leading-tight [overflow-wrap:anywhere] underline-offset-4 hover:underline max-lg:flex max-lg:min-h-11 max-lg:items-center"
        >
          {project.name}
        </Link>
        {!oneLine && (
          <span className="block text-14 text-ink-2">
            {sizes.full(piece.shape.across)} across{piece.quantity > 1 && `, set of ${piece.quantity}`}
          </span>
        )}
      </th>
      <td className="max-lg:col-span-3 max-lg:col-start-1 max-lg:row-start-2 max-lg:py-1.5 max-lg:pl-9">
        {planned && <WorkTape progress={planned.progress} stage={stage} longest={longest} />}
      </td>
      <td className="max-lg:col-span-2 max-lg:col-start-1 max-lg:row-start-3 max-lg:pl-9">
        <span className="flex items-center justify-between gap-3 pr-2">
          <span className={clsx(oneLine && 'flex gap-3')}>
            <span className="slab block text-18 leading-tight">{next}</span>
            <span className="block text-14">{detail}</span>
          </span>
          {stage === 'underWay' && (
            <Link
              to={`/piece/${project.id}/work`}
              className="slab grid min-h-11 place-items-center bg-ink px-4 text-18 text-film"
              aria-label={`Work on ${project.name}`}
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
        <RowMenu row={row} {...deeds} />
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
    const guess = plan.notices.some(({ code }) => code === 'guess')
    return [
      `Planned, ${plan.rounds.length} rnds`,
      guess ? 'Gauge is a guess from the label.' : `Rnd 1: ${plan.rounds[0]!.count} sts.`,
    ]
  }
  const { current } = progress
  if (!current) return [`${progress.finished} of ${piece.quantity}`, `Next: no. ${copies.length + 1}.`]
  const at = `Rnd ${current.position.round} of ${current.plan.rounds.length}`
  const ahead = current.plan.checkpoints.find(({ afterRound }) => afterRound >= current.position.round)
  const measure = ahead ? `Measure after Rnd ${ahead.afterRound}.` : ''
  return piece.quantity > 1
    ? [`No. ${current.number} of ${piece.quantity}`, `${at}. ${measure}`]
    : [at, measure]
}

function HourAxis({ longest }: { longest: number }) {
  const hours = Math.floor(longest / HOUR)
  const every = Math.ceil(hours / 4)
  return (
    <span className="relative block h-5">
      work
      {Array.from({ length: hours }, (_, index) => index + 1)
        .filter((hour) => hour % every === 0 && hour / (longest / HOUR) > 0.2)
        .map((hour) => (
          <span
            key={hour}
            className="absolute -translate-x-1/2 whitespace-nowrap"
            style={{ left: `${((hour * HOUR) / longest) * 96}%` }}
          >
            {hour} h
          </span>
        ))}
    </span>
  )
}

interface WorkTapeProps {
  readonly progress: PieceProgress
  readonly stage: Stage
  readonly longest: number
}

/** One block a copy, filled as far as it is made; the post is where the hook is. */
function WorkTape({ progress, stage, longest }: WorkTapeProps) {
  const wide = (progress.secondsInAll / longest) * 96
  const each = 100 / progress.shares.length
  const done = progress.shares.reduce((sum, share) => sum + share, 0) * each
  const begun = stage !== 'planned'
  return (
    <span className="relative block h-[18px]" style={{ width: `${Math.max(4, wide)}%` }}>
      <span className={clsx('absolute inset-0 flex border rule', !begun && 'border-dashed')}>
        {progress.shares.map((share, index) => (
          <span
            key={index}
            className={clsx(
              'relative grow border-r last:border-r-0',
              share === 1 ? 'border-film' : 'rule',
              !begun && 'border-dashed',
            )}
          >
            <span className="absolute inset-y-0 left-0 bg-ink" style={{ width: `${share * 100}%` }} />
          </span>
        ))}
      </span>
      {stage === 'underWay' && (
        <span
          className="absolute -inset-y-1 w-[7px] -translate-x-1/2 border-[1.5px] rule bg-tape"
          style={{ left: `${done}%` }}
        />
      )}
    </span>
  )
}

interface YarnToGoProps {
  readonly progress: PieceProgress
  readonly yarns: readonly YarnRecord[]
}

function YarnToGo({ progress, yarns }: YarnToGoProps) {
  const left = [...progress.metresLeft].filter(([, metres]) => metres >= 0.05)
  const all = left.reduce((sum, [, metres]) => sum + metres, 0)
  const sizes = useSizes()
  if (all === 0) return null
  return (
    <span className="flex items-center justify-between gap-3">
      <span aria-hidden className="flex w-28 gap-1">
        {left.map(([id, metres]) => {
          const { fill, strand } = yarnInk(yarns.find((yarn) => yarn.id === id)?.colour ?? '#FAFCFB')
          return (
            <span
              key={id}
              className="h-3.5 rounded-full border rule"
              style={{
                width: `${Math.max(10, (metres / Math.max(all, 120)) * 100)}%`,
                background: `repeating-linear-gradient(115deg, ${fill} 0 6px, ${strand} 6px 7px)`,
              }}
            />
          )
        })}
      </span>
      <span className="slab text-18 whitespace-nowrap">{sizes.yarn.full(all)}</span>
    </span>
  )
}

const MENU_ITEM = 'flex min-h-11 items-center px-4 text-18 outline-none data-[highlighted]:bg-film-2'

function RowMenu({ row, onOpen, onRename, onDuplicate, onExport, onDelete }: RowDeeds & { row: ShelfRow }) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        className="grid size-11 place-items-center hover:bg-film"
        aria-label={`More for ${row.view.project.name}`}
      >
        <MoreVertical aria-hidden size={22} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="z-30 min-w-48 border-2 rule bg-film">
          <DropdownMenu.Item className={MENU_ITEM} onSelect={() => onOpen(row)}>
            Open the plan
          </DropdownMenu.Item>
          <DropdownMenu.Item className={MENU_ITEM} onSelect={() => onRename(row)}>
            Rename
          </DropdownMenu.Item>
          <DropdownMenu.Item className={MENU_ITEM} onSelect={() => onDuplicate(row)}>
            Duplicate
          </DropdownMenu.Item>
          <DropdownMenu.Item className={MENU_ITEM} onSelect={() => onExport(row)}>
            Export as a file
          </DropdownMenu.Item>
          <DropdownMenu.Item className={MENU_ITEM} onSelect={() => onDelete(row)}>
            Delete
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
