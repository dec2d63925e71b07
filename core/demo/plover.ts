/** Plover: a small pushed flying wing for evenings. No tail, twin fins at the tips, reflexed sections. */
import type { ProjectFile } from '../document'
import { LIBRARIES, recipeById } from '../libraries'

const glued = { fixing: 'bonded' as const, lay: 'middle' as const, route: 'straight' as const }
const school = (id: string, filament: string) => recipeById(id, LIBRARIES.filaments.find(item => item.id === filament))

const plain = { spreadG: 0.5, pair: false, bay: null, drops: false, weighed: false, pocket: null, battery: null, servo: null }
const pins = (atMm: number) => ({ atMm, joint: { kind: 'pins' as const, toleranceMm: 0.2 } })

export const PLOVER: ProjectFile = {
  format: 'mariposa-project', version: 4, id: 'plover', name: 'Plover', purpose: 'A small flying wing to throw after work: printed in an evening or two, no carbon longer than a spare rod.',
  brief: {
    targetMassG: 370, staticMarginPct: [5, 14], loadFactor: 6, safetyFactor: 1.5, printHours: 18, stallMaxMs: 9, cruiseMs: 15, topSpeedMs: 24, gustMs: 4, spanMaxMm: 900,
    throwMs: 8, bungeeN: 25, dropMm: 50, colour: 'white', currency: '€', launch: 'hand', landing: 'belly', windMaxMs: 5, fieldElevationM: 60, fieldTemperatureC: 20,
  },
  aerofoils: [],
  wing: {
    xMm: 0, yMm: 0, zMm: 0, incidenceDeg: 0, cantDeg: 0, mirror: true, rootChordMm: 250, rootAerofoil: 'naca23112', twistAxisShare: 0.25, tip: { kind: 'rounded', lengthMm: 14 },
    panels: [
      { spanMm: 120, tipChordMm: 215, sweepMm: 70, dihedralDeg: 0, tipTwistDeg: 0, tipAerofoil: 'naca23112', zone: 'centre' },
      { spanMm: 310, tipChordMm: 140, sweepMm: 185, dihedralDeg: 1, tipTwistDeg: -3, tipAerofoil: 'naca23110', zone: 'outer' },
    ],
    controls: [{ name: 'Elevons', kind: 'elevon', fromShare: 0.35, toShare: 0.95, chordShare: 0.22, throwUpDeg: 15, throwDownDeg: 12, hinge: { kind: 'tape', count: 4, gapMm: 0.5 }, linkage: { servo: 'servo', armMm: 9, hornMm: 14 } }],
  },
  tail: {
    kind: 'none', horizontal: null,
    vertical: {
      xMm: 292, yMm: 426, zMm: 4, incidenceDeg: 0, cantDeg: 85, mirror: true, rootChordMm: 110, rootAerofoil: 'naca0008', twistAxisShare: 0.25, tip: { kind: 'faired', lengthMm: 16 },
      panels: [{ spanMm: 90, tipChordMm: 70, sweepMm: 40, dihedralDeg: 0, tipTwistDeg: 0, tipAerofoil: 'naca0008', zone: 'outer' }], controls: [],
    },
  },
  body: null, boom: null,
  zones: [
    { id: 'centre', name: 'Centre section', filament: 'pla-tough', recipe: { ...school('bead-infill', 'pla-tough'), infillShare: 0.04 } },
    { id: 'outer', name: 'Outer wing and fins', filament: 'pla-foam', recipe: { ...school('spiral-lattice', 'pla-foam'), brimMm: 4 } },
  ],
  spars: [{ id: 'spar', name: 'Swept rod', stock: 'rod-5', surface: 'wing', fromMm: 10, toMm: 380, rootShare: 0.42, tipShare: 0.32, clearanceMm: 0.15, through: false, ...glued }],
  cuts: { wing: [pins(120), pins(275)], horizontal: [], vertical: [], body: [] },
  equipment: [
    { id: 'battery', name: 'Battery 3S 850 mAh', kind: 'battery', massG: 74, xMm: 36, yMm: 0, zMm: 6, sizeMm: [58, 30, 22], ...plain, bay: [-10, 120], battery: { cells: 3, capacityMah: 850 } },
    { id: 'motor', name: 'Motor 1806, 2300 rpm/V', kind: 'motor', massG: 20, xMm: 262, yMm: 0, zMm: 4, sizeMm: [24, 23, 23], ...plain },
    { id: 'propeller', name: 'Propeller 6 × 4 in', kind: 'propeller', massG: 5, xMm: 284, yMm: 0, zMm: 4, sizeMm: [10, 152, 12], ...plain },
    { id: 'controller', name: 'Speed controller 20 A', kind: 'speed-controller', massG: 14, xMm: 96, yMm: 20, zMm: 6, sizeMm: [34, 18, 7], ...plain },
    { id: 'receiver', name: 'Receiver, 4 channels', kind: 'receiver', massG: 6, xMm: 60, yMm: 32, zMm: 4, sizeMm: [28, 18, 8], ...plain },
    { id: 'servo', name: 'Elevon servo 9 g', kind: 'servo', massG: 10, xMm: 206, yMm: 165, zMm: -1, sizeMm: [23, 24, 12], ...plain, pair: true, pocket: { surface: 'wing', cableMm: 4 }, servo: { torqueNcm: 14, travelDeg: 50 } },
  ],
  allowances: { glueShare: 0.04, wireShare: 0.12, flowSpreadShare: 0.05 },
  printers: [{ id: 'only', name: 'The only one', bedMm: [235, 235, 250], wallSpeedMmS: 60, infillSpeedMmS: 90, travelSpeedMmS: 150, accelMmS2: 1500, cornerMmS: 8, flowMm3S: 11, layerMinS: 4, plateOverheadMin: 8, retractMm: 0.8, retractMmS: 35, nozzleMaxC: 270, enclosed: false }],
  spools: [{ id: 'foam', filament: 'pla-foam', massG: 400, pricePerKg: 46 }], printerOf: {}, given: [], wingSets: [], polars: [], gear: [], proofs: [], calibrations: [], weighIns: [],
  measured: { massG: null, cgMm: null, windMs: null, thrustG: null, scales: null }, checks: [], flights: [],
}
