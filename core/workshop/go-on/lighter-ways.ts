/** Ways to print the rest of a zone lighter. Bead and layer stay, for the rest is glued to what is printed. */
import type { ProjectFile, Recipe, Zone } from '../../document'
import { recipeFor, type Libraries } from '../../libraries'
import { mayHold } from '../../change'
import { q, say, type Words } from '../../units'

export interface Way {
  id: string
  title: Words
  zone: Zone
}

/** Shares of the present flow that are tried: less starves the bead, and strength says so. */
const FLOWS = [0.96, 0.92, 0.88]
/** Least pitch of infill, and how much further apart webs are tried. */
const WIDER_WEBS = [1.3, 1.7]

export function lighterWays(doc: ProjectFile, zone: Zone, libraries: Libraries): Way[] {
  const { recipe } = zone
  const ways: Way[] = []
  const put = (id: string, words: Words, next: Partial<Recipe>, filament = zone.filament) =>
    ways.push({
      id: `${zone.id}-${id}`,
      title: say`${zone.name}: ${words}`,
      zone: { ...zone, filament, recipe: { ...recipe, ...next } },
    })
  for (const share of FLOWS) {
    const flow = Math.round(100 * recipe.flow * share) / 100
    if (flow >= 0.05 && flow < recipe.flow) put(`flow-${share}`, say`flow ${q(flow, '', 2)}`, { flow })
  }
  if (recipe.walls > 1)
    put('wall-less', recipe.walls === 2 ? '1 wall' : `${recipe.walls - 1} walls`, { walls: recipe.walls - 1 })
  if (recipe.infillShare > 0.01)
    put('infill-half', say`infill ${q(50 * recipe.infillShare, '%', 1)}`, {
      infillShare: recipe.infillShare / 2,
    })
  const { lattice } = recipe
  if (lattice)
    for (const share of WIDER_WEBS) {
      const pitchMm = Math.round(lattice.pitchMm * share)
      put(`webs-${share}`, say`webs every ${q(pitchMm, 'mm', 0)}`, { lattice: { ...lattice, pitchMm } })
    }
  if (Math.max(recipe.baseLayers, recipe.topLayers) > 1)
    put('layer-less', 'one base and top layer less', {
      baseLayers: Math.max(0, recipe.baseLayers - 1),
      topLayers: Math.max(0, recipe.topLayers - 1),
    })
  const own = libraries.filaments.find(item => item.id === zone.filament)
  if (own && recipe.school !== 'solid')
    for (const school of libraries.schools) {
      if (school.id === recipe.school || school.id === 'solid') continue
      const { beadWidthMm, layerHeightMm, beadForm, flow, nozzleC, brimMm } = recipe
      put(`as-${school.id}`, school.name.toLowerCase(), {
        ...recipeFor(school, own),
        ...{ beadWidthMm, layerHeightMm, beadForm, flow, nozzleC, brimMm },
        stance: recipe.stance,
      })
    }
  // What is on the shelf or in the aircraft already: what would have to be bought is a matter for Choose.
  const school = libraries.schools.find(item => item.id === recipe.school)
  const atHand = new Set([...doc.spools, ...doc.zones].map(item => item.filament))
  for (const filament of libraries.filaments) {
    if (filament.id === zone.filament || !atHand.has(filament.id) || !school) continue
    if (!mayHold(doc, zone, filament)) continue
    const { nozzleC, flow } = recipeFor(school, filament)
    put(`in-${filament.id}`, `in ${filament.name}`, { nozzleC, flow }, filament.id)
  }
  return ways
}
