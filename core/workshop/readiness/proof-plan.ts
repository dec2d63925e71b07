/**
 * A test to begin with: masses and places that prove the brief's load factor, or show the stiffness without
 * harm.
 */
import type { Assessment } from '../../assess'
import type { Proof, ProjectFile } from '../../document'
import { degToRad, GRAVITY, mmToM } from '../../units'

/** A test should leave this much in hand of what the wing bears without factor of safety. */
const IN_HAND = 1.3
/** A twist that can be read well and harms nothing, °. */
const TWIST_DEG = 2

/**
 * Trestles stand at 55 % of the half span: the load between them is chosen to bend the root like the brief's
 * load factor. Held at the root, a mass near the tip bends it like 2 g. A twist of about 2° or what is safe;
 * a drop from the brief's height.
 */
export function suggestProof(
  doc: ProjectFile,
  { strength, totals, loads }: Assessment,
  kind: Proof['kind'],
  date: string,
): Proof {
  let n = 1
  while (doc.proofs.some(proof => proof.id === `proof-${n}`)) n++
  const half = doc.wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
  const root = strength.stations[0]
  // Root moment at 1 g; of the governing load the stations tell.
  const perG = Math.max(1e-6, root.moment / loads.governing.n)
  // As strong as it is: a test must not break what the weakest place bears.
  const safe = (strength.wing.reserve * doc.brief.safetyFactor) / IN_HAND
  const base = { id: `proof-${n}`, measured: null, date, note: '', armMm: 0 }
  const grams = (newtons: number) => Math.max(10, Math.round((1000 * newtons) / GRAVITY / 10) * 10)
  if (kind === 'trestles') {
    const atMm = Math.round(0.55 * half)
    const factor = doc.brief.loadFactor * Math.min(1, safe)
    return { ...base, kind, atMm, massG: grams((2 * factor * perG) / mmToM(atMm)) }
  }
  if (kind === 'root') {
    const atMm = Math.round(0.8 * half)
    return { ...base, kind, atMm, massG: grams((Math.min(2, safe) * perG) / mmToM(atMm)) }
  }
  if (kind === 'twist') {
    const stiff = strength.stations.map(station => station.GJ),
      atMm = Math.round(0.9 * half),
      armMm = 150
    const mean = stiff.length / stiff.reduce((sum, value) => sum + 1 / Math.max(1e-6, value), 0)
    return {
      ...base,
      kind,
      atMm,
      armMm,
      massG: grams((degToRad(TWIST_DEG) * mean) / mmToM(atMm) / mmToM(armMm)),
    }
  }
  return { ...base, kind, atMm: doc.brief.dropMm, massG: Math.round(totals.massG) }
}
