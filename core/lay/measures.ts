/** A size that one can take with a tape. */
export const MEASURE_KINDS = [
  'across',
  'around',
  'width',
  'length',
  'height',
  'depth',
  'opening',
  'endToEnd',
  'sideToSide',
  'toTheCurve',
  'leg',
  'sole',
  'alongRow',
] as const
export type MeasureKind = (typeof MEASURE_KINDS)[number]

/** Where the top of a round lies, mm. */
export interface PlaceOfRound {
  readonly radius: number
  /** Height over the table. */
  readonly z: number
  /** Distance along the fabric from where it begins. */
  readonly arc: number
  /** How long each of its straight sides is, where it is no ring: `radius` is then that of its ends. */
  readonly spine?: number
  /** Distance along the fabric at which a heel below it ended. */
  readonly turned?: number
}

/** A size of a piece by the round it is taken at. */
export interface Measure {
  readonly of: MeasureKind
  /** Number of the round, from 1. */
  readonly at: number
}

/** What a plan says that a tape will find: mm, with its standard deviation. */
export interface Promised extends Measure {
  readonly value: number
  readonly sd: number
}

/** What a tape found, mm: once, or at several places of the same round. */
export interface Seen extends Measure {
  readonly values: readonly number[]
}

/** By how much a size grows with each millimetre of a place, which lies in the middle of the fabric. */
const READ_OFF: Readonly<Record<MeasureKind, PlaceOfRound & { readonly thickness?: number }>> = {
  /** Through the centre. */
  across: { radius: 2, z: 0, arc: 0 },
  /** The tape over the fabric. */
  around: { radius: 2 * Math.PI, z: 0, arc: 0, spine: 2, thickness: Math.PI },
  /** Laid flat, two layers thick: half of around. */
  width: { radius: Math.PI, z: 0, arc: 0, spine: 1 },
  /** Along a tube, from where it begins. */
  length: { radius: 0, z: 0, arc: 1 },
  /** How high the edge stands over the table that the fabric lies on. */
  height: { radius: 0, z: 1, arc: 0, thickness: 0.5 },
  /** Along the surface from the middle of a crown to its edge. */
  depth: { radius: 0, z: 0, arc: 1 },
  /** Through the middle of an open end. */
  opening: { radius: 2, z: 0, arc: 0 },
  /** An oval along its chain, and across it. */
  endToEnd: { radius: 2, z: 0, arc: 0, spine: 1 },
  sideToSide: { radius: 2, z: 0, arc: 0 },
  /** What is part of a disc, from its middle to its curved edge. */
  toTheCurve: { radius: 1, z: 0, arc: 0 },
  /** Up from where a heel ended. */
  leg: { radius: 0, z: 0, arc: 1, turned: -1 },
  /** Along a sole, from the tip of the toe. */
  sole: { radius: 0, z: 1, arc: 0 },
  /** A strip along one of its rows: it is laid as the ring that it would make. */
  alongRow: { radius: 2 * Math.PI, z: 0, arc: 0 },
}

/** Whether it is a size of the round itself, wherever that lies along the fabric. */
export const isAround = (of: MeasureKind): boolean => READ_OFF[of].radius > 0

/** What a tape finds of a round that lies there, mm; outside where the fabric is thick. */
export function measured(of: MeasureKind, place: PlaceOfRound, thickness = 0): number {
  const { radius, z, arc, spine = 0, turned = 0, thickness: thick = 0 } = READ_OFF[of]
  return (
    radius * place.radius +
    spine * (place.spine ?? 0) +
    z * place.z +
    arc * place.arc +
    turned * (place.turned ?? 0) +
    thick * thickness
  )
}

/**
 * Standard deviation of the same, mm, by those of where the round lies: how long a side is and how far out its end lies
 * are off together, with the width of the stitches.
 */
export function doubtOf(of: MeasureKind, sd: PlaceOfRound): number {
  const { radius, z, arc, spine = 0 } = READ_OFF[of]
  return Math.hypot(radius * sd.radius + spine * (sd.spine ?? 0), z * sd.z, arc * sd.arc)
}

/** By how much a size grows with a millimetre of fabric added at its edge, laid the way that it grows. */
export function growthOf(of: MeasureKind): number {
  const { radius, z, arc } = READ_OFF[of]
  return radius + z + arc
}

/** The size that several readings say, mm. */
export const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, one) => sum + one, 0) / values.length

/** ± of a promised size, 19 times of 20, mm. */
export const plusMinusOf = ({ sd }: Pick<Promised, 'sd'>): number => 2 * sd
