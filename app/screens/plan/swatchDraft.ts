import type { GaugeRecord, SwatchEvidence } from '../../../core/index.ts'

/** A swatch as far as it is counted. Counts over `over` mm. */
export interface SwatchDraft {
  readonly worked?: SwatchEvidence['worked']
  readonly stitches?: number
  readonly rounds?: number
  readonly over?: number
}

/** What is typed of a swatch so far: the one that is kept, or a draft of it. */
export const draftOfSwatch = (swatch: SwatchEvidence | undefined, draft: SwatchDraft): SwatchDraft =>
  swatch && !swatch.setAside
    ? {
        worked: swatch.worked,
        stitches: swatch.stitches.count,
        rounds: swatch.rounds.count,
        over: swatch.stitches.over,
      }
    : draft

/** Evidence exists only from typed numbers: both counts, over a length. */
export function swatchOf(
  { worked, stitches, rounds, over }: SwatchDraft,
  gauge: GaugeRecord,
  usualOver: number,
  taken: Pick<SwatchEvidence, 'id' | 'at'>,
): SwatchEvidence | undefined {
  if (worked === undefined || stitches === undefined || rounds === undefined) return undefined
  return {
    ...taken,
    kind: 'swatch',
    stitch: gauge.stitch,
    loops: 'both',
    state: 'worked',
    worked,
    stitches: { count: stitches, over: over ?? usualOver },
    rounds: { count: rounds, over: over ?? usualOver },
  }
}
