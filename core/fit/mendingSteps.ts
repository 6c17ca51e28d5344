import { stepsFromUnits } from '../rounds/stepsFromUnits.ts'
import {
  decrease,
  expandSteps,
  increase,
  kindOf,
  plain,
  type Op,
  type Step,
  type Unit,
} from '../rounds/steps.ts'

/** One way to take a stitch up: so many units from an index give way to others. */
interface Mend {
  readonly at: number
  readonly instead: readonly Unit[]
  readonly replaces: number
}

/**
 * The steps of a round that uses `off` more stitches below (or fewer) and makes what it was to make. Before
 * an increasing round a surplus leaves increases out, before a decreasing one a lack leaves decreases out;
 * else two are worked together, or made of one. One mend hides near the round's start, several are spread
 * around; none stands at the join, beside another shaping, or beside another mend.
 * @returns nothing where there is no room
 */
export function mendingSteps(steps: readonly Step[], off: number, joined: boolean): Step[] | undefined {
  if (off === 0) return [...steps]
  const units = expandSteps(steps)
  const find = (apart: boolean) =>
    chosen(mendsOf(units, { surplus: off > 0, joined, apart }), Math.abs(off), units)
  // Two increases side by side are less bad than none; two together beside an increase undo one another.
  const mends = find(true) ?? (off < 0 ? find(false) : undefined)
  if (!mends) return undefined
  const mended = [...units]
  for (const { at, instead, replaces } of mends.sort((one, other) => other.at - one.at)) {
    mended.splice(at, replaces, ...instead)
  }
  return stepsFromUnits(mended)
}

/** All places where one stitch can be taken up, in working order. */
function mendsOf(
  units: readonly Unit[],
  {
    surplus,
    joined,
    apart,
  }: { readonly surplus: boolean; readonly joined: boolean; readonly apart: boolean },
): Mend[] {
  const gives = surplus ? 'inc' : 'dec'
  const inPlace = units.some(({ kind }) => kind === gives)
  const [first, last] = joined ? [1, units.length - 1] : [0, units.length]
  const mends: Mend[] = []
  for (let at = first; at < last; at++) {
    const unit = units[at]!
    if (inPlace) {
      if (unit.kind === gives) mends.push(leftOut(at, unit))
    } else if (surplus) {
      if (plainAround(units, at, 1))
        mends.push({ at, replaces: 1, instead: [like(unit, decrease(unit.stitch))] })
    } else if (at + 1 < last && (apart ? plainAround(units, at, 2) : plainAt(units, at, 2))) {
      mends.push({ at, replaces: 2, instead: [like(unit, increase(unit.stitch))] })
    }
  }
  return mends
}

/** A unit in the place of another, doing something else. */
export const like = (unit: Unit, { uses, makes }: Op): Unit => ({
  ...unit,
  uses,
  makes,
  kind: kindOf({ uses, makes }),
})

/** An increase worked as two plain stitches, or a decrease as one. */
function leftOut(at: number, unit: Unit): Mend {
  const one = like(unit, plain(unit.stitch))
  return { at, replaces: 1, instead: unit.kind === 'inc' ? [one, one] : [one] }
}

/** Whether so many units from an index are plain. */
const plainAt = (units: readonly Unit[], at: number, length: number): boolean =>
  units.slice(Math.max(0, at), at + length).every(({ kind }) => kind === 'work')

/** The same of those beside them, too. */
const plainAround = (units: readonly Unit[], at: number, length: number): boolean =>
  plainAt(units, at - 1, length + (at > 0 ? 2 : 1))

/** Farther than this from other shaping a mend is as good as anywhere. */
const CLEAR = 4
/** A stitch clear of other shaping is worth so many nearer to where the mend should be. */
const CLEAR_WORTH = 3

/** So many of the mends, spread over the round, none side by side, clear of shaping; one alone near the start. */
function chosen(mends: readonly Mend[], many: number, units: readonly Unit[]): Mend[] | undefined {
  const { length } = units
  const taken: Mend[] = []
  const clear = ({ at, replaces }: Mend): number => {
    for (let away = 1; away < CLEAR; away++) {
      for (const index of [at - away, at + replaces - 1 + away]) {
        const unit = units[index]
        if (unit && unit.kind !== 'work') return away
      }
    }
    return CLEAR
  }
  for (let part = 0; part < many; part++) {
    const aim = many === 1 ? 0 : ((part + 0.5) / many) * length
    const free = mends.filter(({ at }) => taken.every((other) => Math.abs(other.at - at) > 2))
    const cost = (mend: Mend) => Math.abs(mend.at - aim) - CLEAR_WORTH * clear(mend)
    const nearest = free.reduce<Mend | undefined>(
      (best, mend) => (best && cost(best) <= cost(mend) ? best : mend),
      undefined,
    )
    if (!nearest) return undefined
    taken.push(nearest)
  }
  return taken
}
