import Joi from 'joi'
import { ALL_HARDWARE, ALL_USES } from '../cautions/use.ts'
import { WAYS_OF_JOINING } from '../finish/joint.ts'
import { STEP_KINDS } from '../finish/order.ts'
import { SMALL_PART_LIMITS, type SmallPart } from '../finish/smallParts.ts'
import { ALL_FIBRES } from '../yarn/fibre.ts'
import { CHAIN_COUNTS, LONGEST_TEXT, MOST_IN_A_ROUND } from '../pattern/readings.ts'
import {
  bodyStitch,
  bySection,
  colours,
  constraints,
  construction,
  edge,
  id,
  list,
  name,
  photoData,
  record,
  form,
  start,
  stitch,
  strands,
  time,
  weight,
  whole,
  within,
  workOfSection,
} from './fields.ts'

/** No edge has more. */
const MOST_STITCHES = 4000

const fibre = Joi.string().valid(...ALL_FIBRES)

const countOver = record({ count: Joi.number().greater(0).max(1000), over: within('countedOver') })
const taken = {
  id,
  at: time,
  stitch: bodyStitch,
  loops: Joi.string().valid('both', 'single', 'post'),
  state: Joi.string().valid('worked', 'washed'),
}
const mayBeAside = { setAside: Joi.boolean() }

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
        { ...mayBeAside, along: countOver, out: countOver, rows: Joi.boolean().valid(true), from: name },
      ),
    },
    {
      is: 'round',
      then: record(
        {
          ...taken,
          kind: Joi.string().valid('round'),
          counts: Joi.array().items(Joi.number().integer().min(3).max(100_000)).min(2).max(500),
          across: Joi.array().items(within('across')).min(1).max(2),
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
        length: within('pulledOut'),
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
  hardware: Joi.array()
    .items(Joi.string().valid(...ALL_HARDWARE))
    .unique()
    .max(20),
  read: Joi.array().items(Joi.string().min(1).max(40)).max(50),
})

const jointEdge = record({
  pieceId: id,
  copy: whole('quantity'),
  of: Joi.string().valid('last', 'first'),
  from: Joi.number().integer().min(0).max(MOST_STITCHES),
  count: Joi.number().integer().min(2).max(MOST_STITCHES),
})
/** Of a step: its kind and what it is done with. */
const stepId = Joi.string().min(1).max(200)
const stepIds = Joi.array().items(stepId).max(2000).required()

const partOf = (kind: SmallPart['kind'], fields: Readonly<Record<string, Joi.Schema>>) =>
  record({ kind: Joi.string().valid(kind), ...fields })
const sized = (key: keyof typeof SMALL_PART_LIMITS) => {
  const [least, most] = SMALL_PART_LIMITS[key]
  return Joi.number().min(least).max(most)
}

const smallPart = Joi.alternatives()
  .try(
    partOf('cord', { long: sized('long'), firm: Joi.boolean() }),
    partOf('loop', { opening: sized('opening'), over: Joi.boolean() }),
    partOf('braid', { long: sized('long'), strands: sized('strands').integer() }),
    partOf('tassel', { long: sized('long'), turns: sized('turns').integer() }),
    partOf('pompom', { across: sized('across') }),
    partOf('dot', { stitches: sized('stitches').integer() }),
  )
  .match('one')

const finish = record(
  {
    joints: Joi.array()
      .items(
        record(
          {
            id,
            way: Joi.string().valid(...WAYS_OF_JOINING),
            edges: Joi.array().ordered(jointEdge.required(), jointEdge.required()).length(2),
          },
          {
            filledThrough: Joi.number().integer().min(2).max(MOST_STITCHES),
            made: Joi.number().integer().min(0).max(MOST_STITCHES),
          },
        ),
      )
      .max(200),
    steps: Joi.array()
      .items(
        record(
          {
            id,
            kind: Joi.string().valid(...STEP_KINDS),
            name,
            pieces: Joi.array().items(id).max(1000),
          },
          { part: smallPart },
        ),
      )
      .max(200),
    order: stepIds,
    links: Joi.array().items(Joi.array().ordered(stepId.required(), stepId.required()).length(2)).max(500),
    done: stepIds,
  },
  {
    photo: photoData,
  },
)

export const project = record({ id, name, createdAt: time, updatedAt: time }, { finish })

const sectionWork = record({}, { ...workOfSection, gaugeId: id })

const source = record({
  text: Joi.string().allow('').max(LONGEST_TEXT),
  piece: Joi.number().integer().min(0).max(200),
  readings: record(
    {},
    {
      terms: Joi.string().valid('US', 'UK'),
      chainCounts: Joi.string().valid(...CHAIN_COUNTS),
      ends: Joi.object().pattern(/^\d{1,6}$/, Joi.number().integer().min(0).max(MOST_IN_A_ROUND)),
    },
  ),
})

export const piece = record(
  {
    id,
    projectId: id,
    name,
    place: whole('place'),
    quantity: whole('quantity'),
    form,
    tolerance: within('tolerance'),
    stitch: bodyStitch,
    gaugeId: id,
    construction,
    colours,
    constraints: constraints.required(),
    rhythm: Joi.number().min(0).max(1),
    fitness,
  },
  { sections: bySection(sectionWork), washed: Joi.boolean().valid(true), source },
)

export const gauge = record({
  id,
  name,
  stitch: bodyStitch,
  weight,
  strands,
  hook: within('hook'),
  fibre,
  working: Joi.string().valid('joined', 'spiral', 'turned', 'rows'),
  evidence: list(evidence, 1000),
  calibrations: list(calibration, 1000),
})

export const yarn = record(
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
    balls: whole('balls'),
    leftoverGrams: grams,
    metres: Joi.number().min(0).max(1e6),
  },
)

export const workshop = record({
  name,
  terms: Joi.string().valid('US', 'UK'),
  units: Joi.string().valid('mm', 'cm', 'in'),
  gaugeOver: Joi.string().valid('10cm', '4in'),
  yarnLengths: Joi.string().valid('m', 'yd'),
  masses: Joi.string().valid('g', 'oz'),
  hand: Joi.string().valid('right', 'left'),
  print: Joi.number().valid(100, 125, 150),
  pace: within('pace'),
})
