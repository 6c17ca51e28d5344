import { stitchesProduced, type Step } from './steps.ts'

/**
 * Where around the round something happens, as a maker calls it. Sides lie straight; what is `back` leads from an end to
 * where the round began; `own` zones have a name of their own, and `rest` lies between them.
 */
export const ZONES = ['side', 'end', 'toe', 'heel', 'back', 'front', 'own', 'rest'] as const
export type Zone = (typeof ZONES)[number]

/** A stretch of a round by its zone, and the stitches it has there. */
export interface ZoneSpan {
  readonly zone: Zone
  /** What the maker calls it, of a zone of their own. */
  readonly name?: string
  readonly count: number
}

/** A stretch of a round: its zone, and the stitches it has there. */
export interface ZoneCount extends ZoneSpan {
  /** How it is worked; nothing where the steps of the round go across its zones. */
  readonly steps: readonly Step[]
}

/** A round as far as its zones go: told by its steps, or carried from the round that it stands evenly on. */
export interface ZonedRound {
  readonly steps: readonly Step[]
  readonly zones?: readonly ZoneSpan[]
}

/**
 * The zones of a round in working order. Those of its steps are counted from them, so that they always add up to it.
 * @returns nothing where the round has none
 */
export function zonesOf({ steps, zones: carried = [] }: ZonedRound): readonly ZoneCount[] {
  if (steps.some(({ zone }) => zone === undefined)) return carried.map((span) => ({ ...span, steps: [] }))
  const zones: { zone: Zone; name?: string; steps: Step[] }[] = []
  for (const step of steps) {
    const last = zones.at(-1)
    if (last?.zone === step.zone && last?.name === step.name) last!.steps.push(step)
    else zones.push({ zone: step.zone!, ...(step.name ? { name: step.name } : {}), steps: [step] })
  }
  return zones.map((one) => ({ ...one, count: stitchesProduced(one.steps) }))
}

/** The zone that a stitch of a round is made in, from 0. */
export function zoneAt(round: ZonedRound, stitch: number): ZoneCount | undefined {
  let made = 0
  return zonesOf(round).find(({ count }) => stitch < (made += count))
}
