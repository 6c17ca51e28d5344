/** The stitches rounds are worked in, by their US short names. */
export type StitchName = 'slst' | 'sc' | 'hdc' | 'dc' | 'tr'

/** Stitches that a whole fabric can be made of. */
export const BODY_STITCHES = ['sc', 'hdc', 'dc', 'tr'] as const satisfies readonly StitchName[]

/** In which country's words a pattern speaks. The same word means different stitches in the two. */
export type Terms = 'US' | 'UK'

export interface Stitch {
  readonly name: StitchName
  readonly short: Readonly<Record<Terms, string>>
  readonly long: Readonly<Record<Terms, string>>
  /** Height over width with everyday tension; prior until the maker's own gauge is known. */
  readonly heightOverWidth: number
  /** Chains that bring the hook up to the height of the round. */
  readonly turningChain: number
  /** Chains at the start that are tall enough to stand for the first stitch; none for short stitches. */
  readonly countingChain?: number
  /** Yarn in one stitch = `perWidth` × sc width + `perDiameter` × yarn diameter. */
  readonly yarn: { readonly perWidth: number; readonly perDiameter: number }
  /** Working time of one stitch, in single crochets. */
  readonly effort: number
  /** Whether a whole fabric can be made of it (a slip stitch only edges). */
  readonly bodied: boolean
}

/** Yarn in one chain, as a share of the yarn in one sc; the same for its working time. */
export const CHAIN_SHARE_OF_SC = 0.45

const SC_YARN = { perWidth: 4.3, perDiameter: 13.7 }
const DC_YARN = { perWidth: 6.8, perDiameter: 25.1 }

const scaled = (yarn: { perWidth: number; perDiameter: number }, by: number) => ({
  perWidth: yarn.perWidth * by,
  perDiameter: yarn.perDiameter * by,
})

export const STITCHES: Readonly<Record<StitchName, Stitch>> = {
  slst: {
    name: 'slst',
    short: { US: 'sl st', UK: 'ss' },
    long: { US: 'slip stitch', UK: 'slip stitch' },
    heightOverWidth: 0.35,
    turningChain: 0,
    yarn: scaled(SC_YARN, 0.55),
    effort: 0.6,
    bodied: false,
  },
  sc: {
    name: 'sc',
    short: { US: 'sc', UK: 'dc' },
    long: { US: 'single crochet', UK: 'double crochet' },
    heightOverWidth: 0.955,
    turningChain: 1,
    yarn: SC_YARN,
    effort: 1,
    bodied: true,
  },
  hdc: {
    name: 'hdc',
    short: { US: 'hdc', UK: 'htr' },
    long: { US: 'half double crochet', UK: 'half treble' },
    heightOverWidth: 1.27,
    turningChain: 2,
    yarn: { perWidth: 5.6, perDiameter: 18.6 },
    effort: 1.2,
    bodied: true,
  },
  dc: {
    name: 'dc',
    short: { US: 'dc', UK: 'tr' },
    long: { US: 'double crochet', UK: 'treble' },
    heightOverWidth: 1.91,
    turningChain: 2,
    countingChain: 3,
    yarn: DC_YARN,
    effort: 1.4,
    bodied: true,
  },
  tr: {
    name: 'tr',
    short: { US: 'tr', UK: 'dtr' },
    long: { US: 'treble crochet', UK: 'double treble' },
    heightOverWidth: 2.6,
    turningChain: 3,
    countingChain: 4,
    yarn: scaled(DC_YARN, 1.3),
    effort: 1.8,
    bodied: true,
  },
}

/** Whether a round of it only edges the fabric: it neither waves nor cups. */
export const isEdging = (name: StitchName): boolean => !STITCHES[name].bodied

/** Yarn in one stitch, mm: `perWidth`·w + `perDiameter`·d, with w the sc width and d the yarn diameter. */
export function yarnPerStitch(name: StitchName, scWidth: number, yarnDiameter: number): number {
  const { perWidth, perDiameter } = STITCHES[name].yarn
  return perWidth * scWidth + perDiameter * yarnDiameter
}

/** Stitches to add every round so that a disc lies flat: 2π·h/w, unrounded. Lengths in mm. */
export function flatIncrease(w: number, h: number): number {
  return (2 * Math.PI * h) / w
}
