/** Wishes that log, damage, diagnosis and findings suggest, with why. The maker takes them up or leaves them. */
import type { Assessment } from '../../assess'
import type { ProjectFile, Wish } from '../../document'
import { q, say, type Words } from '../../units'
import type { Diagnosis } from '../diagnosis'
import { partHistories } from '../repair'
import { actsFor } from './acts'

export interface Suggestion {
  key: string
  text: Words
  from: Wish['from']
  act: string | null
}

/** Causes less likely than this change no design. */
const LIKELY = 0.5

export function suggestions(
  doc: ProjectFile,
  assessment: Assessment,
  diagnosis: Diagnosis | null,
): Suggestion[] {
  const acts = actsFor(doc)
  const has = (id: string) => (acts.some(act => act.id === id) ? id : null)
  const found: Suggestion[] = []
  for (const flight of doc.flights)
    if (flight.next.trim())
      found.push({
        key: `flight ${flight.id}`,
        text: flight.next.trim().slice(0, 400),
        from: 'flight',
        act: null,
      })
  for (const history of partHistories(doc))
    for (const { atMm, times } of history.again) {
      const zone = assessment.pieces.find(item => item.id === history.piece)?.zone
      const skin = acts.find(act => zone && act.id.startsWith(`skin.${zone}-`))
      found.push({
        key: `again ${history.piece} ${Math.round(atMm)}`,
        text: say`${history.piece} broke ${times} times at ${q(atMm, 'mm', 0)}: make it stronger there`,
        from: 'damage',
        act:
          history.piece === 'boom' ? has('boom.larger') : (skin?.id ?? has(`spar.${history.piece}.larger`)),
      })
    }
  for (const cause of diagnosis?.tooLittle ? [] : (diagnosis?.causes ?? [])) {
    if (cause.chance < LIKELY) continue
    const act = actOf(cause.code, cause.amount)
    if (act)
      found.push({
        key: `cause ${cause.code}`,
        text: say`${cause.what} (${q(100 * cause.chance, '%', 0)}): take it out of the trim`,
        from: 'diagnosis',
        act: has(act),
      })
  }
  for (const finding of assessment.findings)
    if (finding.severity === 'stop')
      found.push({ key: `finding ${finding.code}`, text: finding.text, from: 'finding', act: null })
  return found
}

function actOf(code: string, amount: number): string | null {
  if (code === 'incidence') return amount > 0 ? 'tail.down' : 'tail.up'
  if (code === 'thrust-line') return amount > 0 ? 'thrust.down' : 'thrust.up'
  if (code === 'cg') return amount > 0 ? 'pack.fore' : 'pack.aft'
  return null
}
