import { Menu } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { Link } from 'react-router'

const PLACES = [
  ['/', 'Shelf'],
  ['/gauges', 'Gauge book'],
  ['/yarns', 'Yarns'],
  ['/log', 'Log'],
  ['/measure', 'Ruler'],
  ['/sheet', 'Measuring sheet'],
  ['/settings', 'Settings'],
] as const

/** Everywhere in one step, where the header has no room for it. */
export function PhoneMenu({ pieces, text }: { readonly pieces?: string; readonly text?: string }) {
  const own = [
    ...(text === undefined ? [] : ([[text, 'Text of this']] as const)),
    ...(pieces === undefined ? [] : ([[pieces, 'Pieces of this']] as const)),
  ]
  const places = [...own, ...PLACES]
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
          {places.map(([to, name]) => (
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
