import type { Round } from '../rounds/round.ts'
import { wayOf, constructionIn } from './sectionWork.ts'
import { isZoned } from './ownZones.ts'
import { flatIn, type PieceToOutline } from './wantedAround.ts'

/** Stitches of unturned rounds drift sideways by ¼ to ½ of one a round (FIELD §2); turned ones do not. */
const LEANS = 1 / 3

/**
 * How many stitches farther on the round after each of these begins, so that zones stay where they are: as soon as what
 * stands up has drifted by a whole stitch. Where nothing around has a place of its own, it may drift.
 */
export function leansAt(
  spec: PieceToOutline,
  rounds: readonly Pick<Round, 'section' | 'closed'>[],
): number[] {
  if (!isZoned(spec)) return rounds.map(() => 0)
  const flat = flatIn(spec)
  let drift = 0
  return rounds.map(({ section, closed }, index) => {
    const unturned = wayOf(constructionIn(spec, section).rounds) !== 'turned'
    const goesOn = rounds[index + 1]?.closed === true
    if (flat.has(section) || !closed || !unturned) return 0
    drift += LEANS
    if (drift < 1 - 1e-9 || !goesOn) return 0
    drift -= 1
    return 1
  })
}
