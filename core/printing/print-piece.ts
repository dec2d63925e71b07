/**
 * Mass, middle, inertia, filament and hours of a piece, from sampled sections integrated along its height.
 */
import { beadSection, wallsReach, type Printer, type Recipe } from '../document'
import { slitsAt, webAnchor, webLengths, webPattern, type Piece, type Section } from '../geometry'
import type { Filament } from '../libraries'
import { memoise } from '../memo'
import { mm3ToM3, mmToM } from '../units'
import { brimLength } from './brim'
import { insetField, insetLoops, type InsetField } from './inset-field'
import { layerBeads, layLayer, recipeReach, type Layer } from './lay'
import { layerRuns } from './layer-runs'
import {
  cappedSpeed,
  FIRST_SPEED,
  layerMoves,
  unboundTime,
  paceOf,
  type LayerMoves,
  type PrinterPace,
} from './layer-time'
import { addBeads, massFigures, noBeads, type MassFigures } from './mass-moments'
import { hanging, openShare, scanGrid, scanSection } from './open-area'
import { fieldFor, LONGEST_EDGE, samplePiece, type PieceSamples } from './sample-sections'
import { divideSection } from './divide-edges'

export interface BeadLengths {
  outerWall: number
  innerWall: number
  lattice: number
  infill: number
  solid: number
  brim: number
}

export interface PiecePrint {
  /** kg, brim left out: it is torn off. */
  mass: number
  /** Middle of the beads, aircraft axes, mm. */
  centre: [number, number, number]
  /** About its middle, axes parallel to the aircraft's, kg·m². */
  inertia: MassFigures['inertia']
  layers: number
  /** mm */
  lengths: BeadLengths
  /** Volume pushed through the nozzle, brim and all, mm³. */
  filamentMm3: number
  /**
   * What is laid over nothing: beyond 45° of the layer below, mm²; and the longest stretch that must be
   * bridged, mm.
   */
  overhangMm2: number
  bridgeMm: number
  /** Seconds on a printer, plate overhead left out. */
  seconds(printer: Printer): number
}

/** Layers of a sample that are timed where lines are few; an odd step of their numbers brings up both ways of infill. */
const PHASES = 5,
  PHASE_STEP = 7
/** Layers of a piece that are timed at least, where infill or webs are laid. */
const TIMED_LAYERS = 20
/** Infill lines of a layer that are timed, at most; what lies between them takes as long. */
const TIMED_LINES = 250,
  LEAST_LINES = 40
/** A piece that is looked at in more places than this is timed by fewer lines in each. */
const MANY_SAMPLES = 30
/** One that is looked at in more than this is timed in some of them, each for its neighbours' beads too. */
const TIMED_SAMPLES = 40

/** Lines across a section when two are compared. */
const SCAN_LINES = 40

export interface OpenFace {
  u: number
  way: -1 | 1
  field: InsetField
  layer: Layer
  share: number
  layers: number
}

export const ZERO_LENGTHS: BeadLengths = {
  outerWall: 0,
  innerWall: 0,
  lattice: 0,
  infill: 0,
  solid: 0,
  brim: 0,
}

/**
 * Moves of the piece that was timed last: one printer after another asks for them, and then nobody; they
 * would fill the memory.
 */
let lastTimed: { laid: readonly Layer[]; layers: TimedLayer[] } | null = null

export function printPiece(piece: Piece, filament: Filament): PiecePrint {
  const { recipe } = piece.zone
  const shape = samplePiece(piece)
  const h = recipe.layerHeightMm
  const reach = recipeReach(recipe)
  const webs = websIn(piece)
  const laid = shape.samples.map(sample =>
    layLayer(fieldFor(sample, reach), recipe, webs?.lengths(sample.section, sample.u, sample.weight) ?? null),
  )
  const lengths = { ...ZERO_LENGTHS }
  const sums = noBeads()
  let overhangMm2 = 0
  shape.samples.forEach(({ u, weight, leaning }, i) => {
    const layer = laid[i],
      count = weight / h
    lengths.outerWall += layer.outerWall * count
    lengths.innerWall += layer.innerWall * count
    lengths.lattice += layer.lattice * count
    lengths.infill += layer.infill * count
    lengths.solid += layer.spar * count
    const { x, y, xx, yy, xy } = layer.sum
    addBeads(sums, u, weight, layerBeads(layer) * count, {
      x: x * count,
      y: y * count,
      xx: xx * count,
      yy: yy * count,
      xy: xy * count,
    })
    overhangMm2 += leaning * weight
  })
  const faces = [...openFaces(shape, recipe), ...openSlopes(shape, laid, recipe)]
  for (const { u, way, layer, share, layers } of faces) {
    const length = share * layer.solidExtra * layers
    lengths.solid += length
    const { x, y, xx, yy, xy } = layer.inside
    addBeads(sums, u + (way * layers * h) / 2, layers * h, length, {
      x: x * length,
      y: y * length,
      xx: xx * length,
      yy: yy * length,
      xy: xy * length,
    })
  }
  lengths.brim = brimLength(recipe.brimMm > 0 ? shape.jumps[0].above() : null, recipe)
  const bridges = bridgesOf(shape)
  const area = beadSection(recipe)
  const timed = memoise((printer: PrinterPace) => {
    if (lastTimed?.laid !== laid) lastTimed = { laid, layers: timedLayers(shape, laid, faces, recipe, webs) }
    return (
      lastTimed.layers.reduce((sum, { moves, stands, share }) => {
        const seconds = unboundTime(moves, recipe, filament, printer, share)
        return (
          sum +
          stands.reduce(
            (all, { layers, like }) => all + layers * Math.max(printer.layerMinS, like * seconds),
            0,
          )
        )
      }, 0) +
      lengths.brim / (FIRST_SPEED * cappedSpeed(printer.wallSpeedMmS, recipe, filament, printer))
    )
  }, 12)
  const mass = mm3ToM3(sums.length * area * recipe.flow) * filament.density
  const { centre, inertia } = massFigures(sums, piece.place)
  const scale = mass * mmToM(1) ** 2
  return {
    mass,
    centre,
    inertia: {
      xx: inertia.xx * scale,
      yy: inertia.yy * scale,
      zz: inertia.zz * scale,
      xy: inertia.xy * scale,
      xz: inertia.xz * scale,
      yz: inertia.yz * scale,
    },
    layers: Math.max(1, Math.round((piece.to + piece.proud - piece.from) / h)),
    lengths,
    filamentMm3: (sums.length + lengths.brim) * area * recipe.flow,
    overhangMm2: overhangMm2 + bridges.reduce((sum, found) => sum + found.area, 0),
    bridgeMm: Math.max(0, ...bridges.map(found => found.span)),
    seconds: printer => timed(paceOf(printer)),
  }
}

/** Webs of a piece: what they add to a section, and where they stand in a layer; none in a part that is given. */
function websIn(piece: Piece) {
  const pattern = piece.mesh ? null : webPattern(piece.zone.recipe)
  if (!pattern) return null
  const anchor = webAnchor(piece)
  // What stands proud of the piece is pushed into the next one and has no webs.
  const none = (u: number) => u > piece.to
  return {
    lengths: (section: Section, u: number, height: number) =>
      none(u) ? null : webLengths(section, anchor(u), u, height, pattern, piece.zone.recipe.walls),
    slits: (section: Section, u: number) => (none(u) ? null : slitsAt(section, anchor(u), u, pattern)),
  }
}

/** Layers that one is timed for; less than none where they are taken back. */
interface Stand {
  layers: number
  /** How long each of them takes for each second of the timed one. */
  like: number
}
/** Moves of a layer, and which layers they stand for. */
interface TimedLayer {
  moves: LayerMoves
  stands: Stand[]
  /** Of the speed. */
  share: number
}
const alike = (layers: number): Stand[] => [{ layers, like: 1 }]

function timedLayers(
  { samples, jumps }: PieceSamples,
  laid: readonly Layer[],
  faces: readonly OpenFace[],
  recipe: Recipe,
  webs: ReturnType<typeof websIn>,
): TimedLayer[] {
  const perLayer = 1 / recipe.layerHeightMm,
    reach = recipeReach(recipe)
  const movesOf = (
    field: InsetField,
    layer: Layer,
    index: number,
    open: number,
    slits: ReturnType<typeof slitsAt> | null = null,
  ) => layerMoves(layerRuns(field, layer, recipe, index, open, slits && { slits }, 0, most), recipe)
  const most = Math.max(LEAST_LINES, TIMED_LINES * Math.min(1, MANY_SAMPLES / samples.length))
  // Where lines are few, how many a layer meets is chance: a piece seen in few places is timed in several
  // layers at each.
  const tries = Math.min(PHASES, Math.max(1, Math.ceil(TIMED_LAYERS / samples.length)))
  const openFirst = faces.find(face => face.way === 1 && face.u === jumps[0].u)?.share ?? 0
  const [foot] = samples
  const first = foot
    ? movesOf(fieldFor(foot, reach), laid[0], 0, openFirst, webs?.slits(foot.section, foot.u) ?? null)
    : null
  return [
    // The first layer is slow: what that costs over its usual time.
    ...(first
      ? [
          { moves: first, stands: alike(1), share: FIRST_SPEED },
          { moves: first, stands: alike(-1), share: 1 },
        ]
      : []),
    ...timedSamples(samples, laid).flatMap(({ i, stands }): TimedLayer[] => {
      const sample = samples[i],
        { u } = sample,
        field = fieldFor(sample, reach)
      // Layer numbers as they would be there: they decide which way infill runs and where webs stand.
      const index = Math.round((u - jumps[0].u) * perLayer) + i
      // Infill runs the other way in every other layer: both are timed.
      const own = laid[i].infill > 0 ? Math.max(2, tries) : laid[i].lattice > 0 ? tries : 1
      return Array.from({ length: own }, (_, k) => ({
        moves: movesOf(
          field,
          laid[i],
          index + PHASE_STEP * k,
          0,
          // Webs move on with height: they are looked at all over what the sample stands for, and not past it.
          webs?.slits(sample.section, u + ((k + 0.5) / own - 0.5) * sample.weight) ?? null,
        ),
        stands: stands.map(({ height, like }) => ({ layers: (height * perLayer) / own, like })),
        share: 1,
      }))
    }),
    ...faces.flatMap(({ field, layer, share, layers }): TimedLayer[] => [
      { moves: movesOf(field, layer, 0, share), stands: alike(layers), share: 1 },
      { moves: movesOf(field, layer, 0, 0), stands: alike(-layers), share: 1 },
    ]),
  ]
}

/**
 * The samples that are timed, and the heights that each is timed for, mm: its own, and those of its neighbours, in
 * which time goes with the beads that are laid.
 */
function timedSamples(
  samples: PieceSamples['samples'],
  laid: readonly Layer[],
): Array<{ i: number; stands: Array<{ height: number; like: number }> }> {
  const size = Math.ceil(samples.length / TIMED_SAMPLES)
  return Array.from({ length: Math.ceil(samples.length / size) }, (_, group) => {
    const beads = laid.slice(size * group, size * (group + 1)).map(layerBeads)
    const most = beads.indexOf(Math.max(...beads))
    return {
      i: size * group + most,
      stands: beads.map((length, k) => ({
        height: samples[size * group + k].weight,
        like: beads[most] > 0 ? length / beads[most] : 1,
      })),
    }
  })
}

/** Ends and jumps that are open above or below, with the layers that are laid solid there. */
function openFaces({ jumps, chordAt }: PieceSamples, recipe: Recipe): OpenFace[] {
  if (recipe.spiral || (recipe.baseLayers === 0 && recipe.topLayers === 0)) return []
  const face = (u: number, way: -1 | 1, own: Section, other: Section | null, layers: number): OpenFace[] => {
    if (layers === 0 || own.length === 0) return []
    const field = insetField(divideSection(own, LONGEST_EDGE), recipeReach(recipe), chordAt(u))
    const layer = layLayer(field, recipe)
    if (other === null) return [{ u, way, field, layer, share: 1, layers }]
    const grid = gridOver([own])
    const share = openShare(scanSection(insetLoops(field, wallsReach(recipe)), grid), [
      scanSection(other, grid),
    ])
    return share > 1e-3 ? [{ u, way, field, layer, share, layers }] : []
  }
  return jumps.flatMap(({ u, below, above }) => [
    ...(recipe.baseLayers > 0 && above() ? face(u, 1, above()!, below(), recipe.baseLayers) : []),
    ...(recipe.topLayers > 0 && below() ? face(u, -1, below()!, above(), recipe.topLayers) : []),
  ])
}

/**
 * Where the skin draws in or grows out faster than the wall is wide, each layer leaves some of its inside
 * open; as many layers as a sample stands for.
 */
function openSlopes(
  { samples, jumps, sectionAt }: PieceSamples,
  laid: readonly Layer[],
  recipe: Recipe,
): OpenFace[] {
  const { baseLayers, topLayers, layerHeightMm: h } = recipe
  const most = Math.max(baseLayers, topLayers) * h
  if (recipe.spiral || most === 0) return []
  return samples.flatMap((sample, i): OpenFace[] => {
    const { u, weight, section, slope } = sample
    if (slope * most <= wallsReach(recipe) || section.length === 0) return []
    // Not past the next jump: what is open there is a face of its own.
    const low = Math.max(u - baseLayers * h, ...jumps.filter(jump => jump.u < u).map(jump => jump.u + 0.01))
    const high = Math.min(u + topLayers * h, ...jumps.filter(jump => jump.u > u).map(jump => jump.u - 0.01))
    const field = fieldFor(sample, recipeReach(recipe))
    const grid = gridOver([section])
    const others = [...(baseLayers > 0 ? [low] : []), ...(topLayers > 0 ? [high] : [])].map(at =>
      scanSection(sectionAt(at), grid),
    )
    const share = openShare(scanSection(insetLoops(field, wallsReach(recipe)), grid), others)
    return share > 1e-3
      ? [{ u: u - weight / 2, way: 1, field, layer: laid[i], share, layers: weight / h }]
      : []
  })
}

function gridOver(sections: readonly Section[]) {
  let x0 = Infinity,
    y0 = Infinity,
    x1 = -Infinity,
    y1 = -Infinity
  for (const section of sections) {
    for (const loop of section) {
      for (let i = 0; i < loop.length; i += 2) {
        x0 = Math.min(x0, loop[i])
        x1 = Math.max(x1, loop[i])
        y0 = Math.min(y0, loop[i + 1])
        y1 = Math.max(y1, loop[i + 1])
      }
    }
  }
  return scanGrid(x0, y0, x1, y1, SCAN_LINES)
}

const keptBridges = new WeakMap<PieceSamples, Array<{ area: number; span: number }>>()
/** A matter of shape alone, kept with it. */
function bridgesOf(shape: PieceSamples): Array<{ area: number; span: number }> {
  const known =
    keptBridges.get(shape) ??
    shape.jumps
      .slice(1, -1)
      .filter(jump => jump.roof)
      .map(({ below, above }) => bridge(below()!, above()!))
  keptBridges.set(shape, known)
  return known
}

/** What lies over nothing just above a jump. A bead's width of it carries itself. */
function bridge(below: Section, above: Section): { area: number; span: number } {
  if (above.length === 0) return { area: 0, span: 0 }
  const grid = gridOver([above])
  return hanging(scanSection(above, grid), scanSection(below, grid, -0.25), grid)
}
