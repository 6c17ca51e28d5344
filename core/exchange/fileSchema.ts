import Joi from 'joi'
import { list } from './fields.ts'
import { gauge, piece, project, workshop, yarn } from './keptSchemas.ts'
import { FILE_FORMAT, FILE_VERSION } from './records.ts'
import { copy, event, photo, planVersion, reading } from './workSchemas.ts'

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
  photos: list(photo, 20_000),
}).required()
