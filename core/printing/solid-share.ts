/** Which share of a layer's inside is laid solid: what is open below or above it, within base and top layers. */
import { wallsReach, type Recipe } from '../document'
import { boxOfAll, type Section } from '../geometry'
import { insetLoops, type InsetField } from './inset-field'
import { openShare, scanGrid, scanSection, type ScanGrid } from './open-area'
import type { Scan } from './scanlines'

/** Scan lines across the model for finding what is open above or below. */
const SCAN_LINES = 120

/** Scans of the layers round the one at hand; each is made once and let go when it lies too far below. */
class ScanWindow {
  private readonly kept = new Map<number, Scan>()
  constructor(
    private readonly section: (layer: number) => Section,
    readonly grid: ScanGrid,
    private readonly reach: number,
  ) {}
  at(k: number): Scan {
    let scan = this.kept.get(k)
    if (!scan) {
      scan = scanSection(this.section(k), this.grid)
      this.kept.set(k, scan)
      this.kept.delete(k - 2 * this.reach - 2)
    }
    return scan
  }
}

/** `box`: least and greatest x and y of the model; found from its sections where it is left out. Spirals lay none. */
export function createSolidShare(
  section: (layer: number) => Section,
  layers: number,
  recipe: Recipe,
  box?: readonly [number, number, number, number],
): (layer: number, field: InsetField) => number {
  const { baseLayers, topLayers } = recipe
  if (recipe.spiral || (baseLayers === 0 && topLayers === 0)) return () => 0
  let scans: ScanWindow | null = null
  return (k, field) => {
    if (k < baseLayers || k + topLayers >= layers) return 1
    const [x0, y0, x1, y1] = box ?? boxBySections(section, layers)
    scans ??= new ScanWindow(
      section,
      scanGrid(x0, y0, x1, y1, SCAN_LINES),
      Math.max(1, baseLayers, topLayers),
    )
    const near: Scan[] = []
    for (let d = 1; d <= baseLayers; d++) near.push(scans.at(k - d))
    for (let d = 1; d <= topLayers; d++) near.push(scans.at(k + d))
    return openShare(scanSection(insetLoops(field, wallsReach(recipe)), scans.grid), near)
  }
}

/** Looked at in so many sections, where a model is known by them alone. */
const LOOKS = 16
const boxBySections = (section: (layer: number) => Section, layers: number) =>
  boxOfAll(
    Array.from({ length: LOOKS + 1 }, (_, i) => section(Math.round((i / LOOKS) * (layers - 1)))).flat(),
  )
