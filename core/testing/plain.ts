/** Aircraft stripped to skins and bores, for proofs against closed forms. */
import type { Cut, ProjectFile, Surface } from '../document'

export const buttCuts = (...places: number[]): Cut[] =>
  places.map((atMm, i) => ({ atMm, joint: { kind: 'butt', toleranceMm: 0.2 }, piece: i + 2 }))

export const plainSurface = (surface: Surface): Surface => ({
  ...surface,
  controls: [],
  tip: { kind: 'flat', lengthMm: 10 },
})

/** No control surfaces, pockets, openings, firewall, seat, rounded tips or joints but butts. */
export const plain = (doc: ProjectFile): ProjectFile => ({
  ...doc,
  wing: plainSurface(doc.wing),
  equipment: doc.equipment.map(item => ({ ...item, pocket: null })),
  tail: {
    ...doc.tail,
    horizontal: doc.tail.horizontal && plainSurface(doc.tail.horizontal),
    vertical: doc.tail.vertical && plainSurface(doc.tail.vertical),
  },
  body: doc.body && { ...doc.body, firewall: null, openings: [], saddle: null },
  cuts: {
    wing: buttCuts(...doc.cuts.wing.map(c => c.atMm)),
    second: buttCuts(...doc.cuts.second.map(c => c.atMm)),
    winglet: [],
    horizontal: buttCuts(...doc.cuts.horizontal.map(c => c.atMm)),
    vertical: buttCuts(...doc.cuts.vertical.map(c => c.atMm)),
    body: buttCuts(...doc.cuts.body.map(c => c.atMm)),
  },
})
