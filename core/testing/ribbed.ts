/** Thistledown with a wing of printed ribs under film: edges, a main spar to the tip, no cuts. mm */
import type { ProjectFile, Spar } from '../document'
import { DEMOS } from '../demo'
import { USUAL_RIBS } from '../libraries'
import { changed } from './changed'

const [thistledown] = DEMOS

export const edgeSpar = (id: string, stock: string, share: number, toMm: number): Spar => ({
  id,
  name: id,
  stock,
  surface: 'wing',
  fromMm: 0,
  toMm,
  rootShare: share,
  tipShare: share,
  clearanceMm: 0.1,
  through: false,
  fixing: 'bonded',
  lay: 'middle',
  route: 'straight',
})

export const ribbed = (change: (draft: ProjectFile) => void = () => {}, ribs = USUAL_RIBS): ProjectFile =>
  changed(thistledown, draft => {
    const own = new Set(draft.wing.panels.map(panel => panel.zone))
    for (const zone of draft.zones) if (own.has(zone.id)) zone.ribs = ribs
    draft.cuts.wing = []
    const spanMm = draft.wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
    // Flat from tip to tip, so that one tube runs through; it ends where a length of stock does.
    for (const panel of draft.wing.panels) panel.dihedralDeg = 0
    // What lies in the wing comes down with it.
    for (const item of draft.equipment) if (item.pocket?.surface === 'wing') item.zMm = draft.wing.zMm + 2
    draft.brief.topSpeedMs = 17
    draft.wing.tip = { kind: 'flat', lengthMm: 1 }
    draft.spars = draft.spars.filter(spar => !['joiner', 'rear-rod'].includes(spar.id))
    Object.assign(
      draft.spars.find(spar => spar.id === 'main-spar')!,
      { toMm: 495, through: true },
    )
    draft.spars.push(
      edgeSpar('leading-edge', 'rod-3', 0.035, spanMm),
      edgeSpar('hinge-edge', 'wood-3x3', 0.7, spanMm),
      edgeSpar('trailing-edge', 'strip-4x1', 0.93, spanMm),
    )
    change(draft)
  })
