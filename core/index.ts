export { SpecError } from './errors/specError.ts'
export { mm, MM_PER_INCH, type Millimetres } from './units/millimetres.ts'
export { parseLength, type LengthUnit } from './units/parseLength.ts'
export { formatLength, formatLengthUnit } from './units/formatLength.ts'
export { flatIncrease, STITCHES, type StitchName, type Terms } from './stitches/stitch.ts'
export { sdOfHeightOverWidth, type Gauge } from './gauge/gauge.ts'
export type { Swatch } from './gauge/gaugeFromSwatch.ts'
export { yarnDiameter, YARN_WEIGHTS, type YarnWeight } from './gauge/yarnWeight.ts'
export { FLAT_TOLERANCE, idealCount, lieOf, type Lie } from './shape/disc.ts'
export { RHYTHM_DEFAULT } from './pacing/pacingProblem.ts'
export type { Placement, RepeatOrder } from './pacing/placeIncreases.ts'
export { consumed, expandSteps, produced, type Op, type Step, type Unit } from './pacing/steps.ts'
export type {
  Checkpoint,
  ColourRun,
  Constraints,
  Construction,
  Notice,
  PieceSpec,
  Plan,
  Round,
  RoundsWorked,
  Start,
} from './plan/plan.ts'
export { LARGEST_ACROSS } from './plan/checkSpec.ts'
export { planPiece } from './plan/planPiece.ts'
export { rhythmScale, RHYTHM_POSITIONS, type RhythmOffer } from './plan/rhythmScale.ts'
export { startingChain } from './plan/startingChain.ts'
export { writeOps, writeRound, writeRoundBody, type WrittenRound } from './pattern/writeRound.ts'
export { roundEnding, type RoundEnding } from './pattern/roundEnding.ts'
export { START, type LogEvent, type NewEvent, type Position } from './worklog/logEvent.ts'
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
