/**
 * A wing's section as a structure: the shape once, and with recipe and filament the walls that carry. mm in,
 * SI out.
 */
import { beadSpacing, printedSparOf, printedSparSpan, type Recipe } from '../document'
import { SIDE_POINTS } from '../geometry'
import { stockArea, stockInertia, stockInertiaAcross, stockTorsion, type Filament } from '../libraries'
import { once } from '../memo'
import { skinThicknessMm, wallsAsked } from '../printing'
import { mmToM } from '../units'
import { beadOf, printedMaterial, type PrintedMaterial } from './printed-skin'
import { shearProperties, type ShearProperties } from './shear-flow'
import { skinPanels, type SkinPanels } from './skin-panels'
import type { StationSpar, StationSection } from './station-section'
import type { ThinWalled } from './thin-walled-section'

/** What a station is made of, in its section's axes (mm → m; x aft, y across). */
export interface StationBuild {
  material: PrintedMaterial
  bead: number
  thickness: Float64Array
  section: ThinWalled
  shear: ShearProperties
  /** The outer skin as panels. */
  skin: SkinPanels
  /** Skins that run round, which are the first walls of the section. */
  rings: 1 | 2
  /** The same without its spars; null where none runs through, and where a shell without them bears nothing. */
  bare: (() => StationBuild) | null
  /** Walls that are a printed spar, and how thick each of them stands, m. */
  sparWalls: ReadonlyArray<{ wall: number; thick: number }>
  /** Stiffness of the spars alone, each group about its own middle, N·m². */
  sparEI: number
  groups: ReadonlyArray<{ lines: readonly StationSpar[]; EI: number; middle: number }>
  /**
   * Ribs under film: the shear flow that tears it, N/m; plastic round a bore, m; and the share of the span over which
   * bores are held. Null for a printed shell.
   */
  covered: { bears: number; rim: number; held: number } | null
}

/** Points of a side from one place of webs to the next. */
const WEB_STEP = 4

/** A blind end that overlaps by this share of a bead is fused; a lesser overlap carries in proportion. */
const FUSED = 0.2

/**
 * Walls of the outer skin by edge of its outline, then an inner skin's, then webs; spars at nodes of their
 * own.
 */
export function buildStation(station: StationSection, recipe: Recipe, filament: Filament): StationBuild {
  const { field, outline, spars } = station
  const count = field.starts[1]
  // How far the first wall would go round if every wall went as far: it takes as long where some go further.
  const walled = wallsAsked(field, recipe)
  let aroundMm = 0
  for (let e = 0; e < count; e++) aroundMm += field.length[e] * (walled(e) / recipe.walls)
  const material = printedMaterial(recipe, filament, aroundMm),
    bead = beadOf(recipe, filament)
  const at = skinThicknessMm(field, recipe, 1000 * bead)
  const thickness = Float64Array.from({ length: count }, (_, e) => mmToM(at(e)))
  const x: number[] = [],
    y: number[] = []
  for (let i = 0; i < count; i++) {
    const before = (i + count - 1) % count
    // A printed skin is thin for its section and stands for its outline; a sheet bears along its middle.
    const depth = material.sheet ? (500 * (thickness[before] + thickness[i])) / 2 : 0
    x.push(mmToM(outline[2 * i] + (depth * (field.normalX[before] + field.normalX[i])) / 2))
    y.push(mmToM(outline[2 * i + 1] + (depth * (field.normalY[before] + field.normalY[i])) / 2))
  }
  const walls: ThinWalled['walls'][number][] = []
  const ring = (first: number, thick: (e: number) => number) => {
    for (let e = 0; e < count; e++) {
      const t = thick(e)
      walls.push({
        a: first + e,
        b: first + ((e + 1) % count),
        Et: material.modulus * t,
        Gt: material.shearModulus * t,
      })
    }
  }
  ring(0, e => thickness[e])
  if (recipe.skinGapMm) {
    // The inner skin follows the outer one at the gap, or as deep as there is room, where it is not laid at
    // all.
    for (let i = 0; i < count; i++) {
      const before = (i + count - 1) % count
      const depth = Math.min(recipe.skinGapMm, 0.9 * field.depth[before], 0.9 * field.depth[i])
      x.push(mmToM(outline[2 * i] + (depth * (field.normalX[before] + field.normalX[i])) / 2))
      y.push(mmToM(outline[2 * i + 1] + (depth * (field.normalY[before] + field.normalY[i])) / 2))
    }
    ring(count, e => (field.depth[e] > recipe.skinGapMm! + recipe.beadWidthMm / 2 ? bead : 1e-9))
  }
  // Out and back, leaning along the chord: cos² of it stands across the section. A blind end that is not fused holds
  // one skin and carries nothing to the other.
  const webs = recipe.lattice && {
    pitchMm: recipe.lattice.pitchMm,
    thick:
      2 *
      bead *
      Math.cos((recipe.lattice.leanDeg * Math.PI) / 180) ** 2 *
      Math.min(1, recipe.lattice.overlapMm / (FUSED * recipe.beadWidthMm)),
  }
  const webAt = (index: number, thick: number) =>
    walls.push({
      a: SIDE_POINTS - 1 - index,
      b: SIDE_POINTS - 1 + index,
      Et: 0,
      Gt: material.shearModulus * thick,
    })
  if (count === 2 * SIDE_POINTS - 1) {
    // Webs stand a pitch apart, somewhere: a few places share them, so that none comes or goes with a pitch a
    // little wider.
    if (webs)
      for (let index = WEB_STEP; index < SIDE_POINTS - 2; index += WEB_STEP) {
        const apart = station.chord * (chordShare(index + WEB_STEP / 2) - chordShare(index - WEB_STEP / 2))
        webAt(index, webs.thick * (apart / mmToM(webs.pitchMm)))
      }
  }
  const sparWalls =
    count === 2 * SIDE_POINTS - 1
      ? printedSparWalls(station, recipe, { x, y, walls, thickness, material, bead })
      : []
  const section: ThinWalled = {
    x,
    y,
    walls,
    spars: spars.map(({ line, x: sx, n }) => {
      const { stock, spar } = line
      const node = x.length
      x.push(mmToM(sx))
      y.push(mmToM(n))
      // Held by the ring of plastic round its bore, to the skin above and below.
      const index = Math.min(SIDE_POINTS - 2, Math.max(1, nearestSide(outline, sx)))
      const upper = count === 2 * SIDE_POINTS - 1 ? SIDE_POINTS - 1 - index : 0,
        lower = count === 2 * SIDE_POINTS - 1 ? SIDE_POINTS - 1 + index : Math.floor(count / 2)
      // With webs the ring hangs on slits to both skins: two beads, upright.
      const hung = material.shearModulus * bead * (recipe.lattice ? 2 : 1)
      walls.push({ a: upper, b: node, Et: 0, Gt: hung }, { a: node, b: lower, Et: 0, Gt: hung })
      // A spar at half height lies next to the neutral axis: it bends with the wing, and what its stretch
      // would add is left out.
      const held =
        (2 * material.shearModulus * bead) / Math.max(1e-4, Math.min(y[upper] - y[node], y[node] - y[lower]))
      const EA =
        line.part === 'whole' || spar.fixing === 'removable'
          ? 0
          : stretched(stock.modulus * stockArea(stock), 2 * held, mmToM(line.to - line.from))
      return {
        node,
        EA,
        EIx: stock.modulus * stockInertia(stock),
        EIy: stock.modulus * stockInertiaAcross(stock),
        GJ: spar.fixing === 'bonded' ? stock.shearModulus * stockTorsion(stock) : 0,
      }
    }),
  }
  const groups = groupsOf(spars, section)
  const shear = shearProperties(section)
  return {
    material,
    bead,
    thickness,
    section,
    shear,
    skin: skinPanels(station, section, thickness, shear, recipe, material, bead),
    rings: recipe.skinGapMm ? 2 : 1,
    bare: spars.length > 0 ? once(() => buildStation({ ...station, spars: [] }, recipe, filament)) : null,
    sparWalls,
    sparEI: groups.reduce((sum, group) => sum + group.EI, 0),
    groups,
    covered: null,
  }
}

/** Strips side by side that stand for a printed spar's width, and lengths that each is seen in from skin to skin. */
const SPAR_STRIPS = 8,
  SPAR_PARTS = 6

/**
 * A printed spar as upright walls between the nodes of both sides that it lies by, so that none comes or goes as it
 * is moved. Adds them to the section and says which they are. It stands between the skins: of its own bending stiffness
 * what lies within them is left out, (1 − 2t/h)³.
 */
function printedSparWalls(
  { field, outline, spars }: StationSection,
  recipe: Recipe,
  to: Pick<StationBuild, 'thickness' | 'material' | 'bead'> & {
    x: number[]
    y: number[]
    walls: ThinWalled['walls'][number][]
  },
): StationBuild['sparWalls'] {
  const spar = printedSparOf(recipe)
  if (!spar || !field.frame) return []
  const { x, y, walls, thickness, material, bead } = to
  const [from, until] = printedSparSpan(spar, field.frame)
  const last = SIDE_POINTS - 1
  // Of the upper side; the lower one lies below it.
  const place = (index: number) => outline[2 * (last - index)]
  const step = (until - from) / SPAR_STRIPS
  const filled = mmToM(step * Math.min(1, (1000 * bead) / beadSpacing(recipe)))
  // Where a bore runs through it, nothing of it is counted on.
  const solidShare = (at: number) =>
    spars.reduce((left, { line, x: middle }) => {
      const half = line.stock.widthMm / 2 + line.spar.clearanceMm
      const bored = Math.min(at + step / 2, middle + half) - Math.max(at - step / 2, middle - half)
      return Math.max(0, left - Math.max(0, bored) / step)
    }, 1)
  const wide = new Float64Array(SIDE_POINTS)
  for (let strip = 0; strip < SPAR_STRIPS; strip++) {
    const at = from + (strip + 0.5) * step
    if (at <= place(0) || at >= place(last)) continue
    let k = 0
    while (k + 1 < last && place(k + 1) < at) k++
    const t = (at - place(k)) / Math.max(1e-9, place(k + 1) - place(k))
    const thick = filled * solidShare(at)
    wide[k] += (1 - t) * thick
    wide[k + 1] += t * thick
  }
  const found: Array<{ wall: number; thick: number }> = []
  for (let k = 1; k < last; k++) {
    if (wide[k] <= 0) continue
    const upper = last - k,
      lower = last + k
    const height = Math.hypot(x[upper] - x[lower], y[upper] - y[lower])
    const skins = thickness[upper] + thickness[lower - 1]
    const within = Math.max(0, 1 - skins / Math.max(1e-9, height)) ** 3
    let before = upper
    for (let part = 1; part <= SPAR_PARTS; part++) {
      let node = lower
      if (part < SPAR_PARTS) {
        node = x.length
        const t = part / SPAR_PARTS
        x.push(x[upper] + (x[lower] - x[upper]) * t)
        y.push(y[upper] + (y[lower] - y[upper]) * t)
      }
      found.push({ wall: walls.length, thick: wide[k] })
      walls.push({
        a: before,
        b: node,
        Et: material.modulus * wide[k] * within,
        Gt: material.shearModulus * wide[k],
      })
      before = node
    }
  }
  return found
}

/**
 * What of a cap's E·A is stretched with the wing, N: soft plastic lets stiff stock slip. γ = 1/(1 +
 * π²·EA/(k·L²)) with the shear stiffness k of what holds it (N/m²) and, for a cantilever, L twice its length
 * (EN 1995-1-1, annex B).
 */
const stretched = (EA: number, k: number, length: number): number =>
  EA / (1 + (Math.PI ** 2 * EA) / Math.max(1e-9, k * 4 * length * length))

/** Share of the chord at a point of a side: cosine-spaced. */
const chordShare = (index: number): number => (1 - Math.cos((Math.PI * index) / (SIDE_POINTS - 1))) / 2

function nearestSide(outline: Float64Array, x: number): number {
  let best = 0
  for (let i = 1; i < SIDE_POINTS; i++)
    if (
      Math.abs(outline[2 * (SIDE_POINTS - 1 - i)] - x) < Math.abs(outline[2 * (SIDE_POINTS - 1 - best)] - x)
    )
      best = i
  return best
}

/** Both caps of a spar work together about their middle, as long as their web holds. */
function groupsOf(spars: readonly StationSpar[], section: ThinWalled): StationBuild['groups'] {
  const own = new Map<string, StationSpar[]>()
  const pulled = new Map(spars.map((spar, i) => [spar, section.spars[i].EA]))
  for (const spar of spars) {
    const id =
      spar.line.part === 'whole' ? spar.line.spar.id : spar.line.spar.id.replace(/-(top|bottom)$/, '')
    own.set(id, [...(own.get(id) ?? []), spar])
  }
  return [...own.values()].map(lines => {
    const EA = lines.reduce((sum, spar) => sum + pulled.get(spar)!, 0)
    const middle =
      EA > 0
        ? lines.reduce((sum, spar) => sum + pulled.get(spar)! * mmToM(spar.n), 0) / EA
        : mmToM(lines.reduce((sum, spar) => sum + spar.n, 0) / lines.length)
    const EI = lines.reduce(
      (sum, spar) =>
        sum +
        spar.line.stock.modulus * stockInertia(spar.line.stock) +
        pulled.get(spar)! * (mmToM(spar.n) - middle) ** 2,
      0,
    )
    return { lines, EI, middle }
  })
}
