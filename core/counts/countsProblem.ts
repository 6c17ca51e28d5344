import { FLAT_TOLERANCE } from '../lay/flatness.ts'

/** What counts are sought for: the ideals, and what the maker wants of them. */
export interface CountsProblem {
  /** Ideal count N* of each round. */
  readonly ideals: readonly number[]
  /** Fewest and most stitches the first round may have. */
  readonly firstCounts: readonly [number, number]
  /** Cost of a complication; 0 asks for the nearest counts, large values for one rhythm throughout. */
  readonly beta: number
  readonly deviationCost: (index: number, count: number) => number
  /** Rounds that must have no increases. */
  readonly even?: readonly boolean[]
  /** Each round's stitches must be a multiple of this. */
  readonly multiples?: readonly number[]
  /** Counts are those of so many ends alike, of rounds that have as many stitches on the whole. */
  readonly ends?: { readonly count: number; readonly whole: (count: number) => number }
  /** Rounds that must not have fewer stitches than the one below. */
  readonly grows?: readonly boolean[]
  readonly fixed?: readonly (number | undefined)[]
  /** Increase that led to the first round, when it goes on from others. */
  readonly increaseBefore?: number
}

/** Counts that were found, and what they cost. */
export interface SpreadCounts {
  readonly counts: readonly number[]
  /** Σ deviation + Σ complexity; comparable only within one problem. */
  readonly cost: number
}

/** Whether a round's stitches divide as they must. */
export const divides = (
  { multiples, ends }: Pick<CountsProblem, 'multiples' | 'ends'>,
  index: number,
  count: number,
): boolean =>
  count % (ends?.count ?? 1) === 0 && (ends ? ends.whole(count) : count) % (multiples?.[index] ?? 1) === 0

/** What a complication costs: a changed increase a little, a repeat that does not divide more. */
export function stepPrices(beta: number): { changed: number; notUniform: number } {
  return { changed: beta, notUniform: 2.5 * beta }
}

/** Where the ideal moves by so many stitches or more, an even round is a departure from it. */
const EVEN_DEPARTS = 2

/** What an even round costs: a little where the guide grows or falls, nothing along a wall. */
export function evenPrice({ ideals, beta }: Pick<CountsProblem, 'ideals' | 'beta'>, index: number): number {
  const move = Math.abs(ideals[index]! - ideals[index - 1]!)
  return 0.6 * beta * Math.min(1, move / EVEN_DEPARTS)
}

/**
 * Beyond the flat tolerance in the outer half, a count costs this much more for every tolerance squared:
 * steep enough that none strays beyond 4.5%, soft enough that one at 4.2% is taken before a jump nobody
 * would work.
 */
const NOT_FLAT = 4000

/** Rhythm settings up to this one put flatness before rhythm. */
export const RHYTHM_DEFAULT = 0.5

/** The price of a complication at a rhythm setting between 0 (precise) and 1 (even). */
export function betaOf(rhythm: number): number {
  return rhythm <= 0 ? 0 : 0.01 * 10 ** (rhythm * 6)
}

/** Flat, fitted, or a slope that nothing goes on from. */
type Lies = 'flat' | 'fitted' | 'sloping'

/** On a slope so many rounds, of fewer stitches than this, may stray. */
const FIRST_ON_A_SLOPE = 5
const FEW = 30

/**
 * Deviation cost of a count, in squared flat tolerances. Outer rounds of flat fabric weigh more, as they do in the
 * fabric (Σ n·((N − N*)/N*)²); along a wall all weigh alike.
 */
export function deviationFrom(
  ideals: readonly number[],
  rhythm: number,
  lies: Lies | readonly Lies[] = 'flat',
) {
  const meanNumber = (ideals.length + 1) / 2
  const flat = typeof lies === 'string' ? ideals.length : lies.filter((one) => one === 'flat').length
  // A base is flat by itself; its last round gives way to the wall that stands on it.
  const inOuter = (index: number) =>
    inOuterHalf(index, ideals.length) || (index < flat - 1 && inOuterHalf(index, flat))
  const guardsFlatness = rhythm <= RHYTHM_DEFAULT
  return (index: number, count: number): number => {
    const ideal = ideals[index]!
    const off = (count - ideal) / ideal / FLAT_TOLERANCE
    const here = typeof lies === 'string' ? lies : lies[index]
    const weight = here === 'flat' ? (index + 1) / meanNumber : 1
    // A slope shows wherever its girth strays, but for its first rounds, whose few stitches give.
    const guarded =
      guardsFlatness && (here === 'sloping' ? index >= FIRST_ON_A_SLOPE || ideal >= FEW : inOuter(index))
    const beyond = guarded ? Math.max(0, Math.abs(off) - 1) : 0
    return weight * off * off + NOT_FLAT * beyond * beyond
  }
}

export function inOuterHalf(index: number, rounds: number): boolean {
  return index + 1 > rounds / 2
}
