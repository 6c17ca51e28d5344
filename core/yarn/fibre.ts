import type { WashChange } from '../gauge/latentGauge.ts'

/** What a yarn is made of, as far as it matters for use. `blend` has some synthetic in it. */
export type Fibre =
  | 'cotton'
  | 'linen'
  | 'wool'
  | 'superwash'
  | 'acrylic'
  | 'polyester'
  | 'nylon'
  | 'blend'
  | 'metallic'
  | 'unknown'

export interface FibreTraits {
  readonly name: string
  /** Melts in heat and sticks to skin. */
  readonly melts: boolean
  /** Takes up water. */
  readonly absorbs: boolean
  /** Change of w and h in the first wash, in logarithms: cotton shrinks 3 to 5%, superwash grows. */
  readonly washing: WashChange
}

const plant = { melts: false, absorbs: true }
const synthetic = { melts: true, absorbs: false, washing: { mean: 0, sd: 0.02 } }

export const FIBRES: Readonly<Record<Fibre, FibreTraits>> = {
  cotton: { name: 'cotton', ...plant, washing: { mean: -0.04, sd: 0.01 } },
  linen: { name: 'linen', ...plant, washing: { mean: -0.03, sd: 0.015 } },
  wool: { name: 'wool', melts: false, absorbs: true, washing: { mean: 0.02, sd: 0.03 } },
  superwash: { name: 'superwash wool', melts: false, absorbs: true, washing: { mean: 0.05, sd: 0.03 } },
  acrylic: { name: 'acrylic', ...synthetic },
  polyester: { name: 'polyester', ...synthetic },
  nylon: { name: 'nylon', ...synthetic },
  blend: { name: 'blend with synthetics', melts: true, absorbs: true, washing: { mean: -0.02, sd: 0.03 } },
  metallic: { name: 'metallic or glow', ...synthetic },
  unknown: { name: 'not said', melts: false, absorbs: false, washing: { mean: 0, sd: 0.04 } },
}

export const ALL_FIBRES = Object.keys(FIBRES) as readonly Fibre[]
