/** Fins at the tips of a swept wing, both alike, leaning out a little. mm, ° */
import type { Surface } from '../document'
import { half, whole } from './sketch'
import { placeAt } from './wing'

/** Tip chord over root chord, and how far the leading edge sweeps over the height. */
const TAPER = 0.64,
  SWEPT = 0.4
/** Root chord over the tip chord of the wing at most; from where on the wing's tip it stands. */
const MOST_ROOT = 0.92,
  REAR = 0.98

/** `areaMm2` of one; `aspect`: height over mean chord, as far as the wing's tip lets its root be that long. */
export function tipFins(wing: Surface, areaMm2: number, aspect: number, zone: string): Surface {
  const end = placeAt(wing, 1)
  const root = Math.min(MOST_ROOT * end.chord, (2 * areaMm2) / ((1 + TAPER) * Math.sqrt(aspect * areaMm2)))
  const high = (2 * areaMm2) / ((1 + TAPER) * root)
  return {
    xMm: half(end.lead + REAR * end.chord - root),
    yMm: half(end.y - 4),
    zMm: half(end.z + 4),
    incidenceDeg: 0,
    cantDeg: 85,
    mirror: true,
    rootChordMm: half(root),
    rootAerofoil: 'naca0008',
    twistAxisShare: 0.25,
    tip: { kind: 'faired', lengthMm: whole(0.17 * high) },
    panels: [
      {
        spanMm: half(high),
        tipChordMm: half(TAPER * root),
        sweepMm: half(SWEPT * high),
        dihedralDeg: 0,
        tipTwistDeg: 0,
        tipAerofoil: 'naca0008',
        zone,
      },
    ],
    controls: [],
  }
}
