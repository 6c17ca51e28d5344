import Joi from 'joi'
import { MEASURE_KINDS } from '../lay/measures.ts'
import type { Notice } from '../plan/plan.ts'
import {
  beside,
  bodyStitch,
  bySection,
  colours,
  constraints,
  construction,
  count,
  edge,
  id,
  list,
  millimetres,
  photoData,
  record,
  round,
  form,
  stitch,
  strands,
  time,
  within,
  workOfSection,
  roundFields,
  roundMayHave,
} from './fields.ts'
import { LONGEST_NOTE } from './limits.ts'

const measure = Joi.string().valid(...MEASURE_KINDS)
/** What a tape finds: no more than around the widest mat. */
const seen = record({
  of: measure,
  at: round,
  values: Joi.array().items(within('around')).min(1).max(8),
})

export const reading = record(
  {
    id,
    copyId: id,
    at: time,
    planVersion: Joi.number().integer().min(1).max(10_000),
    afterRound: round,
    seen: Joi.array().items(seen).min(1).max(20),
  },
  {
    washed: Joi.boolean().valid(true),
    edge,
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

const kind = (type: string) => Joi.string().valid(type)

/** Millimetres of a predicted place or size: more than any piece has, so that a drawing has bounds. */
const placed = (least: number) => Joi.number().min(least).max(20_000)
const share = Joi.number().min(-1).max(100)

const planRound = record({ ...roundFields, yarn: id }, { beside, ...roundMayHave })

/** What notices count or measure, of any of them. */
type NumberOfNotice = Exclude<
  Notice extends infer N ? (N extends Notice ? keyof N : never) : never,
  'code' | 'lie'
>

/** All of them: one that is missing, or that no notice has, does not compile. */
const NUMBERS_OF_NOTICES = Object.keys({
  by: 0,
  plusMinus: 0,
  flatness: 0,
  afterRound: 0,
  fromRound: 0,
  sides: 0,
  of: 0,
  round: 0,
  around: 0,
  passes: 0,
  stretch: 0,
  least: 0,
} satisfies Record<NumberOfNotice, 0>)

/** The interface has the words for the codes it knows, and leaves out the others. */
const notice = record(
  { code: Joi.string().max(40) },
  {
    lie: Joi.string().max(40),
    ...Object.fromEntries(NUMBERS_OF_NOTICES.map((name) => [name, Joi.number()])),
  },
)

const promises = Joi.array()
  .items(record({ of: measure, at: round, value: placed(0), sd: placed(0) }))
  .min(1)
  .max(10)

const plan = record(
  {
    rounds: Joi.array().items(planRound).min(1).max(500),
    finished: record(
      { promises, height: placed(-20_000), flatness: share },
      { lie: Joi.string().valid('cups', 'dished', 'flat', 'softWave', 'ruffles') },
    ),
    checkpoints: list(
      record({
        afterRound: round,
        promises,
        purpose: Joi.string().valid('gauge', 'course', 'beforeTrim', 'finish'),
      }),
      100,
    ),
    notices: list(notice, 100),
  },
  {
    goesOn: record(
      { after: round, radius: placed(0.1), z: placed(0), sd: placed(0) },
      { along: record({ arc: placed(0), sd: placed(0) }) },
    ),
  },
)

const stitchSize = {
  w: millimetres(0.1, 200),
  h: millimetres(0.01, 500),
  varLnW: Joi.number().min(0).max(4),
  varLnH: Joi.number().min(0).max(4),
  covLnWLnH: Joi.number().min(-4).max(4),
}

const gaugeNow = record(
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
    hook: within('hook'),
    yarnUse: record({ factor: Joi.number().min(0.01).max(100), sd: Joi.number().min(0).max(10) }),
  },
)

const sectionWork = record({}, { ...workOfSection, gauge: gaugeNow })

const spec = record(
  {
    form,
    tolerance: within('tolerance'),
    stitch: bodyStitch,
    gauge: gaugeNow,
    construction,
    colours,
    rhythm: Joi.number().min(0).max(1),
    pace: within('pace'),
  },
  { constraints: constraints, sections: bySection(sectionWork) },
)

export const planVersion = record({
  id,
  pieceId: id,
  version: Joi.number().integer().min(1).max(10_000),
  at: time,
  spec,
  plan,
})

const position = record({ round: id, unit: count })
const entry = { id, copyId: id, seq: Joi.number().integer().min(1).max(1e8), at: time }
const move = { ...entry, from: position, to: position }

export const photo = record({ id, copyId: id, at: time, position, data: photoData })

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
        then: record({ ...entry, type: kind('count'), round: id, counted: count, expected: count }),
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
