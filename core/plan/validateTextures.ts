import { stitchOf } from '../errors/sentence.ts'
import { SpecError } from '../errors/specError.ts'
import { hasPost, numbersOfTexture, worksIn, type Texture } from '../rounds/texture.ts'
import { BODY_STITCHES } from '../stitches/stitch.ts'
import type { PieceSpec } from './plan.ts'
import { stitchIn, textureIn } from './sectionWork.ts'
import { sectionsOf } from './wantedAround.ts'

/** Textures of whole sections: where the count stays, with numbers they can have, in a stitch that can be worked so. */
export function validateTextures(spec: PieceSpec): void {
  for (const { id, even } of sectionsOf(spec)) {
    const texture = textureIn(spec, id)
    if (!texture) continue
    if (!even) {
      throw new SpecError(
        'sections',
        'This part grows, and a texture would come apart in it.',
        'Plain stitches here; a texture where the count stays the same.',
      )
    }
    validateNumbers(texture, 'sections')
    const stitch = stitchIn(spec, id)
    if (!worksIn(texture, stitch)) {
      throw new SpecError(
        'sections',
        `There is no post in ${stitchOf(stitch)} to go around.`,
        `Work this part in ${BODY_STITCHES.filter(hasPost).map(stitchOf).join(', ')}.`,
      )
    }
  }
}

function validateNumbers(texture: Texture, path: string, inOneRound = false): void {
  for (const { number, least, most } of numbersOfTexture(texture.kind)) {
    const value = texture[number]
    if (inOneRound && number === 'rounds') continue
    if (value !== undefined && Number.isInteger(value) && value >= least && value <= most) continue
    throw new SpecError(
      path,
      'This texture has a number that it cannot be worked with.',
      `From ${least} to ${most}.`,
    )
  }
}

/** Single rounds in a texture: each from round 2 on, once, and in a stitch that can be worked so somewhere in the piece. */
export function validateAccents(spec: PieceSpec): void {
  const path = 'constraints.accents'
  const rounds = new Set<number>()
  for (const { round, texture } of spec.constraints?.accents ?? []) {
    if (!Number.isInteger(round) || round < 2 || rounds.has(round)) {
      throw new SpecError(
        path,
        rounds.has(round) ? `Round ${round} has two textures.` : `Round ${round} cannot be an accent.`,
        'One texture a round, from round 2 on.',
      )
    }
    rounds.add(round)
    validateNumbers(texture, path, true)
    const stitches = [spec.stitch, ...sectionsOf(spec).map(({ id }) => stitchIn(spec, id))]
    if (stitches.some((stitch) => worksIn(texture, stitch))) continue
    throw new SpecError(
      path,
      `There is no post in ${stitchOf(spec.stitch)} to go around.`,
      `Work it in ${BODY_STITCHES.filter(hasPost).map(stitchOf).join(', ')}, or take another texture.`,
    )
  }
}
