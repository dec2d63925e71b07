/** The wing of a sketch: two panels a side, a constant chord and a taper, with ailerons or elevons outside. mm, ° */
import type { Control, ProjectFile, Spar, Surface } from '../document'
import { sectionOutline } from '../geometry'
import { stockOr, type Libraries } from '../libraries'
import { degToRad } from '../units'
import { half, whole, type Draft } from './sketch'
import { mustPart } from './wishes'

/** The inner panel's share of the half span. */
export const INNER = 0.45

export interface WingPlan {
  rootMm: number
  tipMm: number
  halfMm: number
  innerMm: number
}

/** Chords and spans of an area: S = 2·h·c·(i + (1 − i)(1 + λ)/2), h = √(AR·S)/2. */
export function wingPlan({ purpose, sketch }: Draft, inner = INNER): WingPlan {
  const halfMm = Math.sqrt(sketch.aspect * sketch.areaMm2) / 2
  const rootMm = sketch.areaMm2 / (2 * halfMm * (inner + ((1 - inner) * (1 + purpose.taper)) / 2))
  return { rootMm, tipMm: purpose.taper * rootMm, halfMm, innerMm: inner * halfMm }
}

export const STRIP: Control['hinge'] = { kind: 'bought-strip', count: 4, gapMm: 0.5 }
export const TAPE: Control['hinge'] = { kind: 'tape', count: 3, gapMm: 0.5 }

/** Straight wing on the plane of symmetry, ailerons outside. */
export function straightWing(draft: Draft, xMm: number, zMm: number, incidenceDeg: number): Surface {
  const { purpose, sketch } = draft,
    plan = wingPlan(draft)
  const panel = (spanMm: number, tipChordMm: number, sweepMm: number, tipTwistDeg: number, zone: string) => ({
    spanMm: half(spanMm),
    tipChordMm: half(tipChordMm),
    sweepMm: half(sweepMm),
    dihedralDeg: sketch.dihedralDeg,
    tipTwistDeg,
    tipAerofoil: purpose.section,
    zone,
  })
  return {
    xMm: half(xMm),
    yMm: 0,
    zMm: half(zMm),
    incidenceDeg,
    cantDeg: 0,
    mirror: true,
    rootChordMm: half(plan.rootMm),
    rootAerofoil: purpose.section,
    twistAxisShare: 0.25,
    tip: { kind: 'faired', lengthMm: whole(0.2 * plan.tipMm) },
    panels: [
      panel(plan.innerMm, plan.rootMm, 0, 0, 'wing-inner'),
      panel(
        // Never wider than it may be.
        Math.floor(2 * plan.halfMm) / 2 - half(plan.innerMm),
        plan.tipMm,
        0.4 * (plan.rootMm - plan.tipMm),
        -sketch.washoutDeg,
        'wing-outer',
      ),
    ],
    controls: !purpose.ailerons
      ? []
      : [
          {
            piece: 1,
            name: 'Ailerons',
            kind: 'aileron',
            fromShare: 0.5,
            toShare: 0.94,
            chordShare: 0.25,
            throwUpDeg: 20,
            throwDownDeg: 12,
            hinge: STRIP,
            linkage: { servo: 'aileron-servo', armMm: 8, hornMm: 14 },
          },
        ],
  }
}

/** Leading edge, chord and height of the chord line at a share of the half span, mm. */
export function placeAt(
  surface: Surface,
  share: number,
): { y: number; lead: number; chord: number; z: number } {
  const span = surface.panels.reduce((sum, item) => sum + item.spanMm, 0)
  let left = share * span,
    lead = surface.xMm,
    chord = surface.rootChordMm,
    y = surface.yMm,
    z = surface.zMm
  for (const panel of surface.panels) {
    const part = Math.min(1, left / panel.spanMm)
    lead += part * panel.sweepMm
    chord += part * (panel.tipChordMm - chord)
    y += part * panel.spanMm * Math.cos(degToRad(panel.dihedralDeg))
    z += part * panel.spanMm * Math.sin(degToRad(panel.dihedralDeg))
    if (part < 1) break
    left -= panel.spanMm
  }
  return { y, lead, chord, z }
}

const GLUED = { fixing: 'bonded' as const, lay: 'middle' as const, route: 'straight' as const }
export const CLEARANCE = 0.15

/** Thickness share that a four-digit section's name tells. */
const thickOf = (section: string): number => Number(section.slice(-2)) / 100

/** Plastic over a servo's bay, mm. */
const OVER_BAY = 2

/** Height of the top skin above the chord line, least between two shares of the chord, as a share of it. */
function topBetween(section: string, from: number, to: number): number {
  const { x, y } = sectionOutline(section, [], 120)
  // From the trailing edge over the top to the nose.
  const nose = x.indexOf(Math.min(...x)),
    top = [Math.min(y.indexOf(Math.max(...y)), nose), Math.max(y.indexOf(Math.max(...y)), nose)]
  const over = top[0] < top[1] ? (i: number) => i <= nose : (i: number) => i >= nose
  let least = Infinity
  for (let i = 0; i < x.length; i++)
    if (over(i) && x[i] >= from - 0.015 && x[i] <= to + 0.015) least = Math.min(least, y[i])
  return Number.isFinite(least) ? least : 0
}

/**
 * Where a flat component lies under the top skin of a wing, its middle at these shares of span and chord, mm;
 * it may look out below.
 */
export function underSkin(
  surface: Surface,
  share: number,
  chordShare: number,
  longMm: number,
  thickMm: number,
): [number, number, number] {
  const { y, lead, chord, z } = placeAt(surface, share)
  const reach = longMm / 2 / chord
  const top = topBetween(surface.rootAerofoil, chordShare - reach, chordShare + reach) * chord
  // Nose up about the twist axis lowers what lies behind it.
  const lowered =
    Math.sin(degToRad(surface.incidenceDeg)) * (chordShare + reach - surface.twistAxisShare) * chord
  return [
    half(lead + chordShare * chord),
    half(y),
    Math.floor(2 * (z + top - lowered - OVER_BAY - thickMm / 2)) / 2,
  ]
}

/** The furthest that a stock of this height lies covered in the section, as a share of the half span. */
export function sparReach(surface: Surface, stock: string, wanted: number, libraries: Libraries): number {
  const { heightMm } = stockOr(libraries, stock)
  for (let share = wanted; share > 0.1; share -= 0.02) {
    const { chord } = placeAt(surface, share)
    if (thickOf(surface.rootAerofoil) * chord * 0.96 >= heightMm + 2 * CLEARANCE + 3) return share
  }
  return 0
}

/** The main spar of each half, and a joiner through the middle where the halves rise. */
export function wingSpars(draft: Draft, surface: Surface, libraries: Libraries): Spar[] {
  const { sketch } = draft
  const span = surface.panels.reduce((sum, item) => sum + item.spanMm, 0)
  const reach = sparReach(surface, sketch.spar, sketch.reach, libraries)
  const stock = stockOr(libraries, sketch.spar)
  const joinerMm = joinerReach(draft, surface, libraries)
  // One straight piece: where the leading edge is swept it lies further forward in the section out there.
  const forward = (surface.panels[0].sweepMm / surface.panels[0].spanMm) * (joinerMm / surface.rootChordMm)
  const across: [number, number] = [0.2 + forward / 2, 0.2 - forward / 2]
  // Sections that rise alike on both sides let one straight piece through only when they do not rise.
  const halves = mustPart(draft.wishes, 2 * span)
  const level = !halves && surface.panels.every(item => item.dihedralDeg === 0)
  const most = level ? stock.lengthMm / 2 : stock.lengthMm
  const toMm = whole(Math.min(most - 2, reach * span))
  const spar = (
    id: string,
    name: string,
    item: string,
    to: number,
    [rootShare, tipShare]: readonly [number, number],
    through: boolean,
  ): Spar => ({
    id,
    name,
    stock: item,
    surface: 'wing',
    fromMm: 0,
    toMm: to,
    rootShare,
    tipShare,
    clearanceMm: CLEARANCE,
    through,
    ...GLUED,
    // Pushed in, so that the halves part for the box.
    fixing: halves && through ? 'removable' : 'bonded',
  })
  return [
    spar('main-spar', 'Main spar', sketch.spar, toMm, [0.3, 0.3], level),
    ...(level ? [] : [spar('joiner', 'Centre joiner', sketch.joiner, joinerMm, across, true)]),
  ]
}

/**
 * A straight joiner leaves the middle of a section that rises: so far out it keeps its cover, mm. At a fifth
 * of the chord sections have nine tenths of their thickness.
 */
function joinerReach({ sketch }: Draft, surface: Surface, libraries: Libraries): number {
  const room =
    (0.9 * thickOf(surface.rootAerofoil) * surface.rootChordMm - stockOr(libraries, sketch.joiner).heightMm) /
      2 -
    CLEARANCE -
    1
  const covered = room / Math.tan(degToRad(Math.max(0.2, sketch.dihedralDeg)))
  const span = surface.panels.reduce((sum, item) => sum + item.spanMm, 0)
  return whole(Math.max(20, Math.min(covered, 0.17 * span + 10, 120)))
}

/** A rod in a tail surface. */
export const tailRod = (
  id: string,
  name: string,
  surface: 'horizontal' | 'vertical',
  toMm: number,
): Spar => ({
  id,
  name,
  stock: 'rod-2',
  surface,
  fromMm: 0,
  toMm: whole(toMm),
  rootShare: 0.32,
  tipShare: 0.32,
  clearanceMm: CLEARANCE,
  through: false,
  ...GLUED,
})

export type Drawn = Pick<
  ProjectFile,
  'wing' | 'tail' | 'body' | 'boom' | 'zones' | 'spars' | 'equipment' | 'gear'
> &
  Partial<Pick<ProjectFile, 'pods' | 'second' | 'struts'>>
