/** Thistledown's print room: two printers, three spools, the first plates, and what was accepted of them. */
import { PRINTER_DEFAULTS, type ProjectFile, type Recipe } from '../document'

/** A piece alone on its plate, in the middle of what a bed holds. */
const printed = (
  piece: string,
  printer: string,
  begun: string,
  ended: string,
  gramsOff: number,
): ProjectFile['plates'][number] => ({
  id: `p-${piece}-${begun.slice(5, 10)}`,
  printer,
  pieces: [{ piece, xMm: 30, yMm: 30, turnDeg: 45 }],
  state: 'done',
  notBefore: null,
  begun,
  ended,
  spool: printer === 'tall' ? 'foam-white' : null,
  gramsOff,
  fault: null,
})
const accepted = (
  piece: string,
  printer: string,
  filament: string,
  recipe: Recipe,
  date: string,
  note: string,
): ProjectFile['accepted'][number] => ({
  piece,
  printer,
  filament,
  // A copy: what was printed stays what it was.
  recipe: { ...recipe, lattice: recipe.lattice && { ...recipe.lattice } },
  date,
  byHand: false,
  note,
})

export const roomOf = (
  wing: Recipe,
  nose: Recipe,
): Pick<
  ProjectFile,
  'printers' | 'spools' | 'printerOf' | 'plates' | 'accepted' | 'asPrinted' | 'fileChecks'
> => ({
  printers: [
    {
      id: 'tall',
      name: 'Tall one',
      bedMm: [220, 220, 250],
      wallSpeedMmS: 60,
      infillSpeedMmS: 90,
      travelSpeedMmS: 180,
      accelMmS2: 2000,
      cornerMmS: 8,
      flowMm3S: 12,
      layerMinS: 4,
      plateOverheadMin: 8,
      retractMm: 0.8,
      retractMmS: 35,
      nozzleMaxC: 280,
      enclosed: false,
      ...PRINTER_DEFAULTS,
      spool: 'foam-white',
    },
    {
      id: 'boxed',
      name: 'Boxed one',
      bedMm: [250, 210, 210],
      wallSpeedMmS: 80,
      infillSpeedMmS: 120,
      travelSpeedMmS: 250,
      accelMmS2: 4000,
      cornerMmS: 10,
      flowMm3S: 15,
      layerMinS: 4,
      plateOverheadMin: 6,
      retractMm: 0.6,
      retractMmS: 40,
      nozzleMaxC: 300,
      enclosed: true,
      ...PRINTER_DEFAULTS,
      spool: 'foam-white-2',
      runs: { fromH: 6, toH: 23 },
    },
  ],
  spools: [
    { id: 'foam-white', name: 'Foam white', filament: 'pla-foam', massG: 610, pricePerKg: 46 },
    { id: 'foam-white-2', name: 'Foam white, opened', filament: 'pla-foam', massG: 170, pricePerKg: 46 },
    { id: 'tough-grey', name: 'Tough grey', filament: 'pla-tough', massG: 820, pricePerKg: 26 },
  ],
  printerOf: {},
  plates: [
    printed('wing-1-starboard', 'tall', '2026-10-03T09:10', '2026-10-03T11:25', 24.3),
    printed('wing-1-port', 'boxed', '2026-10-04T10:05', '2026-10-04T11:50', 24.3),
    printed('body-1', 'boxed', '2026-10-04T18:20', '2026-10-04T22:05', 53.1),
    {
      ...printed('wing-3-starboard', 'tall', '2026-10-05T19:00', '2026-10-05T19:40', 9.1),
      state: 'failed',
      fault: { why: 'lifted', share: 0.42, note: 'the tip end let go of the bed' },
    },
  ],
  accepted: [
    accepted('wing-1-starboard', 'tall', 'pla-foam', wing, '2026-10-03', 'seam a little proud'),
    accepted('wing-1-port', 'boxed', 'pla-foam', wing, '2026-10-04', ''),
    accepted('body-1', 'boxed', 'pla-tough', nose, '2026-10-05', ''),
  ],
  asPrinted: [],
  fileChecks: [{ piece: 'wing-1-starboard', date: '2026-10-03', verdict: 'accepted', found: '' }],
})
