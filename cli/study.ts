import { readFileSync } from 'node:fs'
import { DocumentError, readProject } from '../core/document'
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
  let text: string
  try {
    text = readFileSync(path, 'utf8')
  } catch {
    throw new DocumentError('--vary', `${path}: cannot be read`)
  }
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch (fault) {
    throw new DocumentError('--vary', `${path}: not JSON: ${(fault as Error).message.slice(0, 100)}`)
  }
  try {
    return readVary(raw)
  } catch (fault) {
    if (fault instanceof DocumentError) throw new DocumentError(`--vary: ${fault.path}`, fault.reason)
    throw fault
  }
}
