import { NO_USE_YET, type Fitness, type Use } from '../cautions/use.ts'
import { usualForm, type StoredForm } from '../forms/registry.ts'
import type { Joint, JointEdge } from './joint.ts'
import { usualJoints, type PlannedPiece } from './usualJoints.ts'

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

/** The pieces of a combination, in its order. */
type InOrder = readonly PlannedPiece[]
type JointToBe = Omit<Joint, 'id'>

interface Combination {
  readonly asks: readonly CombinationField[]
  pieces(sizes: CombinationSizes): readonly CombinationPiece[]
  joints(pieces: InOrder): readonly JointToBe[]
}

const length = (key: string, least: number, most: number, usual: number): CombinationField => ({
  key,
  kind: 'length',
  least,
  most,
  usual,
})

const fitFor = (...uses: readonly Use[]): Fitness => ({ ...NO_USE_YET, uses })

const lastOf = ({ plan }: PlannedPiece): number => plan.rounds.at(-1)!.count

function edge(
  { id }: Pick<PlannedPiece, 'id'>,
  from: number,
  count: number,
  { copy = 1, of = 'last' }: Partial<Pick<JointEdge, 'copy' | 'of'>> = {},
): JointEdge {
  return { pieceId: id, copy, of, from, count }
}

const LOOP = { wide: 20, long: 120 }
/** An opening that a hand still fills through: two fingers and a little, mm. */
const FILLING = 55
/** By how much a cover is wider inside than what it goes over, mm, besides the fabric of both. */
const SLIDES = 4
/** How far a tube of a row is held to the next, stitches. */
const HELD = 2

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
    joints: ([layer, loop]) => {
      const [count, wide] = [lastOf(layer!), lastOf(loop!)]
      const rest = count - wide
      return [
        { way: 'throughBoth', edges: [edge(layer!, 0, rest), edge(layer!, 0, rest, { copy: 2 })] },
        { way: 'whip', edges: [edge(loop!, 0, wide), edge(layer!, rest, wide)] },
        {
          way: 'whip',
          edges: [edge(loop!, 0, wide, { of: 'first' }), edge(layer!, rest, wide, { copy: 2 })],
        },
      ]
    },
  },
  filled: {
    asks: [length('across', 60, 500, 150)],
    pieces: ({ across }) => [
      { name: 'Side', form: { family: 'disc', across: across! }, quantity: 2, fitness: fitFor('household') },
    ],
    joints: ([side]) => {
      const count = lastOf(side!)
      const { around, ideal } = side!.plan.rounds.at(-1)!
      const open = Math.min(Math.floor(count / 3), Math.ceil((FILLING * ideal) / around))
      return [
        {
          way: 'singleCrochet',
          edges: [edge(side!, 0, count), edge(side!, 0, count, { copy: 2 })],
          filledThrough: open,
        },
      ]
    },
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
    joints: (pieces) => usualJoints(pieces, []).map(({ offer: _, ...joint }) => joint),
  },
  box: {
    asks: [length('across', 40, 500, 140), length('high', 20, 500, 90), length('cover', 15, 200, 30)],
    pieces: ({ across, high, cover }) => [
      { name: 'Box', form: vessel(across!, 'outside', high!), quantity: 1, fitness: NO_USE_YET },
      { name: 'Cover', form: vessel(across! + SLIDES, 'inside', cover!), quantity: 1, fitness: NO_USE_YET },
    ],
    joints: () => [],
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
    // Side by side along their upper edges: the far side of one to the start of the next.
    joints: ([tube]) => {
      const half = Math.floor(lastOf(tube!) / 2)
      return Array.from({ length: tube!.quantity - 1 }, (_, index) => ({
        way: 'whip' as const,
        edges: [
          edge(tube!, half, HELD, { copy: index + 1 }),
          edge(tube!, 0, HELD, { copy: index + 2 }),
        ] as const,
      }))
    },
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

/** How its pieces become one, once they are planned, in the order of `piecesOfCombination`. */
export const jointsOfCombination = (name: CombinationName, pieces: InOrder): readonly JointToBe[] =>
  ALL[name].joints(pieces)
