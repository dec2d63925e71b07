/**
 * A plate as a machine file (G-code): plain moves from the very paths that are weighed, relative extrusion, the
 * usual words for temperature and fan. Layer by layer, so that a file of any length is made in little memory.
 */
import { beadSection, type ChordFrame, type Printer, type Recipe } from '../../document'
import type { Section } from '../../geometry'
import type { Filament } from '../../libraries'
import { brimLoops } from '../brim'
import { divideSection } from '../divide-edges'
import { insetField } from '../inset-field'
import { layLayer, recipeReach } from '../lay'
import { layerRuns } from '../layer-runs'
import { cappedSpeed, FIRST_SPEED } from '../layer-time'
import { replayMoves } from '../motion'
import { createSolidShare } from '../solid-share'
import { addRuns, lay, noMoves, travelTo, type MoveKind, type PlateMoves } from './layer-path'
import { fillIn, SHIPPED_END, SHIPPED_START } from './placeholders'
import { refusePlate } from './refuse-plate'

/** A piece as it stands on a bed, mm, its foot at z = 0. */
export interface PlatePart {
  mark: string
  name: string
  recipe: Recipe
  heightMm: number
  /** How far it is turned on the bed, rad. */
  turn: number
  /** With the slits of its webs, and their outlines. */
  at(z: number): { section: Section; slits: readonly Float64Array[]; frame: ChordFrame | null }
}

export interface Plate {
  parts: readonly PlatePart[]
  printer: Printer
  filament: Filament
}

export interface WrittenPlate {
  layers: number
  moves: number
  /** Through the nozzle, without what the start text wipes, mm of filament. */
  filamentMm: number
  /** kg, brim and all. */
  mass: number
}

/** The fan turns from this layer on. */
const FAN_FROM = 1
/** Long straight edges are divided to this, as everywhere where layers are laid in full, mm. */
const LONGEST_EDGE = 2.5

const KIND_NAMES: Record<MoveKind, string> = {
  outer: 'outer wall',
  inner: 'inner wall',
  web: 'web',
  infill: 'infill',
  solid: 'solid',
  brim: 'brim',
  travel: 'travel',
  pull: 'travel',
  push: 'travel',
}

/**
 * The file in stretches of text, a layer each. Throws `DocumentError` before the first where the plate cannot be
 * printed so; see `refusePlate`. `bedC` is the bed's temperature.
 */
export function* writePlate(plate: Plate, bedC: number): Generator<string, WrittenPlate> {
  refusePlate(plate)
  const { parts, printer, filament } = plate
  const { recipe } = parts[0]
  const h = recipe.layerHeightMm
  const layersOf = parts.map(part => Math.max(1, Math.round(part.heightMm / h)))
  const layers = Math.max(...layersOf)
  const values = {
    nozzle: recipe.nozzleC,
    bed: bedC,
    bed_x: printer.bedMm[0],
    bed_y: printer.bedMm[1],
    bed_z: printer.bedMm[2],
    diameter: printer.filamentMm,
    layer: h,
    layers,
    height: Math.max(...parts.map(part => part.heightMm)).toFixed(2),
    filament: filament.name,
    pieces: parts.map(part => part.mark).join(' '),
    wipe_x: Math.min(105, printer.bedMm[0] - 5),
  }
  const start = fillIn(printer.startText || SHIPPED_START, values, `printer ${printer.name}: start text`)
  const end = fillIn(printer.endText || SHIPPED_END, values, `printer ${printer.name}: end text`)
  const pen = new Pen(plate)
  const layerOf = parts.map((part, i) =>
    recent(
      (k: number) => part.at(((k + 0.5) * part.heightMm) / layersOf[i]),
      2 * Math.max(part.recipe.baseLayers, part.recipe.topLayers) + 2,
    ),
  )
  const shares = parts.map((part, i) =>
    createSolidShare(k => layerOf[i](k).section, layersOf[i], part.recipe),
  )
  // Absolute places make extrusion absolute on some machines: relative comes after.
  yield `${start}\nG90\nM83\nG92 E0\n`
  for (let k = 0; k < layers; k++) {
    const moves = noMoves()
    // The nozzle stands where it stopped: what follows begins from there.
    pen.resume(moves)
    for (const [i, part] of parts.entries()) {
      if (k >= layersOf[i]) continue
      const step = part.heightMm / layersOf[i]
      const { section, slits, frame } = layerOf[i](k)
      if (section.length === 0) continue
      const field = insetField(divideSection(section, LONGEST_EDGE), recipeReach(part.recipe), frame)
      const layer = layLayer(field, part.recipe)
      const runs = layerRuns(
        field,
        layer,
        part.recipe,
        k,
        shares[i](k, field),
        { outlines: slits },
        part.turn,
        Infinity,
      )
      // Layers divide the piece evenly: each lies as thick as that.
      for (let r = 0; r < runs.scale.length; r++) {
        // Sparse lines lie at their spacing, a full bead each: what a layer has too many of, the next one lacks.
        if (runs.kind[r] === 'infill') runs.scale[r] = 1
        runs.scale[r] *= step / h
      }
      if (k === 0) brim(moves, section, part.recipe)
      addRuns(moves, runs, part.recipe.spiral)
    }
    yield pen.layer(moves, k, layers)
  }
  if (recipe.spiral && layers > 1) yield pen.close()
  yield `${end}\n`
  return pen.written(layers)
}

/** What was made for the last few layers: those round it ask for a layer before and after its turn. */
function recent<T>(make: (layer: number) => T, keep: number): (layer: number) => T {
  const made = new Map<number, T>()
  return layer => {
    const known = made.get(layer) ?? make(layer)
    if (!made.has(layer)) {
      made.set(layer, known)
      if (made.size > keep) made.delete(made.keys().next().value!)
    }
    return known
  }
}

/** Loops side by side round the foot, from the outside in. */
function brim(moves: PlateMoves, foot: Section, recipe: Recipe): void {
  for (const loop of brimLoops(foot, recipe)) {
    const last = loop.length - 2
    travelTo(moves, loop[last], loop[last + 1])
    for (let p = 0; p < loop.length; p += 2) {
      const [x, y] = [loop[p], loop[p + 1]]
      const at = moves.x.length - 1
      lay(moves, x, y, Math.hypot(x - moves.x[at], y - moves.y[at]), 'brim')
    }
  }
}

/** Writes moves as words; knows where the nozzle is, how fast it goes and how much was pushed. */
class Pen {
  private readonly h: number
  private readonly perMm: number
  private readonly spiral: boolean
  private readonly speeds: Record<MoveKind, number>
  private feed = -1
  private kind = ''
  /** Exactly pushed, and what the words say so far: rounding never adds up. mm of filament. */
  private pushed = 0
  private said = 0
  private moves = 0
  private x = Number.NaN
  private y = Number.NaN
  private last: PlateMoves | null = null

  constructor(private readonly plate: Plate) {
    const { printer, filament, parts } = plate
    const { recipe } = parts[0]
    const area = (Math.PI * printer.filamentMm ** 2) / 4
    this.h = recipe.layerHeightMm
    this.perMm = (beadSection(recipe) * recipe.flow) / area
    this.spiral = recipe.spiral
    const wall = cappedSpeed(printer.wallSpeedMmS, recipe, filament, printer),
      fill = cappedSpeed(printer.infillSpeedMmS, recipe, filament, printer)
    this.speeds = {
      outer: wall,
      inner: wall,
      web: wall,
      brim: wall,
      infill: fill,
      solid: fill,
      travel: printer.travelSpeedMmS,
      pull: printer.retractMmS,
      push: printer.retractMmS,
    }
  }

  resume(moves: PlateMoves): void {
    if (Number.isNaN(this.x)) return
    moves.x.push(this.x)
    moves.y.push(this.y)
    moves.bead.push(0)
    moves.kind.push('travel')
  }

  layer(moves: PlateMoves, k: number, layers: number): string {
    if (moves.x.length === 0) return ''
    const fresh = Number.isNaN(this.x)
    const speed = this.layerSpeed(moves, k, fresh)
    const low = k * this.h,
      top = (k + 1) * this.h
    const lines = [`; layer ${k + 1} of ${layers}`]
    if (k === FAN_FROM) lines.push(`M106 S${Math.round(255 * this.plate.filament.fanShare)}`)
    const rising = this.spiral && k > 0
    if (!rising) lines.push(`G1 Z${top.toFixed(3)} F${this.feedOf('travel')}`)
    this.feed = -1
    if (rising) this.rise(lines, moves, low, top, speed, k === 1 ? t => t : () => 1)
    else for (let i = fresh ? 0 : 1; i < moves.x.length; i++) this.word(lines, moves, i, speed, null, 1)
    this.last = moves
    return `${lines.join('\n')}\n`
  }

  /** The last loop once more at the top, running out: a spiral begins from nothing and ends in nothing. */
  close(): string {
    const moves = this.last!
    const lines = ['; closing loop']
    this.rise(lines, moves, 0, 0, this.layerSpeed(moves, 2, false), t => 1 - t)
    return `${lines.join('\n')}\n`
  }

  written(layers: number): WrittenPlate {
    const { printer, filament } = this.plate
    return {
      layers,
      moves: this.moves,
      filamentMm: this.pushed,
      mass: this.pushed * ((Math.PI * printer.filamentMm ** 2) / 4) * 1e-9 * filament.density,
    }
  }

  /** One loop rising evenly from one height to the next, its flow by the share of the way. */
  private rise(
    lines: string[],
    moves: PlateMoves,
    low: number,
    top: number,
    speed: (kind: MoveKind) => number,
    flow: (share: number) => number,
  ): void {
    const way = (i: number) => Math.hypot(moves.x[i] - moves.x[i - 1], moves.y[i] - moves.y[i - 1])
    let whole = 0,
      gone = 0
    for (let i = 1; i < moves.x.length; i++) whole += way(i)
    for (let i = 1; i < moves.x.length; i++) {
      const length = way(i),
        share = (gone + length / 2) / whole
      gone += length
      this.word(lines, moves, i, speed, top > low ? low + ((top - low) * gone) / whole : null, flow(share))
    }
  }

  private word(
    lines: string[],
    moves: PlateMoves,
    i: number,
    speed: (kind: MoveKind) => number,
    z: number | null,
    flow: number,
  ): void {
    const kind = moves.kind[i]
    const { retractMm } = this.plate.printer
    if (KIND_NAMES[kind] !== this.kind) {
      this.kind = KIND_NAMES[kind]
      lines.push(`; ${this.kind}`)
    }
    this.moves++
    if (kind === 'pull' || kind === 'push') {
      this.feed = -1
      lines.push(`G1 E${kind === 'pull' ? '-' : ''}${retractMm.toFixed(3)} F${this.feedOf(kind)}`)
      return
    }
    const feed = Math.round(60 * speed(kind))
    let line = `${kind === 'travel' ? 'G0' : 'G1'} X${moves.x[i].toFixed(3)} Y${moves.y[i].toFixed(3)}`
    if (z !== null) line += ` Z${z.toFixed(4)}`
    if (moves.bead[i] > 0) {
      this.pushed += moves.bead[i] * this.perMm * flow
      const e = Math.round((this.pushed - this.said) * 1e5) / 1e5
      this.said += e
      line += ` E${e.toFixed(5)}`
    }
    if (feed !== this.feed) line += ` F${feed}`
    this.feed = feed
    lines.push(line)
    this.x = moves.x[i]
    this.y = moves.y[i]
  }

  private feedOf = (kind: MoveKind): number => Math.round(60 * this.speeds[kind])

  /** Speeds of a layer: slow on the bed, and slower where the layer would be done before it has cooled. */
  private layerSpeed(moves: PlateMoves, k: number, fresh: boolean): (kind: MoveKind) => number {
    const { printer } = this.plate
    const laid = (kind: MoveKind) => kind !== 'travel' && kind !== 'pull' && kind !== 'push'
    const first = fresh ? 0 : 1
    const count = moves.x.length - first
    const length = new Float64Array(count),
      dx = new Float64Array(count),
      dy = new Float64Array(count),
      dz = new Float64Array(count)
    for (let i = 0; i < count; i++) {
      const at = first + i,
        kind = moves.kind[at]
      if (kind === 'pull' || kind === 'push' || at === 0) {
        length[i] = at === 0 ? 0 : printer.retractMm
        continue
      }
      const x = moves.x[at] - moves.x[at - 1],
        y = moves.y[at] - moves.y[at - 1]
      length[i] = Math.hypot(x, y)
      dx[i] = length[i] > 0 ? x / length[i] : 0
      dy[i] = length[i] > 0 ? y / length[i] : 0
    }
    let factor = k === 0 ? FIRST_SPEED : 1
    const speedOf = (kind: MoveKind) => this.speeds[kind] * (laid(kind) ? factor : 1)
    for (let tries = 0; tries < 5; tries++) {
      const speed = Float64Array.from(length, (_, i) => speedOf(moves.kind[first + i]))
      const seconds = replayMoves({ length, speed, dx, dy, dz }, printer.accelMmS2, printer.cornerMmS, count)
      if (seconds >= 0.995 * printer.layerMinS || seconds <= 0) break
      factor *= seconds / printer.layerMinS
    }
    return speedOf
  }
}
