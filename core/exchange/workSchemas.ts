import Joi from 'joi'
import {
  beside,
  bodyStitch,
  colours,
  constraints,
  construction,
  count,
  edge,
  id,
  list,
  millimetres,
  record,
  round,
  shape,
  stitch,
  strands,
  time,
  within,
} from './fields.ts'
import { LONGEST_NOTE } from './limits.ts'

export const reading = record(
  {
    id,
    copyId: id,
    at: time,
    planVersion: Joi.number().integer().min(1).max(10_000),
    afterRound: round,
    across: Joi.array().items(within('across')).min(1).max(2),
    edge,
  },
  {
    around: within('around'),
    hole: within('hole'),
    join: Joi.string().valid('worked', 'skipped', 'right'),
    counts: Joi.array().items(record({ round, count })).max(500),
  },
)

export const copy = record(
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
    pace: within('pace'),
  },
  { constraints: constraints },
)

export const planVersion = record({
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

export const event = Joi.alternatives()
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
        then: record({ ...entry, type: kind('note'), position, text: Joi.string().max(LONGEST_NOTE) }),
      },
      { is: 'finish', then: record({ ...entry, type: kind('finish') }) },
      { is: 'reopen', then: record({ ...entry, type: kind('reopen') }) },
    ],
  })
  .messages({ 'alternatives.any': '{{#label}} is not an event that this Uzel knows' })
