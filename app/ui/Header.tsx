import clsx from 'clsx'
import { Menu, Settings } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'
import { Link, NavLink } from 'react-router'
import { useProjects } from '../store/queries.ts'
import { useSizes } from './useSizes.ts'

const TAB = 'slab flex items-center px-3.5 text-20 max-sm:px-3 max-sm:text-18'

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
    <header className="flex h-[3.625rem] shrink-0 items-stretch gap-1 border-b-2 rule pr-7 pl-7 max-sm:pr-0 max-sm:pl-4">
      <Link to="/" className="slab mr-5 flex items-center text-26 tracking-tight max-sm:mr-1 max-sm:text-21">
        Uzel
      </Link>
      <nav aria-label="Main" className="flex min-w-0 grow items-stretch">
        <Tab to="/" end narrow={false}>
          Shelf
        </Tab>
        <Tab to="/gauges" narrow={projectId === undefined}>
          Gauges
        </Tab>
        <Tab to="/yarns" narrow={projectId === undefined}>
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
          clsx('flex w-11 items-center justify-center max-sm:hidden', isActive && 'bg-tape')
        }
      >
        <Settings aria-hidden size={22} />
      </NavLink>
      <PhoneMenu />
    </header>
  )
}

const PLACES = [
  ['/', 'Shelf'],
  ['/gauges', 'Gauges'],
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
        className="grid w-11 place-items-center data-[state=open]:bg-tape sm:hidden"
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
                className="flex min-h-11 items-center px-4 text-18 outline-none data-[highlighted]:bg-tape"
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
  /** Whether it stays on a narrow screen. */
  readonly narrow?: boolean
  readonly children: ReactNode
}

function Tab({ to, end = false, narrow = true, children }: TabProps) {
  return (
    <NavLink
      to={to}
      end={end}
      className={({ isActive }) =>
        clsx(TAB, !narrow && 'max-sm:hidden', isActive ? 'bg-tape text-ink' : 'text-ink-2 hover:bg-film-2')
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
                ? 'border-tape bg-film-2'
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
