import { CornerUpLeft, Lock } from 'lucide-react'
import { undo } from '../../../core/index.ts'
import type { Deed } from '../../store/workSession.ts'

interface WorkBarProps {
  readonly canUndo: boolean
  readonly act: (deed: Deed) => void
  readonly onNote: () => void
  readonly onGoTo: () => void
  readonly onYarn: () => void
  readonly onKeys: () => void
  readonly onLock: () => void
  /** Finishes the round; absent when it is done. */
  readonly onRound?: () => void
  /** It is a row. */
  readonly row: boolean
}

const PLACE =
  'max-sm:large:min-h-13 slab flex min-w-0 items-center justify-center gap-2 px-6 text-24 whitespace-nowrap hover:bg-film-2 disabled:opacity-40 max-lg:px-4 lying:text-18 max-sm:px-1.5 max-sm:text-16'

/** Large targets under the thumbs. */
export function WorkBar({
  canUndo,
  act,
  onNote,
  onGoTo,
  onYarn,
  onKeys,
  onLock,
  onRound,
  row,
}: WorkBarProps) {
  return (
    <footer className="order-2 flex min-h-[4.75rem] shrink-0 lying:min-h-12 items-stretch divide-x-2 divide-ink border-t-2 rule bg-film low:sticky low:bottom-0 max-sm:large:min-h-0 max-sm:large:flex-wrap max-sm:large:divide-x-0 max-sm:[&>*]:grow">
      <button type="button" className={PLACE} disabled={!canUndo} onClick={() => act(undo)}>
        <CornerUpLeft aria-hidden className="max-sm:hidden" /> Undo
      </button>
      <button type="button" className={PLACE} onClick={onNote}>
        Note
      </button>
      <button type="button" className={PLACE} onClick={onGoTo}>
        Go to
      </button>
      <button type="button" className={PLACE} onClick={onYarn}>
        Yarn
      </button>
      <p className="grid grow place-items-center px-4 text-center text-20 text-ink-2 max-lg:hidden">
        {onRound ? 'Tap anywhere or press Space' : 'Enter goes on'}
      </p>
      {onRound && (
        <button
          type="button"
          className={`${PLACE} max-lg:ml-auto max-sm:large:order-first max-sm:large:min-h-14 max-sm:large:basis-full max-sm:large:border-b-2`}
          onClick={onRound}
        >
          End of {row ? 'row' : 'round'}
        </button>
      )}
      <button
        type="button"
        className={`${PLACE} grow-0! px-4!`}
        onClick={onLock}
        aria-label="Lock against taps"
      >
        <Lock aria-hidden size={22} />
      </button>
      <button type="button" className={`${PLACE} max-lg:hidden`} onClick={onKeys} aria-label="List of keys">
        ?
      </button>
    </footer>
  )
}
