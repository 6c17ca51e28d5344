import type { Beginning, RoundOfCloth } from '../lay/clothOf.ts'
import { startOfFabric } from '../lay/startOfFabric.ts'
import { countOf, type Round, type SectionId } from '../rounds/round.ts'
import type { PieceSpec } from './plan.ts'
import type { Texture } from '../rounds/texture.ts'
import { accentAt } from './sectionWork.ts'
import { crispIn, sectionsOf } from './wantedAround.ts'

/** A round to be laid down, in the fabric of its section. */
export interface RoundToLay extends RoundOfCloth {
  readonly section: SectionId
  /** It is a single round of that texture. */
  readonly accent?: Texture
}

export type SpecToLay = Pick<
  PieceSpec,
  'form' | 'construction' | 'stitch' | 'gauge' | 'sections' | 'constraints'
>

/** A round of so many stitches that is worked on top of one of a section, or is the first. */
export type LayAs = (
  round: Pick<RoundToLay, 'section' | 'stitch' | 'count'> & { readonly number: number },
  below: SectionId | undefined,
) => RoundToLay

/** How rounds of a spec are laid: the first of a section that turns a crisp edge bends there, and is plain. */
export function layAs(spec: SpecToLay): LayAs {
  const crisp = crispIn(spec)
  return ({ number, section, stitch, count }, below) => {
    const round = { section, stitch, count }
    if (section !== below && crisp.has(section)) return { ...round, crisp: true }
    const accent = accentAt(spec, { number, section, stitch })
    return accent ? { ...round, accent } : round
  }
}

/** Rounds as they are laid, from the first of a piece on. */
export function toLay(spec: SpecToLay, rounds: readonly Round[]): RoundToLay[] {
  const as = layAs(spec)
  return rounds.map((round, index) =>
    as(
      { number: index + 1, section: round.section, stitch: round.fabric, count: countOf(round) },
      rounds[index - 1]?.section,
    ),
  )
}

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
    ...(start.kind === 'joinedChain' && first ? { tube: first } : {}),
    free: sectionsOf(spec).some(({ guide }) => guide.lies !== 'flat'),
  }
}
