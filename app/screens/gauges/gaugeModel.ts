import type {
  Conflict,
  Evidence,
  Gauge,
  GaugeRecord,
  WorkshopSettings,
  YarnRecord,
} from '../../../core/index.ts'

/** All that the parts of the gauge book show and change. */
export interface GaugeModel {
  readonly gauge: GaugeRecord
  /** What the record comes to, in its own stitch. */
  readonly size: Gauge
  readonly conflicts: readonly Conflict[]
  readonly settings: WorkshopSettings
  readonly yarns: readonly YarnRecord[]
  /** Names of the pieces that go by it. */
  readonly usedBy: readonly string[]
  /** Diameter that consequences are told for, mm. */
  readonly target: number
  readonly setTarget: (across: number) => void
  /** Evidence opened in the form. */
  readonly chosen?: string
  readonly choose: (evidence: Evidence) => void
  readonly change: (gauge: GaugeRecord) => void
}
