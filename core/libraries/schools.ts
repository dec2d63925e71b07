/** The schools of skinning, each as a recipe to start from. */
import type { Denser, PrintedSpar, Recipe } from '../document'
import type { Filament } from './filaments'

export interface School {
  id: Recipe['school']
  name: string
  summary: string
  badAt: string
  recipe: Omit<Recipe, 'flow' | 'nozzleC'>
}

const bead = { beadWidthMm: 0.45, layerHeightMm: 0.25, beadForm: 'rounded' as const }
/** Along the chord nothing differs. */
const uniform = { denser: null, printedSpar: null }

export const SCHOOLS: readonly School[] = [
  {
    id: 'spiral-lattice',
    name: 'One bead in a spiral, webs inside',
    summary: 'a single unbroken bead that runs out and back as webs between the skins',
    badAt: 'no base or top; every web shows on the skin',
    recipe: {
      school: 'spiral-lattice',
      walls: 1,
      ...bead,
      infillShare: 0,
      baseLayers: 0,
      topLayers: 0,
      spiral: true,
      lattice: { pitchMm: 32, slitMm: 0.04, overlapMm: 0.15, leanDeg: 45 },
      skinGapMm: null,
      ...uniform,
      brimMm: 0,
      stance: 'standing',
      infillPattern: 'lines',
    },
  },
  {
    id: 'bead-infill',
    name: 'One bead, sparse infill',
    summary: 'a single wall held by a few percent of infill',
    badAt: 'infill weighs most where the section is thick; travel strings',
    recipe: {
      school: 'bead-infill',
      walls: 1,
      ...bead,
      infillShare: 0.03,
      baseLayers: 1,
      topLayers: 1,
      spiral: false,
      lattice: null,
      skinGapMm: null,
      ...uniform,
      brimMm: 0,
      stance: 'standing',
      infillPattern: 'lines',
    },
  },
  {
    id: 'double-skin',
    name: 'Double skin, sparse between',
    summary: 'two beads a few millimetres apart with sparse infill between, hollow inside',
    badAt: 'slow, and heavier than one bead',
    recipe: {
      school: 'double-skin',
      walls: 1,
      ...bead,
      infillShare: 0.08,
      baseLayers: 0,
      topLayers: 0,
      spiral: false,
      lattice: null,
      skinGapMm: 2.5,
      ...uniform,
      brimMm: 0,
      stance: 'standing',
      infillPattern: 'lines',
    },
  },
  {
    id: 'beads',
    name: 'Two beads, hollow',
    summary: 'the walls are the spar; nothing inside',
    badAt: 'large flat skins buckle with nothing behind them',
    recipe: {
      school: 'beads',
      walls: 2,
      ...bead,
      infillShare: 0,
      baseLayers: 0,
      topLayers: 0,
      spiral: false,
      lattice: null,
      skinGapMm: null,
      ...uniform,
      brimMm: 0,
      stance: 'standing',
      infillPattern: 'lines',
    },
  },
  {
    id: 'solid',
    name: 'Solid',
    summary: 'filled through: horns, mounts, firewall',
    badAt: 'weight',
    recipe: {
      school: 'solid',
      walls: 3,
      ...bead,
      infillShare: 1,
      baseLayers: 4,
      topLayers: 4,
      spiral: false,
      lattice: null,
      skinGapMm: null,
      ...uniform,
      brimMm: 0,
      stance: 'standing',
      infillPattern: 'lines',
    },
  },
]

/** Where most makers begin: ahead of the main spar, and from a little before the hinges. */
export const USUAL_DENSER: Denser = { walls: 1, noseTo: 0.12, rearFrom: 0.72 }
export const USUAL_PRINTED_SPAR: PrintedSpar = { atShare: 0.3, widthMm: 4 }

/**
 * Expansion at a nozzle temperature, linear between the curve's points and held at its ends; 1 when it does
 * not foam.
 */
export function expansionAt(filament: Filament, nozzleC: number): number {
  const curve = filament.expansion
  if (!curve) return 1
  if (nozzleC <= curve[0][0]) return curve[0][1]
  for (let i = 1; i < curve.length; i++) {
    const [t0, x0] = curve[i - 1]
    const [t1, x1] = curve[i]
    if (nozzleC <= t1) return x0 + ((x1 - x0) * (nozzleC - t0)) / (t1 - t0)
  }
  return curve[curve.length - 1][1]
}

/**
 * The recipe of a school in a filament, both by id. Throws when there is no such school or filament: for data
 * that ships.
 */
export function recipeById(schoolId: string, filament: Filament | undefined): Recipe {
  const school = SCHOOLS.find(item => item.id === schoolId)
  if (!school || !filament) throw new Error(`no school ${schoolId}, or no such filament`)
  return recipeFor(school, filament)
}

/**
 * A school's recipe with the nozzle temperature and flow that this filament wants (bead just full: X·φ = 1).
 */
export function recipeFor(school: School, filament: Filament): Recipe {
  const nozzleC = filament.expansion
    ? filament.nozzleC[1] - 15
    : Math.round((filament.nozzleC[0] + filament.nozzleC[1]) / 2)
  return { ...school.recipe, nozzleC, flow: Math.round(100 / expansionAt(filament, nozzleC)) / 100 }
}
