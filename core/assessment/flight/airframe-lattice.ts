/** The lattice of an airframe: every lifting surface with its controls, in SI. */
import type { LatticeSurface } from '../../aero'
import { surfaceOf, type Control, type Design, type SurfaceName } from '../../document'
import { meanSlope, placePoint, type BodyLoft, type SurfaceLoft } from '../../geometry'
import { mmToM } from '../../units'
import { carriedOf, type BoomTube } from './body-carry'

/**
 * Half-span strips and chordwise panels of the live lattice; the convergence table in the methods page says
 * what they cost.
 */
const STRIPS: Record<SurfaceName, number> = { wing: 16, second: 16, winglet: 6, horizontal: 8, vertical: 6 }
const CHORDWISE: Record<SurfaceName, number> = { wing: 4, second: 4, winglet: 3, horizontal: 3, vertical: 3 }

/** A surface whose span runs up by more than this share of it is upright. */
const UPRIGHT = 0.7

/** The name a control has in the lattice. */
export const controlId = (surface: SurfaceName, index: number): string => `${surface}:${index}`

/** What of a control the lattice knows: its place. */
export type LatticeControl = Pick<Control, 'fromShare' | 'toShare' | 'chordShare'>

export function latticeOf(loft: SurfaceLoft, controls: readonly LatticeControl[]): LatticeSurface {
  const bays = loft.ends.length - 1
  const alone = loft.name === 'vertical' && !loft.mirror && Math.abs(Math.sin(loft.cant)) > UPRIGHT
  const stations = loft.ends.map(station => {
    const [x, y, z] = placePoint(loft, station.lead, station.n, station.s, 1)
    return {
      x: mmToM(x),
      // A single fin that stands a little off the middle, or leans, is taken as standing in it: the rest stays even.
      y: alone ? 0 : mmToM(y),
      z: mmToM(z),
      chord: mmToM(station.chord),
      twist: station.twist,
      slopeAt: (share: number) => meanSlope(station.shape, share),
    }
  })
  // The lattice measures along the surface, dihedral and all; a control's share of the span carries over.
  const length = stations
    .slice(1)
    .reduce((sum, b, i) => sum + Math.hypot(b.y - stations[i].y, b.z - stations[i].z), 0)
  return {
    name: loft.name,
    mirror: loft.mirror,
    chordwise: CHORDWISE[loft.name],
    spanwise: Math.max(2, Math.round(STRIPS[loft.name] / bays)),
    spacing: bays === 1 ? 'cosine' : 'uniform',
    stations,
    controls: controls.map((control, i) => ({
      id: controlId(loft.name, i),
      from: control.fromShare * length,
      to: control.toShare * length,
      chordShare: control.chordShare,
    })),
  }
}

/** A surface with what body and boom carry on of it between its halves. */
export function latticeParts(
  loft: SurfaceLoft,
  controls: readonly LatticeControl[],
  body: BodyLoft | null,
  tube: BoomTube | null,
): LatticeSurface[] {
  const surface = latticeOf(loft, controls)
  const through = carriedOf(surface, loft, body, tube)
  return through ? [through.surface, through.carried] : [surface]
}

/** Controls that pitch, roll and yaw the aircraft, the first of each kind, with the sense that does it. */
export interface ControlRoles {
  pitch: string | null
  roll: string | null
  yaw: string | null
}

const PITCH = new Set<Control['kind']>(['elevator', 'elevon', 'ruddervator'])
export function controlRoles(doc: Design, present: Iterable<SurfaceName>): ControlRoles {
  const names = [...present]
  const find = (wanted: (kind: Control['kind']) => boolean) => {
    for (const name of ['horizontal', 'wing', 'second', 'vertical'] as const) {
      if (!names.includes(name)) continue
      const index = surfaceOf(doc, name)!.controls.findIndex(control => wanted(control.kind))
      if (index >= 0) return controlId(name, index)
    }
    return null
  }
  return {
    pitch: find(kind => PITCH.has(kind)),
    roll: find(kind => kind === 'aileron' || kind === 'elevon'),
    yaw: find(kind => kind === 'rudder') ?? find(kind => kind === 'ruddervator'),
  }
}
