import { alongChain, freeChain, leftOut, usedByMotif } from '../rounds/motif.ts'
import { plain, type Op } from '../rounds/steps.ts'
import { STITCHES, type StitchName, type Terms } from '../stitches/stitch.ts'
import { writeOp } from './writeSteps.ts'

/** A motif as it was understood, or why not, with what would be. */
export type ReadMotif = { readonly ops: readonly Op[] } | { readonly message: string; readonly valid: string }

/** Of a chain or of one stitch after another: more is no motif of an edge. */
const MOST = 200

/**
 * Reads a short instruction along an edge: "ch 5, sl st, sc, hdc, dc, skip 1, sl st". Stitches after a chain go back
 * along it while it has room; a semicolon, a skip or the chain's end leads back to the edge.
 */
export function readMotif(text: string, terms: Terms): ReadMotif {
  const ops: Op[] = []
  let room = 0
  for (const [index, clause] of text.split(';').entries()) {
    if (index > 0) room = 0
    for (const part of clause.split(',').map((one) => one.trim())) {
      if (part === '') continue
      const op = readPart(part, terms)
      if (!op) return notUnderstood(part, terms)
      if (op.times > MOST || op.uses > MOST || op.makes > MOST) {
        return { message: `“${part}” is more than a motif has.`, valid: `Up to ${MOST}.` }
      }
      if (op.manner === 'chain') room = op.times - 1
      if (op.manner === 'skip' || op.makes > 1) room = 0
      if (op.manner === undefined && op.makes === 1 && room > 0) {
        const back = Math.min(room, op.times)
        ops.push(alongChain(op.stitch, back))
        room -= back
        if (op.times > back) ops.push(plain(op.stitch, op.times - back))
      } else ops.push(op)
    }
  }
  if (ops.length === 0) return { message: 'There is nothing in it yet.', valid: EXAMPLE[terms] }
  if (usedByMotif({ ops }) === 0) {
    return {
      message: 'It stands on no stitch of the edge.',
      valid: `End it in one: “; ${STITCHES.slst.short[terms]}”.`,
    }
  }
  return { ops }
}

const EXAMPLE: Readonly<Record<Terms, string>> = {
  US: 'As “ch 5, sl st, sc, hdc, dc, skip 1, sl st”.',
  UK: 'As “ch 5, ss, dc, htr, tr, miss 1, ss”.',
}

const notUnderstood = (part: string, terms: Terms) => ({
  message: `“${part}” is not understood.`,
  valid: EXAMPLE[terms],
})

/** The stitch that a word means in these terms. */
function stitchOf(word: string, terms: Terms): StitchName | undefined {
  const asked = word.replaceAll(/\s+/g, ' ')
  return (Object.keys(STITCHES) as StitchName[]).find((name) => STITCHES[name].short[terms] === asked)
}

function readPart(part: string, terms: Terms): Op | undefined {
  const words = part.toLowerCase().replaceAll(/\s+/g, ' ')
  const chain = /^(?:ch (\d+)|(\d+) ch|ch)$/.exec(words)
  if (chain) return times(freeChain(1), chain[1] ?? chain[2])
  const skip = /^(?:skip|miss)(?: (\d+))?(?: sts?)?$/.exec(words)
  if (skip) return atLeastOne(leftOut(Number(skip[1] ?? 1)))
  const bunch = /^(\d+) (.+?) in (?:one|1)(?: st)?$/.exec(words)
  if (bunch) {
    const stitch = stitchOf(bunch[2]!, terms)
    return stitch && atLeastOne({ ...plain(stitch), makes: Number(bunch[1]) })
  }
  const before = /^(\d+) (.+)$/.exec(words)
  const after = /^(.+?) (\d+)$/.exec(words)
  const [word, number] = before ? [before[2]!, before[1]] : after ? [after[1]!, after[2]] : [words, undefined]
  const stitch = stitchOf(word, terms)
  return stitch && times(plain(stitch), number)
}

const times = (op: Op, number: string | undefined): Op | undefined =>
  atLeastOne({ ...op, times: Number(number ?? 1) })

const atLeastOne = (op: Op): Op | undefined =>
  op.times > 0 && op.makes + op.uses > 0 && Number.isInteger(op.times) ? op : undefined

/** A motif as it is read again: a semicolon where a chain has room left and the edge goes on. */
export function writeMotif(ops: readonly Op[], terms: Terms): string {
  let room = 0
  return ops
    .map((op, index) => {
      const onEdge = op.manner === undefined && op.makes === 1
      const mark = index === 0 ? '' : onEdge && room > 0 ? '; ' : ', '
      if (op.manner === 'chain') room = op.times - 1
      else if (op.manner === 'alongChain') room -= op.times
      else room = 0
      return mark + writeOp(op, terms)
    })
    .join('')
}
