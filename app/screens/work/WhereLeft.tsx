import { format, formatDistanceToNow } from 'date-fns'
import { sightsAt, type LogEvent, type Plan, type Position } from '../../../core/index.ts'
import { useStored } from '../../store/liveQueries.ts'
import { usePhotos } from '../../store/photos.ts'
import { useSettings } from '../../store/queries.ts'
import { latestEvents } from '../../store/workLog.ts'
import { sayUnderHook, sayWhere } from '../../words/whereWords.ts'

/** Whoever was away for so long wants to know where they were. */
const AWAY_MS = 10 * 60_000
/** Among so many of the last events a note is of what was done last. */
const LOOKED_BACK = 60

interface WhereLeftProps {
  readonly copyId: string
  readonly plan: Plan
  readonly position: Position
  readonly made: number
  readonly onHere: () => void
  readonly onFind: () => void
}

/** After a pause: when the last stitch was made, where, what the fabric shows there, and what was noted. */
export function WhereLeft({ copyId, plan, position, made, onHere, onFind }: WhereLeftProps) {
  const { terms } = useSettings()
  const events = useStored(['whereLeft', copyId], ['events'], () => latestEvents(copyId, LOOKED_BACK))
  const photo = usePhotos(copyId).at(-1)
  const last = events?.findLast(({ type }) => type !== 'start')
  const round = plan.rounds.find(({ id }) => id === position.round)
  if (!last || !round || Date.now() - last.at < AWAY_MS) return null
  const note = events?.findLast(
    (event): event is Extract<LogEvent, { type: 'note' }> => event.type === 'note',
  )
  return (
    // A phone on its side or in large print has no room to give: over the lower part of the work, until it is answered.
    <div className="order-1 shrink-0 lying:relative lying:h-0 max-sm:large:relative max-sm:large:h-0">
      <section
        aria-label="Where you left off"
        className="inset-x-0 bottom-0 z-10 lying:absolute max-sm:large:absolute flex flex-wrap items-center gap-x-6 gap-y-2 border-t-2 rule bg-film-2 px-7 py-2 max-sm:px-4"
      >
        {photo && (
          <img
            src={photo.data}
            alt="The last photo of it"
            className="max-h-24 border-2 rule lying:max-h-16 max-sm:max-h-16"
          />
        )}
        <p className="min-w-0 grow basis-80 text-18 leading-snug max-sm:text-16">
          <span className="text-ink-2">
            {formatDistanceToNow(last.at, { addSuffix: true })}, {format(last.at, 'd MMM HH:mm')}:
          </span>{' '}
          <strong>{sayWhere(round, made)}.</strong> {sayUnderHook(sightsAt(plan, position), terms)}
          {note && <span className="block truncate">“{note.text}”</span>}
        </p>
        <div className="flex gap-3">
          <button type="button" className="button-ink" onClick={onHere}>
            That is here
          </button>
          <button type="button" className="button-line" onClick={onFind}>
            Find my place
          </button>
        </div>
      </section>
    </div>
  )
}
