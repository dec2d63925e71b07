/** A piece in a file beside a wanted one, at a few heights: where the outline says what it is and how it lies. */
import { hullOf, polygonArea, polygonPerimeter, type Section } from '../../geometry'
import type { LayerShape, PieceFigures } from './figures'
import { fit, type Fit } from './fit'
import type { WantedPiece } from './wanted'

/** Shares of the height. */
const LOOKS = [0.15, 0.35, 0.5, 0.65, 0.85]

/** A layer of the file, where it lies in the wanted piece (mm over its foot), and what should be there. */
export interface Look {
  shape: LayerShape
  fit: Fit
  z: number
  plain: Section
}

export const sectionHull = (section: Section): Float64Array =>
  hullOf(Float64Array.from(section.flatMap(loop => Array.from(loop))))

/** The middle of a layer as a height of the wanted piece: what is printed too small is compared all the same. */
export const heightIn = (wanted: WantedPiece, figures: PieceFigures, shape: LayerShape): number =>
  Math.max(0, shape.layer.z - figures.layerHeightMm / 2) * (wanted.heightMm / figures.heightMm)

/** The kept layers nearest to the looks. */
export const shapesAtLooks = (figures: PieceFigures): LayerShape[] =>
  LOOKS.flatMap(at => {
    const near = figures.shapes
      .filter(shape => shape.hull.length >= 6)
      .sort((a, b) => Math.abs(a.at - at) - Math.abs(b.at - at))[0]
    return near ? [near] : []
  })

/** Layers at the looks as they lie in the wanted piece. */
export function looksAt(figures: PieceFigures, wanted: WantedPiece): Look[] {
  return shapesAtLooks(figures).flatMap(shape => {
    const z = heightIn(wanted, figures, shape),
      plain = wanted.plain(z)
    const found = fit(shape.hull, sectionHull(plain))
    return found ? [{ shape, fit: found, z, plain }] : []
  })
}

export const mostlyMirrored = (looks: readonly Look[]): boolean =>
  looks.filter(look => look.fit.mirrored).length > looks.length / 2

/** The middle of the bead runs half a bead inside the skin. */
const laidArea = (hull: Float64Array, width: number): number =>
  Math.max(1, Math.abs(polygonArea(hull).area) - (polygonPerimeter(hull) * width) / 2)

/** How unlike a piece it is: logarithms of height and areas, in sum. */
export function unlike(figures: PieceFigures, wanted: WantedPiece): number {
  const height = Math.abs(Math.log(Math.max(0.1, figures.heightMm) / wanted.heightMm))
  const areas = shapesAtLooks(figures).flatMap(shape => {
    const hull = sectionHull(wanted.plain(shape.at * wanted.heightMm))
    if (hull.length < 6) return []
    return [Math.abs(Math.log(Math.max(1, shape.area) / laidArea(hull, wanted.recipe.beadWidthMm)))]
  })
  return height + (areas.length > 0 ? areas.reduce((sum, off) => sum + off, 0) / areas.length : 1)
}

/** As unlike as that, it is another piece. */
export const SAME = 0.3
