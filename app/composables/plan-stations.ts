import type { Surface } from '../../core/document'

/**
 * Stations of a surface's plan, from the document alone: leading edge, chord and height at each panel end,
 * mm.
 */
export function planStations(surface: Surface) {
  let s = 0,
    lead = surface.xMm,
    z = surface.zMm
  const list = [{ s, lead, chord: surface.rootChordMm, z }]
  for (const panel of surface.panels) {
    s += panel.spanMm
    lead += panel.sweepMm
    z += panel.spanMm * Math.tan((panel.dihedralDeg * Math.PI) / 180)
    list.push({ s, lead, chord: panel.tipChordMm, z })
  }
  return list.map(item => ({ ...item, y: surface.yMm + item.s }))
}
