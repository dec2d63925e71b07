/**
 * A section of ribs under film as a structure. Spars bend, each by itself; the film closes the section and carries
 * torsion in tension along the diagonal, where it is tight. Ribs hand the spars on. SI.
 *
 * Between ribs no web joins the caps of a spar, so that they do not work together; what a film's own stretch adds in
 * bending is left out: it wrinkles on one side and creeps on the other.
 */
import type { Recipe, Ribs } from '../document'
import type { Film, Filament } from '../libraries'
import { stockInertia, stockInertiaAcross, stockTorsion } from '../libraries'
import { mmToM } from '../units'
import { beadOf, printedMaterial } from './printed-skin'
import { shearProperties } from './shear-flow'
import type { SkinPanels } from './skin-panels'
import type { StationSection } from './station-section'
import type { StationBuild } from './wing-station'

export interface Covering {
  ribs: Pick<Ribs, 'pitchMm' | 'thicknessMm' | 'rimMm'>
  film: Film
}

/**
 * Shear modulus of a film in complete diagonal tension between stiff edges, as a share of Young's modulus (Kuhn 1952:
 * G = E/4), and what of it counts: film gets slack in the sun and where it was dented.
 */
const DIAGONAL = 0.25
export const TIGHT = 0.5
/** So little of the film counts in bending that it decides nothing, and a section without spars still has a figure. */
const TRACE = 1e-6

export const filmShear = (film: Film): number => TIGHT * DIAGONAL * film.modulus

/** Shear flow that tears it, N/m: at 45° the tension is twice the shear. */
export const filmBears = (film: Film): number => (film.strength * film.thickness) / 2

const NO_PANELS: SkinPanels = {
  count: 0,
  wall: new Int32Array(),
  x: new Float64Array(),
  y: new Float64Array(),
  up: new Float64Array(),
  torque: new Float64Array(),
  whole: new Uint8Array(),
  pressed: new Float64Array(),
  sheared: new Float64Array(),
}

export function buildCovered(
  station: StationSection,
  recipe: Recipe,
  filament: Filament,
  { ribs, film }: Covering,
): StationBuild {
  const { outline, spars } = station
  const count = outline.length / 2
  const at = (axis: 0 | 1) => Array.from({ length: count }, (_, i) => mmToM(outline[2 * i + axis]))
  const x = at(0),
    y = at(1)
  const walls = Array.from({ length: count }, (_, e) => ({
    a: e,
    b: (e + 1) % count,
    Et: TRACE * film.modulus * film.thickness,
    Gt: filmShear(film) * film.thickness,
  }))
  const section = {
    x,
    y,
    walls,
    spars: spars.map(({ line, x: sx, n }) => {
      const { stock, spar } = line
      x.push(mmToM(sx))
      y.push(mmToM(n))
      return {
        node: x.length - 1,
        EA: 0,
        EIx: stock.modulus * stockInertia(stock),
        EIy: stock.modulus * stockInertiaAcross(stock),
        GJ: spar.fixing === 'bonded' ? stock.shearModulus * stockTorsion(stock) : 0,
      }
    }),
  }
  // A rib is loaded in the plane of its layers.
  const material = printedMaterial({ ...recipe, stance: 'flat' }, filament)
  const groups = spars.map(spar => ({
    lines: [spar],
    EI: spar.line.stock.modulus * stockInertia(spar.line.stock),
    middle: mmToM(spar.n),
  }))
  return {
    material,
    bead: beadOf(recipe, filament),
    thickness: new Float64Array(count).fill(film.thickness),
    section,
    shear: shearProperties(section),
    skin: NO_PANELS,
    rings: 1,
    sparWalls: [],
    bare: null,
    sparEI: groups.reduce((sum, group) => sum + group.EI, 0),
    groups,
    covered: {
      bears: filmBears(film),
      rim: mmToM(ribs.rimMm),
      // Bores are held where ribs stand, and nowhere between.
      held: Math.min(1, ribs.thicknessMm / ribs.pitchMm),
    },
  }
}
