import Joi from 'joi'
import { ALL_PARTS, ALL_USES } from '../cautions/use.ts'
import { ALL_FIBRES } from '../yarn/fibre.ts'
import { FILE_FORMAT, FILE_VERSION } from './records.ts'

const id = Joi.string().min(1).max(64)
const name = Joi.string().min(1).max(200)
const time = Joi.number().integer().min(0).max(4e12)
const round = Joi.number().integer().min(1).max(500)
const count = Joi.number().integer().min(0).max(100_000)
const stitch = Joi.string().valid('slst', 'sc', 'hdc', 'dc', 'tr')
const bodyStitch = Joi.string().valid('sc', 'hdc', 'dc', 'tr')
const weight = Joi.number().integer().min(0).max(7)
const millimetres = (least: number, most: number) => Joi.number().min(least).max(most)
const list = (item: Joi.Schema, most: number) => Joi.array().items(item).max(most).required()
type Fields = Readonly<Record<string, Joi.Schema>>
/** An object that has all of the first fields and may have the second. */
const record = (fields: Fields, mayHave: Fields = {}) =>
  Joi.object({
    ...Object.fromEntries(Object.entries(fields).map(([key, schema]) => [key, schema.required()])),
    ...mayHave,
  })

const fibre = Joi.string().valid(...ALL_FIBRES)

const countOver = record({ count: Joi.number().greater(0).max(1000), over: millimetres(1, 2000) })
const taken = {
  id,
  at: time,
  stitch: bodyStitch,
  loops: Joi.string().valid('both', 'single', 'post'),
  state: Joi.string().valid('worked', 'washed'),
}
const mayBeAside = { setAside: Joi.boolean() }

const edge = Joi.alternatives()
  .try(
    record({ kind: Joi.string().valid('flat') }),
    record({ kind: Joi.string().valid('standsUp'), by: millimetres(0.1, 3000) }),
    record({ kind: Joi.string().valid('waves'), much: Joi.string().valid('little', 'lot') }),
  )
  .match('one')

const reading = record(
  {
    id,
    copyId: id,
    at: time,
    planVersion: Joi.number().integer().min(1).max(10_000),
    afterRound: round,
    across: Joi.array().items(millimetres(1, 3000)).min(1).max(2),
    edge,
  },
  {
    around: millimetres(1, 10_000),
    hole: millimetres(0, 500),
    join: Joi.string().valid('worked', 'skipped', 'right'),
    counts: Joi.array().items(record({ round, count })).max(500),
  },
)

const start = Joi.alternatives()
  .try(
    record({ kind: Joi.string().valid('magicRing', 'chainTwo') }),
    record({ kind: Joi.string().valid('chainRing'), chains: Joi.number().integer().min(3).max(60) }),
  )
  .match('one')

const evidence = Joi.alternatives().conditional('.kind', {
  switch: [
    {
      is: 'swatch',
      then: record(
        {
          ...taken,
          kind: Joi.string().valid('swatch'),
          worked: Joi.string().valid('rounds', 'rows'),
          stitches: countOver,
          rounds: countOver,
        },
        mayBeAside,
      ),
    },
    {
      is: 'marks',
      then: record(
        { ...taken, kind: Joi.string().valid('marks') },
        { ...mayBeAside, along: countOver, out: countOver },
      ),
    },
    {
      is: 'round',
      then: record(
        {
          ...taken,
          kind: Joi.string().valid('round'),
          counts: Joi.array().items(Joi.number().integer().min(3).max(100_000)).min(2).max(500),
          across: Joi.array().items(millimetres(1, 3000)).min(1).max(2),
          edge,
        },
        {
          ...mayBeAside,
          start,
          stitches: Joi.array().items(stitch).min(2).max(500),
          from: name,
        },
      ),
    },
  ],
})

const grams = Joi.number().min(0).max(1e6)
const labelMetres = Joi.number().greater(0).max(1e5)
const labelGrams = Joi.number().greater(0).max(1e5)
const calibrationTaken = {
  id,
  at: time,
  stitch: bodyStitch,
  stitches: Joi.number().integer().min(1).max(1e6),
}

const calibration = Joi.alternatives().conditional('.kind', {
  switch: [
    {
      is: 'weighed',
      then: record({
        ...calibrationTaken,
        kind: Joi.string().valid('weighed'),
        gramsBefore: grams,
        gramsAfter: grams,
        metresPerBall: labelMetres,
        gramsPerBall: labelGrams,
      }),
    },
    {
      is: 'unravelled',
      then: record({
        ...calibrationTaken,
        kind: Joi.string().valid('unravelled'),
        length: millimetres(1, 1e6),
      }),
    },
  ],
})

const fitness = record({
  uses: Joi.array()
    .items(Joi.string().valid(...ALL_USES))
    .unique()
    .max(20),
  layers: Joi.number().valid(1, 2),
  parts: Joi.array()
    .items(Joi.string().valid(...ALL_PARTS))
    .unique()
    .max(20),
  read: Joi.array().items(Joi.string().min(1).max(40)).max(50),
})

const shape = record({
  family: Joi.string().valid('disc'),
  across: millimetres(1, 3000),
  tolerance: millimetres(0, 1500),
})

const construction = record({
  start,
  rounds: Joi.alternatives()
    .try(
      record({
        kind: Joi.string().valid('joined'),
        turned: Joi.boolean(),
        begins: Joi.string().valid('chain', 'countingChain', 'standingStitch'),
        shaping: Joi.string().valid('atTheJoin', 'offTheJoin'),
      }),
      record({ kind: Joi.string().valid('spiral') }),
    )
    .match('one'),
  order: Joi.string().valid('increaseFirst', 'increaseLast'),
  placement: Joi.string().valid('stacked', 'staggered', 'scattered'),
  freeLastRounds: Joi.number().valid(0, 1, 2),
})

const constraints = Joi.object({
  firstCount: Joi.number().integer().min(3).max(400),
  evenRounds: Joi.array().items(round.min(2)).max(500),
  multiples: Joi.array()
    .items(record({ fromRound: round, of: Joi.number().integer().min(2).max(24) }))
    .max(50),
})

/** Yarns held with the main one, a strand each. */
const beside = Joi.array().items(id).min(1).max(5)
const strands = Joi.number().integer().min(1).max(6)

const colours = Joi.array()
  .items(record({ fromRound: round, yarn: id }, { beside }))
  .min(1)
  .max(200)

const project = record({ id, name, createdAt: time, updatedAt: time })

const piece = record({
  id,
  projectId: id,
  quantity: Joi.number().integer().min(1).max(1000),
  shape,
  stitch: bodyStitch,
  gaugeId: id,
  construction,
  colours,
  constraints: constraints.required(),
  rhythm: Joi.number().min(0).max(1),
  fitness,
})

const gauge = record({
  id,
  name,
  stitch: bodyStitch,
  weight,
  strands,
  hook: millimetres(0.5, 40),
  fibre,
  working: Joi.string().valid('joined', 'spiral', 'turned', 'rows'),
  evidence: list(evidence, 1000),
  calibrations: list(calibration, 1000),
})

const yarn = record(
  {
    id,
    name,
    colour: Joi.string().pattern(/^#[0-9a-fA-F]{6}$/),
    weight,
    fibre,
  },
  {
    line: name,
    dyeLot: Joi.string().min(1).max(100),
    metresPerBall: labelMetres,
    gramsPerBall: labelGrams,
    balls: Joi.number().integer().min(0).max(10_000),
    leftoverGrams: grams,
    metres: Joi.number().min(0).max(1e6),
  },
)

const copy = record(
  {
    id,
    pieceId: id,
    number: Joi.number().integer().min(1).max(1000),
    planVersion: Joi.number().integer().min(1).max(10_000),
    startedAt: time,
  },
  { finishedAt: time },
)

const step = record({
  times: count.min(1),
  ops: Joi.array()
    .items(
      record({ kind: Joi.string().valid('work'), stitch, count: count.min(1) }),
      record({ kind: Joi.string().valid('inc', 'dec'), stitch }),
    )
    .min(1)
    .max(2000),
})

const number = Joi.number()

const planRound = record(
  {
    number: round,
    stitch,
    yarn: id,
    hosts: Joi.alternatives()
      .try(
        record({ kind: Joi.string().valid('ring', 'chain') }),
        record({ kind: Joi.string().valid('round'), number: round }),
      )
      .match('one'),
    from: count,
    count: count.min(1),
    ideal: number,
    steps: Joi.array().items(step).min(1).max(5000),
    at: record({ radius: number, z: number, arc: number, sd: number }),
    flatness: number,
  },
  { beside },
)

const plan = record({
  rounds: Joi.array().items(planRound).min(1).max(500),
  hole: number,
  finished: record({
    across: number,
    plusMinus: number,
    height: number,
    flatness: number,
    lie: Joi.string().valid('cups', 'dished', 'flat', 'softWave', 'ruffles'),
  }),
  checkpoints: list(
    record({
      afterRound: round,
      across: number,
      plusMinus: number,
      purpose: Joi.string().valid('gauge', 'course', 'beforeTrim', 'finish'),
    }),
    100,
  ),
  yarn: list(record({ yarn: id, metres: number, doubt: number }), 200),
  stitches: count.max(1e7),
  seconds: number.min(0),
  notices: list(Joi.object({ code: Joi.string().required() }).unknown(), 100),
})

const stitchSize = {
  w: millimetres(0.1, 200),
  h: millimetres(0.01, 500),
  varLnW: number.min(0),
  varLnH: number.min(0),
  covLnWLnH: number,
}

const spec = record(
  {
    shape,
    stitch: bodyStitch,
    gauge: record(
      {
        ...stitchSize,
        stitch,
        strands,
        yarnDiameter: millimetres(0.05, 100),
        certainty: Joi.string().valid('guess', 'measured'),
      },
      {
        others: record(
          {},
          Object.fromEntries(['slst', 'sc', 'hdc', 'dc', 'tr'].map((name) => [name, record(stitchSize)])),
        ),
        yarnUse: record({ factor: number.min(0.01).max(100), sd: number.min(0) }),
      },
    ),
    construction,
    colours,
    rhythm: Joi.number().min(0).max(1),
    pace: Joi.number().min(1).max(120),
  },
  { constraints: constraints },
)

const planVersion = record({
  id,
  pieceId: id,
  version: Joi.number().integer().min(1).max(10_000),
  at: time,
  spec,
  plan,
})

const position = record({ round, unit: count })
const entry = { id, copyId: id, seq: Joi.number().integer().min(1).max(1e8), at: time }
const move = { ...entry, from: position, to: position }
const kind = (type: string) => Joi.string().valid(type)

const event = Joi.alternatives()
  .conditional('.type', {
    switch: [
      {
        is: 'start',
        then: record({ ...entry, type: kind('start'), planVersion: count.min(1), to: position }),
      },
      {
        is: 'work',
        then: record({ ...move, type: kind('work'), by: Joi.string().valid('stitch', 'repeat', 'round') }),
      },
      { is: 'nextRound', then: record({ ...move, type: kind('nextRound') }) },
      { is: 'goTo', then: record({ ...move, type: kind('goTo') }) },
      { is: 'undo', then: record({ ...move, type: kind('undo'), undoes: id }) },
      {
        is: 'replan',
        then: record({
          ...move,
          type: kind('replan'),
          planVersion: count.min(1),
          fromVersion: count.min(1),
        }),
      },
      {
        is: 'count',
        then: record({ ...entry, type: kind('count'), round, counted: count, expected: count }),
      },
      {
        is: 'note',
        then: record({ ...entry, type: kind('note'), position, text: Joi.string().max(5000) }),
      },
      { is: 'finish', then: record({ ...entry, type: kind('finish') }) },
      { is: 'reopen', then: record({ ...entry, type: kind('reopen') }) },
    ],
  })
  .messages({ 'alternatives.any': '{{#label}} is not an event that this Uzel knows' })

const workshop = record({
  name,
  terms: Joi.string().valid('US', 'UK'),
  units: Joi.string().valid('mm', 'cm', 'in'),
  gaugeOver: Joi.string().valid('10cm', '4in'),
  yarnLengths: Joi.string().valid('m', 'yd'),
  masses: Joi.string().valid('g', 'oz'),
  hand: Joi.string().valid('right', 'left'),
  print: Joi.number().valid(100, 125, 150),
  pace: Joi.number().min(1).max(120),
})

/** The shape of a project file. What refers to what is checked by `readProjectFile`. */
export const FILE_SCHEMA = Joi.object({
  format: Joi.string().valid(FILE_FORMAT).required(),
  version: Joi.number().valid(FILE_VERSION).required(),
  exportedAt: Joi.string().isoDate().required(),
  workshop: workshop.optional(),
  projects: list(project, 10_000),
  pieces: list(piece, 50_000),
  gauges: list(gauge, 10_000),
  yarns: list(yarn, 10_000),
  copies: list(copy, 100_000),
  planVersions: list(planVersion, 100_000),
  events: list(event, 5_000_000),
  readings: list(reading, 1_000_000),
}).required()
