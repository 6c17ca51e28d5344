import { stitchesProduced, type Step } from './steps.ts'

/** Where around the round something happens, as a maker calls it. Sides lie straight; what is `back` leads from an end to where the round began. */
export const ZONES = ['side', 'end', 'toe', 'heel', 'back', 'front'] as const
export type Zone = (typeof ZONES)[number]

/** A stretch of a round: its zone, and the stitches it has there. */
export interface ZoneCount {
  readonly zone: Zone
  readonly count: number
  /** How it is worked. */
  readonly steps: readonly Step[]
}

/**
 * The zones of a round in working order, counted from its steps, so that they always add up to it.
 * @returns nothing where the round has none
 */
export function zonesOf({ steps }: { readonly steps: readonly Step[] }): readonly ZoneCount[] {
  if (steps.some(({ zone }) => zone === undefined)) return []
  const zones: { zone: Zone; steps: Step[] }[] = []
  for (const step of steps) {
    const last = zones.at(-1)
    if (last?.zone === step.zone) last!.steps.push(step)
    else zones.push({ zone: step.zone!, steps: [step] })
  }
  return zones.map((one) => ({ ...one, count: stitchesProduced(one.steps) }))
}
