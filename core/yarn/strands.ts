/** The yarns that are held together: one takes all strands that the others do not. */
export interface HeldYarns {
  readonly yarn: string
  /** Other yarns held with it, one strand each. */
  readonly beside?: readonly string[]
}

/**
 * Strands that each yarn holds, in order. Every strand takes the length of the stitches, so a yarn takes
 * that length times its strands (FIELD §8).
 * @param strands held together in all
 */
export function strandsOf({ yarn, beside = [] }: HeldYarns, strands: number): Map<string, number> {
  const held = new Map([[yarn, Math.max(1, strands - beside.length)]])
  for (const other of beside) held.set(other, (held.get(other) ?? 0) + 1)
  return held
}

/** All yarns of a round, the main one first. */
export const yarnsIn = ({ yarn, beside = [] }: HeldYarns): string[] => [...new Set([yarn, ...beside])]

/** All yarns that a piece is worked with, held beside others too, in order of first use. */
export const yarnsOf = (runs: readonly HeldYarns[]): string[] => [...new Set(runs.flatMap(yarnsIn))]

/** Whether two rounds are worked with the same yarns in hand. */
export const sameYarns = (one: HeldYarns, other: HeldYarns): boolean =>
  one.yarn === other.yarn && (one.beside ?? []).join() === (other.beside ?? []).join()
