/**
 * A wing as it bears: stations along its half span with what is built there. Kept while shape, recipes,
 * spars and cuts stay.
 */
import type { Cut, Zone } from '../../document'
import { panelAt, usableCuts, zoneOr, type SparLine, type SurfaceLoft } from '../../geometry'
import { memoise } from '../../memo'
import { stationSection, type Meeting, type StationBuild, type StationSection } from '../../structure'
import { mmToM } from '../../units'
import type { Designed } from '../resolve'
import { mendedJoints, type MendedJoint } from './mended-joints'
import { createBuilds } from './station-builds'

/** Evenly spaced stations, root to tip; breaks, cuts and spar ends are added. */
const STATIONS = 18
/** Outboard of this share of the span the moment is nil and reserves mean nothing. */
const OUTER_LIMIT = 0.97

const NO_LINES: readonly SparLine[] = []

/** What carries the aircraft in the air. */
export type WingSurface = 'wing' | 'second'

export interface WingBearing {
  loft: SurfaceLoft
  sections: readonly StationSection[]
  /** By section: the zone whose plastic it is, and what carries there. */
  zones: readonly Zone[]
  builds: readonly StationBuild[]
  /** m from the root. */
  places: readonly number[]
  zoneAt(sMm: number): Zone
}

/** `stations` evenly spaced along the half span. */
export function createWingBearing(
  stations = STATIONS,
): (airframe: Designed, name?: WingSurface) => WingBearing {
  // Both stay the same objects, so that what hangs on them is known again.
  const sectionsOf = memoise(
    (loft: SurfaceLoft, lines: readonly SparLine[], cuts: readonly Cut[], mends: readonly MendedJoint[]) => {
      const sections = stationsOf(loft, lines, cuts, mends, stations)
      return { sections, places: sections.map(section => mmToM(section.s)) }
    },
    64,
  )
  const buildOf = createBuilds()
  return (airframe, name = 'wing') => {
    const { doc } = airframe,
      wing = airframe.surfaces[name]!
    const { sections, places } = sectionsOf(
      wing,
      airframe.warm.lines(airframe.spars[name] ?? NO_LINES),
      doc.cuts[name],
      mendedJoints(doc.damages, airframe.pieces, wing),
    )
    const pieces = airframe.pieces.filter(
      piece => piece.part === name && piece.kind === 'fixed' && piece.side !== 'port',
    )
    const zoneAt = (s: number) =>
      pieces.find(piece => s >= piece.from && s <= piece.to)?.zone ??
      zoneOr(doc.zones, wing.zones[panelAt(wing, s).index])
    const zones = sections.map(section => zoneAt(section.s))
    return {
      loft: wing,
      sections,
      zones,
      zoneAt,
      builds: sections.map((section, i) =>
        buildOf(section, zones[i].recipe, airframe.warm.filamentOf(zones[i]), airframe.coveringOf(zones[i])),
      ),
      places,
    }
  }
}

function stationsOf(
  loft: SurfaceLoft,
  lines: readonly SparLine[],
  cuts: readonly Cut[],
  mends: readonly MendedJoint[],
  count: number,
): StationSection[] {
  const own = usableCuts(cuts, 0, loft.span),
    joints = [...own.map(cut => cut.atMm), ...mends.map(mend => mend.at)]
  // What plugs together is held by the spars alone.
  const plugs = own.filter(cut => cut.joint.kind === 'plug').map(cut => cut.atMm)
  const near = (places: readonly number[], s: number) => places.some(at => Math.abs(at - s) < 0.5)
  const places = new Set(Array.from({ length: count }, (_, i) => (loft.span * OUTER_LIMIT * i) / (count - 1)))
  for (const at of [
    ...joints,
    // The half that did not break has neither joint nor rod there.
    ...mends.map(mend => mend.at + 0.6),
    ...loft.ends.map(s => s.s),
    ...lines.flatMap(line => [line.to, line.to + 0.5, line.from, line.from - 0.5, line.from + 0.5]),
  ]) {
    if (at >= 0 && at <= loft.span * OUTER_LIMIT) places.add(at)
  }
  // Halves that meet in the middle are glued there, or come apart where a spar can be pulled.
  const apart = lines.some(line => line.spar.fixing === 'removable' && line.spar.through)
  const middle = !loft.mirror ? 'none' : apart ? 'apart' : 'glued'
  const meeting = (s: number): Meeting => {
    if (s < 0.01) return middle
    if (near(plugs, s)) return 'apart'
    return near(joints, s) ? 'glued' : 'none'
  }
  return [...places]
    .sort((a, b) => a - b)
    .map(s =>
      stationSection(
        loft,
        s,
        [...lines, ...mends.filter(mend => Math.abs(mend.at - s) < 0.5).flatMap(mend => mend.rods)],
        meeting(s),
      ),
    )
}
