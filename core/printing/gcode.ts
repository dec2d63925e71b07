/**
 * G-code replayed to filament, time, layers and extent. Only the standard words count (G0–G3, G4, G20, G21, G28,
 * G90–G92, M82, M83; E and F); comments and everything else are passed over unread. Lengths mm, times s.
 */
import { DocumentError } from '../document'
import type { Printer } from '../document'
import { replayMoves } from './motion'

export interface GcodeFigures {
  /** Filament that went forward past its furthest point: what is pulled back and pushed again counts once. */
  filamentMm: number
  extrudedMm3: number
  seconds: number
  layers: number
  /** Of the moves that lay plastic; null when none does. */
  bbox: { min: [number, number, number], max: [number, number, number] } | null
  moves: number
}

/** More words of motion than this are refused. */
const MAX_MOVES = 20_000_000
/** Chord error to which arcs are divided, mm. */
const ARC_ERROR = 0.01

interface Head { x: number, y: number, z: number, e: number, feed: number, absolute: boolean, absoluteE: boolean, scale: number }

/** Throws `DocumentError` naming the line. `filamentDiameter` in mm. */
export function replayGcode(text: string, printer: Printer, filamentDiameter = 1.75): GcodeFigures {
  const head: Head = { x: 0, y: 0, z: 0, e: 0, feed: 1500, absolute: true, absoluteE: true, scale: 1 }
  const moves = { length: [] as number[], speed: [] as number[], dx: [] as number[], dy: [] as number[], dz: [] as number[] }
  const min: [number, number, number] = [Infinity, Infinity, Infinity], max: [number, number, number] = [-Infinity, -Infinity, -Infinity]
  const layerHeights = new Set<number>()
  let pushed = 0, furthest = 0, filamentMm = 0, dwell = 0

  const travel = (x: number, y: number, z: number, extrude: number) => {
    const dx = x - head.x, dy = y - head.y, dz = z - head.z
    const length = Math.hypot(dx, dy, dz)
    pushed += extrude
    const laid = Math.max(0, pushed - furthest)
    furthest = Math.max(furthest, pushed)
    filamentMm += laid
    if (laid > 0 && Math.hypot(dx, dy) > 0) {
      layerHeights.add(Math.round(z * 1000))
      for (const [px, py, pz] of [[head.x, head.y, head.z], [x, y, z]]) {
        min[0] = Math.min(min[0], px); min[1] = Math.min(min[1], py); min[2] = Math.min(min[2], pz)
        max[0] = Math.max(max[0], px); max[1] = Math.max(max[1], py); max[2] = Math.max(max[2], pz)
      }
    }
    // A move of the extruder alone takes its own time.
    const way = length > 0 ? length : Math.abs(extrude)
    if (way > 0) {
      if (moves.length.length >= MAX_MOVES) throw new DocumentError('', `more than ${MAX_MOVES} moves`)
      moves.length.push(way)
      moves.speed.push(Math.max(0.1, head.feed / 60))
      moves.dx.push(length > 0 ? dx / length : 0)
      moves.dy.push(length > 0 ? dy / length : 0)
      moves.dz.push(length > 0 ? dz / length : 0)
    }
    head.x = x
    head.y = y
    head.z = z
  }

  let lineNumber = 0
  for (let at = 0; at < text.length;) {
    let end = text.indexOf('\n', at)
    if (end < 0) end = text.length
    lineNumber++
    dwell += readLine(text.slice(at, end), lineNumber, head, travel)
    at = end + 1
  }
  if (moves.length.length === 0) throw new DocumentError('', 'has no moves; is this G-code?')
  return {
    filamentMm, extrudedMm3: (filamentMm * Math.PI * filamentDiameter ** 2) / 4, seconds: replayMoves(moves, printer.accelMmS2, printer.cornerMmS) + dwell,
    layers: layerHeights.size, bbox: min[0] <= max[0] ? { min, max } : null, moves: moves.length.length,
  }
}

type Travel = (x: number, y: number, z: number, extrude: number) => void
const WORD = /([A-Za-z])\s*([-+]?(?:\d+\.?\d*|\.\d+))/g

/** Carries out one line; returns the seconds it waits. */
function readLine(raw: string, lineNumber: number, head: Head, travel: Travel): number {
  if (raw.length > 2000) throw new DocumentError(`line ${lineNumber}`, 'is too long for G-code')
  const text = raw.replace(/;.*$/, '').replace(/\([^)]*\)/g, '').replace(/\*\d+\s*$/, '').trim()
  if (text === '') return 0
  const words = new Map<string, number>()
  const codes: string[] = []
  for (const [, letter, number] of text.matchAll(WORD)) {
    const key = letter.toUpperCase()
    if (key === 'G' || key === 'M') codes.push(`${key}${Number(number)}`)
    else if (!words.has(key)) words.set(key, Number(number))
  }
  let wait = 0
  for (const code of codes) {
    switch (code) {
      case 'G0': case 'G1': straight(words, head, travel); break
      case 'G2': case 'G3': arc(words, head, travel, code === 'G2', lineNumber); break
      case 'G4': wait += words.has('P') ? words.get('P')! / 1000 : words.get('S') ?? 0; break
      case 'G20': head.scale = 25.4; break
      case 'G21': head.scale = 1; break
      case 'G28': home(text, head, travel); break
      case 'G90': head.absolute = true; head.absoluteE = true; break
      case 'G91': head.absolute = false; head.absoluteE = false; break
      case 'G92': setPlace(words, head); break
      case 'M82': head.absoluteE = true; break
      case 'M83': head.absoluteE = false; break
    }
  }
  return wait
}

const target = (words: Map<string, number>, head: Head, axis: 'X' | 'Y' | 'Z'): number => {
  const now = head[axis.toLowerCase() as 'x' | 'y' | 'z'], word = words.get(axis)
  return word === undefined ? now : head.absolute ? word * head.scale : now + word * head.scale
}
/** Filament this move pushes, mm; the head's own count is moved on. */
function extrusion(words: Map<string, number>, head: Head): number {
  const word = words.get('E')
  if (word === undefined) return 0
  const to = head.absoluteE ? word * head.scale : head.e + word * head.scale
  const push = to - head.e
  head.e = to
  return push
}
function straight(words: Map<string, number>, head: Head, travel: Travel): void {
  if (words.has('F')) head.feed = words.get('F')! * head.scale
  travel(target(words, head, 'X'), target(words, head, 'Y'), target(words, head, 'Z'), extrusion(words, head))
}

/** Arcs in the xy plane by centre (I, J, always relative) or radius (R); z and filament run evenly along them. */
function arc(words: Map<string, number>, head: Head, travel: Travel, clockwise: boolean, lineNumber: number): void {
  if (words.has('F')) head.feed = words.get('F')! * head.scale
  const x0 = head.x, y0 = head.y, z0 = head.z
  const x1 = target(words, head, 'X'), y1 = target(words, head, 'Y'), z1 = target(words, head, 'Z')
  const push = extrusion(words, head)
  const { cx, cy } = arcCentre(words, head, x0, y0, x1, y1, clockwise, lineNumber)
  const radius = Math.hypot(x0 - cx, y0 - cy)
  const start = Math.atan2(y0 - cy, x0 - cx)
  let sweep = Math.atan2(y1 - cy, x1 - cx) - start
  // The same end as beginning is a full turn.
  if (clockwise && sweep >= -1e-9) sweep -= 2 * Math.PI
  if (!clockwise && sweep <= 1e-9) sweep += 2 * Math.PI
  const step = 2 * Math.acos(Math.max(0, 1 - ARC_ERROR / Math.max(radius, ARC_ERROR)))
  const parts = Math.min(10_000, Math.max(1, Math.ceil(Math.abs(sweep) / Math.max(step, 1e-3))))
  for (let i = 1; i <= parts; i++) {
    const angle = start + (sweep * i) / parts
    travel(i === parts ? x1 : cx + radius * Math.cos(angle), i === parts ? y1 : cy + radius * Math.sin(angle), z0 + ((z1 - z0) * i) / parts, push / parts)
  }
}

function arcCentre(words: Map<string, number>, head: Head, x0: number, y0: number, x1: number, y1: number, clockwise: boolean, lineNumber: number): { cx: number, cy: number } {
  if (words.has('I') || words.has('J')) return { cx: x0 + (words.get('I') ?? 0) * head.scale, cy: y0 + (words.get('J') ?? 0) * head.scale }
  const r = words.get('R')
  if (r === undefined) throw new DocumentError(`line ${lineNumber}`, 'an arc needs I and J, or R')
  const radius = r * head.scale, dx = x1 - x0, dy = y1 - y0, chord = Math.hypot(dx, dy)
  if (chord === 0 || chord > 2 * Math.abs(radius) * (1 + 1e-6)) throw new DocumentError(`line ${lineNumber}`, `an arc of radius ${r} cannot reach its end`)
  const rise = Math.sqrt(Math.max(0, radius ** 2 - (chord / 2) ** 2)) * (clockwise === radius > 0 ? -1 : 1)
  return { cx: (x0 + x1) / 2 - (dy / chord) * rise, cy: (y0 + y1) / 2 + (dx / chord) * rise }
}

function home(text: string, head: Head, travel: Travel): void {
  const all = !/[XYZ]/i.test(text.replace(/G\s*28/i, ''))
  travel(all || /X/i.test(text) ? 0 : head.x, all || /Y/i.test(text) ? 0 : head.y, all || /Z/i.test(text) ? 0 : head.z, 0)
}
/** G92 renames the present place. Only filament's count matters here: lengths are differences, but extent is not. */
function setPlace(words: Map<string, number>, head: Head): void {
  if (words.has('E')) head.e = words.get('E')! * head.scale
  if (words.has('X')) head.x = words.get('X')! * head.scale
  if (words.has('Y')) head.y = words.get('Y')! * head.scale
  if (words.has('Z')) head.z = words.get('Z')! * head.scale
  if (words.size === 0) Object.assign(head, { x: 0, y: 0, z: 0, e: 0 })
}
