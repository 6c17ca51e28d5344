import type { Rim } from '../../core/index.ts'

/** What every edging is called, and what it does. */
export const RIM_WORDS: Readonly<
  Record<Rim | 'none' | 'motifs', { readonly label: string; readonly detail: string }>
> = {
  none: { label: 'None', detail: 'The last round is the edge.' },
  slst: { label: 'Slip stitches', detail: 'Firm and flat: it keeps the edge from stretching.' },
  reverse: { label: 'Reverse stitches', detail: 'Worked the other way round: a corded edge.' },
  curl: {
    label: 'Curled',
    detail: 'A stitch, a chain and a slip stitch in every stitch: it rolls outward.',
  },
  picot: { label: 'Picots', detail: 'A loop of three chains on every third stitch.' },
  frill: {
    label: 'Frill',
    detail: 'Three in one, one in the next: twice the stitches, and it waves. It stands out beyond the size.',
  },
  scallop: {
    label: 'Scallops',
    detail: 'Five in one, a slip stitch: tight arches. They stand out beyond the size.',
  },
  shell: {
    label: 'Shells',
    detail: 'Five in one over six stitches: they lie flat, and stand out beyond the size.',
  },
  motifs: {
    label: 'Motifs along it',
    detail: 'Points, loops, tails or your own, with slip stitches between. They stand out beyond the size.',
  },
}
