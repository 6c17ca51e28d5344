import { sidesOf } from '../plan/notices.ts'
import { diametersApart } from '../shape/disc.ts'
import type { PieceSpec, PlannedRound } from '../plan/plan.ts'
import type { PieceReading } from './pieceReading.ts'

/** Beyond this share two diameters are more than a careless tape. */
const UNEVEN = 0.035

/** Over corners and over flats: a polygon of k sides differs by 1/cos(π/k) − 1 at the most. */
export function polygonOf(
  { across }: PieceReading,
  { construction }: PieceSpec,
  planned: readonly PlannedRound[],
): { readonly share: number; readonly sides: number } | undefined {
  const sides = sidesOf(planned)
  if (across.length < 2 || construction.placement !== 'stacked' || sides < 3) return undefined
  const share = diametersApart(across)
  return share > UNEVEN && share <= 1 / Math.cos(Math.PI / sides) - 1 + 0.02 ? { share, sides } : undefined
}

export function unevenness({ across }: PieceReading, { construction }: PieceSpec): number | undefined {
  if (across.length < 2) return undefined
  const share = diametersApart(across)
  // Corners and flats of a hexagon differ by 15%; staggered increases make no corners.
  const explained = construction.placement === 'stacked' ? 0.155 : UNEVEN
  return share > explained ? share : undefined
}
