import { BODY_STITCHES, isEdging, type StitchName } from '../stitches/stitch.ts'
import { mm } from '../units/millimetres.ts'
import { combineEvidence, type Combined } from './combineEvidence.ts'
import type { Evidence } from './evidence.ts'
import { varianceAlong, type Gaussian } from './gaussian.ts'
import type { Gauge, StitchSize } from './gauge.ts'
import type { YarnAndHook } from './gaugeFromTable.ts'
import { labelBelief, stitchTerms, type FabricState, type Loops, type WashChange } from './latentGauge.ts'
import { yarnDiameter } from './yarnWeight.ts'

/** The size of a stitch that a belief holds most probable. */
export function sizeOf(
  belief: Gaussian,
  stitch: StitchName,
  loops: Loops,
  state: FabricState,
  rows = false,
): StitchSize {
  const terms = stitchTerms(stitch, loops, state, rows)
  const w = terms.lnW.map((unknown) => [unknown, 1] as const)
  const h = terms.lnH.map((unknown) => [unknown, 1] as const)
  const sum = (unknowns: readonly number[]) =>
    unknowns.reduce((total, unknown) => total + belief.mean[unknown]!, 0)
  const varLnW = varianceAlong(belief, w)
  const varLnH = varianceAlong(belief, h)
  return {
    w: mm(Math.exp(sum(terms.lnW))),
    h: mm(Math.exp(sum(terms.lnH))),
    varLnW,
    varLnH,
    // Var(a + b) = Var a + Var b + 2 Cov(a, b).
    covLnWLnH: (varianceAlong(belief, [...w, ...h]) - varLnW - varLnH) / 2,
  }
}

/** What label and evidence together say of every stitch, and what in them contradicts. */
export function beliefFromEvidence(
  yarn: YarnAndHook,
  evidence: readonly Evidence[],
  washing: WashChange,
): Combined {
  return combineEvidence(labelBelief(yarn, washing), evidence)
}

/**
 * A gauge to plan with: through both loops or one (an edging takes both), as worked or as washed, in rounds or in rows,
 * which are not quite of one height (FIELD §5).
 */
export function gaugeFromBelief(
  { belief }: Combined,
  stitch: StitchName,
  yarn: YarnAndHook,
  measured: boolean,
  loops: Loops = 'both',
  state: FabricState = 'worked',
  rows = false,
): Gauge {
  const size = (name: StitchName) => sizeOf(belief, name, isEdging(name) ? 'both' : loops, state, rows)
  const others = (['slst', ...BODY_STITCHES] as const).filter((name) => name !== stitch)
  return {
    ...size(stitch),
    stitch,
    ...(measured ? { others: Object.fromEntries(others.map((name) => [name, size(name)])) } : {}),
    strands: yarn.strands,
    yarnDiameter: yarnDiameter(yarn.weight, yarn.strands),
    certainty: measured ? 'measured' : 'guess',
  }
}
