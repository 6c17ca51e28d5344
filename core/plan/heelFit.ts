import { familyOf } from '../forms/registry.ts'
import type { SectionId } from '../rounds/round.ts'
import { stretchedWidth, sizeOfTexture } from '../rounds/texture.ts'
import type { PieceSpec, PlannedRound } from './plan.ts'
import { textureIn } from './sectionWork.ts'
import type { PieceToOutline } from './wantedAround.ts'

/** How the heel of a foot passes what is open around its ankle, by perimeters, mm. */
export interface HeelFit {
  /** The section of the narrowest of it. */
  readonly section: SectionId
  /** That as it lies, and as far as it stretches. */
  readonly around: number
  readonly stretched: number
  /** What the heel must have. */
  readonly passes: number
  /** What must lie around it so that it has. */
  readonly least: number
  /** Rounds of the toe that may be left out so that it does; none when it passes. */
  readonly rounds: number
}

/** A heel passes what stretches to so many times the length of its foot (FIELD §11). */
const OF_THE_FOOT = 1.25
/** By how much plain fabric stretches around a heel without being forced. */
const STRETCHES = 0.15

/** Whether a foot gets into what is made for it; nothing of what goes on no foot. */
export function heelFit(
  spec: PieceToOutline & Pick<PieceSpec, 'form' | 'sections'>,
  rounds: readonly PlannedRound[],
): HeelFit | undefined {
  const foot = familyOf(spec.form).onFoot?.(spec.form)
  // Where the instep stays open no heel has to pass.
  if (foot === undefined || !rounds.at(-1)!.closed) return undefined
  const upright = rounds.filter(
    ({ at, closed, section }) => closed && at.z > 0 && section !== rounds[0]!.section,
  )
  if (upright.length === 0) return undefined
  const sizes = upright.map((round) => {
    const texture = textureIn(spec, round.section)
    const rib = texture && stretchedWidth(texture)
    const by = rib === undefined ? 1 + STRETCHES : rib / sizeOfTexture(texture!).width
    // Its stitches, however its neighbours pull at it.
    const around = (round.count * round.around) / round.ideal
    return { around, stretched: around * by, by, section: round.section }
  })
  const tightest = sizes.reduce((least, one) => (one.stretched < least.stretched ? one : least))
  const passes = OF_THE_FOOT * foot
  const taken = rounds.find(
    ({ count, from, section, closed }) => closed && section !== rounds[0]!.section && count < from,
  )
  const each = taken ? ((taken.from - taken.count) * taken.around) / taken.ideal : Infinity
  const short = Math.max(0, passes / tightest.by - tightest.around)
  return {
    section: tightest.section,
    around: tightest.around,
    stretched: tightest.stretched,
    passes,
    least: passes / tightest.by,
    rounds: Math.ceil(short / each - 1e-9),
  }
}
