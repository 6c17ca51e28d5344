import type { Swatch } from '../gauge/gaugeFromSwatch.ts'
import type { YarnWeight } from '../gauge/yarnWeight.ts'
import type { Constraints, Construction, PieceSpec, Plan } from '../plan/plan.ts'
import type { StitchName, Terms } from '../stitches/stitch.ts'
import type { LogEvent } from '../worklog/logEvent.ts'

/** A thing to make. Times are milliseconds since 1970. */
export interface ProjectRecord {
  readonly id: string
  readonly name: string
  readonly createdAt: number
  readonly updatedAt: number
}

/** One part of a project with its own plan, made `quantity` times. */
export interface PieceRecord {
  readonly id: string
  readonly projectId: string
  readonly quantity: number
  /** Lengths in mm. */
  readonly shape: { readonly family: 'disc'; readonly across: number; readonly tolerance: number }
  readonly stitch: StitchName
  readonly gaugeId: string
  readonly construction: Construction
  /** Yarns by id, each from a round on. */
  readonly colours: readonly { readonly fromRound: number; readonly yarn: string }[]
  readonly constraints: Constraints
  readonly rhythm: number
}

export interface GaugeRecord {
  readonly id: string
  readonly name: string
  readonly stitch: StitchName
  readonly weight: YarnWeight
  readonly strands: number
  /** Hook, mm. */
  readonly hook: number
  /** What was counted; without it the gauge is only what the label suggests. */
  readonly swatch?: Swatch
}

export interface YarnRecord {
  readonly id: string
  readonly name: string
  /** `#rrggbb`. */
  readonly colour: string
  readonly weight: YarnWeight
  /** Metres at hand; unknown when left out. */
  readonly metres?: number
}

/** One physical piece in work or done. */
export interface CopyRecord {
  readonly id: string
  readonly pieceId: string
  /** 3 in "mat 3 of 8". */
  readonly number: number
  readonly planVersion: number
  readonly startedAt: number
  readonly finishedAt?: number
}

/** A plan as it was when work began: pinned, whatever becomes of the spec. */
export interface PlanVersionRecord {
  readonly id: string
  readonly pieceId: string
  readonly version: number
  readonly at: number
  readonly spec: PieceSpec
  readonly plan: Plan
}

export interface WorkshopSettings {
  readonly name: string
  readonly terms: Terms
  readonly units: 'cm' | 'in'
  readonly hand: 'right' | 'left'
  /** Print size in percent. */
  readonly print: 100 | 125 | 150
  /** Single crochets a minute, until the log knows better. */
  readonly pace: number
}

export const DEFAULT_SETTINGS: WorkshopSettings = {
  name: 'My workshop',
  terms: 'US',
  units: 'cm',
  hand: 'right',
  print: 100,
  pace: 18,
}

/** Everything that belongs to a set of projects. */
export interface Records {
  readonly projects: readonly ProjectRecord[]
  readonly pieces: readonly PieceRecord[]
  readonly gauges: readonly GaugeRecord[]
  readonly yarns: readonly YarnRecord[]
  readonly copies: readonly CopyRecord[]
  readonly planVersions: readonly PlanVersionRecord[]
  readonly events: readonly LogEvent[]
}

export const FILE_FORMAT = 'uzel'
export const FILE_VERSION = 1

/** A `*.uzel.json` file: one project, or the whole workshop with its settings. */
export interface ProjectFile extends Records {
  readonly format: typeof FILE_FORMAT
  readonly version: typeof FILE_VERSION
  readonly exportedAt: string
  readonly workshop?: WorkshopSettings
}
