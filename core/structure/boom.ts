/** A tail boom: a tube held in the body that carries the tail. SI. */
import { stockArea, stockInertia, stockTorsion, type Stock } from '../libraries'
import { mmToM } from '../units'
import { flatteningMoment, shearPeak } from './spar-modes'

export interface BoomStiffness {
  EI: number
  GJ: number
  mass: number
}
export const boomStiffness = (stock: Stock, length: number): BoomStiffness => ({
  EI: stock.modulus * stockInertia(stock),
  GJ: stock.shearModulus * stockTorsion(stock),
  mass: stockArea(stock) * stock.density * length,
})

/**
 * Reserves of the tube at the mouth of its socket under a moment, a shear force and a torque (N·m, N, N·m;
 * factor of safety in).
 */
export function boomModes(
  stock: Stock,
  moment: number,
  shear: number,
  torque: number,
): { bending: number; flattening: number; shear: number } {
  const reach = mmToM(stock.heightMm) / 2
  const sliding = (shear * shearPeak(stock)) / stockArea(stock) + (torque * reach) / stockTorsion(stock)
  return {
    bending: (stock.strength * stockInertia(stock)) / Math.max(1e-12, moment * reach),
    flattening: flatteningMoment(stock) / Math.max(1e-12, moment),
    shear: stock.shearStrength / Math.max(1e-6, sliding),
  }
}

/**
 * Force at the tail when the body is stopped at touchdown, N: the tail's mass with 33/140 of the boom's on a
 * cantilever of k = 3EI/L³. A steady braking `deceleration` that lasts `duration` is felt up to twice: 2
 * where it lasts half a period, 2·sin(π·t/T) before (undamped, rectangular pulse).
 */
export function tailWhip(
  { EI, mass }: BoomStiffness,
  length: number,
  tailMass: number,
  deceleration: number,
  duration: number,
): { force: number; factor: number; periodS: number } {
  const moving = tailMass + (33 / 140) * mass
  const period = 2 * Math.PI * Math.sqrt((moving * length ** 3) / (3 * EI))
  const factor = duration >= period / 2 ? 2 : 2 * Math.sin((Math.PI * duration) / period)
  return { force: moving * deceleration * factor, factor, periodS: period }
}
