/**
 * Writes core/testing/goldenPlans.json, plans that must stay as they are. Only for a change that is meant to
 * change plans: ARCHITECTURE.md says which those were.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import fc from 'fast-check'
import { specOf, type ProjectFile } from '../core/index.ts'
import { goldenPlan } from '../core/testing/goldenPlans.ts'
import { anyAsked, specOfAsked } from '../core/testing/specs.ts'

const PLANS = 300
const SEED = 20261126
const PACE = 16

const demo = JSON.parse(
  readFileSync(new URL('../demo/skarn-hut.uzel.json', import.meta.url), 'utf8'),
) as ProjectFile
const discs = fc.sample(anyAsked, { numRuns: PLANS, seed: SEED })
const lines = (all: readonly object[]) => all.map((one) => `    ${JSON.stringify(one)}`).join(',\n')
const golden = {
  discs: lines(discs.map((asked) => ({ asked, plan: goldenPlan(specOfAsked(asked)) }))),
  demo: lines(
    demo.pieces.map((piece) => {
      const gauge = demo.gauges.find(({ id }) => id === piece.gaugeId)!
      return { piece: piece.id, plan: goldenPlan(specOf(piece, gauge, PACE)) }
    }),
  ),
}
writeFileSync(
  new URL('../core/testing/goldenPlans.json', import.meta.url),
  `{\n  "discs": [\n${golden.discs}\n  ],\n  "demo": [\n${golden.demo}\n  ]\n}\n`,
)
