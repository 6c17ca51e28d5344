import {
  attempt,
  pieceProgress,
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
import { askPlanner, startPlanner } from '../../store/planner.ts'
import type { PlanVersion } from '../../store/planVersions.ts'
import type { PieceView } from '../../store/queries.ts'
import { readWorkState } from '../../store/workSession.ts'
import { nextTurn } from '../../ui/nextTurn.ts'

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
      const answer = plannedOf(view, settings)!
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

/**
 * Has what the shelf shows planned and laid out away from the screen, all of it at once; where that cannot be had, it
 * is planned here.
 */
function usePlansAhead(views: readonly PieceView[] | undefined, settings: WorkshopSettings): boolean {
  const [, done] = useReducer((times: number) => times + 1, 0)
  useEffect(startPlanner, [])
  const ready = views?.every((view) => isReady(view, settings)) ?? false
  useEffect(() => {
    if (ready || !views) return
    let wanted = true
    void (async () => {
      const answers: Promise<void>[] = []
      for (const view of views) {
        // Each is asked in a turn of its own: what is asked travels as a copy.
        await nextTurn()
        if (!wanted) return
        answers.push(...answersFor(view, settings))
      }
      await Promise.all(answers)
      if (wanted) startTransition(done)
    })()
    return () => {
      wanted = false
    }
  }, [views, settings, ready])
  return ready
}

/** What was asked for already: a plan by what it is made from, a version by itself. */
const asked = new Map<string | PlanVersion, Promise<void>>()
/** Versions that were laid out, or cannot be: those say so where they are shown. */
const given = new WeakSet<PlanVersion>()

const isReady = (view: PieceView, settings: WorkshopSettings): boolean =>
  plannedOf(view, settings) !== undefined &&
  view.versions.every((version) => version.isLaid || given.has(version))

/** The answers that are still to come for a piece; what nobody has asked for is asked for now. */
function answersFor(view: PieceView, settings: WorkshopSettings): Promise<void>[] {
  const once = (what: string | PlanVersion, ask: () => Promise<void>) => {
    const answer = asked.get(what) ?? ask().finally(() => asked.delete(what))
    asked.set(what, answer)
    return answer
  }
  const waiting = view.versions.filter((version) => !version.isLaid && !given.has(version))
  return [
    ...(plannedOf(view, settings) ? [] : [once(keyOf(view, settings), () => planAway(view, settings))]),
    ...waiting.map((version) => once(version, () => layAway(version))),
  ]
}

/** Whatever comes of it, it is not tried again here. */
async function layAway(version: PlanVersion): Promise<void> {
  await version.layAway().catch(() => undefined)
  given.add(version)
}

async function planAway(view: PieceView, settings: WorkshopSettings): Promise<void> {
  const { piece, gauge, others } = view
  try {
    plans.set(
      keyOf(view, settings),
      await askPlanner<Answer<Planned>>((planner) => planner.planPiece(piece, gauge, settings.pace, others)),
    )
  } catch {
    const { planHere } = await import('../../store/planHere.ts')
    plans.set(keyOf(view, settings), planHere(view, settings))
  }
}

function stageOf(copies: readonly CopyProgress[], quantity: number): Stage {
  if (copies.length === 0) return 'planned'
  return copies.length >= quantity && copies.every(({ finished }) => finished) ? 'finished' : 'underWay'
}
