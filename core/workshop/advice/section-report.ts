/**
 * Everything about one section of a surface, at a place along its span: shape, spars and servo in it,
 * pressure, polars.
 */
import {
  airAt,
  pressureLoads,
  sectionPoint,
  sectionPolar,
  solveSection,
  surfaceSpeed,
  type SectionPoint,
} from '../../aero'
import type { Airframe, Assessment } from '../../assess'
import { surfaceOf, type MeasuredPolar, type SurfaceName } from '../../document'
import { outlineAt, planAt, sectionOutline, shapeFigures, shapeFromPoints } from '../../geometry'
import { cToK, degToRad, mmToM, radToDeg } from '../../units'

/** A part inside the section, in chord shares with the leading edge at 0, 0. */
export interface InSection {
  kind: 'spar' | 'servo'
  name: string
  round: boolean
  x: number
  y: number
  width: number
  height: number
  hollow: number
}
export interface PolarCurve {
  label: string
  source: 'computed' | 'measured'
  reynolds: number
  clMax: number
  clMaxBand: number
  dragBand: number
  points: Array<{ alphaDeg: number; cl: number; cd: number; cm: number }>
}

export interface SectionReport {
  surface: SurfaceName
  sMm: number
  spanMm: number
  chordMm: number
  twistDeg: number
  thickness: number
  camber: number
  edgeMm: number
  /** The designations or ids at the ends of its panel, and how far between them. */
  between: [string, string]
  share: number
  outline: Array<[number, number]>
  parts: InSection[]
  alphaZeroLiftDeg: number
  clAlphaPerRad: number
  cmQuarter: number
  alphaDeg: number
  reynolds: number
  at: SectionPoint
  clByPressure: number
  /** Pressure coefficient along the chord, top and bottom, without the layer. */
  pressure: { x: number[]; cp: number[]; side: 'top' | 'bottom' }[]
  curves: PolarCurve[]
}

const PANELS = 120

export function sectionReport(
  airframe: Airframe,
  assessment: Assessment,
  surface: SurfaceName,
  sMm: number,
  alphaDeg: number,
): SectionReport | null {
  const loft = airframe.surfaces[surface]
  if (!loft) return null
  const { doc } = airframe
  const s = Math.min(loft.span, Math.max(0, sMm))
  const { chord, lead, n, twist } = planAt(loft, s)
  const outline = chordFrame(outlineAt(loft, s), chord, twist)
  const shape = shapeFromPoints(outline)
  const { thickness, camber } = shapeFigures(shape)
  const closed = sectionOutline('here', [{ id: 'here', name: 'here', points: outline }], PANELS)
  const flow = solveSection(closed)
  const air = airAt(doc.brief.fieldElevationM, cToK(doc.brief.fieldTemperatureC))
  const reynoldsAt = (speed: number) => (air.density * speed * mmToM(chord)) / air.viscosity
  const speeds: Array<[string, number]> = [
    ['stall', assessment.flight.stallMs],
    ['cruise', doc.brief.cruiseMs],
    ['top speed', doc.brief.topSpeedMs],
  ]
  const reynolds = reynoldsAt(doc.brief.cruiseMs)
  const alpha = degToRad(alphaDeg)
  const panel = surfaceOf(doc, surface)!
  const ends = loft.ends.map(end => end.s)
  const index = Math.max(
    1,
    ends.findIndex(end => end >= s) < 0 ? ends.length - 1 : ends.findIndex(end => end >= s),
  )
  const reference = (i: number) => (i === 0 ? panel.rootAerofoil : panel.panels[i - 1].tipAerofoil)
  const between: [string, string] = [reference(index - 1), reference(index)]
  const measured = doc.polars.filter(polar => between.includes(polar.aerofoil))
  return {
    surface,
    sMm: s,
    spanMm: loft.span,
    chordMm: chord,
    twistDeg: radToDeg(twist),
    thickness,
    camber,
    edgeMm: Math.abs(outline[0][1] - outline[outline.length - 1][1]) * chord,
    between,
    share: (s - ends[index - 1]) / (ends[index] - ends[index - 1] || 1),
    outline,
    parts: [
      ...sparsAt(airframe, surface, s, { chord, lead, n, twist }),
      ...servosAt(airframe, surface, s, { chord, lead, n, twist }),
    ],
    alphaZeroLiftDeg: radToDeg(flow.alphaZeroLift),
    clAlphaPerRad: flow.clAlpha,
    cmQuarter: flow.cmQuarter,
    alphaDeg,
    reynolds,
    at: sectionPoint(flow, alpha, reynolds, closed.gap),
    clByPressure: pressureLoads(flow, alpha).cl,
    pressure: pressureSides(flow.x, surfaceSpeed(flow, alpha)),
    curves: [
      ...speeds.map(([label, speed]) => computedCurve(label, flow, reynoldsAt(speed), closed.gap)),
      ...measured.map(measuredCurve),
    ],
  }
}

/**
 * From the surface's frame (mm) into shares of the chord with the chord line level and the leading edge at
 * the origin.
 */
function chordFrame(points: Float64Array, chord: number, twist: number): Array<[number, number]> {
  const cos = Math.cos(twist),
    sin = Math.sin(twist)
  const turned = Array.from({ length: points.length / 2 }, (_, i): [number, number] => [
    points[2 * i] * cos - points[2 * i + 1] * sin,
    points[2 * i] * sin + points[2 * i + 1] * cos,
  ])
  const last = turned.length - 1
  const front = turned[Math.floor(turned.length / 2)],
    rear = [(turned[0][0] + turned[last][0]) / 2, (turned[0][1] + turned[last][1]) / 2]
  const length = rear[0] - front[0] || chord
  return turned.map(([x, y]): [number, number] => [(x - front[0]) / length, (y - front[1]) / length])
}

interface Place {
  chord: number
  lead: number
  n: number
  twist: number
}

/**
 * A point of the surface's frame as chord shares from the leading edge. Twist is small: the axis it turns
 * about does not show.
 */
function intoChord({ chord, lead, n, twist }: Place, x: number, at: number, axis: number): [number, number] {
  const cos = Math.cos(twist),
    sin = Math.sin(twist)
  const dx = x - (lead + axis * chord),
    dn = at - n
  return [axis + (dx * cos - dn * sin) / chord, (dx * sin + dn * cos) / chord]
}

function sparsAt(airframe: Airframe, surface: SurfaceName, s: number, place: Place): InSection[] {
  const axis = surfaceOf(airframe.doc, surface)!.twistAxisShare
  return (airframe.spars[surface] ?? [])
    .filter(line => s >= line.from && s <= line.to)
    .map(line => {
      const { x, n } = line.at(s)
      const [u, v] = intoChord(place, x, n, axis)
      return {
        kind: 'spar',
        name: line.spar.name,
        round: line.stock.shape === 'round',
        x: u,
        y: v,
        width: line.stock.widthMm / place.chord,
        height: line.stock.heightMm / place.chord,
        hollow: line.stock.boreMm / place.chord,
      }
    })
}

/** Servos whose bay reaches over this place. */
function servosAt(airframe: Airframe, surface: SurfaceName, s: number, place: Place): InSection[] {
  const loft = airframe.surfaces[surface]!
  const axis = surfaceOf(airframe.doc, surface)!.twistAxisShare
  return airframe.doc.equipment
    .filter(item => item.pocket?.surface === surface)
    .flatMap((item): InSection[] => {
      const cos = Math.cos(loft.cant),
        sin = Math.sin(loft.cant)
      const dy = item.yMm - loft.origin[1],
        dz = item.zMm - loft.origin[2]
      const along = dy * cos + dz * sin,
        n = dz * cos - dy * sin
      if (Math.abs(along - s) > item.sizeMm[1] / 2) return []
      const [u, v] = intoChord(place, item.xMm, n, axis)
      return [
        {
          kind: 'servo',
          name: item.name,
          round: false,
          x: u,
          y: v,
          width: item.sizeMm[0] / place.chord,
          height: item.sizeMm[2] / place.chord,
          hollow: 0,
        },
      ]
    })
}

function pressureSides(x: Float64Array, speed: Float64Array): SectionReport['pressure'] {
  const nose = x.reduce((best, value, i) => (value < x[best] ? i : best), 0)
  const cp = Array.from(speed, v => 1 - v * v)
  const xs = Array.from(x)
  return [
    { side: 'top', x: xs.slice(0, nose + 1), cp: cp.slice(0, nose + 1) },
    { side: 'bottom', x: xs.slice(nose), cp: cp.slice(nose) },
  ]
}

function computedCurve(
  label: string,
  flow: Parameters<typeof sectionPolar>[0],
  reynolds: number,
  gap: number,
): PolarCurve {
  const { points, clMax, clMaxBand, dragBand } = sectionPolar(flow, reynolds, gap)
  return {
    label,
    source: 'computed',
    reynolds,
    clMax,
    clMaxBand,
    dragBand,
    points: points.map(point => ({
      alphaDeg: radToDeg(point.alpha),
      cl: point.cl,
      cd: point.cd,
      cm: point.cmQuarter,
    })),
  }
}

const measuredCurve = ({ aerofoil, source, reynolds, points }: MeasuredPolar): PolarCurve => ({
  label: `measured, ${aerofoil}${source ? ` (${source.slice(0, 40)})` : ''}`,
  source: 'measured',
  reynolds,
  clMax: Math.max(...points.map(p => p[1])),
  clMaxBand: 0.05,
  dragBand: 0.05,
  points: points.map(([alphaDeg, cl, cd, cm]) => ({ alphaDeg, cl, cd, cm })),
})
