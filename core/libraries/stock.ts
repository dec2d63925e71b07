/** Spar stock in the sizes hobby shops keep. Made-up entries with typical properties of pultruded and woven carbon. */
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
  lengthMm: number
  price: number
}

const CARBON_PULTRUDED = { density: 1550, modulus: gpaToPa(115), strength: mpaToPa(650) }
const CARBON_WOVEN = { density: 1500, modulus: gpaToPa(70), strength: mpaToPa(450) }

const tube = (outer: number, bore: number, price: number): Stock => ({
  id: `tube-${outer}x${bore}`, name: `Carbon tube ${outer} × ${bore} mm, woven`, heightMm: outer, widthMm: outer, boreMm: bore, shape: 'round', ...CARBON_WOVEN, lengthMm: 1000, price,
})
const rod = (diameter: number, price: number): Stock => ({
  id: `rod-${diameter}`, name: `Carbon rod ${diameter} mm, pultruded`, heightMm: diameter, widthMm: diameter, boreMm: 0, shape: 'round', ...CARBON_PULTRUDED, lengthMm: 1000, price,
})
const strip = (width: number, height: number, price: number): Stock => ({
  id: `strip-${width}x${height}`, name: `Carbon strip ${width} × ${height} mm on edge, pultruded`, heightMm: height, widthMm: width, boreMm: 0, shape: 'strip', ...CARBON_PULTRUDED, lengthMm: 1000, price,
})

export const STOCK: readonly Stock[] = [
  rod(2, 2), rod(3, 3), rod(4, 4.5), rod(5, 6),
  tube(4, 2, 5), tube(5, 3, 6), tube(6, 4, 7), tube(8, 6, 9), tube(10, 8, 11), tube(12, 10, 14), tube(14, 12, 17), tube(16, 14, 20),
  strip(1, 6, 4), strip(1, 10, 6), strip(2, 10, 8),
]

/** Cross-section, m². */
export function stockArea(stock: Stock): number {
  const h = stock.heightMm / 1000, w = stock.widthMm / 1000, b = stock.boreMm / 1000
  return stock.shape === 'round' ? (Math.PI / 4) * (h * h - b * b) : h * w
}

/** Second moment about the chordwise axis (bending in lift), m⁴. */
export function stockInertia(stock: Stock): number {
  const h = stock.heightMm / 1000, w = stock.widthMm / 1000, b = stock.boreMm / 1000
  return stock.shape === 'round' ? (Math.PI / 64) * (h ** 4 - b ** 4) : (w * h ** 3) / 12
}

/** kg per metre. */
export const stockLinearMass = (stock: Stock): number => stockArea(stock) * stock.density
