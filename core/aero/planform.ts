/** Area, mean aerodynamic chord and its place, from straight-tapered panels. Any one unit of length. */

export interface PlanStation {
  span: number
  lead: number
  chord: number
}

/**
 * Of one half, from root to tip; integrals of trapezia in closed form. `macLead` is the leading edge of the
 * mean chord.
 */
export function planform(stations: readonly PlanStation[]): {
  area: number
  mac: number
  macLead: number
  macSpan: number
} {
  let area = 0,
    square = 0,
    leadMoment = 0,
    spanMoment = 0
  for (let i = 0; i + 1 < stations.length; i++) {
    const { span: s0, lead: l0, chord: a } = stations[i]
    const { span: s1, lead: l1, chord: b } = stations[i + 1]
    const d = s1 - s0
    area += (d * (a + b)) / 2
    square += (d * (a * a + a * b + b * b)) / 3
    // ∫ chord·lead ds and ∫ chord·s ds for both running linearly.
    leadMoment += (d * (2 * a * l0 + a * l1 + b * l0 + 2 * b * l1)) / 6
    spanMoment += (d * (2 * a * s0 + a * s1 + b * s0 + 2 * b * s1)) / 6
  }
  return { area, mac: square / area, macLead: leadMoment / area, macSpan: spanMoment / area }
}
