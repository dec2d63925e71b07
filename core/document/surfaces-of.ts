/** Lifting surfaces of a document by their name, and the controls that hang on them. */
import { wingletSurface } from './winglet-surface'
import { SurfaceName, type Control, type ProjectFile, type Surface } from './schema'

export type Surfaced = Pick<ProjectFile, 'wing' | 'second' | 'winglets' | 'tail'>

export const SURFACE_NAMES: readonly SurfaceName[] = SurfaceName.options

/** As it is drawn; null where there is none. */
export function surfaceOf({ wing, second, winglets, tail }: Surfaced, name: SurfaceName): Surface | null {
  switch (name) {
    case 'wing':
      return wing
    case 'second':
      return second
    case 'winglet':
      return winglets && wingletSurface(wing, winglets)
    default:
      return tail[name]
  }
}

/** Those that fly: a tail that is not there, or that a V-tail stands for, may still be drawn. */
export const presentSurfaces = (doc: Surfaced): Array<[SurfaceName, Surface]> =>
  SURFACE_NAMES.flatMap((name): Array<[SurfaceName, Surface]> => {
    const surface = surfaceOf(doc, name),
      { kind } = doc.tail
    const gone = (name === 'horizontal' && kind === 'none') || (name === 'vertical' && kind === 'V')
    return surface && !gone ? [[name, surface]] : []
  })

/** Every control of it. */
export const allControls = (doc: Surfaced): readonly Control[] =>
  SURFACE_NAMES.flatMap(name => controlsOf(doc, name))

/** Is a zone one of a wing or tail? */
export const carriesLift = (doc: Surfaced, zone: string): boolean =>
  SURFACE_NAMES.some(name => surfaceOf(doc, name)?.panels.some(panel => panel.zone === zone))

export const controlsOf = (doc: Surfaced, name: SurfaceName): readonly Control[] =>
  surfaceOf(doc, name)?.controls ?? []

/** Where the second wing stands to the first, by the quarter chords of their roots: biplanes and tandems. */
export function secondStands({ wing, second }: Pick<Surfaced, 'wing'> & { second: Surface }) {
  const up = second.zMm - wing.zMm,
    aft = second.xMm + second.rootChordMm / 4 - wing.xMm - wing.rootChordMm / 4
  if (Math.abs(aft) > 2 * Math.abs(up)) return aft > 0 ? ('rear' as const) : ('front' as const)
  return up >= 0 ? ('upper' as const) : ('lower' as const)
}

/** Surfaces of a tail that are cut flat from sheet where they meet what carries them. */
export const flatTails = (doc: Surfaced & Pick<ProjectFile, 'zones'>): Array<'horizontal' | 'vertical'> =>
  presentSurfaces(doc).flatMap(([name, { panels }]) => {
    if (name !== 'horizontal' && name !== 'vertical') return []
    return doc.zones.find(zone => zone.id === panels[0].zone)?.sheet?.make === 'flat' ? [name] : []
  })

/** Are any asked for in slots of the body? */
export const tailInSlots = (doc: Surfaced & Pick<ProjectFile, 'zones'>): boolean =>
  doc.tail.slots && flatTails(doc).length > 0
