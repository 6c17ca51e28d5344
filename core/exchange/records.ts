import type { Fitness } from '../cautions/use.ts'
import type { Evidence } from '../gauge/evidence.ts'
import type { Finish } from '../finish/finish.ts'
import type { PieceReading } from '../fit/pieceReading.ts'
import type { StoredForm } from '../forms/registry.ts'
import type { YarnWeight } from '../gauge/yarnWeight.ts'
import type {
  ColourRun,
  Constraints,
  Construction,
  PieceSpec,
  PinnedPlan,
  WayOfRounds,
} from '../plan/plan.ts'
import type { Readings } from '../pattern/readings.ts'
import type { SectionId } from '../rounds/round.ts'
import type { Texture } from '../rounds/texture.ts'
import type { StitchName, Terms } from '../stitches/stitch.ts'
import type { LengthUnit } from '../units/parseLength.ts'
import type { MassUnit } from '../units/mass.ts'
import type { YarnLengthUnit } from '../units/yarnLength.ts'
import type { LogEvent, Position } from '../worklog/logEvent.ts'
import type { Calibration } from '../yarn/calibration.ts'
import type { Fibre } from '../yarn/fibre.ts'
import type { YarnStock } from '../yarn/stock.ts'

/** A thing to make. Times are milliseconds since 1970. */
export interface ProjectRecord {
  readonly id: string
  readonly name: string
  readonly createdAt: number
  readonly updatedAt: number
  /** How its pieces become one, where anything is said of it. */
  readonly finish?: Finish
}

/** A section of a piece that is worked otherwise than the rest of it. */
export interface KeptSectionWork {
  readonly stitch?: StitchName
  readonly loops?: 'both' | 'back' | 'front'
  readonly rounds?: WayOfRounds
  readonly texture?: Texture
  /** Another hook, yarn or number of strands: another gauge. */
  readonly gaugeId?: string
  /** That gauge was measured in the section's own texture. */
  readonly measured?: true
}

/** One part of a project with its own plan, made `quantity` times. */
export interface PieceRecord {
  readonly id: string
  readonly projectId: string
  /** Told beside the project's where it has several pieces: "Lid". */
  readonly name: string
  /** Where it comes among the pieces of its project, from 1. */
  readonly place: number
  readonly quantity: number
  /** What it must become. Lengths in mm. */
  readonly form: StoredForm
  /** Its sizes are those that it is to have once it is washed and dried. */
  readonly washed?: true
  readonly tolerance: number
  readonly stitch: StitchName
  readonly gaugeId: string
  readonly construction: Construction
  readonly sections?: Readonly<Partial<Record<SectionId, KeptSectionWork>>>
  /** Yarns by id, each from a round on. */
  readonly colours: readonly ColourRun[]
  readonly constraints: Constraints
  readonly rhythm: number
  /** What it is for, and what in it matters for that. */
  readonly fitness: Fitness
  /** The written pattern that it is of. */
  readonly source?: PatternSource
}

/** A pattern as it was pasted, which of its pieces this one is, and how it is read where it can be read in two ways. */
export interface PatternSource {
  readonly text: string
  /** Index, from 0. */
  readonly piece: number
  readonly readings: Readings
}

/** Every gauge that a piece goes by, its own first. */
export const gaugesUsed = ({ gaugeId, sections }: Pick<PieceRecord, 'gaugeId' | 'sections'>): string[] => [
  ...new Set([gaugeId, ...Object.values(sections ?? {}).flatMap((work) => work?.gaugeId ?? [])]),
]

/** How a maker works the fabric a gauge belongs to. */
export type Working = 'joined' | 'spiral' | 'turned' | 'rows'

/** One maker's gauge in a yarn, with its strands, hook, stitch and way of working. */
export interface GaugeRecord {
  readonly id: string
  readonly name: string
  readonly stitch: StitchName
  readonly weight: YarnWeight
  readonly strands: number
  /** Hook, mm. */
  readonly hook: number
  readonly fibre: Fibre
  readonly working: Working
  /** What was measured, in the order it was put in; without any, the gauge is what the label suggests. */
  readonly evidence: readonly Evidence[]
  readonly calibrations: readonly Calibration[]
}

/** One yarn in one colour and dye lot. */
export interface YarnRecord extends YarnStock {
  readonly id: string
  /** Of the colour: "Fog". */
  readonly name: string
  /** Of the yarn that comes in several colours: "Hut cotton". */
  readonly line?: string
  /** `#rrggbb`. */
  readonly colour: string
  readonly weight: YarnWeight
  readonly fibre: Fibre
  readonly dyeLot?: string
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

/** A photo of a copy, taken where the hook was. */
export interface PhotoRecord {
  readonly id: string
  readonly copyId: string
  readonly at: number
  readonly position: Position
  /** A small JPEG as an address of its own data. */
  readonly data: string
}

/** A plan as it was when work began: pinned, whatever becomes of the spec. */
export interface PlanVersionRecord {
  readonly id: string
  readonly pieceId: string
  readonly version: number
  readonly at: number
  readonly spec: PieceSpec
  readonly plan: PinnedPlan
}

export interface WorkshopSettings {
  readonly name: string
  readonly terms: Terms
  readonly units: LengthUnit
  /** What gauges are stated over. */
  readonly gaugeOver: '10cm' | '4in'
  readonly yarnLengths: YarnLengthUnit
  readonly masses: MassUnit
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
  gaugeOver: '10cm',
  yarnLengths: 'm',
  masses: 'g',
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
  readonly readings: readonly PieceReading[]
  readonly photos: readonly PhotoRecord[]
}

/** The tables of a project file, in the order they are written. */
export const RECORD_TABLES = [
  'projects',
  'pieces',
  'gauges',
  'yarns',
  'copies',
  'planVersions',
  'events',
  'readings',
  'photos',
] as const satisfies readonly (keyof Records)[]

export const FILE_FORMAT = 'uzel'
export const FILE_VERSION = 10

/** A `*.uzel.json` file: one project, or the whole workshop with its settings. */
export interface ProjectFile extends Records {
  readonly format: typeof FILE_FORMAT
  readonly version: typeof FILE_VERSION
  readonly exportedAt: string
  readonly workshop?: WorkshopSettings
}
