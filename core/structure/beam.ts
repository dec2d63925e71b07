/**
 * Slender beams by direct integration: exact for the piecewise-linear loads and stiffness that are put in.
 * SI.
 */

export interface BeamLoad {
  x: number
  force: number
}
/**
 * Force per length, N/m, running linearly between points; nothing outside them. Down is positive, like a
 * weight.
 */
export interface LineLoad {
  x: number
  load: number
}
export interface BeamInput {
  length: number
  support: 'cantilever' | 'simple'
  /** Bending stiffness E·I, N·m², linear between stations, held at the ends. */
  stations: ReadonlyArray<{ x: number; EI: number }>
  loads: readonly BeamLoad[]
  distributed: readonly LineLoad[]
}
export interface BeamResult {
  maxMoment: number
  maxShear: number
  /** Deflection along the loads, m; at the free end of a cantilever, or of a simple beam nil. */
  tipDeflection: number
  maxDeflection: number
  reactions: { force: number[]; moment: number[] }
}

/**
 * Bernoulli–Euler: small deflections, no shear flexibility. A cantilever is held at x = 0; a simple beam at
 * both ends.
 */
export function solveBeam(beam: BeamInput): BeamResult {
  const { length } = beam
  const nodes = gridNodes(beam)
  const total = loadBeyond(beam, 0, true)
  const moment0 = momentBeyond(beam, 0)
  const rightReaction = beam.support === 'simple' ? moment0 / length : 0
  const shear = (x: number, justAfter: boolean) => loadBeyond(beam, x, !justAfter) - rightReaction
  const moment = (x: number) => momentBeyond(beam, x) - rightReaction * (length - x)
  let maxShear = 0,
    maxMoment = 0
  for (const x of nodes) {
    maxShear = Math.max(
      maxShear,
      Math.abs(shear(x, true)),
      x === 0 ? Math.abs(shear(0, true)) : Math.abs(shear(x, false)),
    )
    maxMoment = Math.max(maxMoment, Math.abs(moment(x)))
  }
  const { tip, max } = deflections(beam, nodes, moment)
  return {
    maxMoment,
    maxShear,
    tipDeflection: beam.support === 'simple' ? 0 : tip,
    maxDeflection: max,
    reactions:
      beam.support === 'simple'
        ? { force: [total - rightReaction, rightReaction], moment: [0, 0] }
        : { force: [total], moment: [moment0] },
  }
}

/** Fine grid that holds every load, station and end. */
function gridNodes({ length, stations, loads, distributed }: BeamInput): number[] {
  const marks = [0, length, ...stations.map(s => s.x), ...loads.map(l => l.x), ...distributed.map(d => d.x)]
    .filter(x => x >= 0 && x <= length)
    .sort((a, b) => a - b)
  const nodes: number[] = []
  marks.forEach((a, i) => {
    if (i > 0 && a - marks[i - 1] < 1e-12 * length) return
    const next = marks.find(x => x > a + 1e-12 * length)
    nodes.push(a)
    if (next === undefined) return
    const steps = Math.max(2, 2 * Math.ceil((100 * (next - a)) / length))
    for (let k = 1; k < steps; k++) nodes.push(a + ((next - a) * k) / steps)
  })
  return nodes
}

function loadBeyond({ loads, distributed }: BeamInput, x: number, including: boolean): number {
  let sum = 0
  for (const load of loads) if (load.x > x || (including && load.x === x)) sum += load.force
  return sum + lineIntegral(distributed, x, false)
}

function momentBeyond({ loads, distributed }: BeamInput, x: number): number {
  let sum = 0
  for (const load of loads) if (load.x > x) sum += load.force * (load.x - x)
  return sum + lineIntegral(distributed, x, true)
}

/** ∫ q dξ, or ∫ q (ξ − x) dξ, from x outward, in closed form for a piecewise-linear q. */
function lineIntegral(points: readonly LineLoad[], x: number, arm: boolean): number {
  let sum = 0
  for (let i = 0; i + 1 < points.length; i++) {
    const p = points[i],
      q = points[i + 1]
    const a = Math.max(p.x, x),
      b = q.x
    if (b <= a) continue
    const slope = (q.load - p.load) / (q.x - p.x)
    const qa = p.load + slope * (a - p.x)
    const d = b - a
    sum += arm
      ? (qa * d * d) / 2 + (slope * d ** 3) / 3 + (a - x) * (qa * d + (slope * d * d) / 2)
      : qa * d + (slope * d * d) / 2
  }
  return sum
}

function stiffnessAt(stations: BeamInput['stations'], x: number): number {
  const next = stations.findIndex(s => s.x >= x)
  if (next === 0) return stations[0].EI
  if (next < 0) return stations[stations.length - 1].EI
  const a = stations[next - 1],
    b = stations[next]
  return a.EI + ((b.EI - a.EI) * (x - a.x)) / (b.x - a.x)
}

/** Curvature M/EI integrated twice by Simpson on each cell of the grid. */
function deflections(
  beam: BeamInput,
  nodes: readonly number[],
  moment: (x: number) => number,
): { tip: number; max: number } {
  const curvature = (x: number) => moment(x) / stiffnessAt(beam.stations, x)
  const slope = [0],
    sag = [0]
  for (let i = 1; i < nodes.length; i++) {
    const a = nodes[i - 1],
      b = nodes[i],
      h = b - a
    const ka = curvature(a),
      km = curvature((a + b) / 2),
      kb = curvature(b)
    slope.push(slope[i - 1] + (h * (ka + 4 * km + kb)) / 6)
    // ∫∫ of the parabola through the three curvatures.
    sag.push(sag[i - 1] + slope[i - 1] * h + (h * h * (ka + 2 * km)) / 6)
  }
  const last = nodes.length - 1
  // A simple beam's chord runs through both supports.
  const turn = beam.support === 'simple' ? -sag[last] / beam.length : 0
  const values = nodes.map((x, i) => sag[i] + turn * x)
  return { tip: values[last], max: Math.max(...values.map(Math.abs)) }
}
