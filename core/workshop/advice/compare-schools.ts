/** Schools compared for one zone: the same aircraft assessed with each, side by side. */
import { coveredStretches, LAPS, type Assessor } from '../../assess'
import type { ProjectFile, Zone } from '../../document'
import { recipeFor, USUAL_RIBS, type Filament, type Libraries } from '../../libraries'
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
  /** Of the pieces of this zone, and of the film on them. */
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
  const films = coveredStretches(assessor.airframe(changed)).filter(item => item.zone === zone.id)
  const walls = zone.recipe.walls + (zone.recipe.skinGapMm ? 1 : 0)
  return {
    school: zone.ribs ? 'ribs' : zone.recipe.school,
    name,
    summary,
    badAt,
    filament: filament.name,
    massG:
      sum(own.map(piece => piece.predictedG)) +
      sum(films.map(({ film, area }) => 1000 * film.arealMass * area * (1 + LAPS))),
    hours: sum(own.map(piece => piece.hours)),
    cost: sum(own.map(piece => piece.cost)),
    skinStiffness:
      zone.ribs && films.length
        ? (films[0].film.modulus * films[0].film.thickness) / 1000
        : (printedMaterial(zone.recipe, filament).modulus *
            walls *
            mmToM(beadThickness(zone.recipe, filament))) /
          1000,
    flyingMassG: totals.massG,
    reserve: strength.reserve,
    staticMarginPct: flight.staticMarginPct,
    zone,
  }
}

export const RIBS_NAME = 'Ribs under film'

/** Is a zone one of a wing or tail? */
export const carriesLift = ({ wing, tail }: Pick<ProjectFile, 'wing' | 'tail'>, zone: string): boolean =>
  [wing, tail.horizontal, tail.vertical].some(surface => surface?.panels.some(panel => panel.zone === zone))

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
      { ...zone, filament: filament.id, recipe: recipeFor(school, filament), ribs: null },
      school.name,
      school.summary,
      school.badAt,
      filament,
    ),
  )
  if (!zone.ribs && carriesLift(doc, zone.id))
    others.push(
      schoolFigures(
        assessor,
        doc,
        { ...zone, filament: filament.id, ribs: USUAL_RIBS },
        RIBS_NAME,
        'printed ribs on spars and edges, under film',
        'wants edges to lie on; the film is dented and torn, and twists easily',
        filament,
      ),
    )
  return [present, ...others.sort((a, b) => a.massG - b.massG)]
}
