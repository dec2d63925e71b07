/** Thistledown with its wing folded from sheet foam over one tube from tip to tip, and tails of flat, paper-faced sheet. mm */
import type { ProjectFile, Sheet } from '../document'
import { DEMOS } from '../demo'
import { USUAL_SHEET } from '../libraries'
import { changed } from './changed'

const [thistledown] = DEMOS

export const sheeted = (
  change: (draft: ProjectFile) => void = () => {},
  sheet: Sheet = { ...USUAL_SHEET, thicknessMm: 3 },
): ProjectFile =>
  changed(thistledown, draft => {
    const wing = new Set(draft.wing.panels.map(panel => panel.zone)),
      tail = new Set(
        [draft.tail.horizontal, draft.tail.vertical].flatMap(
          item => item?.panels.map(panel => panel.zone) ?? [],
        ),
      )
    for (const zone of draft.zones) {
      if (wing.has(zone.id)) zone.sheet = sheet
      else if (tail.has(zone.id)) zone.sheet = { foam: 'sheet-paper-faced', make: 'flat', thicknessMm: 5 }
    }
    draft.cuts = { ...draft.cuts, wing: [], horizontal: [], vertical: [] }
    // Flat from tip to tip, so that one tube runs through.
    for (const panel of draft.wing.panels) panel.dihedralDeg = 0
    for (const item of draft.equipment) if (item.pocket?.surface === 'wing') item.zMm = draft.wing.zMm + 2
    draft.brief.topSpeedMs = 17
    draft.wing.tip = { kind: 'flat', lengthMm: 1 }
    draft.spars = draft.spars.filter(spar => !['joiner', 'rear-rod'].includes(spar.id))
    Object.assign(
      draft.spars.find(spar => spar.id === 'main-spar')!,
      { toMm: 495, through: true, stock: 'tube-8x6' },
    )
    // From tip to tip: foam alone bears no elevator hard over.
    Object.assign(
      draft.spars.find(spar => spar.id === 'tail-rod')!,
      { toMm: 200, through: true },
    )
    draft.weighIns = []
    change(draft)
  })

/** The same without a boom: its body, round at the end, reaches under the tail, whose sheets are pushed into slots of it. */
export const slotted = (change: (draft: ProjectFile) => void = () => {}): ProjectFile =>
  sheeted(draft => {
    const body = draft.body!,
      { horizontal, vertical } = draft.tail
    const last = body.stations.at(-1)!
    const rear = Math.max(horizontal!.xMm + horizontal!.rootChordMm, vertical!.xMm + vertical!.rootChordMm)
    for (const [xMm, size] of [
      [horizontal!.xMm - 60, 44],
      [rear + 30, 44],
    ])
      body.stations.push({ ...last, xMm, widthMm: size, heightMm: size, zMm: 0, squareness: 0 })
    Object.assign(horizontal!, { yMm: 0, zMm: 0 })
    vertical!.zMm = 8
    draft.boom = null
    draft.tail.slots = true
    change(draft)
  })
