import {
  edgesOf,
  attempt,
  CANNOT_BE_UNDONE,
  closesOff,
  NO_FINISH,
  seamOf,
  validateJoint,
  wayToFinish,
  type EdgesOf,
  type Fault,
  type Finish,
  type FinishingStep,
  type Joint,
  type PieceToFinish,
  type ProjectRecord,
  type Seam,
  type WayToFinish,
} from '../../../core/index.ts'
import { asProject } from '../../store/onTheWay.ts'
import { useDraft } from '../../store/useDraft.ts'
import { say } from '../../ui/toasts.tsx'
import type { ShelfRow } from '../shelf/useShelfRows.ts'

/** A piece of a project that could be planned, with how far it is. */
export interface PieceOnLedge {
  readonly row: ShelfRow
  readonly plan: Extract<ShelfRow['planned'], { ok: true }>['value']['plan']
  readonly spec: Extract<ShelfRow['planned'], { ok: true }>['value']['spec']
  readonly progress: Extract<ShelfRow['planned'], { ok: true }>['value']['progress']
}

export interface PiecesModel {
  readonly project: ProjectRecord
  readonly rows: readonly ShelfRow[]
  readonly pieces: readonly PieceOnLedge[]
  readonly edges: readonly EdgesOf[]
  readonly toFinish: readonly PieceToFinish[]
  readonly finish: Finish
  readonly way: WayToFinish | undefined
  /** Why there is no way: links in a circle. */
  readonly fault: Fault | undefined
  /** Joints that no longer fit: a piece of theirs was changed since. */
  readonly misfits: ReadonlySet<string>
  readonly change: (finish: Finish) => void
}

const edgesIn = ({ row, plan }: PieceOnLedge): EdgesOf => edgesOf({ ...row.view.piece, plan })

export function usePiecesModel(rows: readonly ShelfRow[]): PiecesModel {
  const { project } = rows[0]!.view
  const [edited, changeProject] = useDraft<ProjectRecord>(project, ['pieces'], asProject, say)
  const finish = edited.finish ?? NO_FINISH
  const pieces = rows.flatMap((row) => (row.planned.ok ? [{ row, ...row.planned.value }] : []))
  const toFinish = pieces.map(({ row, plan, progress }): PieceToFinish => {
    const { id, form, quantity, fitness } = row.view.piece
    return {
      id,
      form,
      quantity,
      fitness,
      last: plan.rounds.at(-1)!.count,
      made: progress.finished >= quantity,
    }
  })
  const way = attempt(() => wayToFinish(toFinish, finish))
  const edges = pieces.map(edgesIn)
  const misfits = finish.joints.filter(
    (joint) => !attempt(() => validateJoint(edges, joint, finish.joints)).ok,
  )
  return {
    project,
    rows,
    pieces,
    edges,
    misfits: new Set(misfits.map(({ id }) => id)),
    toFinish,
    finish,
    way: way.ok ? way.value : undefined,
    fault: way.ok ? undefined : way,
    change: (next) => changeProject({ ...edited, finish: next }),
  }
}

/** What a joint takes, in the gauge of the piece that it is worked from. */
export function seamIn({ pieces }: PiecesModel, joint: Joint): Seam | undefined {
  const piece = pieces.find(({ row }) => row.view.piece.id === joint.edges[0].pieceId)
  return piece && seamOf(joint, piece.spec.gauge, piece.spec.pace)
}

/** Whether there is no way back once a step is done. */
export function isFinal({ finish, toFinish }: PiecesModel, step: FinishingStep): boolean {
  if (CANNOT_BE_UNDONE.has(step.kind)) return true
  const joint = finish.joints.find(({ id }) => id === step.joint)
  return (
    step.kind === 'join' &&
    joint !== undefined &&
    joint.filledThrough === undefined &&
    closesOff(joint, toFinish)
  )
}

/** The yarn that a joint is worked or sewn with: the one that its first piece ends in. */
export const yarnOfJoint = ({ pieces }: PiecesModel, { edges }: Joint): string | undefined =>
  pieces.find(({ row }) => row.view.piece.id === edges[0].pieceId)?.row.view.piece.colours.at(-1)?.yarn
