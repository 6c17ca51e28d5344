import type { Reading } from '../gauge/reading.ts'
import { TAPE_SD } from '../gauge/reading.ts'
import { layDown } from '../lay/layDown.ts'
import { meanOf, measured, type Seen } from '../lay/measures.ts'
import { beginningOf, type RoundToLay, type SpecToLay } from '../plan/beginningOf.ts'
import { gaugesOf } from '../plan/sectionWork.ts'
import { sizesOf } from '../plan/wantedAround.ts'

/** Fabric is not as exact as a tape: relative doubt of any size of what stands or is folded flat. */
const FABRIC_SD = 0.012

/**
 * What sizes of a piece say of its stitches: each is held against what `lay` makes of these rounds, to first order
 * from the settled cloth itself. The unknowns are ln w and ln h of the body stitch.
 * @param rounds as they may have been worked
 */
export function laidReadings(
  rounds: readonly RoundToLay[],
  spec: SpecToLay,
  seen: readonly Seen[],
): Reading[] {
  const { gauge } = spec
  const laid = layDown(rounds, beginningOf(spec, gauge, rounds), gaugesOf(spec))
  const { lnW, lnH } = laid.moves()
  const { thickness } = sizesOf(spec)
  const at = [Math.log(gauge.w), Math.log(gauge.h)] as const
  return seen.map(({ of, at: round, values }): Reading => {
    const index = Math.min(round, rounds.length) - 1
    const ring = laid.rings[index]!
    const size = measured(of, ring, thickness)
    const { spine = 0 } = ring
    const byWidth = { radius: lnW.radius[index]!, z: lnW.z[index]!, arc: 0, spine }
    const byW = measured(of, byWidth) / size
    const byH =
      measured(of, {
        radius: lnH.radius[index]!,
        z: lnH.z[index]!,
        arc: ring.arc,
        turned: ring.turned ?? 0,
      }) / size
    const tape = TAPE_SD / meanOf(values)
    return {
      about: 'size',
      on: [0, 1],
      value: Math.log(meanOf(values)),
      variance: tape ** 2 / values.length + FABRIC_SD ** 2,
      predict: (unknowns) => Math.log(size) + byW * (unknowns[0]! - at[0]) + byH * (unknowns[1]! - at[1]),
    }
  })
}
