import { createAssessor } from '../core/assess'
import { DocumentError, readProject } from '../core/document'
import { written } from '../core/units'
import { checkFile, printedAsFound } from '../core/workshop/print-room'
import type { Arguments } from './answer'
import { readBeside } from './input'

/** A machine file from any slicing program, held against a piece of a project. */
export async function checkVerb({ file, more, options, read, chunks }: Arguments): Promise<unknown> {
  if (more.length !== 1) throw new DocumentError('', 'wants a machine file and a project: check GCODE FILE')
  const doc = readProject(readBeside(more[0]))
  const assessor = createAssessor()
  const now = assessor.assess(doc),
    airframe = assessor.airframe(doc)
  // Standard input comes once, and the file is read twice.
  const whole = file === '-' ? read() : null
  const verdict = await checkFile(
    () => (whole === null ? chunks() : [whole]),
    airframe,
    now,
    options.piece ?? null,
  )
  return {
    strangers: verdict.strangers,
    pieces: verdict.pieces.map(({ piece, name, rows, differs, foundG, wantedG, asFound }) => {
      const own = airframe.pieces.find(item => item.id === piece)!
      const as = differs.length > 0 ? assessor.assess(printedAsFound(doc, own, asFound)) : now
      return {
        piece,
        name,
        verdict: differs.length > 0 ? 'send back' : 'accept',
        foundG,
        wantedG,
        reserve: now.strength.reserve,
        reserveAsFound: as.strength.reserve,
        rows: rows.map(row => ({
          what: row.what,
          wanted: written(row.wanted),
          found: written(row.found),
          does: row.does === null ? null : written(row.does),
        })),
      }
    }),
  }
}
