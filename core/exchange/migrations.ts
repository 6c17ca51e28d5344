import { UNNAMED_PIECE } from './newPiece.ts'
import { isRecord, type OldRecord } from './oldRecord.ts'
import { namesInLog, namesOf, type RoundNames } from './namesInLog.ts'
import { promised, sizesSeen } from './sizesOfAnyKind.ts'
import { FILE_VERSION } from './records.ts'

/** Tables whose records a version may change, by the names they have in files. */
export type ChangedTable = 'pieces' | 'gauges' | 'yarns' | 'planVersions' | 'readings' | 'workshop'

/** Records of other tables that a change needs to know, as they are before it. */
export interface OldWorkshop {
  readonly pieces: readonly OldRecord[]
  readonly gauges: readonly OldRecord[]
}

/** What a version changed in each kind of record. Pure; anything it does not know stays as it was. */
export interface Migration {
  readonly to: number
  readonly name: string
  readonly up: Readonly<Partial<Record<ChangedTable, (record: OldRecord, all: OldWorkshop) => OldRecord>>>
  /** What it changed in the log of a copy, taken as a whole and in order. */
  readonly log?: (log: readonly OldRecord[], names: RoundNames) => OldRecord[]
  /** Tables that came with it, empty. */
  readonly adds: readonly string[]
}

export const MIGRATIONS: readonly Migration[] = [
  {
    to: 2,
    name: 'gauges keep evidence, yarns their fibre, pieces what they are for',
    up: {
      pieces: (piece) => ({ fitness: { uses: [], layers: 1, parts: [], read: [] }, ...piece }),
      gauges: ({ swatch, ...gauge }) => ({
        fibre: 'unknown',
        working: 'joined',
        evidence: isRecord(swatch) ? [evidenceOfSwatch(gauge, swatch)] : [],
        calibrations: [],
        ...gauge,
      }),
      yarns: (yarn) => ({ fibre: 'unknown', ...yarn }),
      workshop: (workshop) => ({
        gaugeOver: workshop['units'] === 'in' ? '4in' : '10cm',
        yarnLengths: 'm',
        masses: 'g',
        ...workshop,
      }),
    },
    adds: [],
  },
  {
    to: 3,
    name: 'pieces are measured in work, and their plans changed on the hook',
    up: {},
    adds: ['readings'],
  },
  {
    to: 4,
    name: 'strands take their yarn each; rounds begin in three ways, and keep shaping off the join or not',
    up: {
      pieces: (piece) => ({ ...piece, construction: beginning(piece['construction']) }),
      planVersions: (pinned, all) => withStrands(pinned, strandsOfPiece(pinned['pieceId'], all)),
    },
    adds: [],
  },
  {
    to: 5,
    name: 'rounds are the fabric, and no geometry is kept; a project may have several pieces, each with its name',
    up: { pieces: amongPieces, planVersions: roundsAlone },
    adds: [],
  },
  {
    to: 6,
    name: 'any size can be promised and seen, not the diameter alone; the log names rounds by their ids',
    up: { planVersions: promised, readings: sizesSeen },
    log: namesInLog,
    adds: [],
  },
  {
    to: 7,
    name: 'sections may be textured; the brim of a cap has a height, and a tube may be closed',
    up: {
      pieces: withNewFields,
      planVersions: (pinned) =>
        isRecord(pinned['spec']) ? { ...pinned, spec: withNewFields(pinned['spec']) } : pinned,
    },
    adds: [],
  },
  {
    to: 8,
    name: 'a project may say how its pieces are joined, and in what order it is finished',
    up: {},
    adds: [],
  },
  {
    to: 9,
    name: 'a piece may be of a written pattern, and worked as that is written',
    up: {},
    adds: [],
  },
  {
    to: 10,
    name: 'a copy may have photos, and a pinned gauge another hook than it was measured on',
    up: {},
    adds: ['photos'],
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

/** Until version 4 a joined round's chain counted or not, and increases stood where the repeat put them. */
function beginning(construction: unknown): unknown {
  if (!isRecord(construction) || !isRecord(construction['rounds'])) return construction
  const { chainCounts, ...rounds } = construction['rounds']
  if (rounds['kind'] !== 'joined') return construction
  const begins = chainCounts === true ? 'countingChain' : 'chain'
  return { ...construction, rounds: { ...rounds, begins, shaping: 'atTheJoin' } }
}

function strandsOfPiece(pieceId: unknown, { pieces, gauges }: OldWorkshop): number {
  const gaugeId = pieces.find(({ id }) => id === pieceId)?.['gaugeId']
  const strands = gauges.find(({ id }) => id === gaugeId)?.['strands']
  return typeof strands === 'number' ? strands : 1
}

/** Until version 4 several strands were counted as one; chain rings of up to 5 chains left a hole. */
function withStrands(pinned: OldRecord, strands: number): OldRecord {
  const { spec, plan } = pinned
  if (!isRecord(spec) || !isRecord(plan)) return pinned
  const yarn = plan['yarn']
  return {
    ...pinned,
    spec: {
      ...spec,
      gauge: isRecord(spec['gauge']) ? { strands, ...spec['gauge'] } : spec['gauge'],
      construction: beginning(spec['construction']),
    },
    plan: {
      ...plan,
      yarn: Array.isArray(yarn)
        ? yarn.map((use: unknown) =>
            isRecord(use) && typeof use['metres'] === 'number'
              ? { ...use, metres: use['metres'] * strands }
              : use,
          )
        : yarn,
      // A notice of version 3 said the cost of a repeat otherwise; it is told anew when the plan changes.
      notices: Array.isArray(plan['notices'])
        ? plan['notices'].filter((notice: unknown) => !isRecord(notice) || notice['code'] !== 'repeatCost')
        : plan['notices'],
    },
  }
}

/** Until version 7 no brim had a height of its own, and none of those brims goes by it; tubes stayed open. */
function withNewFields(record: OldRecord): OldRecord {
  const { form } = record
  if (!isRecord(form)) return record
  if (form['family'] === 'cap') return { ...record, form: { brimHeight: 45, ...form } }
  return form['family'] === 'tube' ? { ...record, form: { end: 'open', ...form } } : record
}

/** Until version 5 a project was one piece, and what others it had was not shown. */
function amongPieces(old: OldRecord, { pieces }: OldWorkshop): OldRecord {
  const piece = formApart(old)
  const together = pieces.filter(({ projectId }) => projectId === piece['projectId'])
  const place = together.findIndex(({ id }) => id === piece['id']) + 1
  return {
    name: together.length > 1 ? `Piece ${place}` : UNNAMED_PIECE,
    place,
    ...piece,
    fitness: withHardware(piece['fitness']),
  }
}

/** Until version 5 magnets, cords and glue were called parts, as a project's pieces are. */
function withHardware(fitness: unknown): unknown {
  if (!isRecord(fitness)) return fitness
  const { parts, ...others } = fitness
  return { hardware: parts, ...others }
}

/** Until version 5 a form was called a shape, and had the tolerance in it. */
function formApart({ shape, ...others }: OldRecord): OldRecord {
  if (!isRecord(shape)) return shape === undefined ? others : { ...others, form: shape }
  const { tolerance, ...form } = shape
  return { form, tolerance, ...others }
}

/** Until version 5 a kept plan had its geometry and sums beside its rounds. */
function roundsAlone(pinned: OldRecord): OldRecord {
  const { plan, spec } = pinned
  if (!isRecord(plan)) return pinned
  const { rounds, finished, checkpoints, notices } = plan
  const old = recordsIn(rounds)
  const goesOn = edgeOf(old)
  return {
    ...pinned,
    spec: isRecord(spec) ? formApart(spec) : spec,
    plan: {
      rounds: Array.isArray(rounds)
        ? rounds.map((round: unknown, index) => (isRecord(round) ? named(round, index, old, spec) : round))
        : rounds,
      ...(goesOn ? { goesOn } : {}),
      finished,
      checkpoints,
      notices,
    },
  }
}

function named(round: OldRecord, index: number, all: readonly OldRecord[], spec: unknown): OldRecord {
  const { stitch, yarn, beside, hosts, steps } = round
  const below = all[index - 1]
  const into = isRecord(hosts) ? hosts['kind'] : undefined
  return {
    id: `r${index + 1}`,
    section: 'flat',
    closed: true,
    side: index % 2 === 1 && turns(spec) ? 'wrong' : 'right',
    fabric: stitch,
    yarn,
    ...(beside === undefined ? {} : { beside }),
    hosts: below
      ? [{ of: { kind: 'top', round: `r${index}`, loops: 'both' }, from: 0, to: below['count'] }]
      : into === 'chain'
        ? [{ of: { kind: 'chain', of: 'foundation', side: 'upper' }, from: 0, to: 1 }]
        : [],
    steps: Array.isArray(steps) ? steps.map(usingAndMaking) : steps,
  }
}

const USES_AND_MAKES: Readonly<Record<string, { uses: number; makes: number }>> = {
  work: { uses: 1, makes: 1 },
  inc: { uses: 1, makes: 2 },
  dec: { uses: 2, makes: 1 },
}

function usingAndMaking(step: unknown): unknown {
  if (!isRecord(step) || !Array.isArray(step['ops'])) return step
  const ops = step['ops'].map((op: unknown) => {
    const does = isRecord(op) ? USES_AND_MAKES[String(op['kind'])] : undefined
    return isRecord(op) && does ? { stitch: op['stitch'], ...does, times: op['count'] ?? 1 } : op
  })
  return { ...step, ops }
}

const turns = (spec: unknown): boolean => {
  const construction = isRecord(spec) ? spec['construction'] : undefined
  const rounds = isRecord(construction) ? construction['rounds'] : undefined
  return isRecord(rounds) && rounds['turned'] === true
}

/** The last worked round of a plan that went on from a measurement lay as far out as along the fabric. */
function edgeOf(rounds: readonly OldRecord[]): OldRecord | undefined {
  const last = rounds.findLastIndex(({ at }) => {
    if (!isRecord(at)) return false
    const { radius, arc } = at
    return typeof radius === 'number' && typeof arc === 'number' && Math.abs(radius - arc) < 1e-9
  })
  const at = rounds[last]?.['at']
  if (!isRecord(at)) return undefined
  return { after: last + 1, radius: at['radius'], z: at['z'], sd: at['sd'] }
}

const recordsIn = (table: unknown): OldRecord[] => (Array.isArray(table) ? table.filter(isRecord) : [])

/** A file of an earlier version as one of this version. What is wrong in it stays wrong, for the schema to find. */
export function migrated(file: object): object {
  const { version } = file as { version?: unknown }
  if (typeof version !== 'number' || version >= FILE_VERSION) return file
  return MIGRATIONS.filter(({ to }) => to > version).reduce<OldRecord>((old, { to, up, log, adds }) => {
    const next: Record<string, unknown> = { ...old, version: to }
    const all = { pieces: recordsIn(old['pieces']), gauges: recordsIn(old['gauges']) }
    for (const [table, change] of Object.entries(up)) {
      const records = old[table]
      if (table === 'workshop') {
        if (isRecord(records)) next[table] = change(records, all)
      } else if (Array.isArray(records)) {
        next[table] = records.map((record: unknown) => (isRecord(record) ? change(record, all) : record))
      }
    }
    if (log && Array.isArray(next['events'])) next['events'] = logsChanged(next, log)
    for (const table of adds) next[table] ??= []
    return next
  }, file as OldRecord)
}

/** The events of a file with every copy's log changed as a whole; each stays where it stood. */
function logsChanged(file: OldRecord, change: NonNullable<Migration['log']>): unknown[] {
  const events: unknown[] = [...(file['events'] as unknown[])]
  const versions = recordsIn(file['planVersions'])
  const pieceOf = new Map(recordsIn(file['copies']).map(({ id, pieceId }) => [id, pieceId]))
  const logs = new Map<unknown, number[]>()
  events.forEach((event, index) => {
    if (!isRecord(event)) return
    const log = logs.get(event['copyId'])
    if (log) log.push(index)
    else logs.set(event['copyId'], [index])
  })
  for (const [copyId, places] of logs) {
    const seq = (index: number) => Number((events[index] as OldRecord)['seq'])
    const inOrder = places.toSorted((one, other) => seq(one) - seq(other))
    const log = inOrder.map((index) => events[index] as OldRecord)
    change(log, namesOf(versions, pieceOf.get(copyId))).forEach((event, at) => {
      events[inOrder[at]!] = event
    })
  }
  return events
}
