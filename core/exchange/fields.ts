import Joi from 'joi'
import { WAYS_OF_ROUNDS } from '../plan/plan.ts'
import { FAMILY_NAMES, fieldsOf, type AnyField } from '../forms/registry.ts'
import { PLACE_KINDS } from '../plan/places.ts'
import { RIMS } from '../rounds/rim.ts'
import { ZONES } from '../rounds/zone.ts'
import { TEXTURE_KINDS } from '../rounds/texture.ts'
import { MANNERS } from '../stitches/manner.ts'
import { LIMITS, LONGEST_MOTIF, LONGEST_ZONE, MOST_MOTIFS, MOST_OF_A_PHOTO } from './limits.ts'

// Fields that several records of a project file have.

/** A number as a field of the interface takes it. */
export const within = (name: keyof typeof LIMITS) => Joi.number().min(LIMITS[name][0]).max(LIMITS[name][1])
export const whole = (name: keyof typeof LIMITS) => within(name).integer()

const ID = /^[\w-]{1,64}$/

/** Ids stand in addresses: letters, digits, hyphens and underscores alone. */
export const id = Joi.string()
  .pattern(ID)
  .messages({ 'string.pattern.base': '{{#label}} is no id: 1 to 64 letters, digits, - or _' })
export const name = Joi.string().min(1).max(200)
export const time = Joi.number().integer().min(0).max(4e12)
export const round = whole('round')
export const count = Joi.number().integer().min(0).max(100_000)
export const stitch = Joi.string().valid('slst', 'sc', 'hdc', 'dc', 'tr')
export const bodyStitch = Joi.string().valid('sc', 'hdc', 'dc', 'tr')
export const weight = Joi.number().integer().min(0).max(7)
export const millimetres = (least: number, most: number) => Joi.number().min(least).max(most)
export const list = (item: Joi.Schema, most: number) => Joi.array().items(item).max(most).required()
type Fields = Readonly<Record<string, Joi.Schema>>
/** An object that has all of the first fields and may have the second. */
export const record = (fields: Fields, mayHave: Fields = {}) =>
  Joi.object({
    ...Object.fromEntries(Object.entries(fields).map(([key, schema]) => [key, schema.required()])),
    ...mayHave,
  })

export const edge = Joi.alternatives()
  .try(
    record({ kind: Joi.string().valid('flat') }),
    record({ kind: Joi.string().valid('standsUp'), by: within('standsUp') }),
    record({ kind: Joi.string().valid('waves'), much: Joi.string().valid('little', 'lot') }),
  )
  .match('one')

export const start = Joi.alternatives()
  .try(
    record({ kind: Joi.string().valid('magicRing', 'chainTwo', 'joinedChain', 'chain') }),
    record({ kind: Joi.string().valid('chainRing'), chains: whole('chains') }),
    record({ kind: Joi.string().valid('chainAlong'), into: Joi.string().valid('loops', 'bumps') }),
  )
  .match('one')

function valueOf(field: AnyField): Joi.Schema {
  if (field.kind === 'choice') return Joi.string().valid(...field.choices)
  if (field.kind !== 'outline') return millimetres(field.least, field.most)
  const point = record({ across: millimetres(0, field.widest), up: millimetres(0, field.highest) })
  return Joi.array().items(point).min(2).max(field.most)
}

/** What each family asks for. */
export const form = Joi.alternatives()
  .conditional('.family', {
    switch: FAMILY_NAMES.map((family) => ({
      is: family,
      then: record({
        family: Joi.string().valid(family),
        ...Object.fromEntries(fieldsOf(family).map((field) => [field.key, valueOf(field)])),
      }),
    })),
  })
  .messages({ 'alternatives.any': `{{#label}} is none of: ${FAMILY_NAMES.join(', ')}` })

export const construction = record(
  {
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
  },
  { loops: Joi.string().valid('back', 'front'), rim: Joi.string().valid(...RIMS) },
)

/** How a fabric is textured; which numbers belong to it is a matter of planning. */
export const texture = record(
  { kind: Joi.string().valid(...TEXTURE_KINDS) },
  Object.fromEntries(
    ['over', 'rounds', 'of'].map((number) => [number, Joi.number().integer().min(0).max(24)]),
  ),
)

/** What a maker calls a stretch of the round. */
/** One thing the hook does. An opening skips as many stitches as nearly half a round has. */
export const op = record(
  { stitch, uses: count.max(2000), makes: count.max(2000), times: count.min(1) },
  {
    loops: Joi.string().valid('back', 'front'),
    manner: Joi.string().valid(...MANNERS),
    of: count.min(1).max(20),
  },
)
export const zoneName = Joi.string().trim().min(1).max(LONGEST_ZONE)

const kindOf = (type: string) => Joi.string().valid(type)

const step = record(
  {
    times: count.min(1),
    ops: Joi.array().items(op).min(1).max(2000),
  },
  { zone: Joi.string().valid(...ZONES), name: zoneName },
)

const run = record({
  of: Joi.alternatives()
    .try(
      record({ kind: kindOf('top'), round: id, loops: Joi.string().valid('both', 'back', 'front') }),
      record({ kind: kindOf('rowEnds'), section: id, side: Joi.string().valid('first', 'last') }),
      record({ kind: kindOf('chain'), of: kindOf('foundation'), side: Joi.string().valid('upper', 'lower') }),
    )
    .match('one'),
  from: count,
  to: count,
})

/** A round but for its yarns. */
export const roundFields = {
  id,
  section: id,
  closed: Joi.boolean(),
  side: Joi.string().valid('right', 'wrong'),
  fabric: stitch,
  hosts: Joi.array().items(run).max(50),
  steps: Joi.array().items(step).min(1).max(5000),
}
export const roundMayHave = { left: Joi.array().items(run).max(50) }

export const constraints = Joi.object({
  given: Joi.array().items(record(roundFields, roundMayHave)).min(1).max(1000),
  firstCount: whole('firstCount'),
  chains: whole('chainsAlong'),
  wallCount: whole('wallCount'),
  evenRounds: Joi.array().items(round.min(2)).max(500),
  lastCount: count.min(2).max(2000),
  multiples: Joi.array()
    .items(record({ fromRound: round, of: whole('multiple') }))
    .max(50),
  openings: Joi.array()
    .items(
      record(
        {
          section: id,
          along: within('along'),
          at: Joi.number().min(0).max(1),
          width: within('opening'),
        },
        { passes: within('around') },
      ),
    )
    .max(20),
  splits: Joi.array()
    .items(record({ part: id, along: within('along') }))
    .max(10),
  accents: Joi.array()
    .items(record({ round: round.min(2), texture }))
    .max(100),
  places: Joi.array()
    .items(
      record({
        name: zoneName,
        kind: Joi.string().valid(...PLACE_KINDS),
        along: within('along'),
        at: Joi.number().min(0).max(1),
        mirrored: Joi.boolean(),
      }),
    )
    .max(40),
  edge: record(
    {
      motifs: Joi.array()
        .items(
          record({
            name: Joi.string().trim().min(1).max(LONGEST_MOTIF),
            ops: Joi.array().items(op).min(1).max(60),
            at: Joi.number().min(0).max(1),
          }),
        )
        .min(1)
        .max(MOST_MOTIFS),
      mirrored: Joi.boolean(),
      alike: Joi.boolean(),
    },
    { axis: Joi.number().min(0).less(0.5) },
  ),
  zones: Joi.array()
    .items(
      record({
        name: zoneName,
        from: Joi.number().min(0).max(1),
        share: Joi.number().min(0.001).max(1),
        shapes: Joi.boolean(),
      }),
    )
    .max(12),
})

/** Yarns held with the main one, a strand each. */
export const beside = Joi.array().items(id).min(1).max(5)
export const strands = whole('strands')

export const colours = Joi.array()
  .items(record({ fromRound: round, yarn: id }, { beside }))
  .min(1)
  .max(500)

/** How a section is worked, in a piece and in what is pinned alike; each says its gauge in its own way. */
export const workOfSection = {
  stitch: bodyStitch,
  loops: Joi.string().valid('both', 'back', 'front'),
  rounds: Joi.string().valid(...WAYS_OF_ROUNDS),
  texture,
  measured: Joi.boolean().valid(true),
}

/** Something for each section that has it, by the section's id. */
export const bySection = (item: Joi.Schema) => Joi.object().pattern(ID, item).max(20)

/** A picture as an address of its own data: a JPEG, which is all that the screens make. */
export const photoData = Joi.string()
  .pattern(/^data:image\/jpeg;base64,[A-Za-z0-9+/=]+$/)
  .max(MOST_OF_A_PHOTO)
