import {
  attempt,
  pieceProgress,
  planPiece,
  specOf,
  type Answer,
  type CopyProgress,
  type PieceProgress,
  type PieceSpec,
  type Plan,
  type WorkshopSettings,
  type WorkState,
} from '../../../core/index.ts'
import { useStored } from '../../store/liveQueries.ts'
import type { PieceView } from '../../store/queries.ts'
import { readWorkState } from '../../store/workSession.ts'

/** A project as the shelf shows it. */
export interface ShelfRow {
  readonly view: PieceView
  readonly copies: readonly CopyProgress[]
  /** What is to be shown of it, or why it cannot be: another piece is shown all the same. */
  readonly planned: Answer<{
    readonly plan: Plan
    readonly spec: PieceSpec
    readonly progress: PieceProgress
  }>
  readonly stage: Stage
}

export type Stage = 'underWay' | 'planned' | 'finished'

/** Rows for all projects, with how far each copy is; read again when anything is worked. */
export function useShelfRows(views: readonly PieceView[] | undefined, settings: WorkshopSettings) {
  const copyIds = views?.flatMap(({ copies }) => copies.map(({ id }) => id)).join(' ')
  const positions = useStored(['positions', copyIds], ['events'], async () => {
    const copies = views?.flatMap((view) => view.copies) ?? []
    const states = await Promise.allSettled(copies.map((copy) => readWorkState(copy)))
    return new Map(copies.map(({ id }, index) => [id, states[index]!]))
  })
  if (!views || !positions) return undefined
  return views.map((view): ShelfRow => {
    const worked = attempt(() => copiesOf(view, positions))
    const copies = worked.ok ? worked.value : []
    const planned = attempt(() => {
      if (!worked.ok) throw new Error('its work log does not add up')
      const { plan, spec } = planOf(view, settings)
      return { plan, spec, progress: pieceProgress(plan, view.piece.quantity, copies) }
    })
    return { view, copies, planned, stage: stageOf(copies, view.piece.quantity) }
  })
}

/** Rows that belong to one project stand together. */
export function byProject(rows: readonly ShelfRow[]): ShelfRow[][] {
  const groups = new Map<string, ShelfRow[]>()
  for (const row of rows) {
    const { id } = row.view.project
    groups.set(id, [...(groups.get(id) ?? []), row])
  }
  return [...groups.values()]
}

/** How far each copy is. Throws when the log of one cannot be read. */
function copiesOf(
  { copies, versions }: PieceView,
  positions: ReadonlyMap<string, PromiseSettledResult<WorkState>>,
): CopyProgress[] {
  return copies.flatMap(({ id, number, planVersion }): CopyProgress[] => {
    const read = positions.get(id)
    if (read?.status === 'rejected') throw read.reason
    const pinned = versions.find(({ version }) => version === planVersion)
    if (!read || !pinned) return []
    const { finished, position } = read.value
    return [{ number, plan: pinned.plan, finished, position }]
  })
}

const plans = new Map<string, { plan: Plan; spec: PieceSpec }>()

/** Plans are remembered by their spec: the shelf is opened often, and specs change seldom. */
function planOf({ piece, gauge }: PieceView, settings: WorkshopSettings) {
  const spec = specOf(piece, gauge, settings.pace)
  const key = JSON.stringify(spec)
  const known = plans.get(key) ?? { plan: planPiece(spec), spec }
  plans.set(key, known)
  return known
}

function stageOf(copies: readonly CopyProgress[], quantity: number): Stage {
  if (copies.length === 0) return 'planned'
  return copies.length >= quantity && copies.every(({ finished }) => finished) ? 'finished' : 'underWay'
}
