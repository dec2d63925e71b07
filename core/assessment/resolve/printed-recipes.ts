/** How pieces are printed: by their zones, or as single ones were. */
import { pairOf, ribRecipe, sheetRecipe, type AsPrinted, type Design, type Zone } from '../../document'
import { isSheet, zoneOr, type PieceShape, type RecipeOf } from '../../geometry'
import { memoise } from '../../memo'

/** What says how pieces of a body are printed: their zones, and what is held of single ones. */
export type Printed = Zone | AsPrinted
export const recipesIn = (printed: readonly Printed[]): RecipeOf => {
  const zones = printed.filter(item => 'id' in item),
    single = new Map(printed.flatMap(item => ('piece' in item ? [[item.piece, item.recipe] as const] : [])))
  return (zone, piece) => single.get(piece) ?? zoneOr(zones, zone).recipe
}

/** The zone of each piece of a design, as that piece is printed; the same object while both stay. */
export function createPieceZones(remembered: number): (doc: Design) => (shape: PieceShape) => Zone {
  const heldZone = memoise(
    (id: string, name: string, ribs: Zone['ribs'], { filament, recipe }: AsPrinted): Zone => ({
      id,
      name,
      filament,
      recipe,
      ribs,
      // What is printed already is no sheet.
      sheet: null,
    }),
    remembered,
  )
  const ofRibs = memoise((zone: Zone): Zone => ({ ...zone, recipe: ribRecipe(zone.recipe) }), remembered)
  const ofSheet = memoise(
    (zone: Zone): Zone => ({
      ...zone,
      filament: zone.sheet!.foam,
      recipe: sheetRecipe(zone.recipe, zone.sheet!),
    }),
    remembered,
  )
  return doc => {
    const single = new Map(doc.asPrinted.map(item => [item.piece, item]))
    return shape => {
      const zone = zoneOr(doc.zones, shape.zoneId),
        own = single.get(pairOf(shape.id))
      const printed = own ? heldZone(zone.id, zone.name, zone.ribs, own) : zone
      if (isSheet({ ...shape, zone: printed })) return ofSheet(printed)
      return shape.ribOf === null ? printed : ofRibs(printed)
    }
  }
}
