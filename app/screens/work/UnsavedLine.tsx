import { format } from 'date-fns'
import type { LogEvent } from '../../../core/index.ts'
import { download } from '../../store/exporting.ts'

/** Storing failed: says so, goes on counting, and offers what is not stored as a file. */
export function UnsavedLine({ since, events }: { since: number; events: readonly LogEvent[] }) {
  return (
    <div role="alert" className="flex flex-wrap items-center gap-4 border-b-2 rule px-7 py-1.5 max-sm:px-4">
      <p className="grow text-18">
        <strong>Not saved since {format(since, 'HH:mm')}.</strong> Counting goes on; the disk may be full.
      </p>
      <button
        type="button"
        className="button-line"
        onClick={() =>
          download(`log-${format(since, 'yyyy-MM-dd-HHmm')}.json`, JSON.stringify(events, null, 2))
        }
      >
        Download log
      </button>
    </div>
  )
}
