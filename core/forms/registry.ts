import { mm } from '../units/millimetres.ts'
import { disc, type DiscForm } from './disc/disc.ts'
import type { AnyFamily, Family } from './family.ts'

/** What a piece must become. */
export type Form = DiscForm

/** A form as it is kept: its lengths as plain numbers, mm. */
export type StoredForm = {
  readonly [K in keyof Form]: Form[K] extends number ? number : Form[K]
}

/** Every family of forms; a form without its family does not compile. */
const FAMILIES: { readonly [F in Form as F['family']]: Family<F> } = { disc }

/** What there is to know of a form's family. */
export const familyOf = (form: Form): AnyFamily => FAMILIES[form.family]

/** A kept form as it is planned from. */
export function formOf(stored: StoredForm): Form {
  const { fields } = FAMILIES[stored.family]
  return { ...stored, ...Object.fromEntries(fields.map(({ key }) => [key, mm(stored[key])])) } as Form
}

/** Every family by its name, with the lengths it asks for. */
export const FAMILY_FIELDS = Object.entries(FAMILIES).map(([family, { fields }]) => ({ family, fields }))
