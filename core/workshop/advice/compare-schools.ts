/** Schools compared for one zone: the same aircraft assessed with each, side by side. */
import type { Assessor } from '../../assess'
import type { ProjectFile, Zone } from '../../document'
import { recipeFor, type Filament, type Libraries } from '../../libraries'
import { withZone } from '../../change'
import { printedMaterial } from '../../structure'
import { beadThickness } from '../../printing'
import { mmToM } from '../../units'

export interface SchoolFigures {
  school: string
  name: string
  summary: string
  badAt: string
  filament: string
  /** Of the pieces of this zone. */
  massG: number
  hours: number
  cost: number
  /** In-plane stiffness of the skin along the span, E·t across layers, kN/m. */
  skinStiffness: number
  /** Of the whole aircraft. */
  flyingMassG: number
  reserve: number
  staticMarginPct: number
  zone: Zone
}

export function schoolFigures(
  assessor: Assessor,
  doc: ProjectFile,
  zone: Zone,
  name: string,
  summary: string,
  badAt: string,
  filament: Filament,
): SchoolFigures {
  const changed = withZone(doc, zone)
  const { pieces, totals, strength, flight } = assessor.assess(changed)
  const own = pieces.filter(piece => piece.zone === zone.id)
  const walls = zone.recipe.walls + (zone.recipe.skinGapMm ? 1 : 0)
  return {
    school: zone.recipe.school,
    name,
    summary,
    badAt,
    filament: filament.name,
    massG: sum(own.map(piece => piece.predictedG)),
    hours: sum(own.map(piece => piece.hours)),
    cost: sum(own.map(piece => piece.cost)),
    skinStiffness:
      (printedMaterial(zone.recipe, filament).modulus * walls * mmToM(beadThickness(zone.recipe, filament))) /
      1000,
    flyingMassG: totals.massG,
    reserve: strength.reserve,
    staticMarginPct: flight.staticMarginPct,
    zone,
  }
}

const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0)

/**
 * Every school in one filament for a zone, lightest first. The zone's present recipe stands first, as it is.
 */
export function compareSchools(
  assessor: Assessor,
  libraries: Libraries,
  doc: ProjectFile,
  zoneId: string,
  filamentId: string,
): SchoolFigures[] {
  const zone = doc.zones.find(item => item.id === zoneId)
  const filament = libraries.filaments.find(item => item.id === filamentId)
  if (!zone || !filament) throw new Error(`no zone ${zoneId} or filament ${filamentId}`)
  const own = libraries.filaments.find(item => item.id === zone.filament) ?? libraries.filaments[0]
  const present = schoolFigures(
    assessor,
    doc,
    zone,
    'As it is',
    libraries.schools.find(s => s.id === zone.recipe.school)?.summary ?? '',
    own.badFor,
    own,
  )
  const others = libraries.schools.map(school =>
    schoolFigures(
      assessor,
      doc,
      { ...zone, filament: filament.id, recipe: recipeFor(school, filament) },
      school.name,
      school.summary,
      school.badAt,
      filament,
    ),
  )
  return [present, ...others.sort((a, b) => a.massG - b.massG)]
}
