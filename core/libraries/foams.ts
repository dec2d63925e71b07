/**
 * Sheets of foam that wings and tails are cut from. Made-up entries with typical properties, on the weak side of what is
 * measured: of tension and crushing the lesser counts for both.
 */
import type { Sheet } from '../document'
import { gpaToPa, mpaToPa } from '../units'
import type { Filament } from './filaments'

export interface Foam {
  id: string
  name: string
  /** With its faces, kg/m³, and relative half range between makers and batches. */
  density: number
  densityRange: number
  /** In the plane of the sheet, Pa. */
  modulus: number
  /** Of tension and compression, the lesser, Pa. */
  strength: number
  /** °C at which it begins to sag. */
  softeningC: number
  /** Of a square metre that is a millimetre thick. */
  pricePerM2Mm: number
  /** What eats it. */
  glue: string
  summary: string
}

export const FOAMS: readonly Foam[] = [
  {
    id: 'sheet-xps',
    name: 'Extruded polystyrene sheet',
    density: 38,
    densityRange: 0.12,
    modulus: mpaToPa(11),
    strength: mpaToPa(0.18),
    softeningC: 75,
    pricePerM2Mm: 1.1,
    glue: 'foam-safe glue only: ordinary cyanoacrylate and solvents eat it',
    summary: 'smooth, stiff for its weight, dents and snaps; bends round a spar when scored and taped',
  },
  {
    id: 'sheet-epp',
    name: 'Expanded polypropylene sheet, 30 g/l',
    density: 30,
    densityRange: 0.1,
    modulus: mpaToPa(5),
    strength: mpaToPa(0.15),
    softeningC: 100,
    pricePerM2Mm: 2.2,
    glue: 'contact glue or hot glue; little else holds',
    summary: 'springs back from a crash; soft, so that spars carry nearly everything',
  },
  {
    id: 'sheet-paper-faced',
    name: 'Foam board, paper on both faces',
    density: 105,
    densityRange: 0.12,
    modulus: gpaToPa(0.2),
    strength: mpaToPa(1),
    softeningC: 75,
    pricePerM2Mm: 0.9,
    glue: 'any glue on the paper; the foam inside is eaten by solvents',
    summary: 'stiff and cheap, heavy; weak where it is wet, so tape or varnish it',
  },
]

/** What a zone of sheet begins with: wings of half a metre to a metre. */
export const USUAL_SHEET: Sheet = { foam: FOAMS[0].id, thicknessMm: 5, make: 'folded' }

/** Foam by its id; the first of the shelf stands in for one that is unknown, and a finding names it. */
export const foamOr = (foams: readonly Foam[], id: string): Foam =>
  foams.find(foam => foam.id === id) ?? foams[0]

/** Foam asked for what stages ask of a filament: the same in every direction, and nothing of it is melted. */
export const asMaterial = (foam: Foam): Filament => ({
  id: foam.id,
  name: foam.name,
  family: 'sheet',
  density: foam.density,
  densityRange: foam.densityRange,
  modulus: foam.modulus,
  strength: foam.strength,
  acrossShare: 1,
  acrossRange: 0,
  acrossModulusShare: 1,
  expansion: null,
  softeningC: foam.softeningC,
  nozzleC: [0, 0],
  bedC: 0,
  fanShare: 0,
  maxFlowMm3S: 1,
  // A square metre of a millimetre is a thousandth of a cubic metre.
  pricePerKg: (1000 * foam.pricePerM2Mm) / foam.density,
  spoolG: 0,
  onePieceAPlate: false,
  needsEnclosure: false,
  warp: 'low',
  fumes: null,
  goodFor: foam.summary,
  badFor: foam.glue,
})
