import { NO_USE_YET, type Fitness, type Use } from '../cautions/use.ts'
import { usualForm, type StoredForm } from './registry.ts'

/** Things of several pieces that makers begin with. */
export const COMBINATIONS = ['pad', 'filled', 'caseWithLid', 'box', 'tubes'] as const
export type CombinationName = (typeof COMBINATIONS)[number]

/** What a combination asks for: lengths in mm, and how many. */
export interface CombinationField {
  readonly key: string
  readonly kind: 'length' | 'count'
  readonly least: number
  readonly most: number
  readonly usual: number
}

/** The answers to all that a combination asks, by key. */
export type CombinationSizes = Readonly<Record<string, number>>

/** A piece of a combination, before it has an id. */
export interface CombinationPiece {
  readonly name: string
  readonly form: StoredForm
  readonly quantity: number
  readonly fitness: Fitness
}

interface Combination {
  readonly asks: readonly CombinationField[]
  pieces(sizes: CombinationSizes): readonly CombinationPiece[]
}

const length = (key: string, least: number, most: number, usual: number): CombinationField => ({
  key,
  kind: 'length',
  least,
  most,
  usual,
})

const fitFor = (...uses: readonly Use[]): Fitness => ({ ...NO_USE_YET, uses })

const LOOP = { wide: 20, long: 120 }
/** By how much a cover is wider inside than what it goes over, mm, besides the fabric of both. */
const SLIDES = 4

const ALL: Readonly<Record<CombinationName, Combination>> = {
  pad: {
    asks: [length('across', 60, 400, 180)],
    pieces: ({ across }) => [
      {
        name: 'Layer',
        form: { family: 'disc', across: across! },
        quantity: 2,
        fitness: { ...fitFor('hot'), layers: 2 },
      },
      {
        name: 'Loop',
        form: { family: 'strap', ...LOOP, end: 'square' },
        quantity: 1,
        fitness: fitFor('hot'),
      },
    ],
  },
  filled: {
    asks: [length('across', 60, 500, 150)],
    pieces: ({ across }) => [
      { name: 'Side', form: { family: 'disc', across: across! }, quantity: 2, fitness: fitFor('household') },
    ],
  },
  caseWithLid: {
    asks: [length('long', 30, 400, 90), length('thick', 10, 200, 50), length('high', 30, 400, 110)],
    pieces: ({ long, thick, high }) =>
      (['body', 'lid'] as const).map((part) => ({
        name: part === 'body' ? 'Body' : 'Lid',
        form: {
          ...usualForm('case'),
          long: long!,
          thick: thick!,
          high: high!,
          closing: 'lid',
          part,
        } as StoredForm,
        quantity: 1,
        fitness: fitFor('device'),
      })),
  },
  box: {
    asks: [length('across', 40, 500, 140), length('high', 20, 500, 90), length('cover', 15, 200, 30)],
    pieces: ({ across, high, cover }) => [
      { name: 'Box', form: vessel(across!, 'outside', high!), quantity: 1, fitness: NO_USE_YET },
      { name: 'Cover', form: vessel(across! + SLIDES, 'inside', cover!), quantity: 1, fitness: NO_USE_YET },
    ],
  },
  tubes: {
    asks: [
      { key: 'tubes', kind: 'count', least: 2, most: 24, usual: 5 },
      length('girth', 30, 400, 90),
      length('high', 20, 400, 70),
    ],
    pieces: ({ tubes, girth, high }) => [
      {
        name: 'Tube',
        form: { family: 'tube', girth: girth!, of: 'tube', ease: 0, length: high!, end: 'open' },
        quantity: tubes!,
        fitness: NO_USE_YET,
      },
    ],
  },
}

const vessel = (base: number, of: 'outside' | 'inside', height: number): StoredForm => ({
  family: 'vessel',
  base,
  of,
  height,
  lean: 0,
  edge: 'crisp',
})

/** What a combination asks for. */
export const asksOf = (name: CombinationName): readonly CombinationField[] => ALL[name].asks

/** Its pieces, to sizes in mm. */
export const piecesOfCombination = (
  name: CombinationName,
  sizes: CombinationSizes,
): readonly CombinationPiece[] => ALL[name].pieces(sizes)
