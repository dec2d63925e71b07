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
    const own = section(k),
      reach = wallsReach(recipe)
    const others = [
      ...Array.from({ length: baseLayers }, (_, d) => k - 1 - d),
      ...Array.from({ length: topLayers }, (_, d) => k + 1 + d),
    ]
    if (others.every(layer => within(own, section(layer), reach))) return 0
    scans ??= new ScanWindow(
      section,
      scanGrid(...(box ?? boxBySections(section, layers)), SCAN_LINES),
      Math.max(1, baseLayers, topLayers),
    )
    const { grid } = scans
    const near = others.map(layer => scans!.at(layer))
    return openShare(scanSection(insetLoops(field, reach), grid), near)
  }
}

/**
 * Does every corner lie so near the same corner of the other section? Then what lies deeper than that in the one lies in
 * the other.
 */
function within(a: Section, b: Section, reach: number): boolean {
  if (a.length !== b.length) return false
  for (let l = 0; l < a.length; l++) {
    const p = a[l],
      q = b[l]
    if (p.length !== q.length) return false
    for (let i = 0; i < p.length; i += 2)
      if ((p[i] - q[i]) ** 2 + (p[i + 1] - q[i + 1]) ** 2 > reach * reach) return false
  }
  return true
}

/** Looked at in so many sections, where a model is known by them alone. */
const LOOKS = 16
const boxBySections = (section: (layer: number) => Section, layers: number) =>
  boxOfAll(
    Array.from({ length: LOOKS + 1 }, (_, i) => section(Math.round((i / LOOKS) * (layers - 1)))).flat(),
  )
