/** Lift, moment, neutral point and induced drag from a solved lattice, all in linear form: at zero incidence and per radian. */
import { circulation, factoriseLattice, incidenceFlow, layPanels, type LatticeSurface, type Panels } from './lattice'

export interface Reference { area: number, chord: number, span: number, x: number }

export interface StripLift {
  surface: string
  /** Along the surface from its root, and in the aircraft's axes, m. */
  span: number
  x: number
  y: number
  z: number
  width: number
  chord: number
  /** Section lift coefficient per radian of incidence, and at none. */
  clPerRad: number
  clZero: number
}

export interface LiftSolution {
  clAlpha: number
  clZero: number
  alphaZeroLift: number
  cmAlpha: number
  cmZero: number
  neutralPointX: number
  /** C_Di / C_L² and C_L² / (π A C_Di), for the loading of incidence alone. */
  inducedDragFactor: number
  spanEfficiency: number
  strips: StripLift[]
  panels: number
}

/** Symmetric flow about the plane y = 0: surfaces with `mirror` have a port half, the rest stand on their own. */
export function solveLift(surfaces: readonly LatticeSurface[], reference: Reference): LiftSolution {
  const panels = layPanels(surfaces)
  const lattice = factoriseLattice(panels, 1)
  const flow = incidenceFlow(panels)
  const perRad = circulation(lattice, flow.perRad)
  const atZero = circulation(lattice, flow.atZero)
  const a = liftAndMoment(panels, perRad, reference)
  const z = liftAndMoment(panels, atZero, reference)
  const drag = trefftzDrag(panels, perRad, reference)
  return {
    clAlpha: a.cl, clZero: z.cl, alphaZeroLift: -z.cl / a.cl, cmAlpha: a.cm, cmZero: z.cm,
    neutralPointX: reference.x - (reference.chord * a.cm) / a.cl,
    inducedDragFactor: drag / a.cl ** 2, spanEfficiency: a.cl ** 2 / ((Math.PI * reference.span ** 2) / reference.area) / drag,
    strips: panels.strips.map(strip => ({
      surface: strip.surface, span: strip.span, x: strip.x, y: strip.y, z: strip.z, width: strip.width, chord: strip.chord,
      clPerRad: (2 * stripCirculation(strip, perRad)) / strip.chord, clZero: (2 * stripCirculation(strip, atZero)) / strip.chord,
    })),
    panels: panels.count,
  }
}

const stripCirculation = (strip: { first: number, panels: number }, gamma: Float64Array): number => {
  let sum = 0
  for (let k = 0; k < strip.panels; k++) sum += gamma[strip.first + k]
  return sum
}

/** Kutta–Joukowski on bound vortices at unit speed and density: F = Γ x̂ × l. */
function liftAndMoment(panels: Panels, gamma: Float64Array, reference: Reference): { cl: number, cm: number } {
  let lift = 0, moment = 0
  for (const strip of panels.strips) {
    const sides = strip.mirrored ? 2 : 1
    for (let i = strip.first; i < strip.first + strip.panels; i++) {
      const force = sides * gamma[i] * (panels.b[3 * i + 1] - panels.a[3 * i + 1])
      lift += force
      moment -= force * ((panels.a[3 * i] + panels.b[3 * i]) / 2 - reference.x)
    }
  }
  return { cl: (2 * lift) / reference.area, cm: (2 * moment) / (reference.area * reference.chord) }
}

/** Induced drag coefficient in the Trefftz plane: ½ΣΓ w_n Δs of the far wake. */
function trefftzDrag(panels: Panels, gamma: Float64Array, reference: Reference): number {
  const wake = panels.strips.map((strip) => {
    const i = strip.first
    return {
      ay: panels.a[3 * i + 1], az: panels.a[3 * i + 2], by: panels.b[3 * i + 1], bz: panels.b[3 * i + 2],
      y: panels.control[3 * i + 1], z: panels.control[3 * i + 2], gamma: stripCirculation(strip, gamma), mirrored: strip.mirrored, ny: panels.normal[3 * i + 1], nz: panels.normal[3 * i + 2], width: strip.width,
    }
  })
  let drag = 0
  for (const here of wake) {
    const { y, z } = here
    let v = 0, w = 0
    const add = (py: number, pz: number, strength: number) => {
      const dy = y - py, dz = z - pz
      const square = dy * dy + dz * dz
      if (square < 1e-14) return
      v += (-strength * dz) / (2 * Math.PI * square)
      w += (strength * dy) / (2 * Math.PI * square)
    }
    for (const strip of wake) {
      // Far aft, a leg leaving at B turns positively about +x, one arriving at A the other way.
      add(strip.by, strip.bz, strip.gamma)
      add(strip.ay, strip.az, -strip.gamma)
      if (strip.mirrored) {
        add(-strip.ay, strip.az, strip.gamma)
        add(-strip.by, strip.bz, -strip.gamma)
      }
    }
    drag -= 0.5 * here.gamma * (v * here.ny + w * here.nz) * here.width * (here.mirrored ? 2 : 1)
  }
  return (2 * drag) / reference.area
}
