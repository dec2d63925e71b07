/** Winglets as the surface that they are: it stands where the wing ends, whatever becomes of the wing. mm, ° */
import { memoise } from '../memo'
import type { Surface, Winglet } from './schema'

const RADIANS = Math.PI / 180
/** Its end is rounded off over so much, and over no more than this share of its length. */
const ROUNDED_MM = 8,
  ROUNDED_SHARE = 0.3

/** Pairs of wing and winglets remembered: the present one and what comparisons try. */
const REMEMBERED = 64

/** What of a wing it stands on: neither its root's section nor what moves on it. */
type Carrier = Pick<
  Surface,
  'xMm' | 'yMm' | 'zMm' | 'cantDeg' | 'incidenceDeg' | 'twistAxisShare' | 'mirror' | 'panels'
>

const standing = memoise(
  (
    winglet: Winglet,
    panels: Surface['panels'],
    xMm: number,
    yMm: number,
    zMm: number,
    cantDeg: number,
    incidenceDeg: number,
    twistAxisShare: number,
    mirror: boolean,
  ): Surface => {
    const last = panels[panels.length - 1]
    let s = 0,
      lead = xMm,
      n = 0
    for (const { spanMm, sweepMm, dihedralDeg } of panels) {
      s += spanMm
      lead += sweepMm
      n += spanMm * Math.tan(dihedralDeg * RADIANS)
    }
    const cos = Math.cos(cantDeg * RADIANS),
      sin = Math.sin(cantDeg * RADIANS)
    return {
      xMm: lead + last.tipChordMm - winglet.rootChordMm,
      yMm: yMm + s * cos - n * sin,
      zMm: zMm + s * sin + n * cos,
      // What the wing is turned by turns a winglet the less the more upright it stands.
      incidenceDeg: (incidenceDeg + last.tipTwistDeg) * Math.cos(winglet.cantDeg * RADIANS) + winglet.toeDeg,
      cantDeg: winglet.cantDeg,
      mirror,
      rootChordMm: winglet.rootChordMm,
      rootAerofoil: winglet.aerofoil,
      twistAxisShare,
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
  },
  REMEMBERED,
)

/** The very same object while nothing of it changes that it stands on. */
export const wingletSurface = (wing: Carrier, winglet: Winglet): Surface =>
  standing(
    winglet,
    wing.panels,
    wing.xMm,
    wing.yMm,
    wing.zMm,
    wing.cantDeg,
    wing.incidenceDeg,
    wing.twistAxisShare,
    wing.mirror,
  )
