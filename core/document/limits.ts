/**
 * Limits of every editable figure, in the document's own units (mm, g, °, °C, h).
 * One table, so that the schema refuses what the fields on screen refuse.
 */
export const LIMITS = {
  spanMm: [10, 3000],
  chordMm: [10, 1200],
  sweepMm: [-600, 1200],
  dihedralDeg: [-30, 80],
  twistDeg: [-15, 15],
  positionMm: [-2000, 4000],
  incidenceDeg: [-15, 15],
  massG: [0, 20000],
  share: [0, 1],
  sizeMm: [0, 3000],
  bodySizeMm: [2, 600],
  beadWidthMm: [0.15, 1.5],
  layerHeightMm: [0.05, 0.8],
  nozzleC: [150, 320],
  flow: [0.2, 1.5],
  pitchMm: [5, 300],
  slitMm: [0.01, 0.3],
  overlapMm: [0, 0.5],
  leanDeg: [0, 50],
  ribPitchMm: [15, 300],
  ribThicknessMm: [0.6, 12],
  rimMm: [1, 40],
  sheetMm: [1, 15],
  hours: [0.1, 2000],
  hoursOff: [0, 2000],
  loadFactor: [1, 20],
  speedMs: [0.5, 100],
  temperatureC: [-40, 60],
  elevationM: [-430, 6000],
} as const satisfies Record<string, readonly [number, number]>

export type LimitName = keyof typeof LIMITS
