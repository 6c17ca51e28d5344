import { Fragment } from 'react'
import { sumOfProgress, type YarnRecord } from '../../../core/index.ts'
import { projectAddress } from '../../words/pieceWords.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { duration } from '../../words/wording.ts'
import { Link } from 'react-router'
import { PieceRow } from './PieceRow.tsx'
import type { RowDeeds } from './RowMenu.tsx'
import { ProjectMenu } from './RowMenuLater.tsx'
import { byProject, type ShelfRow } from './useShelfRows.ts'
import { HOUR, HourAxis, YarnToGo } from './WorkTape.tsx'

interface ShelfTableProps extends RowDeeds {
  readonly rows: readonly ShelfRow[]
  readonly yarns: readonly YarnRecord[]
  readonly current?: string
  readonly onChoose: (pieceId: string) => void
}

/** Over this many pieces, rows are one line. */
const MANY = 12

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
          <th scope="col" className="w-64 font-normal">
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
        {byProject(rows).map((group, index) => (
          <Fragment key={group[0]!.view.project.id}>
            {group[0]!.view.pieces.length > 1 && (
              <ProjectRow rows={group} number={index + 1} yarns={yarns} {...deeds} />
            )}
            {group.map((row) => (
              <PieceRow
                key={row.view.piece.id}
                row={row}
                number={row.view.pieces.length > 1 ? undefined : index + 1}
                oneLine={rows.length > MANY}
                longest={longest}
                yarns={yarns}
                sizes={sizes}
                chosen={row.view.piece.id === current}
                onChoose={onChoose}
                {...deeds}
              />
            ))}
          </Fragment>
        ))}
      </tbody>
    </table>
  )
}

interface ProjectRowProps extends RowDeeds {
  /** The pieces of one project that are shown. */
  readonly rows: readonly ShelfRow[]
  readonly number: number
  readonly yarns: readonly YarnRecord[]
}

/** A project of several pieces, over their rows: what they come to together. */
function ProjectRow({ rows, number, yarns, ...deeds }: ProjectRowProps) {
  const [first] = rows
  const { project, pieces } = first!.view
  const sums = sumOfProgress(rows.flatMap(({ planned }) => (planned.ok ? [planned.value.progress] : [])))
  const finished = rows.filter(({ stage }) => stage === 'finished').length
  return (
    <tr className="border-b border-hair align-middle max-lg:grid max-lg:grid-cols-[1.75rem_1fr_auto] max-lg:py-2">
      <td className="border-l-[6px] border-transparent pl-2 text-18">
        <span className="slab">{number}</span>
      </td>
      <th scope="rowgroup" colSpan={2} className="py-1 pr-4 pl-2 font-normal">
        <Link
          to={projectAddress(first!.view)}
          className="slab block py-0.5 text-20 leading-tight [overflow-wrap:anywhere] underline-offset-4 hover:underline max-lg:flex max-lg:min-h-11 max-lg:items-center"
        >
          {project.name}
        </Link>
      </th>
      <td className="text-14 max-lg:col-start-2 max-lg:row-start-2 max-lg:pl-2">
        {pieces.length} pieces{finished > 0 && `, ${finished} finished`}
        {rows.length < pieces.length && `, ${rows.length} shown`}
      </td>
      <td className="text-right whitespace-nowrap max-lg:col-start-3 max-lg:row-start-2">
        {sums.secondsLeft > 0 && <span className="slab text-18">{duration(sums.secondsLeft)}</span>}
      </td>
      <td className="pl-7 max-lg:hidden">
        <YarnToGo progress={sums} yarns={yarns} />
      </td>
      <td className="max-lg:col-start-3 max-lg:row-start-1 max-lg:justify-self-end">
        <ProjectMenu row={first!} {...deeds} />
      </td>
    </tr>
  )
}
