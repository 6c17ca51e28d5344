import { diagnose, type Diagnosis } from '../fit/diagnose.ts'
import type { CauseKind } from '../fit/causes.ts'
import type { PieceReading } from '../fit/pieceReading.ts'
import { waysOut } from '../fit/waysOut.ts'
import { beliefFromEvidence, gaugeFromBelief } from '../gauge/gaugeFromEvidence.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import { gaugeFromTable } from '../gauge/gaugeFromTable.ts'
import type { Gauge } from '../gauge/gauge.ts'
import type { PieceSpec, Plan, Round } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { isEdging, type StitchName } from '../stitches/stitch.ts'
import { mm } from '../units/millimetres.ts'
import { dice, type Dice } from './dice.ts'
import { layShell, USUAL_FABRIC, type Fabric, type ShellRing } from './elasticShell.ts'
import { discSpec } from './specs.ts'

/** What is assumed of simulated makers; docs/ACCURACY.md gives the same numbers. */
export const ASSUMED = {
  /** True w and h against the label, and between the two. */
  label: { size: 0.12, correlation: 0.88 },
  /** A swatch in rounds: tape and count. */
  swatch: { length: 2, count: 0.25 },
  /** This piece's hands against the swatch's. */
  day: { together: 0.02, apart: 0.008 },
  /** Hands drift, a round. */
  drift: 0.002,
  centre: { mean: 0.3, sd: 0.12 },
  /** Diameter by tape, one reading: ±2 mm, 19 times of 20; depth of a cup. */
  tape: 1,
  depth: 2,
  /** Stiffness, weight, friction of the fabric, and what holds it flat, each against the usual. */
  fabric: 0.2,
  /** An edge is seen to stand up from so much on, mm, and to wave from so much excess on, a little or a lot. */
  seen: { standsUp: 3, waves: 0.03, lot: 0.07 },
  /** Excess length as the eye sees it. */
  eye: 0.01,
  /** Another hook against what is expected of it. */
  hook: 0.01,
  /** A count that is wrong by one. */
  miscount: 0.02,
  /** A join that is taken for what it is not. */
  misseen: 0.08,
} as const

const YARN = { weight: 4, strands: 1, hook: 5 } as const

export interface MakerSetting {
  readonly seed: number
  readonly start: 'swatch' | 'table'
  /** Target diameter, mm. */
  readonly across: number
  /** Whether stitches are counted at each measurement. */
  readonly counts: boolean
  readonly mistake?: Exclude<CauseKind, 'hands' | 'openCentre' | 'roundMissing' | 'roundExtra'>
}

export interface MakerResult {
  /** Final size against the target, mm, with the plan followed as it was, and with every correction taken. */
  readonly uncorrected: number
  readonly corrected: number
  /** What the first measurement after the mistake was taken for. */
  readonly diagnosis?: Diagnosis
  /** The same with exact readings: whether they can tell the true cause at all. */
  readonly exact?: Diagnosis
  /** After the looks that were asked for. */
  readonly looked?: Diagnosis
  readonly cause: CauseKind
  readonly scHeight: number
}

interface Hands {
  /** True ln w and ln h of sc in this piece. */
  readonly lnW: number
  readonly lnH: number
  readonly centre: number
  /** Change of both by round. */
  readonly drift: readonly number[]
  readonly mistakeAt: number
  readonly fabric: Fabric
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
    shape: { family: 'disc', across: mm(setting.across), tolerance: mm(3) },
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

/** A round as it is really there. */
interface Made {
  readonly count: number
  readonly stitch: StitchName
  /** What its hook does to w and h. */
  readonly hook: number
}

/** Rounds as the maker really works them: the increases asked for, and the slips. */
function work(
  rounds: readonly Round[],
  below: readonly Made[],
  { mistake }: MakerSetting,
  { mistakeAt }: Hands,
  { knows, slipped }: { readonly knows: boolean; readonly slipped: boolean },
  hook: number,
): Made[] {
  let count = below.at(-1)?.count ?? 0
  return rounds.map((round, index) => {
    const number = below.length + index + 1
    count += round.count - round.from
    if (number === mistakeAt && !slipped && mistake === 'missedIncreases') count -= 3
    if (number === mistakeAt && !slipped && mistake === 'extraIncreases') count += 3
    if (number >= mistakeAt && !knows && mistake === 'joinWorked') count += 1
    if (number >= mistakeAt && !knows && mistake === 'firstSkipped') count -= 1
    return { count, stitch: round.stitch, hook }
  })
}

/** A fabric of its own for every maker. */
function fabricOf({ normal }: Dice): Fabric {
  const about = (usual: number) => usual * Math.exp(ASSUMED.fabric * normal())
  const { along, bending, weight, buckles, friction, holdsFlat } = USUAL_FABRIC
  return {
    along: about(along),
    bending: about(bending),
    weight: about(weight),
    buckles: about(buckles),
    friction: about(friction),
    holdsFlat: about(holdsFlat),
  }
}

/** Where rounds really come to lie: the edge of the shell they make. */
function lay(made: readonly Made[], { lnW, lnH, centre, drift, fabric }: Hands): ShellRing {
  const base = gaugeFromTable('sc', YARN)
  const rounds = made.map(({ count, stitch, hook }, index) => {
    const usual = gaugeForStitch(base, stitch)
    const grown = Math.exp(drift[index]! + hook)
    return {
      count,
      w: (Math.exp(lnW) * grown * usual.w) / base.w,
      h: (Math.exp(lnH) * grown * usual.h) / base.h,
      edging: isEdging(stitch),
    }
  })
  return layShell(rounds, centre * Math.exp(lnH), fabric).at(-1)!
}

function readOff(edge: ShellRing, afterRound: number, { normal }: Dice, noise: number): PieceReading {
  const diameter = () => 2 * edge.radius + noise * ASSUMED.tape * normal()
  return {
    id: `after ${afterRound}`,
    copyId: 'copy',
    at: afterRound,
    planVersion: 1,
    afterRound,
    across: [diameter(), diameter()],
    edge: edgeSeen(edge.z + noise * ASSUMED.depth * normal(), edge.excess + noise * ASSUMED.eye * normal()),
  }
}

function edgeSeen(depth: number, excess: number): PieceReading['edge'] {
  const { standsUp, waves, lot } = ASSUMED.seen
  if (depth > standsUp) return { kind: 'standsUp', by: depth }
  return excess > waves ? { kind: 'waves', much: excess > lot ? 'lot' : 'little' } : { kind: 'flat' }
}

/** A round counted, now and then one off. */
function counted(made: readonly Made[], round: number, { uniform }: Dice): { round: number; count: number } {
  const slip = uniform() < ASSUMED.miscount ? (uniform() < 0.5 ? 1 : -1) : 0
  return { round, count: made[round - 1]!.count + slip }
}

/** Measures at every checkpoint but the finish and takes the best way out each time. */
function workWithChecks(spec: PieceSpec, first: Plan, setting: MakerSetting, hands: Hands, random: Dice) {
  let plan = first
  let current = spec
  let made: Made[] = []
  let diagnosis: Diagnosis | undefined
  let exact: Diagnosis | undefined
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
    const ask = (counts: PieceReading['counts'], from = reading) =>
      diagnose({ spec: current, rounds, readings: [{ ...from, counts }] })
    let counts = setting.counts ? [counted(made, made.length, random)].map(atPlanRound(done)) : []
    let found = ask(counts)
    if (made.length >= hands.mistakeAt && !diagnosis) {
      diagnosis = found
      const plain = setting.counts ? [{ round: done, count: made.at(-1)!.count }] : []
      exact = ask(plain, readOff(laid, done, random, 0))
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
    current = { ...best.spec, shape: spec.shape }
    done = best.keeps
  }
  made = [...made, ...work(plan.rounds.slice(done), made, setting, hands, { knows, slipped }, grown)]
  return { across: 2 * lay(made, hands).radius, diagnosis, exact, looked }
}

/** The join as it looks: seen wrong now and then. */
function joinSeen(mistake: MakerSetting['mistake'], { uniform }: Dice): NonNullable<PieceReading['join']> {
  const real = mistake === 'joinWorked' ? 'worked' : mistake === 'firstSkipped' ? 'skipped' : 'right'
  if (uniform() >= ASSUMED.misseen) return real
  return real === 'right' ? (uniform() < 0.5 ? 'worked' : 'skipped') : 'right'
}

/** The last round really made is the last the plan has. */
const atPlanRound =
  (done: number) =>
  ({ count }: { count: number }) => ({ round: done, count })

const MOST_LOOKS = 2

/** A maker who went back again and again would put the piece away. */
const MOST_CHECKS = 8
