import { differenceInCalendarISOWeeks, format, max, startOfDay, startOfISOWeek, subWeeks } from 'date-fns'
import { timeDay } from 'd3-time'
import { Download } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { minutesByDay, type Sitting } from '../../../core/index.ts'
import { DaysAtWork } from '../../drawing/DaysAtWork.tsx'
import { download } from '../../store/exporting.ts'
import { logFile } from '../../store/logFile.ts'
import type { PieceView } from '../../store/queries.ts'
import { useWorkshopLog, type PieceLog } from '../../store/workshopLog.ts'
import { Header } from '../../ui/Header.tsx'
import { Opening } from '../../ui/Opening.tsx'
import { useElementSize } from '../../ui/useElementSize.ts'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { pieceAddress, pieceTitle } from '../../words/pieceWords.ts'
import { roundsFromTo } from '../../words/roundWords.ts'
import { duration, sts } from '../../words/wording.ts'
import { PieceTold } from './PieceTold.tsx'

/** What was done and when: days at the hook, sittings, and for each piece how long the next one takes. */
export function LogScreen() {
  usePageTitle('Log')
  const logs = useWorkshopLog()
  return (
    <div className="flex min-h-dvh flex-col">
      <Header />
      {logs === undefined ? <Opening /> : logs.length === 0 ? <NothingYet /> : <Told logs={logs} />}
    </div>
  )
}

function NothingYet() {
  return (
    <main className="grid content-start gap-4 p-7 max-sm:p-4">
      <h1 className="text-44 max-sm:text-36">Log</h1>
      <p className="text-18">
        Nothing was worked yet. Begin a piece, and every sitting is told here: its stitches, its time, and
        what it says of the next one.
      </p>
    </main>
  )
}

/** A sitting with the piece and the copy that it was of. */
interface SittingOf {
  readonly log: PieceLog
  readonly copy: number
  readonly sitting: Sitting
}

const WEEKS = 6
const SHOWN = 12

function Told({ logs }: { readonly logs: readonly PieceLog[] }) {
  const [chosen, setChosen] = useState<string>()
  const [all, setAll] = useState(false)
  const [chart, { width }] = useElementSize()
  const sittings = logs
    .flatMap((log) =>
      log.copies.flatMap(({ copy, sittings: own }) =>
        own.map((sitting): SittingOf => ({ log, copy: copy.number, sitting })),
      ),
    )
    .toSorted((one, other) => other.sitting.from - one.sitting.from)
  const current = logs.find(({ view }) => view.piece.id === chosen) ?? logs[0]!
  // The last weeks that have something in them, to the end of that week or to today.
  const last = new Date(sittings[0]?.sitting.to ?? Date.now())
  const earliest = startOfISOWeek(sittings.at(-1)?.sitting.from ?? last)
  const first = max([earliest, startOfISOWeek(subWeeks(last, WEEKS - 1))])
  const weeks = differenceInCalendarISOWeeks(last, first) + 1
  const minutes = minutesByDay(
    sittings.map(({ sitting }) => sitting),
    dayOf,
  )
  const days = timeDay
    .range(first, timeDay.offset(startOfDay(last), 1))
    .map((date) => ({ date, minutes: minutes.get(dayOf(date.getTime())) ?? 0 }))
  const inAll = days.reduce((sum, day) => sum + day.minutes, 0)
  const worked = days.filter((day) => day.minutes > 0).length
  const shown = all ? sittings : sittings.slice(0, SHOWN)
  return (
    <main className="grid grow grid-cols-[minmax(0,1fr)] content-start lg:content-stretch lg:grid-cols-[minmax(0,1fr)_31rem] lg:[&>*:last-child]:border-l-2 max-lg:[&>*:last-child]:border-t-2">
      <section aria-label="At the hook" className="min-w-0 px-7 pt-3 pb-6 max-sm:px-4">
        <div className="flex flex-wrap items-baseline gap-x-7 gap-y-2">
          <h1 className="text-44 max-sm:text-36">Log</h1>
          <p className="grow text-18">
            {sts(sittings.reduce((sum, { sitting }) => sum + sitting.stitches - sitting.out, 0))} in{' '}
            {sittings.length} {sittings.length === 1 ? 'sitting' : 'sittings'};{' '}
            {weeks === 1 ? 'this week' : `in ${weeks} weeks`} {duration(inAll * 60)} on {worked}{' '}
            {worked === 1 ? 'day' : 'days'}.
          </p>
          <button
            type="button"
            className="button-line flex items-center gap-2"
            onClick={() => download('log.csv', logFile(logs), 'text/csv')}
          >
            <Download aria-hidden size={18} /> As a table
          </button>
        </div>
        <h2 className="pt-4 text-14 text-ink-2">Minutes at the hook, day by day</h2>
        <div ref={chart} className="min-w-0 overflow-hidden">
          {width > 0 && <DaysAtWork days={days} width={width} sayDay={(date) => format(date, 'd MMM')} />}
        </div>
        <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Sittings">
          <table className="w-full border-collapse text-left text-16">
            <thead>
              <tr className="border-b-2 rule text-14 text-ink-2 [&>th]:pr-4 [&>th]:pb-1 [&>th]:font-normal">
                <th scope="col">When</th>
                <th scope="col">Piece</th>
                <th scope="col" className="max-sm:hidden">
                  Rounds
                </th>
                <th scope="col" className="text-right">
                  sts
                </th>
                <th scope="col" className="text-right max-sm:hidden">
                  out
                </th>
                <th scope="col" className="text-right">
                  at work
                </th>
              </tr>
            </thead>
            <tbody className="tabular">
              {shown.map(({ log: { view }, copy, sitting }) => (
                <tr
                  key={`${sitting.copyId} ${sitting.from}`}
                  className="border-b border-hair [&>td]:py-1 [&>td]:pr-4"
                >
                  <td className="whitespace-nowrap">
                    <span className="max-sm:hidden">{format(sitting.from, 'EEE')} </span>
                    {format(sitting.from, 'd MMM')}
                    <span className="max-sm:block max-sm:text-14"> {format(sitting.from, 'HH:mm')}</span>
                  </td>
                  <td className="min-w-32">
                    <Link
                      className="inline-flex items-center underline underline-offset-4 max-lg:min-h-11 large:min-h-11"
                      to={`${pieceAddress(view, 'work')}?copy=${copy}`}
                    >
                      {pieceTitle(view)}
                      {view.piece.quantity > 1 && ` no. ${copy}`}
                    </Link>
                  </td>
                  <td className="whitespace-nowrap max-sm:hidden">{sayRounds(view, sitting.rounds)}</td>
                  <td className="slab text-right">{sitting.stitches}</td>
                  <td className="text-right max-sm:hidden">{sitting.out > 0 ? sitting.out : ''}</td>
                  <td className="text-right whitespace-nowrap">{duration(sitting.worked / 1000)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        {sittings.length > SHOWN && (
          <button type="button" className="button-line mt-3" onClick={() => setAll(!all)}>
            {all ? 'The latest alone' : `All ${sittings.length} sittings`}
          </button>
        )}
      </section>
      <PieceTold logs={logs} log={current} onChoose={setChosen} />
    </main>
  )
}

const dayOf = (at: number): string => format(at, 'yyyy-MM-dd')

/** By the plan that it goes by now: rounds are called there as they are worked. */
const sayRounds = ({ versions }: PieceView, [first, last]: readonly [number, number]): string =>
  roundsFromTo(versions.at(-1)!.plan, first, last)
