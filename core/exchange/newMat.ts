import { NO_USE_YET } from '../cautions/use.ts'
import { RHYTHM_DEFAULT } from '../counts/countsProblem.ts'
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

export interface NewMat {
  readonly id: string
  readonly projectId: string
  readonly gaugeId: string
  readonly yarnId: string
  /** Finished diameter, mm. */
  readonly across: number
  /** Among several pieces of a project. */
  readonly name?: string
  readonly place?: number
}

/** What a piece is called while nobody has named it. */
export const UNNAMED_PIECE = 'Mat'

/** A round mat as most makers begin one: sc in joined rounds from a magic ring, increases staggered. */
export function newMat({
  id,
  projectId,
  gaugeId,
  yarnId,
  across,
  name = UNNAMED_PIECE,
  place = 1,
}: NewMat): PieceRecord {
  return {
    id,
    projectId,
    name,
    place,
    quantity: 1,
    form: { family: 'disc', across },
    tolerance: 5,
    stitch: 'sc',
    gaugeId,
    construction: {
      start: { kind: 'magicRing' },
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
