import { sidesOf } from '../plan/notices.ts'
import { diametersApart } from '../lay/flatness.ts'
import type { PieceSpec, PlannedRound } from '../plan/plan.ts'
import { seenOf, type PieceReading } from './pieceReading.ts'

/** Beyond this share two diameters are more than a careless tape. */
const UNEVEN = 0.035

/** Over corners and over flats: a polygon of k sides differs by 1/cos(π/k) − 1 at the most. */
export function polygonOf(
  reading: PieceReading,
  { construction }: PieceSpec,
  planned: readonly PlannedRound[],
): { readonly share: number; readonly sides: number } | undefined {
  const [across, sides] = [seenOf(reading, 'across'), sidesOf(planned)]
  if (across.length < 2 || construction.placement !== 'stacked' || sides < 3) return undefined
  const share = diametersApart(across)
  return share > UNEVEN && share <= 1 / Math.cos(Math.PI / sides) - 1 + 0.02 ? { share, sides } : undefined
}

export function unevenness(reading: PieceReading, { construction }: PieceSpec): number | undefined {
  const across = seenOf(reading, 'across')
  if (across.length < 2) return undefined
  const share = diametersApart(across)
  // Corners and flats of a hexagon differ by 15%; staggered increases make no corners.
  const explained = construction.placement === 'stacked' ? 0.155 : UNEVEN
  return share > explained ? share : undefined
}
