/** The solid of a double skin as it is exported, in mm. */
import type { Manifold } from 'manifold-3d'
import { turnsHanded, type Piece } from './piece'
import { placesWithin, stepped } from './places-along'
import { grown } from './polygon-boolean'
import type { SolidKernel } from './solid'

/** A cavity is stacked in steps of no more than this, mm: it follows a taper of 1 : 10 to 0.1 mm. */
const CAVITY_STEP = 2
/** Its outline is as exact as that, mm: a fraction of what a nozzle can follow. */
const CAVITY_CLEAN = 0.02
/** Half the width of the narrowest cavity, mm: in what is narrower the two beads of the inner skin meet. */
const NARROW = 0.1

/**
 * A double skin as anybody's slicing program prints it: the solid with the inside of the second skin cut out, so that
 * one wall and sparse infill lay both skins and what is between them. Base and top layers close it. The same solid for
 * every other school. `solid` is of `pieceSolid`, and deleted where another one comes back.
 */
export function hollowed(kernel: SolidKernel, piece: Piece, solid: Manifold): Manifold {
  const { skinGapMm, beadWidthMm, baseLayers, topLayers, layerHeightMm } = piece.zone.recipe
  if (!skinGapMm || piece.mesh) return solid
  const deep = skinGapMm + beadWidthMm
  const foot = piece.from + baseLayers * layerHeightMm,
    head = piece.to + piece.proud - topLayers * layerHeightMm
  if (head - foot < CAVITY_STEP) return solid
  const edges = stepped([foot, ...placesWithin(piece.breaks, foot, head), head], CAVITY_STEP)
  const slabs = edges.slice(1).flatMap((top, i): Manifold[] => {
    const low = edges[i]
    const open = grown(grown(piece.sectionAt((low + top) / 2), -deep - NARROW), NARROW)
    if (open.length === 0) return []
    const whole = kernel.CrossSection.ofPolygons(
      open.map(loop =>
        Array.from({ length: loop.length / 2 }, (_, k): [number, number] => [loop[2 * k], loop[2 * k + 1]]),
      ),
    )
    const flat = whole.simplify(CAVITY_CLEAN)
    whole.delete()
    // Open ends are open all through.
    const from = i === 0 && baseLayers === 0 ? low - 1 : low,
      to = i === edges.length - 2 && topLayers === 0 ? top + 1 : top
    const raised = flat.extrude(to - from)
    const slab = raised.translate([0, 0, from - piece.from])
    flat.delete()
    raised.delete()
    return [slab]
  })
  // Every other one at a time: none touches the next, so that no union of them all has to be made first.
  for (const odd of [0, 1]) {
    const some = slabs.filter((_, i) => i % 2 === odd)
    if (some.length === 0) continue
    const upright = kernel.Manifold.compose(some)
    const tool = turnsHanded(piece) ? upright.mirror([0, 1, 0]) : upright
    const cut = solid.subtract(tool)
    for (const item of new Set([upright, tool, solid])) item.delete()
    solid = cut
  }
  for (const slab of slabs) slab.delete()
  if (solid.isEmpty() || solid.status() !== 'NoError')
    throw new Error(`${piece.name} cannot be hollowed out: print it with another school, or a wider gap`)
  return solid
}
