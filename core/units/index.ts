/**
 * The only place where units are converted. The document speaks mm, g, °, °C and hours;
 * physics speaks SI; meshes and slices speak mm, as printing does.
 */

/** Standard acceleration of free fall, m/s² (ISO 80000-3). */
export const GRAVITY = 9.80665
/** Absolute zero offset, K at 0 °C. */
export const KELVIN_AT_0C = 273.15

export const mmToM = (mm: number): number => mm / 1000
export const mToMm = (m: number): number => m * 1000
export const mm2ToM2 = (mm2: number): number => mm2 / 1e6
export const m2ToDm2 = (m2: number): number => m2 * 100
export const gToKg = (g: number): number => g / 1000
export const kgToG = (kg: number): number => kg * 1000
export const degToRad = (deg: number): number => (deg * Math.PI) / 180
export const radToDeg = (rad: number): number => (rad * 180) / Math.PI
export const cToK = (celsius: number): number => celsius + KELVIN_AT_0C
export const sToHours = (s: number): number => s / 3600
export const hoursToS = (hours: number): number => hours * 3600
/** g/cm³ is what a filament's data sheet prints; kg/m³ is what the core uses. */
export const gCm3ToKgM3 = (gCm3: number): number => gCm3 * 1000
/** Volume in mm³ times density in kg/m³ gives kg. */
export const mm3ToM3 = (mm3: number): number => mm3 * 1e-9
export const mpaToPa = (mpa: number): number => mpa * 1e6
export const gpaToPa = (gpa: number): number => gpa * 1e9
export const paToMpa = (pa: number): number => pa / 1e6
/** Wing loading as makers say it: g/dm². */
export const kgM2ToGDm2 = (kgM2: number): number => kgM2 * 10
export { dimensions, listed, written, q, say, withUnit, type Quantity, type Words } from './words'
