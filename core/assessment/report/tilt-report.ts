/** What becomes of an aircraft whose motors turn up. */
export interface TiltReport {
  /** Where they turn, at the outermost of them: x and z, mm. */
  axisMm: [x: number, z: number]
  upDeg: number
  /** What turns, both of a pair, g. */
  turnedG: number
  /** Turned up: middles of what turns, starboard or in the middle, mm. */
  places: Array<{ id: string; name: string; atMm: [x: number, y: number, z: number]; pair: boolean }>
  /** Balance point with them forward, as drawn, and up, mm. */
  forwardMm: [x: number, z: number]
  upMm: [x: number, z: number]
  /** How it would balance in flight with them up, % of the mean chord ahead of the neutral point. */
  marginUpPct: number
  /** Null without a drive that can be reckoned, or a propeller that turns. */
  lift: {
    /** Of the motors that turn, at rest, full throttle, fresh pack, N. */
    thrustN: number
    /** What the wing in their stream takes of it, of 1. */
    download: number
    /** What is left upwards, over the weight. */
    toWeight: number
    /** The thrust stands so far behind the balance point, mm; negative ahead of it. */
    leverMm: number
  } | null
  /** At the servo's arm: for thrust and weight off the axis, doubled; of each where there are two. Null without one. */
  servo: { name: string; asksNcm: number; hasNcm: number; reachesDeg: number } | null
  /** The spar that turns, in torsion; null with a shaft of their own. */
  spar: { name: string; torqueNcm: number; reserve: number; twistDeg: number } | null
  /** Least air between the discs turned up and the wing under them, mm; null where they stand clear of it. */
  gapMm: number | null
}
