export { spoken, type Speech } from './errors/sentence.ts'
export { attempt, faultIn, type Answer, type Fault } from './errors/attempt.ts'
export { SpecError } from './errors/specError.ts'
export { MM_PER_INCH } from './units/millimetres.ts'
export { inShort, readWritten } from './units/writtenNumber.ts'
export { parseLength, type LengthUnit } from './units/parseLength.ts'
export { formatLength, sayLength } from './units/formatLength.ts'
export {
  BODY_STITCHES,
  flatIncrease,
  STITCHES,
  yarnPerStitch,
  type StitchName,
  type Terms,
} from './stitches/stitch.ts'
export { sdOfHeightOverWidth, type Gauge, type StitchSize } from './gauge/gauge.ts'
export type { CountOver, EdgeLies, Evidence, SwatchEvidence } from './gauge/evidence.ts'
export type { FabricState, Loops } from './gauge/latentGauge.ts'
export { validateEvidence, questionOf } from './gauge/validateEvidence.ts'
export { type Conflict } from './gauge/combineEvidence.ts'
export { evidenceSteps } from './gauge/evidenceSteps.ts'
export { sizeOf } from './gauge/gaugeFromEvidence.ts'
export { gaugeForStitch } from './gauge/gaugeForStitch.ts'
export { roundsFor } from './gauge/roundsFor.ts'
export { hookAdvice, widthOnHook } from './gauge/hookAdvice.ts'
export { hookLetter, HOOKS } from './gauge/hooks.ts'
export { nextMeasurements, tellingOf, type Measurement } from './gauge/nextMeasurement.ts'
export { cautionsOf, type Caution, type CautionCode } from './cautions/cautionsOf.ts'
export { fitnessOf, type FitnessReason } from './cautions/fitness.ts'
export { ALL_HARDWARE, ALL_USES, type Fitness, type Hardware, type Use, NO_USE_YET } from './cautions/use.ts'
export {
  validateCalibration,
  measuredMetres,
  tellsLittle,
  yarnUseOf,
  type Calibration,
} from './yarn/calibration.ts'
export { ALL_FIBRES, FIBRES, type Fibre, type FibreTraits } from './yarn/fibre.ts'
export { ballsToBuy, doubtAtHand, metresAtHand } from './yarn/stock.ts'
export { sameYarns, yarnsIn, yarnsOf, type HeldYarns } from './yarn/strands.ts'
export { substitutionPoints, type SubstitutionPoint } from './yarn/substitution.ts'
export { formatMass, parseMass } from './units/mass.ts'
export { formatYarnLength, parseYarnLength } from './units/yarnLength.ts'
export { diagnose, type Cause, type Diagnosis } from './fit/diagnose.ts'
export { learnFromPiece } from './fit/learnFromPiece.ts'
export { type Look } from './fit/lookThatTells.ts'
export { positionAfter } from './fit/positionAfter.ts'
export { sizeSeen, type PieceReading } from './fit/pieceReading.ts'
export { repairCount, slipHere, type Repair } from './fit/repairCount.ts'
export { onHookFrom } from './fit/onHookFrom.ts'
export { trackRecord, type TrackRecord } from './fit/trackRecord.ts'
export { waysOut, type WayOut } from './fit/waysOut.ts'
export { yarnCheck, type YarnCheck } from './fit/yarnCheck.ts'
export { MIGRATIONS, type Migration } from './exchange/migrations.ts'
export { namesOf } from './exchange/namesInLog.ts'
export { type OldRecord } from './exchange/oldRecord.ts'
export { YARN_WEIGHTS, type YarnWeight } from './gauge/yarnWeight.ts'
export { FLAT_TOLERANCE, type Lie } from './lay/flatness.ts'
export {
  growthOf,
  measured,
  meanOf,
  plusMinusOf,
  type MeasureKind,
  type Promised,
  type Seen,
} from './lay/measures.ts'
export type { Placement, RepeatOrder } from './counts/placeIncreases.ts'
export { chainsAlong } from './rounds/spine.ts'
export { zoneAt, zonesOf, type Zone, type ZoneCount, type ZoneSpan } from './rounds/zone.ts'
export { flatOnly, ownZonesOf } from './plan/ownZones.ts'
export { foundationOf } from './plan/wantedAround.ts'
export { afterOf, belowOf, roundNamed } from './rounds/inOrder.ts'
export { atTheFront, frontOf, fromTheFront } from './plan/frontOf.ts'
export { heelWays } from './fit/heelWays.ts'
export { heelFit } from './plan/heelFit.ts'
export { heelTurn } from './plan/heelTurn.ts'
export { waitingAt } from './rounds/waiting.ts'
export { lastMeasured } from './plan/lastMeasured.ts'
export {
  countAround,
  countOf,
  hasMotifs,
  partOf,
  titleOf,
  type Round,
  type SectionId,
} from './rounds/round.ts'
export { expandSteps, isOffTheEdge, kindOf, type Unit } from './rounds/steps.ts'
export type { Construction, Notice, RoundBegins, PieceSpec, Plan, PlannedRound, Start } from './plan/plan.ts'
export { validateSpec } from './plan/validateSpec.ts'
export { LIMITS, LONGEST_NAME, LONGEST_NOTE, LONGEST_ZONE } from './exchange/limits.ts'
export { pin, unpin } from './plan/pinnedPlan.ts'
export { offCentreOf } from './plan/offCentreOf.ts'
export { forCopy, sideOfCopy } from './plan/forCopy.ts'
export { planPiece } from './plan/planPiece.ts'
export { afterWashing, formAfterWashing } from './plan/afterWashing.ts'
export { drawstringOf } from './plan/drawstringOf.ts'
export { hingeOf } from './plan/hingeOf.ts'
export { fillAfter } from './plan/fillAfter.ts'
export { compromises } from './plan/compromises/compromises.ts'
export type { Compromise, Compromises, Fight } from './plan/compromises/fight.ts'
export { usualSizesOf } from './forms/usualSizes.ts'
export { rhythmScale, RHYTHM_POSITIONS, type RhythmOffer } from './plan/rhythmScale.ts'
export { writeRun } from './pattern/writeAlongChain.ts'
export { writeRound, writeRoundBody } from './pattern/writeRound.ts'
export { writeOp, writeSteps } from './pattern/writeSteps.ts'
export { groupRounds, writeGroup } from './pattern/groupRounds.ts'
export { roundEnding } from './pattern/roundEnding.ts'
export { samePosition, startOf, type LogEvent, type NewEvent, type Position } from './worklog/logEvent.ts'
export { BrokenLog, NOT_STARTED, replay, type WorkState } from './worklog/replay.ts'
export { atTheEnd, goTo, nextRound, undo, unitsOf, workOn, type Stride } from './worklog/moves.ts'
export {
  placesThatFit,
  sightsAt,
  sightsThatTell,
  type PossiblePlace,
  type Seeing,
  type Sight,
  type Sights,
} from './worklog/findPlace.ts'
export { alikeOf, driftOf, foundAgainstPlan, type Drift, type FoundAgainstPlan } from './worklog/drift.ts'
export {
  effortLeft,
  minutesByDay,
  paceByStitch,
  tellLog,
  timeFor,
  type LogTold,
  type Sitting,
  type TakenOut,
  type TimeTold,
} from './worklog/sittings.ts'
export { carriedTo, carryCodeAt, pieceMark, readCarryCode, type CarryRead } from './worklog/carryCode.ts'
export {
  changesOfCopy,
  withYarnFrom,
  withEvenRound,
  withoutRound,
  type Difference,
  type Otherwise,
} from './plan/workedOtherwise.ts'
export { whatIsAhead, type Ahead } from './worklog/whatIsAhead.ts'
export { strandRuns, tailsIn, type YarnChange } from './plan/yarnChanges.ts'
export { roundsMade, stitchesMade, workView, type WorkView } from './worklog/workView.ts'
export { paceFromLog } from './worklog/paceFromLog.ts'
export {
  DEFAULT_SETTINGS,
  gaugesUsed,
  RECORD_TABLES,
  type CopyRecord,
  type GaugeRecord,
  type KeptSectionWork,
  type PhotoRecord,
  type PieceRecord,
  type PlanVersionRecord,
  type ProjectFile,
  type ProjectRecord,
  type Records,
  type Working,
  type WorkshopSettings,
  type YarnRecord,
} from './exchange/records.ts'
export { beliefOf, gaugeOf, hookInUse, isMeasured, specIn, specOf } from './exchange/specOf.ts'
export { projectFile, writeProjectFile } from './exchange/writeProjectFile.ts'
export { withFreshIds } from './exchange/withFreshIds.ts'
export { newPiece, UNMEASURED_GAUGE, usualStart, withForm } from './exchange/newPiece.ts'
export {
  FAMILY_NAMES,
  familyOf,
  fieldsOf,
  isAsked,
  isOfStart,
  formOf,
  roundedForm,
  tapeAt,
  usualForm,
  type AnyField,
  type FamilyName,
  type Form,
  type StoredForm,
} from './forms/registry.ts'
export { flatRound } from './forms/disc/disc.ts'
export {
  type Outline,
  type OutlineField,
  type OutlinePoint,
  type TapePlace,
  type Target,
} from './forms/family.ts'
export { outlineOf } from './forms/drawn/outline.ts'
export { offTheLine, type OffTheLine } from './plan/offTheLine.ts'
export { painted, striped, type Band } from './yarn/stripes.ts'
export { endOf, type EndWork } from './plan/endOf.ts'
export { chainsOf, openingFit, type OpeningFit } from './plan/openings.ts'
export type { Accent, Constraints, Opening, OwnZone } from './plan/plan.ts'
export { constructionIn, sectionsWorked, textureIn } from './plan/sectionWork.ts'
export {
  numbersOfTexture,
  TEXTURE_KINDS,
  usualAccent,
  usualTexture,
  worksIn,
  type Texture,
  type TextureKind,
  type TextureNumber,
} from './rounds/texture.ts'
export { RIMS, type Rim } from './rounds/rim.ts'
export {
  alikeCounts,
  spreadEdge,
  withAxis,
  withSoMany,
  budgetOf,
  inWorkingOrder,
  mirroredFrom,
  movedMotif,
  roomOfMotif,
  spreadMotifs,
  usedByMotifs,
  withMotif,
  withoutMotif,
  type EdgeBudget,
  type EdgePart,
} from './rounds/edge.ts'
export { USUAL_MOTIFS, usedByMotif, usualMotif, type Motif, type UsualMotif } from './rounds/motif.ts'
export { readMotif, writeMotif } from './pattern/readMotif.ts'
export { LONGEST_MOTIF, MOST_MOTIFS, MOST_OF_A_PHOTO } from './exchange/limits.ts'
export {
  PLACE_KINDS,
  placeOfStitch,
  placesIn,
  type Place,
  type PlaceInRound,
  type PlaceKind,
} from './plan/places.ts'
export { jointsOfCombination } from './finish/jointsOfCombination.ts'
export {
  asksOf,
  COMBINATIONS,
  piecesOfCombination,
  type CombinationField,
  type CombinationName,
  type CombinationPiece,
  type CombinationSizes,
} from './forms/combinations.ts'
export {
  planSmallPart,
  SMALL_PART_LIMITS,
  SMALL_PARTS,
  type SmallPart,
  type SmallPartPlan,
} from './finish/smallParts.ts'
export { motifsOn, reachOfMotifs, type EdgePoint } from './lay/motifOutline.ts'
export type { Manner } from './stitches/manner.ts'
export { wallFit, type WallFit } from './plan/wallFit.ts'
export { promisesOf } from './plan/promisesOf.ts'
export { maySplit, partsOf, roundsWanted, sectionsOf, sizesOf, wallOf } from './plan/wantedAround.ts'
export { pieceProgress, sumOfProgress, type CopyProgress, type PieceProgress } from './worklog/progress.ts'
export { alongAt, beginnings, withSplits, type SplitLike } from './plan/splits.ts'
export {
  closesOff,
  NO_FINISH,
  stillToGoInside,
  waitsFor,
  wayToFinish,
  withoutPiece,
  unfinished,
  withOwnLink,
  withOwnStep,
  type OwnStep,
  type Finish,
  type PieceToFinish,
  type WayToFinish,
} from './finish/finish.ts'
export {
  easingOf,
  pairsOf,
  seamStitches,
  WAYS_OF_JOINING,
  type Joint,
  type JointEdge,
  type WayOfJoining,
} from './finish/joint.ts'
export {
  CANNOT_BE_UNDONE,
  CircleError,
  moved,
  rangeOf,
  type FinishingStep,
  type LinkReason,
  type StepKind,
} from './finish/order.ts'
export { usualJoints, type OfferedJoint } from './finish/usualJoints.ts'
export { planTogether } from './finish/planTogether.ts'
export { seamInHand, withSeamMade, type SeamInHand } from './finish/seamInHand.ts'
export { tailsOf, timeOfWhole, yarnForAll, yarnInTurn, type TakesInTurn } from './finish/needs.ts'
export { seamOf, type Seam } from './finish/seam.ts'
export { edgeName, edgesOf, stitchesOf, validateJoint, type EdgesOf } from './finish/validateJoint.ts'
