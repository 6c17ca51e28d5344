import {
  familyOf,
  fieldsOf,
  isAsked,
  type AnyField,
  type OutlinePoint,
  type StoredForm,
} from '../../../core/index.ts'
import { parseCount, parsePercent } from '../../ui/parseCount.ts'
import type { Sizes } from '../../ui/useSizes.ts'

/** The answer that is an angle, in place of a length. */
export const ANGLE = 'angle'

/** What is typed or chosen so far, by field; of an outline its points, as they are kept. */
export type Answers = Readonly<Record<string, string>>

interface Problem {
  readonly path: string
  readonly text: string
}

/**
 * The form that is asked for, once every size that has no usual value is there; or the first answer that cannot be.
 * Shares and choices are as usual until somebody says otherwise. With an angle the length that comes from it is still
 * to be worked out, by the stitches.
 */
export function formAsked(
  usual: StoredForm,
  answers: Answers,
  sizes: Pick<Sizes, 'parse'>,
): { readonly form?: StoredForm; readonly degrees?: number; readonly problem?: Problem } {
  const { angle } = familyOf(usual)
  const angleText = angle ? (answers[ANGLE]?.trim() ?? '') : ''
  const degrees =
    angle && angleText !== '' && (answers[angle.insteadOf]?.trim() ?? '') === ''
      ? parseCount(angle.least, angle.most, 'an angle in degrees')(angleText)
      : undefined
  if (degrees && !degrees.ok) return { problem: { path: `form.${ANGLE}`, text: degrees.message } }
  const values: Record<string, number | string | readonly OutlinePoint[]> = {}
  let missing = false
  for (const field of fieldsOf(usual.family)) {
    const text = answers[field.key]?.trim() ?? ''
    // What is not asked is as usual, and never missing.
    if (isSize(field) && !isAsked(field, (key) => values[key])) {
      values[field.key] = field.usual
      continue
    }
    if (field.kind === 'outline') {
      values[field.key] = text === '' ? field.usual : (JSON.parse(text) as OutlinePoint[])
    } else if (field.kind === 'choice') {
      values[field.key] = text === '' ? field.choices[0]! : text
    } else if (text === '') {
      const given = degrees && field.key === angle?.insteadOf
      if (field.kind === 'length' && !field.while && !field.mayBeUsual && !given) missing = true
      else values[field.key] = field.usual
    } else {
      const read = readSize(field, text, sizes)
      if (!read.ok) return { problem: { path: `form.${field.key}`, text: read.message } }
      values[field.key] = read.value
    }
  }
  return missing ? {} : { form: { ...usual, ...values }, ...(degrees?.ok ? { degrees: degrees.value } : {}) }
}

type SizeOf = Extract<AnyField, { least: number }>

const isSize = (field: AnyField): field is SizeOf => field.kind === 'length' || field.kind === 'share'

const readSize = (field: SizeOf, text: string, sizes: Pick<Sizes, 'parse'>) =>
  field.kind === 'share' ? parsePercent(field.least, field.most)(text) : sizes.parse(text)
