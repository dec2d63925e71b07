/**
 * Reserve factors of a wing's station under one load. Three ways to carry the moment are weighed: skin and
 * spars together, buckled skin with what it carries then (the weakest of them gives out first); the spars
 * alone after the skin has cracked or collapsed; and the shell alone once its spars have given way. The best of
 * them counts. What must hold either way counts besides: shear, webs, and the places where a spar ends or sits in
 * a socket. SI.
 */
import type { Recipe } from '../document'
import { stockArea, stockInertia } from '../libraries'
import { mmToM } from '../units'
import { boreBears, endForce, socketForce } from './bearing'
import { collapseUnder, shearAfterBuckling, type Bearing } from './after-buckling'
import { combinedBuckling, shearBucklingStress, wrinklingStress } from './skin-buckling'
import { flatteningMoment, shearForce } from './spar-modes'
import { decide, PLENTY, skinOutlives, sparBreaks, type Modes, type StrengthMode } from './strength-modes'
import { curvatures } from './thin-walled-section'
import type { StationSection, StationSpar } from './station-section'
import type { StationBuild } from './wing-station'

/**
 * What acts on the outer part of the wing at a station: up, tips up, nose up about the shear centre, and tip
 * aft. N and N·m, without factor of safety.
 */
export interface StationLoad {
  shear: number
  moment: number
  torque: number
  lag: number
}

export interface StationStrength {
  /** mm along the span. */
  s: number
  /** Of the case that decides, N, N·m; with load factor, without factor of safety. */
  shear: number
  moment: number
  torque: number
  EI: number
  GJ: number
  reserve: number
  mode: StrengthMode
  /** The load case that decides. */
  case: string
  /** The reserve of every mode at this station, the least over all cases. */
  modes: Modes
}

/**
 * Tensile strength of a butt joint in thin printed skins: cyanoacrylate or epoxy on foam lets go at about
 * this, Pa.
 */
export const GLUE_STRENGTH = 8e6
/** Of a spar's strength, what is left where it was bent. */
const BENT_SHARE = 0.7
const TINY = 1e-12
/** Every mode's reserve under one load, with the factor of safety in. */
export function stationModes(
  station: StationSection,
  build: StationBuild,
  recipe: Recipe,
  load: StationLoad,
  safetyFactor: number,
): Modes {
  const shear = load.shear * safetyFactor,
    moment = load.moment * safetyFactor,
    torque = load.torque * safetyFactor,
    lag = load.lag * safetyFactor
  const modes: Modes = {}
  const put = (mode: StrengthMode, reserve: number) => {
    modes[mode] = Math.min(modes[mode] ?? PLENTY, Number.isFinite(reserve) ? Math.max(0, reserve) : PLENTY)
  }
  if (build.covered) filmModes(build, shear, torque, put)
  else if (station.meeting !== 'apart') skinModes(station, build, recipe, { shear, moment, torque, lag }, put)
  sparModes(station, build, { shear, moment, torque, lag }, put)
  bearings(station, build, recipe, { shear, moment, torque, lag }, put)
  // A shell that would outlive its spars bears what it bears without them.
  if (build.bare && station.meeting !== 'apart') {
    const { reserve, mode } = decide(modes)
    if (sparBreaks(mode) && skinOutlives(modes, reserve)) {
      const left = { ...station, spars: [], ends: [], bends: [] }
      put('shell alone', decide(stationModes(left, build.bare(), recipe, load, safetyFactor)).reserve)
    }
  }
  return modes
}

/** Use of the linear section under which it is not asked what comes after buckling. */
const IDLE = 0.01
const SOUND: Bearing = { collapse: Infinity, by: 'torn', buckled: false }

type Put = (mode: StrengthMode, reserve: number) => void

function skinModes(
  station: StationSection,
  build: StationBuild,
  recipe: Recipe,
  { shear, moment, torque, lag }: StationLoad,
  put: Put,
): void {
  const { material, shear: flow, skin } = build
  const { alongX, alongY } = curvatures(flow.bending, -moment, -lag)
  let most = 0,
    least = 0,
    buckles = Infinity,
    sliding = 0
  for (let w = 0; w < skin.count; w++) {
    const strain = alongX * skin.x[w] + alongY * skin.y[w]
    if (strain > most) most = strain
    if (strain < least) least = strain
    // Where walls run together at the edges they are one solid, and what flows in both cancels; panels are
    // found where the skin has its whole thickness.
    if (!skin.whole[w]) continue
    const stress = Math.abs(shear * skin.up[w] + torque * skin.torque[w])
    const slid = stress / (material.shear * shearAfterBuckling(material.shear, 1 / skin.sheared[w]))
    if (slid > sliding) sliding = slid
    if (strain >= 0 && stress < TINY) continue
    const factor = combinedBuckling((strain < 0 ? -strain : 0) * skin.pressed[w], stress * skin.sheared[w])
    if (factor < buckles) buckles = factor
  }
  put('skin buckling', buckles)
  for (const { wall, thick } of build.sparWalls) {
    const slid = Math.abs(shear * flow.up[wall] + torque * flow.torque[wall]) / thick
    put('web shear', material.shear / Math.max(TINY, slid))
  }
  const printed = material.across ? 'skin across layers' : 'skin along the bead',
    tears = material.sheet ? 'foam torn' : printed
  const tension = material.modulus * Math.max(most, TINY),
    pressure = material.modulus * Math.max(-least, TINY)
  put(tears, material.tension / tension)
  put('skin in compression', material.compression / pressure)
  const wrinkling = recipe.skinGapMm ? wrinklingStress(material.modulus, recipe.infillShare) : Infinity
  if (recipe.skinGapMm) put('skin wrinkling', wrinkling / pressure)
  put('skin shear', 1 / Math.max(sliding, TINY))
  const limits = {
    torn: material.tension / material.modulus,
    crushed: Math.min(material.compression, wrinkling) / material.modulus,
  }
  // Far from what the linear section bears, a launch's pull aft is not followed past buckling.
  const idle = lag !== 0 && Math.max(most / limits.torn, -least / limits.crushed) < IDLE
  const bearing = idle ? SOUND : collapseUnder(station, build, moment, lag, limits)
  if (bearing.buckled) {
    const fails = { torn: tears, crushed: 'skin collapse', spar: 'spar bending' } as const
    put(fails[bearing.by], bearing.collapse)
    // What the skin bears in bending and in shear together.
    put('skin collapse', combinedBuckling(1 / bearing.collapse, sliding))
  }
  if (station.meeting === 'glued') {
    const holds = Math.min(GLUE_STRENGTH, material.tension)
    put('glue joint', holds / tension)
    const glued = idle
      ? SOUND
      : collapseUnder(station, build, moment, lag, { ...limits, torn: holds / material.modulus })
    if (glued.buckled && glued.by === 'torn') put('glue joint', glued.collapse)
  }
}

/** Film tears along the diagonal; without a spar nothing bends. */
function filmModes(
  { covered, groups, shear: flow }: StationBuild,
  shear: number,
  torque: number,
  put: Put,
): void {
  let most = 0
  for (let w = 0; w < flow.torque.length; w++)
    most = Math.max(most, Math.abs(shear * flow.up[w] + torque * flow.torque[w]))
  put('film torn', covered!.bears / Math.max(TINY, most))
  if (groups.length === 0) put('no spar', 0)
}

function sparModes(
  { spars, bends, meeting }: StationSection,
  build: StationBuild,
  { shear, moment, lag }: StationLoad,
  put: Put,
): void {
  if (spars.length === 0) return
  const left = (line: StationSpar['line']) => (!bends.includes(line) ? 1 : line.stock.bends ? BENT_SHARE : 0)
  const { bending } = build.shear
  const { alongX, alongY } = curvatures(bending, -moment, -lag)
  const own = (spar: StationSpar) => {
    const { stock } = spar.line
    const across = (Math.abs(alongX) * mmToM(stock.widthMm)) / 2,
      up = (Math.abs(alongY) * mmToM(stock.heightMm)) / 2
    return stock.shape === 'round' ? Math.hypot(across, up) : across + up
  }
  // Where the pieces are apart, no skin helps: spars alone.
  for (const [i, spar] of meeting === 'apart' ? [] : spars.entries()) {
    const { stock } = spar.line
    // Of the wing's own stretch it takes as much as the plastic hands it.
    const slip = build.section.spars[i].EA / (stock.modulus * stockArea(stock))
    const stretched =
      slip * Math.abs(alongX * (mmToM(spar.x) - bending.x) + alongY * (mmToM(spar.n) - bending.y))
    put(
      left(spar.line) < 1 ? 'bent spar' : 'spar bending',
      (left(spar.line) * stock.strength) / (stock.modulus * Math.max(TINY, stretched + own(spar))),
    )
  }
  const sharing = meeting === 'apart' ? build.sparEI : bending.EIx
  for (const group of build.groups) {
    const part = (Math.abs(moment) * group.EI) / build.sparEI
    for (const { line, n } of group.lines) {
      const reach = Math.abs(mmToM(n) - group.middle) + mmToM(line.stock.heightMm) / 2
      put(
        'spar alone',
        (left(line) * line.stock.strength) / Math.max(TINY, (line.stock.modulus * part * reach) / group.EI),
      )
      if (group.lines.length === 1)
        put('tube flattening', flatteningMoment(line.stock) / Math.max(TINY, part))
    }
    if (group.lines.length === 1)
      put(
        'spar shear',
        shearForce(group.lines[0].line.stock) / Math.max(TINY, (Math.abs(shear) * group.EI) / sharing),
      )
    else put('web shear', webHolds(group, build) / Math.max(TINY, (Math.abs(shear) * group.EI) / sharing))
  }
}

/** Two beads between the caps: slid apart, or buckled between them. N of shear. */
function webHolds({ lines }: StationBuild['groups'][number], { material, bead }: StationBuild): number {
  const height = mmToM(Math.max(...lines.map(l => l.n)) - Math.min(...lines.map(l => l.n)))
  if (!(height > 1e-4)) return 0
  const stress = Math.min(material.shear, shearBucklingStress(material.modulus, 2 * bead, height))
  return stress * 2 * bead * height
}

/** Reserve of the spars of a covered section without one of them; each bends by itself. */
function othersBear({ groups }: StationBuild, without: StationSpar['line'], moment: number): number {
  const others = groups.filter(({ lines }) => lines[0].line !== without)
  const EI = others.reduce((sum, group) => sum + group.EI, 0)
  return Math.min(
    ...others.map(({ lines: [{ line }] }) => {
      const strain = ((Math.abs(moment) / EI) * mmToM(line.stock.heightMm)) / 2
      return line.stock.strength / Math.max(TINY, line.stock.modulus * strain)
    }),
    others.length ? Infinity : 0,
  )
}

function bearings(
  station: StationSection,
  build: StationBuild,
  recipe: Recipe,
  { shear, moment }: StationLoad,
  put: Put,
): void {
  const { material, bead, sparEI, groups, covered } = build
  // Across the section: along the bead where the piece stands, across layers where it lies.
  const bears = covered
    ? covered.held * boreBears(0.58 * material.compression, covered.rim)
    : boreBears(material.across ? 0.58 * material.compression : material.shear, recipe.walls * bead)
  for (const end of station.ends) {
    const { stock } = end.line
    // In the middle of the aircraft it is not among those that run on.
    const own = stock.modulus * stockInertia(stock),
      counted = station.spars.some(spar => spar.line === end.line)
    const share = own / Math.max(TINY, build.shear.bending.EIx + (counted ? 0 : own))
    const force = endForce(Math.abs(moment) * share, end.inserted, mmToM(stock.heightMm))
    const holds = bears / Math.max(TINY, force)
    // A rod that lets go in its ribs hands its share to the others: nothing but ribs made it take part.
    put(
      end.beside ? 'spar overlap' : 'spar end',
      covered ? Math.max(holds, othersBear(build, end.line, moment)) : holds,
    )
  }
  if (station.meeting === 'apart') {
    for (const group of groups) {
      const part = group.EI / sparEI
      const length = Math.min(...group.lines.map(({ line }) => mmToM(line.to - station.s)))
      put(
        'joiner in its socket',
        bears /
          Math.max(
            TINY,
            socketForce(moment * part, shear * part, Math.max(1e-3, length)) / group.lines.length,
          ),
      )
    }
    if (groups.length === 0) put('joiner in its socket', 0)
  }
}
