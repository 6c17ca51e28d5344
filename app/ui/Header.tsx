import clsx from 'clsx'
import { Menu, Settings } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'
import { Link, NavLink } from 'react-router'
import { useProjects } from '../store/queries.ts'
import { useSizes } from './useSizes.ts'

const TAB =
  'slab flex items-center px-3.5 text-20 max-sm:px-3 max-sm:text-18 max-sm:large:px-1.5 max-sm:large:text-16'

interface HeaderProps {
  /** The piece whose Plan and Work can be opened. */
  readonly projectId?: string
  /** Whether the strip of recent pieces is shown. */
  readonly recent?: boolean
  readonly children?: ReactNode
}

/** One header everywhere: the shelf in one step, recent pieces, and the views of this piece. */
export function Header({ projectId, recent = true, children }: HeaderProps) {
  return (
    <header className="flex h-[3.625rem] shrink-0 items-stretch gap-1 border-b-2 rule pr-7 pl-7 tight:pr-0 max-sm:pl-4">
      <SkipLink />
      <Link
        to="/"
        className={clsx(
          'slab mr-5 flex items-center text-26 tracking-tight max-sm:mr-1 max-sm:text-21',
          projectId && 'max-sm:large:hidden',
        )}
      >
        Uzel
      </Link>
      <nav aria-label="Main" className="flex min-w-0 grow items-stretch overflow-hidden">
        <Tab to="/" end shown="roomy">
          Shelf
        </Tab>
        <Tab to="/gauges" shown={projectId === undefined ? 'notLarge' : 'roomy'}>
          Gauge book
        </Tab>
        <Tab to="/yarns" shown={projectId === undefined ? 'notLarge' : 'roomy'}>
          Yarns
        </Tab>
        {projectId && recent && <RecentPieces current={projectId} />}
        {children}
      </nav>
      {projectId && (
        <nav aria-label="This piece" className="flex items-stretch">
          <Tab to={`/piece/${projectId}/plan`}>Plan</Tab>
          <Tab to={`/piece/${projectId}/work`}>Work</Tab>
          <Tab to={`/piece/${projectId}/check`}>Check</Tab>
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
      <PhoneMenu />
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

const PLACES = [
  ['/', 'Shelf'],
  ['/gauges', 'Gauge book'],
  ['/yarns', 'Yarns'],
  ['/measure', 'Ruler'],
  ['/sheet', 'Measuring sheet'],
  ['/settings', 'Settings'],
] as const

/** Everywhere in one step, where the header has no room for it. */
function PhoneMenu() {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        className="hidden w-11 shrink-0 place-items-center data-[state=open]:bg-film-2 tight:grid"
        aria-label="Menu"
      >
        <Menu aria-hidden size={24} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="z-30 min-w-52 border-2 rule bg-film">
          {PLACES.map(([to, name]) => (
            <DropdownMenu.Item key={to} asChild>
              <Link
                to={to}
                className="flex min-h-11 items-center px-4 text-18 outline-none data-[highlighted]:bg-film-2"
              >
                {name}
              </Link>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

interface TabProps {
  readonly to: string
  readonly end?: boolean
  /** `roomy` goes into the menu in a tight room; `notLarge` only on a phone in large print. */
  readonly shown?: 'always' | 'roomy' | 'notLarge'
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
          isActive ? 'bg-tape text-ink' : 'text-ink-2 hover:bg-film-2',
        )
      }
    >
      {children}
    </NavLink>
  )
}

const MOST_RECENT = 4

/** The pieces touched last, this one among them; the rest are on the shelf. */
function RecentPieces({ current }: { current: string }) {
  const sizes = useSizes()
  const recent = useProjects()?.slice(0, MOST_RECENT) ?? []
  return (
    <ul className="ml-3 flex min-w-0 items-stretch overflow-hidden max-lg:hidden">
      {recent.map(({ project, piece }) => (
        <li key={project.id} className="flex max-w-44 min-w-0">
          <Link
            to={`/piece/${project.id}/plan`}
            className={clsx(
              'flex min-w-0 flex-col justify-center border-b-[5px] px-3 text-14 leading-tight',
              project.id === current
                ? 'border-ink bg-film-2'
                : 'border-transparent text-ink-2 hover:bg-film-2',
            )}
            aria-current={project.id === current ? 'true' : undefined}
          >
            <span className={clsx('truncate', project.id === current && 'font-bold')}>{project.name}</span>
            <span className="truncate">
              {sizes.full(piece.shape.across)}
              {piece.quantity > 1 && `, ${piece.quantity}`}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  )
}
