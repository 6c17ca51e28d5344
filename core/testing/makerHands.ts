import { seenAcross } from './specs.ts'
import type { CauseKind } from '../fit/causes.ts'
import type { PieceReading } from '../fit/pieceReading.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import { gaugeFromTable } from '../gauge/gaugeFromTable.ts'
import type { PlannedRound } from '../plan/plan.ts'
import { isEdging, type StitchName } from '../stitches/stitch.ts'
import type { Dice } from './dice.ts'
import { layShell, USUAL_FABRIC, type Fabric, type ShellRing } from './elasticShell.ts'

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

export const YARN = { weight: 4, strands: 1, hook: 5 } as const

export interface MakerSetting {
  readonly seed: number
  readonly start: 'swatch' | 'table'
  /** Target diameter, mm. */
  readonly across: number
  /** Whether stitches are counted at each measurement. */
  readonly counts: boolean
  readonly mistake?: Exclude<CauseKind, 'hands' | 'openCentre' | 'roundMissing' | 'roundExtra'>
}

export interface Hands {
  /** True ln w and ln h of sc in this piece. */
  readonly lnW: number
  readonly lnH: number
  readonly centre: number
  /** Change of both by round. */
  readonly drift: readonly number[]
  readonly mistakeAt: number
  readonly fabric: Fabric
}

/** A round as it is really there. */
export interface Made {
  readonly count: number
  readonly stitch: StitchName
  /** What its hook does to w and h. */
  readonly hook: number
}

/** Rounds as the maker really works them: the increases asked for, and the slips. */
export function work(
  rounds: readonly PlannedRound[],
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
export function fabricOf({ normal }: Dice): Fabric {
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
export function lay(made: readonly Made[], { lnW, lnH, centre, drift, fabric }: Hands): ShellRing {
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

export function readOff(edge: ShellRing, afterRound: number, { normal }: Dice, noise: number): PieceReading {
  const diameter = () => 2 * edge.radius + noise * ASSUMED.tape * normal()
  return {
    id: `after ${afterRound}`,
    copyId: 'copy',
    at: afterRound,
    planVersion: 1,
    afterRound,
    seen: seenAcross(afterRound, diameter(), diameter()),
    edge: edgeSeen(edge.z + noise * ASSUMED.depth * normal(), edge.excess + noise * ASSUMED.eye * normal()),
  }
}

function edgeSeen(depth: number, excess: number): NonNullable<PieceReading['edge']> {
  const { standsUp, waves, lot } = ASSUMED.seen
  if (depth > standsUp) return { kind: 'standsUp', by: depth }
  return excess > waves ? { kind: 'waves', much: excess > lot ? 'lot' : 'little' } : { kind: 'flat' }
}

/** A round counted, now and then one off. */
export function counted(
  made: readonly Made[],
  round: number,
  { uniform }: Dice,
): { round: number; count: number } {
  const slip = uniform() < ASSUMED.miscount ? (uniform() < 0.5 ? 1 : -1) : 0
  return { round, count: made[round - 1]!.count + slip }
}

/** The join as it looks: seen wrong now and then. */
export function joinSeen(
  mistake: MakerSetting['mistake'],
  { uniform }: Dice,
): NonNullable<PieceReading['join']> {
  const real = mistake === 'joinWorked' ? 'worked' : mistake === 'firstSkipped' ? 'skipped' : 'right'
  if (uniform() >= ASSUMED.misseen) return real
  return real === 'right' ? (uniform() < 0.5 ? 'worked' : 'skipped') : 'right'
}
