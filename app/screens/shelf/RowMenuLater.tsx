import { lazy, Suspense } from 'react'
import type { RowDeeds } from './RowMenu.tsx'
import type { ShelfRow } from './useShelfRows.ts'

// Menus come after the first paint: nobody opens one before.
const Project = lazy(() => import('./RowMenu.tsx').then((m) => ({ default: m.ProjectMenu })))
const Piece = lazy(() => import('./RowMenu.tsx').then((m) => ({ default: m.PieceMenu })))

type MenuProps = RowDeeds & { readonly row: ShelfRow }

const room = <span className="size-11" />

export const ProjectMenu = (props: MenuProps) => (
  <Suspense fallback={room}>
    <Project {...props} />
  </Suspense>
)

export const PieceMenu = (props: MenuProps) => (
  <Suspense fallback={room}>
    <Piece {...props} />
  </Suspense>
)
