/**
 * G-code replayed to filament, time, layers and extent. Only the standard words count (G0–G3, G4, G20, G21,
 * G28,
 * G90–G92, M82, M83; E and F); comments and everything else are passed over unread. Lengths mm, times s.
 */
import { DocumentError } from '../document'
import type { Printer } from '../document'
import { MoveReplay } from './motion'

export interface GcodeFigures {
  /** Filament that went forward past its furthest point: what is pulled back and pushed again counts once. */
  filamentMm: number
  extrudedMm3: number
  seconds: number
  layers: number
  /** Of the moves that lay plastic; null when none does. */
  bbox: { min: [number, number, number]; max: [number, number, number] } | null
  moves: number
}

/** More words of motion than this are refused. */
const MAX_MOVES = 20_000_000
const MAX_HEIGHTS = 200_000
const LONGEST_LINE = 2000
/** No machine has a figure past this, whatever its unit. */
const FARTHEST = 1e6
/** Chord error to which arcs are divided, mm. */
const ARC_ERROR = 0.01

interface Head {
  x: number
  y: number
  z: number
  e: number
  feed: number
  absolute: boolean
  absoluteE: boolean
  scale: number
}

/** Who wants to know what happens. */
export interface Listener {
  /** A stretch of plastic laid from one place to another, mm; how much of it, mm³; how fast, mm/s. */
  laid?: (
    x0: number,
    y0: number,
    z0: number,
    x1: number,
    y1: number,
    z1: number,
    plasticMm3: number,
    speed: number,
  ) => void
  /** Every place the head is sent to, mm. */
  moved?: (x: number, y: number, z: number) => void
  /** Filament pulled back, mm. */
  pulled?: (mm: number) => void
  /** Words that are not motion: temperatures and fan, with the figure after S. */
  heard?: (code: string, value: number | undefined) => void
  /** A line that is only a comment: this project's own files say there what is laid. */
  note?: (text: string) => void
}

export interface GcodeReplay {
  /** The next stretch of the file; it may end anywhere in a line. */
  push(text: string): void
  end(): GcodeFigures
}

/**
 * Replays a file as it comes: memory does not go with its length. Both calls throw `DocumentError` naming the
 * line. `filamentDiameter` in mm; `listener` is told of what happens on the way.
 */
export function createReplay(
  printer: Printer,
  filamentDiameter = 1.75,
  listener: Listener = {},
): GcodeReplay {
  const perMm = (Math.PI * filamentDiameter ** 2) / 4
  const head: Head = { x: 0, y: 0, z: 0, e: 0, feed: 1500, absolute: true, absoluteE: true, scale: 1 }
  const motion = new MoveReplay(printer.accelMmS2, printer.cornerMmS)
  const min: [number, number, number] = [Infinity, Infinity, Infinity],
    max: [number, number, number] = [-Infinity, -Infinity, -Infinity]
  const layerHeights = new Set<number>()
  let moves = 0,
    pushed = 0,
    furthest = 0,
    filamentMm = 0,
    dwell = 0,
    risen = 0,
    lastZ = Number.NaN,
    lineNumber = 0,
    rest = ''

  const travel = (x: number, y: number, z: number, extrude: number) => {
    const dx = x - head.x,
      dy = y - head.y,
      dz = z - head.z
    const length = Math.sqrt(dx * dx + dy * dy + dz * dz)
    if (Number.isNaN(length)) throw new DocumentError(`line ${lineNumber}`, 'leads out of reach')
    pushed += extrude
    const plastic = Math.max(0, pushed - furthest)
    furthest = Math.max(furthest, pushed)
    filamentMm += plastic
    if (plastic > 0 && (dx !== 0 || dy !== 0)) {
      // A spiral's layers are told by how far it rises.
      if (dz > 0 && lastZ === head.z) risen += dz
      else if (z !== lastZ) layerHeights.add(Math.round(z * 1000))
      if (layerHeights.size > MAX_HEIGHTS)
        throw new DocumentError(`line ${lineNumber}`, `more than ${MAX_HEIGHTS} layers`)
      lastZ = z
      min[0] = Math.min(min[0], head.x, x)
      min[1] = Math.min(min[1], head.y, y)
      min[2] = Math.min(min[2], head.z, z)
      max[0] = Math.max(max[0], head.x, x)
      max[1] = Math.max(max[1], head.y, y)
      max[2] = Math.max(max[2], head.z, z)
      listener.laid?.(head.x, head.y, head.z, x, y, z, plastic * perMm, head.feed / 60)
    }
    if (extrude < 0) listener.pulled?.(-extrude)
    listener.moved?.(x, y, z)
    // A move of the extruder alone takes its own time.
    const way = length > 0 ? length : Math.abs(extrude)
    if (way > 0) {
      if (++moves > MAX_MOVES) throw new DocumentError(`line ${lineNumber}`, `more than ${MAX_MOVES} moves`)
      const speed = Math.max(0.1, head.feed / 60)
      if (length > 0) motion.add(way, speed, dx / length, dy / length, dz / length)
      else motion.add(way, speed, 0, 0, 0)
    }
    head.x = x
    head.y = y
    head.z = z
  }
  const lines = (text: string, last: boolean): string => {
    let at = 0
    while (at < text.length) {
      let end = text.indexOf('\n', at)
      if (end < 0) {
        if (!last) break
        end = text.length
      }
      lineNumber++
      if (listener.note && text.charCodeAt(at) === 59)
        listener.note(text.slice(at + 1, Math.min(end, at + 80)).trim())
      dwell += readLine(text, at, end, lineNumber, head, travel, listener.heard)
      at = end + 1
    }
    const left = text.slice(at)
    if (left.length > LONGEST_LINE)
      throw new DocumentError(`line ${lineNumber + 1}`, 'is too long for G-code')
    return left
  }
  return {
    push(text) {
      rest = lines(rest + text, false)
    },
    end() {
      lines(rest, true)
      if (moves === 0) throw new DocumentError('', 'has no moves; is this G-code?')
      return {
        filamentMm,
        extrudedMm3: filamentMm * perMm,
        seconds: motion.finish() + dwell,
        layers: layerHeights.size + Math.round(risen > 0 ? risen / Math.max(1e-3, lowest(layerHeights)) : 0),
        bbox: min[0] <= max[0] ? { min, max } : null,
        moves,
      }
    },
  }
}

/** A whole file at once; see `createReplay`. */
export function replayGcode(
  text: string,
  printer: Printer,
  filamentDiameter = 1.75,
  listener: Listener = {},
): GcodeFigures {
  const replay = createReplay(printer, filamentDiameter, listener)
  replay.push(text)
  return replay.end()
}

/** Height of the first layer, mm. */
const lowest = (heights: ReadonlySet<number>): number => Math.min(...[...heights].slice(0, 3)) / 1000

type Travel = (x: number, y: number, z: number, extrude: number) => void

/**
 * Words of one line by letter (A is 0): 1 with a number, 2 bare as homing has them; a letter's first number
 * counts. G and M codes in their order, tenths kept: G92.1 is not G92.
 */
interface Words {
  has: Uint8Array
  value: Float64Array
  codes: string[]
  count: number
}
const words: Words = { has: new Uint8Array(26), value: new Float64Array(26), codes: [], count: 0 }
const wordOf = (letter: string): number | undefined =>
  words.has[letter.charCodeAt(0) - 65] === 1 ? words.value[letter.charCodeAt(0) - 65] : undefined

/** Reads text[from, to) by hand: a file has millions of lines, and comments are never looked at. */
function readWords(text: string, from: number, to: number, lineNumber: number): void {
  words.has.fill(0)
  words.codes.length = 0
  words.count = 0
  for (let i = from; i < to;) {
    const c = text.charCodeAt(i)
    if (c === 59 /* ; */ || c === 42 /* * */) return
    if (c === 40 /* ( */) {
      const close = text.indexOf(')', i)
      if (close < 0 || close >= to) return
      i = close + 1
      continue
    }
    const upper = c >= 97 ? c - 32 : c
    if (upper < 65 || upper > 90) {
      i++
      continue
    }
    let j = i + 1
    while (j < to && text.charCodeAt(j) === 32) j++
    const start = j
    let digits = 0
    for (; j < to; j++) {
      const d = text.charCodeAt(j)
      if (d >= 48 && d <= 57) digits++
      else if (!(d === 46 || ((d === 45 || d === 43) && j === start))) break
    }
    const letter = upper - 65
    if (digits > 0) {
      const value = Number(text.slice(start, j))
      if (Math.abs(value) > FARTHEST)
        throw new DocumentError(`line ${lineNumber}`, `${text.slice(i, Math.min(j, i + 20))} is out of reach`)
      if (!Number.isNaN(value)) {
        if (upper === 71 || upper === 77) words.codes.push(`${upper === 71 ? 'G' : 'M'}${value}`)
        else if (words.has[letter] !== 1) {
          words.has[letter] = 1
          words.value[letter] = value
          words.count++
        }
      }
      i = j
    } else {
      // A bare axis letter, as homing has it.
      if (!words.has[letter]) words.has[letter] = 2
      i++
    }
  }
}

/** Carries out one line; returns the seconds it waits. */
function readLine(
  text: string,
  from: number,
  to: number,
  lineNumber: number,
  head: Head,
  travel: Travel,
  heard?: Listener['heard'],
): number {
  if (to - from > LONGEST_LINE) throw new DocumentError(`line ${lineNumber}`, 'is too long for G-code')
  readWords(text, from, to, lineNumber)
  let wait = 0
  for (const code of words.codes) {
    switch (code) {
      case 'G0':
      case 'G1':
        straight(head, travel)
        break
      case 'G2':
      case 'G3':
        arc(head, travel, code === 'G2', lineNumber)
        break
      case 'G4':
        wait += dwellOf(lineNumber)
        break
      case 'G20':
        head.scale = 25.4
        break
      case 'G21':
        head.scale = 1
        break
      case 'G28':
        home(head, travel)
        break
      case 'G90':
        head.absolute = true
        head.absoluteE = true
        break
      case 'G91':
        head.absolute = false
        head.absoluteE = false
        break
      case 'G92':
        setPlace(head)
        break
      case 'M82':
        head.absoluteE = true
        break
      case 'M83':
        head.absoluteE = false
        break
      case 'M104':
      case 'M106':
      case 'M107':
      case 'M109':
      case 'M140':
      case 'M190':
        heard?.(code, wordOf('S'))
        break
    }
  }
  return wait
}

function dwellOf(lineNumber: number): number {
  const seconds = wordOf('P') !== undefined ? wordOf('P')! / 1000 : (wordOf('S') ?? 0)
  if (seconds < 0) throw new DocumentError(`line ${lineNumber}`, `cannot wait ${seconds} s`)
  return seconds
}

const target = (head: Head, axis: 'X' | 'Y' | 'Z'): number => {
  const now = axis === 'X' ? head.x : axis === 'Y' ? head.y : head.z,
    word = wordOf(axis)
  const to = word === undefined ? now : head.absolute ? word * head.scale : now + word * head.scale
  // Relative moves add up.
  return Math.abs(to) > FARTHEST ? Number.NaN : to
}
const feedOf = (head: Head): number => {
  const word = wordOf('F')
  return word === undefined ? head.feed : word * head.scale
}
/** Filament this move pushes, mm; the head's own count is moved on. */
function extrusion(head: Head): number {
  const word = wordOf('E')
  if (word === undefined) return 0
  const to = head.absoluteE ? word * head.scale : head.e + word * head.scale
  const push = to - head.e
  head.e = to
  return push
}
function straight(head: Head, travel: Travel): void {
  head.feed = feedOf(head)
  travel(target(head, 'X'), target(head, 'Y'), target(head, 'Z'), extrusion(head))
}

/**
 * Arcs in the xy plane by centre (I, J, always relative) or radius (R); z and filament run evenly along them.
 */
function arc(head: Head, travel: Travel, clockwise: boolean, lineNumber: number): void {
  head.feed = feedOf(head)
  const x0 = head.x,
    y0 = head.y,
    z0 = head.z
  const x1 = target(head, 'X'),
    y1 = target(head, 'Y'),
    z1 = target(head, 'Z')
  const push = extrusion(head)
  const { cx, cy } = arcCentre(head, x0, y0, x1, y1, clockwise, lineNumber)
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
    travel(
      i === parts ? x1 : cx + radius * Math.cos(angle),
      i === parts ? y1 : cy + radius * Math.sin(angle),
      z0 + ((z1 - z0) * i) / parts,
      push / parts,
    )
  }
}

function arcCentre(
  head: Head,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  clockwise: boolean,
  lineNumber: number,
): { cx: number; cy: number } {
  const i = wordOf('I'),
    j = wordOf('J')
  if (i !== undefined || j !== undefined)
    return { cx: x0 + (i ?? 0) * head.scale, cy: y0 + (j ?? 0) * head.scale }
  const r = wordOf('R')
  if (r === undefined) throw new DocumentError(`line ${lineNumber}`, 'an arc needs I and J, or R')
  const radius = r * head.scale,
    dx = x1 - x0,
    dy = y1 - y0,
    chord = Math.hypot(dx, dy)
  if (chord === 0 || chord > 2 * Math.abs(radius) * (1 + 1e-6))
    throw new DocumentError(`line ${lineNumber}`, `an arc of radius ${r} cannot reach its end`)
  const rise = Math.sqrt(Math.max(0, radius ** 2 - (chord / 2) ** 2)) * (clockwise === radius > 0 ? -1 : 1)
  return { cx: (x0 + x1) / 2 - (dy / chord) * rise, cy: (y0 + y1) / 2 + (dx / chord) * rise }
}

function home(head: Head, travel: Travel): void {
  const [x, y, z] = ['X', 'Y', 'Z'].map(axis => words.has[axis.charCodeAt(0) - 65] > 0)
  const all = !x && !y && !z
  travel(all || x ? 0 : head.x, all || y ? 0 : head.y, all || z ? 0 : head.z, 0)
}
/**
 * G92 renames the present place. Only filament's count matters here: lengths are differences, but extent is
 * not.
 */
function setPlace(head: Head): void {
  const [x, y, z, e] = ['X', 'Y', 'Z', 'E'].map(wordOf)
  if (words.count === 0) Object.assign(head, { x: 0, y: 0, z: 0, e: 0 })
  if (e !== undefined) head.e = e * head.scale
  if (x !== undefined) head.x = x * head.scale
  if (y !== undefined) head.y = y * head.scale
  if (z !== undefined) head.z = z * head.scale
}
