import { linearised } from './mostProbable.ts'
import type { Evidence } from './evidence.ts'
import { observe, varianceAlong, type Gaussian } from './gaussian.ts'
import { stitchTerms } from './latentGauge.ts'
import { readingsOf } from './readingsOf.ts'
import type { StitchName } from '../stitches/stitch.ts'

/** Measurements a maker can take, each a few minutes of work. */
export type Measurement = 'flatSwatch' | 'roundSwatch' | 'alongRound' | 'outward'

export interface Telling {
  /** Relative standard deviation of the size of a flat disc. */
  readonly size: number
  /** Relative standard deviation of h/w, which decides the flat increase. */
  readonly ratio: number
}

export interface NextMeasurement extends Telling {
  readonly measurement: Measurement
}

/** How well a belief tells the size of a disc (half w, half h, as it settles) and h/w apart. */
export function tellingOf(belief: Gaussian, stitch: StitchName): Telling {
  const { lnW, lnH } = stitchTerms(stitch, 'both', 'worked')
  const along = (w: number, h: number) =>
    Math.sqrt(
      varianceAlong(belief, [
        ...lnW.map((unknown) => [unknown, w] as const),
        ...lnH.map((unknown) => [unknown, h] as const),
      ]),
    )
  return { size: along(0.5, 0.5), ratio: along(-1, 1) }
}

/**
 * What each further measurement would leave in doubt, the most telling first.
 * @param taken what is counted already: a second flat disc tells its size, but no more about lying flat
 */
export function nextMeasurements(
  belief: Gaussian,
  stitch: StitchName,
  taken: readonly Evidence[],
): NextMeasurement[] {
  const flatKnown = taken.some(({ kind, setAside }) => kind === 'round' && !setAside)
  // What is least known comes first.
  const worth = ({ size, ratio }: Telling) => Math.max(size, ratio) + 0.1 * Math.min(size, ratio)
  // With a disc at hand, counting on it beats working another swatch.
  const offered: readonly Measurement[] = flatKnown
    ? ['alongRound', 'outward', 'roundSwatch']
    : ['flatSwatch', 'roundSwatch', 'alongRound', 'outward']
  return offered
    .map((measurement) => ({
      measurement,
      ...tellingOf(afterTaking(belief, imagined(measurement, stitch), flatKnown), stitch),
    }))
    .sort((one, other) => worth(one) - worth(other))
}

function afterTaking(belief: Gaussian, evidence: Evidence, flatKnown: boolean): Gaussian {
  return readingsOf(evidence)
    .filter(({ bound }) => !(flatKnown && bound))
    .reduce((known, reading) => observe(known, linearised(reading, belief.mean)), belief)
}

/** The measurement as it would be taken; its value does not matter for what it leaves in doubt. */
function imagined(measurement: Measurement, stitch: StitchName): Evidence {
  const taken = { id: 'imagined', at: 0, stitch, loops: 'both', state: 'worked' } as const
  const tenCm = { count: 14, over: 100 }
  switch (measurement) {
    case 'flatSwatch':
      return { ...taken, kind: 'swatch', worked: 'rows', stitches: tenCm, rounds: tenCm }
    case 'roundSwatch': {
      const counts = Array.from({ length: 9 }, (_, index) => 6 * (index + 1))
      return { ...taken, kind: 'round', counts, across: [120, 120], edge: { kind: 'flat' } }
    }
    case 'alongRound':
      return { ...taken, kind: 'marks', along: tenCm }
    case 'outward':
      return { ...taken, kind: 'marks', out: tenCm }
  }
}
