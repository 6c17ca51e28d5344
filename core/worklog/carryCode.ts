import type { PlannedRound } from '../plan/plan.ts'
import { placeOf } from '../rounds/inOrder.ts'
import { unitsOf } from './moves.ts'
import type { Position } from './logEvent.ts'

/**
 * Where the hook is, in sixteen letters and digits that can be read out, typed or scanned: of which piece and plan, which
 * copy, which round and stitch, and a check. It carries no work, only the place: the piece must be there already.
 */
export interface Carried {
  /** Fingerprints: of the piece's id, and of the stitches of every round of the plan. */
  readonly piece: number
  readonly plan: number
  readonly copy: number
  /** From 1. */
  readonly round: number
  readonly unit: number
}

/** Bits of each part, in order; the check comes last. */
const PARTS = [
  ['piece', 20],
  ['plan', 18],
  ['copy', 8],
  ['round', 11],
  ['unit', 13],
] as const satisfies readonly (readonly [keyof Carried, number])[]
const CHECK_BITS = 10
const BITS = PARTS.reduce((sum, [, bits]) => sum + bits, CHECK_BITS)

/** Letters and digits that are not taken for one another: no I, L, O and U. */
const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'
const PER_LETTER = 5
const LENGTH = BITS / PER_LETTER
const GROUP = 4

/** x¹⁰ + x⁹ + x⁵ + x⁴ + x + 1: finds every slip within two neighbouring letters. */
const POLYNOMIAL = 0b11000110011n

const checkOf = (bits: bigint): bigint => {
  let rest = bits << BigInt(CHECK_BITS)
  const top = BigInt(CHECK_BITS)
  for (let at = BigInt(BITS - 1); at >= top; at--) {
    if ((rest >> at) & 1n) rest ^= POLYNOMIAL << (at - top)
  }
  return rest
}

/** A fingerprint of so many bits (FNV-1a). */
function fingerprint(text: string, bits: number): number {
  let hash = 0x811c9dc5
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193) >>> 0
  // The upper bits are folded in, so that every bit counts.
  return ((hash >>> bits) ^ hash) & (2 ** bits - 1)
}

export const pieceMark = (pieceId: string): number => fingerprint(pieceId, 20)
export const planMark = (rounds: readonly Pick<PlannedRound, 'count' | 'stitch'>[]): number =>
  fingerprint(rounds.map(({ count, stitch }) => `${count}${stitch}`).join(), 18)

/** The code of a place; nothing where a part of it is larger than any piece has. */
export function carryCode(carried: Carried): string | undefined {
  let bits = 0n
  for (const [part, wide] of PARTS) {
    const value = carried[part]
    if (!Number.isInteger(value) || value < 0 || value >= 2 ** wide) return undefined
    bits = (bits << BigInt(wide)) | BigInt(value)
  }
  const whole = (bits << BigInt(CHECK_BITS)) | checkOf(bits)
  const letters = Array.from({ length: LENGTH }, (_, index) =>
    LETTERS.charAt(Number((whole >> BigInt(PER_LETTER * (LENGTH - 1 - index))) & 31n)),
  ).join('')
  return letters.replace(new RegExp(`(.{${GROUP}})(?=.)`, 'g'), '$1-')
}

/** The code of where the hook is on a copy. */
export const carryCodeAt = (
  pieceId: string,
  copy: number,
  rounds: readonly PlannedRound[],
  { round, unit }: Position,
): string | undefined =>
  carryCode({
    piece: pieceMark(pieceId),
    plan: planMark(rounds),
    copy,
    round: placeOf(rounds, round) + 1,
    unit,
  })

export type CarryRead =
  | { readonly ok: true; readonly carried: Carried }
  /** It is no code, it is of another length, or a letter of it is wrong. */
  | { readonly ok: false; readonly why: 'letters' | 'length' | 'check' }

/** A code as it was typed: small or large letters, with or without what groups them; O, I and L as they look. */
export function readCarryCode(text: string): CarryRead {
  const letters = text
    .toUpperCase()
    .replace(/[\s\-–—.]/g, '')
    .replace(/O/g, '0')
    .replace(/[IL]/g, '1')
  if (/[^0-9A-HJKMNP-TV-Z]/.test(letters) || letters === '') return { ok: false, why: 'letters' }
  if (letters.length !== LENGTH) return { ok: false, why: 'length' }
  let whole = 0n
  for (const letter of letters) whole = (whole << BigInt(PER_LETTER)) | BigInt(LETTERS.indexOf(letter))
  const bits = whole >> BigInt(CHECK_BITS)
  if (checkOf(bits) !== (whole & (2n ** BigInt(CHECK_BITS) - 1n))) return { ok: false, why: 'check' }
  let rest = bits
  const parts: Partial<Record<keyof Carried, number>> = {}
  for (const [part, wide] of PARTS.toReversed()) {
    parts[part] = Number(rest & (2n ** BigInt(wide) - 1n))
    rest >>= BigInt(wide)
  }
  return { ok: true, carried: parts as Carried }
}

/** The place that a code names in a plan; nothing where the plan is another, or has no such place. */
export function carriedTo(
  rounds: readonly PlannedRound[],
  { plan, round, unit }: Carried,
): Position | undefined {
  const there = rounds[round - 1]
  if (!there || planMark(rounds) !== plan || unit > unitsOf(there).length) return undefined
  return { round: there.id, unit }
}
