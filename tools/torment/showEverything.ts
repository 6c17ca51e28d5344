import { cellList, cellsIn } from '../../app/drawing/views/cells.ts'
import { wholeIn } from '../../app/drawing/views/viewOf.ts'
import { pieceCautions } from '../../app/words/pieceCautions.ts'
import {
  attempt,
  beliefOf,
  diagnose,
  evidenceSteps,
  FIBRES,
  gaugeOf,
  hookAdvice,
  learnFromPiece,
  metresAtHand,
  nextMeasurements,
  paceFromLog,
  pieceProgress,
  planPiece,
  repairCount,
  replay,
  roundNamed,
  rhythmScale,
  roundEnding,
  specOf,
  startOf,
  SpecError,
  substitutionPoints,
  unitsOf,
  waysOut,
  workView,
  writeRound,
  yarnCheck,
  yarnsOf,
  yarnUseOf,
  type PieceSpec,
  type Plan,
  type ProjectFile,
  unpin,
} from '../../core/index.ts'

/** Refusals with a sentence are shown as such; anything else that is thrown takes a screen with it. */
function shown(compute: () => unknown): void {
  try {
    assertFinite(compute())
  } catch (error) {
    if (!(error instanceof SpecError)) throw error
  }
}

/** Numbers that are none are drawn as nothing, or as "NaN cm". */
function assertFinite(value: unknown, path = ''): void {
  if (typeof value === 'number' && !Number.isFinite(value)) throw new Error(`${path} is ${value}`)
  if (Array.isArray(value)) value.forEach((one, index) => assertFinite(one, `${path}[${index}]`))
  else if (typeof value === 'object' && value !== null && !(value instanceof Map)) {
    for (const [key, one] of Object.entries(value)) assertFinite(one, `${path}.${key}`)
  }
}

/**
 * Computes for a file that was taken in what every screen would show of it: shelf, plan, work, check, gauge
 * book, yarns, sheet. Throws what would take a screen with it.
 */
export function showEverything(file: ProjectFile): void {
  for (const gauge of file.gauges) {
    shown(() => gaugeOf(gauge))
    shown(() => evidenceSteps(gauge, gauge.evidence, FIBRES[gauge.fibre].washing, gauge.stitch))
    shown(() => nextMeasurements(beliefOf(gauge).belief, gauge.stitch, gauge.evidence))
    shown(() => hookAdvice(gaugeOf(gauge), gauge.hook, 8))
    shown(() => yarnUseOf(gaugeOf(gauge), gauge.calibrations))
  }
  for (const yarn of file.yarns) {
    shown(() => metresAtHand(yarn) ?? 0)
    for (const other of file.yarns) shown(() => substitutionPoints(yarn, other, ['hot']))
  }
  for (const piece of file.pieces) {
    const gauge = file.gauges.find(({ id }) => id === piece.gaugeId)!
    shown(() => pieceCautions(piece, gauge, file.yarns))
    const spec = attempt(() => specOf(piece, gauge, 18))
    if (!spec.ok) continue
    shown(() => {
      const plan = planPiece(spec.value)
      showPlan(plan, spec.value)
      return rhythmScale(spec.value)
    })
  }
  for (const { plan, spec } of file.planVersions) showPlan(unpin(spec, plan), spec)
  showWork(file)
}

function showPlan(plan: Plan, spec: PieceSpec): void {
  for (const round of plan.rounds) {
    writeRound(round, { spec, terms: 'US' })
    roundEnding(round)
    unitsOf(round)
  }
  const { view } = wholeIn(plan, { width: 400, height: 400 }, false)
  assertFinite(cellList(cellsIn(view)).slice(0, 400), 'drawing')
  for (const yarn of yarnsOf(spec.colours)) {
    const position = startOf(plan.rounds)
    shown(() => yarnCheck({ spec, plan, position, yarn, left: 30, leftSd: 1 }))
  }
}

function showWork({ pieces, gauges, copies, planVersions, events, readings }: ProjectFile): void {
  for (const copy of copies) {
    const log = events.filter(({ copyId }) => copyId === copy.id).sort((one, other) => one.seq - other.seq)
    const state = replay(log)
    const piece = pieces.find(({ id }) => id === copy.pieceId)!
    const gauge = gauges.find(({ id }) => id === piece.gaugeId)!
    const versionOf = (wanted: number) => {
      const { spec, plan } = planVersions.find(
        ({ pieceId, version }) => pieceId === copy.pieceId && version === wanted,
      )!
      return { spec, plan: unpin(spec, plan) }
    }
    const { plan, spec } = versionOf(state.planVersion)
    const { plan: noted } = versionOf(copy.planVersion)
    shown(() => workView(plan, state.position))
    shown(() => paceFromLog(log, plan) ?? 0)
    const progress = { number: copy.number, plan: noted, finished: state.finished, position: state.position }
    shown(() => pieceProgress(plan, piece.quantity, [progress]))
    shown(() => {
      const { number, count } = roundNamed(plan.rounds, state.position.round)!
      return repairCount(spec, plan, number, count + 1)
    })
    for (const reading of readings.filter(({ copyId }) => copyId === copy.id)) {
      const pinned = versionOf(reading.planVersion)
      const { afterRound } = reading
      const rounds = pinned.plan.rounds.slice(0, afterRound)
      shown(() => {
        const diagnosis = diagnose({ spec: pinned.spec, rounds, readings: [reading] })
        waysOut({ spec: pinned.spec, hook: gauge.hook, plan: pinned.plan, afterRound, diagnosis })
        return 0
      })
      shown(() => learnFromPiece(reading, pinned.plan, pinned.spec, 'it') ?? 0)
    }
  }
}
