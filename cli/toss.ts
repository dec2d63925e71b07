import { z } from 'zod'
import { createAssessor } from '../core/assess'
import { DocumentError, parseJson, readProject } from '../core/document'
import { written as inWords } from '../core/units'
import { pullOf } from '../core/workshop/power'
import { elevatorOf, steadyGlide, toss } from '../core/workshop/toss'
import { fly, runningOut, simpleGlider, type Point } from '../core/toss'
import type { Arguments } from './answer'
import { LIMITS, parseInput } from './parse'

const RAD = Math.PI / 180

/** A project tossed by hand, or an aircraft told by a handful of figures. */
export function tossVerb({ options, read }: Arguments): unknown {
  const text = read()
  return isProject(text) ? project(text, options) : figures(text)
}

/** A project says its format; what is neither is told by what the handful of figures wants. */
function isProject(text: string): boolean {
  if (text.length > LIMITS.bytes) return true
  const raw = parseJson(text, 'an input', LIMITS)
  return typeof raw === 'object' && raw !== null && 'format' in raw
}

function number(
  options: Record<string, string>,
  name: string,
  fallback: number,
  low: number,
  high: number,
): number {
  const text = options[name]
  if (text === undefined) return fallback
  const value = Number(text)
  if (text.trim() === '' || !Number.isFinite(value) || value < low || value > high)
    throw new DocumentError(`--${name}`, `"${text}" is not a number from ${low} to ${high}`)
  return value
}

function project(text: string, options: Record<string, string>): unknown {
  const doc = readProject(text)
  const assessor = createAssessor()
  const assessment = assessor.assess(doc)
  const { trim, totals } = assessment
  const tables = assessor.flown(doc).pitch(options.payload !== 'false')
  const glide = trim.find(row => row.id === 'glide')
  const cgMm = number(options, 'cg', totals.cgMm[0], -2000, 4000)
  const thrown = {
    speedMs: number(options, 'speed', doc.brief.throwMs, 0, 60),
    pathDeg: number(options, 'angle', 0, -80, 80),
    heightM: number(options, 'height', 1.8, 0.1, 200),
    elevatorDeg: number(options, 'elevator', glide?.controlDeg ?? 0, -60, 60),
    tailDeg: number(options, 'tail', 0, -20, 20),
    windMs: number(options, 'wind', 0, -20, 30),
    gustMs: number(options, 'gust', 0, -20, 20),
    throttlePct: number(options, 'throttle', 0, 0, 100),
    powerAfterS: number(options, 'after', 0, 0, 10),
  }
  const cgShift = (cgMm - totals.cgMm[0]) / 1000
  const pull = thrown.throttlePct > 0 ? pullOf(doc, assessment) : null
  if (thrown.throttlePct > 0 && !pull)
    throw new DocumentError(
      '--throttle',
      'the project says no motor, propeller and battery with their figures',
    )
  const found = toss(tables, thrown, cgShift, pull)
  const steady = steadyGlide(tables, elevatorOf(tables, thrown), cgShift)
  return {
    ...thrown,
    cgMm,
    distanceM: found.distanceM,
    seconds: found.seconds,
    highestM: found.highestM,
    lowestM: found.lowestM,
    flyingAfterM: found.flyingAfterM,
    stalled: found.stalled,
    kind: found.kind,
    reading: inWords(found.reading),
    suits: steady,
    path: found.path.map(written),
  }
}

const figure = z.number().min(-1e6).max(1e6)
const above = z.number().min(1e-9).max(1e6)
const Input = z.object({
  mass: above,
  inertia: above,
  area: above,
  chord: above,
  span: above.optional(),
  density: above,
  gravity: above.optional(),
  CL0: figure,
  CLalpha: figure,
  CD0: z.number().min(0).max(1e3),
  k: z.number().min(0).max(1e3),
  Cm0: figure,
  Cmalpha: figure,
  CLq: figure,
  Cmq: figure,
  CLmax: above.nullable().optional(),
  start: z
    .object({
      speed: z.number().min(0).max(400),
      pathDeg: z.number().min(-90).max(90),
      thetaDeg: z.number().min(-180).max(180),
      heightM: z.number().min(0.01).max(1e5),
    })
    .partial()
    .default({}),
  thrust: z
    .object({
      force: z.number().min(0).max(1e5),
      runsOut: above,
      angleDeg: z.number().min(-90).max(90).default(0),
      under: z.number().min(-10).max(10).default(0),
    })
    .nullable()
    .default(null),
  seconds: z.number().min(0.02).max(600).default(10),
})

function figures(text: string): unknown {
  const { start, seconds, thrust, ...glider } = parseInput(Input, text)
  const pathDeg = start.pathDeg ?? 0
  const { path, landed } = fly(simpleGlider(glider), {
    speed: start.speed ?? 8,
    path: pathDeg * RAD,
    attitude: (start.thetaDeg ?? pathDeg) * RAD,
    height: start.heightM ?? 1.8,
    elevator: 0,
    wind: 0,
    gust: null,
    thrust: thrust && {
      at: runningOut(thrust.force, thrust.runsOut),
      from: 0,
      angle: thrust.angleDeg * RAD,
      under: thrust.under,
    },
    seconds,
  })
  const last = path[path.length - 1]
  const stallAlpha = glider.CLmax ? (glider.CLmax - glider.CL0) / glider.CLalpha : Infinity
  const stalled = path.some(point => point.alpha > stallAlpha)
  return {
    landed,
    distanceM: last.x,
    seconds: last.t,
    highestM: Math.max(...path.map(point => point.z)),
    stalled,
    reading: `${landed ? 'lands' : 'is still up'} after ${last.t.toFixed(1)} s and ${last.x.toFixed(1)} m${stalled ? ', stalled on the way' : ''}`,
    path: path.map(written),
  }
}

const written = ({ t, x, z, speed, alpha, theta }: Point) => ({
  t,
  x,
  z,
  speed,
  alphaDeg: alpha / RAD,
  thetaDeg: theta / RAD,
})
