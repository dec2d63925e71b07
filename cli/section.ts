import { existsSync, readFileSync } from 'node:fs'
import { sectionLimit, thinSection } from '../core/aero'
import { aerofoilOf, DocumentError } from '../core/document'
import { meanSlope, nacaMeanLine, parseCoordinates, shapeFigures, shapeFromPoints, shapeOf } from '../core/geometry'
import { degToRad, radToDeg } from '../core/units'
import type { Arguments } from './main'

/** Shape, and the figures of thin-aerofoil theory: inviscid lift and moment of the mean line. Drag comes with the panel method. */
export function sectionVerb({ file, options, read }: Arguments): unknown {
  if (file === undefined) throw new DocumentError('', 'name a section (naca2412) or a coordinate file')
  const alpha = optionNumber(options, 'alpha', 0, -90, 90)
  const reynolds = optionNumber(options, 're', 200_000, 1000, 1e8)
  const naca = aerofoilOf(file)
  if (!naca && file !== '-' && !existsSync(file)) throw new DocumentError('', 'neither a NACA name (naca2412, naca23012) nor a file that exists')
  const shape = naca ? shapeOf(file, []) : shapeFromPoints(parseCoordinates(file === '-' ? read() : readFileSync(file, 'utf8')).points)
  const thin = thinSection(naca ? x => nacaMeanLine(naca, x).slope : x => meanSlope(shape, x))
  const figures = naca ? nacaFigures(shapeFigures(shape), naca) : shapeFigures(shape)
  return {
    method: 'thin-aerofoil theory', alphaDeg: alpha, reynolds,
    cl: thin.clAlpha * (degToRad(alpha) - thin.alphaZeroLift), cd: null, cmQuarter: thin.cmQuarter, alphaZeroLiftDeg: radToDeg(thin.alphaZeroLift), clAlpha: thin.clAlpha,
    clMax: sectionLimit(figures.thickness, figures.camber, reynolds), thickness: figures.thickness, camber: figures.camber, thicknessPlace: figures.thicknessPlace, camberPlace: figures.camberPlace,
  }
}

/** A designation states its thickness and, with four digits, its camber exactly; sampling would round them. */
function nacaFigures(sampled: ReturnType<typeof shapeFigures>, naca: NonNullable<ReturnType<typeof aerofoilOf>>) {
  return naca.family === 4 ? { ...sampled, thickness: naca.thickness, camber: naca.camber, camberPlace: naca.place } : { ...sampled, thickness: naca.thickness }
}

function optionNumber(options: Record<string, string>, name: string, otherwise: number, low: number, high: number): number {
  if (options[name] === undefined) return otherwise
  const value = Number(options[name])
  if (!Number.isFinite(value) || value < low || value > high) throw new DocumentError(`--${name}`, `"${options[name]}" is not a number from ${low} to ${high}`)
  return value
}
