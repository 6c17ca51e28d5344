import {
  pieceProgress,
  planPiece,
  specOf,
  SpecError,
  type CopyProgress,
  type PieceProgress,
  type PieceSpec,
  type Plan,
  type WorkshopSettings,
} from '../../../core/index.ts'
import { useStored } from '../../store/liveQueries.ts'
import type { ProjectView } from '../../store/queries.ts'
import { readWorkState } from '../../store/workSession.ts'

/** A project as the shelf shows it. */
export interface ShelfRow {
  readonly view: ProjectView
  readonly copies: readonly CopyProgress[]
  /** Absent when the piece cannot be planned. */
  readonly planned?: { readonly plan: Plan; readonly spec: PieceSpec; readonly progress: PieceProgress }
  readonly stage: Stage
}

export type Stage = 'underWay' | 'planned' | 'finished'

/** Rows for all projects, with how far each copy is; read again when anything is worked. */
export function useShelfRows(views: readonly ProjectView[] | undefined, settings: WorkshopSettings) {
  const copyIds = views?.flatMap(({ copies }) => copies.map(({ id }) => id)).join(' ')
  const positions = useStored(['positions', copyIds], ['events'], async () => {
    const copies = views?.flatMap((view) => view.copies) ?? []
    const states = await Promise.all(copies.map((copy) => readWorkState(copy)))
    return new Map(copies.map(({ id }, index) => [id, states[index]!]))
  })
  if (!views || !positions) return undefined
  return views.map((view): ShelfRow => {
    const copies = view.copies.flatMap(({ id, number, planVersion }): CopyProgress[] => {
      const state = positions.get(id)
      const pinned = view.versions.find(({ version }) => version === planVersion)
      return state && pinned
        ? [{ number, plan: pinned.plan, finished: state.finished, position: state.position }]
        : []
    })
    const planned = planOf(view, settings)
    return {
      view,
      copies,
      planned: planned && { ...planned, progress: pieceProgress(planned.plan, view.piece.quantity, copies) },
      stage: stageOf(copies, view.piece.quantity),
    }
  })
}

const plans = new Map<string, { plan: Plan; spec: PieceSpec }>()

/** Plans are remembered by their spec: the shelf is opened often, and specs change seldom. */
function planOf({ piece, gauge }: ProjectView, settings: WorkshopSettings) {
  try {
    const spec = specOf(piece, gauge, settings.pace)
    const key = JSON.stringify(spec)
    const known = plans.get(key) ?? { plan: planPiece(spec), spec }
    plans.set(key, known)
    return known
  } catch (error) {
    if (error instanceof SpecError) return undefined
    throw error
  }
}

function stageOf(copies: readonly CopyProgress[], quantity: number): Stage {
  if (copies.length === 0) return 'planned'
  return copies.length >= quantity && copies.every(({ finished }) => finished) ? 'finished' : 'underWay'
}
