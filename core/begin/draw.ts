/** A sketch drawn as its layout has it, cut for the beds: a whole project. */
import type { Assessor } from '../assess'
import type { ProjectFile } from '../document'
import type { Libraries } from '../libraries'
import { proposeAllCuts } from '../workshop/advice'
import { frame } from './frame'
import { LAYOUTS } from './layouts'
import { PURPOSES, type LayoutId } from './purposes'
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
  return { ...bare, cuts: proposeAllCuts(quick.airframe(bare)) }
}
