import type { StitchName } from '../stitches/stitch.ts'
import type { HeldYarns } from '../yarn/strands.ts'
import { isOffTheEdge, stitchesConsumed, stitchesProduced, type Step } from './steps.ts'

/** Names a round for as long as there is one: it survives a re-plan of the rounds after it. */
export type RoundId = string
/** A stretch of the form in working order: base, wall, brim; worked otherwise from somewhere on, also wall-2. */
export type SectionId = string

/** The part of the form that a section is of: of `wall-2`, `wall`. */
export const partOf = (section: SectionId): SectionId => section.replace(/-\d+$/, '')
/** A gauge with its stitch, loops and texture, by the name that a spec has for it. */
export type FabricKey = StitchName

/** Something a round can be worked into. */
export type Edge =
  | { readonly kind: 'top'; readonly round: RoundId; readonly loops: 'both' | 'back' | 'front' }
  | { readonly kind: 'rowEnds'; readonly section: SectionId; readonly side: 'first' | 'last' }
  | { readonly kind: 'chain'; readonly of: 'foundation'; readonly side: 'upper' | 'lower' }

/** Stitches of an edge, `from` counted in and `to` left out; from > to when it is worked the other way round. */
export interface Run {
  readonly of: Edge
  readonly from: number
  readonly to: number
}

/**
 * One pass of the hook: planned, read and worked rounds alike. Counts and numbers follow from the steps of a list
 * of rounds; none is stored beside them.
 */
export interface Round extends HeldYarns {
  readonly id: RoundId
  readonly section: SectionId
  /** Closed into a ring, or a row that ends at its edges. */
  readonly closed: boolean
  /** The side that faces the maker. */
  readonly side: 'right' | 'wrong'
  readonly fabric: FabricKey
  /** What it is worked into, in working order; nothing in a ring. */
  readonly hosts: readonly Run[]
  /** Written out they use every host stitch once, in order. */
  readonly steps: readonly Step[]
  /** Stitches below that it leaves for another round. */
  readonly left?: readonly Run[]
}

/** Stitches a round makes. */
export const countOf = ({ steps }: Pick<Round, 'steps'>): number => stitchesProduced(steps)

/** Whether something stands free along a round: chains, and what goes back along them. */
export const hasMotifs = ({ steps }: Pick<Round, 'steps'>): boolean =>
  steps.some(({ ops }) => ops.some(({ manner }) => isOffTheEdge(manner)))

/** Stitches that a round goes around with: where something stands free along it, as many as the one below has. */
export const countAround = ({ steps }: Pick<Round, 'steps'>): number =>
  hasMotifs({ steps }) ? stitchesConsumed(steps) : stitchesProduced(steps)

/** Host stitches that runs have. */
export const stitchesIn = (runs: readonly Run[]): number =>
  runs.reduce((sum, { from, to }) => sum + Math.abs(to - from), 0)

/** All stitches go into one place: a ring, or a single chain. */
export const gathers = ({ hosts }: Pick<Round, 'hosts'>): boolean =>
  hosts.length === 0 || (hosts.length === 1 && hosts[0]!.of.kind === 'chain' && stitchesIn(hosts) === 1)

/** Host stitches a round uses up; none where they all go into one place. */
export const usedBy = (round: Pick<Round, 'hosts' | 'steps'>): number =>
  gathers(round) ? 0 : stitchesConsumed(round.steps)

/** The loop below that a round is worked into, if not both. */
export function loopsBelow({ hosts }: Pick<Round, 'hosts'>): 'back' | 'front' | undefined {
  const [first] = hosts
  return first?.of.kind === 'top' && first.of.loops !== 'both' ? first.of.loops : undefined
}

/** Whether a round is worked into the top of another. */
export const standsOn = ({ hosts }: Pick<Round, 'hosts'>, { id }: Pick<Round, 'id'>): boolean =>
  hosts.some(({ of }) => of.kind === 'top' && of.round === id)

/** The same stitches the other way round, as they are worked into once the piece is turned. */
export const turned = ({ of, from, to }: Run): Run => ({ of, from: to, to: from })

/** "Rnd 3", or "Row 3" of what does not close. */
export const titleOf = ({ closed, number }: Pick<Round, 'closed'> & { readonly number: number }): string =>
  `${closed ? 'Rnd' : 'Row'} ${number}`

/** The whole top of a round, by both of its loops or one. */
export const topOf = (
  round: Pick<Round, 'id' | 'steps'>,
  loops: 'both' | 'back' | 'front' = 'both',
): Run => ({
  of: { kind: 'top', round: round.id, loops },
  from: 0,
  to: countOf(round),
})
