import { fieldsOf, isAsked, type AnyField, type OutlinePoint, type StoredForm } from '../../../core/index.ts'
import { parsePercent } from '../../ui/parseCount.ts'
import type { Sizes } from '../../ui/useSizes.ts'

/** What is typed or chosen so far, by field; of an outline its points, as they are kept. */
export type Answers = Readonly<Record<string, string>>

interface Problem {
  readonly path: string
  readonly text: string
}

/**
 * The form that is asked for, once every size that has no usual value is there; or the first answer that cannot be.
 * Shares and choices are as usual until somebody says otherwise.
 */
export function formAsked(
  usual: StoredForm,
  answers: Answers,
  sizes: Pick<Sizes, 'parse'>,
): { readonly form?: StoredForm; readonly problem?: Problem } {
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
      if (field.kind === 'length' && !field.while) missing = true
      else values[field.key] = field.usual
    } else {
      const read = readSize(field, text, sizes)
      if (!read.ok) return { problem: { path: `form.${field.key}`, text: read.message } }
      values[field.key] = read.value
    }
  }
  return missing ? {} : { form: { ...usual, ...values } }
}

type SizeOf = Extract<AnyField, { least: number }>

const isSize = (field: AnyField): field is SizeOf => field.kind === 'length' || field.kind === 'share'

const readSize = (field: SizeOf, text: string, sizes: Pick<Sizes, 'parse'>) =>
  field.kind === 'share' ? parsePercent(field.least, field.most)(text) : sizes.parse(text)
