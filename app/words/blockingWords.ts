import type { Fibre } from '../../core/index.ts'

const PLANT = 'Cotton and linen: wet it, pin it to measure, let it dry flat. Wash it warm, dry it flat.'
const SYNTHETIC =
  'What has synthetics in it: pin it damp, never hot, no iron and no steam: heat melts it. Wash it cool.'

/** How a piece of a fibre is blocked, and cared for after (FIELD §14). */
export const BLOCKING_WORDS: Readonly<Record<Fibre, string>> = {
  cotton: PLANT,
  linen: PLANT,
  wool: 'Wool: wet it or steam it, pin it to measure. Wash it cool by hand, or it felts; dry it flat.',
  superwash: 'Superwash wool grows when it is wet: do not hang it, pat it back to the outline, dry it flat.',
  acrylic: SYNTHETIC,
  polyester: SYNTHETIC,
  nylon: SYNTHETIC,
  blend: SYNTHETIC,
  metallic: SYNTHETIC,
  unknown: 'Not knowing its fibre, pin it damp and cool: synthetics take no heat. Read the label.',
}
