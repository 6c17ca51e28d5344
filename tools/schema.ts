/** Writes docs/uzel-file.schema.json, the JSON Schema of a project file, from the schema files are read by. */
import { writeFileSync } from 'node:fs'
import { jsonSchemaText } from './jsonSchema.ts'

writeFileSync(new URL('../docs/uzel-file.schema.json', import.meta.url), jsonSchemaText())
