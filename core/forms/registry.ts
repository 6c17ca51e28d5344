import { disc, type DiscForm } from './disc/disc.ts'
import type { AnyFamily, Family } from './family.ts'

/** What a piece must become. */
export type Form = DiscForm

/** Every family of forms; a form without its family does not compile. */
const FAMILIES: { readonly [F in Form as F['family']]: Family<F> } = { disc }

/** What there is to know of a form's family. */
export const familyOf = (form: Form): AnyFamily => FAMILIES[form.family]

/** Every family by its name, with the lengths it asks for. */
export const FAMILY_FIELDS = Object.entries(FAMILIES).map(([family, { fields }]) => ({ family, fields }))
