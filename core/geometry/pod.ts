/** A pod in the aircraft's own places: its shape moved to where it stands. mm */
import type { Body, Pod } from '../document'
import type { Standing } from './body-pieces'
import type { WingSeat } from './body-features'
import type { BodyLoft } from './body-loft'
import { gapAt, outlineAt, planAt, toSurface, type SurfaceLoft } from './surface-loft'

/** Stations in the aircraft's x and z. */
export const standingStations = (stations: Body['stations'], xMm: number, zMm: number): Body['stations'] =>
  stations.map(station => ({ ...station, xMm: station.xMm + xMm, zMm: station.zMm + zMm }))

/** The body of a pod with stations and openings in the aircraft's x and z; y is where it stands. */
export const standingBody = (
  { body, xMm, zMm }: Pod,
  stations = standingStations(body.stations, xMm, zMm),
): Body => ({
  ...body,
  stations,
  openings: body.openings.map(opening => ({
    ...opening,
    fromMm: opening.fromMm + xMm,
    toMm: opening.toMm + xMm,
  })),
})

/** What the ids of a pod's pieces begin with. */
export const podPrefix = ({ piece }: Pick<Pod, 'piece'>): string => `pod-${piece}-`

export const podStanding = ({ piece, name, pair, yMm }: Pod): Standing => ({
  part: 'pod',
  id: `pod-${piece}`,
  lid: `pod-${piece}-lid`,
  name,
  mark: `N${piece}.`,
  lidMark: `N${piece}L`,
  y: yMm,
  pair,
})

/** The wing over or under a pod as the pod sees it; null where the wing ends before it, and its root inside of that. */
export function seatAbove(wing: SurfaceLoft, y: number): WingSeat | null {
  const s = Math.max(0, toSurface(wing, 0, Math.abs(y), wing.origin[2]).s)
  if (s > wing.span) return null
  const { lead, chord, n } = planAt(wing, s)
  const outline = outlineAt(wing, s)
  const cos = Math.cos(wing.cant)
  return {
    // The section stands across the panel, the seat upright; heights count from the section's own leading edge.
    outline: outline.map((value, i) => (i % 2 === 0 ? value : value * cos)),
    lead,
    chord,
    n: n * cos,
    z: wing.origin[2] + s * Math.sin(wing.cant),
  }
}

/** Least air between a pod and the wing's skin over or under it, mm; negative where they overlap, endless off the wing. */
export function gapToWing(loft: BodyLoft, seat: WingSeat | null): number {
  let gap = Infinity
  for (const x of seat ? loft.grid : []) {
    const { z, height } = loft.at(x)
    const skin = gapAt(seat!.outline, x)
    if (!skin) continue
    const under = seat!.z + skin.lower - (z + height / 2),
      over = z - height / 2 - (seat!.z + skin.upper)
    gap = Math.min(gap, Math.max(under, over))
  }
  return gap
}

/** Nearer than this a pod is glued to the wing, mm. */
export const POD_TOUCHES = 1
