import { startOfFabric } from '../lay/startOfFabric.ts'
import type { PieceSpec } from './plan.ts'

/** Radius of the hole that a piece's start leaves open, mm. */
export const measureHole = ({
  construction,
  stitch,
  gauge,
}: Pick<PieceSpec, 'construction' | 'stitch' | 'gauge'>): number =>
  startOfFabric(construction.start, stitch, gauge.w, gauge.h).hole
