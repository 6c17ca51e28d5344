import parse from 'joi-to-json'
import { FILE_SCHEMA } from '../core/exchange/fileSchema.ts'

/** The published JSON Schema, derived from the one that `readProjectFile` checks with. */
export function jsonSchemaText(): string {
  const schema = {
    $schema: 'https://json-schema.org/draft/2019-09/schema',
    title: 'Uzel project file (*.uzel.json)',
    ...(parse(FILE_SCHEMA, 'json-draft-2019-09') as object),
  }
  return `${JSON.stringify(schema, null, 2)}\n`
}
