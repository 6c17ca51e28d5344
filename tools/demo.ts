/**
 * Writes the demo workshop, demo/skarn-hut.uzel.json: the kitchen of the Skarn Hut, made up.
 * Plans and logs come from the core, so that the demo shows what Uzel really computes.
 */
import { writeFileSync } from 'node:fs'
import {
  atTheEnd,
  newPiece,
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
  type CopyRecord,
  type GaugeRecord,
  type LogEvent,
  type NewEvent,
  type PieceReading,
  type PieceRecord,
  type Plan,
  type PlanVersionRecord,
  type WorkState,
  type YarnRecord,
} from '../core/index.ts'

const PACE = 16
const FIRST_DAY = Date.UTC(2026, 10, 16, 18, 30)
const DAY = 86_400_000

const HUT_COTTON = {
  line: 'Hut cotton',
  weight: 4,
  fibre: 'cotton',
  metresPerBall: 85,
  gramsPerBall: 50,
} as const

const yarns: YarnRecord[] = [
  { ...HUT_COTTON, id: 'fog', name: 'Fog', colour: '#FAFCFB', dyeLot: '412', balls: 3, leftoverGrams: 22 },
  { ...HUT_COTTON, id: 'soot', name: 'Soot', colour: '#55656C', dyeLot: '87', balls: 1, leftoverGrams: 31 },
  { ...HUT_COTTON, id: 'pine', name: 'Pine', colour: '#2F5B50', dyeLot: '205', balls: 1 },
  {
    id: 'lichen',
    name: 'Lichen',
    line: 'Loft wool',
    colour: '#BCCBB8',
    weight: 3,
    fibre: 'wool',
    metresPerBall: 120,
    gramsPerBall: 50,
    dyeLot: '7',
    balls: 2,
  },
  {
    id: 'tarn',
    name: 'Tarn',
    line: 'Loft wool',
    colour: '#2E4A57',
    weight: 3,
    fibre: 'wool',
    metresPerBall: 120,
    gramsPerBall: 50,
    dyeLot: '7',
    balls: 2,
  },
  { id: 'bark', name: 'Bark', colour: '#77675B', weight: 4, fibre: 'acrylic', metres: 40 },
]

/** When evidence was taken: days before the first round. */
const taken = (id: string, day: number) =>
  ({ id, at: FIRST_DAY + day * DAY, stitch: 'sc', loops: 'both', state: 'worked' }) as const

const gauges: GaugeRecord[] = [
  {
    id: 'cotton-double',
    name: 'Medium cotton, 2 strands, 6.5 mm',
    stitch: 'sc',
    weight: 4,
    strands: 2,
    hook: 6.5,
    fibre: 'cotton',
    working: 'joined',
    evidence: [
      {
        ...taken('cotton-double-swatch', -2),
        kind: 'swatch',
        worked: 'rounds',
        stitches: { count: 11, over: 100 },
        rounds: { count: 11.5, over: 100 },
      },
      {
        ...taken('cotton-double-disc', -1),
        kind: 'round',
        counts: [6, 12, 18, 24, 30, 36, 42, 48],
        across: [142, 144],
        edge: { kind: 'flat' },
      },
      {
        ...taken('cotton-double-marks', -1),
        kind: 'marks',
        along: { count: 18, over: 164 },
        out: { count: 16, over: 139 },
      },
    ],
    calibrations: [],
  },
  {
    id: 'cotton-single',
    name: 'Medium cotton, 5 mm',
    stitch: 'sc',
    weight: 4,
    strands: 1,
    hook: 5,
    fibre: 'cotton',
    working: 'joined',
    evidence: [
      {
        ...taken('cotton-single-swatch', -3),
        kind: 'swatch',
        worked: 'rows',
        stitches: { count: 12, over: 85 },
        rounds: { count: 12, over: 78 },
      },
      {
        ...taken('cotton-single-disc', -2),
        kind: 'round',
        counts: [6, 12, 18, 24, 30, 36, 42, 48, 54],
        across: [121, 122],
        edge: { kind: 'flat' },
      },
      {
        ...taken('cotton-single-marks', -1),
        kind: 'marks',
        along: { count: 16, over: 114 },
        out: { count: 16, over: 106 },
      },
    ],
    calibrations: [
      {
        id: 'cotton-single-pulled',
        at: FIRST_DAY - DAY,
        kind: 'unravelled',
        stitch: 'sc',
        stitches: 10,
        length: 668,
      },
    ],
  },
  {
    id: 'loft-wool',
    name: 'Loft wool, 4 mm',
    stitch: 'hdc',
    weight: 3,
    strands: 1,
    hook: 4,
    fibre: 'wool',
    working: 'spiral',
    evidence: [],
    calibrations: [],
  },
]

gauges.push({
  id: 'loft-wool-double',
  name: 'Loft wool, 2 strands, 6 mm',
  stitch: 'sc',
  weight: 3,
  strands: 2,
  hook: 6,
  fibre: 'wool',
  working: 'joined',
  evidence: [
    {
      ...taken('loft-wool-double-swatch', -2),
      kind: 'swatch',
      worked: 'rounds',
      stitches: { count: 13, over: 100 },
      rounds: { count: 14, over: 100 },
    },
    {
      ...taken('loft-wool-double-marks', -1),
      kind: 'marks',
      along: { count: 20, over: 153 },
      out: { count: 16, over: 116 },
    },
  ],
  calibrations: [],
})

const gauge = (id: string) => gauges.find((known) => known.id === id)!

const trivet: PieceRecord = {
  ...newPiece({
    id: 'trivet',
    projectId: 'kettle-trivet',
    gaugeId: 'cotton-double',
    yarnId: 'fog',
    form: { family: 'disc', across: 220 },
  }),
  fitness: { uses: ['hot'], layers: 1, hardware: [], read: [] },
  colours: [
    { fromRound: 1, yarn: 'fog' },
    { fromRound: 11, yarn: 'soot' },
  ],
}
const mats: PieceRecord = {
  ...newPiece({
    id: 'mats',
    projectId: 'tin-mug-mats',
    gaugeId: 'cotton-single',
    yarnId: 'fog',
    form: { family: 'disc', across: 110 },
  }),
  quantity: 8,
  fitness: { uses: ['wet'], layers: 1, hardware: [], read: [] },
  colours: [
    { fromRound: 1, yarn: 'fog' },
    { fromRound: 7, yarn: 'pine' },
  ],
}

/** It keeps the glass of the lamp at the door whole on the way up; off while the lamp burns. */
const sleeve: PieceRecord = {
  ...newPiece({
    id: 'sleeve',
    projectId: 'lamp-glass-sleeve',
    gaugeId: 'cotton-single',
    yarnId: 'pine',
    form: { family: 'tube', girth: 251, of: 'object', ease: 0.04, length: 168 },
  }),
  colours: [
    { fromRound: 1, yarn: 'pine' },
    { fromRound: 4, yarn: 'fog' },
  ],
}

/** For whoever minds the hut in winter. */
const cap: PieceRecord = {
  ...newPiece({
    id: 'cap',
    projectId: 'wardens-cap',
    gaugeId: 'loft-wool-double',
    yarnId: 'lichen',
    form: { family: 'cap', head: 570, depth: 215, ease: 0.04, crown: 'rounded', brim: 'tightened' },
  }),
  fitness: { uses: ['worn'], layers: 1, hardware: [], read: [] },
  colours: [
    { fromRound: 1, yarn: 'lichen' },
    { fromRound: 17, yarn: 'tarn' },
    { fromRound: 21, yarn: 'lichen' },
    { fromRound: 23, yarn: 'tarn' },
  ],
}

const planOf = (piece: PieceRecord) => planPiece(specOf(piece, gauge(piece.gaugeId), PACE))

const pinned = (piece: PieceRecord, at: number): PlanVersionRecord => ({
  id: `${piece.id}-plan-1`,
  pieceId: piece.id,
  version: 1,
  at,
  spec: specOf(piece, gauge(piece.gaugeId), PACE),
  plan: pin(planOf(piece)),
})

/** Works a copy stitch by stitch, at a human pace, until `enough`. */
function worked(
  copyId: string,
  plan: Plan,
  begin: number,
  enough: (state: WorkState) => boolean,
): LogEvent[] {
  const log: LogEvent[] = []
  let at = begin
  const write = (event: NewEvent) => {
    log.push({ ...event, id: `${copyId}-${log.length + 1}`, copyId, seq: log.length + 1, at })
  }
  write({ type: 'start', planVersion: 1, to: startOf(plan.rounds) })
  for (let state = replay(log); !enough(state); state = replay(log.slice(state.lastSeq), state)) {
    // Three taps of an even hand, a slower one where the stitch changes.
    at += 3200 + (log.length % 7) * 180
    const event = workOn(plan.rounds, state, 'stitch') ?? nextRound(plan.rounds, state)
    if (!event) break
    write(event)
  }
  return log
}

const trivetPlan = planOf(trivet)
const matPlan = planOf(mats)
const trivetLog = worked(
  'trivet-1',
  trivetPlan,
  FIRST_DAY,
  ({ position }) => position.round === trivetPlan.rounds[6]!.id && position.unit === 15,
)
const matLogs = [1, 2, 3].map((number) => {
  const log = worked(`mat-${number}`, matPlan, FIRST_DAY + number * DAY, () => false)
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

const copy = (id: string, piece: PieceRecord, number: number, log: readonly LogEvent[]): CopyRecord => ({
  id,
  pieceId: piece.id,
  number,
  planVersion: 1,
  startedAt: log[0]!.at,
  ...(log.at(-1)!.type === 'finish' ? { finishedAt: log.at(-1)!.at } : {}),
})

const file = projectFile(
  {
    projects: [
      {
        id: 'kettle-trivet',
        name: 'Kettle trivet',
        createdAt: FIRST_DAY,
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
    ],
    pieces: [trivet, mats, sleeve, cap],
    gauges,
    yarns,
    copies: [
      copy('trivet-1', trivet, 1, trivetLog),
      ...matLogs.map((log, index) => copy(`mat-${index + 1}`, mats, index + 1, log)),
      copy('mat-4', mats, 4, halfMat),
    ],
    planVersions: [pinned(trivet, FIRST_DAY), pinned(mats, FIRST_DAY + DAY)],
    events: [...trivetLog, ...matLogs.flat(), ...halfMat],
    readings,
  },
  new Date(FIRST_DAY + 8 * DAY).toISOString(),
  { ...DEFAULT_SETTINGS, name: 'Skarn Hut', pace: PACE },
)

writeFileSync(new URL('../demo/skarn-hut.uzel.json', import.meta.url), writeProjectFile(file))
