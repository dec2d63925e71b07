/**
 * Propellers and fans in the sizes that are common; made up, masses as moulded ones of their size have. Inches
 * in the names.
 */
import type { FanSpec, PropellerSpec } from '../document'

export interface PropellerOnShelf extends PropellerSpec {
  id: string
  name: string
  massG: number
  price: number
}

const INCH = 25.4
/** Diameters and the pitches each is sold in, in. */
const FIXED: ReadonlyArray<readonly [number, readonly number[]]> = [
  [4.5, [3, 4.5]],
  [5, [3, 4, 5]],
  [6, [3, 4, 5.5]],
  [7, [3.5, 5, 6]],
  [8, [3.8, 4.5, 6]],
  [9, [4.7, 6, 7.5]],
  [10, [4.7, 6, 7]],
  [11, [4.7, 5.5, 8]],
  [12, [6, 8]],
]
const FOLDING: ReadonlyArray<readonly [number, readonly number[]]> = [
  [6, [3, 4]],
  [7, [4]],
  [8, [4, 5]],
  [9, [5, 6]],
  [10, [6, 8]],
  [11, [6, 8]],
  [12, [6.5, 8]],
]

/**
 * Moulded two-bladed ones weigh about so, g: by the square of the diameter, folding ones with their yoke and
 * spinner.
 */
const massOf = (inches: number, blades: number, folding: boolean): number =>
  Math.round(10 * ((folding ? 2 : 0) + (folding ? 0.16 : 0.115) * inches ** 2 * (blades / 2) ** 0.8)) / 10

const propeller = (inches: number, pitch: number, blades: number, folding: boolean): PropellerOnShelf => ({
  id: `propeller-${inches}x${pitch}${blades > 2 ? `x${blades}` : ''}${folding ? '-folding' : ''}`,
  name: `Propeller ${inches} × ${pitch} in${blades > 2 ? `, ${blades} blades` : ''}${folding ? ', folding' : ''}`,
  diameterMm: Math.round(inches * INCH),
  pitchMm: Math.round(pitch * INCH),
  blades,
  chord: 'medium',
  folding,
  material: 'moulded',
  massG: massOf(inches, blades, folding),
  price: Math.round(10 * ((folding ? 3 : 1) + 0.25 * inches)) / 10,
})

export const PROPELLERS: readonly PropellerOnShelf[] = [
  ...FIXED.flatMap(([inches, pitches]) => pitches.map(pitch => propeller(inches, pitch, 2, false))),
  propeller(5, 4.5, 3, false),
  propeller(6, 4, 3, false),
  propeller(8, 6, 3, false),
  ...FOLDING.flatMap(([inches, pitches]) => pitches.map(pitch => propeller(inches, pitch, 2, true))),
]

export interface FanOnShelf extends FanSpec {
  id: string
  name: string
  massG: number
  price: number
}

/** With housing, without motor; ducts as long as the fan itself until the aircraft's own is written. */
export const FANS: readonly FanOnShelf[] = [
  [50, 24, 45, 28, 14],
  [64, 28, 58, 52, 19],
  [70, 31, 64, 68, 24],
].map(([diameterMm, hubMm, pitchMm, massG, price]) => ({
  id: `fan-${diameterMm}`,
  name: `Fan ${diameterMm} mm`,
  diameterMm,
  hubMm,
  pitchMm,
  exitShare: 0.9,
  ductMm: 2 * diameterMm,
  massG,
  price,
}))
