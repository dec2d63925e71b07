/** What the strength stages report: plain data in the units people read. */
import type { CornerId, Gives, StationStrength } from '../../structure'
import type { Words } from '../../units'

export interface CaseReport {
  id: CornerId | 'launch' | 'landing' | 'tip'
  label: string
  /** What was taken, in words with figures. */
  words: Words
  /** Least reserve of the wing under it, by what, and where. */
  reserve: number
  mode: string
  atMm: number
  /** An accident is shown and not counted in the verdict. */
  counts: boolean
}

/** A place off the wing that carries: the boom, the body, a leg. */
export interface PlaceReport {
  id: string
  part: 'boom' | 'body' | 'gear' | 'mount' | 'strut' | 'second' | 'winglet' | 'horizontal' | 'vertical'
  label: string
  /** mm aft of the nose. */
  xMm: number
  mode: string
  gives: Gives
  case: string
  reserve: number
  /** What was applied and what is borne, in words with figures. */
  words: Words
  /** The one thing that would mend it. */
  remedy: Words
  /** An edit aid: the leg, the opening or the like. */
  subject: string
}

export interface TwistReport {
  /** Of two wings the one that must be flown slower. */
  surface: 'wing' | 'second'
  /** Nose up positive, °; in the pull-up at the speed of manoeuvres, and at 1 g and top speed. */
  pullDeg: number
  diveDeg: number
  /** Along the span in that pull-up. */
  along: Array<{ s: number; deg: number }>
  /** Up-bend of the tip under the governing load, mm. */
  tipRiseMm: number
  /** m/s; null where it cannot arise. */
  divergenceMs: number | null
  flutterMs: number | null
  /** Share of the ailerons' roll that is left at top speed, and where they reverse; null without ailerons. */
  aileron: { left: number; reversalMs: number | null } | null
  /** 80 % of the lesser of both; null where neither can arise. */
  cautionMs: number | null
  bendingHz: number
  twistHz: number
}

export interface BoomReport {
  lengthMm: number
  /** Share of a force on the tail that is left at cruise and at top speed, up or down and sideways. */
  leftCruise: { pitch: number; yaw: number }
  leftTop: { pitch: number; yaw: number }
  /** With the rudder hard over at cruise, °. */
  twistDeg: number
  /** At touchdown. */
  whip: { force: number; factor: number; periodS: number; sinkMs: number }
}

export interface GearReport {
  /** Travel and peak of the drop in the brief. */
  travelMm: number
  peakN: number
  factor: number
  heightMm: number
  sinkMs: number
  /** Where the energy went: what fell, and what was taken up, J. */
  fallJ: number
  workJ: number
  on: 'legs' | 'belly' | 'net'
  bottoms: string[]
  springs: SpringReport[]
  /** How far each printed tyre is counted as giving, by the id of its leg, mm. */
  tyres: Array<{ leg: string; givesMm: number }>
}

/** A spring as it is wound. */
export interface SpringReport {
  /** Id of its leg. */
  leg: string
  rateNmm: number
  /** To the leg's stop, or until it is solid, which comes first. */
  travelMm: number
  solid: boolean
  /** Of what its wire bears, at the end of that. */
  share: number
  /** Coil over wire, and length over coil. */
  index: number
  slender: number
}

export interface ProofReport {
  id: string
  kind: 'trestles' | 'root' | 'twist' | 'drop'
  /** Deflection or travel in mm, or twist in °, that is computed without corrections. */
  predicted: number
  unit: 'mm' | '°'
  /**
   * Load factor with the same moment, where it is proved least and most; of a drop the peak over the weight.
   */
  equivalent: number
  /** Reach along the span over which at least the brief's load factor is proved, mm; null where nowhere. */
  provenTo: number | null
  /** Greatest strain of the skin and the least reserve while testing, factor of safety left out. */
  strainPct: number
  reserve: number
  mode: string
  atMm: number
  /** Measured stiffness over computed; null until measured. */
  ratio: number | null
  proves: Words
  provesNot: Words
}

export interface StrengthFigures {
  /** The least of all that counts. */
  reserve: number
  mode: string
  gives: Gives
  part: 'wing' | PlaceReport['part']
  /** From the root along the wing, or aft of the nose, mm. */
  atMm: number
  /** Where, in words. */
  where: Words
  case: string
  /** What the plastic was reckoned at: the brief's air and colour, in flight, °C. */
  temperatureC: number
  stations: readonly StationStrength[]
  /**
   * Where the skin shows buckles first, as a multiple of the loads with the factor of safety in, and the least share
   * of stiffness that is left under them.
   */
  buckling: { reserve: number; atMm: number; bendingLeft: number; torsionLeft: number }
  wing: { reserve: number; mode: string; atMm: number; case: string }
  lift: Array<{ s: number; perLength: number }>
  cases: CaseReport[]
  places: PlaceReport[]
  twist: TwistReport
  boom: BoomReport | null
  gear: GearReport
  proofs: ProofReport[]
  /**
   * Measured over computed stiffness in bending and in twist, and by how many tests; 1 where there are none.
   */
  measured: { bending: number; twist: number; bendingTests: number; twistTests: number }
}
