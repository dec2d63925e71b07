/** A bought wheel becomes a printed one, with zones for rim and tyre; or back. */
import type { Leg, ProjectFile, Zone } from '../document'
import { LIBRARIES, recipeById } from '../libraries'

export type WheelMade = 'bought' | 'tyred' | 'whole'

/** Zones of wheels, made where there are none. */
const RIMS = 'wheels',
  TYRES = 'tyres'
/** Axle and collars of a wheel, g; a bought wheel of usual make, g for each mm of diameter. */
const AXLE_G = 2,
  BOUGHT_G = 0.18
/** How wide a wheel is for its diameter, and how thick its tyre. */
const WIDE = 0.28,
  THICK = 0.16
/** What a part bears that is run over: so many beads, and closed faces of so many layers. */
const BEADS = 3,
  FACES = 4
/** Share of a rim and of a tyre that is filled: a tyre is to give. */
const RIM_FILL = 0.25,
  TYRE_FILL = 0.12

const filled = (filament: string, infillShare: number): Zone['recipe'] => ({
  ...recipeById(
    'bead-infill',
    LIBRARIES.filaments.find(item => item.id === filament),
  ),
  walls: BEADS,
  baseLayers: FACES,
  topLayers: FACES,
  infillShare,
})
const zone = (id: string, name: string, filament: string, fill: number): Zone => ({
  id,
  name,
  filament,
  recipe: filled(filament, fill),
  ribs: null,
  sheet: null,
})

export const wheelMade = ({ printedWheel }: Leg): WheelMade =>
  printedWheel === null ? 'bought' : printedWheel.tyre === null ? 'whole' : 'tyred'

/**
 * The leg `id` with its wheel made so. Rims are of the maker's tough filament, tyres of a flexible one; zones of wheels
 * that no leg asks for any more go.
 */
export function withWheel(
  doc: Pick<ProjectFile, 'gear' | 'zones'>,
  id: string,
  made: WheelMade,
): Pick<ProjectFile, 'gear' | 'zones'> {
  // A document holds so many zones: where there is no room, a wheel is of the leg's own.
  const known = (zoneId: string) => doc.zones.some(item => item.id === zoneId)
  const wanted = made === 'bought' ? [] : made === 'tyred' ? [RIMS, TYRES] : [RIMS]
  const room = doc.zones.length + wanted.filter(zoneId => !known(zoneId)).length <= MOST_ZONES
  const gear = doc.gear.map((leg): Leg => {
    if (leg.id !== id || wheelMade(leg) === made) return leg
    if (made === 'bought')
      return { ...leg, printedWheel: null, wheelG: Math.max(1, Math.round(BOUGHT_G * leg.wheelMm)) }
    const wheelMm = leg.wheelMm || 50
    const before = leg.printedWheel
    return {
      ...leg,
      wheelMm,
      wheelG: before ? leg.wheelG : AXLE_G,
      printedWheel: {
        zone: before?.zone ?? (room ? RIMS : leg.zone),
        tyre: made === 'tyred' ? (room ? TYRES : leg.zone) : null,
        widthMm: before?.widthMm ?? Math.max(3, Math.round(WIDE * wheelMm)),
        thickMm: before?.thickMm ?? Math.max(1, Math.round(THICK * wheelMm)),
        // A wire leg is bent round to be the axle.
        axleMm: before?.axleMm ?? (leg.kind === 'wire' ? Math.min(12, leg.thicknessMm) : 3),
      },
    }
  })
  const asked = new Set(
    gear.flatMap(({ printedWheel: wheel }) =>
      wheel ? [wheel.zone, ...(wheel.tyre ? [wheel.tyre] : [])] : [],
    ),
  )
  const wasAsked = new Set(
    doc.gear.flatMap(({ printedWheel: wheel }) => (wheel ? [wheel.zone, wheel.tyre] : [])),
  )
  const gone = (zoneId: string) =>
    (zoneId === RIMS || zoneId === TYRES) && wasAsked.has(zoneId) && !asked.has(zoneId)
  const there = doc.zones.filter(item => !gone(item.id))
  const missing = (zoneId: string) => asked.has(zoneId) && !there.some(item => item.id === zoneId)
  return {
    gear,
    zones: [
      ...there,
      ...(missing(RIMS) ? [zone(RIMS, 'Wheels', toughOf(doc.zones), RIM_FILL)] : []),
      ...(missing(TYRES) ? [zone(TYRES, 'Tyres', FLEXIBLE, TYRE_FILL)] : []),
    ],
  }
}

/** As the schema has it. */
const MOST_ZONES = 16
const FLEXIBLE = 'tpu'
/** A filament of the aircraft that is no foam, or the library's tough one. */
const toughOf = (zones: readonly Zone[]): string =>
  zones.find(item =>
    LIBRARIES.filaments.some(
      filament =>
        filament.id === item.filament && filament.family !== 'foaming' && filament.family !== 'flexible',
    ),
  )?.filament ?? 'pla-tough'
