import { kindOf, type Op, type Step } from '../rounds/steps.ts'
import type { Manner } from '../stitches/manner.ts'
import { STITCHES, type Terms } from '../stitches/stitch.ts'

/** Steps in crochet words: "sc, inc, (2 sc, inc) × 5, sc". */
export function writeSteps(steps: readonly Step[], terms: Terms): string {
  const half = halfOf(steps)
  if (half) return `(${writeSteps(half, terms)}) × 2`
  return steps
    .map(({ times, ops }) => {
      const text = writeOps(ops, terms)
      if (times === 1) return text
      return ops.length === 1 ? `${text} × ${times}` : `(${text}) × ${times}`
    })
    .join(', ')
}

/** Half of the steps, where they go around two ends alike. */
function halfOf(steps: readonly Step[]): readonly Step[] | undefined {
  const [first, second] = [steps.slice(0, steps.length / 2), steps.slice(steps.length / 2)]
  const alike =
    steps.length >= 4 &&
    first.length === second.length &&
    first.every(({ zone, ...step }, index) => {
      const { zone: _, ...other } = second[index]!
      return zone !== undefined && JSON.stringify(step) === JSON.stringify(other)
    })
  return alike ? first : undefined
}

/** One run of a repeat: "5 sc, inc". */
export function writeOps(ops: readonly Op[], terms: Terms): string {
  return ops
    .map((op, index) => {
      const next = ops[(index + 1) % ops.length]
      // The chain after it is the space's.
      const plain = op.manner === 'cluster' && next?.manner === 'space'
      return plain ? nameOfBunch(op, STITCHES[op.stitch].short[terms]) : writeOp(op, terms)
    })
    .join(', ')
}

export function writeOp(op: Op, terms: Terms): string {
  const short = STITCHES[op.stitch].short[terms]
  const kind = kindOf(op)
  if (isSeveral(op)) return `${op.makes} ${short} in one st`
  if (kind !== 'work') return kind === 'inc' ? 'inc' : `${short}2tog`
  if (op.manner === 'skip') return `${terms === 'US' ? 'skip' : 'miss'} ${op.uses}`
  if (op.manner === 'slit' && op.uses === 0) return `ch ${op.makes}`
  if (op.manner === 'slit')
    return `ch ${op.makes} over ${op.uses} ${terms === 'US' ? 'skipped' : 'missed'} sts`
  if (op.manner === 'chain') return `ch ${op.times}`
  const name = nameOf(op, short, terms)
  return op.times === 1 ? name : `${op.times} ${name}`
}

/** More than two in one stitch. */
const isSeveral = ({ uses, makes }: Op): boolean => uses === 1 && makes > 2

/** One stitch by its short name and how it is worked: "FPdc", "5-dc popcorn". */
function nameOf({ manner, of }: Pick<Op, 'manner' | 'of'>, short: string, terms: Terms): string {
  switch (manner) {
    case undefined:
    case 'slit':
    case 'skip':
    case 'alongChain':
      return short
    case 'same':
      return `${short} in the same st`
    case 'chain':
      return 'ch'
    case 'reverse':
      return `reverse ${short}`
    case 'curl':
      return `(${short}, ch 1, ${STITCHES.slst.short[terms]}) in one st`
    case 'picot':
      return `${short} with a ch-3 picot`
    case 'frontPost':
      return `FP${short}`
    case 'backPost':
      return `BP${short}`
    case 'popcorn':
      return nameOfBunch({ manner, of }, short)
    case 'cluster':
      return `${nameOfBunch({ manner, of }, short)} with ch 1`
    case 'spike':
      return `spike ${short}`
    case 'space':
      return `ch 1 and ${terms === 'US' ? 'skip' : 'miss'} 1`
  }
}

/** Several stitches that make one: "5-dc popcorn". */
const nameOfBunch = ({ manner, of }: Pick<Op, 'manner' | 'of'>, short: string): string =>
  `${of}-${short} ${manner}`

export const aroundOrIn = (manner: Manner): string =>
  manner === 'frontPost' || manner === 'backPost' ? 'around' : 'in'
