import type { CauseKind } from './causes.ts'
import type { PieceReading } from './pieceReading.ts'

/** The one look at the piece that tells causes apart. */
export type Look =
  | { readonly kind: 'countRound'; readonly round: number; readonly first: number; readonly second: number }
  | { readonly kind: 'countRounds'; readonly first: number; readonly second: number }
  /** Whether the join of a round has a stitch in it, or its first stitch is skipped. */
  | { readonly kind: 'lookAtJoin'; readonly round: number }
  | { readonly kind: 'lookAtCentre' }

/** One way the rounds may have been worked, with what is thought of it now. */
export interface Suspect {
  readonly kind: CauseKind
  readonly probability: number
  readonly from?: number
  readonly counts: readonly number[]
}

/** What a count and a glance can be trusted with. */
const COUNTED = 0.98
const LOOKED_AT = 0.8

/** A look must make it so much likelier to name the right cause. */
const WORTH_A_LOOK = 0.03

/**
 * What to count or look at so that the right cause is named most often: of every look not taken yet, the
 * chance that the likeliest cause after it is the true one. Nothing when one cause is clear, or nothing tells.
 * @param suspects all ways, the likeliest of every kind among them
 */
export function lookThatTells(suspects: readonly Suspect[], last: PieceReading): Look | undefined {
  const now = namedRight(suspects, () => 0)
  const looks = looksNotTaken(suspects, last)
    .map((look) => {
      const trusted = look.kind === 'countRound' || look.kind === 'countRounds' ? COUNTED : LOOKED_AT
      const seen = namedRight(suspects, (suspect) => seenBy(look, suspect))
      return { look, right: now + trusted * (seen - now) }
    })
    .filter(({ right }) => right > now + WORTH_A_LOOK)
    // Of looks that tell as much, the one that comes first in the list is the easier to take.
    .reduce<{ look: Candidate; right: number } | undefined>(
      (best, next) => (best && best.right >= next.right - 1e-9 ? best : next),
      undefined,
    )
  return looks && asLook(looks.look, suspects)
}

type Candidate =
  | { readonly kind: 'countRound'; readonly round: number }
  | { readonly kind: 'countRounds' | 'lookAtJoin' | 'lookAtCentre' }

/** The latest rounds are the easiest to count. */
function looksNotTaken(suspects: readonly Suspect[], { counts, join, hole, afterRound }: PieceReading) {
  const counted = new Set((counts ?? []).map(({ round }) => round))
  const looks: Candidate[] = []
  for (let round = afterRound; round > 1; round--) {
    if (!counted.has(round)) looks.push({ kind: 'countRound', round })
  }
  const kinds = new Set(suspects.map(({ kind }) => kind))
  if (!join && (kinds.has('joinWorked') || kinds.has('firstSkipped'))) looks.push({ kind: 'lookAtJoin' })
  if (hole === undefined && kinds.has('openCentre')) looks.push({ kind: 'lookAtCentre' })
  looks.push({ kind: 'countRounds' })
  return looks
}

/** What a look shows if a suspect is right, as a number that differs where it does. */
function seenBy(look: Candidate, { kind, counts }: Suspect): number {
  switch (look.kind) {
    case 'countRound':
      return counts[look.round - 1] ?? counts.at(-1)!
    case 'countRounds':
      return counts.length
    case 'lookAtJoin':
      return kind === 'joinWorked' ? 1 : kind === 'firstSkipped' ? 2 : 0
    case 'lookAtCentre':
      return kind === 'openCentre' ? 1 : 0
  }
}

/** How often the likeliest kind of cause is the true one, once a look has been taken. */
function namedRight(suspects: readonly Suspect[], seen: (suspect: Suspect) => number): number {
  const byOutcome = new Map<number, Map<CauseKind, number>>()
  for (const suspect of suspects) {
    const outcome = seen(suspect)
    const kinds = byOutcome.get(outcome) ?? new Map<CauseKind, number>()
    kinds.set(suspect.kind, (kinds.get(suspect.kind) ?? 0) + suspect.probability)
    byOutcome.set(outcome, kinds)
  }
  return [...byOutcome.values()].reduce((sum, kinds) => sum + Math.max(...kinds.values()), 0)
}

/** The look with what it would show by the likeliest suspect, and by the next that it tells from it. */
function asLook(look: Candidate, suspects: readonly Suspect[]): Look {
  if (look.kind === 'lookAtCentre') return { kind: look.kind }
  const ranked = [...suspects].sort((one, other) => other.probability - one.probability)
  if (look.kind === 'lookAtJoin') {
    const habit = ranked.find(({ kind }) => kind === 'joinWorked' || kind === 'firstSkipped')!
    return { kind: look.kind, round: habit.from! }
  }
  const first = seenBy(look, ranked[0]!)
  const second = seenBy(
    look,
    ranked.find((one) => seenBy(look, one) !== first)!,
  )
  return look.kind === 'countRound'
    ? { kind: look.kind, round: look.round, first, second }
    : { kind: look.kind, first, second }
}
