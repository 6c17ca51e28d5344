import type {
  CopyRecord,
  GaugeRecord,
  PieceRecord,
  PieceSpec,
  Plan,
  ProjectRecord,
  WorkshopSettings,
  YarnRecord,
} from '../../../core/index.ts'
import type { PlanVersion } from '../../store/planVersions.ts'
import type { ParsedNumber } from '../../ui/parseCount.ts'
import type { Refusal } from '../../ui/refusal.ts'

/** All that the parts of the plan screen show and change. */
export interface PlanModel {
  readonly project: ProjectRecord
  /** All pieces of the project. */
  readonly pieces: readonly PieceRecord[]
  readonly piece: PieceRecord
  readonly gauge: GaugeRecord
  readonly copies: readonly CopyRecord[]
  readonly versions: readonly PlanVersion[]
  readonly yarns: readonly YarnRecord[]
  readonly settings: WorkshopSettings
  /** Single crochets a minute, when the log shows them. */
  readonly learnedPace?: number
  /** The last plan that could be made, and the spec it belongs to. */
  readonly plan?: Plan
  readonly spec?: PieceSpec
  /** What is asked for now, when the gauge can be. */
  readonly wantedSpec?: PieceSpec
  readonly fault?: Refusal
  readonly changePiece: (piece: PieceRecord) => void
  /** Reads a number as `parse` does and refuses, where it is typed, what the piece could not be planned with. */
  readonly taking: (
    parse: (text: string) => ParsedNumber,
    changed: (value: number) => PieceRecord,
  ) => (text: string) => ParsedNumber
  readonly changeGauge: (gauge: GaugeRecord) => void
}

/** The sentence for a field whose path begins so, if that is the one at fault. */
export function faultAt(fault: Refusal | undefined, ...paths: readonly string[]): string | undefined {
  if (!fault || !paths.some((path) => fault.path === path || fault.path.startsWith(`${path}.`)))
    return undefined
  return fault.text
}
