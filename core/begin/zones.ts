/** How the parts of a first draft are printed: by school, in what filaments there are. */
import type { Zone } from '../document'
import { LIBRARIES, recipeById } from '../libraries'
import type { Draft } from './sketch'

const recipe = (school: string, filament: string) =>
  recipeById(
    school,
    LIBRARIES.filaments.find(item => item.id === filament),
  )

const skin = ({ light, purpose: { beadMm }, sketch: { webMm } }: Draft) => {
  const own = recipe('spiral-lattice', light)
  return { ...own, beadWidthMm: beadMm, lattice: own.lattice && { ...own.lattice, pitchMm: webMm } }
}

export const bodyZones = ({ light, tough, sketch }: Draft, rear: boolean): Zone[] => [
  {
    id: 'nose',
    name: 'Nose and firewall',
    ribs: null,
    sheet: null,
    filament: tough,
    recipe: { ...recipe('beads', tough), walls: sketch.bodyWalls, baseLayers: 12 },
  },
  {
    id: 'body',
    name: 'Body',
    ribs: null,
    sheet: null,
    filament: light,
    recipe: { ...recipe('beads', light), walls: sketch.bodyWalls },
  },
  ...(rear
    ? [
        {
          id: 'rear',
          name: 'Rear body',
          ribs: null,
          sheet: null,
          filament: light,
          recipe: { ...recipe('beads', light), walls: Math.max(1, sketch.bodyWalls - 1) },
        },
      ]
    : []),
]

export const wingZones = (draft: Draft): Zone[] => [
  {
    id: 'wing-inner',
    name: 'Inner wing',
    ribs: null,
    sheet: null,
    filament: draft.light,
    recipe: skin(draft),
  },
  {
    id: 'wing-outer',
    name: 'Outer wing',
    ribs: null,
    sheet: null,
    filament: draft.light,
    recipe: { ...skin(draft), brimMm: 4 },
  },
]

export const tailZone = ({ light, purpose: { beadMm } }: Draft): Zone => ({
  id: 'tail',
  name: 'Tail',
  ribs: null,
  sheet: null,
  filament: light,
  recipe: { ...recipe('bead-infill', light), beadWidthMm: beadMm, brimMm: 4 },
})

/** The middle of a flying wing: what everything is fixed to. */
export const solidZone = ({ tough }: Draft): Zone => ({
  id: 'centre',
  name: 'Centre section',
  ribs: null,
  sheet: null,
  filament: tough,
  recipe: { ...recipe('bead-infill', tough), infillShare: 0.04 },
})

/** Tubes of two beads, open at both ends. */
export const ductZone = ({ light }: Draft): Zone => ({
  id: 'duct',
  name: 'Duct',
  ribs: null,
  sheet: null,
  filament: light,
  recipe: { ...recipe('beads', light), walls: 2, brimMm: 4 },
})
