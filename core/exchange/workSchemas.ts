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

/** Millimetres of a predicted place or size: more than any piece has, so that a drawing has bounds. */
const placed = (least: number) => Joi.number().min(least).max(20_000)
const share = Joi.number().min(-1).max(100)

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
    ideal: Joi.number().min(0.1).max(1e6),
    steps: Joi.array().items(step).min(1).max(5000),
    at: record({ radius: placed(0), z: placed(-20_000), arc: placed(0), sd: placed(0) }),
    flatness: share,
  },
  { beside },
)

/** The interface has the words for the codes it knows, and leaves out the others. */
const notice = record(
  { code: Joi.string().max(40) },
  {
    lie: Joi.string().max(40),
    ...Object.fromEntries(
      ['by', 'plusMinus', 'flatness', 'afterRound', 'fromRound', 'sides', 'of', 'across', 'round'].map(
        (name) => [name, Joi.number()],
      ),
    ),
  },
)

const plan = record({
  rounds: Joi.array().items(planRound).min(1).max(500),
  hole: placed(0),
  finished: record({
    across: placed(0),
    plusMinus: placed(0),
    height: placed(-20_000),
    flatness: share,
    lie: Joi.string().valid('cups', 'dished', 'flat', 'softWave', 'ruffles'),
  }),
  checkpoints: list(
    record({
      afterRound: round,
      across: placed(0),
      plusMinus: placed(0),
      purpose: Joi.string().valid('gauge', 'course', 'beforeTrim', 'finish'),
    }),
    100,
  ),
  yarn: list(
    record({ yarn: id, metres: Joi.number().min(0).max(1e7), doubt: Joi.number().min(0).max(100) }),
    200,
  ),
  stitches: count.max(3e6),
  seconds: Joi.number().min(0).max(1e10),
  notices: list(notice, 100),
})

const stitchSize = {
  w: millimetres(0.1, 200),
  h: millimetres(0.01, 500),
  varLnW: Joi.number().min(0).max(4),
  varLnH: Joi.number().min(0).max(4),
  covLnWLnH: Joi.number().min(-4).max(4),
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
        yarnUse: record({ factor: Joi.number().min(0.01).max(100), sd: Joi.number().min(0).max(10) }),
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
