/**
 * Writes the demo workshop, demo/skarn-hut.uzel.json: the kitchen of the Skarn Hut, made up.
 * Plans and logs come from the core, so that the demo shows what Uzel really computes.
 */
import { writeFileSync } from 'node:fs'
import {
  atTheEnd,
  goTo,
  nextRound,
  pin,
  planPiece,
  projectFile,
  replay,
  specOf,
  startOf,
  workOn,
  writeProjectFile,
  DEFAULT_SETTINGS,
  NO_FINISH,
  forCopy,
  usualJoints,
  withEvenRound,
  type CopyRecord,
  type Finish,
  type LogEvent,
  type NewEvent,
  type PieceReading,
  type PieceRecord,
  type Plan,
  type PlanVersionRecord,
  type Stride,
  type WorkState,
} from '../core/index.ts'
import {
  basket,
  bedSocks,
  booties,
  cap,
  caseBody,
  caseLid,
  compassPouch,
  cover,
  doorStop,
  handleSleeve,
  holderDisc,
  holderLoop,
  dryingMat,
  writtenMat,
  mats,
  potRest,
  sleeve,
  trivet,
} from './demoPieces.ts'
import { DAY, FIRST_DAY, HOUR, gauges, yarns } from './demoStock.ts'

const PACE = 16

const gauge = (id: string) => gauges.find((known) => known.id === id)!

const planOf = (piece: PieceRecord) => planPiece(specOf(piece, gauge(piece.gaugeId), PACE))

const pinned = (piece: PieceRecord, at: number): PlanVersionRecord => ({
  id: `${piece.id}-plan-1`,
  pieceId: piece.id,
  version: 1,
  at,
  spec: specOf(piece, gauge(piece.gaugeId), PACE),
  plan: pin(planOf(piece)),
})

/** Another evening: from a round on, at a pace of its own, perhaps with the last rounds pulled out first. */
interface Evening {
  readonly at: number
  readonly fromRound: number
  readonly slower: number
  readonly back?: { readonly toRound: number; readonly why: string }
}

interface HowWorked {
  readonly evenings?: readonly Evening[]
  readonly slower?: number
  readonly by?: Stride
  readonly version?: number
  /** What is worked already: it is gone on from there. */
  readonly begun?: readonly LogEvent[]
}

/** Works a copy stitch by stitch, at a human pace, until `enough`. */
function worked(
  copyId: string,
  plan: Plan,
  begin: number,
  enough: (state: WorkState) => boolean,
  { evenings = [], slower = 1, by = 'stitch', version = 1, begun = [] }: HowWorked = {},
): LogEvent[] {
  const ahead = [...evenings]
  let pace = slower
  const log: LogEvent[] = [...begun]
  let at = begun.at(-1)?.at ?? begin
  const write = (event: NewEvent) => {
    log.push({ ...event, id: `${copyId}-${log.length + 1}`, copyId, seq: log.length + 1, at })
  }
  if (begun.length === 0) write({ type: 'start', planVersion: version, to: startOf(plan.rounds) })
  for (let state = replay(log); !enough(state); state = replay(log.slice(state.lastSeq), state)) {
    const evening = ahead[0]
    if (evening && state.position.unit === 0 && placeIn(plan, state) >= evening.fromRound) {
      ahead.shift()
      at = evening.at
      pace = evening.slower
      if (evening.back) {
        const { toRound, why } = evening.back
        const target = { round: plan.rounds[toRound - 1]!.id, unit: 0 }
        write(goTo(plan.rounds, state, target)!)
        write({ type: 'note', position: target, text: why })
        continue
      }
    }
    // Three taps of an even hand, a slower one where the stitch changes.
    const event = workOn(plan.rounds, state, by) ?? nextRound(plan.rounds, state)
    if (!event) break
    const made = event.type === 'work' ? event.to.unit - event.from.unit : 1
    at += Math.round(pace * made * (3200 + (log.length % 7) * 180))
    write(event)
  }
  return log
}

const placeIn = (plan: Plan, { position }: WorkState): number =>
  plan.rounds.findIndex(({ id }) => id === position.round) + 1

const trivetPlan = planOf(trivet)
const matPlan = planOf(mats)
const trivetLog = worked(
  'trivet-1',
  trivetPlan,
  FIRST_DAY - 7 * DAY,
  ({ position }) => position.round === trivetPlan.rounds[6]!.id && position.unit === 15,
  {
    slower: 1.15,
    evenings: [
      { at: FIRST_DAY - 4 * DAY + HOUR, fromRound: 4, slower: 1.05 },
      {
        at: FIRST_DAY - DAY,
        fromRound: 6,
        slower: 1,
        back: { toRound: 5, why: 'Worked into the join twice: two stitches over.' },
      },
      { at: FIRST_DAY, fromRound: 7, slower: 0.95 },
    ],
  },
)
/** Each mat is quicker from the hand than the one before. */
const MAT_PACES = [1.08, 1, 0.96]
const matLogs = [1, 2, 3].map((number) => {
  const log = worked(`mat-${number}`, matPlan, FIRST_DAY + number * DAY, () => false, {
    slower: MAT_PACES[number - 1]!,
  })
  const end = log.at(-1)!
  if (!atTheEnd(matPlan.rounds, replay(log).position))
    throw new Error('The demo mats are not worked to their end.')
  return [
    ...log,
    {
      id: `mat-${number}-end`,
      copyId: end.copyId,
      seq: end.seq + 1,
      at: end.at + 5000,
      type: 'finish' as const,
    },
  ]
})
const halfMat = worked(
  'mat-4',
  matPlan,
  FIRST_DAY + 5 * DAY,
  ({ position }) => position.round === matPlan.rounds[4]!.id && position.unit === 9,
)

/** The three mats that are done were measured when they were. */
const readings: PieceReading[] = [108.5, 109, 107.5].map((across, index) => ({
  id: `mat-${index + 1}-measured`,
  copyId: `mat-${index + 1}`,
  at: matLogs[index]!.at(-1)!.at + 600_000,
  planVersion: 1,
  afterRound: matPlan.rounds.length,
  seen: [{ of: 'across', at: matPlan.rounds.length, values: [across, across + 1] }],
  edge: { kind: 'flat' },
}))

/** The first bootie had a round more at its leg; the second, its mirror image, has it from the beginning. */
const bootiePlan = planOf(booties)
const bootieSpec = specOf(booties, gauge(booties.gaugeId), PACE)
const LEG = 20
const taller = withEvenRound(bootieSpec, bootiePlan, LEG)!
const otherBootie = forCopy(taller.spec, taller.plan, 2)
const BOOTIES_BEGUN = FIRST_DAY + 2 * DAY + 2 * HOUR
const bootieVersions: PlanVersionRecord[] = [{ spec: bootieSpec, plan: bootiePlan }, taller, otherBootie].map(
  ({ spec, plan }, index) => ({
    id: `booties-plan-${index + 1}`,
    pieceId: booties.id,
    version: index + 1,
    at: BOOTIES_BEGUN + index * DAY,
    spec,
    plan: pin(plan),
  }),
)

function bootieLogs(): readonly [LogEvent[], LogEvent[]] {
  const copyId = 'bootie-1'
  const until = worked(
    copyId,
    bootiePlan,
    BOOTIES_BEGUN,
    ({ position }) => position.round === bootiePlan.rounds[LEG - 1]!.id && position.unit > 0,
    { by: 'repeat' },
  )
  const state = replay(until)
  const at = until.at(-1)!.at + 40_000
  const turn: LogEvent = {
    id: `${copyId}-taller`,
    copyId,
    seq: state.lastSeq + 1,
    at,
    type: 'replan',
    planVersion: 2,
    fromVersion: 1,
    from: state.position,
    to: state.position,
  }
  const note: LogEvent = {
    id: `${copyId}-why`,
    copyId,
    seq: state.lastSeq + 2,
    at: at + 9000,
    type: 'note',
    position: state.position,
    text: 'A round more: it slipped off at the ankle.',
  }
  const first = [...until, turn, note]
  const rest = worked(copyId, taller.plan, at, () => false, { by: 'repeat', begun: first })
  const end = rest.at(-1)!
  const finish: LogEvent = {
    id: `${copyId}-end`,
    copyId,
    seq: end.seq + 1,
    at: end.at + 5000,
    type: 'finish',
  }
  const second = worked(
    'bootie-2',
    otherBootie.plan,
    BOOTIES_BEGUN + 2 * DAY,
    ({ position }) => position.round === otherBootie.plan.rounds[LEG]!.id,
    { by: 'repeat', version: 3 },
  )
  return [[...rest, finish], second]
}
const [firstBootie, secondBootie] = bootieLogs()

const copy = (id: string, piece: PieceRecord, number: number, log: readonly LogEvent[]): CopyRecord => ({
  id,
  pieceId: piece.id,
  number,
  planVersion: replay(log).planVersion,
  startedAt: log[0]!.at,
  ...(log.at(-1)!.type === 'finish' ? { finishedAt: log.at(-1)!.at } : {}),
})

/** A body and its lid, hinged at the back as their own plans say. */
function caseFinish(): Finish {
  const offers = usualJoints(
    [caseBody, caseLid].map((piece) => ({
      ...piece,
      spec: specOf(piece, gauge(piece.gaugeId), PACE),
      plan: planOf(piece),
    })),
    [],
  )
  const joints = offers.map(({ offer, ...joint }) => ({ ...joint, id: offer }))
  return { ...NO_FINISH, joints }
}

/** Two discs all around but for the loop, which is sewn between them. */
function holderFinish(): Finish {
  const count = planOf(holderDisc).rounds.at(-1)!.count
  const wide = planOf(holderLoop).rounds.at(-1)!.count
  const edge = (pieceId: string, from: number, many: number, copy = 1, of: 'last' | 'first' = 'last') => ({
    pieceId,
    copy,
    of,
    from,
    count: many,
  })
  const { id: disc } = holderDisc
  const { id: loop } = holderLoop
  return {
    ...NO_FINISH,
    joints: [
      {
        id: 'layers',
        way: 'throughBoth',
        edges: [edge(disc, 0, count - wide), edge(disc, 0, count - wide, 2)],
      },
      {
        id: 'loop-one-end',
        way: 'whip',
        edges: [edge(loop, 0, wide), edge(disc, count - wide, wide)],
      },
      {
        id: 'loop-other-end',
        way: 'whip',
        edges: [edge(loop, 0, wide, 1, 'first'), edge(disc, count - wide, wide, 2)],
      },
    ],
  }
}

const file = projectFile(
  {
    projects: [
      {
        id: 'kettle-trivet',
        name: 'Kettle trivet',
        createdAt: FIRST_DAY - 7 * DAY,
        updatedAt: trivetLog.at(-1)!.at + 6 * DAY,
      },
      { id: 'tin-mug-mats', name: 'Tin-mug mats', createdAt: FIRST_DAY, updatedAt: halfMat.at(-1)!.at },
      {
        id: 'lamp-glass-sleeve',
        name: 'Lamp-glass sleeve',
        createdAt: FIRST_DAY + 2 * DAY,
        updatedAt: FIRST_DAY + 2 * DAY,
      },
      { id: 'wardens-cap', name: 'Warden’s cap', createdAt: FIRST_DAY + DAY, updatedAt: FIRST_DAY + DAY },
      {
        id: 'kindling-basket',
        name: 'Kindling basket',
        createdAt: FIRST_DAY + DAY / 2,
        updatedAt: FIRST_DAY + DAY / 2,
      },
      {
        id: 'door-stop',
        name: 'Door-stop ball',
        createdAt: FIRST_DAY + DAY / 4,
        updatedAt: FIRST_DAY + DAY / 4,
      },
      {
        id: 'pan-handle-sleeve',
        name: 'Pan-handle sleeve',
        createdAt: FIRST_DAY + DAY / 5,
        updatedAt: FIRST_DAY + DAY / 5,
      },
      {
        id: 'lamp-glass-cover',
        name: 'Lamp-glass cover',
        createdAt: FIRST_DAY + DAY / 6,
        updatedAt: FIRST_DAY + DAY / 6,
      },
      {
        id: 'cradle-booties',
        name: 'Cradle booties',
        createdAt: FIRST_DAY + DAY / 8,
        updatedAt: secondBootie.at(-1)!.at,
      },
      {
        id: 'headlamp-case',
        name: 'Headlamp case',
        createdAt: FIRST_DAY + DAY / 10,
        updatedAt: FIRST_DAY + DAY / 10,
        finish: caseFinish(),
      },
      {
        id: 'compass-pouch',
        name: 'Compass pouch',
        createdAt: FIRST_DAY + DAY / 12,
        updatedAt: FIRST_DAY + DAY / 12,
      },
      {
        id: 'pot-rest',
        name: 'Half-round pot rest',
        createdAt: FIRST_DAY + DAY / 15,
        updatedAt: FIRST_DAY + DAY / 15,
      },
      {
        id: 'bed-socks',
        name: 'Bed socks',
        createdAt: FIRST_DAY + DAY / 16,
        updatedAt: FIRST_DAY + DAY / 16,
      },
      {
        id: 'pot-holder',
        name: 'Pot holder',
        createdAt: FIRST_DAY + DAY / 18,
        updatedAt: FIRST_DAY + DAY / 18,
        finish: holderFinish(),
      },
      {
        id: 'drying-rack-mat',
        name: 'Drying-rack mat',
        createdAt: FIRST_DAY + DAY / 20,
        updatedAt: FIRST_DAY + DAY / 20,
      },
      {
        id: 'wash-house-mat',
        name: 'Wash-house mat',
        createdAt: FIRST_DAY + DAY / 24,
        updatedAt: FIRST_DAY + DAY / 24,
      },
    ],
    pieces: [
      trivet,
      mats,
      sleeve,
      cap,
      basket,
      doorStop,
      handleSleeve,
      cover,
      booties,
      caseBody,
      caseLid,
      compassPouch,
      potRest,
      bedSocks,
      holderDisc,
      holderLoop,
      dryingMat,
      writtenMat(gauges.find(({ id }) => id === 'cotton-single')!),
    ],
    gauges,
    yarns,
    copies: [
      copy('trivet-1', trivet, 1, trivetLog),
      ...matLogs.map((log, index) => copy(`mat-${index + 1}`, mats, index + 1, log)),
      copy('mat-4', mats, 4, halfMat),
      copy('bootie-1', booties, 1, firstBootie),
      copy('bootie-2', booties, 2, secondBootie),
    ],
    planVersions: [pinned(trivet, FIRST_DAY - 7 * DAY), pinned(mats, FIRST_DAY + DAY), ...bootieVersions],
    events: [...trivetLog, ...matLogs.flat(), ...halfMat, ...firstBootie, ...secondBootie],
    readings,
    photos: [],
  },
  new Date(FIRST_DAY + 8 * DAY).toISOString(),
  { ...DEFAULT_SETTINGS, name: 'Skarn Hut', pace: PACE },
)

writeFileSync(new URL('../demo/skarn-hut.uzel.json', import.meta.url), writeProjectFile(file))
