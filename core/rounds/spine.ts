import { stitchesIn, type Round, type Run } from './round.ts'

/**
 * Chains that are worked along both sides: the second side begins beside the last of them and ends in the first.
 * @param side stitches along each side: a first chain that is passed over leaves one fewer of them
 */
export const bothSidesOf = (chains: number, side: number): readonly Run[] => [
  { of: { kind: 'chain', of: 'foundation', side: 'upper' }, from: chains - 1 - side, to: chains },
  { of: { kind: 'chain', of: 'foundation', side: 'lower' }, from: chains - 1, to: 0 },
]

/** How many chains a round is worked along both sides of; nothing of any other beginning. */
export function chainsAlong({ hosts }: Pick<Round, 'hosts'>): number | undefined {
  const [upper, lower] = hosts
  return upper?.of.kind === 'chain' && lower?.of.kind === 'chain' ? lower.from + 1 : undefined
}

/** Stitches along both straight sides of what a chain begins: one to each chain of the first side but the last. */
export const straightOf = (first: Pick<Round, 'hosts'>): number | undefined =>
  chainsAlong(first) === undefined ? undefined : 2 * (stitchesIn(first.hosts.slice(0, 1)) - 1)

/** The same after a round that is taken in over an end: what that takes, it takes off the length. */
export const takenIn = (straight: number, from: number, count: number): number =>
  Math.max(0, straight - Math.max(0, from - count))
