import type { UsualWork } from '../forms/family.ts'
import { familyOf, type Form } from '../forms/registry.ts'
import { gaugeForStitch } from '../gauge/gaugeForStitch.ts'
import type { Gauge } from '../gauge/gauge.ts'
import type { SectionId } from '../rounds/round.ts'
import { sizeOfTexture, TEXTURE_SD, worksIn, type Texture } from '../rounds/texture.ts'
import { isEdging, type StitchName } from '../stitches/stitch.ts'
import { mm } from '../units/millimetres.ts'
import { hasEdging } from './edging.ts'
import type { Construction, PieceSpec, RoundsWorked, WayOfRounds } from './plan.ts'

/** A stitch in the fabric of its section. */
export interface StitchIn {
  readonly section: SectionId
  readonly stitch: StitchName
  /** In the round that turns a crisp edge, which is plain whatever comes after it. */
  readonly crisp?: boolean
  /** In a single round of that texture. */
  readonly accent?: Texture
}

/** Sizes of stitches, each by its section. */
export type Gauges = (of: StitchIn) => Gauge

/** The stitch that a section is made of. */
export const stitchIn = ({ stitch, sections }: Pick<PieceSpec, 'stitch' | 'sections'>, section: SectionId) =>
  sections?.[section]?.stitch ?? stitch

/** The texture that a section is worked in, if it is not plain. */
export const textureIn = (
  { sections }: Pick<PieceSpec, 'sections'>,
  section: SectionId,
): Texture | undefined => sections?.[section]?.texture

/** A round to come, by its number. */
interface RoundAt {
  readonly number: number
  readonly section: SectionId
  readonly stitch: StitchName
}

/** The texture of a single round, where one is wanted and its stitch can be worked so; a texture of all its part goes first. */
export function accentAt(
  { sections, constraints }: Pick<PieceSpec, 'sections' | 'constraints'>,
  { number, section, stitch }: RoundAt,
): Texture | undefined {
  if (textureIn({ sections }, section) || isEdging(stitch)) return undefined
  const found = constraints?.accents?.find(({ round }) => round === number)?.texture
  return found && worksIn(found, stitch) ? found : undefined
}

/** How many last rounds may be of another stitch to hit the size: a texture has none, and an edging stands on none. */
export const freeLastRoundsIn = (
  spec: Pick<PieceSpec, 'construction' | 'constraints' | 'sections'>,
  section: SectionId,
): 0 | 1 | 2 => (hasEdging(spec) || textureIn(spec, section) ? 0 : spec.construction.freeLastRounds)

/** How the sections of a form are worked: as its maker says, and where nothing is said as is usual for it. */
export function sectionsWorked<W extends UsualWork>(
  form: Form,
  stitch: StitchName,
  said: Readonly<Partial<Record<SectionId, W>>> | undefined,
): Readonly<Partial<Record<SectionId, W | UsualWork>>> {
  const usual = familyOf(form).usualWork?.(form, stitch) ?? {}
  const ids = new Set([...Object.keys(usual), ...Object.keys(said ?? {})])
  return Object.fromEntries([...ids].map((id) => [id, { ...usual[id], ...said?.[id] }]))
}

/** Whether the gauge of a section is that of its texture, and not of plain stitches. */
export const isOfTexture = ({ sections }: Pick<PieceSpec, 'sections'>, section: SectionId): boolean =>
  sections?.[section]?.measured === true

/** The gauge that a section is worked in. */
export const gaugeIn = (
  { gauge, sections }: Pick<PieceSpec, 'gauge' | 'sections'>,
  section: SectionId,
): Gauge => sections?.[section]?.gauge ?? gauge

/** Sizes of the stitches of a spec in the texture of their section, each worked out once. */
export const gaugesOf = (spec: Pick<PieceSpec, 'form' | 'gauge' | 'sections'>): Gauges => {
  const lip = familyOf(spec.form).lip?.(spec.form)
  return remembered(spec, ({ section, stitch, crisp, accent }) => {
    const texture = accent ?? textureIn(spec, section)
    if (section === lip) return asLip(gaugeForStitch(gaugeIn(spec, section), stitch))
    const plain = gaugeForStitch(gaugeIn(spec, section), stitch)
    return texture && !crisp && !isEdging(stitch) && !isOfTexture(spec, section)
      ? textured(plain, { ...sizeOfTexture(texture), ...(accent ? HELD : {}) })
      : plain
  })
}

/** A single round is as wide as those that it stands in and that stand in it; it has a height of its own. */
const HELD = { width: 1 }

/** A lip stands out from the fabric: along it, it adds no more than its own thickness, of which little shows. */
const LIP_SHARE = 0.12

const asLip = (gauge: Gauge): Gauge => ({ ...gauge, h: mm(LIP_SHARE * gauge.h) })

/** Sizes of the same stitches worked plain: by what yarn goes. */
export const plainGaugesOf = (spec: Pick<PieceSpec, 'gauge' | 'sections'>): Gauges =>
  remembered(spec, ({ section, stitch }) => gaugeForStitch(gaugeIn(spec, section), stitch))

/** Sections that are worked alike share what is remembered of them. */
function remembered({ sections }: Pick<PieceSpec, 'sections'>, sizeOf: Gauges): Gauges {
  const known = new Map<SectionId, Map<StitchName, Gauge>>()
  return (of) => {
    const { section: id, crisp, accent } = of
    const own = sections?.[id] ? `${id}${crisp ? ' crisp' : ''}` : ''
    const section = accent && !crisp ? `${own} ${JSON.stringify(accent)}` : own
    const sizes = known.get(section) ?? new Map<StitchName, Gauge>()
    known.set(section, sizes)
    const found = sizes.get(of.stitch) ?? sizeOf(of)
    sizes.set(of.stitch, found)
    return found
  }
}

/** A gauge in a texture of the same stitch: its usual factors, with their doubt. */
function textured(gauge: Gauge, { width, height }: ReturnType<typeof sizeOfTexture>): Gauge {
  return {
    ...gauge,
    w: mm(gauge.w * width),
    h: mm(gauge.h * height),
    varLnW: gauge.varLnW + TEXTURE_SD ** 2,
    varLnH: gauge.varLnH + TEXTURE_SD ** 2,
  }
}

/** How a section is built, where its rounds pass into one another otherwise than those of the rest. */
export function constructionIn(
  { construction, sections }: Pick<PieceSpec, 'construction' | 'sections'>,
  section: SectionId,
): Construction {
  const own = sections?.[section]?.rounds
  const { rounds } = construction
  if (own === undefined || own === wayOf(rounds)) return construction
  if (own === 'spiral') return { ...construction, rounds: { kind: 'spiral' } }
  const joined = rounds.kind === 'joined' ? rounds : USUALLY_JOINED
  return { ...construction, rounds: { ...joined, turned: own === 'turned' } }
}

const USUALLY_JOINED = { kind: 'joined', turned: false, begins: 'chain', shaping: 'offTheJoin' } as const

export const wayOf = (rounds: RoundsWorked): WayOfRounds =>
  rounds.kind === 'spiral' ? 'spiral' : rounds.turned ? 'turned' : 'joined'

/** The loop that a round of a section is worked into, if not both: an edging takes both. */
export function loopsIn(
  { construction, sections }: Pick<PieceSpec, 'construction' | 'sections'>,
  { section, stitch }: StitchIn,
): 'back' | 'front' | undefined {
  if (isEdging(stitch)) return undefined
  const own = sections?.[section]?.loops
  return own === undefined ? construction.loops : own === 'both' ? undefined : own
}
