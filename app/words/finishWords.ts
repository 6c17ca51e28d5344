import {
  closesOff,
  easingOf,
  seamStitches,
  type Finish,
  type FinishingStep,
  type Joint,
  type LinkReason,
  type PieceRecord,
  type StepKind,
  type WayOfJoining,
} from '../../core/index.ts'
import { sts } from './wording.ts'

/** Ways to join two edges: what they are called, what they do, and what one does with the hook or needle. */
export const WAY_WORDS: Readonly<Record<WayOfJoining, { readonly label: string; readonly detail: string }>> =
  {
    mattress: { label: 'Mattress stitch', detail: 'right sides up, unseen; it hinges' },
    whip: { label: 'Whip stitch', detail: 'lies flat, is seen' },
    backStitch: { label: 'Back stitch', detail: 'firm, seen as a line' },
    slipStitch: { label: 'Slip stitch', detail: 'a low ridge, firm' },
    singleCrochet: { label: 'Single crochet', detail: 'a round of its own, as high as one' },
    throughBoth: { label: 'Sc through both', detail: 'both layers in one round: it edges them, too' },
    pickedUp: { label: 'Picked up', detail: 'a round worked into the edge, no seam' },
  }

const KIND_WORDS: Readonly<Record<StepKind, string>> = {
  make: 'Make',
  part: 'Small part',
  mark: 'Mark places',
  embroider: 'Embroider',
  hardware: 'Hardware',
  line: 'Lining',
  weaveInside: 'Ends inside',
  join: 'Join',
  fill: 'Fill',
  close: 'Close',
  tryOn: 'Try on',
  weaveIn: 'Weave in',
  block: 'Block',
  stiffen: 'Stiffen',
  measure: 'Wash, measure',
}

/** Kinds of steps that a maker may add. */
export const OWN_KINDS: readonly (readonly [StepKind, string])[] = (
  ['part', 'mark', 'embroider', 'hardware', 'line', 'fill', 'tryOn', 'block', 'stiffen'] as const
).map((kind) => [kind, KIND_WORDS[kind]])

type Named = Pick<PieceRecord, 'id' | 'name' | 'quantity'>

/** "Body to Lid", "Disc 1 to 2". */
export function jointName({ edges: [one, other] }: Pick<Joint, 'edges'>, pieces: readonly Named[]): string {
  const of = (id: string) => pieces.find((piece) => piece.id === id)
  const [first, second] = [of(one.pieceId), of(other.pieceId)]
  if (!first || !second) return 'Joint'
  if (first.id === second.id) return `${first.name} ${one.copy} to ${other.copy}`
  const named = (piece: Named, copy: number) => (piece.quantity > 1 ? `${piece.name} ${copy}` : piece.name)
  return `${named(first, one.copy)} to ${named(second, other.copy)}`
}

/** "12 = 12", "12 on 11". */
export const countsOf = ({ edges: [one, other] }: Pick<Joint, 'edges'>): string =>
  one.count === other.count ? `${one.count} = ${other.count}` : `${one.count} on ${other.count}`

/** How unequal edges go together: "2 in one at every 9th st". */
export function easingWords({ edges: [one, other] }: Pick<Joint, 'edges'>): string {
  const easing = easingOf(one.count, other.count)
  if (easing.kind === 'equal') return 'Stitch to stitch.'
  const few = Math.min(one.count, other.count)
  const { twice, extra, kind } = easing
  const gap = few / extra
  const every =
    extra === 1
      ? `at st ${twice[0]}`
      : `at every ${ordinal(Math.floor(gap))}${Math.floor(gap) === Math.ceil(gap) ? '' : ` or ${ordinal(Math.ceil(gap))}`} st of the ${few}, first at ${twice[0]}`
  return `2 in one ${every}${kind === 'visible' ? '; it will be seen a little' : ''}.`
}

const ENDINGS: Readonly<Record<string, string>> = { one: 'st', two: 'nd', few: 'rd', other: 'th' }
const RULES = new Intl.PluralRules('en', { type: 'ordinal' })
const ordinal = (number: number): string => `${number}${ENDINGS[RULES.select(number)]}`

/** What a step is called on the line, and in a word what of it matters. */
export function stepWords(
  step: FinishingStep,
  pieces: readonly Named[],
  finish: Finish,
): { readonly name: string; readonly detail: string } {
  const [first] = step.pieces
  const piece = pieces.find(({ id }) => id === first)
  const joint = finish.joints.find(({ id }) => id === step.joint || step.id === `inside:${id}`)
  const all = joint ? seamStitches(joint) : 0
  switch (step.kind) {
    case 'make':
      return {
        name: piece?.name ?? KIND_WORDS.make,
        detail: piece && piece.quantity > 1 ? `make ${piece.quantity}` : 'make it',
      }
    case 'join':
      return {
        name: joint ? jointName(joint, pieces) : KIND_WORDS.join,
        detail: joint
          ? joint.filledThrough === undefined
            ? countsOf(joint)
            : `${all - joint.filledThrough} of ${all}`
          : '',
      }
    case 'fill':
      return {
        name: step.name ?? KIND_WORDS.fill,
        detail: joint ? `through ${sts(joint.filledThrough!)}` : '',
      }
    case 'close':
      return { name: KIND_WORDS.close, detail: joint ? `the last ${joint.filledThrough}` : '' }
    case 'weaveInside':
      return { name: KIND_WORDS.weaveInside, detail: joint ? 'before it closes' : '' }
    default:
      return {
        name: step.name ?? KIND_WORDS[step.kind],
        detail: step.pieces.length < pieces.length && piece ? piece.name : '',
      }
  }
}

/** Why one step stays before another. */
export const REASON_WORDS: Readonly<Record<LinkReason, string>> = {
  made: 'it has to be there first',
  inside: 'it needs the inside',
  open: 'while it is open',
  places: 'filling moves places',
  soft: 'stiff fabric takes no needle',
  size: 'sizes settle first',
  fits: 'once it fits',
  last: 'it comes last',
  own: 'as you wanted it',
}

/** What to do with a step, for somebody who is about to. */
export function stepAdvice(
  step: FinishingStep,
  finish: Finish,
  pieces: readonly { id: string; last: number }[],
): string {
  const joint = finish.joints.find(({ id }) => id === step.joint)
  switch (step.kind) {
    case 'make':
      return 'It is done when all of its copies are finished at the hook.'
    case 'part':
      return 'Make it, and sew it on where it belongs.'
    case 'mark':
      return 'Place markers before filling: the fabric moves under it.'
    case 'embroider':
      return 'With the inside open, ends tied off on the wrong side.'
    case 'hardware':
      return 'Eyes, magnets and buttons hold from the inside. None for babies or children under three; magnets never where they can be swallowed. Hot glue burns: let adults do it.'
    case 'line':
      return 'Sew the lining in by its edge, seams outward.'
    case 'weaveInside':
      return 'Tails that would be shut in: weave them now, in three directions.'
    case 'join':
      return joint && joint.filledThrough === undefined && closesOff(joint, pieces)
        ? 'After this there is no way inside.'
        : ''
    case 'fill':
      return 'Into the rim first, then the middle, before the opening is under two fingers.'
    case 'close':
      return 'After this there is no way inside.'
    case 'tryOn':
      return 'On its owner, or on a last of their size, before anything is woven in.'
    case 'weaveIn':
      return 'In three directions with a needle; slippery yarn wants 12 cm.'
    case 'block':
      return 'Cotton and linen wet, to measure; wool wet or by steam; acrylic never hot.'
    case 'stiffen':
      return 'It cannot be undone, and takes no needle after. Read its label; children away.'
    case 'measure':
      return 'Wash as its label says, dry flat, measure: what it comes to teaches your gauge.'
  }
}
