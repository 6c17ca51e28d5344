import clsx from 'clsx'
import { ArrowLeft, Plus } from 'lucide-react'
import { useEffect } from 'react'
import { Link, Navigate, useNavigate, useParams, useSearchParams } from 'react-router'
import { gaugeOf, isMeasured, UNMEASURED_GAUGE, type GaugeRecord } from '../../../core/index.ts'
import { freshId } from '../../store/database.ts'
import { saveGauge } from '../../store/mutations.ts'
import { useGauges, usePiece } from '../../store/queries.ts'
import { useRemembered } from '../../store/remembered.ts'
import { Header } from '../../ui/Header.tsx'
import { InstrumentBar } from '../../ui/InstrumentBar.tsx'
import { Opening } from '../../ui/Opening.tsx'
import { say } from '../../ui/toasts.tsx'
import { GaugePage } from './GaugePage.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { pieceAddress, pieceTitle } from '../../words/pieceWords.ts'

/** The gauge book: every gauge, and the one that is open. */
export function GaugesScreen() {
  const { gaugeId } = useParams()
  const [search] = useSearchParams()
  const from = usePiece(search.get('from') ?? undefined)
  const gauges = useGauges()
  const [last, setLast] = useRemembered<string>('lastGauge', '', say)
  const navigate = useNavigate()
  const open = gauges?.find(({ id }) => id === gaugeId)
  usePageTitle(open?.name, 'Gauge book')
  useEffect(() => {
    if (open && last !== undefined && last !== open.id) setLast(open.id)
  })
  const begin = async () => {
    const gauge: GaugeRecord = { ...UNMEASURED_GAUGE, id: freshId(), name: 'New gauge' }
    await saveGauge(gauge)
    await navigate(`/gauges/${gauge.id}`)
  }
  const known = gauges?.find(({ id }) => id === last) ?? gauges?.[0]
  return (
    <div className="flex min-h-dvh flex-col">
      <Header>
        {gauges && gauges.length > 0 && <GaugeStrip gauges={gauges} open={open?.id} />}
        <button
          type="button"
          className="slab ml-auto flex shrink-0 items-center gap-1 px-3 text-18 hover:bg-film-2"
          onClick={() => void begin()}
        >
          <Plus aria-hidden size={20} />{' '}
          <span aria-hidden className="max-sm:large:hidden">
            New
          </span>
          <span className="visually-hidden">New gauge</span>
        </button>
      </Header>
      {!gauges || last === undefined ? (
        <Opening />
      ) : open ? (
        <>
          {from && (
            <p className="border-b-2 rule px-7 py-1 max-sm:px-4">
              <Link
                to={pieceAddress(from, 'plan')}
                className="slab flex min-h-11 items-center gap-2 text-18 underline underline-offset-4"
              >
                <ArrowLeft aria-hidden size={20} /> Back to {pieceTitle(from)}
              </Link>
            </p>
          )}
          <GaugeSelect gauges={gauges} open={open.id} />
          <GaugePage key={open.id} record={open} />
          <InstrumentBar />
        </>
      ) : gaugeId === undefined && known ? (
        <Navigate to={`/gauges/${known.id}`} replace />
      ) : (
        <NoGauge missing={gaugeId !== undefined} onBegin={() => void begin()} />
      )}
    </div>
  )
}

function NoGauge({ missing, onBegin }: { missing: boolean; onBegin: () => void }) {
  return (
    <main className="grid max-w-2xl justify-items-start gap-4 p-7 max-sm:p-4">
      <h1 className="text-36">{missing ? 'This gauge is not in the book' : 'No gauge yet'}</h1>
      <p className="text-18">
        Work 12 sts by 12 rows of what you have at hand, and count them. Every size Uzel tells comes from
        that.
      </p>
      <div className="flex flex-wrap gap-3">
        <button type="button" className="button-ink" onClick={onBegin}>
          Begin a gauge
        </button>
        {missing && (
          <Link to="/gauges" className="button-line">
            To the gauge book
          </Link>
        )}
      </div>
    </main>
  )
}

/** Gauges as their stitch, at one scale; a guess is only dashes. */
function GaugeStrip({ gauges, open }: { gauges: readonly GaugeRecord[]; open: string | undefined }) {
  return (
    <ul className="ml-3 flex min-w-0 items-stretch overflow-hidden max-lg:hidden">
      {gauges.map((gauge) => (
        <li key={gauge.id} className="flex max-w-44 min-w-0">
          <Link
            to={`/gauges/${gauge.id}`}
            aria-current={gauge.id === open ? 'page' : undefined}
            className={clsx(
              'flex min-w-0 items-center gap-2 border-b-[5px] px-3 text-14 leading-tight',
              gauge.id === open
                ? 'border-ink bg-film-2 font-bold'
                : 'border-transparent text-ink-2 hover:bg-film-2',
            )}
          >
            <OneStitch gauge={gauge} />
            <span className="line-clamp-2">{gauge.name}</span>
          </Link>
        </li>
      ))}
    </ul>
  )
}

/** Pixels in a millimetre of the little stitches. */
const ICON_SCALE = 1.7

function OneStitch({ gauge }: { gauge: GaugeRecord }) {
  const { w, h } = gaugeOf(gauge)
  return (
    <svg width={24} height={26} aria-hidden className="shrink-0">
      <rect
        x={12 - (w * ICON_SCALE) / 2}
        y={13 - (h * ICON_SCALE) / 2}
        width={w * ICON_SCALE}
        height={h * ICON_SCALE}
        rx={3}
        fill="var(--color-fog)"
        stroke="var(--color-ink)"
        strokeWidth={1.4}
        strokeDasharray={isMeasured(gauge) ? undefined : '3 2.4'}
      />
    </svg>
  )
}

/** The same choice where the header has no room for it. */
function GaugeSelect({ gauges, open }: { gauges: readonly GaugeRecord[]; open: string }) {
  const navigate = useNavigate()
  return (
    <label className="grid gap-1 border-b-2 rule px-7 py-2 max-sm:px-4 lg:hidden">
      <span className="text-14 text-ink-2">Gauge</span>
      <select
        className="field"
        value={open}
        onChange={(event) => void navigate(`/gauges/${event.target.value}`)}
      >
        {gauges.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  )
}
