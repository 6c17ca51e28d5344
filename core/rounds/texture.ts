import { sizeOfManner, type Manner } from '../stitches/manner.ts'
import { STITCHES, type StitchName } from '../stitches/stitch.ts'
import type { Op } from './steps.ts'

/** What a texture is told by, each a whole number. */
export type TextureNumber = 'over' | 'rounds' | 'of'

export const TEXTURE_KINDS = ['rib', 'check', 'posts', 'popcorn', 'cluster', 'spike', 'mesh'] as const
export type TextureKind = (typeof TEXTURE_KINDS)[number]

/** A fabric that is not plain. The numbers that its kind asks for are there, and no others. */
export interface Texture {
  readonly kind: TextureKind
  /** Stitches alike side by side; of popcorns and spikes the plain ones between two; of clusters those skipped. */
  readonly over?: number
  /** Rounds until a check is reversed; plain rounds between two of popcorns or spikes. */
  readonly rounds?: number
  /** Stitches that one popcorn or cluster is made of. */
  readonly of?: number
}

/** What a number of a texture may be. */
interface Asked {
  readonly number: TextureNumber
  readonly least: number
  readonly most: number
  readonly usual: number
}

interface TextureOf {
  readonly asks: readonly Asked[]
  /** Stitches after which it begins again. */
  repeat(texture: Texture): number
  /** It goes around posts, which a single crochet has not. */
  readonly posts: boolean
  /** It reaches so many rounds down; a stitch into the top of the round below reaches one. */
  readonly reaches: number
  /** Width and height against plain fabric of the same stitch, ±10% until it is measured (FIELD §12). */
  size(texture: Texture): { readonly width: number; readonly height: number }
  /**
   * One repeat.
   * @param index of the round within the texture, from 0
   */
  ops(texture: Texture, stitch: StitchName, index: number): readonly Op[]
}

const one = (stitch: StitchName, manner?: Manner, of?: number): Op => ({
  stitch,
  uses: 1,
  makes: 1,
  times: 1,
  ...(manner ? { manner } : {}),
  ...(of === undefined ? {} : { of }),
})

const many = (op: Op, times: number): Op[] => (times > 0 ? [{ ...op, times }] : [])

const asked = (number: TextureNumber, least: number, most: number, usual: number): Asked => ({
  number,
  least,
  most,
  usual,
})

/** One raised stitch after so many plain ones, in every so manieth round; half a repeat on in every other of those. */
function scattered(
  { over = 3, rounds = 1 }: Texture,
  raised: Op,
  stitch: StitchName,
  index: number,
): readonly Op[] {
  if (index % (rounds + 1) !== 0) return many(one(stitch), over + 1)
  const before = (index / (rounds + 1)) % 2 === 0 ? over : Math.floor(over / 2)
  return [...many(one(stitch), before), raised, ...many(one(stitch), over - before)]
}

/** The mean over a repeat and the plain rounds between of what raised stitches differ from plain ones. */
const diluted = ({ over = 3, rounds = 1 }: Texture, factor: number): number =>
  1 + (factor - 1) / ((over + 1) * (rounds + 1))

const TEXTURES: Readonly<Record<TextureKind, TextureOf>> = {
  rib: {
    asks: [asked('over', 1, 4, 1)],
    repeat: ({ over = 1 }) => 2 * over,
    posts: true,
    reaches: 1,
    size: () => ({ width: 0.8, height: 0.75 }),
    ops: ({ over = 1 }, stitch) => [
      ...many(one(stitch, 'frontPost'), over),
      ...many(one(stitch, 'backPost'), over),
    ],
  },
  check: {
    asks: [asked('over', 1, 8, 3), asked('rounds', 1, 8, 3)],
    repeat: ({ over = 3 }) => 2 * over,
    posts: true,
    reaches: 1,
    size: () => ({ width: 0.92, height: 0.72 }),
    ops: ({ over = 3, rounds = 3 }, stitch, index) => {
      const [first, then] =
        Math.floor(index / rounds) % 2 === 0
          ? (['frontPost', 'backPost'] as const)
          : (['backPost', 'frontPost'] as const)
      return [...many(one(stitch, first), over), ...many(one(stitch, then), over)]
    },
  },
  posts: {
    asks: [],
    repeat: () => 1,
    posts: true,
    reaches: 1,
    size: () => ({ width: 0.95, height: 0.75 }),
    ops: (_, stitch) => [one(stitch, 'frontPost')],
  },
  popcorn: {
    asks: [asked('of', 3, 7, 5), asked('over', 1, 11, 3), asked('rounds', 1, 5, 1)],
    repeat: ({ over = 3 }) => over + 1,
    posts: false,
    reaches: 1,
    size: (texture) => ({ width: diluted(texture, sizeOfManner('popcorn').width), height: 1 }),
    ops: (texture, stitch, index) =>
      scattered(texture, one(stitch, 'popcorn', texture.of ?? 5), stitch, index),
  },
  cluster: {
    asks: [asked('of', 2, 5, 3)],
    repeat: ({ over = 0 }) => over + 1,
    posts: false,
    reaches: 1,
    size: ({ over = 0 }) => ({ width: 1.7 / (over + 1), height: 1.1 }),
    ops: ({ of = 3, over = 0 }, stitch) => [one(stitch, 'cluster', of), ...many(one(stitch, 'space'), over)],
  },
  spike: {
    asks: [asked('over', 1, 11, 3), asked('rounds', 0, 5, 1)],
    repeat: ({ over = 3 }) => over + 1,
    posts: false,
    reaches: 2,
    size: () => ({ width: 1, height: 1 }),
    ops: (texture, stitch, index) => scattered(texture, one(stitch, 'spike'), stitch, index),
  },
  mesh: {
    asks: [],
    repeat: () => 2,
    posts: false,
    reaches: 1,
    size: () => ({ width: 1, height: 1 }),
    ops: (_, stitch) => [one(stitch), one(stitch, 'space')],
  },
}

/** The numbers that a kind of texture asks for. */
export const numbersOfTexture = (kind: TextureKind): readonly Asked[] => TEXTURES[kind].asks

/** A texture of a kind as most make it. */
export const usualTexture = (kind: TextureKind): Texture => ({
  kind,
  ...Object.fromEntries(TEXTURES[kind].asks.map(({ number, usual }) => [number, usual])),
})

/** A single round of a kind as most make it: it has no rounds of its own, and its clusters leave one out. */
export function usualAccent(kind: TextureKind): Texture {
  const { rounds: _, ...texture } = usualTexture(kind)
  return kind === 'cluster' ? { ...texture, over: 1 } : texture
}

/** What a count around must divide by. */
export const repeatOf = (texture: Texture): number => TEXTURES[texture.kind].repeat(texture)

/** Width and height of a stitch in it, against plain fabric. */
export const sizeOfTexture = (texture: Texture): { readonly width: number; readonly height: number } =>
  TEXTURES[texture.kind].size(texture)

/** How wide a stitch of a rib is, against plain fabric, when it is stretched; other textures give as plain fabric does. */
export const stretchedWidth = ({ kind }: Texture): number | undefined => (kind === 'rib' ? 1.1 : undefined)

/** Standard deviation of ln w and of ln h that a texture adds until it is measured: within 10% 19 times of 20. */
export const TEXTURE_SD = 0.05

/** Whether it can be worked in a stitch at all: around a post there must be one. */
export const worksIn = ({ kind }: Texture, stitch: StitchName): boolean =>
  !TEXTURES[kind].posts || hasPost(stitch)

/** Whether it is worked around posts, and so into no loop. */
export const goesRoundPosts = ({ kind }: Texture): boolean => TEXTURES[kind].posts

/** Whether a stitch is tall enough to be worked around. */
export const hasPost = (stitch: StitchName): boolean => STITCHES[stitch].bodied && stitch !== 'sc'

/**
 * Whether a round can be worked in it on top of what is there, the round below first: it must have posts to go
 * around, or rounds to reach down to.
 */
export function standsOn({ kind }: Texture, below: readonly StitchName[]): boolean {
  const { posts, reaches } = TEXTURES[kind]
  return below.length >= reaches && (!posts || hasPost(below[0]!))
}

/**
 * One repeat of a round of it, as the maker sees it: on the wrong side what stands out is worked to the back, and the
 * round goes the other way.
 * @param index of the round within the texture, from 0
 */
export function opsOfTexture(
  texture: Texture,
  stitch: StitchName,
  index: number,
  side: 'right' | 'wrong' = 'right',
): readonly Op[] {
  const ops = TEXTURES[texture.kind].ops(texture, stitch, index)
  return side === 'right' ? ops : ops.map(seenFromBehind).reverse()
}

function seenFromBehind(op: Op): Op {
  if (op.manner === 'frontPost') return { ...op, manner: 'backPost' }
  return op.manner === 'backPost' ? { ...op, manner: 'frontPost' } : op
}
