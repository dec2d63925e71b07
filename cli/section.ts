import { existsSync } from 'node:fs'
import { pressureLoads, sectionPoint, sectionPolar, solveSection, type SectionFlow } from '../core/aero'
import { aerofoilOf, DocumentError } from '../core/document'
import { parseCoordinates, sectionOutline, shapeFigures, shapeOf } from '../core/geometry'
import { degToRad, radToDeg } from '../core/units'
import type { Arguments } from './answer'

/**
 * Shape, and lift, drag and moment by panels and boundary layer; `--inviscid true` leaves the layer out, and
 * the drag with it.
 */
export function sectionVerb({ file, options, read }: Arguments): unknown {
  if (file === undefined) throw new DocumentError('', 'name a section (naca2412) or a coordinate file')
  const alpha = degToRad(optionNumber(options, 'alpha', 0, -30, 30))
  const reynolds = optionNumber(options, 're', 200_000, 1000, 1e8)
  if (options.inviscid !== undefined && !['true', 'false'].includes(options.inviscid))
    throw new DocumentError('--inviscid', `"${options.inviscid}" is neither true nor false`)
  const naca = aerofoilOf(file)
  if (!naca && file !== '-' && !existsSync(file))
    throw new DocumentError('', 'neither a NACA name (naca2412, naca23012) nor a file that exists')
  const own = naca
    ? []
    : [
        {
          id: 'file',
          name: 'file',
          points: parseCoordinates(read()).points,
        },
      ]
  const shape = shapeOf(naca ? file : 'file', own)
  const figures = naca ? nacaFigures(shapeFigures(shape), naca) : shapeFigures(shape)
  const outline = sectionOutline(naca ? file : 'file', own, PANELS)
  const flow = solveSection(outline)
  const shared = {
    alphaDeg: radToDeg(alpha),
    thickness: figures.thickness,
    camber: figures.camber,
    thicknessPlace: figures.thicknessPlace,
    camberPlace: figures.camberPlace,
  }
  if (options.inviscid === 'true') {
    const { cl, cmQuarter } = pressureLoads(flow, alpha)
    return {
      method: 'linear-vorticity panels',
      cl: flow.clAlpha * Math.sin(alpha - flow.alphaZeroLift),
      clByPressure: cl,
      cd: 0,
      cmQuarter,
      alphaZeroLiftDeg: radToDeg(flow.alphaZeroLift),
      clAlpha: flow.clAlpha,
      clMax: null,
      ...shared,
    }
  }
  const point = sectionPoint(flow, alpha, reynolds, outline.gap)
  const polar = sectionPolar(flow, reynolds, outline.gap)
  const slope = slopeOf(flow, reynolds, outline.gap)
  return {
    method: 'linear-vorticity panels, Thwaites, Michel, Head, Squire and Young',
    reynolds,
    cl: point.cl,
    cd: point.cd,
    cmQuarter: point.cmQuarter,
    ...slope,
    clMax: polar.clMax,
    alphaMaxDeg: radToDeg(polar.alphaMax),
    band: { clMax: polar.clMaxBand, cdShare: polar.dragBand },
    transition: point.transition,
    separation: point.separation,
    ...shared,
  }
}

/** Panels round the section. */
const PANELS = 160

/**
 * Zero-lift angle and slope with the layer, from a straight line through ± 2° about the inviscid zero-lift
 * angle.
 */
function slopeOf(
  flow: SectionFlow,
  reynolds: number,
  gap: number,
): { alphaZeroLiftDeg: number; clAlpha: number } {
  const h = degToRad(2)
  const [low, high] = [-h, h].map(step => sectionPoint(flow, flow.alphaZeroLift + step, reynolds, gap).cl)
  const clAlpha = (high - low) / (2 * h)
  return { clAlpha, alphaZeroLiftDeg: radToDeg(flow.alphaZeroLift - (high + low) / 2 / clAlpha) }
}

/**
 * A designation states its thickness and, with four digits, its camber exactly; sampling would round them.
 */
function nacaFigures(
  sampled: ReturnType<typeof shapeFigures>,
  naca: NonNullable<ReturnType<typeof aerofoilOf>>,
) {
  return naca.family === 4
    ? { ...sampled, thickness: naca.thickness, camber: naca.camber, camberPlace: naca.place }
    : { ...sampled, thickness: naca.thickness }
}

function optionNumber(
  options: Record<string, string>,
  name: string,
  otherwise: number,
  low: number,
  high: number,
): number {
  if (options[name] === undefined) return otherwise
  const value = Number(options[name])
  if (!Number.isFinite(value) || value < low || value > high)
    throw new DocumentError(`--${name}`, `"${options[name]}" is not a number from ${low} to ${high}`)
  return value
}
