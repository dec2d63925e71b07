/**
 * Where lifting surfaces meet. A vortex leg that runs a few millimetres beside another surface means nothing in
 * a lattice whose strips are wider than that, so what meets is laid as a junction: the end of one surface is
 * drawn onto the other, both get a strip's edge there, and their legs run in one line. What does not meet keeps
 * its distance and acts through spread vortices (`vortex-core.ts`). Between the two everything moves smoothly
 * with the distance. SI.
 */
import type { LatticeStation, LatticeSurface } from './panels'

/** Surfaces count as joined up to this share of the chord: half of a usual thickness and a fillet. */
const JOINED = 0.08
/** Chords that overlap by this share of the shorter one are joined as whole ones are. */
const OVERLAP = 0.25

/** A surface with the ends that meet another one, and the lengths by which its root was drawn out. */
export interface JoinedSurface extends LatticeSurface {
  joinedRoot: boolean
  joinedTip: boolean
  /** By how much the root was drawn towards the other surface, m along the span; less than nothing shortens. */
  drawnOut: number
}

export interface Junctions {
  surfaces: JoinedSurface[]
  /** Share of the full core for every pair of surfaces, row by row: 0 where they are one or joined. */
  spread: Float64Array
}

/** A place on a surface: the bay, how far along it, and the station there. */
interface Place {
  bay: number
  t: number
  point: LatticeStation
}

/**
 * Joins the ends of surfaces to what they meet. The order of surfaces stays; each keeps its stations, and gets
 * one more wherever another ends on it.
 */
export function joinSurfaces(given: readonly LatticeSurface[]): Junctions {
  const surfaces: JoinedSurface[] = given.map(surface => ({
    ...surface,
    joinedRoot: surface.joinedRoot ?? false,
    joinedTip: surface.joinedTip ?? false,
    drawnOut: 0,
  }))
  const n = surfaces.length
  const spread = new Float64Array(n * n).fill(1)
  // Small ones are drawn onto large ones: areas change least so.
  const bySize = surfaces.map((_, i) => i).sort((i, j) => areaOf(surfaces[i]) - areaOf(surfaces[j]) || i - j)
  const pairs = bySize.flatMap((i, k) => bySize.slice(k + 1).map(j => [i, j] as const))
  for (const [i, j] of pairs) {
    if (groupOf(surfaces[i]) === groupOf(surfaces[j])) continue
    const met = new Set<string>()
    let share = cross(surfaces, i, j)
    if (share === null) {
      share = 1
      for (const [own, other] of [
        [i, j],
        [j, i],
      ])
        for (const end of ['root', 'tip'] as const)
          share = Math.min(share, join(surfaces, own, other, end, met))
    }
    spread[i * n + j] = spread[j * n + i] = share
  }
  return { surfaces, spread: byGroup(surfaces, spread) }
}

const groupOf = (surface: LatticeSurface): string => surface.group ?? surface.name

/** Parts of one surface are one; what meets a part meets all of it. */
function byGroup(surfaces: readonly LatticeSurface[], pairs: Float64Array): Float64Array {
  const n = surfaces.length
  const groups = surfaces.map(groupOf)
  return Float64Array.from(pairs, (_, k) => {
    const i = Math.floor(k / n),
      j = k % n
    if (groups[i] === groups[j]) return 0
    let least = 1
    for (let a = 0; a < n; a++)
      for (let b = 0; b < n; b++)
        if (groups[a] === groups[i] && groups[b] === groups[j]) least = Math.min(least, pairs[a * n + b])
    return least
  })
}

const areaOf = ({ stations }: LatticeSurface): number =>
  stations
    .slice(1)
    .reduce(
      (sum, b, i) =>
        sum + (Math.hypot(b.y - stations[i].y, b.z - stations[i].z) * (b.chord + stations[i].chord)) / 2,
      0,
    )

/**
 * Draws one end of a surface onto another where they are near; returns what is left of the core. `met` holds the
 * ends that already lie on the other of the two.
 */
function join(
  surfaces: JoinedSurface[],
  i: number,
  j: number,
  end: 'root' | 'tip',
  met: Set<string>,
): number {
  const own = surfaces[i],
    other = surfaces[j]
  // Where a part of its own group goes on, or another surface has met it already, the end is taken.
  if (goesOn(own, end) || (end === 'root' && own.heldRoot !== undefined)) return 1
  const station = end === 'root' ? own.stations[0] : own.stations[own.stations.length - 1]
  const near = nearest(other, station)
  const reach = reachOf(station, near.point)
  const distance = near.distance + 2 * reach * (1 - overlap(station, near.point))
  const apart = distance <= reach ? 0 : Math.min(1, (distance - reach) / reach)
  if (apart >= 1) return 1
  // Twin halves that meet in the plane of symmetry hold that end where it is: others come to it.
  const onPlane = own.mirror && Math.abs(station.y) < 1e-9
  if (onPlane && near.distance > 1e-6) return 1
  const meeting = onPlane ? { ...near, end: endOf(near, other) } : towardsEnd(other, near, reach)
  if (meeting.end && (met.has(`${j} ${meeting.end}`) || goesOn(other, meeting.end))) return 1
  if (meeting.end === 'root' && other.heldRoot !== undefined) return 1
  if (inPlane(own) && Math.abs(meeting.point.y) > 1e-9) return 1
  const pull = 1 - apart
  if (
    !moveEnd(surfaces, i, end, {
      y: station.y + pull * (meeting.point.y - station.y),
      z: station.z + pull * (meeting.point.z - station.z),
    })
  )
    return 1
  met.add(`${i} ${end}`)
  if (apart === 0) markJoined(surfaces, i, end)
  if (meeting.end) {
    if (apart === 0) markJoined(surfaces, j, meeting.end)
  } else insert(surfaces, j, meeting)
  return smooth(apart)
}

/**
 * Where two surfaces cross, both get an edge there; near the end of the other one, at its end. A stub beyond it that
 * is shorter than the reach goes, a longer one keeps twice what it is longer. What is left of the core, or null where
 * they do not cross.
 */
function cross(surfaces: JoinedSurface[], i: number, j: number): number | null {
  const met = crossing(surfaces[i], surfaces[j])
  if (!met) return null
  const [own, other] = met
  const reach = reachOf(own.point, other.point)
  const meeting = towardsEnd(surfaces[j], other, reach)
  const { y, z } = inPlane(surfaces[i]) ? other.point : meeting.point
  const { stations } = surfaces[i]
  let whole = true
  for (const end of ['root', 'tip'] as const) {
    const station = end === 'root' ? stations[0] : stations[stations.length - 1]
    const stub = Math.hypot(station.y - own.point.y, station.z - own.point.z)
    if (stub >= 2 * reach) continue
    const left = caughtUp(stub, reach) / Math.max(1e-12, stub)
    moveEnd(surfaces, i, end, {
      y: y + left * (station.y - own.point.y),
      z: z + left * (station.z - own.point.z),
    })
    if (left > 0) continue
    whole = false
    markJoined(surfaces, i, end)
  }
  if (whole) insert(surfaces, i, { ...own, point: { ...own.point, y, z } })
  if (meeting.end) markJoined(surfaces, j, meeting.end)
  else insert(surfaces, j, meeting)
  return 1 - overlap(own.point, other.point)
}

const goesOn = (surface: JoinedSurface, end: 'root' | 'tip'): boolean =>
  end === 'root' ? surface.joinedRoot : surface.joinedTip

/** The whole surface lies in the plane of symmetry. */
export const inPlane = ({ stations }: LatticeSurface): boolean =>
  stations.every(station => Math.abs(station.y) < 1e-9)

const reachOf = (station: LatticeStation, on: LatticeStation): number =>
  JOINED * Math.min(on.chord, 4 * station.chord)

/** From 0 where the chords do not overlap to 1 where they do by enough. */
const overlap = (a: LatticeStation, b: LatticeStation): number => smooth(overlapOf(a, b) / OVERLAP)

const markJoined = (surfaces: JoinedSurface[], i: number, end: 'root' | 'tip'): void => {
  surfaces[i] = { ...surfaces[i], [end === 'root' ? 'joinedRoot' : 'joinedTip']: true }
}

function insert(surfaces: JoinedSurface[], i: number, { bay, t, point }: Place): void {
  if (t < 1e-6 || t > 1 - 1e-6) return
  surfaces[i] = { ...surfaces[i], stations: surfaces[i].stations.toSpliced(bay + 1, 0, point) }
}

/** Moves an end across the flow; false, and nothing done, where nothing would be left of its bay. */
function moveEnd(
  surfaces: JoinedSurface[],
  i: number,
  end: 'root' | 'tip',
  to: { y: number; z: number },
): boolean {
  const own = surfaces[i]
  const last = own.stations.length - 1
  const [index, beside] = end === 'root' ? [0, 1] : [last, last - 1]
  if (Math.hypot(to.y - own.stations[beside].y, to.z - own.stations[beside].z) < 1e-6) return false
  const moved = {
    ...own,
    stations: own.stations.map((station, k) => (k === index ? { ...station, ...to } : station)),
  }
  if (end === 'root') moved.drawnOut += lengthOf(moved) - lengthOf(own)
  surfaces[i] = moved
  return true
}

/** The first place where two surfaces run through each other across the flow, on each. */
function crossing(a: LatticeSurface, b: LatticeSurface): [Place, Place] | null {
  for (let i = 0; i + 1 < a.stations.length; i++)
    for (let j = 0; j + 1 < b.stations.length; j++) {
      const [p, q, r, s] = [a.stations[i], a.stations[i + 1], b.stations[j], b.stations[j + 1]]
      const d = (q.y - p.y) * (s.z - r.z) - (q.z - p.z) * (s.y - r.y)
      if (Math.abs(d) < 1e-12) continue
      const t = ((r.y - p.y) * (s.z - r.z) - (r.z - p.z) * (s.y - r.y)) / d,
        u = ((r.y - p.y) * (q.z - p.z) - (r.z - p.z) * (q.y - p.y)) / d
      if (t > 1e-6 && t < 1 - 1e-6 && u > 1e-6 && u < 1 - 1e-6)
        return [
          { bay: i, t, point: stationBetween(p, q, t) },
          { bay: j, t: u, point: stationBetween(r, s, u) },
        ]
    }
  return null
}

const lengthOf = ({ stations }: LatticeSurface): number =>
  stations.slice(1).reduce((sum, b, k) => sum + Math.hypot(b.y - stations[k].y, b.z - stations[k].z), 0)

const smooth = (x: number): number => {
  const t = Math.min(1, Math.max(0, x))
  return t * t * (3 - 2 * t)
}

function overlapOf(a: LatticeStation, b: LatticeStation): number {
  const length = Math.min(a.x + a.chord, b.x + b.chord) - Math.max(a.x, b.x)
  return Math.max(0, length) / Math.max(1e-9, Math.min(a.chord, b.chord))
}

/** Between two stations: straight, the mean lines' slopes too. */
export function stationBetween(a: LatticeStation, b: LatticeStation, t: number): LatticeStation {
  const mix = (p: number, q: number) => p + (q - p) * t
  return {
    x: mix(a.x, b.x),
    y: mix(a.y, b.y),
    z: mix(a.z, b.z),
    chord: mix(a.chord, b.chord),
    twist: mix(a.twist, b.twist),
    slopeAt: share => mix(a.slopeAt(share), b.slopeAt(share)),
  }
}

/** The place of a surface nearest to a point across the flow; distance in the plane across it. */
function nearest({ stations }: LatticeSurface, { y, z }: LatticeStation): Place & { distance: number } {
  let best: { distance: number; bay: number; t: number } = { distance: Infinity, bay: 0, t: 0 }
  for (let bay = 0; bay + 1 < stations.length; bay++) {
    const a = stations[bay],
      b = stations[bay + 1]
    const dy = b.y - a.y,
      dz = b.z - a.z
    const square = dy * dy + dz * dz
    const t = square < 1e-18 ? 0 : Math.min(1, Math.max(0, ((y - a.y) * dy + (z - a.z) * dz) / square))
    const distance = Math.hypot(a.y + t * dy - y, a.z + t * dz - z)
    if (distance < best.distance - 1e-12) best = { distance, bay, t }
  }
  return { ...best, point: stationBetween(stations[best.bay], stations[best.bay + 1], best.t) }
}

/** Nothing up to the reach, then twice as fast until it has caught up. */
const caughtUp = (length: number, reach: number): number =>
  length <= reach ? 0 : Math.min(length, 2 * (length - reach))

const endOf = ({ bay, t }: Place, { stations }: LatticeSurface): 'root' | 'tip' | null => {
  if (bay === 0 && t < 1e-6) return 'root'
  return bay === stations.length - 2 && t > 1 - 1e-6 ? 'tip' : null
}

/** What meets a surface within reach of its end meets it at the end. */
function towardsEnd(
  other: LatticeSurface,
  near: Place,
  reach: number,
): Place & { end: 'root' | 'tip' | null } {
  const { stations } = other
  const places = [0]
  for (let k = 1; k < stations.length; k++)
    places.push(
      places[k - 1] + Math.hypot(stations[k].y - stations[k - 1].y, stations[k].z - stations[k - 1].z),
    )
  const length = places[places.length - 1]
  const at = places[near.bay] + near.t * (places[near.bay + 1] - places[near.bay])
  // The root of twin halves in the plane of symmetry is no end.
  const rootGoesOn = other.mirror && Math.abs(stations[0].y) < 1e-9
  let to = at
  if (at > length / 2) to = length - caughtUp(length - at, reach)
  else if (!rootGoesOn) to = caughtUp(at, reach)
  let bay = 0
  while (bay < stations.length - 2 && to > places[bay + 1]) bay++
  const t = Math.min(1, Math.max(0, (to - places[bay]) / Math.max(1e-12, places[bay + 1] - places[bay])))
  const point = stationBetween(stations[bay], stations[bay + 1], t)
  return { bay, t, point, end: endOf({ bay, t, point }, other) }
}
