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
import { startTransition, useEffect, useReducer } from 'react'
import { useStored } from '../../store/liveQueries.ts'
import type { PlanVersion } from '../../store/planVersions.ts'
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
  const ready = usePlansAhead(views, settings)
  if (!views || !positions || !ready) return undefined
  return views.map((view): ShelfRow => {
    const worked = attempt(() => copiesOf(view, positions))
    const copies = worked.ok ? worked.value : []
    const planned = ((): ShelfRow['planned'] => {
      if (!worked.ok) return attempt(() => fail('its work log does not add up'))
      const answer = plannedOf(view, settings) ?? plan(view, settings)
      if (!answer.ok) return answer
      const { plan: made, spec } = answer.value
      const progress = attempt(() => pieceProgress(made, view.piece.quantity, copies))
      return progress.ok ? { ok: true, value: { plan: made, spec, progress: progress.value } } : progress
    })()
    return { view, copies, planned, stage: stageOf(copies, view.piece.quantity) }
  })
}

const fail = (message: string): never => {
  throw new Error(message)
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

interface Planned {
  readonly plan: Plan
  readonly spec: PieceSpec
}

/** Plans are remembered by what they are made from: the shelf is opened often, and pieces change seldom. */
const plans = new Map<string, Answer<Planned>>()

const keyOf = ({ piece, gauge, others }: PieceView, { pace }: WorkshopSettings) =>
  JSON.stringify([piece, gauge, others, pace])

const plannedOf = (view: PieceView, settings: WorkshopSettings) => plans.get(keyOf(view, settings))

function plan(view: PieceView, settings: WorkshopSettings): Answer<Planned> {
  const answer = attempt(() => {
    const spec = specOf(view.piece, view.gauge, settings.pace, view.others)
    return { plan: planPiece(spec), spec }
  })
  plans.set(keyOf(view, settings), answer)
  return answer
}

/** Plans and lays out what the shelf shows, a piece at a time, so that the page stays free to answer between. */
function usePlansAhead(views: readonly PieceView[] | undefined, settings: WorkshopSettings): boolean {
  const [, oneMore] = useReducer((done: number) => done + 1, 0)
  const next = views && nextTask(views, settings)
  useEffect(() => {
    if (!next) return
    const later = setTimeout(() => {
      next()
      // The shelf is drawn in slices between which the page answers.
      startTransition(oneMore)
    })
    return () => clearTimeout(later)
  })
  return views !== undefined && next === undefined
}

function nextTask(views: readonly PieceView[], settings: WorkshopSettings): (() => void) | undefined {
  for (const view of views) {
    if (!plannedOf(view, settings)) return () => plan(view, settings)
    const version = view.versions.find(({ isLaid }) => !isLaid)
    // One that cannot be laid says so where it is shown; it is not tried again here.
    if (version && !given.has(version)) return () => void (given.add(version), attempt(() => version.plan))
  }
  return undefined
}

const given = new WeakSet<PlanVersion>()

function stageOf(copies: readonly CopyProgress[], quantity: number): Stage {
  if (copies.length === 0) return 'planned'
  return copies.length >= quantity && copies.every(({ finished }) => finished) ? 'finished' : 'underWay'
}
