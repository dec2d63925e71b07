/** Winglets as the surface that they are: it stands where the wing ends, whatever becomes of the wing. mm, ° */
import { memoise } from '../memo'
import type { Surface, Winglet } from './schema'

const RADIANS = Math.PI / 180
/** Its end is rounded off over so much, and over no more than this share of its length. */
const ROUNDED_MM = 8,
  ROUNDED_SHARE = 0.3

/** Pairs of wing and winglets remembered: the present one and what comparisons try. */
const REMEMBERED = 64

/** The very same object for the same wing and winglets. */
export const wingletSurface = memoise((wing: Surface, winglet: Winglet): Surface => {
  const last = wing.panels[wing.panels.length - 1]
  let s = 0,
    lead = wing.xMm,
    n = 0
  for (const { spanMm, sweepMm, dihedralDeg } of wing.panels) {
    s += spanMm
    lead += sweepMm
    n += spanMm * Math.tan(dihedralDeg * RADIANS)
  }
  const cos = Math.cos(wing.cantDeg * RADIANS),
    sin = Math.sin(wing.cantDeg * RADIANS)
  return {
    xMm: lead + last.tipChordMm - winglet.rootChordMm,
    yMm: wing.yMm + s * cos - n * sin,
    zMm: wing.zMm + s * sin + n * cos,
    // What the wing is turned by turns a winglet the less the more upright it stands.
    incidenceDeg:
      (wing.incidenceDeg + last.tipTwistDeg) * Math.cos(winglet.cantDeg * RADIANS) + winglet.toeDeg,
    cantDeg: winglet.cantDeg,
    mirror: wing.mirror,
    rootChordMm: winglet.rootChordMm,
    rootAerofoil: winglet.aerofoil,
    twistAxisShare: wing.twistAxisShare,
    tip: { kind: 'rounded', lengthMm: Math.min(ROUNDED_MM, ROUNDED_SHARE * winglet.lengthMm) },
    panels: [
      {
        spanMm: winglet.lengthMm,
        tipChordMm: winglet.tipChordMm,
        sweepMm: winglet.sweepMm,
        dihedralDeg: 0,
        tipTwistDeg: 0,
        tipAerofoil: winglet.aerofoil,
        zone: winglet.zone,
      },
    ],
    controls: [],
  }
}, REMEMBERED)
