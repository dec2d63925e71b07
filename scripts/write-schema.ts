/** `npm run schema`: the project file's JSON Schema, from the Zod schema, into docs/. */
import { writeFileSync } from 'node:fs'
import { z } from 'zod'
import { ProjectFile } from '../core/document'

export const projectSchema = (): string =>
  `${JSON.stringify({ title: 'Mariposa project file, version 3', ...z.toJSONSchema(ProjectFile) }, null, 2)}\n`

if (process.argv[1]?.endsWith('write-schema.ts'))
  writeFileSync(new URL('../docs/project.schema.json', import.meta.url), projectSchema())
