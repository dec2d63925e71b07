/**
 * Panels of a vortex lattice: horseshoes on flat chord lines, bound vortex at the quarter of each panel,
 * condition at its three-quarter point, trailing legs straight aft (Katz & Plotkin, Low-Speed Aerodynamics,
 * ch. 12). Camber and twist enter through the slope of the mean line, to first order. SI; x aft, y starboard,
 * z up.
 */
import { flapWeights } from './flap-weights'
import { inPlane, joinSurfaces, type JoinedSurface } from './junctions'

export interface LatticeStation {
  x: number
  y: number
  z: number
  chord: number
  twist: number
  slopeAt(chordShare: number): number
}

/**
 * What can be deflected: everything behind a hinge between two places along the span, m from the surface's
 * root.
 */
export interface LatticeControl {
  id: string
  from: number
  to: number
  /** Share of the chord behind the hinge; 1 turns the whole. */ chordShare: number
}

export interface LatticeSurface {
  name: string
  /** Add the port half. */
  mirror: boolean
  chordwise: number
  /** Panels in each bay between neighbouring stations. */
  spanwise: number
  spacing: 'uniform' | 'cosine'
  stations: readonly LatticeStation[]
  /** Surfaces of one group are parts of one: their vortices act on each other as thin ones. Its name if absent. */
  group?: string
  /** The surface goes on there, as another one of its group does or as `joinSurfaces` finds. */
  joinedRoot?: boolean
  /** How far a part of the same group goes on inside the root, 0 to 1: then no other surface draws it out. */
  heldRoot?: number
  /** Share by which air is kept from going through, 1 unless said: what stands between two halves may leak. */
  solid?: number
  joinedTip?: boolean
  controls?: readonly LatticeControl[]
  /** It is carried by something that bends under its loads: see `soft-tail.ts`. */
  carried?: boolean
}

/**
 * Panels as flat arrays; strip s holds panels s·chordwise … of its surface, nose first. Port halves are not
 * listed.
 */
export interface Panels {
  count: number
  /**
   * Bound vortex ends A (inboard) and B, condition point: three numbers a panel. Unit normal: y and z, two
   * numbers.
   */
  a: Float64Array
  b: Float64Array
  control: Float64Array
  normal: Float64Array
  /** Angle by which camber and twist raise the panel against the flow, rad: the normal's x. */
  slope: Float64Array
  /** Which surface the panel belongs to, both of its halves being one. */
  surface: Int32Array
  /** Widths that the strips have about A and about B, and the panel's own, m: what a vortex is spread over. */
  widthA: Float64Array
  widthB: Float64Array
  width: Float64Array
  /** Share of the full core by which each surface (row) feels each other's vortices. */
  spread: Float64Array
  /** Share by which air is kept from going through each panel. */
  solid: Float64Array
  /** 1 where a port twin belongs to the panel. */
  mirrored: Uint8Array
  /** 1 where the panel lies in the plane of symmetry. */
  onPlane: Uint8Array
  strips: Strip[]
  /** For each control, how much of a deflection each panel turns by. */
  controls: Map<string, Float64Array>
  /** 1 where what carries the panel bends. */
  carried: Uint8Array
}

export interface Strip {
  surface: string
  first: number
  panels: number
  chord: number
  y: number
  z: number
  x: number
  width: number
  mirrored: boolean
  onPlane: boolean
  span: number
}

/**
 * Lays the panels. When every surface is either mirrored or in the plane of symmetry the aircraft is
 * symmetric, and its even and odd flows are solved apart; a surface that is neither makes all port halves
 * panels of their own.
 */
export function layPanels(given: readonly LatticeSurface[]): Panels {
  const joined = joinSurfaces(given)
  const symmetric = joined.surfaces.every(surface => surface.mirror || inPlane(surface))
  const parts = joined.surfaces.map(surface => (symmetric ? [surface] : wholeSurface(surface)))
  const surfaces = parts.flat()
  const count = surfaces.reduce((sum, s) => sum + s.chordwise * s.spanwise * (s.stations.length - 1), 0)
  const panels: Panels = {
    count,
    a: new Float64Array(3 * count),
    b: new Float64Array(3 * count),
    control: new Float64Array(3 * count),
    normal: new Float64Array(2 * count),
    slope: new Float64Array(count),
    surface: new Int32Array(count),
    solid: new Float64Array(count).fill(1),
    widthA: new Float64Array(count),
    widthB: new Float64Array(count),
    width: new Float64Array(count),
    mirrored: new Uint8Array(count),
    onPlane: new Uint8Array(count),
    strips: [],
    controls: new Map(),
    carried: new Uint8Array(count),
    spread: joined.spread,
  }
  let at = 0
  parts.forEach((list, index) => {
    for (const surface of list) {
      const start = at
      at = laySurface(panels, start, surface, symmetric && !surface.mirror)
      panels.solid.fill(surface.solid ?? 1, start, at)
      panels.surface.fill(index, start, at)
      if (surface.carried) panels.carried.fill(1, start, at)
    }
  })
  return panels
}

/** Both halves as panels of their own: one surface from tip to tip where they meet, else two. */
function wholeSurface(surface: JoinedSurface): JoinedSurface[] {
  if (!surface.mirror) return [surface]
  const port = surface.stations.map(station => ({ ...station, y: -station.y })).reverse()
  if (Math.abs(surface.stations[0].y) < 1e-9)
    return [
      {
        ...surface,
        mirror: false,
        stations: [...port, ...surface.stations.slice(1)],
        controls: [],
        joinedRoot: surface.joinedTip,
      },
    ]
  return [
    {
      ...surface,
      mirror: false,
      stations: port,
      controls: [],
      joinedRoot: surface.joinedTip,
      joinedTip: surface.joinedRoot,
    },
    { ...surface, mirror: false },
  ]
}

function laySurface(panels: Panels, start: number, surface: JoinedSurface, plane: boolean): number {
  const edges = stripEdges(surface)
  const middles = conditionPlaces(edges, surface.spanwise, rootGoesOn(surface), surface.joinedTip ? 1 : 0)
  const flaps = (surface.controls ?? []).map(control => ({
    control,
    weights: flapWeights(surface.chordwise, control.chordShare),
    turned: controlOf(panels, control.id),
  }))
  let at = start
  for (let strip = 0; strip + 1 < edges.length; strip++) {
    const bay = Math.min(surface.stations.length - 2, Math.floor(strip / surface.spanwise))
    const { from, length } = bayOf(surface, bay)
    const t = (span: number) => (length === 0 ? 0 : (span - from) / length)
    const [low, high] = [edges[strip], edges[strip + 1]]
    layStrip(panels, at, surface, plane, bay, t(low), t(high), t(middles[strip]), (low + high) / 2)
    const width = high - low
    const beside = (other: number) =>
      edges[other + 1] === undefined || edges[other] === undefined
        ? width
        : (width + edges[other + 1] - edges[other]) / 2
    panels.width.fill(width, at, at + surface.chordwise)
    panels.widthA.fill(beside(strip - 1), at, at + surface.chordwise)
    panels.widthB.fill(beside(strip + 1), at, at + surface.chordwise)
    for (const { control, weights, turned } of flaps) {
      const covered =
        Math.max(
          0,
          Math.min(high, control.to + surface.drawnOut) - Math.max(low, control.from + surface.drawnOut),
        ) / Math.max(1e-12, high - low)
      if (covered > 0)
        weights.forEach((weight, k) => {
          turned[at + k] += weight * covered
        })
    }
    at += surface.chordwise
  }
  return at
}

/** How far a surface goes on inside its root, 0 to 1. */
function rootGoesOn({ joinedRoot, heldRoot, mirror, stations }: JoinedSurface): number {
  if (joinedRoot || (mirror && Math.abs(stations[0].y) < 1e-9)) return 1
  return heldRoot ?? 0
}

function controlOf(panels: Panels, id: string): Float64Array {
  const known = panels.controls.get(id) ?? new Float64Array(panels.count)
  panels.controls.set(id, known)
  return known
}

const place = (i: number, { spanwise, spacing }: LatticeSurface): number =>
  spacing === 'uniform' ? i / spanwise : (1 - Math.cos((Math.PI * i) / spanwise)) / 2

function bayOf({ stations }: LatticeSurface, bay: number): { from: number; length: number } {
  let from = 0
  for (let i = 1; i <= bay + 1; i++) {
    const length = Math.hypot(stations[i].y - stations[i - 1].y, stations[i].z - stations[i - 1].z)
    if (i === bay + 1) return { from, length }
    from += length
  }
  return { from, length: 0 }
}

function stripEdges(surface: LatticeSurface): number[] {
  const edges = [0]
  for (let bay = 0; bay + 1 < surface.stations.length; bay++) {
    const { from, length } = bayOf(surface, bay)
    for (let i = 1; i <= surface.spanwise; i++) edges.push(from + length * place(i, surface))
  }
  return edges
}

/**
 * Where the condition points of each strip lie along the span: halfway in the strip's index, by a cubic
 * through the neighbouring edges, with the edges reflected at tips (circulation there falls like the root of
 * the distance), and going on at the plane of symmetry and where another surface is joined. For edges in
 * cosine spacing this is halfway in the angle (Lan, J. Aircraft 11, 1974), where the rule is exact; for
 * uniform strips it moves the tip's point out to 3/8 of its strip. Points halfway in length overrate the
 * tips: span efficiency 1.03 for an ellipse with 20 strips. Strips of two bays may be of any two widths, and loads go
 * on across: there each goes by its own width, so that a bay that grows from nothing changes nothing. Bays of one
 * strip each are a spacing of their own.
 */
function conditionPlaces(edges: readonly number[], inBay: number, root: number, tip: number): number[] {
  const n = edges.length - 1
  const edge = (i: number): number => {
    if (i < 0) return (1 - 2 * root) * edges[Math.min(n, -i)]
    if (i <= n) return edges[i]
    const inside = edges[Math.max(0, 2 * n - i)]
    return inside + tip * 2 * (edges[n] - inside)
  }
  return edges.slice(0, -1).map((low, i) => {
    const high = edges[i + 1]
    const before = inBay > 1 && i % inBay === 0 && i > 0 ? 2 * low - high : edge(i - 1),
      after = inBay > 1 && i % inBay === inBay - 1 && i < n - 1 ? 2 * high - low : edge(i + 2)
    const middle = (9 * (low + high) - before - after) / 16
    return Math.min(low + 0.75 * (high - low), Math.max(low + 0.25 * (high - low), middle))
  })
}

const mix = (a: number, b: number, t: number): number => a + (b - a) * t

function layStrip(
  panels: Panels,
  start: number,
  surface: LatticeSurface,
  plane: boolean,
  bay: number,
  t0: number,
  t1: number,
  tm: number,
  span: number,
): void {
  const p = surface.stations[bay],
    q = surface.stations[bay + 1]
  const dy = q.y - p.y,
    dz = q.z - p.z
  const length = Math.hypot(dy, dz) || 1
  const n = surface.chordwise
  panels.strips.push({
    surface: surface.name,
    first: start,
    panels: n,
    chord: mix(p.chord, q.chord, tm),
    x: mix(p.x, q.x, tm),
    y: mix(p.y, q.y, tm),
    z: mix(p.z, q.z, tm),
    width: length * (t1 - t0),
    mirrored: surface.mirror,
    onPlane: plane,
    span,
  })
  const put = (target: Float64Array, index: number, t: number, share: number) => {
    target[3 * index] = mix(p.x, q.x, t) + share * mix(p.chord, q.chord, t)
    target[3 * index + 1] = mix(p.y, q.y, t)
    target[3 * index + 2] = mix(p.z, q.z, t)
  }
  for (let k = 0; k < n; k++) {
    const index = start + k
    put(panels.a, index, t0, (k + 0.25) / n)
    put(panels.b, index, t1, (k + 0.25) / n)
    put(panels.control, index, tm, (k + 0.75) / n)
    panels.normal[2 * index] = -dz / length
    panels.normal[2 * index + 1] = dy / length
    panels.mirrored[index] = surface.mirror ? 1 : 0
    panels.onPlane[index] = plane ? 1 : 0
    const share = (k + 0.75) / n
    panels.slope[index] = mix(p.twist, q.twist, tm) - mix(p.slopeAt(share), q.slopeAt(share), tm)
  }
}
