/** A sketch drawn as its layout has it, cut for the beds: a whole project. */
import type { Assessor } from '../assess'
import type { ProjectFile, Ribs } from '../document'
import { USUAL_RIBS, type Libraries } from '../libraries'
import { proposeAllCuts } from '../workshop/advice'
import { filmEdges } from '../workshop/spine'
import { frame } from './frame'
import { LAYOUTS } from './layouts'
import { PURPOSES, type LayoutId } from './purposes'
import { folded } from './sheet-wing'
import type { Draft, Sketch } from './sketch'
import type { Wishes } from './wishes'

/** A light filament and a tough one of those at hand; foaming and tough, where none is named. */
function filamentsOf({ filaments }: Wishes, libraries: Libraries): { light: string; tough: string } {
  const own = libraries.filaments.filter(item => filaments.includes(item.id) && item.family !== 'flexible')
  const of = (families: readonly string[]) =>
    families.flatMap(family => own.filter(item => item.family === family))[0]?.id
  return {
    light: of(['foaming', 'ordinary', 'heat-proof', 'tough']) ?? 'pla-foam',
    tough: of(['tough', 'heat-proof', 'ordinary', 'foaming']) ?? 'pla-tough',
  }
}

export const draftOf = (wishes: Wishes, sketch: Sketch, libraries: Libraries): Draft => ({
  wishes,
  purpose: PURPOSES[wishes.purpose],
  sketch,
  ...filamentsOf(wishes, libraries),
})

export function drawSketch(
  id: LayoutId,
  wishes: Wishes,
  sketch: Sketch,
  brief: ProjectFile['brief'],
  { quick, libraries }: { quick: Assessor; libraries: Libraries },
): ProjectFile {
  const layout = LAYOUTS[id],
    purpose = PURPOSES[wishes.purpose]
  const bare = frame(
    {
      id: `begin-${wishes.purpose}-${id}`,
      name: `${purpose.noun}: ${layout.label}`,
      purpose: `${purpose.label}. It ${purpose.means}.`,
    },
    layout.draw(draftOf(wishes, sketch, libraries), libraries),
    brief,
    wishes,
    purpose,
  )
  const built = builtAs(bare, wishes, { quick, libraries })
  return { ...built, cuts: proposeAllCuts(quick.airframe(built)) }
}

/** The wing as it is wished for. */
function builtAs(
  doc: ProjectFile,
  { wing, purpose }: Wishes,
  means: { quick: Assessor; libraries: Libraries },
): ProjectFile {
  if (wing === 'sheet') return folded(doc, purpose === 'indoor', means.libraries)
  return wing === 'ribs' ? ribbed(doc, purpose, means) : doc
}

/** Indoors every gram of a wing counts, and nothing touches it. */
const HALL_RIBS: Ribs = { pitchMm: 70, thicknessMm: 1, rimMm: 2, film: 'film-hall' }

const FLAT: ProjectFile['wing']['tip'] = { kind: 'flat', lengthMm: 1 }

/** The wing of ribs, ended flat, with edges for its film. */
function ribbed(
  doc: ProjectFile,
  purpose: Wishes['purpose'],
  { quick, libraries }: { quick: Assessor; libraries: Libraries },
): ProjectFile {
  const own = new Set(doc.wing.panels.map(panel => panel.zone).filter(zone => zone.startsWith('wing-')))
  const framed: ProjectFile = {
    ...doc,
    wing: { ...doc.wing, tip: FLAT },
    second: doc.second && { ...doc.second, tip: FLAT },
    zones: doc.zones.map(zone =>
      own.has(zone.id) ? { ...zone, ribs: purpose === 'indoor' ? HALL_RIBS : USUAL_RIBS } : zone,
    ),
  }
  return { ...framed, spars: [...framed.spars, ...filmEdges(quick.airframe(framed), libraries)] }
}
