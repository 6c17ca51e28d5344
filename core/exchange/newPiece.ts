import { NO_USE_YET } from '../cautions/use.ts'
import { RHYTHM_DEFAULT } from '../counts/countsProblem.ts'
import { familyOf, formOf, type FamilyName, type StoredForm } from '../forms/registry.ts'
import type { Start } from '../plan/plan.ts'
import type { GaugeRecord, PieceRecord } from './records.ts'

/** A gauge nobody has measured yet: medium yarn on its usual hook. */
export const UNMEASURED_GAUGE: Omit<GaugeRecord, 'id'> = {
  name: 'Medium yarn, 5 mm',
  stitch: 'sc',
  weight: 4,
  strands: 1,
  hook: 5,
  fibre: 'unknown',
  working: 'joined',
  evidence: [],
  calibrations: [],
}

export interface NewPiece {
  readonly id: string
  readonly projectId: string
  readonly gaugeId: string
  readonly yarnId: string
  readonly form: StoredForm
  /** Among several pieces of a project. */
  readonly name?: string
  readonly place?: number
}

/** What a mat of before pieces had names is called. */
export const UNNAMED_PIECE = 'Mat'

/** What a piece is called while nobody has named it. */
const UNNAMED: Readonly<Record<FamilyName, string>> = {
  disc: UNNAMED_PIECE,
  offCentre: 'Off-centre mat',
  cap: 'Cap',
  vessel: 'Basket',
  oval: 'Oval mat',
  bootie: 'Booties',
  case: 'Case',
  pouch: 'Pouch',
  wedge: 'Half round',
  sock: 'Socks',
  slipper: 'Slippers',
  strap: 'Strap',
  ball: 'Ball',
  tube: 'Tube',
  cone: 'Cone',
  drawn: 'Drawn shape',
}

/** How many chains a ring has when nothing else is said. */
const USUAL_CHAINS = 4

/** A start of this kind as makers mostly work it. */
export const usualStart = (kind: Start['kind']): Start =>
  kind === 'chainRing'
    ? { kind, chains: USUAL_CHAINS }
    : kind === 'chainAlong'
      ? { kind, into: 'loops' }
      : { kind }

/** A piece that is to become another form; where that cannot begin as it did, it begins as is usual for it. */
export function withForm(piece: PieceRecord, form: StoredForm): PieceRecord {
  const starts = familyOf(form).starts(formOf(form))
  const { construction } = piece
  if (starts.includes(construction.start.kind)) return { ...piece, form }
  return { ...piece, form, construction: { ...construction, start: usualStart(starts[0]!) } }
}

/** A piece as most makers begin one: sc in joined rounds, increases staggered. */
export function newPiece({
  id,
  projectId,
  gaugeId,
  yarnId,
  form,
  name = UNNAMED[form.family],
  place = 1,
}: NewPiece): PieceRecord {
  return {
    id,
    projectId,
    name,
    place,
    quantity: familyOf(form).pair || familyOf(form).two ? 2 : 1,
    form,
    tolerance: 5,
    stitch: 'sc',
    gaugeId,
    construction: {
      start: usualStart(familyOf(form).starts(formOf(form))[0]!),
      rounds: { kind: 'joined', turned: false, begins: 'chain', shaping: 'offTheJoin' },
      order: 'increaseLast',
      placement: 'staggered',
      freeLastRounds: 2,
    },
    colours: [{ fromRound: 1, yarn: yarnId }],
    constraints: {},
    rhythm: RHYTHM_DEFAULT,
    fitness: NO_USE_YET,
  }
}
