/** Where this aircraft is at each station of the flight path. */
import type { Assessment } from '../../core/assess'
import type { ProjectFile } from '../../core/document'
import { readiness } from '../../core/workshop/readiness'

export type StationState = 'settled' | 'going' | 'attention' | 'untouched'

/** A wing that bends so much more than computed is not the wing that was computed. */
export const SOFT = 0.75

/** Stations whose state is not told by their findings alone; null leaves it to them. */
const STATES: Record<string, (doc: ProjectFile, assessment: Assessment) => StationState | null> = {
  weigh: (doc, { findings, totals, pieces }) => {
    if (doc.weighIns.length === 0) return 'untouched'
    if (findings.some(({ stations }) => stations.includes('weigh'))) return 'attention'
    return totals.weighedCount < pieces.length ? 'going' : 'settled'
  },
  field: (doc, assessment) => {
    const { verdict, items } = readiness(doc, assessment)
    if (verdict !== 'open') return verdict === 'go' ? 'settled' : 'attention'
    return items.some(item => item.byHand && item.state === 'go') ? 'going' : 'untouched'
  },
  // How many steps there are is the workshop's to say; the last one is known.
  build: ({ build }) => {
    if (build.ticks.length === 0) return 'untouched'
    return build.ticks.some(tick => tick.step === 'balance' && tick.state === 'done') ? 'settled' : 'going'
  },
  // There is something left to choose as long as a wing misses its target.
  choose: (_doc, { verdicts }) =>
    Object.values(verdicts).some(({ state }) => state === 'failing') ? 'going' : 'settled',
  prove: (doc, { strength }) => {
    if (doc.proofs.length === 0) return 'untouched'
    if (strength.proofs.some(({ ratio }) => ratio !== null && ratio < SOFT)) return 'attention'
    return doc.proofs.some(({ measured }) => measured === null) ? 'going' : 'settled'
  },
  log: doc => (doc.flights.length ? 'going' : 'untouched'),
}

/** A finding that stops the build wants attention wherever it is shown. */
export function stationState(id: string, doc: ProjectFile, assessment: Assessment): StationState {
  const found = assessment.findings.filter(({ stations }) => (stations as readonly string[]).includes(id))
  if (found.some(({ severity }) => severity === 'stop')) return 'attention'
  const own = STATES[id]?.(doc, assessment)
  if (own) return own
  return found.length ? 'going' : 'settled'
}
