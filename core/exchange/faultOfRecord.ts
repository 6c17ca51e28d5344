import type Joi from 'joi'
import { faultOfPiece, faultsFrom, type FileFault } from './fileFault.ts'
import { gauge, piece, project, workshop, yarn } from './keptSchemas.ts'
import type {
  GaugeRecord,
  PhotoRecord,
  PieceRecord,
  ProjectRecord,
  WorkshopSettings,
  YarnRecord,
} from './records.ts'
import type { PieceReading } from '../fit/pieceReading.ts'
import { photo, reading } from './workSchemas.ts'

/** The records that a maker edits. */
export interface EditedRecords {
  readonly projects: ProjectRecord
  readonly pieces: PieceRecord
  readonly gauges: GaugeRecord
  readonly yarns: YarnRecord
  readonly readings: PieceReading
  readonly photos: PhotoRecord
  readonly settings: WorkshopSettings
}

const SCHEMAS: Readonly<Record<keyof EditedRecords, Joi.Schema>> = {
  projects: project,
  pieces: piece,
  gauges: gauge,
  yarns: yarn,
  readings: reading,
  photos: photo,
  settings: workshop,
}

/** What keeps a record from being stored: whatever a file with it in would be refused for. */
export function faultOfRecord<T extends keyof EditedRecords>(
  table: T,
  record: EditedRecords[T],
): FileFault | undefined {
  const { error } = SCHEMAS[table].validate(record, { convert: false })
  if (error) return faultsFrom(error, 1)[0]
  return table === 'pieces' ? faultOfPiece(record as PieceRecord) : undefined
}
