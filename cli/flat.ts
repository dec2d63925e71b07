import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { createAssessor } from '../core/assess'
import { DocumentError, readProject } from '../core/document'
import { flatParts, flatSheets, sheetDxf, sheetSvg } from '../core/workshop/flat'
import type { Arguments } from './answer'

/** As plywood and foam board are often sold, in half, mm. */
const USUAL = '600x300'
const LEAST = 50,
  MOST = 3000

function sizeOf(text: string): [number, number] {
  const found = /^(\d+(?:\.\d+)?)x(\d+(?:\.\d+)?)$/.exec(text)
  const size = found?.slice(1).map(Number) as [number, number] | undefined
  if (!size || size.some(side => side < LEAST || side > MOST))
    throw new DocumentError('--sheet', `wants width x height in mm, each ${LEAST} to ${MOST}, as in ${USUAL}`)
  return size
}

/** Flat parts of a project on sheets; with `--out` as SVG and DXF in a folder. */
export async function flatVerb({ options, read }: Arguments): Promise<unknown> {
  const doc = readProject(read())
  const size = sizeOf(options.sheet ?? USUAL)
  const assessor = createAssessor()
  const parts = flatParts(assessor.airframe(doc), assessor.assess(doc))
  const { sheets, tooLarge } = flatSheets(parts, size)
  const files: string[] = []
  if (options.out) {
    const put = (name: string, text: string) => {
      writeFileSync(join(options.out, name), text)
      files.push(join(options.out, name))
    }
    try {
      mkdirSync(options.out, { recursive: true })
      for (const [i, placed] of sheets.entries()) {
        put(`sheet-${i + 1}.svg`, sheetSvg(placed, size))
        put(`sheet-${i + 1}.dxf`, await sheetDxf(placed))
      }
    } catch (fault) {
      throw new DocumentError('--out', `${options.out} cannot be written: ${(fault as Error).message}`)
    }
  }
  return {
    parts: parts.map(({ id, mark, name, count, thicknessMm, widthMm, heightMm }) => ({
      id,
      mark,
      name,
      count,
      thicknessMm,
      widthMm,
      heightMm,
    })),
    sheets: sheets.map(placed =>
      placed.map(({ part, xMm, yMm, turned }) => ({ mark: part.mark, xMm, yMm, turned })),
    ),
    tooLarge: tooLarge.map(part => part.mark),
    files,
  }
}
