/**
 * A polar somebody measured, read from CSV: incidence in degrees, cl, cd and, if known, cm about the quarter
 * chord.
 */
import Papa from 'papaparse'
import { DocumentError, MeasuredPolar as Schema, pathText, type MeasuredPolar } from '../document'

const NAMES: Record<'alpha' | 'cl' | 'cd' | 'cm', RegExp> = {
  alpha: /^(alpha|α|aoa|incidence|angle)/i,
  cl: /^c[_ ]?l|^lift/i,
  cd: /^c[_ ]?d|^drag/i,
  cm: /^c[_ ]?m|^moment/i,
}

/**
 * Columns by their heading (alpha, cl, cd, cm in any order) or, without one, in that order; commas,
 * semicolons or tabs.
 * Lines that begin with # are comments. Rows are sorted by incidence. Throws `DocumentError` that names the
 * row.
 */
export function parsePolar(
  text: string,
  about: Pick<MeasuredPolar, 'aerofoil' | 'source' | 'reynolds'>,
): MeasuredPolar {
  const { data } = Papa.parse<string[]>(text.slice(0, 400_000).trim(), {
    comments: '#',
    skipEmptyLines: 'greedy',
  })
  if (data.length === 0) throw new DocumentError('', 'no rows: a polar is a table of alpha, cl, cd')
  const head = data[0].map(cell => cell.trim())
  const headed = !head.every(cell => cell !== '' && Number.isFinite(Number(cell)))
  const column = (name: keyof typeof NAMES, otherwise: number): number =>
    headed ? head.findIndex(cell => NAMES[name].test(cell)) : otherwise < head.length ? otherwise : -1
  const at = { alpha: column('alpha', 0), cl: column('cl', 1), cd: column('cd', 2), cm: column('cm', 3) }
  for (const name of ['alpha', 'cl', 'cd'] as const)
    if (at[name] < 0)
      throw new DocumentError('row 1', `no column for ${name}; head the columns alpha, cl, cd, cm`)
  const points = data
    .slice(headed ? 1 : 0)
    .map((row, i): [number, number, number, number] => {
      const value = (name: keyof typeof at) => {
        const cell = (row[at[name]] ?? '').trim()
        const number = Number(cell)
        if (cell === '' || !Number.isFinite(number))
          throw new DocumentError(
            `row ${i + (headed ? 2 : 1)}`,
            `"${cell.slice(0, 20)}" is not a number for ${name}`,
          )
        return number
      }
      return [value('alpha'), value('cl'), value('cd'), at.cm < 0 ? 0 : value('cm')]
    })
    .sort((a, b) => a[0] - b[0])
  points.forEach(([alpha], i) => {
    if (i > 0 && alpha === points[i - 1][0]) throw new DocumentError('', `incidence ${alpha}° is there twice`)
  })
  const checked = Schema.safeParse({ ...about, points })
  if (checked.success) return checked.data
  const { path, message } = checked.error.issues[0]
  throw new DocumentError(pathText(path), message)
}
