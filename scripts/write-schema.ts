/** `npm run schema`: the project file's JSON Schema, from the Zod schema, into docs/. */
import { writeFileSync } from 'node:fs'
import { z } from 'zod'
import { PRESENT_VERSION, ProjectFile } from '../core/document'

const schema = {
  $id: `urn:mariposa:project:${PRESENT_VERSION}`,
  title: `Mariposa project file, version ${PRESENT_VERSION}`,
  ...z.toJSONSchema(ProjectFile),
}
writeFileSync(new URL('../docs/project.schema.json', import.meta.url), `${JSON.stringify(schema, null, 2)}\n`)
