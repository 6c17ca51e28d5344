import { format } from 'date-fns'
import { scaleLinear } from 'd3-scale'
import type { ReactNode } from 'react'
import {
  alikeOf,
  driftOf,
  effortLeft,
  paceByStitch,
  startOf,
  timeFor,
  type FoundAgainstPlan,
} from '../../../core/index.ts'
import { FoundChart } from '../../drawing/FoundChart.tsx'
import { useSettings } from '../../store/queries.ts'
import type { CopyLog, PieceLog } from '../../store/workshopLog.ts'
import { Select } from '../../ui/Select.tsx'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { sayDrift, sayTakenOut, sayTime } from '../../words/logWords.ts'
import { MEASURE_WORDS } from '../../words/measureWords.ts'
import { pieceTitle } from '../../words/pieceWords.ts'
import { roundTitle } from '../../words/roundWords.ts'
import { duration, percent, shortName } from '../../words/wording.ts'

interface PieceToldProps {
  readonly logs: readonly PieceLog[]
  readonly log: PieceLog
  readonly onChoose: (pieceId: string) => void
}

/** What the log of a piece says of what comes: how long, how fast, and whether the hand holds its tension. */
export function PieceTold({ logs, log, onChoose }: PieceToldProps) {
  const { terms } = useSettings()
  const sizes = useSizes()
  const { view, copies } = log
  const sittings = copies.flatMap((copy) => copy.sittings)
  const plan = view.versions.at(-1)?.plan
  const next = plan && timeFor(effortLeft(plan, startOf(plan.rounds)), sittings)
  const paces = paceByStitch(sittings)
  const found = copies.flatMap((copy) => copy.found).toSorted((one, other) => one.at - other.at)
  const alike = alikeOf(found)
  const takenOut = copies.flatMap((copy) => copy.takenOut)
  return (
    <section
      aria-label="What it says of a piece"
      className="grid min-w-0 content-start gap-5 px-7 py-4 max-sm:px-4"
    >
      <Select
        label="Of which piece"
        value={view.piece.id}
        onChange={onChoose}
        choices={logs.map((one) => [one.view.piece.id, pieceTitle(one.view)] as const)}
      />
      <div>
        <h2 className="text-24 leading-tight">
          {next ? `The next one takes ${sayTime(next)}.` : 'Too little is worked to say how long one takes.'}
        </h2>
        <Copies copies={copies} log={log} />
      </div>
      {paces.length > 0 && (
        <Told title="Pace">
          {paces.map(({ stitch, stitches, seconds, sd }) => (
            <p key={stitch} className="text-18">
              <span className="slab">{shortName(stitch, terms)}</span> {seconds.toFixed(1)} s
              {sd !== undefined && ` ± ${sd.toFixed(1)} from sitting to sitting`}
              <span className="text-16 text-ink-2">, {stitches} made</span>
            </p>
          ))}
        </Told>
      )}
      <Told title="Tape against plan">
        {alike && (
          <p className="text-18">
            {alike.count} finished, {sizes.full(alike.apart)} apart {MEASURE_WORDS[alike.of].after} at the
            most ({percent(alike.share)}).
          </p>
        )}
        <p className="text-18">{sayDrift(driftOf(found), found.length)}</p>
        {found.length > 0 && <Finds found={found} />}
      </Told>
      {takenOut.length > 0 && (
        <Told title="Taken out">
          <ul className="grid gap-1 text-16">
            {takenOut.map((one) => (
              <li key={`${one.copyId} ${one.at}`}>
                <span className="text-ink-2">{format(one.at, 'd MMM')}:</span>{' '}
                {sayTakenOut(one, (round) => (plan ? roundTitle(plan, round) : `Rnd ${round}`))}.
                {one.note && <span className="block break-words">“{one.note}”</span>}
              </li>
            ))}
          </ul>
        </Told>
      )}
    </section>
  )
}

function Told({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <div className="grid gap-2 border-t-2 rule pt-2">
      <h2 className="text-20">{title}</h2>
      {children}
    </div>
  )
}

/** Copy by copy on one axis of time: what it took, and what it still takes dashed. */
function Copies({ copies, log: { view } }: { readonly copies: readonly CopyLog[]; readonly log: PieceLog }) {
  const sizes = useSizes()
  const all = copies.flatMap(({ sittings }) => sittings)
  const rows = copies.map(({ copy, sittings, position, found }) => {
    const plan = view.versions.find(({ version }) => version === copy.planVersion)?.plan
    const left = copy.finishedAt === undefined && plan ? timeFor(effortLeft(plan, position), all) : undefined
    const took = sittings.reduce((sum, { worked }) => sum + worked / 1000, 0)
    return { copy, took, left, size: found.findLast(({ finished }) => finished) }
  })
  const most = Math.max(60, ...rows.map(({ took, left }) => took + (left?.seconds ?? 0)))
  const share = scaleLinear([0, most], [0, 100])
  return (
    <ul className="grid gap-2 pt-2" aria-label="Copies">
      {rows.map(({ copy, took, left, size }) => (
        <li key={copy.id} className="grid grid-cols-[3.5rem_minmax(0,1fr)] items-center gap-x-2 text-16">
          <span className="slab">no. {copy.number}</span>
          <span className="flex h-5" aria-hidden>
            <span className="bg-ink" style={{ width: `${share(took)}%` }} />
            {left && (
              <span
                className="border-2 border-l-0 border-dashed rule"
                style={{ width: `${share(left.seconds)}%` }}
              />
            )}
          </span>
          <span className="col-start-2">
            {duration(took)}
            {left && `, ${sayTime(left)} to go`}
            {size && `; ${sayFound(size, sizes)}`}
          </span>
        </li>
      ))}
    </ul>
  )
}

/** "10.9 cm across, +0.9% of plan". */
function sayFound({ found, planned, of }: FoundAgainstPlan, sizes: ReturnType<typeof useSizes>): string {
  const off = found / planned - 1
  if (Math.abs(off) < 0.0005) return `${sizes.full(found)} ${MEASURE_WORDS[of].after}, as planned`
  return `${sizes.full(found)} ${MEASURE_WORDS[of].after}, ${off < 0 ? '−' : '+'}${percent(Math.abs(off))} against plan`
}

function Finds({ found }: { readonly found: readonly FoundAgainstPlan[] }) {
  const [room, { width }] = useElementSize()
  const sizes = useSizes()
  return (
    <div ref={room} className="min-w-0 overflow-hidden">
      {width > 0 && <FoundChart found={found} width={width} />}
      <ul className="visually-hidden">
        {found.map((one) => (
          <li key={`${one.copyId} ${one.at}`}>
            {format(one.at, 'd MMM')}: {sayFound(one, sizes)}
          </li>
        ))}
      </ul>
    </div>
  )
}
