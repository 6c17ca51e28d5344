import type { Round, SectionId } from '../rounds/round.ts'
import { standsOn, type Texture } from '../rounds/texture.ts'
import { isEdging, type StitchName } from '../stitches/stitch.ts'
import type { PieceSpec } from './plan.ts'
import { accentAt, textureIn } from './sectionWork.ts'

interface RoundToTexture {
  readonly section: SectionId
  readonly stitch: StitchName
  readonly from: number
  readonly count: number
}

/** A round in a texture, and how many rounds after the first of it, from 0. */
export interface TexturedRound {
  readonly of: Texture
  readonly index: number
}

/**
 * The texture that a round is worked in, of its own or of its section; nothing where there is none, or where it cannot be had yet: a round
 * that shapes, turns a crisp edge or has nothing below that the texture could stand on is the plain ground of it.
 * @param before the rounds below, from round 1
 * @param turns whether it turns a crisp edge
 */
export function textureAt(
  spec: Pick<PieceSpec, 'sections' | 'constraints'>,
  { section, stitch, from, count }: RoundToTexture,
  before: readonly Round[],
  turns: boolean,
): TexturedRound | undefined {
  const accent = accentAt(spec, { number: before.length + 1, section, stitch })
  const texture = accent ?? textureIn(spec, section)
  if (!texture || turns || count !== from || isEdging(stitch)) return undefined
  const below = before.map(({ fabric }) => fabric).reverse()
  if (!standsOn(texture, below)) return undefined
  if (accent) return { of: accent, index: 0 }
  const own = before.filter((round) => round.section === section)
  const first = own.findIndex(isTextured)
  return { of: texture, index: first < 0 ? 0 : own.length - first }
}

const isTextured = ({ steps }: Round): boolean =>
  steps.some(({ ops }) => ops.some(({ manner }) => manner !== undefined))
