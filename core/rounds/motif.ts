import type { StitchName } from '../stitches/stitch.ts'
import { plain, stitchesConsumed, type Op } from './steps.ts'

/** What stands on an edge: a short instruction, which says what it uses of it. */
export interface Motif {
  readonly name: string
  readonly ops: readonly Op[]
}

/** Stitches of the edge that a motif stands on. */
export const usedByMotif = ({ ops }: Pick<Motif, 'ops'>): number => stitchesConsumed([{ times: 1, ops }])

/** So many chains that stand free. */
export const freeChain = (times: number): Op => ({
  stitch: 'sc',
  uses: 0,
  makes: 1,
  times,
  manner: 'chain',
})

/** Stitches back along a free chain. */
export const alongChain = (stitch: StitchName, times = 1): Op => ({
  stitch,
  uses: 0,
  makes: 1,
  times,
  manner: 'alongChain',
})

/** So many stitches of the edge left out. */
export const leftOut = (uses: number): Op => ({ stitch: 'sc', uses, makes: 0, times: 1, manner: 'skip' })

/** Motifs that most edges are made of (FIELD §14). */
export const USUAL_MOTIFS = ['point', 'leg', 'shell', 'loop', 'tail'] as const
export type UsualMotif = (typeof USUAL_MOTIFS)[number]

const LEAF: readonly Op[] = [
  freeChain(5),
  ...(['slst', 'sc', 'hdc', 'dc'] as const).map((one) => alongChain(one)),
]

const USUAL_OPS: Readonly<Record<UsualMotif, readonly Op[]>> = {
  point: [...LEAF, leftOut(1), plain('slst')],
  leg: [...LEAF, leftOut(2), plain('slst')],
  shell: [leftOut(2), { ...plain('dc'), makes: 5 }, leftOut(2), plain('slst')],
  loop: [freeChain(12), leftOut(1), plain('slst')],
  tail: [freeChain(15), alongChain('slst', 14), plain('slst')],
}

export const usualMotif = (kind: UsualMotif): readonly Op[] => USUAL_OPS[kind]
