import type { Op, Step, Unit } from './steps.ts'

/** Units as steps: runs of plain stitches counted, the longest repeat written once. */
export function stepsFromUnits(units: readonly Unit[]): Step[] {
  const ops: Op[] = []
  for (const { kind, stitch } of units) {
    const last = ops.at(-1)
    if (kind === 'work' && last?.kind === 'work' && last.stitch === stitch) {
      ops[ops.length - 1] = { ...last, count: last.count + 1 }
    } else ops.push(kind === 'work' ? { kind, stitch, count: 1 } : { kind, stitch })
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
    const { period, times } = repeatAt(ops, at)
    if (times > 1) {
      endSingle()
      steps.push({ times, ops: ops.slice(at, at + period) })
      at += period * times
    } else single.push(ops[at++]!)
  }
  endSingle()
  return steps
}

/** The repeat of one or two operations that begins here, how often it comes. */
function repeatAt(ops: readonly Op[], at: number): { period: number; times: number } {
  for (const period of [1, 2]) {
    let times = 1
    while (sameOps(ops, at, at + period * times, period)) times++
    if (times > 1) return { period, times }
  }
  return { period: 1, times: 1 }
}

function sameOps(ops: readonly Op[], from: number, other: number, length: number): boolean {
  if (other + length > ops.length) return false
  for (let index = 0; index < length; index++) {
    const [one, two] = [ops[from + index]!, ops[other + index]!]
    if (one.kind !== two.kind || one.stitch !== two.stitch) return false
    if (one.kind === 'work' && two.kind === 'work' && one.count !== two.count) return false
  }
  return true
}
