import type { Beginning, RoundOfCloth } from '../lay/clothOf.ts'
import { startOfFabric } from '../lay/startOfFabric.ts'
import { countAround, type Round, type SectionId } from '../rounds/round.ts'
import type { PieceSpec } from './plan.ts'
import type { Texture } from '../rounds/texture.ts'
import { accentAt } from './sectionWork.ts'
import { takenIn } from '../rounds/spine.ts'
import type { StitchName } from '../stitches/stitch.ts'
import { crispIn, foundationOf, rowsIn, sectionsOf, takenInIn } from './wantedAround.ts'

/** A round to be laid down, in the fabric of its section. */
export interface RoundToLay extends RoundOfCloth {
  readonly section: SectionId
  /** It is a single round of that texture. */
  readonly accent?: Texture
}

/** A round by all of its stitches, before it is laid. */
export interface RoundCounted {
  readonly number: number
  readonly section: SectionId
  readonly stitch: StitchName
  readonly count: number
}

export type SpecToLay = Pick<
  PieceSpec,
  'form' | 'construction' | 'stitch' | 'gauge' | 'sections' | 'constraints'
>

/** Rounds that are worked on top of one that is laid already, or from the first on. */
export type LayAs = (rounds: readonly RoundCounted[], after?: RoundToLay) => RoundToLay[]

/**
 * How rounds of a spec are laid: the first of a section that turns a crisp edge bends there, and is plain. Of what grows
 * around a chain, what lies along its sides goes straight, and its ends are laid as the ring that they make together; a
 * row is laid as the ring that it is a part of.
 */
export function layAs(spec: SpecToLay): LayAs {
  const crisp = crispIn(spec)
  const foundation = foundationOf(spec)
  const taken = takenInIn(spec)
  const rows = rowsIn(spec)
  return (rounds, after) => {
    let below = after
    const straightUnder = (all: number, section: SectionId) => {
      if (below?.straight === undefined) return 2 * foundation!.side
      const { straight, count } = below
      return taken.has(section) ? takenIn(straight, count + straight, all) : straight
    }
    return rounds.map(({ number, section, stitch, count: all }) => {
      const straight = foundation && straightUnder(all, section)
      const accent = accentAt(spec, { number, section, stitch })
      const row = rows.get(section)
      // A panel stands on a part of the ring below it.
      const panel = row?.panel === true && below !== undefined
      const round: RoundToLay = {
        section,
        stitch,
        count: panel ? below!.count : (all - (straight ?? 0)) / (row?.share ?? 1),
        ...(panel ? { share: all / below!.count, panel } : row ? { share: row.share } : {}),
        ...(straight === undefined ? {} : { straight }),
        ...(section !== below?.section && crisp.has(section) ? { crisp: true } : accent ? { accent } : {}),
      }
      if (!panel) below = round
      return round
    })
  }
}

/** Rounds as they are laid, from the first of a piece on. */
export const toLay = (spec: SpecToLay, rounds: readonly Round[]): RoundToLay[] =>
  layAs(spec)(
    rounds.map((round, index) => ({
      number: index + 1,
      section: round.section,
      stitch: round.fabric,
      count: countAround(round),
    })),
  )

/**
 * Where the rounds of a piece begin: around a middle, or on a joined chain as long as the first of them.
 * @param w, h of the body stitch, mm
 */
export function beginningOf(
  spec: SpecToLay,
  { w, h }: { readonly w: number; readonly h: number },
  rounds: readonly RoundToLay[],
): Beginning<RoundToLay> {
  const { start } = spec.construction
  const { centre, hole } = startOfFabric(start, spec.stitch, w, h)
  const [first] = rounds
  return {
    centre,
    hole,
    ...((start.kind === 'joinedChain' || start.kind === 'chain') && first ? { tube: first } : {}),
    free: sectionsOf(spec).some(({ guide }) => guide.lies !== 'flat'),
  }
}
