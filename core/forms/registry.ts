import { mm } from '../units/millimetres.ts'
import { bootie, type BootieForm } from './bootie/bootie.ts'
import { ball, type BallForm } from './ball/ball.ts'
import { caseFamily, type CaseForm } from './case/case.ts'
import { cap, type CapForm } from './cap/cap.ts'
import { cone, type ConeForm } from './cone/cone.ts'
import { disc, type DiscForm } from './disc/disc.ts'
import { drawn, type DrawnForm } from './drawn/drawn.ts'
import { offCentre, type OffCentreForm } from './offCentre/offCentre.ts'
import { oval, type OvalForm } from './oval/oval.ts'
import { pouch, type PouchForm } from './pouch/pouch.ts'
import { partOf, type SectionId } from '../rounds/round.ts'
import type { AnyFamily, Family, Field, OutlinePoint, TapePlace } from './family.ts'
import type { Seen, SeenRounds } from './seen.ts'
import { slipper, type SlipperForm } from './slipper/slipper.ts'
import { sock, type SockForm } from './sock/sock.ts'
import { strap, type StrapForm } from './strap/strap.ts'
import { tube, type TubeForm } from './tube/tube.ts'
import { wedge, type WedgeForm } from './wedge/wedge.ts'
import { vessel, type VesselForm } from './vessel/vessel.ts'

/** What a piece must become. */
export type Form =
  | DiscForm
  | CapForm
  | VesselForm
  | OffCentreForm
  | OvalForm
  | CaseForm
  | PouchForm
  | BootieForm
  | BallForm
  | WedgeForm
  | SockForm
  | StrapForm
  | SlipperForm
  | TubeForm
  | ConeForm
  | DrawnForm
export type FamilyName = Form['family']

type Kept<F> = { readonly [K in keyof F]: F[K] extends number ? number : F[K] }

/** A form as it is kept: its sizes as plain numbers, lengths in mm. */
export type StoredForm = { [N in FamilyName]: Kept<Extract<Form, { family: N }>> }[FamilyName]

/** Every family of forms; a form without its family does not compile. */
const FAMILIES: { readonly [N in FamilyName]: Family<Extract<Form, { family: N }>> } = {
  disc,
  cap,
  vessel,
  oval,
  case: caseFamily,
  pouch,
  bootie,
  sock,
  slipper,
  strap,
  wedge,
  offCentre,
  ball,
  tube,
  cone,
  drawn,
}

/** What there is to know of a form's family. */
export const familyOf = ({ family }: Form | StoredForm): AnyFamily => FAMILIES[family] as AnyFamily

/** Where a tape is laid at a round of a section. */
export const tapeAt = (form: Form | StoredForm, section: SectionId): readonly TapePlace[] =>
  familyOf(form).tape.filter((place) => place.in?.includes(partOf(section)) ?? true)

/** A kept form as it is planned from. */
export function formOf(stored: StoredForm): Form {
  const lengths = fieldsOf(stored.family).filter(({ kind }) => kind === 'length')
  const values = stored as unknown as Readonly<Record<string, number>>
  return { ...stored, ...Object.fromEntries(lengths.map(({ key }) => [key, mm(values[key]!)])) } as Form
}

/** A field of whatever family. */
export type AnyField = Field<Readonly<Record<string, unknown>>>

/** What a family asks for, in the order a maker is asked. */
export const fieldsOf = (family: FamilyName): readonly AnyField[] => FAMILIES[family].fields

/** Whether a field is asked for while the others have these values. */
export const isAsked = (field: AnyField, valueOf: (key: string) => unknown): boolean =>
  field.kind === 'outline' ||
  !field.while ||
  field.while.is.some((value) => value === valueOf(field.while!.key))

/** Whether a field belongs to how the piece begins. */
export const isOfStart = (field: AnyField): boolean => field.kind === 'choice' && field.withStart === true

/** What rounds are by themselves: the first family that knows them for its own. */
export function seenAs(seen: SeenRounds): Seen<Form> | undefined {
  for (const name of FAMILY_NAMES) {
    const found = (FAMILIES[name] as AnyFamily).seenIn?.(seen)
    if (found) return found
  }
  return undefined
}

export const FAMILY_NAMES = Object.keys(FAMILIES) as FamilyName[]

/** A form of a family as it is before anything is said of it. */
export function usualForm(family: FamilyName): StoredForm {
  const values = fieldsOf(family).map((field) => [
    field.key,
    field.kind === 'choice' ? field.choices[0]! : field.usual,
  ])
  return { family, ...Object.fromEntries(values) } as StoredForm
}

/** A form whose lengths are whole millimetres, as a maker would have asked for it. */
export function roundedForm(form: Form): Form {
  const values = form as unknown as Readonly<Record<string, number & readonly OutlinePoint[]>>
  const whole = fieldsOf(form.family).flatMap(({ kind, key }): [string, unknown][] => {
    if (kind === 'length') return [[key, mm(Math.round(values[key]!))]]
    return kind === 'outline' ? [[key, values[key]!.map(roundedPoint)]] : []
  })
  return { ...form, ...Object.fromEntries(whole) }
}

const roundedPoint = ({ across, up }: OutlinePoint): OutlinePoint => ({
  across: Math.round(across),
  up: Math.round(up),
})
