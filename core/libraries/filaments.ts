/**
 * Made-up but physically typical filaments. Values are mid-range for the family, as found across open
 * data sheets of the polymers; a maker's own coupon or scale replaces them. SI unless the name says
 * otherwise.
 */
import { gpaToPa, mpaToPa } from '../units'

export interface Filament {
  id: string
  name: string
  family: 'ordinary' | 'tough' | 'foaming' | 'heat-proof' | 'flexible' | 'sheet'
  /** kg/m³, unfoamed. */
  density: number
  /** Relative half range of density between makers. */
  densityRange: number
  /** Young's modulus along the bead, Pa, unfoamed. */
  modulus: number
  /** Tensile strength along the bead, Pa, unfoamed. */
  strength: number
  /** Strength across layers as a share of `strength`, and its half range. */
  acrossShare: number
  acrossRange: number
  /** Told of one as the printers at hand lay it: how fast the slowest lays its walls, mm/s. */
  laidMmS?: number
  /** Stiffness across layers as a share of `modulus`. */
  acrossModulusShare: number
  /**
   * Nozzle temperature (°C) against expansion X = solid density / foamed density; null when it does not foam.
   * The middle of what makers get (a one-bead wing in PETG weighs twice its foamed one), fed at 4 mm³/s.
   */
  expansion: ReadonlyArray<readonly [celsius: number, expansion: number]> | null
  /** °C at which a thin part begins to sag. */
  softeningC: number
  nozzleC: readonly [number, number]
  /** Bed, °C, and share of the part's fan from the second layer on: where to begin, not the last word. */
  bedC: number
  fanShare: number
  /** mm³/s that melts well. */
  maxFlowMm3S: number
  pricePerKg: number
  spoolG: number
  /** Oozes too much to travel between pieces on one plate. */
  onePieceAPlate: boolean
  needsEnclosure: boolean
  warp: 'low' | 'medium' | 'high'
  fumes: string | null
  goodFor: string
  badFor: string
}

export const FILAMENTS: readonly Filament[] = [
  {
    id: 'pla',
    name: 'PLA, ordinary',
    family: 'ordinary',
    density: 1240,
    densityRange: 0.02,
    modulus: gpaToPa(3.1),
    strength: mpaToPa(52),
    acrossShare: 0.55,
    acrossRange: 0.2,
    acrossModulusShare: 0.9,
    expansion: null,
    softeningC: 56,
    nozzleC: [190, 230],
    bedC: 58,
    fanShare: 1,
    maxFlowMm3S: 14,
    pricePerKg: 20,
    spoolG: 1000,
    onePieceAPlate: false,
    needsEnclosure: false,
    warp: 'low',
    fumes: null,
    goodFor: 'stiff, cheap, prints anywhere',
    badFor: 'brittle in a crash; sags in a hot car',
  },
  {
    id: 'pla-tough',
    name: 'PLA, tough',
    family: 'tough',
    density: 1220,
    densityRange: 0.02,
    modulus: gpaToPa(2.4),
    strength: mpaToPa(44),
    acrossShare: 0.65,
    acrossRange: 0.2,
    acrossModulusShare: 0.9,
    expansion: null,
    softeningC: 56,
    nozzleC: [205, 240],
    bedC: 58,
    fanShare: 0.8,
    maxFlowMm3S: 13,
    pricePerKg: 27,
    spoolG: 1000,
    onePieceAPlate: false,
    needsEnclosure: false,
    warp: 'low',
    fumes: null,
    goodFor: 'takes knocks: noses, mounts, horns',
    badFor: 'as heavy as ordinary; sags in a hot car',
  },
  {
    id: 'pla-foam',
    name: 'PLA, foaming',
    family: 'foaming',
    density: 1210,
    densityRange: 0.03,
    modulus: gpaToPa(2.7),
    strength: mpaToPa(42),
    acrossShare: 0.5,
    acrossRange: 0.3,
    acrossModulusShare: 0.85,
    expansion: [
      [195, 1.03],
      [205, 1.13],
      [215, 1.33],
      [225, 1.57],
      [235, 1.77],
      [245, 1.9],
      [255, 1.93],
    ],
    softeningC: 54,
    nozzleC: [195, 260],
    bedC: 50,
    fanShare: 0.3,
    maxFlowMm3S: 10,
    pricePerKg: 48,
    spoolG: 750,
    onePieceAPlate: true,
    needsEnclosure: false,
    warp: 'low',
    fumes: null,
    goodFor: 'about half the mass for the same shape',
    badFor: 'oozes; dents; sags in a hot car',
  },
  {
    id: 'asa-foam',
    name: 'ASA, foaming',
    family: 'foaming',
    density: 1070,
    densityRange: 0.03,
    modulus: gpaToPa(1.9),
    strength: mpaToPa(38),
    acrossShare: 0.55,
    acrossRange: 0.3,
    acrossModulusShare: 0.85,
    expansion: [
      [230, 1.03],
      [240, 1.2],
      [250, 1.47],
      [260, 1.73],
      [270, 1.87],
      [280, 1.9],
    ],
    softeningC: 92,
    nozzleC: [230, 280],
    bedC: 95,
    fanShare: 0,
    maxFlowMm3S: 10,
    pricePerKg: 55,
    spoolG: 750,
    onePieceAPlate: true,
    needsEnclosure: true,
    warp: 'medium',
    fumes: 'styrene: print in a ventilated enclosure',
    goodFor: 'light and heat-proof',
    badFor: 'oozes; needs a warm enclosure',
  },
  {
    id: 'petg',
    name: 'PETG',
    family: 'tough',
    density: 1270,
    densityRange: 0.02,
    modulus: gpaToPa(2.0),
    strength: mpaToPa(46),
    acrossShare: 0.6,
    acrossRange: 0.2,
    acrossModulusShare: 0.9,
    expansion: null,
    softeningC: 72,
    nozzleC: [225, 260],
    bedC: 78,
    fanShare: 0.4,
    maxFlowMm3S: 11,
    pricePerKg: 21,
    spoolG: 1000,
    onePieceAPlate: false,
    needsEnclosure: false,
    warp: 'low',
    fumes: null,
    goodFor: 'bends before it breaks; warm fields',
    badFor: 'heavy and soft; strings',
  },
  {
    id: 'asa',
    name: 'ASA',
    family: 'heat-proof',
    density: 1070,
    densityRange: 0.02,
    modulus: gpaToPa(2.1),
    strength: mpaToPa(44),
    acrossShare: 0.55,
    acrossRange: 0.25,
    acrossModulusShare: 0.9,
    expansion: null,
    softeningC: 94,
    nozzleC: [235, 270],
    bedC: 100,
    fanShare: 0.1,
    maxFlowMm3S: 12,
    pricePerKg: 29,
    spoolG: 1000,
    onePieceAPlate: false,
    needsEnclosure: true,
    warp: 'high',
    fumes: 'styrene: print in a ventilated enclosure',
    goodFor: 'heat-proof, weathers well',
    badFor: 'warps; needs a warm enclosure',
  },
  {
    id: 'tpu',
    name: 'TPU, flexible',
    family: 'flexible',
    density: 1210,
    densityRange: 0.03,
    modulus: gpaToPa(0.06),
    strength: mpaToPa(30),
    acrossShare: 0.8,
    acrossRange: 0.15,
    acrossModulusShare: 0.95,
    expansion: null,
    softeningC: 80,
    nozzleC: [210, 240],
    bedC: 45,
    fanShare: 0.5,
    maxFlowMm3S: 5,
    pricePerKg: 32,
    spoolG: 1000,
    onePieceAPlate: true,
    needsEnclosure: false,
    warp: 'low',
    fumes: null,
    goodFor: 'hinges, tyres, bumpers',
    badFor: 'no stiffness at all',
  },
]
