import { longestRepeat } from './longestRepeat.ts'
import type { Op, Step, Unit } from './steps.ts'

/** Units as steps: runs of plain stitches counted, the longest repeat written once. */
export function stepsFromUnits(units: readonly Unit[]): Step[] {
  const ops: Op[] = []
  for (const { kind: _kind, step: _step, time: _time, ...worked } of units) {
    const op: Op = { ...worked, times: 1 }
    const last = ops.at(-1)
    if (op.uses === 1 && op.makes === 1 && last && sameOp({ ...last, times: 1 }, op)) {
      ops[ops.length - 1] = { ...last, times: last.times + 1 }
    } else ops.push(op)
  }
  return withRepeats(ops)
}

/** A run of single operations on its own; whatever repeats, repeated. */
function withRepeats(ops: readonly Op[]): Step[] {
  const steps: Step[] = []
  let single: Op[] = []
  const endSingle = () => {
    if (single.length > 0) steps.push({ times: 1, ops: single })
    single = []
  }
  for (let at = 0; at < ops.length;) {
    const { period, times } = longestRepeat(ops, at, LONGEST, sameOp)
    if (times > 1) {
      endSingle()
      steps.push({ times, ops: ops.slice(at, at + period) })
      at += period * times
    } else single.push(ops[at++]!)
  }
  endSingle()
  return steps
}

/** A repeat of more operations than this is not seen as one. */
const LONGEST = 4

const sameOp = (one: Op, other: Op): boolean =>
  one.stitch === other.stitch &&
  one.uses === other.uses &&
  one.makes === other.makes &&
  one.times === other.times &&
  one.loops === other.loops &&
  one.manner === other.manner &&
  one.of === other.of
