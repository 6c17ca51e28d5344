import {
  numbersOfTexture,
  TEXTURE_KINDS,
  withForm,
  withSplits,
  type PieceRecord,
  type Texture,
} from '../../core/index.ts'
import { anyForm, noForm } from './anyForm.ts'

/** Edits of a piece that fields would send, and some that none should. */
export const PIECE_EDITS: readonly ((piece: PieceRecord, random: () => number) => PieceRecord)[] = [
  (piece, random) => withForm(piece, anyForm(random, piece.form.family)),
  (piece, random) => ({ ...piece, form: noForm(piece.form, random) }),
  (piece, random) => ({ ...piece, quantity: Math.floor(random() * 12) }),
  (piece, random) => ({ ...piece, quantity: 1 + random() }),
  (piece, random) => ({ ...piece, rhythm: random() * 1.2 }),
  (piece, random) => ({ ...piece, constraints: { evenRounds: [Math.floor(random() * 9)] } }),
  (piece, random) => ({
    ...piece,
    constraints: { firstCount: 5 + Math.floor(random() * 4), multiples: [{ fromRound: 1, of: 2 }] },
  }),
  (piece) => ({ ...piece, stitch: piece.stitch === 'sc' ? 'hdc' : 'sc' }),
  (piece, random) => ({
    ...piece,
    colours: [...piece.colours, { fromRound: Math.floor(random() * 6), yarn: piece.colours[0]!.yarn }],
  }),
  (piece) => ({ ...piece, construction: { ...piece.construction, rounds: { kind: 'spiral' } } }),
  (piece, random) => ({ ...piece, sections: { [anySection(random)]: { texture: anyTexture(random) } } }),
  ({ washed, ...piece }) => (washed ? piece : { ...piece, washed: true }),
  (piece, random) => ({
    ...piece,
    stitch: 'dc',
    sections: { wall: { stitch: random() < 0.7 ? 'dc' : 'sc', texture: anyTexture(random) } },
  }),
  (piece, random) => ({
    ...piece,
    constraints: {
      openings: Array.from({ length: 1 + Math.floor(random() * 2) }, () => ({
        section: anySection(random),
        along: random() * 120,
        at: random(),
        width: random() * 90,
      })),
    },
  }),
  (piece, random) => ({
    ...piece,
    constraints: {
      ...piece.constraints,
      accents: Array.from({ length: 1 + Math.floor(random() * 3) }, () => ({
        round: 1 + Math.floor(random() * 30),
        texture: anyTexture(random),
      })),
    },
  }),
  (piece, random) => ({
    ...piece,
    constraints: { ...piece.constraints, wallCount: 10 + Math.floor(random() * 120) },
  }),
  (piece, random) => {
    const part = anySection(random)
    const like = Math.floor(random() * 2)
    return {
      ...withSplits(piece, part, [{ along: random() * 150, like }]),
      ...(random() < 0.4 ? { sections: { [`${part}-2`]: { stitch: 'dc', rounds: 'turned' } } } : {}),
    }
  },
]

const SECTIONS = ['wall', 'wall', 'base', 'crown', 'brim', 'flat', 'out', 'porch']
const pickOf = <T>(random: () => number, all: readonly T[]): T => all[Math.floor(random() * all.length)]!
const anySection = (random: () => number): string => pickOf(random, SECTIONS)

/** A texture of any kind, its numbers now and then beyond what it takes. */
function anyTexture(random: () => number): Texture {
  const kind = pickOf(random, TEXTURE_KINDS)
  const numbers = numbersOfTexture(kind).map(({ number, least, most }) => [
    number,
    Math.floor(least + random() * (most - least + 1.2)),
  ])
  return { kind, ...Object.fromEntries(numbers) } as Texture
}
