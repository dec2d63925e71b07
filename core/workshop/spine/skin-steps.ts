/** Another bead, closer webs, another school or filament, for one zone. */
import type { Step } from '../../change'
import type { ProjectFile } from '../../document'
import type { Recipe, Zone } from '../../document'
import { type Libraries, recipeFor } from '../../libraries'
import { q, say, type Words } from '../../units'

/** A spiral has one bead; more of them are laid as loops. */
const withoutSpiral = (recipe: Recipe): Recipe => (recipe.spiral ? { ...recipe, spiral: false } : recipe)

/** Another bead, closer webs, another school or filament: for one zone. */
export function skinSteps(doc: ProjectFile, zone: Zone, libraries: Libraries): Step[] {
  const { recipe } = zone
  const put = (id: string, words: Words, next: Partial<Zone>): Step => ({
    id: `${zone.id}-${id}`,
    title: say`${zone.name}: ${words}`,
    change: { zones: doc.zones.map(item => (item.id === zone.id ? { ...zone, ...next } : item)) },
  })
  const steps: Step[] = []
  for (const more of [1, 2, 3])
    if (recipe.walls + more <= 8)
      steps.push(
        put(`beads-${more}`, `${recipe.walls + more} beads`, {
          recipe: { ...withoutSpiral(recipe), walls: recipe.walls + more },
        }),
      )
  if (recipe.lattice)
    for (const share of [0.7, 0.45])
      steps.push(
        put(`webs-${share}`, say`webs every ${q(recipe.lattice.pitchMm * share, 'mm', 0)}`, {
          recipe: {
            ...recipe,
            lattice: { ...recipe.lattice, pitchMm: Math.max(5, Math.round(recipe.lattice.pitchMm * share)) },
          },
        }),
      )
  else
    for (const infillShare of [0.04, 0.1, 0.2])
      if (infillShare > recipe.infillShare * 1.2)
        steps.push(
          put(`infill-${infillShare}`, say`${q(100 * infillShare, '%', 0)} infill`, {
            recipe: { ...recipe, infillShare },
          }),
        )
  if (recipe.stance === 'flat')
    for (const layers of [3, 5, 8])
      if (layers > Math.min(recipe.baseLayers, recipe.topLayers))
        steps.push(
          put(`layers-${layers}`, `${layers} base and top layers`, {
            recipe: {
              ...recipe,
              baseLayers: Math.max(layers, recipe.baseLayers),
              topLayers: Math.max(layers, recipe.topLayers),
            },
          }),
        )
  const school = libraries.schools.find(item => item.id === recipe.school)
  for (const filament of libraries.filaments) {
    if (filament.id === zone.filament || filament.family === 'flexible' || !school) continue
    const { nozzleC, flow } = recipeFor(school, filament)
    for (const walls of [recipe.walls, recipe.walls + 2])
      if (walls <= 8 && doc.printers.some(printer => printer.nozzleMaxC >= nozzleC))
        steps.push(
          put(
            `in-${filament.id}-${walls}`,
            `${walls > recipe.walls ? `${walls} beads ` : ''}in ${filament.name}`,
            {
              filament: filament.id,
              recipe: { ...(walls > recipe.walls ? withoutSpiral(recipe) : recipe), walls, nozzleC, flow },
            },
          ),
        )
  }
  return steps
}
