import type { Evidence } from './evidence.ts'
import { varianceAlong, type Gaussian } from './gaussian.ts'
import { UNKNOWNS } from './latentGauge.ts'
import { linearised, mostProbable } from './mostProbable.ts'
import type { Reading } from './reading.ts'
import { readingsOf } from './readingsOf.ts'

/** A piece of evidence that does not agree with all the rest. */
export interface Conflict {
  readonly id: string
  /** Standard deviations between what it says and what the rest expects. */
  readonly sigmas: number
  readonly about: Reading['about']
  /** How far its value is from what was expected, as a share (+: larger than expected). */
  readonly off: number
}

export interface Combined {
  readonly belief: Gaussian
  readonly conflicts: readonly Conflict[]
}

/** More than this many standard deviations from what the rest expects is questioned. */
const QUESTIONED = 3

/**
 * All evidence together: the most probable unknowns and their covariance (Gauss–Newton on the logarithms;
 * the order of entry does not matter). Evidence more than 3σ off the rest is named, and the belief is
 * widened by how far it pulls, so that it never narrows in silence between two that contradict.
 */
export function combineEvidence(prior: Gaussian, evidence: readonly Evidence[]): Combined {
  const counted = inFixedOrder(evidence.filter(({ setAside }) => !setAside))
  const readings = new Map(counted.map((item) => [item, readingsOf(item)]))
  const of = (items: readonly Evidence[]) => items.flatMap((item) => readings.get(item)!)
  const all = mostProbable(prior, of(counted))
  const conflicts: Conflict[] = []
  let belief = all
  for (const item of counted) {
    const rest = mostProbable(prior, of(counted.filter((other) => other !== item)))
    const conflict = worstReading(rest, item.id, readings.get(item)!)
    if (!conflict) continue
    conflicts.push(conflict)
    belief = widenedBy(
      belief,
      all.mean.map((mean, unknown) => mean - rest.mean[unknown]!),
    )
  }
  return { belief, conflicts: conflicts.sort((one, other) => other.sigmas - one.sigmas) }
}

const inFixedOrder = (evidence: readonly Evidence[]): Evidence[] =>
  [...evidence].sort(
    (one, other) => one.at - other.at || (one.id < other.id ? -1 : one.id > other.id ? 1 : 0),
  )

function worstReading(rest: Gaussian, id: string, readings: readonly Reading[]): Conflict | undefined {
  let worst: Conflict | undefined
  for (const reading of readings) {
    const { slopes, variance } = linearised(reading, rest.mean)
    const surprise = reading.value - reading.predict(rest.mean)
    const beyond = Math.max(0, Math.abs(surprise) - (reading.bound?.within ?? 0))
    const noise = reading.bound ? reading.bound.blur ** 2 : variance
    const sigmas = beyond / Math.sqrt(varianceAlong(rest, slopes) + noise)
    if (sigmas > QUESTIONED && sigmas > (worst?.sigmas ?? 0)) {
      const off = reading.about === 'edge' ? surprise : Math.exp(surprise) - 1
      worst = { id, sigmas, about: reading.about, off }
    }
  }
  return worst
}

function widenedBy({ mean, covariance }: Gaussian, pull: Float64Array): Gaussian {
  const wider = covariance.slice()
  for (let row = 0; row < UNKNOWNS; row++) {
    for (let column = 0; column < UNKNOWNS; column++) {
      wider[row * UNKNOWNS + column] = wider[row * UNKNOWNS + column]! + pull[row]! * pull[column]!
    }
  }
  return { mean, covariance: wider }
}
