import clsx from 'clsx'
import { Settings } from 'lucide-react'
import { lazy, Suspense, type ReactNode } from 'react'
import { Link, NavLink } from 'react-router'
import { usePieces, type PieceView } from '../store/queries.ts'
import { pieceAddress, pieceTitle, projectAddress } from '../words/pieceWords.ts'
import { sayFormShort } from '../words/formWords.ts'
import { useSizes } from './useSizes.ts'

/** Menus come so long after the page: what is read first goes before, and nobody opens one sooner. */
const MENU_AFTER_MS = 1000
const opened = new Promise<void>((resolve) => {
  const later = () => setTimeout(resolve, MENU_AFTER_MS)
  if (document.readyState === 'complete') later()
  else window.addEventListener('load', later, { once: true })
})
const PhoneMenu = lazy(async () => {
  await opened
  return { default: (await import('./PhoneMenu.tsx')).PhoneMenu }
})

const TAB =
  'slab flex items-center px-3.5 sm:whitespace-nowrap text-20 max-lg:px-2.5 max-lg:text-18 max-sm:px-3 max-sm:text-18 max-sm:large:px-1.5 max-sm:large:text-16'

interface HeaderProps {
  /** The piece whose Plan, Work and Check can be opened. */
  readonly view?: PieceView
  /** Whether the strip of pieces is shown. */
  readonly recent?: boolean
  readonly children?: ReactNode
}

/** One header everywhere: the shelf in one step, recent pieces, and the views of this piece. */
export function Header({ view, recent = true, children }: HeaderProps) {
  // What is one of several becomes one with them.
  const several = view !== undefined && (view.pieces.length > 1 || view.piece.quantity > 1)
  // At the hook the piece and which copy it is take the room.
  const stock = view === undefined ? 'notLarge' : recent ? 'roomy' : 'wide'
  return (
    <header className="flex h-[3.625rem] shrink-0 items-stretch gap-1 border-b-2 lying:h-11 rule pr-7 pl-7 tight:pr-0 max-sm:pl-4">
      <SkipLink />
      <Link
        to="/"
        className={clsx(
          'slab mr-5 flex items-center text-26 tracking-tight max-sm:mr-1 max-sm:text-21',
          view && 'max-sm:large:hidden',
        )}
      >
        Uzel
      </Link>
      <nav aria-label="Main" className="flex min-w-0 grow items-stretch overflow-hidden">
        <Tab to="/" end shown="roomy">
          Shelf
        </Tab>
        <Tab to="/gauges" shown={stock}>
          Gauge book
        </Tab>
        <Tab to="/yarns" shown={stock}>
          Yarns
        </Tab>
        <Tab to="/log" shown="wide">
          Log
        </Tab>
        {view && recent && <PieceStrip current={view} />}
        {children}
      </nav>
      {view && (
        <nav aria-label="This piece" className="flex items-stretch">
          {several && (
            <Tab to={projectAddress(view)} shown="roomy">
              Pieces
            </Tab>
          )}
          {view.piece.source && (
            <Tab to={pieceAddress(view, 'text')} shown="roomy">
              Text
            </Tab>
          )}
          <Tab to={pieceAddress(view, 'plan')}>Plan</Tab>
          <Tab to={pieceAddress(view, 'work')}>Work</Tab>
          <Tab to={pieceAddress(view, 'check')}>Check</Tab>
        </nav>
      )}
      <NavLink
        to="/settings"
        aria-label="Settings"
        className={({ isActive }) =>
          clsx('flex w-11 shrink-0 items-center justify-center tight:hidden', isActive && 'bg-tape')
        }
      >
        <Settings aria-hidden size={22} />
      </NavLink>
      <Suspense fallback={<span className="hidden w-11 shrink-0 tight:block" />}>
        <PhoneMenu
          {...(several && view ? { pieces: projectAddress(view) } : {})}
          {...(view?.piece.source ? { text: pieceAddress(view, 'text') } : {})}
        />
      </Suspense>
    </header>
  )
}

/** For keys and screen readers: past the header in one step. */
function SkipLink() {
  return (
    <button
      type="button"
      className="skip slab absolute top-1 left-1 z-50 bg-ink px-4 py-2 text-20 text-film"
      onClick={() => {
        const main = document.querySelector('main')
        main?.setAttribute('tabindex', '-1')
        main?.focus()
      }}
    >
      To the content
    </button>
  )
}

interface TabProps {
  readonly to: string
  readonly end?: boolean
  /**
   * `roomy` goes into the menu in a tight room; `notLarge` only on a phone in large print; `wide` needs a desk in usual
   * print.
   */
  readonly shown?: 'always' | 'roomy' | 'notLarge' | 'wide'
  readonly children: ReactNode
}

function Tab({ to, end = false, shown = 'always', children }: TabProps) {
  return (
    <NavLink
      to={to}
      end={end}
      className={({ isActive }) =>
        clsx(
          TAB,
          shown === 'roomy' && 'tight:hidden',
          shown === 'notLarge' && 'max-sm:large:hidden',
          shown === 'wide' && 'tight:hidden max-lg:hidden large:hidden',
          isActive ? 'bg-tape text-ink' : 'text-ink-2 hover:bg-film-2',
        )
      }
    >
      {children}
    </NavLink>
  )
}

const MOST_IN_STRIP = 4

/** The pieces of this project, where it has several; else the projects touched last, this one among them. */
function PieceStrip({ current }: { current: PieceView }) {
  const sizes = useSizes()
  const all = usePieces() ?? []
  const together = current.pieces.length > 1
  const shown = together
    ? all.filter(({ project }) => project.id === current.project.id)
    : all.filter(({ piece, pieces }) => piece.id === pieces[0]!.id).slice(0, MOST_IN_STRIP)
  return (
    <ul
      aria-label={together ? `Pieces of ${current.project.name}` : 'Pieces touched last'}
      className={clsx(
        'ml-3 flex min-w-0 items-stretch max-lg:hidden',
        together ? 'overflow-x-auto' : 'overflow-hidden',
      )}
    >
      {shown.map((view) => {
        const here = view.piece.id === current.piece.id
        const { quantity, form, name } = view.piece
        return (
          <li key={view.piece.id} className="flex max-w-44 min-w-0">
            <Link
              to={pieceAddress(view, 'plan')}
              className={clsx(
                'flex min-w-0 flex-col justify-center border-b-[5px] px-3 text-14 leading-tight',
                here ? 'border-ink bg-film-2' : 'border-transparent text-ink-2 hover:bg-film-2',
              )}
              aria-label={together ? pieceTitle(view) : undefined}
              aria-current={here ? 'true' : undefined}
            >
              <span className={clsx('truncate', here && 'font-bold')}>
                {together ? name : view.project.name}
              </span>
              <span className="truncate">
                {sayFormShort(form, sizes)}
                {quantity > 1 && `, ${quantity}`}
              </span>
            </Link>
          </li>
        )
      })}
    </ul>
  )
}
