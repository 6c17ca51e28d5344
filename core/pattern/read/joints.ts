import type { WayOfJoining } from '../../finish/joint.ts'
import type { Span } from './syntax.ts'

/** What a line says of joining two pieces, before it is known which. */
export interface JointSaid {
  /** How, where it says so. */
  readonly way?: WayOfJoining
  /** Stitches of the seam, and those that it leaves open for a filling. */
  readonly stitches?: number
  readonly open?: number
  /** What it closes is filled before the rest is joined. */
  readonly fills?: true
}

/** Two pieces of a text that are joined: by their index, and which copy of it from 1. */
export interface JointRead extends JointSaid {
  readonly line: number
  readonly span: Span
  /** The number that its line has among the rounds, where it has one. */
  readonly written?: number
  readonly way: WayOfJoining
  readonly of: readonly [JoinedPiece, JoinedPiece]
}

export interface JoinedPiece {
  readonly piece: number
  readonly copy: number
}

const PARTS =
  '(?:layers?|pieces?|parts?|discs?|circles?|rounds?|sides?|halves|squares?|ovals?|panels?|fabrics?|thicknesses|mats?|edges?)'
const BOTH = '(?:both|the\\s+two|two|the)'
const THROUGH = new RegExp(`\\bthrough\\s+(?:both|the\\s+two|all)\\s+(?:\\w+\\s+)?${PARTS}\\b`, 'i')
const HELD = new RegExp(
  `\\b(?:hold|holding|held|place|placing|put|lay|laying|match|matching)\\b[^.;]*\\b(?:${BOTH}\\s+(?:\\w+\\s+)?${PARTS}|them)\\b[^.;]*\\b(?:together|on\\s+top|facing|aligned)\\b`,
  'i',
)
const SEWN = new RegExp(
  `\\b(?:sew|seam|whip(?:\\s|-)?stitch|mattress(?:\\s|-)stitch|back(?:\\s|-)?stitch|slip(?:\\s|-)stitch|join|crochet|attach)\\b[^.;]*\\b${BOTH}\\s+(?:\\w+\\s+)?${PARTS}\\b[^.;]*\\btogether\\b`,
  'i',
)
/** "Sew the lid to the body": which they are, their names tell. */
const SEWN_TO = /^(?:then\s+)?(?:sew|whip(?:\s|-)?stitch|seam|attach|join|crochet)\b[^.;]*\b(?:to|onto)\b/i

/** In the order in which they are told from one another: "sew with a whip stitch" is one. */
const WAYS: readonly (readonly [RegExp, WayOfJoining])[] = [
  [/\bwhip/i, 'whip'],
  [/\b(?:mattress|ladder)\b/i, 'mattress'],
  [/\bback(?:\s|-)?stitch/i, 'backStitch'],
  [/\b(?:sl(?:ip)?(?:\s|-)?st(?:itch(?:es|ing)?)?|ss)\b/i, 'slipStitch'],
  [/\b(?:sew|seam)\b/i, 'whip'],
  [/\b(?:sc|dc|single\s+crochet|double\s+crochet|crochet)\b/i, 'throughBoth'],
]

/** How a round ends that goes all around. */
const ENDS = /\bjoin\s+with\s+(?:a\s+)?sl(?:ip)?\s*st\b.*/i
const TOTAL = /(?:[([]|=)\s*(\d{1,4})\s*(?:[a-z]{2,3}|sts?|stitches)?\s*[)\]]?\s*\.?\s*$/i
const COUNTED = /\b(\d{1,4})\s+(?:sc|dc|sl\s*sts?|ss|sts?|stitches)\b/i
const FILLS = /\b(?:stuff|fill)/i
const OPEN =
  /\b(?:leav(?:e|ing)(?:\s+(?:a|an))?(?:\s+(?:gap|opening|hole))?(?:\s+of)?\s+(?:the\s+)?(?:last\s+)?|last\s+)(\d{1,4})\s*(?:sts?|stitches|sc)?\b/i

const saysBoth = (line: string): boolean => [THROUGH, HELD, SEWN].some((one) => one.test(line))

/** What a line may say of joining two pieces; nothing where it is of something else. */
export function jointIn(line: string): JointSaid | undefined {
  if (!saysBoth(line) && !SEWN_TO.test(line)) return undefined
  const open = OPEN.exec(line)?.[1]
  const without = line.replace(OPEN, '').replace(ENDS, '')
  const stitches = (TOTAL.exec(line) ?? COUNTED.exec(without))?.[1]
  const way = WAYS.find(([said]) => said.test(without))?.[1]
  return {
    ...(way ? { way } : {}),
    ...(stitches === undefined ? {} : { stitches: Number(stitches) }),
    ...(open === undefined ? {} : { open: Number(open) }),
    ...(FILLS.test(line) ? { fills: true as const } : {}),
  }
}

/** How many more of the same a line asks for: "make another", "make two of these". */
export function moreAlike(line: string): number {
  const found = MORE.exec(line)
  if (!found) return 0
  return found[1] ? 1 : (NUMBERS[found[2]!.toLowerCase()] ?? Number(found[2])) - 1
}

const MORE =
  /^(?:then\s+)?(?:make|work|crochet)\s+(?:(another|one\s+more|a\s+second)|(two|three|four|[2-9])\s+(?:of\s+(?:these|them|this)|alike|the\s+same))\b/i
const NUMBERS: Readonly<Record<string, number>> = { two: 2, three: 3, four: 4 }

/** A piece as far as a joint asks for it. */
interface NamedPiece {
  readonly name?: string
  readonly quantity: number
}

/**
 * Which two of the pieces so far a line joins: those that it names, else two alike where there are several of the last,
 * else the last two; nothing where there are not two.
 */
export function joinedPieces(line: string, pieces: readonly NamedPiece[]): JointRead['of'] | undefined {
  const named = pieces.flatMap(({ name }, piece) => (name && isNamed(line, name) ? [piece] : []))
  if (named.length === 2) return [once(named[0]!), once(named[1]!)]
  // "Sew it to the hook" is of a thing that is none of them.
  if (!saysBoth(line)) return undefined
  const [last, before] = [pieces.length - 1, pieces.length - 2]
  const alike = named[0] ?? last
  if ((pieces[alike]?.quantity ?? 1) > 1) return [once(alike), { piece: alike, copy: 2 }]
  return before >= 0 ? [once(before), once(last)] : undefined
}

const once = (piece: number): JoinedPiece => ({ piece, copy: 1 })

const isNamed = (line: string, name: string): boolean => {
  const words = name.match(/[\p{L}\p{N}]+/gu) ?? []
  return words.length > 0 && new RegExp(`(?<![\\p{L}])${words.join('[^\\p{L}]{1,3}')}`, 'iu').test(line)
}
