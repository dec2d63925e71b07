/**
 * Aids that are printed beside the aircraft: cradles, a square for the fin, gauges of the throws, templates, a key for
 * hinge slots. All are flat parts with their outline cut from the real sections, printed lying down. mm
 */
import type { Airframe, Assessment } from '../../assess'
import { bodiesOf, siteOf } from '../../assess'
import type { Firewall } from '../../document'
import {
  circle,
  difference,
  gapAt,
  HINGE_SLOTS,
  intersection,
  outlineAt,
  placePoint,
  planAt,
  union,
  type HingedControl,
  type SurfaceLoft,
} from '../../geometry'

export interface Jig {
  id: string
  /** Written on it. */
  mark: string
  name: string
  count: number
  thicknessMm: number
  /** Plastic counter-clockwise, holes clockwise; x right, y up as it stands when it is used. */
  loops: Float64Array[]
  /** What it is for and how it is laid on. */
  note: string
  /** Air between it and what it holds, mm. */
  gapMm: number
}

export const JIG_GAP = 0.3
/** Under the lowest point of the aircraft, so that the whole of it stands clear of the table, mm. */
const UNDER = 12
/** Thickness of a cradle, and of the foot that crosses it, mm. */
const PLATE = 6,
  FOOT = { long: 70, tall: 20, deep: 10, play: 0.15 }
const FENCE = 7
/** Where cradles stand along the half span, and how far aft of the nose they hold. */
const CRADLES = [0.14, 0.72],
  HELD = 0.7
/** Between wire and hole, on the radius, mm. */
const DRILL_PLAY = 0.1
/** Points along a seat. */
const STEPS = 40

const ring = (...points: Array<readonly [number, number]>) => Float64Array.from(points.flat())
const box = (x0: number, y0: number, x1: number, y1: number) => ring([x0, y0], [x1, y0], [x1, y1], [x0, y1])

export function jigs(airframe: Airframe, { drawing }: Pick<Assessment, 'drawing'>): Jig[] {
  // Legs and propellers are not on yet.
  const lows = [...drawing.side].flatMap(({ points }) => points.filter((_, i) => i % 2 === 1))
  const table = Math.min(...lows) - UNDER
  const list: Array<Omit<Jig, 'mark'>> = [
    ...cradles(airframe, 'wing', table),
    ...(airframe.surfaces.horizontal && Math.abs(airframe.surfaces.horizontal.cant) < 1
      ? cradles(airframe, 'horizontal', table)
      : []),
    ...finSquare(airframe),
    ...siteOf(airframe)
      .moving.filter(({ chain }) => chain.side !== 'port')
      .flatMap(({ chain, hinged }) => throwGauge(airframe.surfaces[chain.part as 'wing']!, hinged)),
    ...firewallTemplate(airframe),
    ...legTemplates(airframe),
    ...drillTemplates(airframe),
    ...slotKeys(airframe),
  ]
  const feet = list.filter(jig => jig.id.startsWith('cradle')).reduce((sum, jig) => sum + jig.count, 0)
  if (feet > 0) list.push(foot(feet))
  return list.map((jig, i) => ({ ...jig, mark: `J${i + 1}` }))
}

/** A seat under the section, its base level with the aircraft's axis: incidence, twist and dihedral are held. */
function cradles(airframe: Airframe, name: 'wing' | 'horizontal', table: number): Array<Omit<Jig, 'mark'>> {
  const loft = airframe.surfaces[name]!
  const label = loft.label.toLowerCase()
  return CRADLES.flatMap((share, k): Array<Omit<Jig, 'mark'>> => {
    const s = share * loft.span
    const seat = seatUnder(loft, s)
    if (!seat) return []
    const { lead, top } = seat
    const first = lead - JIG_GAP
    const high = (z: number) => z - table
    const last = seat.under[seat.under.length - 1]
    const outline = ring(
      [first - FENCE, 0],
      [last[0] + 4, 0],
      [last[0] + 4, high(last[1])],
      ...[...seat.under].reverse().map(([x, z]) => [x, high(z)] as const),
      [first, high(seat.under[0][1])],
      [first, high(top)],
      [first - FENCE, high(top)],
    )
    const middle = (first + last[0]) / 2
    const lowest = Math.min(...seat.under.map(([, z]) => z))
    const notch = box(middle - PLATE / 2 - FOOT.play, -1, middle + PLATE / 2 + FOOT.play, FOOT.deep)
    return [
      {
        id: `cradle-${name}-${k + 1}`,
        name: `Cradle of the ${label}, ${k === 0 ? 'inner' : 'outer'}`,
        count: loft.mirror ? 2 : 1,
        thicknessMm: PLATE,
        loops: difference([outline], [notch, ...windows(first - FENCE, last[0] + 4, high(lowest), middle)]),
        note: `stands across the span at ${Math.round(s)} mm from the root, fence against the leading edge, a foot through its notch; holds incidence and dihedral over one flat table with the other cradles`,
        gapMm: JIG_GAP,
      },
    ]
  })
}

/** Plastic left round the windows of a tall cradle, mm. */
const RIM = 11

/** A tall cradle is a frame: what is cut out of it carries nothing. */
function windows(x0: number, x1: number, seat: number, middle: number): Float64Array[] {
  const [low, high] = [FOOT.deep + RIM, seat - RIM]
  if (high - low < 15) return []
  return [
    [x0 + RIM, middle - RIM / 2],
    [middle + RIM / 2, x1 - RIM],
  ].flatMap(([from, to]) => (to - from < 10 ? [] : [box(from, low, to, high)]))
}

/** Points under a section with the gap taken off, from the leading edge aft, aircraft x and z. */
function seatUnder(
  loft: SurfaceLoft,
  s: number,
): { under: Array<[number, number]>; lead: number; top: number } | null {
  const outline = outlineAt(loft, s)
  const { lead, chord, n } = planAt(loft, s)
  const xs = Array.from({ length: outline.length / 2 }, (_, i) => outline[2 * i])
  const nose = Math.min(...xs)
  const under = Array.from({ length: STEPS + 1 }, (_, i): [number, number] | null => {
    // Close together where the nose curves.
    const x = nose + 0.4 + (HELD * chord - 0.4) * (i / STEPS) ** 1.6
    const gap = gapAt(outline, x)
    return gap ? [x, placePoint(loft, x, gap.lower, s, 1)[2] - JIG_GAP] : null
  }).filter(point => point !== null)
  if (under.length < 3) return null
  return { under, lead: nose, top: placePoint(loft, lead, n, s, 1)[2] + 2 }
}

/** Crosses a cradle at its notch and keeps it upright. */
const foot = (count: number): Omit<Jig, 'mark'> => ({
  id: 'foot',
  name: 'Foot of a cradle',
  count,
  thicknessMm: PLATE,
  loops: difference(
    [box(-FOOT.long / 2, 0, FOOT.long / 2, FOOT.tall)],
    [box(-PLATE / 2 - FOOT.play, FOOT.tall - FOOT.deep, PLATE / 2 + FOOT.play, FOOT.tall + 1)],
  ),
  note: 'pushed up into the notch of a cradle, across it',
  gapMm: FOOT.play,
})

/** Rests on the tailplane on both sides of the fin and holds it upright, by the document's own angle between them. */
function finSquare({ surfaces }: Airframe): Array<Omit<Jig, 'mark'>> {
  const fin = surfaces.vertical,
    tail = surfaces.horizontal
  if (!fin || fin.mirror || !tail || Math.abs(tail.cant) > 0.2) return []
  const { lead, chord } = planAt(fin, 0)
  const x = lead + 0.35 * chord
  const root = planAt(tail, 0)
  if (x < root.lead || x > root.lead + root.chord) return []
  const upper = gapAt(outlineAt(tail, 0), x)
  const thick = gapAt(outlineAt(fin, 0), x)
  if (!upper || !thick) return []
  const half = (thick.upper - thick.lower) / 2 + JIG_GAP
  const base = placePoint(tail, x, upper.upper, 0, 1)
  const wide = 45,
    tall = 55
  const lean = fin.cant - Math.PI / 2
  const slot = (y: number, z: number): readonly [number, number] => [
    fin.origin[1] + y - z * Math.sin(lean),
    z * Math.cos(lean),
  ]
  return [
    {
      id: 'fin-square',
      name: 'Square of the fin',
      count: 1,
      thicknessMm: PLATE,
      loops: difference(
        [ring([-wide, 0], [wide, 0], [half + 8, tall], [-half - 8, tall])],
        [ring(slot(-half, -2), slot(half, -2), slot(half, tall - 10), slot(-half, tall - 10))],
      ),
      note: `over the fin from above, ${Math.round(x - lead)} mm behind its leading edge, down on the tailplane (${base[2].toFixed(0)} mm up) on both sides`,
      gapMm: JIG_GAP,
    },
  ]
}

const turned = (loop: Float64Array, [px, py]: readonly [number, number], angle: number): Float64Array => {
  const cos = Math.cos(angle),
    sin = Math.sin(angle)
  return Float64Array.from(loop, (_, i) => {
    const k = i - (i % 2)
    const x = loop[k] - px,
      y = loop[k + 1] - py
    return i % 2 === 0 ? px + x * cos - y * sin : py + x * sin + y * cos
  })
}

/** Ahead of the hinge line it sits on the fixed part; behind, the surface meets its edge at the throws. */
const GRIP = 30,
  ROUND = 10
/** Copies of the moving part between its throws: between two of them the edge is short by less than 0.02 mm. */
const SWEEP = 48

/** Where a gauge sits: a little inside the surface's inner end, clear of the horn. */
export const gaugeAt = ({ from, to }: HingedControl): number => from + 0.08 * (to - from)

/** What moves behind the hinge line at s, and the point about which it turns. */
export function movingSection(
  loft: SurfaceLoft,
  { control, hingeAt }: HingedControl,
  s: number,
): { loop: Float64Array; pivot: readonly [number, number] } | null {
  const outline = outlineAt(loft, s)
  const hinge = hingeAt(s)
  const gap = gapAt(outline, hinge)
  if (!gap) return null
  const [loop] = intersection([outline], [box(hinge, -1e4, hinge + 1e4, 1e4)])
  if (!loop) return null
  return {
    loop,
    pivot: [hinge, control.hinge.kind === 'tape' ? gap.upper : (gap.lower + gap.upper) / 2],
  }
}

function throwGauge(loft: SurfaceLoft, hinged: HingedControl): Array<Omit<Jig, 'mark'>> {
  const { control } = hinged
  const s = gaugeAt(hinged)
  const outline = outlineAt(loft, s)
  const part = movingSection(loft, hinged, s)
  if (!part) return []
  const [px] = part.pivot
  const sweep = Array.from({ length: SWEEP + 1 }, (_, i) => {
    const deg = -control.throwDownDeg + ((control.throwUpDeg + control.throwDownDeg) * i) / SWEEP
    // Up lifts what lies behind the hinge.
    return turned(part.loop, part.pivot, (deg * Math.PI) / 180)
  })
  const swept = sweep.reduce<Float64Array[]>((all, loop) => union(all, [loop]), [])
  const grip = Math.min(GRIP, px - planAt(loft, s).lead - 2)
  const fixed = Array.from({ length: STEPS + 1 }, (_, i) => px - grip - 5 + ((grip + 5) * i) / STEPS)
    .map(x => ({ x, gap: gapAt(outline, x) }))
    .flatMap(({ x, gap }) => (gap ? [{ x, low: gap.lower - JIG_GAP, high: gap.upper + JIG_GAP }] : []))
  if (fixed.length < 3) return []
  const mouth = ring(
    ...fixed.map(({ x, low }) => [x, low] as const),
    ...[...fixed].reverse().map(({ x, high }) => [x, high] as const),
  )
  const all = [...swept, mouth]
  const ys = all.flatMap(loop => Array.from({ length: loop.length / 2 }, (_, i) => loop[2 * i + 1]))
  const xs = all.flatMap(loop => Array.from({ length: loop.length / 2 }, (_, i) => loop[2 * i]))
  const frame = box(px - grip, Math.min(...ys) - ROUND, Math.max(...xs) + ROUND, Math.max(...ys) + ROUND)
  const loops = difference([frame], union(swept, [mouth]))
  return [
    {
      id: `throw-${loft.name}-${control.piece}`,
      name: `Throws of the ${control.name.toLowerCase()}`,
      count: 1,
      thicknessMm: 4,
      loops,
      note: `pushed on from behind at ${Math.round(s)} mm from the root; the edge meets plastic at ${control.throwUpDeg}° up and ${control.throwDownDeg}° down`,
      gapMm: JIG_GAP,
    },
  ]
}

const firewallTemplate = (airframe: Airframe): Array<Omit<Jig, 'mark'>> =>
  bodiesOf(airframe).flatMap(({ main, name, pieces, body }) =>
    body.firewall && body.firewall.bolts > 0
      ? [
          boltTemplate(
            main ? 'firewall' : `firewall-${pieces.slice(0, -1)}`,
            main ? 'Holes of the motor' : `Holes of the motor, ${name}`,
            body.firewall,
          ),
        ]
      : [],
  )

/** Holes of a motor's bolts and shaft, about its axis. */
export const motorHoles = (wall: Firewall): Float64Array[] => [
  ...Array.from({ length: wall.bolts }, (_, i) => {
    const angle = (2 * Math.PI * (i + 0.5)) / wall.bolts
    return circle(
      (wall.boltCircleMm / 2) * Math.cos(angle),
      (wall.boltCircleMm / 2) * Math.sin(angle),
      wall.boltMm / 2,
      false,
    )
  }),
  ...(wall.shaftMm > 0 ? [circle(0, 0, wall.shaftMm / 2, false)] : []),
]

function boltTemplate(id: string, name: string, wall: Firewall): Omit<Jig, 'mark'> {
  const outer = circle(0, 0, wall.boltCircleMm / 2 + wall.boltMm + 4, false)
  return {
    id,
    name,
    count: 1,
    thicknessMm: 2,
    loops: difference([outer], motorHoles(wall)),
    note: 'laid on the firewall to mark or drill the holes again',
    gapMm: 0,
  }
}

function legTemplates({ doc }: Airframe): Array<Omit<Jig, 'mark'>> {
  return doc.gear
    .filter(leg => leg.kind === 'wire')
    .map(leg => {
      const mount = 25,
        deep = 14
      // The wire lies along the upper left edge: up into the mount, then out to the axle.
      const outline = ring(
        [0, 0],
        [0, -mount],
        [leg.splayMm, -mount - leg.dropMm],
        [leg.splayMm + deep, -mount - leg.dropMm],
        [leg.splayMm + deep, 0],
      )
      return {
        id: `bend-${leg.id}`,
        name: `Bend of ${leg.name.toLowerCase()}`,
        count: 1,
        thicknessMm: 5,
        loops: [outline],
        note: `the wire follows its left edge: ${mount} mm into the mount, then ${Math.round((Math.atan2(leg.splayMm, leg.dropMm) * 180) / Math.PI)}° outward to the axle`,
        gapMm: 0,
      }
    })
}

/** Laid on the mount's bearing: where the wire goes in, and how wide the hole is. */
function drillTemplates({ doc }: Airframe): Array<Omit<Jig, 'mark'>> {
  return doc.gear
    .filter(leg => leg.kind === 'wire')
    .map(leg => {
      const { lengthMm, widthMm } = leg.mount
      const hole = leg.thicknessMm / 2 + DRILL_PLAY
      // A bearing narrower than its hole needs would leave no rim.
      const [x, y] = [Math.max(lengthMm, 2 * hole + 6) / 2, Math.max(widthMm, 2 * hole + 6) / 2]
      return {
        id: `drill-${leg.id}`,
        name: `Hole of ${leg.name.toLowerCase()}`,
        count: 1,
        thicknessMm: 5,
        loops: difference([box(-x, -y, x, y)], [circle(0, 0, hole, false)]),
        note: 'laid on the bearing of the mount, long side along the leg; the drill goes square through it',
        gapMm: DRILL_PLAY,
      }
    })
}

function slotKeys(airframe: Airframe): Array<Omit<Jig, 'mark'>> {
  const kinds = [...new Set(siteOf(airframe).moving.map(({ control }) => control.hinge.kind))]
  return kinds.flatMap(kind => {
    const slot = HINGE_SLOTS[kind]
    if (!slot) return []
    const w = slot.width / 2 - 0.1
    return [
      {
        id: `key-${kind}`,
        name: 'Key of the hinge slots',
        count: 1,
        thicknessMm: Math.max(0.4, Math.round(10 * (slot.thickness - 0.1)) / 10),
        loops: [
          ring(
            [-w, 0],
            [w, 0],
            [w, slot.depth],
            [12, slot.depth],
            [12, slot.depth + 26],
            [-12, slot.depth + 26],
            [-12, slot.depth],
            [-w, slot.depth],
          ),
        ],
        note: `pushed into every slot to its shoulder before a hinge is: ${slot.depth} mm deep, free of strings`,
        gapMm: 0.1,
      },
    ]
  })
}
