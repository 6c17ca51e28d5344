import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import { hookAdvice } from '../gauge/hookAdvice.ts'
import type { Gauge } from '../gauge/gauge.ts'
import { findingsOf, type Finding } from './check/findings.ts'
import { lengthOf } from './read/lines.ts'
import { readPattern, refusePattern, type NotRead, type PatternRead } from './read/readPattern.ts'
import type { Readings } from './readings.ts'
import { recognise, type Recognition } from './recognise.ts'

/** The maker's own stitches, and the hook they were worked with. */
export interface StudiedIn {
  readonly gauge: Gauge
  /** mm. */
  readonly hook: number
  readonly pace: number
}

/** How another maker's stitches differ from one's own, as far as a text shows it. */
export interface Tension {
  /** What the text promises across, mm, and what it comes to here. */
  readonly promised: number
  readonly comes: number
  /** Stitches in 10 cm that it was made with, and one's own. */
  readonly theirs: number
  readonly own: number
  /** The hook that comes nearest; nothing where one's own does. */
  readonly hook?: number
  /** As many rounds come nearest in one's own stitches, and as many there are; of what lies flat. */
  readonly rounds?: { readonly nearest: number; readonly written: number }
}

/** All that can be said of a text in a maker's own stitches. */
export interface Study {
  readonly read: PatternRead
  readonly findings: readonly Finding[]
  /** What each of its pieces is. */
  readonly pieces: readonly Recognition[]
  readonly tension?: Tension
}

export type Studied = { readonly ok: true; readonly study: Study } | ({ readonly ok: false } & NotRead)

/** Reads a text, and says what it will be. Pure. */
export function studyPattern(text: string, readings: Readings, { gauge, hook, pace }: StudiedIn): Studied {
  const refused = refusePattern(text)
  if (refused) return { ok: false, ...refused }
  const read = readPattern(text, {
    ...readings,
    heightOf: (stitch) => gaugeForStitch(gauge, stitch).h,
  })
  const pieces = read.pieces.map((piece) => recognise(piece, { gauge, pace, called: titleOf(read) }))
  const tension = tensionIn(read, pieces[0], { gauge, hook, pace })
  return { ok: true, study: { read, findings: findingsOf(read), pieces, ...(tension ? { tension } : {}) } }
}

const LENGTH = /(\d+(?:[.,]\d+)?)\s*(mm|cm|in(?:ch(?:es)?)?\b|["”″])/i

/** The first line, if it is no round: what the text is called. */
function titleOf({ lines: [first], text }: PatternRead): string {
  return first && (first.is === 'note' || first.is === 'heading')
    ? text.slice(first.span.from, first.span.to)
    : ''
}

/** The size that a text promises, mm. */
export function promisedSize(read: PatternRead): number | undefined {
  // "Stove mat, 26 cm across": its title says so.
  const found = LENGTH.exec(read.facts.size ?? titleOf(read))
  return found ? lengthOf(found[1]!, found[2]!) : undefined
}

/** Nearer than this a size is met, as a share. */
const MET = 0.02

function tensionIn(
  read: PatternRead,
  first: Recognition | undefined,
  { gauge, hook }: StudiedIn,
): Tension | undefined {
  const promised = promisedSize(read)
  // A guess of a gauge says nothing of how another maker's differs.
  if (promised === undefined || !first?.ok || gauge.certainty === 'guess') return undefined
  const { plan, stitch } = first.is
  const [main] = plan.finished.promises
  // Of other sizes a text seldom says which it means.
  if (main?.of !== 'across') return undefined
  const own = gaugeForStitch(gauge, stitch)
  const larger = main.value / promised
  const off = Math.abs(larger - 1) > MET
  const advice = hookAdvice(own, hook, own.w / larger)
  const written = plan.rounds.length
  const nearest = Math.max(1, Math.round(written / larger))
  return {
    promised,
    comes: main.value,
    theirs: (100 / own.w) * larger,
    own: 100 / own.w,
    ...(off && !advice.keep && !advice.beyond ? { hook: advice.hook } : {}),
    ...(off && nearest !== written ? { rounds: { nearest, written } } : {}),
  }
}
