/** What a load case says: the least reserve of all stations, and where. */
import { decide, type Modes, type StationSection } from '../../structure'
import type { CaseReport } from '../report'

/** `rows` by station; `counts`: whether the verdict does. */
export function caseOf(
  { id, label, words }: Pick<CaseReport, 'id' | 'label' | 'words'>,
  rows: readonly Modes[],
  sections: readonly StationSection[],
  counts: boolean,
): CaseReport {
  const found = rows.map(decide),
    least = found.reduce((best, row, i) => (row.reserve < found[best].reserve ? i : best), 0)
  return {
    id,
    label,
    words,
    reserve: found[least].reserve,
    mode: found[least].mode,
    atMm: sections[least].s,
    counts,
  }
}
