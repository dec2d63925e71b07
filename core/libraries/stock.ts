/**
 * Spar stock in the sizes hobby shops keep. Made-up entries with typical properties of pultruded and woven
 * carbon, steel wire, softwood and prints.
 */
import { gpaToPa, mpaToPa } from '../units'

export interface Stock {
  id: string
  name: string
  /** Outside size, mm: diameter of a tube or rod, height of a strip. */
  heightMm: number
  /** Width, mm: the same diameter, or a strip's thickness along the chord. */
  widthMm: number
  /** Bore of a tube, mm; 0 when solid. */
  boreMm: number
  shape: 'round' | 'strip'
  density: number
  modulus: number
  /** Bending strength (compression side governs), Pa. */
  strength: number
  /** In shear along the fibres, Pa: what bends twists by it, and splits along its middle at the strength. */
  shearModulus: number
  shearStrength: number
  /** Stiffness round the circumference, which keeps a thin tube from going flat, Pa. */
  hoopModulus: number
  /** Metal wire can be bent to follow a break of the dihedral. */
  bends: boolean
  /** Filament that it is printed of, lying flat, and that heat softens; null when it is bought. */
  printedIn: string | null
  lengthMm: number
  price: number
}

const bought = { bends: false, printedIn: null }
const CARBON_PULTRUDED = {
  ...bought,
  density: 1550,
  modulus: gpaToPa(115),
  strength: mpaToPa(650),
  shearModulus: gpaToPa(4),
  shearStrength: mpaToPa(45),
  hoopModulus: gpaToPa(8),
}
const CARBON_WOVEN = {
  ...bought,
  density: 1500,
  modulus: gpaToPa(70),
  strength: mpaToPa(450),
  shearModulus: gpaToPa(8),
  shearStrength: mpaToPa(60),
  hoopModulus: gpaToPa(45),
}
const STEEL_WIRE = {
  ...bought,
  bends: true,
  density: 7850,
  modulus: gpaToPa(200),
  strength: mpaToPa(1200),
  shearModulus: gpaToPa(79),
  shearStrength: mpaToPa(600),
  hoopModulus: gpaToPa(200),
}
/** Clear, straight-grained strips of light softwood, along the grain. */
const SOFTWOOD = {
  ...bought,
  density: 450,
  modulus: gpaToPa(10),
  strength: mpaToPa(55),
  shearModulus: gpaToPa(0.6),
  shearStrength: mpaToPa(6),
  hoopModulus: gpaToPa(0.4),
}
/** Laid flat, solid, beads along it: bending runs along the bead. */
const PRINTED = {
  ...bought,
  density: 1240,
  modulus: gpaToPa(3.1),
  strength: mpaToPa(52),
  shearModulus: gpaToPa(1),
  shearStrength: mpaToPa(20),
  hoopModulus: gpaToPa(2.8),
  printedIn: 'pla',
}

const tube = (outer: number, bore: number, price: number): Stock => ({
  id: `tube-${outer}x${bore}`,
  name: `Carbon tube ${outer} × ${bore} mm, woven`,
  heightMm: outer,
  widthMm: outer,
  boreMm: bore,
  shape: 'round',
  ...CARBON_WOVEN,
  lengthMm: 1000,
  price,
})
const rod = (diameter: number, price: number): Stock => ({
  id: `rod-${diameter}`,
  name: `Carbon rod ${diameter} mm, pultruded`,
  heightMm: diameter,
  widthMm: diameter,
  boreMm: 0,
  shape: 'round',
  ...CARBON_PULTRUDED,
  lengthMm: 1000,
  price,
})
const strip = (width: number, height: number, price: number): Stock => ({
  id: `strip-${width}x${height}`,
  name: `Carbon strip ${width} × ${height} mm on edge, pultruded`,
  heightMm: height,
  widthMm: width,
  boreMm: 0,
  shape: 'strip',
  ...CARBON_PULTRUDED,
  lengthMm: 1000,
  price,
})
/** Wider than high, for edges of wings. */
const flat = (width: number, height: number, price: number): Stock => ({
  ...strip(width, height, price),
  name: `Carbon strip ${width} × ${height} mm, laid flat, pultruded`,
})
const wooden = (width: number, height: number, price: number): Stock => ({
  id: `wood-${width}x${height}`,
  name: `Softwood strip ${width} × ${height} mm`,
  heightMm: height,
  widthMm: width,
  boreMm: 0,
  shape: 'strip',
  ...SOFTWOOD,
  lengthMm: 1000,
  price,
})

const wire = (diameter: number, price: number): Stock => ({
  id: `wire-${diameter}`,
  name: `Spring steel wire ${diameter} mm`,
  heightMm: diameter,
  widthMm: diameter,
  boreMm: 0,
  shape: 'round',
  ...STEEL_WIRE,
  lengthMm: 1000,
  price,
})
const printed = (width: number, height: number): Stock => ({
  id: `printed-${width}x${height}`,
  name: `Printed strip ${width} × ${height} mm on edge, PLA`,
  heightMm: height,
  widthMm: width,
  boreMm: 0,
  shape: 'strip',
  ...PRINTED,
  lengthMm: 240,
  price: 0.3,
})

export const STOCK: readonly Stock[] = [
  rod(2, 2),
  rod(3, 3),
  rod(4, 4.5),
  rod(5, 6),
  tube(4, 2, 5),
  tube(5, 3, 6),
  tube(6, 4, 7),
  tube(8, 6, 9),
  tube(10, 8, 11),
  tube(12, 10, 14),
  tube(14, 12, 17),
  tube(16, 14, 20),
  strip(1, 6, 4),
  strip(1, 10, 6),
  strip(2, 10, 8),
  strip(1, 3, 2.5),
  strip(1.5, 5, 4),
  flat(4, 1, 3),
  wooden(3, 3, 0.5),
  wooden(5, 5, 0.8),
  wooden(3, 8, 0.9),
  wooden(6, 2, 0.7),
  wire(2, 1.5),
  wire(2.5, 1.8),
  wire(3, 2.2),
  wire(4, 3),
  wire(5, 4),
  printed(3, 10),
  printed(4, 14),
]

/** Cross-section, m². */
export function stockArea(stock: Stock): number {
  const h = stock.heightMm / 1000,
    w = stock.widthMm / 1000,
    b = stock.boreMm / 1000
  return stock.shape === 'round' ? (Math.PI / 4) * (h * h - b * b) : h * w
}

/** Second moment about the chordwise axis (bending in lift), m⁴. */
export function stockInertia(stock: Stock): number {
  const h = stock.heightMm / 1000,
    w = stock.widthMm / 1000,
    b = stock.boreMm / 1000
  return stock.shape === 'round' ? (Math.PI / 64) * (h ** 4 - b ** 4) : (w * h ** 3) / 12
}

/** Second moment about the axis across it (bending in the chord's plane), m⁴. */
export function stockInertiaAcross(stock: Stock): number {
  const h = stock.heightMm / 1000,
    w = stock.widthMm / 1000
  return stock.shape === 'round' ? stockInertia(stock) : (h * w ** 3) / 12
}

/**
 * Torsion constant, m⁴: twice the second moment of a tube; a strip's a³b/3·(1 − 0.63·a/b) for sides a < b.
 */
export function stockTorsion(stock: Stock): number {
  if (stock.shape === 'round') return 2 * stockInertia(stock)
  const a = Math.min(stock.heightMm, stock.widthMm) / 1000,
    b = Math.max(stock.heightMm, stock.widthMm) / 1000
  return (a ** 3 * b * (1 - (0.63 * a) / b)) / 3
}

/** kg per metre. */
export const stockLinearMass = (stock: Stock): number => stockArea(stock) * stock.density
