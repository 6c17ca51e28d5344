import { SpecError } from '../errors/specError.ts'
import { CHAIN_SHARE_OF_SC, STITCHES, yarnPerStitch } from '../stitches/stitch.ts'

/** Small things that have no rounds to plan: of chains, strands and turns; lengths in mm (FIELD §13, §14). */
export type SmallPart =
  /** A chain as long as asked; slip stitches back along it make it firm. */
  | { readonly kind: 'cord'; readonly long: number; readonly firm: boolean }
  /** A ring of chains with so much room, worked over with sc or left a chain. */
  | { readonly kind: 'loop'; readonly opening: number; readonly over: boolean }
  /** Strands in three groups. */
  | { readonly kind: 'braid'; readonly long: number; readonly strands: number }
  | { readonly kind: 'tassel'; readonly long: number; readonly turns: number }
  | { readonly kind: 'pompom'; readonly across: number }
  /** One round of sc in a ring: an eye, a button, a foot to stand on. */
  | { readonly kind: 'dot'; readonly stitches: number }

export const SMALL_PARTS = ['cord', 'loop', 'braid', 'tassel', 'pompom', 'dot'] as const

/** What a small part comes to. */
export interface SmallPartPlan {
  /** Chains to begin with. */
  readonly chains?: number
  /** Stitches worked back along the chain, or over it. */
  readonly stitches?: number
  /** Strands to cut, each so long, mm. */
  readonly strands?: { readonly count: number; readonly each: number }
  /** Turns around a card that is so wide, mm. */
  readonly turns?: { readonly count: number; readonly card: number }
  readonly metres: number
  readonly seconds: number
}

type Yarn = Readonly<Record<'w' | 'yarnDiameter', number>>

/** A chain is worked over with so many sc (FIELD §13). */
const OVER_A_CHAIN = 2.5
/** As many sc as a drawn ring lies flat with, and a few that it still takes. */
const IN_A_RING = 9
/** Strands of a braid lie aslant: they take so much more than it is long. */
const BRAIDED = 1.3
/** To knot both ends, to tie a neck or a middle, mm. */
const [KNOTS, TIED] = [100, 300]
/** Ends of a pompom stand so many yarn diameters apart when it is full. */
const APART = 1.9
/** Each turn of a card is tied in its middle and cut: so many ends. */
const ENDS = 4
/** Turns a minute around a card, and minutes to tie, cut and trim. */
const [TURNS_A_MINUTE, TRIMMING] = [40, 5]

/** The limits of what is asked, mm and counts. */
export const SMALL_PART_LIMITS = {
  long: [10, 3000],
  opening: [5, 300],
  across: [15, 150],
  strands: [3, 60],
  turns: [4, 200],
  stitches: [6, 18],
} as const satisfies Record<string, readonly [number, number]>

/**
 * What a small part takes.
 * @param yarn w is the width of an sc and the length of a chain, mm
 * @param pace single crochets a minute
 */
export function planSmallPart(part: SmallPart, yarn: Yarn, pace: number): SmallPartPlan {
  const { w, yarnDiameter } = yarn
  const ofStitch = (stitch: 'slst' | 'sc') => yarnPerStitch(stitch, w, yarnDiameter)
  const worked = (chains: number, stitches: number, stitch: 'slst' | 'sc') => ({
    chains,
    ...(stitches > 0 ? { stitches } : {}),
    metres: (chains * CHAIN_SHARE_OF_SC * ofStitch('sc') + stitches * ofStitch(stitch) + TIED) / 1000,
    seconds: ((chains * CHAIN_SHARE_OF_SC + stitches * STITCHES[stitch].effort) * 60) / pace,
  })
  switch (part.kind) {
    case 'cord': {
      const chains = Math.max(1, Math.round(part.long / w))
      // The chain that turns has no stitch of its own.
      return part.firm ? worked(chains + 1, chains, 'slst') : worked(chains, 0, 'slst')
    }
    case 'loop': {
      const chains = Math.max(3, Math.round((Math.PI * part.opening) / w))
      return worked(chains, part.over ? Math.round(chains * OVER_A_CHAIN) : 0, 'sc')
    }
    case 'braid': {
      const each = Math.ceil(part.long * BRAIDED + KNOTS)
      const count = 3 * Math.ceil(part.strands / 3)
      return {
        strands: { count, each },
        metres: (count * each) / 1000,
        seconds: (part.long / 10) * 3 + count * 10,
      }
    }
    case 'dot': {
      // More than a ring draws up to stands around a ring of chains: one for every three of them (FIELD §2).
      const chains = part.stitches > IN_A_RING ? Math.round(part.stitches / 3) : 0
      return {
        ...(chains > 0 ? { chains } : {}),
        stitches: part.stitches,
        metres: (part.stitches * ofStitch('sc') + chains * CHAIN_SHARE_OF_SC * ofStitch('sc') + TIED) / 1000,
        seconds: ((part.stitches + chains * CHAIN_SHARE_OF_SC) * 60) / pace,
      }
    }
    case 'tassel':
      return {
        turns: { count: part.turns, card: part.long },
        metres: (2 * part.long * part.turns + 2 * TIED) / 1000,
        seconds: (part.turns / TURNS_A_MINUTE + TRIMMING) * 60,
      }
    case 'pompom': {
      const ends = (Math.PI * part.across ** 2) / (APART * yarnDiameter) ** 2
      const count = Math.max(8, Math.round(ends / ENDS))
      return {
        turns: { count, card: part.across },
        metres: (2 * part.across * count + TIED) / 1000,
        seconds: (count / TURNS_A_MINUTE + TRIMMING) * 60,
      }
    }
  }
}

/** Cords longer than this are none for a small child, mm. */
const SHORT_CORD = 200

/**
 * Refuses what may hurt somebody who puts things into their mouth.
 * @throws SpecError with what to do instead
 */
export function validateSmallPart(part: SmallPart, forSmall: boolean): void {
  if (!forSmall) return
  if (part.kind === 'pompom' || part.kind === 'tassel') {
    throw new SpecError(
      'steps',
      'It is for somebody who puts things into their mouth: threads come off a pompom or a tassel and are swallowed.',
      'Embroider it instead.',
    )
  }
  if ((part.kind === 'cord' || part.kind === 'braid') && part.long > SHORT_CORD) {
    throw new SpecError(
      'steps',
      'A cord as long as this may go around a small child’s neck.',
      'Up to 20 cm, and never at the neck of a hat.',
    )
  }
}
