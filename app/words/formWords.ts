import {
  partOf,
  type FamilyName,
  type OutlinePoint,
  type SectionId,
  type StoredForm,
} from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'

interface FormWords<F> {
  /** On the shelf's row of new pieces, and what it will ask. */
  readonly offer: string
  readonly asks: string
  /** As a heading, and for a piece that nobody has named. */
  readonly title: string
  readonly unnamed: string
  /** In a few words: "22.0 cm across". */
  say(form: F, sizes: Sizes): string
  /** In fewer still: "22.0 cm". */
  short(form: F, sizes: Sizes): string
  /** It is closed at the top, and seen that way up. */
  readonly hangs?: boolean
}

/** Stretches of a piece, as a maker calls them. */
const PART_WORDS: Readonly<Partial<Record<SectionId, string>>> = {
  flat: 'Disc',
  base: 'Base',
  out: 'Widest',
  in: 'Closing',
  crown: 'Crown',
  wall: 'Wall',
  lip: 'Lip',
  brim: 'Brim',
  sole: 'Sole',
  instep: 'Toe',
  cuff: 'Cuff',
  holes: 'Holes for the cord',
  edge: 'Edge',
  rows: 'Rows',
  finish: 'Straight edge',
  flap: 'Flap',
  crescent: 'Rows on one side',
  toe: 'Toe',
  foot: 'Foot',
  heel: 'Heel',
  leg: 'Leg',
  sides: 'Sides',
  strip: 'Strap',
  point: 'Point',
  beyond: 'Rows beyond',
}

/** "Wall", and where that is worked otherwise from a round on: "Wall, part 2". */
export function sectionName(section: SectionId): string {
  const part = partOf(section)
  const name = PART_WORDS[part] ?? part
  return part === section ? name : `${name}, part ${section.slice(part.length + 1)}`
}

type Of<N extends FamilyName> = Extract<StoredForm, { family: N }>

/** What every family of forms is called; how it is asked for and measured is in formQuestionWords. */
const FORM_WORDS: { readonly [N in FamilyName]: FormWords<Of<N>> } = {
  disc: {
    offer: 'Flat mat',
    asks: 'asks how far across',
    title: 'A round mat',
    unnamed: 'Round mat',
    say: ({ across }, sizes) => `${sizes.full(across)} across`,
    short: ({ across }, sizes) => sizes.full(across),
  },
  cap: {
    offer: 'Cap',
    asks: 'asks around the head, how deep',
    title: 'A cap',
    unnamed: 'Cap',
    say: (form, sizes) => `${sizes.bare(form.head)} head, ${sizes.full(form.depth)} deep`,
    short: (form, sizes) => `${sizes.full(form.head)} head`,
    hangs: true,
  },
  vessel: {
    offer: 'Basket or bowl',
    asks: 'asks across the base, how high',
    title: 'A basket or bowl',
    unnamed: 'Basket',
    say: (form, sizes) => `${sizes.bare(form.base)} base, ${sizes.full(form.height)} high`,
    short: (form, sizes) => `${sizes.bare(form.base)} × ${sizes.full(form.height)}`,
  },
  oval: {
    offer: 'Oval mat or basket',
    asks: 'asks how long, how wide, how high',
    title: 'An oval mat or basket',
    unnamed: 'Oval mat',
    say: (form, sizes) =>
      `${sizes.bare(form.length)} × ${sizes.full(form.width)}${form.edge === 'flat' ? '' : `, ${sizes.full(form.height)} high`}`,
    short: (form, sizes) => `${sizes.bare(form.length)} × ${sizes.full(form.width)}`,
  },
  case: {
    offer: 'Case with a lid',
    asks: 'asks the size of what goes in',
    title: 'A case for something',
    unnamed: 'Case',
    say: (form, sizes) =>
      `${form.closing === 'none' ? 'case' : form.part} for ${sizes.bare(form.long)} × ${sizes.bare(form.thick)} × ${sizes.full(form.high)}`,
    short: (form, sizes) => `${sizes.bare(form.long)} × ${sizes.bare(form.thick)} × ${sizes.full(form.high)}`,
  },
  pouch: {
    offer: 'Pouch',
    asks: 'asks how wide, how high',
    title: 'A pouch',
    unnamed: 'Pouch',
    say: (form, sizes) => `${sizes.bare(form.wide)} wide, ${sizes.full(form.high)} high`,
    short: (form, sizes) => `${sizes.bare(form.wide)} × ${sizes.full(form.high)}`,
  },
  bootie: {
    offer: 'Booties, slippers',
    asks: 'asks how long the foot is',
    title: 'A pair of booties',
    unnamed: 'Booties',
    say: (form, sizes) => `${sizes.full(form.foot)} foot, ${form.side}`,
    short: (form, sizes) => `${sizes.full(form.foot)} foot`,
  },
  strap: {
    offer: 'Strap, tie or tab',
    asks: 'asks how wide, how long',
    title: 'A strap, a tie or a tab',
    unnamed: 'Strap',
    say: (form, sizes) => `${sizes.bare(form.wide)} wide, ${sizes.full(form.long)} long`,
    short: (form, sizes) => `${sizes.bare(form.wide)} × ${sizes.full(form.long)}`,
  },
  slipper: {
    offer: 'Slippers from the toe',
    asks: 'asks how long the foot is, how far around',
    title: 'A pair of slippers',
    unnamed: 'Slippers',
    say: (form, sizes) => `${sizes.full(form.foot)} foot, open over the instep`,
    short: (form, sizes) => `${sizes.full(form.foot)} foot`,
  },
  sock: {
    offer: 'Socks, stockings',
    asks: 'asks how long the foot is, how far around',
    title: 'A pair of socks',
    unnamed: 'Socks',
    say: (form, sizes) => `${sizes.bare(form.foot)} foot, ${sizes.full(form.leg)} up the leg`,
    short: (form, sizes) => `${sizes.full(form.foot)} foot`,
  },
  offCentre: {
    offer: 'Off-centre round',
    asks: 'asks how wide, how far off its centre',
    title: 'A round that begins off its centre',
    unnamed: 'Off-centre mat',
    say: (form, sizes) => `${sizes.bare(form.across)} across, ${sizes.full(form.off)} off centre`,
    short: (form, sizes) => sizes.full(form.across),
  },
  wedge: {
    offer: 'Half round or wedge',
    asks: 'asks how far from its middle',
    title: 'A half round or a wedge',
    unnamed: 'Half round',
    say: (form, sizes) =>
      form.share === 0.5
        ? `${sizes.bare(2 * form.radius)} × ${sizes.full(form.radius)}, half round`
        : `${sizes.full(form.radius)} to the curve, ${Math.round(360 * form.share)}°`,
    short: (form, sizes) =>
      form.share === 0.5
        ? `${sizes.bare(2 * form.radius)} × ${sizes.full(form.radius)}`
        : sizes.full(form.radius),
  },
  ball: {
    offer: 'Ball or egg',
    asks: 'asks how wide, filled',
    title: 'A ball or egg',
    unnamed: 'Ball',
    say: ({ across, longer }, sizes) =>
      longer === 0
        ? `${sizes.full(across)} across`
        : `${sizes.bare(across)} across, ${sizes.full(across * (1 + longer))} long`,
    short: (form, sizes) => sizes.full(form.across),
  },
  cone: {
    offer: 'Cone or funnel',
    asks: 'asks how wide, how long',
    title: 'A cone or funnel',
    unnamed: 'Cone',
    say: (form, sizes) =>
      form.begins === 'point'
        ? `${sizes.bare(form.to)} across, ${sizes.full(form.length)} long`
        : `${sizes.bare(form.from)} to ${sizes.bare(form.to)} across, ${sizes.full(form.length)} long`,
    short: (form, sizes) => `${sizes.bare(form.to)} × ${sizes.full(form.length)}`,
    hangs: true,
  },
  tube: {
    offer: 'Tube',
    asks: 'asks how far around, how long',
    title: 'A tube',
    unnamed: 'Tube',
    say: (form, sizes) => `${sizes.bare(form.girth)} around, ${sizes.full(form.length)} long`,
    short: (form, sizes) => `${sizes.bare(form.girth)} × ${sizes.full(form.length)}`,
  },
  drawn: {
    offer: 'Drawn shape',
    asks: 'asks how wide at which heights',
    title: 'A drawn shape',
    unnamed: 'Drawn shape',
    say: ({ outline }, sizes) =>
      `${sizes.bare(widestIn(outline))} at its widest, ${sizes.full(outline.at(-1)!.up)} high`,
    short: ({ outline }, sizes) => `${sizes.bare(widestIn(outline))} × ${sizes.full(outline.at(-1)!.up)}`,
  },
}

const widestIn = (outline: readonly OutlinePoint[]) => Math.max(...outline.map(({ across }) => across))

export const wordsOf = ({ family }: { readonly family: FamilyName }): FormWords<StoredForm> =>
  FORM_WORDS[family]

export const sayForm = (form: StoredForm, sizes: Sizes): string => wordsOf(form).say(form, sizes)
export const sayFormShort = (form: StoredForm, sizes: Sizes): string => wordsOf(form).short(form, sizes)
