/**
 * Printable aids for balancing: a cradle with two ridges under the aim, and a gauge that marks the band on
 * the wing's underside. mm.
 */
import type { Airframe, Assessment } from '../../assess'
import { gapAt, outlineAt, placePoint, planAt, type SolidKernel, type TriangleMesh } from '../../geometry'

/** A flat part: an outline (counter-clockwise, x right, y up) of even thickness, printed lying down. */
export interface FlatPart {
  name: string
  count: number
  thicknessMm: number
  outline: Array<[number, number]>
  note: string
}

/**
 * Room between the table and the lowest point of the body, and how far out the ridges stand, as a share of
 * the half span.
 */
const CLEARANCE = 15,
  PLACE_SHARE = 0.12
const LEAST_HEIGHT = 45
const RIDGE = 1.5,
  WALL = 7,
  BASE = 9,
  NOTCH = 14,
  PLAY = 0.2

export interface Templates {
  parts: FlatPart[]
  atMm: number
  aimMm: number
  bandMm: [number, number]
  leadMm: number
  heightMm: number
}

/**
 * Both stand against the leading edge at one place along the span, so nobody has to measure from the nose.
 * Null where the band lies outside the chord there: a flying wing's sweep may put it ahead of the outer
 * leading edge, never at the root.
 */
export function balanceTemplates(airframe: Airframe, { flight, drawing }: Assessment): Templates | null {
  const { wing, body } = airframe
  const widest = body ? Math.max(...body.breaks.map(x => body.at(x).width)) / 2 : 0
  const s = Math.min(0.5 * wing.span, Math.max(PLACE_SHARE * wing.span, widest - wing.origin[1] + 20))
  const outline = outlineAt(wing, s)
  const xs = Array.from({ length: outline.length / 2 }, (_, i) => outline[2 * i])
  const lead = Math.min(...xs),
    tail = Math.max(...xs)
  const aim = flight.cgAimMm,
    [fore, aft] = flight.cgRangeMm
  const gap = gapAt(outline, aim)
  if (!gap || fore < lead + 2 || aft > tail - 2) return null
  const [, atMm, under] = placePoint(wing, aim, gap.lower, s, 1)
  const nose = placePoint(wing, lead, planAt(wing, s).n, s, 1)[2]
  const height = Math.max(LEAST_HEIGHT, under - drawing.box.minZ + CLEARANCE)
  const ahead = aim - lead,
    rise = Math.max(6, nose - under + 8)
  return {
    parts: [upright(height, ahead, rise), bar(2 * atMm), gauge(lead, fore, aim, aft)],
    atMm,
    aimMm: aim,
    bandMm: [fore, aft],
    leadMm: lead,
    heightMm: height,
  }
}

/**
 * Side view of one upright: base, a ridge under the aim at x = 0, and a fence that the leading edge leans on.
 */
function upright(height: number, ahead: number, rise: number): FlatPart {
  const fence = -ahead,
    back = Math.max(30, 0.45 * height)
  const shelf = height - 12
  return {
    name: 'cradle-upright',
    count: 2,
    thicknessMm: 14,
    note: 'print two, lying down; the fence goes against the leading edge',
    outline: [
      [fence - WALL - 12, 0],
      [-NOTCH / 2 - PLAY, 0],
      [-NOTCH / 2 - PLAY, BASE],
      [NOTCH / 2 + PLAY, BASE],
      [NOTCH / 2 + PLAY, 0],
      [back, 0],
      [back, BASE],
      [WALL / 2 + 2, shelf],
      [RIDGE / 2, height],
      [-RIDGE / 2, height],
      [-WALL / 2 - 2, shelf],
      [fence, shelf - 6],
      [fence, height + rise],
      [fence - WALL, height + rise],
      [fence - WALL - 12, BASE],
    ],
  }
}

/** Holds both uprights apart so that their middles stand under the same place of either wing. */
function bar(apart: number): FlatPart {
  const end = apart / 2 + 18,
    tall = 2 * BASE
  const notch = (x: number): Array<[number, number]> => [
    [x + NOTCH / 2 + PLAY, tall],
    [x + NOTCH / 2 + PLAY, BASE],
    [x - NOTCH / 2 - PLAY, BASE],
    [x - NOTCH / 2 - PLAY, tall],
  ]
  return {
    name: 'cradle-bar',
    count: 1,
    thicknessMm: NOTCH,
    note: 'its notches take the uprights',
    outline: [[-end, 0], [end, 0], [end, tall], ...notch(apart / 2), ...notch(-apart / 2), [-end, tall]],
  }
}

/** A strip that hooks over the leading edge: notches at the ends of the band, a deeper one at the aim. */
function gauge(lead: number, fore: number, aim: number, aft: number): FlatPart {
  const end = aft - lead + 14
  const notch = (x: number, deep: number): Array<[number, number]> => [
    [x + 1, 0],
    [x, deep],
    [x - 1, 0],
  ]
  return {
    name: 'marking-gauge',
    count: 1,
    thicknessMm: 3,
    note: 'hook it over the leading edge from below and tick the wing at the notches: ends of the band, the deep one the aim',
    outline: [
      [-6, 12],
      [-6, -10],
      [0, -10],
      [0, 0],
      ...[notch(fore - lead, 3), notch(aim - lead, 6), notch(aft - lead, 3)].flatMap(points =>
        [...points].reverse(),
      ),
      [end, 0],
      [end, 12],
    ],
  }
}

/** A flat part as a solid, lying on the bed. */
export function flatSolid(kernel: SolidKernel, { outline, thicknessMm }: FlatPart): TriangleMesh {
  const solid = kernel.Manifold.extrude([outline], thicknessMm)
  const mesh = solid.getMesh()
  solid.delete()
  return {
    positions: Float32Array.from(
      { length: mesh.numVert * 3 },
      (_, i) => mesh.vertProperties[Math.floor(i / 3) * mesh.numProp + (i % 3)],
    ),
    triangles: Uint32Array.from(mesh.triVerts),
  }
}
