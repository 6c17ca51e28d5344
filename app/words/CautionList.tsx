import clsx from 'clsx'
import type { Caution } from '../../core/index.ts'
import { CAUTION_WORDS } from '../words/cautionWords.ts'

interface CautionListProps {
  readonly cautions: readonly Caution[]
  /** Codes that were marked as read. */
  readonly read: readonly string[]
  /** Marks one as read, or as not read; without it the list is only shown. */
  readonly onRead?: (code: Caution['code'], read: boolean) => void
}

/** Cautions in plain type under a rule: a bold opening, then what to do. None of them blocks anything. */
export function CautionList({ cautions, read, onRead }: CautionListProps) {
  return (
    <ul className="grid">
      {cautions.map(({ code }) => {
        const [opening, rest] = CAUTION_WORDS[code]
        const seen = read.includes(code)
        return (
          <li
            key={code}
            className={clsx(
              'flex items-start gap-3 border-t rule py-1.5 text-16 leading-snug',
              seen && 'text-ink-2',
            )}
          >
            <p className="min-w-0 grow">
              <strong>{opening}</strong> {rest}
            </p>
            {onRead && (
              <label className="flex min-h-8 shrink-0 items-center gap-2 text-14">
                <input
                  type="checkbox"
                  className="size-5 accent-ink"
                  aria-label={`Read: ${opening}`}
                  checked={seen}
                  onChange={({ target: { checked } }) => onRead(code, checked)}
                />
                read
              </label>
            )}
          </li>
        )
      })}
    </ul>
  )
}
