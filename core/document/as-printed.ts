/** Pieces that stay as they were printed while their zone goes on. */
import type { AsPrinted, ProjectFile, Recipe, Sheet, Zone } from './schema'

/** What a piece and its mirror image are both known by: its id without a side. */
export const pairOf = (id: string): string => id.replace(/-(starboard|port)$/, '')

export const printedAs = (doc: Pick<ProjectFile, 'asPrinted'>, piece: string): AsPrinted | null =>
  doc.asPrinted.findLast(item => item.piece === pairOf(piece)) ?? null

/** Walls of a rib round its edge and its holes. */
const RIB_WALLS = 2
/** Ribs are laid solid, lying on the bed, with the bead and the layer of their zone; its controls as the zone says. */
export const ribRecipe = (recipe: Recipe): Recipe => ({
  ...recipe,
  school: 'solid',
  walls: RIB_WALLS,
  infillShare: 1,
  infillPattern: 'lines',
  baseLayers: 0,
  topLayers: 0,
  spiral: false,
  lattice: null,
  skinGapMm: null,
  denser: null,
  printedSpar: null,
  stance: 'standing',
  brimMm: 0,
})

/**
 * A sheet as a skin that runs round the section, which every stage knows how to weigh and to load: as thick as it is
 * where it is folded, from either side to the middle where it lies flat.
 */
export const sheetRecipe = (recipe: Recipe, { thicknessMm, make }: Sheet): Recipe => ({
  ...recipe,
  school: 'beads',
  walls: 1,
  beadWidthMm: make === 'flat' ? thicknessMm / 2 : thicknessMm,
  beadForm: 'rectangular',
  layerHeightMm: 0.2,
  flow: 1,
  infillShare: 0,
  baseLayers: 0,
  topLayers: 0,
  spiral: false,
  lattice: null,
  skinGapMm: null,
  denser: null,
  printedSpar: null,
  stance: 'standing',
  brimMm: 0,
})

/** How a piece is printed: as it was, where that is held, else as its zone says; the first zone where that is gone. */
export const recipeOf = (
  doc: Pick<ProjectFile, 'asPrinted' | 'zones'>,
  piece: { id: string; zone: string; ribOf: string | null },
): Recipe => {
  const { recipe } =
    printedAs(doc, piece.id) ?? doc.zones.find(item => item.id === piece.zone) ?? doc.zones[0]
  return piece.ribOf === null ? recipe : ribRecipe(recipe)
}

/** Holds pieces as their zones say now; pairs that are held already stay as they are. */
export function held(
  doc: Pick<ProjectFile, 'asPrinted' | 'zones'>,
  pieces: ReadonlyArray<{ id: string; zone: string }>,
  date: string,
): AsPrinted[] {
  const all = new Map(doc.asPrinted.map(item => [item.piece, item]))
  const zones = new Map<string, Zone>(doc.zones.map(zone => [zone.id, zone]))
  for (const { id, zone } of pieces) {
    const own = zones.get(zone)
    if (own && !all.has(pairOf(id)))
      all.set(pairOf(id), { piece: pairOf(id), filament: own.filament, recipe: own.recipe, date })
  }
  return [...all.values()]
}
