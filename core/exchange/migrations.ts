import { NO_USE_YET } from '../cautions/use.ts'
import { FILE_VERSION } from './records.ts'

/** A record of an earlier version: whatever stood there. */
export type OldRecord = Readonly<Record<string, unknown>>

/** What a version changed in each kind of record. Pure; anything it does not know stays as it was. */
interface Migration {
  readonly to: number
  readonly name: string
  readonly piece: (piece: OldRecord) => OldRecord
  readonly gauge: (gauge: OldRecord) => OldRecord
  readonly yarn: (yarn: OldRecord) => OldRecord
  readonly workshop: (workshop: OldRecord) => OldRecord
  /** Tables that came with it, empty. */
  readonly adds: readonly string[]
}

const same = (record: OldRecord): OldRecord => record

export const MIGRATIONS: readonly Migration[] = [
  {
    to: 2,
    name: 'gauges keep evidence, yarns their fibre, pieces what they are for',
    piece: (piece) => ({ fitness: NO_USE_YET, ...piece }),
    gauge: ({ swatch, ...gauge }) => ({
      fibre: 'unknown',
      working: 'joined',
      evidence: isRecord(swatch) ? [evidenceOfSwatch(gauge, swatch)] : [],
      calibrations: [],
      ...gauge,
    }),
    yarn: (yarn) => ({ fibre: 'unknown', ...yarn }),
    workshop: (workshop) => ({
      gaugeOver: workshop['units'] === 'in' ? '4in' : '10cm',
      yarnLengths: 'm',
      masses: 'g',
      ...workshop,
    }),
    adds: [],
  },
  {
    to: 3,
    name: 'pieces are measured in work, and their plans changed on the hook',
    piece: same,
    gauge: same,
    yarn: same,
    workshop: same,
    adds: ['readings'],
  },
]

/** A swatch of version 1 was counted over one length and bore no date. */
const evidenceOfSwatch = ({ id, stitch }: OldRecord, { stitches, rounds, over, worked }: OldRecord) => ({
  kind: 'swatch',
  id: `${String(id)}-swatch`.slice(-64),
  at: 0,
  stitch,
  loops: 'both',
  state: 'worked',
  worked,
  stitches: { count: stitches, over },
  rounds: { count: rounds, over },
})

const TABLES = { pieces: 'piece', gauges: 'gauge', yarns: 'yarn' } as const

/** A file of an earlier version as one of this version. What is wrong in it stays wrong, for the schema to find. */
export function migrated(file: object): object {
  const { version } = file as { version?: unknown }
  if (typeof version !== 'number' || version >= FILE_VERSION) return file
  return MIGRATIONS.filter(({ to }) => to > version).reduce<OldRecord>((old, migration) => {
    const next: Record<string, unknown> = { ...old, version: migration.to }
    for (const [table, kind] of Object.entries(TABLES)) {
      const records = old[table]
      if (Array.isArray(records)) {
        next[table] = records.map((record: unknown) => (isRecord(record) ? migration[kind](record) : record))
      }
    }
    for (const table of migration.adds) next[table] ??= []
    if (isRecord(old['workshop'])) next['workshop'] = migration.workshop(old['workshop'])
    return next
  }, file as OldRecord)
}

const isRecord = (value: unknown): value is OldRecord =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
