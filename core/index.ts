export { SpecError } from './errors/specError.ts'
export { MM_PER_INCH } from './units/millimetres.ts'
export { parseLength, type LengthUnit } from './units/parseLength.ts'
export { formatLength } from './units/formatLength.ts'
export { flatIncrease, STITCHES, type StitchName, type Terms } from './stitches/stitch.ts'
export { sdOfHeightOverWidth, type Gauge } from './gauge/gauge.ts'
export type { Swatch } from './gauge/gaugeFromSwatch.ts'
export { YARN_WEIGHTS, type YarnWeight } from './gauge/yarnWeight.ts'
export { type Lie } from './shape/disc.ts'
export type { Placement, RepeatOrder } from './pacing/placeIncreases.ts'
export { expandSteps, type Unit } from './pacing/steps.ts'
export type { Construction, Notice, PieceSpec, Plan, Round, Start } from './plan/plan.ts'
export { planPiece } from './plan/planPiece.ts'
export { rhythmScale, RHYTHM_POSITIONS, type RhythmOffer } from './plan/rhythmScale.ts'
export { writeOps, writeRound, writeRoundBody } from './pattern/writeRound.ts'
export { roundEnding } from './pattern/roundEnding.ts'
export { type LogEvent, type NewEvent, type Position } from './worklog/logEvent.ts'
export { BrokenLog, NOT_STARTED, replay, type WorkState } from './worklog/replay.ts'
export { atTheEnd, goTo, nextRound, undo, unitsOf, workOn, type Stride } from './worklog/moves.ts'
export { stitchesMade, workView, type WorkView } from './worklog/workView.ts'
export { paceFromLog } from './worklog/paceFromLog.ts'
export {
  DEFAULT_SETTINGS,
  type CopyRecord,
  type GaugeRecord,
  type PieceRecord,
  type PlanVersionRecord,
  type ProjectFile,
  type ProjectRecord,
  type Records,
  type WorkshopSettings,
  type YarnRecord,
} from './exchange/records.ts'
export { gaugeOf, specOf } from './exchange/specOf.ts'
export { projectFile, writeProjectFile } from './exchange/writeProjectFile.ts'
export { withFreshIds } from './exchange/withFreshIds.ts'
export { newMat, UNMEASURED_GAUGE } from './exchange/newMat.ts'
export { pieceProgress, type CopyProgress, type PieceProgress } from './worklog/progress.ts'
