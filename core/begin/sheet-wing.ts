/** A sketch's wing as one that is folded from sheet foam: level, over one spar from tip to tip. mm */
import type { ProjectFile, Sheet } from '../document'
import { stockOr, USUAL_SHEET, type Libraries } from '../libraries'
import { half } from './sketch'
import { placeAt } from './wing'

/** Thickness that wings of a half span are folded from: indoors, up to a little over a metre in all, beyond. */
const INDOORS = 2,
  SMALL = 3,
  SMALL_TO = 600

const sheetFor = (halfMm: number, indoors: boolean): Sheet => {
  const outdoors = halfMm <= SMALL_TO ? SMALL : USUAL_SHEET.thicknessMm
  return { ...USUAL_SHEET, thicknessMm: indoors ? INDOORS : outdoors }
}

/** Of a length of stock, what is left over at either end. */
const SPARE = 5

/** What lies nearer to the middle lies in the body. */
const IN_BODY = 30

/** Foam holds no joiner: where halves would meet at an angle, they lie level and share their spar. */
export function folded(doc: ProjectFile, indoors: boolean, libraries: Libraries): ProjectFile {
  const own = new Set(doc.wing.panels.map(panel => panel.zone).filter(zone => zone.startsWith('wing-')))
  const halfMm = doc.wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
  const sheet = sheetFor(halfMm, indoors)
  // What lies in the wing, or hangs on it, comes down with it.
  const risen = (yMm: number) =>
    Math.abs(yMm) < IN_BODY ? 0 : placeAt(doc.wing, Math.abs(yMm) / halfMm).z - doc.wing.zMm
  const level = doc.wing.panels.map(panel => ({ ...panel, dihedralDeg: 0 }))
  return {
    ...doc,
    wing: { ...doc.wing, tip: { kind: 'flat', lengthMm: 1 }, panels: level },
    zones: doc.zones.map(zone => (own.has(zone.id) ? { ...zone, sheet } : zone)),
    spars: doc.spars
      .filter(spar => spar.id !== 'joiner')
      .map(spar =>
        spar.id === 'main-spar'
          ? {
              ...spar,
              through: true,
              fixing: 'bonded' as const,
              toMm: Math.min(spar.toMm, stockOr(libraries, spar.stock).lengthMm / 2 - SPARE),
            }
          : spar,
      ),
    equipment: doc.equipment.map(item => ({ ...item, zMm: half(item.zMm - risen(item.yMm)) })),
    pods: doc.pods.map(pod => ({ ...pod, zMm: half(pod.zMm - risen(pod.yMm)) })),
  }
}
