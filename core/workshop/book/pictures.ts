/** Drawings of the aircraft for paper, as SVG in mm of the sheet. */
import type { Airframe, Drawing } from '../../assess'
import { boreAt, outlineAt, planAt, type Piece, type SurfaceLoft } from '../../geometry'
import type { LinkageSheet, OrderedStep } from '../build'
import type { Picture } from './blocks'

const INK = '#20293a',
  QUIET = '#8a93a6',
  HOT = '#c4501f',
  FILL = '#e4ddcd',
  BLUE = '#9fb8cf'

const n = (value: number) => value.toFixed(2)
const escaped = (text: string) =>
  text.replace(/[&<>"]/g, sign => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!)
const text = (x: number, y: number, words: string, { size = 3, anchor = 'middle' } = {}) =>
  `<text x="${n(x)}" y="${n(y)}" font-size="${size}" font-family="Mono" text-anchor="${anchor}" fill="${INK}">${escaped(words)}</text>`
const line = (x1: number, y1: number, x2: number, y2: number, width = 0.2, colour = INK, dash = '') =>
  `<line x1="${n(x1)}" y1="${n(y1)}" x2="${n(x2)}" y2="${n(y2)}" stroke="${colour}" stroke-width="${width}"${dash ? ` stroke-dasharray="${dash}"` : ''}/>`
const polygon = (
  points: ReadonlyArray<readonly [number, number]>,
  fill: string,
  stroke = INK,
  width = 0.15,
) =>
  `<polygon points="${points.map(([x, y]) => `${n(x)},${n(y)}`).join(' ')}" fill="${fill}" stroke="${stroke}" stroke-width="${width}" stroke-linejoin="round"/>`

function sheet(widthMm: number, heightMm: number, body: string): Picture {
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" width="${n(widthMm)}mm" height="${n(heightMm)}mm" viewBox="0 0 ${n(widthMm)} ${n(heightMm)}">${body}</svg>`,
    widthMm,
    heightMm,
  }
}

/** Scales that drawings are made at: one to so many. */
const SCALES = [1, 2, 2.5, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 60, 80, 100]
export const scaleFor = (lengthMm: number, roomMm: number): number =>
  SCALES.find(scale => lengthMm / scale <= roomMm) ?? Math.ceil(lengthMm / roomMm)

/** A tube is drawn as a line: what fills a piece would not be seen. */
const TUBE: Record<string, string> = { none: '#d5d8df', [FILL]: QUIET }

type View = 'plan' | 'side' | 'front'
type Flat = (a: number, b: number) => readonly [number, number]

/** Nose up in the plan, nose to the left from the side, seen from ahead in front: paper's y grows downward. */
const onPaper: Record<View, Flat> = {
  plan: (x, y) => [y, x],
  side: (x, z) => [x, -z],
  front: (y, z) => [-y, -z],
}

function dimension(x1: number, y1: number, x2: number, y2: number, words: string): string {
  const flat = Math.abs(y2 - y1) < 1e-6
  const tick = 1.2
  const ends = flat
    ? line(x1, y1 - tick, x1, y1 + tick) + line(x2, y1 - tick, x2, y1 + tick)
    : line(x1 - tick, y1, x1 + tick, y1) + line(x1 - tick, y2, x1 + tick, y2)
  const at = flat
    ? text((x1 + x2) / 2, y1 - 0.9, words)
    : text(x1 + 1.2, (y1 + y2) / 2 + 1, words, { anchor: 'start' })
  return line(x1, y1, x2, y2) + ends + at
}

function balanceMark(x: number, y: number): string {
  const r = 1.7
  return `<circle cx="${n(x)}" cy="${n(y)}" r="${r}" fill="white" stroke="${HOT}" stroke-width="0.4"/><path d="M${n(x)} ${n(y)} L${n(x + r)} ${n(y)} A${r} ${r} 0 0 1 ${n(x)} ${n(y + r)} Z M${n(x)} ${n(y)} L${n(x - r)} ${n(y)} A${r} ${r} 0 0 1 ${n(x)} ${n(y - r)} Z" fill="${HOT}"/>`
}

/** Plan, side and front to one scale on a sheet, with span, length and height, and where it balances. */
export function threeView(
  drawing: Drawing,
  cgMm: readonly [number, number, number],
  widthMm: number,
  heightMm: number,
): { picture: Picture; scale: number } {
  const { box } = drawing
  const span = box.maxY - box.minY,
    length = box.maxX - box.minX,
    height = box.maxZ - box.minZ
  const scale = Math.max(
    scaleFor(span, widthMm - 16),
    scaleFor(length, widthMm - 24),
    scaleFor(length + 2 * height, heightMm - 46),
  )
  const views: Array<{ view: View; x: number; y: number }> = [
    { view: 'plan', x: widthMm / 2, y: 10 - box.minX / scale },
    {
      view: 'side',
      x: (widthMm - length / scale) / 2 - box.minX / scale,
      y: 22 + length / scale + box.maxZ / scale,
    },
    { view: 'front', x: widthMm / 2, y: 34 + (length + height) / scale + box.maxZ / scale },
  ]
  const body = views.map(({ view, x, y }) => {
    const at = (a: number, b: number) => {
      const [px, py] = onPaper[view](a, b)
      return [x + px / scale, y + py / scale] as const
    }
    const shapes = drawing[view]
      .map(({ points }) => {
        const list: Array<readonly [number, number]> = []
        for (let i = 0; i + 1 < points.length; i += 2) list.push(at(points[i], points[i + 1]))
        return polygon(list, FILL)
      })
      .join('')
    const tube = (view === 'front' ? [] : drawing.booms)
      .map(({ [view as 'plan' | 'side']: [x0, y0, x1, y1], widthMm }) =>
        line(...at(x0, y0), ...at(x1, y1), widthMm / scale, QUIET),
      )
      .join('')
    const cg = view === 'plan' ? at(cgMm[0], 0) : view === 'side' ? at(cgMm[0], cgMm[2]) : at(0, cgMm[2])
    return tube + shapes + balanceMark(...cg)
  })
  const [plan, side, front] = views
  const measures = [
    dimension(plan.x - span / 2 / scale, 6, plan.x + span / 2 / scale, 6, `${span.toFixed(0)} mm`),
    dimension(
      side.x + box.minX / scale,
      side.y - box.minZ / scale + 5,
      side.x + box.maxX / scale,
      side.y - box.minZ / scale + 5,
      `${length.toFixed(0)} mm`,
    ),
    dimension(
      front.x + span / 2 / scale + 5,
      front.y - box.maxZ / scale,
      front.x + span / 2 / scale + 5,
      front.y - box.minZ / scale,
      `${height.toFixed(0)}`,
    ),
    text(plan.x + 3, plan.y + cgMm[0] / scale + 1, `balance ${cgMm[0].toFixed(0)} mm aft of the nose`, {
      anchor: 'start',
      size: 2.6,
    }),
  ]
  const used = 44 + (length + 2 * height) / scale
  return { picture: sheet(widthMm, Math.min(heightMm, used), [...body, ...measures].join('')), scale }
}

/** The aircraft from above with what is done, what comes in and what is handled; the fin and body from the side. */
export function stepPicture(
  drawing: Drawing,
  step: OrderedStep,
  placed: ReadonlySet<string>,
  widthMm: number,
  heightMm: number,
): Picture {
  const named = [...step.brings, ...step.touches]
  const upright = named.length > 0 && named.every(id => id.startsWith('vertical') || id.startsWith('body'))
  const view: View = upright ? 'side' : 'plan'
  const { box } = drawing
  const [wide, high] =
    view === 'plan' ? [box.maxY - box.minY, box.maxX - box.minX] : [box.maxX - box.minX, box.maxZ - box.minZ]
  const scale = Math.max(wide / (widthMm - 2), high / (heightMm - 2))
  const middle =
    view === 'plan'
      ? [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2]
      : [(box.minX + box.maxX) / 2, (box.minZ + box.maxZ) / 2]
  const [mx, my] = onPaper[view](middle[0], middle[1])
  const at = (a: number, b: number) => {
    const [px, py] = onPaper[view](a, b)
    return [widthMm / 2 + (px - mx) / scale, heightMm / 2 + (py - my) / scale] as const
  }
  const colourOf = (id: string): string => {
    if (step.brings.includes(id)) return HOT
    if (step.touches.includes(id)) return BLUE
    return placed.has(id) ? FILL : 'none'
  }
  const shapes = drawing[view].map(({ id, points }) => {
    const list: Array<readonly [number, number]> = []
    for (let i = 0; i + 1 < points.length; i += 2) list.push(at(points[i], points[i + 1]))
    const colour = colourOf(id)
    return polygon(list, colour, colour === 'none' ? QUIET : INK, colour === 'none' ? 0.1 : 0.15)
  })
  const tube = drawing.booms
    .map(({ [view === 'plan' ? 'plan' : 'side']: [x0, y0, x1, y1], widthMm }) =>
      line(
        ...at(x0, y0),
        ...at(x1, y1),
        Math.max(0.2, widthMm / scale),
        TUBE[colourOf('boom')] ?? colourOf('boom'),
      ),
    )
    .join('')
  const [x, y] = view === 'plan' ? at(step.at[0], step.at[1]) : at(step.at[0], step.at[2])
  const mark = `<circle cx="${n(x)}" cy="${n(y)}" r="2.4" fill="none" stroke="${HOT}" stroke-width="0.5"/>`
  return sheet(widthMm, heightMm, tube + shapes.join('') + mark)
}

/** Arm, rod and horn from the side at full size; a long rod is broken in its middle. */
export function rodPicture(rod: LinkageSheet, widthMm: number): Picture {
  const reach = Math.min(rod.distanceMm, widthMm - 60)
  const high = Math.max(rod.armMm, rod.hornMm)
  const below = rod.runs === 'below'
  const y0 = below ? 9 : high + 8
  const way = below ? 1 : -1
  const arm = y0 + way * rod.armMm,
    horn = y0 + way * rod.hornMm
  const x0 = 26,
    x1 = x0 + reach
  const broken = reach < rod.distanceMm - 0.01
  const at = (t: number): [number, number] => [x0 + t * reach, arm + t * (horn - arm)]
  const rods = broken
    ? line(...at(0), ...at(0.47), 1, HOT) + line(...at(0.53), ...at(1), 1, HOT)
    : line(...at(0), ...at(1), 1, HOT)
  const hole = (x: number, y: number, r: number) =>
    `<circle cx="${n(x)}" cy="${n(y)}" r="${r}" fill="white" stroke="${INK}" stroke-width="0.3"/>`
  return sheet(
    widthMm,
    high + 20,
    [
      `<rect x="${n(x0 - 9)}" y="${n(y0 - 6)}" width="23" height="12" fill="${FILL}" stroke="${INK}" stroke-width="0.2"/>`,
      polygon(
        [
          [x1 + 0.5, y0 - 2.5],
          [x1 + 30, y0],
          [x1 + 0.5, y0 + 2.5],
        ],
        FILL,
      ),
      line(x0, y0, x0, arm, 1.2),
      line(x1, y0, x1, horn, 1.2),
      rods,
      hole(x0, arm, 0.9),
      hole(x1, horn, 0.9),
      hole(x0, y0, 1.3),
      hole(x1, y0, 0.7),
      text(x0 - 11, arm + 1, rod.armMm.toFixed(1), { anchor: 'end' }),
      text(x1 + 2, horn + 1, rod.hornMm.toFixed(1), { anchor: 'start' }),
      text(
        (x0 + x1) / 2,
        (below ? y0 + high : y0 - high) + (below ? 6 : -2.5),
        `${rod.rodMm.toFixed(1)} mm between holes`,
      ),
    ].join(''),
  )
}

type Vec = [number, number, number]

/** Seen from ahead, above and starboard: where a point of the aircraft falls, and how near it is. */
const TURN = (35 * Math.PI) / 180,
  TILT = (24 * Math.PI) / 180
function seen([x, y, z]: Vec): Vec {
  const a = y * Math.cos(TURN) + x * Math.sin(TURN),
    b = -y * Math.sin(TURN) + x * Math.cos(TURN)
  return [-a, -(z * Math.cos(TILT) - b * Math.sin(TILT)), -(b * Math.cos(TILT) + z * Math.sin(TILT))]
}

/** Points kept round a section: enough for its form at the size of a page. */
const ROUND = 20

/** The aircraft in space: quads between sections of every piece, shaded and drawn from the far to the near. */
export function spacePicture(
  { pieces }: Pick<Airframe, 'pieces'>,
  drawing: Drawing,
  widthMm: number,
): Picture {
  const quads: Array<{ points: Vec[]; shade: number; depth: number }> = []
  for (const piece of pieces) quads.push(...skinQuads(piece))
  for (const { plan, side, widthMm } of drawing.booms) {
    const [x0, z0, x1, z1] = side
    const y = plan[1],
      r = widthMm / 2
    quads.push(
      shaded([
        [x0, y, z0 + r],
        [x1, y, z1 + r],
        [x1, y, z1 - r],
        [x0, y, z0 - r],
      ]),
    )
  }
  const all = quads.flatMap(quad => quad.points)
  const xs = all.map(point => point[0]),
    ys = all.map(point => point[1])
  const [left, top] = [Math.min(...xs), Math.min(...ys)]
  const scale = Math.max(1e-6, (Math.max(...xs) - left) / (widthMm - 4))
  const heightMm = (Math.max(...ys) - top) / scale + 4
  const body = quads
    .sort((a, b) => a.depth - b.depth)
    .map(({ points, shade }) => {
      const grey = Math.round(150 + 95 * shade)
      const colour = `rgb(${grey},${Math.round(grey * 0.97)},${Math.round(grey * 0.91)})`
      return polygon(
        points.map(([x, y]) => [2 + (x - left) / scale, 2 + (y - top) / scale] as const),
        colour,
        colour,
        0.12,
      )
    })
    .join('')
  return sheet(widthMm, heightMm, body)
}

function skinQuads(piece: Piece): Array<{ points: Vec[]; shade: number; depth: number }> {
  const rings = piece.corners.flatMap(at => {
    const outline = piece.skinAt(at)
    if (!outline || outline.length < 6) return []
    const count = outline.length / 2
    return [
      Array.from({ length: ROUND }, (_, i) => {
        const k = Math.floor((i * count) / ROUND)
        return piece.place(outline[2 * k], outline[2 * k + 1], at) as Vec
      }),
    ]
  })
  const sides = rings.slice(1).flatMap((ring, i) =>
    ring.map((point, k) => {
      const next = (k + 1) % ROUND
      return shaded([rings[i][k], rings[i][next], ring[next], point])
    }),
  )
  const ends = [rings[0], rings[rings.length - 1]]
    .filter(ring => ring !== undefined)
    .map(ring => shaded(ring))
  return [...sides, ...ends]
}

function shaded(points: Vec[]): { points: Vec[]; shade: number; depth: number } {
  const [a, b, c] = [points[0], points[1], points[Math.floor(points.length / 2)]]
  const u = [b[0] - a[0], b[1] - a[1], b[2] - a[2]],
    v = [c[0] - a[0], c[1] - a[1], c[2] - a[2]]
  const normal = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const size = Math.hypot(...normal) || 1
  // Light from above, a little from ahead; both faces count alike, whatever way the ring runs.
  const shade = Math.min(1, Math.abs(normal[2] / size) * 0.8 + Math.abs(normal[0] / size) * 0.2 + 0.05)
  const placed = points.map(seen)
  return { points: placed, shade, depth: placed.reduce((sum, point) => sum + point[2], 0) / placed.length }
}

/** A section at full size with its bores, its chord line and a name. */
export function sectionPicture(loft: SurfaceLoft, airframe: Airframe, at: number, caption: string): Picture {
  const { lead, chord } = planAt(loft, at)
  const outline = outlineAt(loft, at)
  let low = Infinity,
    high = -Infinity
  for (let i = 1; i < outline.length; i += 2) {
    low = Math.min(low, outline[i])
    high = Math.max(high, outline[i])
  }
  const x = (value: number) => 4 + value - lead,
    y = (value: number) => 8 + high - value
  const list: Array<readonly [number, number]> = []
  for (let i = 0; i + 1 < outline.length; i += 2) list.push([x(outline[i]), y(outline[i + 1])])
  const bores = (airframe.spars[loft.name] ?? [])
    .flatMap(spar => {
      const loop = boreAt(loft, spar, at, outline)
      return loop ? [loop] : []
    })
    .map(loop => {
      const points: Array<readonly [number, number]> = []
      for (let i = 0; i + 1 < loop.length; i += 2) points.push([x(loop[i]), y(loop[i + 1])])
      return polygon(points, 'white')
    })
  return sheet(
    chord + 8,
    high - low + 16,
    [
      polygon(list, 'none', INK, 0.25),
      ...bores,
      line(x(lead), y(0), x(lead + chord), y(0), 0.1, QUIET, '2 1'),
      text(4, 4.5, caption, { anchor: 'start' }),
    ].join(''),
  )
}

/** A bar to be laid against a ruler: a printer that scales is found out by it. */
export function scaleBar(lengthMm: number): Picture {
  const ticks = Array.from({ length: lengthMm / 10 + 1 }, (_, i) =>
    line(2 + 10 * i, i % 5 ? 3.5 : 2, 2 + 10 * i, 6, 0.2),
  )
  return sheet(
    lengthMm + 4,
    12,
    [
      line(2, 6, 2 + lengthMm, 6, 0.35),
      ...ticks,
      text(2 + lengthMm / 2, 11, `${lengthMm} mm: measure it before you trust the sheet`),
    ].join(''),
  )
}

/** Parts of a picture that is larger than the paper, each with the overlap marked; mm. */
export function tiles(picture: Picture, widthMm: number, heightMm: number, overlapMm = 10): Picture[] {
  const across = Math.max(1, Math.ceil((picture.widthMm - overlapMm) / (widthMm - overlapMm))),
    down = Math.max(1, Math.ceil((picture.heightMm - overlapMm) / (heightMm - overlapMm)))
  if (across * down === 1) return [picture]
  const inner = picture.svg.replace(/^<svg[^>]*>/, '').replace(/<\/svg>$/, '')
  return Array.from({ length: across * down }, (_, i) => {
    const left = (i % across) * (widthMm - overlapMm),
      top = Math.floor(i / across) * (heightMm - overlapMm)
    const [w, h] = [Math.min(widthMm, picture.widthMm - left), Math.min(heightMm, picture.heightMm - top)]
    const edge =
      i % across > 0 ? line(left + overlapMm, top, left + overlapMm, top + h, 0.15, HOT, '3 2') : ''
    return {
      widthMm: w,
      heightMm: h,
      svg: `<svg xmlns="http://www.w3.org/2000/svg" width="${n(w)}mm" height="${n(h)}mm" viewBox="${n(left)} ${n(top)} ${n(w)} ${n(h)}">${inner}${edge}</svg>`,
    }
  })
}
