/** How spars themselves give out: thin tubes that flatten, stock that splits in shear. SI. */
import { stockArea, type Stock } from '../libraries'
import { mmToM } from '../units'

/**
 * Moment at which a bent tube goes flat (Brazier 1927): M = (2√2/9)·π·√(E·E_h)·r·t²/√(1−ν²), mean radius r,
 * with the hoop modulus E_h in place of E where the tube is not alike in both directions. Solid stock never
 * does: infinite. N·m
 */
export function flatteningMoment(stock: Stock): number {
  if (stock.shape !== 'round' || stock.boreMm <= 0) return Infinity
  const t = mmToM(stock.heightMm - stock.boreMm) / 2,
    r = mmToM(stock.heightMm + stock.boreMm) / 4
  return (
    (((2 * Math.SQRT2) / 9) * Math.PI * Math.sqrt(stock.modulus * stock.hoopModulus) * r * t * t) /
    Math.sqrt(1 - 0.3 ** 2)
  )
}

/**
 * Greatest over mean shear stress: 4/3 of a solid round, 2 of a thin tube with all between in closed form,
 * 3/2 of a strip.
 */
export function shearPeak(stock: Stock): number {
  if (stock.shape === 'strip') return 1.5
  const k = stock.boreMm / stock.heightMm
  return (4 / 3) * (1 + k / (1 + k * k))
}

/** Shear force at which it splits along its middle, N. */
export const shearForce = (stock: Stock): number =>
  (stock.shearStrength * stockArea(stock)) / shearPeak(stock)
