import { diagnose, type Diagnosis } from '../fit/diagnose.ts'
import type { CauseKind } from '../fit/causes.ts'
import type { PieceReading } from '../fit/pieceReading.ts'
import { waysOut } from '../fit/waysOut.ts'
import { beliefFromEvidence, gaugeFromBelief } from '../gauge/gaugeFromEvidence.ts'
import { gaugeFromTable } from '../gauge/gaugeFromTable.ts'
import type { Gauge } from '../gauge/gauge.ts'
import type { PieceSpec, Plan } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { mm } from '../units/millimetres.ts'
import { dice, type Dice } from './dice.ts'
import {
  ASSUMED,
  counted,
  fabricOf,
  joinSeen,
  lay,
  readOff,
  work,
  YARN,
  type Hands,
  type Made,
  type MakerSetting,
} from './makerHands.ts'
import { discSpec } from './specs.ts'

export interface MakerResult {
  /** Final size against the target, mm, with the plan followed as it was, and with every correction taken. */
  readonly uncorrected: number
  readonly corrected: number
  /** What the first measurement after the mistake was taken for. */
  readonly diagnosis?: Diagnosis
  /** The same with exact readings: whether they can tell the true cause at all. Worked out when it is asked for. */
  readonly exact?: () => Diagnosis
  /** After the looks that were asked for. */
  readonly looked?: Diagnosis
  readonly cause: CauseKind
  readonly scHeight: number
}

/** A seeded maker with hidden hands plans, works, slips, measures with noise, and takes the best way out or not. */
export function simulateMaker(setting: MakerSetting): MakerResult {
  const random = dice(setting.seed * 7919 + 13)
  const label = gaugeFromTable('sc', YARN)
  const { size, correlation } = ASSUMED.label
  const shared = random.normal()
  const own = () => Math.sqrt(correlation) * shared + Math.sqrt(1 - correlation) * random.normal()
  const usual = { lnW: Math.log(label.w) + size * own(), lnH: Math.log(label.h) + size * own() }
  const gauge = setting.start === 'table' ? label : swatched(usual, random)
  const together = ASSUMED.day.together * random.normal()
  let wander = 0
  const hands: Hands = {
    lnW: usual.lnW + together + ASSUMED.day.apart * random.normal(),
    lnH: usual.lnH + together + ASSUMED.day.apart * random.normal(),
    centre: Math.max(0, ASSUMED.centre.mean + ASSUMED.centre.sd * random.normal()),
    drift: Array.from({ length: 80 }, () => (wander += ASSUMED.drift * random.normal())),
    mistakeAt: 2 + Math.floor(random.uniform() * 4),
    fabric: fabricOf(random),
  }
  const spec: PieceSpec = {
    ...discSpec(setting.across, {
      construction: { ...discSpec(1).construction, freeLastRounds: 2 },
    }),
    form: { family: 'disc', across: mm(setting.across) },
    tolerance: mm(3),
    gauge,
  }
  const first = planPiece(spec)
  const original = work(first.rounds, [], setting, hands, { knows: false, slipped: false }, 0)
  const uncorrected = lay(original, hands).radius * 2
  const worked = workWithChecks(spec, first, setting, hands, random)
  return {
    uncorrected: uncorrected - setting.across,
    corrected: worked.across - setting.across,
    diagnosis: worked.diagnosis,
    exact: worked.exact,
    looked: worked.looked,
    cause: setting.mistake ?? 'hands',
    scHeight: Math.exp(hands.lnH),
  }
}

function swatched({ lnW, lnH }: { lnW: number; lnH: number }, { normal }: Dice): Gauge {
  const over = 100
  const count = (ln: number) =>
    (over + ASSUMED.swatch.length * normal()) / Math.exp(ln) + ASSUMED.swatch.count * normal()
  const round = (value: number) => Math.round(value * 4) / 4
  const combined = beliefFromEvidence(
    YARN,
    [
      {
        id: 'swatch',
        at: 0,
        kind: 'swatch',
        worked: 'rounds',
        stitch: 'sc',
        loops: 'both',
        state: 'worked',
        stitches: { count: round(count(lnW)), over },
        rounds: { count: round(count(lnH)), over },
      },
    ],
    { mean: 0, sd: 0.02 },
  )
  return gaugeFromBelief(combined, 'sc', YARN, true)
}

/** Measures at every checkpoint but the finish and takes the best way out each time. */
function workWithChecks(spec: PieceSpec, first: Plan, setting: MakerSetting, hands: Hands, random: Dice) {
  let plan = first
  let current = spec
  let made: Made[] = []
  let diagnosis: Diagnosis | undefined
  let exact: (() => Diagnosis) | undefined
  let knows = false
  let slipped = false
  let looked: Diagnosis | undefined
  let hook: number = YARN.hook
  let grown = 0
  // Rounds as the plan numbers them; what is really there may be one more or fewer.
  let done = 0
  for (let measured = 0; measured < MOST_CHECKS; measured++) {
    const checkpoint = plan.checkpoints.find(
      ({ afterRound, purpose }) => afterRound > done && purpose !== 'finish',
    )
    if (!checkpoint) break
    made = [
      ...made,
      ...work(
        plan.rounds.slice(done, checkpoint.afterRound),
        made,
        setting,
        hands,
        { knows, slipped },
        grown,
      ),
    ]
    done = checkpoint.afterRound
    const rounds = plan.rounds.slice(0, done)
    const laid = lay(made, hands)
    const reading = readOff(laid, done, random, 1)
    const asked = current
    const ask = (counts: PieceReading['counts'], from = reading) =>
      diagnose({ spec: asked, rounds, readings: [{ ...from, counts }] })
    let counts = setting.counts ? [counted(made, made.length, random)].map(atPlanRound(done)) : []
    let found = ask(counts)
    if (made.length >= hands.mistakeAt && !diagnosis) {
      diagnosis = found
      const plain = setting.counts ? [{ round: done, count: made.at(-1)!.count }] : []
      const noiseless = readOff(laid, done, random, 0)
      exact = () => ask(plain, noiseless)
    }
    // What Uzel asks to look at is looked at.
    let join: PieceReading['join']
    for (let looks = 0; looks < MOST_LOOKS && found.look; looks++) {
      const { look } = found
      if (look.kind === 'countRound' && look.round <= made.length) {
        counts = [...counts, counted(made, look.round, random)]
      } else if (look.kind === 'lookAtJoin') {
        join = joinSeen(knows || made.length < hands.mistakeAt ? undefined : setting.mistake, random)
      } else break
      found = ask(counts, { ...reading, join })
    }
    looked ??= made.length >= hands.mistakeAt ? found : undefined
    const [best] = waysOut({ spec: current, hook, plan, afterRound: done, diagnosis: found }).ways
    if (!best) break
    // Whoever is told that the join was worked stops working it.
    if (found.causes[0]!.kind === setting.mistake) knows = true
    if (best.kind === 'goBack') made = made.slice(0, best.keeps)
    slipped ||= made.length >= hands.mistakeAt || best.kind === 'goBack'
    if (best.hook !== undefined) {
      grown += 0.5 * Math.log(best.hook / hook) + ASSUMED.hook * random.normal()
      hook = best.hook
    }
    plan = best.plan
    current = { ...best.spec, form: spec.form }
    done = best.keeps
  }
  made = [...made, ...work(plan.rounds.slice(done), made, setting, hands, { knows, slipped }, grown)]
  return { across: 2 * lay(made, hands).radius, diagnosis, exact, looked }
}

/** The last round really made is the last the plan has. */
const atPlanRound =
  (done: number) =>
  ({ count }: { count: number }) => ({ round: done, count })

const MOST_LOOKS = 2

/** A maker who went back again and again would put the piece away. */
const MOST_CHECKS = 8
