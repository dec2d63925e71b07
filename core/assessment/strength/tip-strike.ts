/** A wingtip that strikes first: the wing under the blow. SI. */
import {
  sinkSpeed,
  tipStrike,
  type Modes,
  type SpanPoint,
  type StationLoad,
  type StationSection,
} from '../../structure'
import { GRAVITY, mmToM, q, say } from '../../units'
import type { CaseReport } from '../report'
import { caseOf } from './case-report'

export interface TipStrike {
  spanM: number
  /** Height that its sink is that of, mm. */
  dropMm: number
  /** kg·m² */
  rollInertia: number
  mass: number
  /** How stiff it was measured to be, of what is computed. */
  bending: number
}

/**
 * A wingtip that strikes first, at the sink speed of the brief's drop: how the wing fares, which no wing of
 * this kind is sized for.
 */
export function tipCase(
  { spanM: span, dropMm, rollInertia, mass, bending }: TipStrike,
  EI: readonly SpanPoint[],
  held: (load: (i: number) => StationLoad) => Modes[],
  sections: readonly StationSection[],
): CaseReport {
  const speed = sinkSpeed(mmToM(dropMm), GRAVITY)
  // Unit force at the tip: δ = ∫(L − s)²/EI ds.
  let give = 0
  for (let i = 1; i < EI.length; i++) {
    const a = EI[i - 1],
      b = EI[i],
      bend = (p: SpanPoint) => (span - p.s) ** 2 / Math.max(1e-6, p.value * bending)
    give += ((bend(a) + bend(b)) / 2) * (b.s - a.s)
  }
  const { force, tipMass } = tipStrike(
    speed,
    1 / Math.max(1e-12, give),
    mass,
    Math.max(1e-9, rollInertia),
    span,
  )
  const rows = held(i => ({ shear: force, moment: force * (span - mmToM(sections[i].s)), torque: 0, lag: 0 }))
  return caseOf(
    {
      id: 'tip',
      label: 'tip strikes first',
      words: say`${q(force, 'N', 0)} at the tip, ${q(1000 * tipMass, 'g', 0)} felt there, at ${q(speed, 'm/s', 2)}`,
    },
    rows,
    sections,
    false,
  )
}
