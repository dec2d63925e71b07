/** Schools compared for one zone: the same aircraft assessed with each, side by side. */
import { coveredStretches, LAPS, type Assessor } from '../../assess'
import { type ProjectFile, type Zone, carriesLift } from '../../document'
import {
  asMaterial,
  foamOr,
  recipeFor,
  USUAL_RIBS,
  USUAL_SHEET,
  type Filament,
  type Film,
  type Libraries,
} from '../../libraries'
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

/** What a zone is built by: its school, where it is printed as a shell. */
function wayOf({ ribs, sheet, recipe }: Zone): string {
  if (sheet) return 'sheet'
  return ribs ? 'ribs' : recipe.school
}

/** E·t along the span, N/m. */
function skinStiffness({ ribs, sheet, recipe }: Zone, material: Filament, film: Film | undefined): number {
  if (sheet) return material.modulus * mmToM(sheet.thicknessMm)
  if (ribs && film) return film.modulus * film.thickness
  const walls = recipe.walls + (recipe.skinGapMm ? 1 : 0)
  return printedMaterial(recipe, material).modulus * walls * mmToM(beadThickness(recipe, material))
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
  return {
    school: wayOf(zone),
    name,
    summary,
    badAt,
    filament: filament.name,
    massG:
      sum(own.map(piece => piece.predictedG)) +
      sum(films.map(({ film, area }) => 1000 * film.arealMass * area * (1 + LAPS))),
    hours: sum(own.map(piece => piece.hours)),
    cost: sum(own.map(piece => piece.cost)),
    skinStiffness: skinStiffness(zone, filament, films[0]?.film) / 1000,
    flyingMassG: totals.massG,
    reserve: strength.reserve,
    staticMarginPct: flight.staticMarginPct,
    zone,
  }
}

export const RIBS_NAME = 'Ribs under film'
export const SHEET_NAME = 'Folded sheet of foam'

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
  const printed = libraries.filaments.find(item => item.id === zone.filament) ?? libraries.filaments[0],
    own = zone.sheet ? asMaterial(foamOr(libraries.foams, zone.sheet.foam)) : printed
  const present = schoolFigures(
    assessor,
    doc,
    zone,
    'As it is',
    zone.sheet ? own.goodFor : (libraries.schools.find(s => s.id === zone.recipe.school)?.summary ?? ''),
    own.badFor,
    own,
  )
  const others = libraries.schools.map(school =>
    schoolFigures(
      assessor,
      doc,
      { ...zone, filament: filament.id, recipe: recipeFor(school, filament), ribs: null, sheet: null },
      school.name,
      school.summary,
      school.badAt,
      filament,
    ),
  )
  const lifts = carriesLift(doc, zone.id)
  if (!zone.ribs && lifts)
    others.push(
      schoolFigures(
        assessor,
        doc,
        { ...zone, filament: filament.id, ribs: USUAL_RIBS, sheet: null },
        RIBS_NAME,
        'printed ribs on spars and edges, under film',
        'wants edges to lie on; the film is dented and torn, and twists easily',
        filament,
      ),
    )
  if (!zone.sheet && lifts)
    others.push(
      schoolFigures(
        assessor,
        doc,
        { ...zone, ribs: null, sheet: USUAL_SHEET },
        SHEET_NAME,
        'one sheet round the nose, over the spar; no hour of printing',
        'dents; spars carry nearly all, and their ends want more than foam to sit in',
        asMaterial(foamOr(libraries.foams, USUAL_SHEET.foam)),
      ),
    )
  return [present, ...others.sort((a, b) => a.massG - b.massG)]
}
