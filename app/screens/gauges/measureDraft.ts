import type { CountOver, Evidence, FabricState, Loops, StitchName } from '../../../core/index.ts'
import { edgeOf, type EdgeDraft } from '../../ui/edgeDraft.ts'

/** A measurement as far as it is filled in. Lengths in mm. */
export interface MeasureDraft extends EdgeDraft {
  readonly kind: Evidence['kind']
  /** The evidence that is being changed, when it is not a new one. */
  readonly id?: string
  readonly stitch: StitchName
  readonly loops: Loops
  readonly state: FabricState
  readonly worked: 'rounds' | 'rows'
  readonly stitches?: number
  readonly stitchesOver?: number
  readonly rounds?: number
  readonly roundsOver?: number
  readonly discRounds: number
  readonly perRound: number
  /** Chains in the ring it was begun in; none for a closed one. */
  readonly chains?: number
  readonly across?: number
  readonly acrossTurned?: number
}

/** The rounds a round swatch usually has. */
const USUAL_ROUNDS = 9

export function emptyDraft(stitch: StitchName, perRound: number): MeasureDraft {
  return {
    kind: 'swatch',
    stitch,
    loops: 'both',
    state: 'worked',
    worked: 'rows',
    discRounds: USUAL_ROUNDS,
    perRound,
    edge: 'flat',
    much: 'little',
  }
}

/** What is still missing, in the order it is asked for; empty when the measurement is whole. */
export function missingIn(draft: MeasureDraft): string[] {
  const without = (fields: readonly (readonly [unknown, string])[]) =>
    fields.flatMap(([value, name]) => (value === undefined ? [name] : []))
  if (draft.kind === 'swatch') {
    return without([
      [draft.stitches, 'stitches'],
      [draft.stitchesOver, 'their length'],
      [draft.rounds, draft.worked],
      [draft.roundsOver, 'their length'],
    ])
  }
  if (draft.kind === 'marks') {
    const along = draft.stitches !== undefined && draft.stitchesOver !== undefined
    const out = draft.rounds !== undefined && draft.roundsOver !== undefined
    return along || out ? [] : ['a count and its length']
  }
  return without([
    [draft.across, 'the measure across'],
    [draft.edge === 'standsUp' ? draft.standsUp : 0, 'how far the edge stands up'],
  ])
}

/** The draft as evidence; nothing while something is missing. */
export function evidenceOf(draft: MeasureDraft, id: string, at: number): Evidence | undefined {
  if (missingIn(draft).length > 0) return undefined
  const { stitch, loops, state } = draft
  const taken = { id: draft.id ?? id, at, stitch, loops, state }
  const pair = (count: number | undefined, over: number | undefined): CountOver | undefined =>
    count !== undefined && over !== undefined ? { count, over } : undefined
  const along = pair(draft.stitches, draft.stitchesOver)
  const out = pair(draft.rounds, draft.roundsOver)
  if (draft.kind === 'swatch') {
    return along && out && { ...taken, kind: 'swatch', worked: draft.worked, stitches: along, rounds: out }
  }
  if (draft.kind === 'marks') {
    return { ...taken, kind: 'marks', ...(along ? { along } : {}), ...(out ? { out } : {}) }
  }
  return {
    ...taken,
    kind: 'round',
    ...(draft.chains ? { start: { kind: 'chainRing', chains: draft.chains } } : {}),
    counts: Array.from({ length: draft.discRounds }, (_, index) => draft.perRound * (index + 1)),
    across: [draft.across!, ...(draft.acrossTurned === undefined ? [] : [draft.acrossTurned])],
    edge: edgeOf(draft)!,
  }
}

/** Evidence opened again, to be changed. */
export function draftOf(evidence: Evidence, empty: MeasureDraft): MeasureDraft {
  const { id, stitch, loops, state, kind } = evidence
  const draft = { ...empty, id, stitch, loops, state, kind }
  const counts = (along?: CountOver, out?: CountOver) => ({
    stitches: along?.count,
    stitchesOver: along?.over,
    rounds: out?.count,
    roundsOver: out?.over,
  })
  if (evidence.kind === 'swatch') {
    return { ...draft, worked: evidence.worked, ...counts(evidence.stitches, evidence.rounds) }
  }
  if (evidence.kind === 'marks') return { ...draft, ...counts(evidence.along, evidence.out) }
  return {
    ...draft,
    discRounds: evidence.counts.length,
    perRound: evidence.counts[0]!,
    chains: evidence.start?.kind === 'chainRing' ? evidence.start.chains : undefined,
    across: evidence.across[0],
    acrossTurned: evidence.across[1],
    edge: evidence.edge.kind,
    ...(evidence.edge.kind === 'standsUp' ? { standsUp: evidence.edge.by } : {}),
    ...(evidence.edge.kind === 'waves' ? { much: evidence.edge.much } : {}),
  }
}
