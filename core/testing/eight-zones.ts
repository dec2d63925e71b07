/** The first demo with eight zones instead of five, and a space of over a million combinations over them. */
import { DEMOS } from '../demo'
import type { ProjectFile } from '../document'
import { readVary, type Vary } from '../study/combinations'

/**
 * Hatch-bearing front, pod and tail cone of the body, inner, outer and tip panels of the wing, tailplane and
 * fin, each with a zone of its own.
 */
export function eightZones(): ProjectFile {
  const doc = structuredClone(DEMOS[0])
  const copy = (from: string, id: string, name: string) =>
    doc.zones.push({ ...structuredClone(doc.zones.find(zone => zone.id === from)!), id, name })
  copy('body', 'cone', 'Tail cone')
  copy('wing-outer', 'tip', 'Wing tip')
  copy('tail', 'fin', 'Fin')
  doc.body!.stations.slice(-2).forEach(station => {
    station.zone = 'cone'
  })
  const [inner, outer] = doc.wing.panels
  // The outer panel in two, at the cut that it has already.
  const at =
      doc.cuts.wing.map(cut => cut.atMm - inner.spanMm).find(s => s > 20 && s < outer.spanMm - 20) ??
      outer.spanMm / 2,
    share = at / outer.spanMm
  const middle = {
    ...outer,
    spanMm: at,
    sweepMm: outer.sweepMm * share,
    tipChordMm: inner.tipChordMm + (outer.tipChordMm - inner.tipChordMm) * share,
    tipTwistDeg: inner.tipTwistDeg + (outer.tipTwistDeg - inner.tipTwistDeg) * share,
  }
  doc.wing.panels = [
    inner,
    middle,
    { ...outer, spanMm: outer.spanMm - at, sweepMm: outer.sweepMm * (1 - share), zone: 'tip' },
  ]
  doc.tail.vertical!.panels.forEach(panel => {
    panel.zone = 'fin'
  })
  return doc
}

const OPTIONS: Vary['zones'][string] = [
  {},
  { school: 'bead-infill' },
  { filament: 'pla-tough', school: 'beads' },
  { filament: 'petg', school: 'double-skin' },
  { filament: 'asa', school: 'beads' },
  { filament: 'pla', school: 'bead-infill' },
]

/** 5⁴ · 6⁴ options of eight zones and three tubes: 2,430,000. With fewer options, less. */
export const millionSpace = (
  doc: ProjectFile,
  must: Partial<Vary['must']> = { staticMarginPct: doc.brief.staticMarginPct, reserveMin: 1 },
): Vary =>
  readVary({
    zones: Object.fromEntries(
      doc.zones.map((zone, i) => [zone.id, OPTIONS.slice(0, i % 2 ? 5 : 4 + Number(i === 0))]),
    ),
    spars: { 'main-spar': ['tube-8x6', 'tube-10x8', 'tube-6x4'], joiner: ['rod-5', 'rod-4'] },
    must,
  })
