/** Bending section of printed skin and spars at a station, weighted by modulus. SI out, mm in. */
import type { SparLine } from '../geometry'
import { stockArea, stockInertia } from '../libraries'
import type { InsetField } from '../printing'
import { mmToM } from '../units'

export interface SectionSpar { line: SparLine, n: number }

export interface BendingSection {
  /** E·I about the neutral axis, N·m²: all, the skin's part, and the spars' alone about their own axis. */
  EI: number
  skinEI: number
  sparEI: number
  /** Neutral axis and the outermost skin above and below it, m. */
  neutral: number
  top: number
  bottom: number
}

/**
 * Skin beads carry at `skinModulus` over `thickness(e)` (m) at each edge of the outer contour; lattice and infill are
 * left out. Spars are bonded along their length. Bernoulli: plane sections stay plane.
 */
export function bendingSection(field: InsetField, thickness: (edge: number) => number, skinModulus: number, spars: readonly SectionSpar[]): BendingSection {
  let EA = 0, ES = 0, EQ = 0, top = -Infinity, bottom = Infinity
  // The outer contour is the first loop; bores follow.
  for (let e = 0; e < field.starts[1]; e++) {
    const n = mmToM(field.midY[e])
    const part = skinModulus * mmToM(field.length[e]) * thickness(e)
    // Each edge's own second moment about its middle, for edges that stand across the section.
    const rise = mmToM(field.length[e]) * Math.abs(field.normalX[e])
    EA += part
    ES += part * n
    EQ += part * (n * n + (rise * rise) / 12)
    top = Math.max(top, n)
    bottom = Math.min(bottom, n)
  }
  const skinNeutral = EA > 0 ? ES / EA : 0
  const skinEI = EA > 0 ? EQ - EA * skinNeutral ** 2 : 0
  let sparEI = 0
  for (const { line, n } of spars) {
    const ea = line.stock.modulus * stockArea(line.stock), at = mmToM(n)
    const own = line.stock.modulus * stockInertia(line.stock)
    sparEI += own
    EA += ea
    ES += ea * at
    EQ += ea * at * at + own
  }
  const neutral = EA > 0 ? ES / EA : 0
  return { EI: EQ - EA * neutral ** 2, skinEI, sparEI, neutral, top: top - neutral, bottom: bottom - neutral }
}
