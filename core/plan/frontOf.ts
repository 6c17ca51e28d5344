import type { Opening, PieceSpec } from './plan.ts'
import { foundationOf, sectionsOf, type PieceToOutline } from './wantedAround.ts'

/** The front of what goes around a chain, where a round begins: its first side. */
export interface Front {
  /** Where its middle lies, as a share of the round from its start. */
  readonly middle: number
  /** How far around it goes there, mm. */
  readonly around: number
}

/** The front at the height of an opening; nothing of what has no sides, or begins its rounds elsewhere. */
export function frontOf(
  spec: PieceToOutline & Pick<PieceSpec, 'form'>,
  { section, along }: Pick<Opening, 'section' | 'along'>,
): Front | undefined {
  const foundation = foundationOf(spec)
  const outline = sectionsOf(spec).find(({ id }) => id === section)
  if (!foundation || foundation.mirrored || !outline) return undefined
  const around = outline.guide.perimeter(along)
  return { middle: (foundation.side * spec.gauge.w) / 2 / around, around }
}

/** How far an opening lies from the middle of the front, mm: after it (+) or before it (−), the shorter way around. */
export function fromTheFront({ at }: Pick<Opening, 'at'>, { middle, around }: Front): number {
  const share = (((at - middle) % 1) + 1.5) % 1
  return (share - 0.5) * around
}

/** The share of the round that lies so far from the middle of the front, mm. */
export const atTheFront = (mm: number, { middle, around }: Front): number =>
  (((middle + mm / around) % 1) + 1) % 1
