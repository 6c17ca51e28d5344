import { familyOf, fillAfter, type PieceSpec, type Plan } from '../../core/index.ts'

/** What is done with a piece that closes again: when it is filled, and what is drawn together at last. */
export function closingWords(spec: Pick<PieceSpec, 'form'>, { rounds }: Pick<Plan, 'rounds'>): string {
  if (!familyOf(spec.form).closes) return ''
  const fill = fillAfter(spec, { rounds })
  const filled = fill === undefined ? '' : `Fill it after Rnd ${fill}, while two fingers still fit. `
  return `${filled}Draw the last ${rounds.at(-1)!.count} together with the tail.`
}
