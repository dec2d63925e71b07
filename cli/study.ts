import { readBeside } from './input'
import { LIMITS } from './parse'
import { DocumentError, parseJson, readProject } from '../core/document'
import { createStudyKernel, readVary, study, type StudyPoint } from '../core/study/combinations'
import type { Arguments } from './answer'
import { written } from '../core/units'

/** Every combination of the options in `--vary FILE`, and the front of weight, hours, cost and reserve. */
export async function studyVerb({ read, options }: Arguments): Promise<unknown> {
  if (!options.vary)
    throw new DocumentError(
      '--vary',
      'names a JSON file of what may vary: {"zones": {"wing-outer": [{"filament": "pla-foam"}, …]}}',
    )
  const doc = readProject(read())
  const { evaluated, front, sure, nearly, checked } = await study(
    createStudyKernel(),
    doc,
    readVaryFile(options.vary),
    () => true,
  )
  const row = ({ choices, massG, staticMarginPct, reserveFactor, hours, cost, chance }: StudyPoint) => ({
    choices,
    massG,
    staticMarginPct,
    reserveFactor,
    hours,
    cost,
    chance,
  })
  return {
    evaluated,
    front: front.map(row),
    surest: sure.map(row),
    nearly: nearly.map(point => ({ ...row(point), broken: point.broken.map(written) })),
    checked,
  }
}

function readVaryFile(path: string) {
  const text = readBeside(path, '--vary')
  let raw: unknown
  try {
    raw = parseJson(text, 'a space', LIMITS)
  } catch (fault) {
    if (fault instanceof DocumentError) throw new DocumentError('--vary', `${path}: ${fault.reason}`)
    throw fault
  }
  try {
    return readVary(raw)
  } catch (fault) {
    if (fault instanceof DocumentError) throw new DocumentError(`--vary: ${fault.path}`, fault.reason)
    throw fault
  }
}
