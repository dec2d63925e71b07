/** What the flight stages report: plain data in the units people read. */
import type { SurfaceName } from '../../document'
import type { Words } from '../../units'

/** One strip of the half wing at the stall. */
export interface StallStrip {
  /** From the root, mm, and as a share of the half span. */
  sMm: number
  share: number
  chordMm: number
  reynolds: number
  cl: number
  /** Section limit, and one standard deviation of it. */
  limit: number
  band: number
}

/** The stall of the wing as it could be instead: asked for where somebody looks, not at every edit. */
export interface StallCase {
  id: 'drawn' | 'untwisted' | 'washout' | 'untapered'
  label: string
  speedMs: number
  placeShare: number
  tipMarginDeg: number
  cls: number[]
}

export interface ForeplaneStall {
  /** Incidence left in the canard when the wing stalls, trimmed, °; below none it lets go first, as it should. */
  marginDeg: number
  /** Slower than this, trimmed, the canard lets go and the nose drops, m/s. */
  nodsAtMs: number
}

export interface StallReport {
  /** Of a canard; null where there is none. */
  foreplane: ForeplaneStall | null
  /** The wing that lets go first; places are of that one. */
  surface: SurfaceName
  speedMs: number
  /** One standard deviation, from the section limits alone. */
  spreadMs: number
  clMax: number
  alphaDeg: number
  placeShare: number
  placeMm: number
  tipMarginDeg: number
  /** Where section limits come from. */
  source: 'measured' | 'computed' | 'both'
  strips: StallStrip[]
  /** Flaps, or ailerons drooped where there are none. */
  flap: {
    name: string
    deg: number
    drooped: boolean
    speedMs: number
    clMax: number
    pitchDeg: number
  } | null
}

export interface TrimRow {
  id: 'cruise' | 'glide' | 'slow'
  label: string
  payload: boolean
  speedMs: number
  cl: number
  /** Of the aircraft's x axis. */
  alphaDeg: number
  /** Trailing edge down positive; null without a pitch control. */
  controlDeg: number | null
  /** Pitching moment left over where no control holds it. */
  cmLeft: number
  glideRatio: number
  sinkMs: number
  /** What stands against it, or nothing. */
  trouble: Words
  /** More than a remark: it cannot be flown so, or only at the end of the throw. */
  serious: boolean
}

export interface ModeReport {
  id: 'phugoid' | 'short-period' | 'roll' | 'spiral' | 'dutch-roll'
  label: string
  periodS: number | null
  halfS: number
  grows: boolean
  dampingShare: number
  words: Words
  state: 'good' | 'tight' | 'poor'
}

export interface TurnInertia {
  rollKgM2: number
  pitchKgM2: number
  yawKgM2: number
}

export interface HandlingReport {
  speedMs: number
  /** About the balance with payload. */
  inertia: TurnInertia
  /** The same by what adds to it, in the order of the ledger; `id` is that of its row there. */
  inertiaOf: Array<TurnInertia & { id: string }>
  modes: ModeReport[]
  derivatives: Record<
    | 'Cl_beta'
    | 'Cn_beta'
    | 'CY_beta'
    | 'Cl_p'
    | 'Cn_p'
    | 'Cl_r'
    | 'Cn_r'
    | 'Cm_q'
    | 'CL_q'
    | 'Cm_alpha'
    | 'CL_alpha',
    number
  >
  readings: Array<{
    id: string
    label: string
    value: number
    words: Words
    state: 'good' | 'tight' | 'poor'
  }>
}

export interface ControlReport {
  /** Surface and index in the document, such as `wing:0`. */
  id: string
  name: string
  surface: SurfaceName
  index: number
  kind: string
  /** Chord behind the hinge at the inner end, mm, and throws there. */
  hingeChordMm: number
  atMm: number
  upMm: number
  downMm: number
  upDeg: number
  downDeg: number
  /** About the hinge at top speed with the greater throw, of everything one servo moves, N·cm. */
  hingeNcm: number
  servoName: string | null
  servoAngleDeg: number | null
  servoNeedsNcm: number | null
  servoHasNcm: number | null
  servoTravelDeg: number | null
  trouble: Words
}

export interface RateReport {
  axis: 'roll' | 'pitch' | 'yaw'
  control: string
  /**
   * At cruise with full throw: degrees a second in roll, load factor in pitch, sideslip in degrees in yaw.
   */
  response: number
  unit: string
  fullDeg: number
  highShare: number
  lowShare: number
  expo: number
  lowResponse: number
  highResponse: number
  /** Seconds to 63 % of the steady roll rate. */
  timeS: number | null
  words: Words
}
