import { discReadings, type SizeTerms } from './discReadings.ts'
import type { CountOver, Evidence } from './evidence.ts'
import { CENTRE, labelBelief, stitchTerms } from './latentGauge.ts'
import type { Start } from '../plan/plan.ts'
import type { StitchName } from '../stitches/stitch.ts'
import { TAPE_SD, type Reading } from './reading.ts'

/** A stitch is counted to ±¼. */
const COUNT_SD = 0.25

/** How a disc begins when nothing else is said. */
const CLOSED: Start = { kind: 'magicRing' }

/** Stitches in the proportions of any label: a medium yarn's, unwashed. */
const inProportion = () => labelBelief({ weight: 4, strands: 1, hook: 5 }, { mean: 0, sd: 1 }).mean

/** The numbers that a piece of evidence reads off the fabric. */
export function readingsOf(evidence: Evidence): Reading[] {
  switch (evidence.kind) {
    case 'swatch': {
      const rows = evidence.worked === 'rows'
      return [
        counted('width', evidence, evidence.stitches),
        counted('height', evidence, evidence.rounds, rows),
      ]
    }
    case 'marks':
      return [
        ...(evidence.along ? [counted('width', evidence, evidence.along)] : []),
        ...(evidence.out ? [counted('height', evidence, evidence.out, evidence.rows)] : []),
      ]
    case 'round': {
      const { stitch, stitches, loops, state, counts } = evidence
      const size = (terms: readonly number[]): SizeTerms => ({ terms, offset: 0 })
      const terms = (name: StitchName) => {
        const { lnW, lnH } = stitchTerms(name, loops, state)
        return { lnW: size(lnW), lnH: size(lnH) }
      }
      const body = terms(stitch)
      const rounds = counts.map((count, index) => {
        const name = stitches?.[index] ?? stitch
        return { count, ...(name === stitch ? body : terms(name)) }
      })
      const start = evidence.start ?? CLOSED
      const model = { rounds, start, stitch: stitches?.[0] ?? stitch, centre: CENTRE, near: inProportion() }
      return discReadings(model, evidence)
    }
  }
}

function counted(
  about: 'width' | 'height',
  { stitch, loops, state }: Evidence,
  { count, over }: CountOver,
  rows = false,
): Reading {
  const { lnW, lnH } = stitchTerms(stitch, loops, state, rows)
  const terms = about === 'width' ? lnW : lnH
  return {
    about,
    on: terms,
    value: Math.log(over / count),
    variance: (TAPE_SD / over) ** 2 + (COUNT_SD / count) ** 2,
    predict: (unknowns) => terms.reduce((sum, term) => sum + unknowns[term]!, 0),
  }
}
