import type { ProjectFile } from '../document'

/** A plank without spars or breaks: the same section everywhere. */
export const plank = (draft: ProjectFile) => {
  draft.spars = draft.spars.filter(spar => spar.surface !== 'wing')
  draft.equipment = draft.equipment.filter(item => item.id !== 'aileron-servo')
  draft.wing.controls = []
  draft.cuts.wing = []
  draft.wing.tip = { kind: 'flat', lengthMm: 5 }
  draft.wing.panels = [{ ...draft.wing.panels[0], spanMm: 600, tipChordMm: 195, dihedralDeg: 0 }]
}
