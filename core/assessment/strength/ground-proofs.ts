/**
 * Tests of strength and stiffness on the ground: what is to be seen, what that proves, and what a measurement
 * says of the stiffness. SI inside.
 */
import type { Proof } from '../../document'
import {
  decide,
  lineAt,
  solveBeam,
  stationModes,
  type SpanPoint,
  type StationBuild,
  type StationSection,
} from '../../structure'
import { zoneOr } from '../../geometry'
import { GRAVITY, gToKg, mmToM, mToMm, radToDeg, q, say } from '../../units'
import type { GearStage } from './landing-gear'
import type { Designed } from '../resolve'
import type { ProofReport } from '../report'

export interface ProofGround {
  airframe: Designed
  /** Stations and what they are made of, m from the root. */
  places: readonly number[]
  sections: readonly StationSection[]
  builds: readonly StationBuild[]
  zoneAt(s: number): ReturnType<typeof zoneOr>
  /** Moment in flight at 1 g by station, N·m. */
  flightMoment: readonly number[]
  /** Computed stiffness along the span, not corrected. */
  EI: readonly SpanPoint[]
  GJ: readonly SpanPoint[]
  /** Drops another mass from another height. */
  fall(massG: number, heightMm: number): GearStage
}

export function proofOf(ground: ProofGround, proof: Proof): ProofReport {
  if (proof.kind === 'drop') return dropped(ground, proof)
  return proof.kind === 'twist' ? twisted(ground, proof) : bent(ground, proof)
}

/** Moment along the half wing of the test, N·m, positive as in flight. */
function testMoment({ airframe }: ProofGround, { kind, massG, atMm }: Proof): (s: number) => number {
  const at = Math.min(mmToM(atMm), mmToM(airframe.wing.span)),
    force = gToKg(massG) * GRAVITY
  // Each trestle bears half of what hangs in the middle.
  const up = kind === 'trestles' ? force / 2 : force
  return s => (s < at ? up * (at - s) : 0)
}

function bent(ground: ProofGround, proof: Proof): ProofReport {
  const { airframe, places, EI, flightMoment } = ground,
    { brief } = airframe.doc
  const at = Math.min(mmToM(proof.atMm), mmToM(airframe.wing.span))
  const moment = testMoment(ground, proof)
  const force = (gToKg(proof.massG) * GRAVITY) / (proof.kind === 'trestles' ? 2 : 1)
  // Both halves bend alike, so each is a cantilever held in the middle.
  const deflection =
    at < 0.005
      ? 0
      : solveBeam({
          length: at,
          support: 'cantilever',
          stations: EI.filter(p => p.s <= at).map(p => ({ x: p.s, EI: Math.max(1e-6, p.value) })),
          loads: [{ x: at, force }],
          distributed: [],
        }).tipDeflection
  const equivalents = places.map((s, i) => ({
    s,
    n: flightMoment[i] > 1e-4 ? moment(s) / flightMoment[i] : 0,
  }))
  const root = equivalents[0]?.n ?? 0
  let provenTo: number | null = null
  for (const { s, n } of equivalents) {
    if (n < brief.loadFactor) break
    provenTo = mToMm(s)
  }
  const weakest = weakestUnder(ground, moment, () => 0)
  return {
    id: proof.id,
    kind: proof.kind,
    predicted: mToMm(deflection),
    unit: 'mm',
    equivalent: root,
    provenTo,
    ...weakest,
    ratio: ratioOf(mToMm(deflection), proof.measured),
    proves: say`Bending at the root like ${q(root, 'gₙ', 1)}${provenTo !== null && root >= brief.loadFactor ? say`, and ${q(brief.loadFactor, 'gₙ')} or more out to ${q(provenTo, 'mm', 0)}` : ''}; and how stiff the wing really is.`,
    provesNot: say`Nothing outboard of ${q(mToMm(at), 'mm', 0)}, no twist, no gust, no layer that tires; ${root < brief.loadFactor * brief.safetyFactor ? `the factor of ${brief.safetyFactor} is not reached` : 'the factor of safety is reached at the root alone'}.`,
  }
}

function twisted(ground: ProofGround, proof: Proof): ProofReport {
  const { airframe, GJ } = ground
  const at = Math.min(mmToM(proof.atMm), mmToM(airframe.wing.span)),
    torque = gToKg(proof.massG) * GRAVITY * mmToM(proof.armMm)
  const steps = 200
  let angle = 0
  for (let i = 0; i < steps; i++)
    angle += (torque * at) / steps / Math.max(1e-6, lineAt(GJ, ((i + 0.5) * at) / steps))
  return {
    id: proof.id,
    kind: 'twist',
    predicted: radToDeg(angle),
    unit: '°',
    equivalent: 0,
    provenTo: null,
    ...weakestUnder(
      ground,
      () => 0,
      s => (s < at ? torque : 0),
    ),
    ratio: ratioOf(radToDeg(angle), proof.measured),
    proves: say`How stiff the wing is in twist out to ${q(mToMm(at), 'mm', 0)}, which sets divergence, flutter and what the ailerons do.`,
    provesNot: 'No strength in bending; controls and hinges are not in it.',
  }
}

function dropped({ fall }: ProofGround, proof: Proof): ProofReport {
  const { report, places } = fall(proof.massG, proof.atMm)
  const worst = places.reduce<{ reserve: number; mode: string; xMm: number } | null>(
    (a, b) => (a && a.reserve <= b.reserve ? a : b),
    null,
  )
  return {
    id: proof.id,
    kind: 'drop',
    predicted: report.travelMm,
    unit: 'mm',
    equivalent: report.factor,
    provenTo: null,
    strainPct: 0,
    reserve: worst?.reserve ?? 1e4,
    mode: worst?.mode ?? 'belly',
    atMm: worst?.xMm ?? 0,
    ratio: ratioOf(report.travelMm, proof.measured),
    proves: say`That ${report.on === 'legs' ? 'legs and mounts bear' : 'the belly bears'} ${q(report.factor, '', 1)} times the weight, straight down.`,
    provesNot: 'No sideways or one-wheel landing, no stone or rut, and nothing of the wing in the air.',
  }
}

/** Least reserve and greatest strain under a test, without factor of safety. */
function weakestUnder(
  { places, sections, builds, zoneAt }: ProofGround,
  moment: (s: number) => number,
  torque: (s: number) => number,
): Pick<ProofReport, 'strainPct' | 'reserve' | 'mode' | 'atMm'> {
  let least = { reserve: 1e4, mode: 'nothing', atMm: 0 },
    strain = 0
  places.forEach((s, i) => {
    const { recipe } = zoneAt(mToMm(s)),
      m = moment(s),
      step = 1e-3
    const modes = stationModes(
      sections[i],
      builds[i],
      recipe,
      { shear: (moment(Math.max(0, s - step)) - m) / step, moment: m, torque: torque(s), lag: 0 },
      1,
    )
    const found = decide(modes)
    if (found.reserve < least.reserve) least = { ...found, atMm: mToMm(s) }
    const { bending } = builds[i].shear
    strain = Math.max(
      strain,
      bending.EIx > 0
        ? (m / bending.EIx) * Math.max(...builds[i].section.y.map(y => Math.abs(y - bending.y)))
        : 0,
    )
  })
  return { strainPct: 100 * strain, ...least }
}

const ratioOf = (predicted: number, measured: number | null): number | null =>
  measured === null || measured <= 0 || predicted <= 0 ? null : predicted / measured

/** Geometric mean of what tests say, held to what a wing built as drawn can be off by. */
export function measuredStiffness(reports: readonly ProofReport[]): {
  bending: number
  twist: number
  bendingTests: number
  twistTests: number
} {
  const mean = (kinds: ReadonlyArray<ProofReport['kind']>) => {
    const ratios = reports
      .filter(report => kinds.includes(report.kind) && report.ratio !== null)
      .map(report => Math.log(Math.min(5, Math.max(0.2, report.ratio!))))
    return {
      value: ratios.length ? Math.exp(ratios.reduce((sum, r) => sum + r, 0) / ratios.length) : 1,
      count: ratios.length,
    }
  }
  const bending = mean(['trestles', 'root']),
    twist = mean(['twist'])
  return { bending: bending.value, twist: twist.value, bendingTests: bending.count, twistTests: twist.count }
}
