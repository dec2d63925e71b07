/**
 * Vortex lattice of horseshoes on flat chord lines: bound vortex at the quarter of each panel, condition at its
 * three-quarter point, trailing legs straight aft (Katz & Plotkin, Low-Speed Aerodynamics, ch. 12). Camber and
 * twist enter through the slope of the mean line, to first order. Incompressible, small angles, no separation. SI.
 */
import { factorise, solve, type Factorised } from './dense-solve'
import { addHorseshoe } from './horseshoe'

export interface LatticeStation { x: number, y: number, z: number, chord: number, twist: number, slopeAt(chordShare: number): number }

export interface LatticeSurface {
  name: string
  /** Add the port half. */
  mirror: boolean
  chordwise: number
  /** Panels in each bay between neighbouring stations. */
  spanwise: number
  spacing: 'uniform' | 'cosine'
  stations: readonly LatticeStation[]
}

/** Panels as flat arrays; strip s holds panels s·chordwise … of its surface, nose first. */
export interface Panels {
  count: number
  /** Bound vortex ends A (inboard) and B, condition point, unit normal: three numbers a panel. */
  a: Float64Array
  b: Float64Array
  control: Float64Array
  normal: Float64Array
  /** Angle by which camber and twist raise the panel against the flow, rad. */
  slope: Float64Array
  strips: Strip[]
}

export interface Strip { surface: string, first: number, panels: number, chord: number, y: number, z: number, x: number, width: number, mirrored: boolean, span: number }

export function layPanels(surfaces: readonly LatticeSurface[]): Panels {
  const count = surfaces.reduce((sum, s) => sum + s.chordwise * s.spanwise * (s.stations.length - 1), 0)
  const panels: Panels = {
    count, a: new Float64Array(3 * count), b: new Float64Array(3 * count), control: new Float64Array(3 * count),
    normal: new Float64Array(3 * count), slope: new Float64Array(count), strips: [],
  }
  let at = 0
  for (const surface of surfaces) {
    const bays = surface.stations.length - 1
    const edges = stripEdges(surface)
    const middles = conditionPlaces(edges.map(edge => edge.span), surface.mirror && Math.abs(surface.stations[0].y) < 1e-9)
    for (let strip = 0; strip + 1 < edges.length; strip++) {
      const bay = Math.min(bays - 1, Math.floor(strip / surface.spanwise))
      const p = surface.stations[bay], q = surface.stations[bay + 1]
      const { from, length } = bayOf(surface, bay)
      const t = (span: number) => (length === 0 ? 0 : (span - from) / length)
      at = layStrip(panels, at, surface, p, q, t(edges[strip].span), t(edges[strip + 1].span), t(middles[strip]), (edges[strip].span + edges[strip + 1].span) / 2)
    }
  }
  return panels
}

const place = (i: number, { spanwise, spacing }: LatticeSurface): number =>
  spacing === 'uniform' ? i / spanwise : (1 - Math.cos((Math.PI * i) / spanwise)) / 2

function bayOf({ stations }: LatticeSurface, bay: number): { from: number, length: number } {
  let from = 0
  for (let i = 1; i <= bay + 1; i++) {
    const length = Math.hypot(stations[i].y - stations[i - 1].y, stations[i].z - stations[i - 1].z)
    if (i === bay + 1) return { from, length }
    from += length
  }
  return { from, length: 0 }
}

function stripEdges(surface: LatticeSurface): Array<{ span: number }> {
  const edges = [{ span: 0 }]
  for (let bay = 0; bay + 1 < surface.stations.length; bay++) {
    const { from, length } = bayOf(surface, bay)
    for (let i = 1; i <= surface.spanwise; i++) edges.push({ span: from + length * place(i, surface) })
  }
  return edges
}

/**
 * Where the condition points of each strip lie along the span: halfway in the strip's index, by a cubic through the
 * neighbouring edges, with the edges reflected at tips (circulation there falls like the root of the distance) and at
 * the plane of symmetry. For edges in cosine spacing this is halfway in the angle (Lan, J. Aircraft 11, 1974), where
 * the rule is exact; for uniform strips it moves the tip's point out to 3/8 of its strip. Points halfway in length
 * overrate the tips: span efficiency 1.03 for an ellipse with 20 strips.
 */
function conditionPlaces(edges: readonly number[], rootOnPlane: boolean): number[] {
  const n = edges.length - 1
  const edge = (i: number): number => {
    if (i < 0) return (rootOnPlane ? -1 : 1) * edges[Math.min(n, -i)]
    return i > n ? edges[Math.max(0, 2 * n - i)] : edges[i]
  }
  return edges.slice(0, -1).map((low, i) => {
    const high = edges[i + 1]
    const middle = (9 * (low + high) - edge(i - 1) - edge(i + 2)) / 16
    return Math.min(low + 0.75 * (high - low), Math.max(low + 0.25 * (high - low), middle))
  })
}

const mix = (a: number, b: number, t: number): number => a + (b - a) * t

function layStrip(panels: Panels, start: number, surface: LatticeSurface, p: LatticeStation, q: LatticeStation, t0: number, t1: number, tm: number, span: number): number {
  const dy = q.y - p.y, dz = q.z - p.z
  const length = Math.hypot(dy, dz) || 1
  const chordMid = mix(p.chord, q.chord, tm)
  panels.strips.push({
    surface: surface.name, first: start, panels: surface.chordwise, chord: chordMid, x: mix(p.x, q.x, tm), y: mix(p.y, q.y, tm), z: mix(p.z, q.z, tm),
    width: length * (t1 - t0), mirrored: surface.mirror, span,
  })
  const put = (target: Float64Array, index: number, t: number, share: number) => {
    target[3 * index] = mix(p.x, q.x, t) + share * mix(p.chord, q.chord, t)
    target[3 * index + 1] = mix(p.y, q.y, t)
    target[3 * index + 2] = mix(p.z, q.z, t)
  }
  for (let k = 0; k < surface.chordwise; k++) {
    const index = start + k
    const n = surface.chordwise
    put(panels.a, index, t0, (k + 0.25) / n)
    put(panels.b, index, t1, (k + 0.25) / n)
    put(panels.control, index, tm, (k + 0.75) / n)
    panels.normal[3 * index + 1] = -dz / length
    panels.normal[3 * index + 2] = dy / length
    const share = (k + 0.75) / n
    panels.slope[index] = mix(p.twist, q.twist, tm) - mix(p.slopeAt(share), q.slopeAt(share), tm)
  }
  return start + surface.chordwise
}

export interface SolvedLattice { panels: Panels, factors: Factorised, image: 1 | -1 | 0 }

/**
 * Assembles and factorises the influence of unit circulations on the normal flow at the condition points.
 * `image` 1: port halves carry the same circulation (symmetric flow); −1: the opposite (roll, sideslip).
 */
export function factoriseLattice(panels: Panels, image: 1 | -1): SolvedLattice {
  const { count, a, b, control, normal } = panels
  const mirrored = new Uint8Array(count)
  for (const strip of panels.strips) if (strip.mirrored) mirrored.fill(1, strip.first, strip.first + strip.panels)
  const matrix = new Float64Array(count * count)
  const w = new Float64Array(3)
  for (let i = 0; i < count; i++) {
    const cx = control[3 * i], cy = control[3 * i + 1], cz = control[3 * i + 2]
    const ny = normal[3 * i + 1], nz = normal[3 * i + 2]
    for (let j = 0; j < count; j++) {
      w.fill(0)
      addHorseshoe(w, cx, cy, cz, a[3 * j], a[3 * j + 1], a[3 * j + 2], b[3 * j], b[3 * j + 1], b[3 * j + 2], 1)
      if (mirrored[j]) addHorseshoe(w, cx, cy, cz, b[3 * j], -b[3 * j + 1], b[3 * j + 2], a[3 * j], -a[3 * j + 1], a[3 * j + 2], image)
      matrix[i * count + j] = w[1] * ny + w[2] * nz
    }
  }
  return { panels, factors: factorise(matrix, count), image }
}

/** Circulation (m²/s at unit speed) for a normal flow at each condition point that the vortices must cancel. */
export const circulation = (lattice: SolvedLattice, normalFlow: Float64Array): Float64Array =>
  solve(lattice.factors, normalFlow.map(v => -v))

/** Normal flow of one radian of incidence, and of camber and twist at no incidence. */
export function incidenceFlow(panels: Panels): { perRad: Float64Array, atZero: Float64Array } {
  const perRad = new Float64Array(panels.count)
  for (let i = 0; i < panels.count; i++) perRad[i] = panels.normal[3 * i + 2]
  return { perRad, atZero: panels.slope.slice() }
}
