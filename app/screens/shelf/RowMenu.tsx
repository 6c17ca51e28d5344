import { MoreVertical } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { ShelfRow } from './useShelfRows.ts'

/** What can be done with a project from its row, and with one of its pieces where it has several. */
export interface RowDeeds {
  readonly onOpen: (row: ShelfRow) => void
  readonly onAddPiece: (row: ShelfRow) => void
  readonly onRename: (row: ShelfRow, what: 'project' | 'piece') => void
  readonly onDuplicate: (row: ShelfRow) => void
  readonly onExport: (row: ShelfRow) => void
  readonly onDelete: (row: ShelfRow) => void
  readonly onTakeOut: (row: ShelfRow) => void
}

type Item = readonly [words: string, run: () => void]

/** Of a project. Its plan is opened from here only where it has one piece alone. */
export function ProjectMenu({ row, ...deeds }: RowDeeds & { readonly row: ShelfRow }) {
  const { project, pieces } = row.view
  const several = pieces.length > 1
  return (
    <Menu
      of={project.name}
      items={[
        ...(several ? [] : ([['Open the plan', () => deeds.onOpen(row)]] as const)),
        ['Add a piece', () => deeds.onAddPiece(row)],
        [several ? 'Rename the project' : 'Rename', () => deeds.onRename(row, 'project')],
        ['Duplicate', () => deeds.onDuplicate(row)],
        ['Export as a file', () => deeds.onExport(row)],
        [several ? `Delete all ${pieces.length} pieces` : 'Delete', () => deeds.onDelete(row)],
      ]}
    />
  )
}

/** Of one piece among several. */
export function PieceMenu({ row, ...deeds }: RowDeeds & { readonly row: ShelfRow }) {
  return (
    <Menu
      of={`${row.view.project.name}, ${row.view.piece.name}`}
      items={[
        ['Open the plan', () => deeds.onOpen(row)],
        ['Rename the piece', () => deeds.onRename(row, 'piece')],
        ['Take it out of the project', () => deeds.onTakeOut(row)],
      ]}
    />
  )
}

function Menu({ of, items }: { readonly of: string; readonly items: readonly Item[] }) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        className="grid size-11 place-items-center hover:bg-film"
        aria-label={`More for ${of}`}
      >
        <MoreVertical aria-hidden size={22} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="z-30 min-w-48 border-2 rule bg-film">
          {items.map(([words, run]) => (
            <DropdownMenu.Item
              key={words}
              className="flex min-h-11 items-center px-4 text-18 outline-none data-[highlighted]:bg-film-2"
              onSelect={run}
            >
              {words}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
