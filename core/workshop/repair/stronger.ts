/**
 * The piece anew in a stronger recipe, because it broke there: the slightest change that clearly helps at the
 * break.
 */
import type { Assessment, Assessor } from '../../assess'
import { admissible, apply, stops, type Step } from '../../change'
import type { ProjectFile } from '../../document'
import { LIBRARIES } from '../../libraries'
import { skinSteps } from '../spine'

/** It should bear so much more at the break, or nobody takes the trouble. */
const CLEARLY = 1.15
/** Places so near the break count for it, mm. */
const NEAR = 45
/** Recipes that are tried: beads and webs come first, filaments after. */
const TRIED = 6

export interface Stronger {
  step: Step
  after: Assessment
  /** The least reserve near the break, before and after. */
  localBefore: number
  localAfter: number
}

export function reserveNear({ strength }: Assessment, part: string, atMm: number): number {
  const own =
    part === 'wing'
      ? strength.stations.filter(({ s }) => Math.abs(s - atMm) <= NEAR).map(({ reserve }) => reserve)
      : strength.places.filter(place => place.part === part).map(({ reserve }) => reserve)
  return own.length ? Math.min(...own) : strength.reserve
}

export function stronger(
  assessor: Assessor,
  doc: ProjectFile,
  before: Assessment,
  { zone, part }: { zone: string; part: string },
  atMm: number,
): Stronger | null {
  const own = doc.zones.find(item => item.id === zone)
  if (!own) return null
  const localBefore = reserveNear(before, part, atMm)
  let best: Stronger | null = null
  for (const step of skinSteps(doc, own, LIBRARIES).slice(0, TRIED)) {
    const next = apply(doc, step.change)
    if (!admissible(next)) continue
    const after = assessor.assess(next)
    if (stops(after) > stops(before)) continue
    const localAfter = reserveNear(after, part, atMm)
    if (localAfter >= CLEARLY * localBefore) return { step, after, localBefore, localAfter }
    if (localAfter > (best?.localAfter ?? localBefore * 1.01)) best = { step, after, localBefore, localAfter }
  }
  return best
}
