import type { StitchName } from '../stitches/stitch.ts'
import type { Start } from '../plan/plan.ts'
import type { FabricState, Loops } from './latentGauge.ts'

/** So many stitches, or rounds, counted over a length in mm. Fractions allowed. */
export interface CountOver {
  readonly count: number
  readonly over: number
}

/** What the edge of a round swatch does on the table. */
export type EdgeLies =
  | { readonly kind: 'flat' }
  /** The edge stands up by so many mm all round. */
  | { readonly kind: 'standsUp'; readonly by: number }
  | { readonly kind: 'waves'; readonly much: 'little' | 'lot' }

interface Taken {
  readonly id: string
  /** When it was measured, milliseconds since 1970. */
  readonly at: number
  readonly stitch: StitchName
  readonly loops: Loops
  readonly state: FabricState
  /** The piece it was measured on, when it is no swatch. */
  readonly from?: string
  /** Put aside by the maker: kept, but not counted. */
  readonly setAside?: boolean
}

/** Stitches and rows of a flat swatch, or of a stretch of fabric worked in rounds. */
export interface SwatchEvidence extends Taken {
  readonly kind: 'swatch'
  readonly worked: 'rounds' | 'rows'
  readonly stitches: CountOver
  readonly rounds: CountOver
}

/** A disc, laid flat and measured across. */
export interface RoundEvidence extends Taken {
  readonly kind: 'round'
  /** How it was begun; in a closed ring when nothing is said. */
  readonly start?: Start
  /** Stitches of each round. */
  readonly counts: readonly number[]
  /** Diameters, mm: one, or two at right angles. */
  readonly across: readonly number[]
  readonly edge: EdgeLies
  /** Stitch of each round, where not all are of one. */
  readonly stitches?: readonly StitchName[]
}

/** Counted between two marks on a piece in work: along a round, out from the centre, or both. */
export interface MarksEvidence extends Taken {
  readonly kind: 'marks'
  readonly along?: CountOver
  /** Worked back and forth. */
  readonly rows?: true
  readonly out?: CountOver
}

export type Evidence = SwatchEvidence | RoundEvidence | MarksEvidence
