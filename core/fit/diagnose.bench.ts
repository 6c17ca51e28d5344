import type { Bench } from '../../tools/benchKit.ts'
import { beliefFromEvidence } from '../gauge/gaugeFromEvidence.ts'
import { planPiece } from '../plan/planPiece.ts'
import { discSpec } from '../testing/specs.ts'
import { diagnose } from './diagnose.ts'
import { waysOut } from './waysOut.ts'

const spec = discSpec(220, { construction: { ...discSpec(1).construction, freeLastRounds: 2 } })
const plan = planPiece(spec)
const baseline = () => planPiece(spec)

/** One reading judged against every cause, and the ways out of it. */
function judge() {
  const diagnosis = diagnose({
    spec,
    rounds: plan.rounds.slice(0, 10),
    readings: [
      {
        id: 'reading',
        copyId: 'copy',
        at: 1,
        planVersion: 1,
        afterRound: 10,
        seen: [{ of: 'across', at: 10, values: [148, 150] }],
        edge: { kind: 'flat' },
        counts: [{ round: 10, count: 60 }],
      },
    ],
  })
  return waysOut({ spec, hook: 5, plan, afterRound: 10, diagnosis })
}

const evidence = Array.from({ length: 6 }, (_, index) => ({
  id: `swatch ${index}`,
  at: index,
  kind: 'swatch' as const,
  worked: 'rounds' as const,
  stitch: 'sc' as const,
  loops: 'both' as const,
  state: 'worked' as const,
  stitches: { count: 14, over: 100 },
  rounds: { count: 15, over: 100 },
}))

export const benches: Bench[] = [
  { name: 'a reading judged, and its ways out, against a plan', baseline, run: judge, budgetMs: 50 },
  {
    name: 'six swatches combined, each held against the rest, against a plan',
    baseline,
    run: () => beliefFromEvidence({ weight: 4, strands: 1, hook: 5 }, evidence, { mean: 0, sd: 0.02 }),
    budgetMs: 20,
  },
]
