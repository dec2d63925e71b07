/** A piece in a machine file held against the piece of the project: what differs, and what that will do. */
import { beadSection, type Recipe } from '../../document'
import { convexHull, polygonArea, polygonPerimeter, type Section } from '../../geometry'
import { kgToG, mm3ToM3, q, say, type Quantity, type Words } from '../../units'
import { pieceFigures, type LayerShape, type PieceFigures } from './figures'
import { fit, type Fit } from './fit'
import { countWalls, deepArea, foundParts, infillArea, wantedLength, wantedParts } from './inside'
import type { FilePiece, ReadFile } from './read-file'
import type { WantedPiece } from './wanted'

export type DifferenceCode =
  | 'piece'
  | 'side'
  | 'size'
  | 'layer-height'
  | 'bead-width'
  | 'flow'
  | 'walls'
  | 'base'
  | 'top'
  | 'infill'
  | 'webs'
  | 'spiral'
  | 'travel'
  | 'support'
  | 'brim'
  | 'nozzle'
  | 'company'
  | 'mass'

export interface CheckRow {
  code: DifferenceCode
  what: string
  wanted: Words
  found: Words
  /** What the difference will do; nothing where there is none. */
  does: Words | null
}

type Shown = Words | Quantity
const worded = (shown: Shown): Words =>
  typeof shown === 'object' && 'value' in shown ? say`${shown}` : shown

export interface PieceCheck {
  piece: string
  name: string
  rows: CheckRow[]
  /** Codes of the rows that differ. */
  differs: DifferenceCode[]
  /** Off the spool for this piece, and what is wanted, g. */
  foundG: number
  wantedG: number
  /** The recipe as the file has it, for asking what an aircraft printed so would be. */
  asFound: Recipe
}

/** How far a piece may be off to be taken for it: sum of the logarithms of height and areas. */
const SAME = 0.3
/** Where shapes are compared, as shares of the height. */
const LOOKS = [0.15, 0.35, 0.5, 0.65, 0.85]

const hullOf = (section: Section): Float64Array =>
  Float64Array.from(
    convexHull(
      section.flatMap(loop =>
        Array.from({ length: loop.length / 2 }, (_, i) => [loop[2 * i], loop[2 * i + 1]] as const),
      ),
    ).flat(),
  )

const nearestShape = (figures: PieceFigures, at: number): LayerShape | undefined =>
  figures.shapes.reduce<LayerShape | undefined>(
    (best, shape) =>
      shape.hull.length >= 6 && (!best || Math.abs(shape.at - at) < Math.abs(best.at - at)) ? shape : best,
    undefined,
  )

/** The middle of the bead runs half a bead inside the skin. */
const laidArea = (hull: Float64Array, width: number): number =>
  Math.max(1, Math.abs(polygonArea(hull).area) - (polygonPerimeter(hull) * width) / 2)

function unlike(figures: PieceFigures, wanted: WantedPiece): number {
  const height = Math.abs(Math.log(Math.max(0.1, figures.heightMm) / wanted.heightMm))
  let sum = 0,
    count = 0
  for (const at of LOOKS) {
    const shape = nearestShape(figures, at)
    if (!shape) continue
    const hull = hullOf(wanted.plain(shape.at * wanted.heightMm))
    if (hull.length < 6) continue
    sum += Math.abs(Math.log(Math.max(1, shape.area) / laidArea(hull, wanted.recipe.beadWidthMm)))
    count++
  }
  return height + (count > 0 ? sum / count : 1)
}

/** Fits at the looks where the outline says most, all of them in one mirror. */
function fitsOf(
  figures: PieceFigures,
  wanted: WantedPiece,
): Array<{ shape: LayerShape; fit: Fit; z: number }> {
  return LOOKS.flatMap(at => {
    const shape = nearestShape(figures, at)
    const z = shape
      ? Math.max(0, shape.layer.z - figures.layerHeightMm / 2) * (wanted.heightMm / figures.heightMm)
      : 0
    const found = shape && fit(shape, hullOf(wanted.plain(z)))
    return shape && found ? [{ shape, fit: found, z }] : []
  })
}

/** Which of the project's pieces this is; null where none is like it. Twins in a mirror are told apart. */
export function identify(own: FilePiece, all: readonly WantedPiece[]): WantedPiece | null {
  const figures = pieceFigures(own)
  const scored = all
    .map(wanted => ({ wanted, score: unlike(figures, wanted) }))
    .filter(item => item.score < SAME)
    .sort((a, b) => a.score - b.score)
  if (scored.length === 0) return null
  const near = scored.filter(item => item.score < scored[0].score + 0.02)
  const byFit = near
    .map(item => {
      const fits = fitsOf(figures, item.wanted)
      const mirrored = fits.filter(({ fit: f }) => f.mirrored).length
      return { ...item, turned: mirrored > fits.length / 2 }
    })
    .sort((a, b) => Number(a.turned) - Number(b.turned) || a.score - b.score)
  // Pieces of one skin differ in what is inside.
  const alike = byFit.filter(item => item.turned === byFit[0].turned)
  if (alike.length < 2) return byFit[0].wanted
  return alike
    .map(({ wanted }) => ({ wanted, off: lengthOff(figures, wanted) }))
    .sort((a, b) => a.off - b.off)[0].wanted
}

/** How far the laid lengths are off those of a piece, as logarithms: what is off everywhere alike says nothing. */
function lengthOff(figures: PieceFigures, wanted: WantedPiece): number {
  const ratios = LOOKS.flatMap(at => {
    const shape = nearestShape(figures, at)
    if (!shape) return []
    const laid = wantedLength(wanted.webbed(shape.at * wanted.heightMm), wanted.recipe)
    return laid > 0 ? [Math.log(shape.layer.length / laid)] : []
  })
  const middle = middleOf(ratios) ?? 0
  return ratios.reduce((sum, ratio) => sum + Math.abs(ratio - middle), 0)
}

const same = (a: number, b: number, share: number): boolean => Math.abs(a - b) <= share * Math.abs(b)
const yes = (value: boolean): string => (value ? 'yes' : 'no')

/** `file` says what holds for all of it; `company` is how many pieces stand on the plate. */
export function comparePiece(own: FilePiece, file: ReadFile, wanted: WantedPiece): PieceCheck {
  const { recipe, filament } = wanted
  const figures = pieceFigures(own)
  const rows: CheckRow[] = []
  const row = (code: DifferenceCode, what: string, want: Shown, found: Shown, does: Words | null) =>
    rows.push({ code, what, wanted: worded(want), found: worded(found), does })
  const foundG = kgToG(mm3ToM3(own.found.plasticMm3) * filament.density)

  const like = unlike(figures, wanted)
  const fits = fitsOf(figures, wanted)
  const mirrored = fits.filter(({ fit: f }) => f.mirrored).length > fits.length / 2
  row(
    'piece',
    'Piece',
    wanted.name,
    like < SAME ? wanted.name : 'another shape',
    like < SAME ? null : 'it is not this piece: height and outlines differ',
  )
  if (like < SAME) {
    const handed = matters(figures, wanted)
    row(
      'side',
      'Side',
      'as designed',
      mirrored && handed ? 'in a mirror' : 'as designed',
      mirrored && handed ? 'it is its twin of the other side' : null,
    )
  }
  const scale = figures.heightMm / wanted.heightMm
  const sized =
    Math.abs(figures.heightMm - wanted.heightMm) <=
    Math.max(1.2 * figures.layerHeightMm, 0.003 * wanted.heightMm)
  row(
    'size',
    'Height',
    q(wanted.heightMm, 'mm', 1),
    q(figures.heightMm, 'mm', 1),
    sized ? null : say`${q(100 * scale, '%', 1)} of the height: bores and joints will not fit`,
  )
  row(
    'layer-height',
    'Layer height',
    q(recipe.layerHeightMm, 'mm', 2),
    q(figures.layerHeightMm, 'mm', 3),
    same(figures.layerHeightMm, recipe.layerHeightMm, 0.03)
      ? null
      : figures.layerHeightMm > recipe.layerHeightMm
        ? 'coarser layers hold less on each other'
        : 'finer layers take longer',
  )
  const widthMm = beadWidth(fits, wanted, sized) ?? recipe.beadWidthMm
  const wide = same(widthMm, recipe.beadWidthMm, 0.14)
  row(
    'bead-width',
    'Bead width, from where it lies',
    q(recipe.beadWidthMm, 'mm', 2),
    q(widthMm, 'mm', 2),
    wide ? null : 'skins are thicker or thinner than they are counted on to be',
  )
  const bead = {
    ...recipe,
    layerHeightMm: figures.layerHeightMm,
    beadWidthMm: wide ? recipe.beadWidthMm : Math.max(widthMm, figures.layerHeightMm),
  }
  const flow = figures.perMm / beadSection(bead)
  const flows = same(flow, recipe.flow, 0.05)
  row(
    'flow',
    'Flow',
    q(recipe.flow, '', 2),
    q(flow, '', 2),
    flows
      ? null
      : flow > recipe.flow
        ? say`${q(wanted.filamentG * (flow / recipe.flow - 1), 'g', 1)} too heavy, and proud beads`
        : say`${q(wanted.filamentG * (1 - flow / recipe.flow), 'g', 1)} too light: starved beads hold little`,
  )
  const middle = fits.filter(({ shape }) => shape.at > 0.1 && shape.at < 0.9)
  const walls =
    middleOf(middle.map(({ shape, fit: f, z }) => countWalls(shape.layer, f, wanted.plain(z), recipe))) ??
    recipe.walls
  row(
    'walls',
    'Beads side by side',
    `${recipe.walls}`,
    `${walls}`,
    walls === recipe.walls
      ? null
      : walls > recipe.walls
        ? 'heavier, and no room for what goes inside'
        : 'a weaker skin than it was counted on to be',
  )
  inner(rows, figures, wanted, middle, walls)
  solid(rows, figures, wanted, fits)
  row(
    'spiral',
    'One rising spiral',
    yes(recipe.spiral),
    yes(figures.spiral),
    figures.spiral === recipe.spiral
      ? null
      : recipe.spiral
        ? 'a seam at every layer, and strings where it travels'
        : 'nothing but the outline is laid: no base, no infill',
  )
  if (recipe.spiral && figures.spiral)
    row(
      'travel',
      'Ways without plastic',
      '0',
      `${own.found.travels}`,
      own.found.travels > 2 ? 'it strings, and begins anew each time' : null,
    )
  if (file.nozzleC !== null) {
    const within = filament.expansion ? 4 : 12
    row(
      'nozzle',
      'Nozzle',
      q(recipe.nozzleC, '°C', 0),
      q(file.nozzleC, '°C', 0),
      Math.abs(file.nozzleC - recipe.nozzleC) <= within
        ? null
        : filament.expansion
          ? 'it foams more or less than the flow allows for'
          : 'layers hold otherwise than they should',
    )
  }
  if (filament.onePieceAPlate)
    row(
      'company',
      'Pieces on the plate',
      '1',
      `${file.pieces.length}`,
      file.pieces.length > 1 ? 'this filament oozes on the way from one to the other' : null,
    )
  row(
    'mass',
    'Off the spool',
    q(wanted.filamentG, 'g', 1),
    q(foundG, 'g', 1),
    same(foundG, wanted.filamentG, 0.04)
      ? null
      : foundG > wanted.filamentG
        ? say`${q(foundG - wanted.filamentG, 'g', 1)} too heavy`
        : say`${q(wanted.filamentG - foundG, 'g', 1)} too light`,
  )
  const differs = rows.filter(item => item.does !== null).map(item => item.code)
  const has = (code: DifferenceCode) => differs.includes(code)
  return {
    piece: wanted.id,
    name: wanted.name,
    rows,
    differs,
    foundG,
    wantedG: wanted.filamentG,
    asFound: {
      ...recipe,
      ...(has('layer-height') ? { layerHeightMm: clamp(figures.layerHeightMm, 0.05, 0.8) } : {}),
      ...(has('bead-width')
        ? { beadWidthMm: clamp(Math.max(widthMm, figures.layerHeightMm), 0.15, 1.5) }
        : {}),
      ...(has('flow') ? { flow: clamp(flow, 0.2, 1.5) } : {}),
      ...(has('walls') ? { walls: clamp(walls, 1, 8) } : {}),
      ...(has('webs') ? { lattice: null } : {}),
      ...(has('spiral') ? { spiral: figures.spiral } : {}),
      ...(has('nozzle') ? { nozzleC: clamp(file.nozzleC!, 150, 320) } : {}),
      ...(has('infill') ? { infillShare: clamp(infillFound(wanted, middle, walls), 0, 1) } : {}),
    },
  }
}

type Middle = ReturnType<typeof fitsOf>
const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value))
function middleOf(values: number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted.length > 0 ? sorted[sorted.length >> 1] : null
}

/** Does a mirror change the shape at all? */
function matters(figures: PieceFigures, wanted: WantedPiece): boolean {
  const z = 0.4 * wanted.heightMm
  const hull = hullOf(wanted.plain(z))
  const flipped = Float64Array.from(hull, (value, i) => (i % 2 === 0 ? value : -value))
  const turned = new Float64Array(flipped.length)
  for (let i = 0; i < flipped.length; i += 2)
    turned.set(flipped.subarray(flipped.length - 2 - i, flipped.length - i), i)
  const { area, x, y } = polygonArea(turned)
  const shape: LayerShape = {
    layer: figures.shapes[0].layer,
    at: 0.4,
    hull: turned,
    area,
    perimeter: 0,
    x,
    y,
  }
  const found = fit(shape, hull)
  return found !== null && found.mirrored
}

/** Area over perimeter of a shape that says how wide its bead is, mm. */
const THICK = 3.2

/** From the area that the hull lost: twice what it lies inside. */
function beadWidth(fits: Middle, { plain }: WantedPiece, sized: boolean): number | null {
  if (!sized) return null
  // Thin parts are laid along their middle here and there: their hull says little.
  const thick = fits.filter(({ shape }) => shape.area > THICK * shape.perimeter)
  return middleOf(
    thick.map(({ shape, z }) => {
      const hull = hullOf(plain(z))
      return (
        (2 * (Math.abs(polygonArea(hull).area) - shape.area)) /
        Math.max(1, (polygonPerimeter(hull) + shape.perimeter) / 2)
      )
    }),
  )
}

function infillFound(wanted: WantedPiece, middle: Middle, walls: number): number {
  const { recipe } = wanted
  const spacing = beadSection(recipe) / recipe.layerHeightMm
  return (
    middleOf(
      middle.map(({ shape, fit: f, z }) => {
        const area = infillArea(wanted.plain(z), recipe)
        if (area < 20) return 0
        return (foundParts(shape.layer, f, wanted.plain(z), recipe, walls).infill * spacing) / area
      }),
    ) ?? 0
  )
}

/** Infill, webs and supports, from layers between foot and head. */
function inner(
  rows: CheckRow[],
  figures: PieceFigures,
  wanted: WantedPiece,
  middle: Middle,
  walls: number,
): void {
  const { recipe, filament } = wanted
  const share = infillFound(wanted, middle, walls)
  const gramsPerMm = kgToG(mm3ToM3(figures.perMm) * filament.density)
  // A double skin's infill is short lines between its skins, most of them too near to a wall to be told apart.
  if (!recipe.skinGapMm) {
    const off = Math.abs(share - recipe.infillShare) > Math.max(0.012, 0.35 * recipe.infillShare)
    const area = middleOf(middle.map(({ z }) => infillArea(wanted.plain(z), recipe))) ?? 0
    const extraG =
      ((share - recipe.infillShare) * area * figures.layers * gramsPerMm) /
      (beadSection(recipe) / recipe.layerHeightMm)
    rows.push({
      code: 'infill',
      what: 'Infill',
      wanted: worded(q(100 * recipe.infillShare, '%', 0)),
      found: worded(q(100 * share, '%', 1)),
      does: !off
        ? null
        : extraG > 0
          ? say`infill was left in: ${q(extraG, 'g', 1)} too heavy`
          : 'nothing holds the skin from behind',
    })
  }
  if (recipe.lattice) {
    const of = (parts: Array<{ webs: number }>) => parts.reduce((sum, part) => sum + part.webs, 0)
    const asked = of(middle.map(({ z }) => wantedParts(wanted.plain(z), wanted.webbed(z), recipe)))
    const laid = of(
      middle.map(({ shape, fit: f, z }) => foundParts(shape.layer, f, wanted.plain(z), recipe, walls)),
    )
    const part = asked > 0 ? laid / asked : 1
    rows.push({
      code: 'webs',
      what: 'Webs',
      wanted: worded(q(100, '%', 0)),
      found: worded(q(100 * part, '%', 0)),
      does:
        part < 0.75
          ? part < 0.2
            ? 'webs are missing: the skin stands alone'
            : 'a part of the webs is missing'
          : null,
    })
  }
  const outside = middle.reduce(
    (sum, { shape, fit: f, z }) => sum + foundParts(shape.layer, f, wanted.plain(z), recipe, walls).outside,
    0,
  )
  const all = middle.reduce((sum, { shape }) => sum + shape.layer.length, 0)
  if (all > 0)
    rows.push({
      code: 'support',
      what: 'Laid beside the piece',
      wanted: worded(q(0, '%', 0)),
      found: worded(q((100 * outside) / all, '%', 1)),
      does: outside > 0.06 * all ? 'supports: they scar the skin, and inside they stay' : null,
    })
}

/** Layers that are filled, from the foot up and from the head down; and the brim. */
function solid(rows: CheckRow[], figures: PieceFigures, wanted: WantedPiece, fits: Middle): void {
  const { recipe, filament } = wanted
  const anyFit = fits[0]?.fit
  if (!anyFit) return
  const spacing = beadSection(recipe) / recipe.layerHeightMm
  const at = (shape: LayerShape) => {
    const z = Math.max(0, shape.layer.z - figures.layerHeightMm / 2) * (wanted.heightMm / figures.heightMm)
    const section = wanted.plain(z)
    // A first layer has a brim, and its hull is the brim's: it lies as the others do.
    const own = shape.layer.index === 0 ? anyFit : (fit(shape, hullOf(section)) ?? anyFit)
    const parts = foundParts(shape.layer, own, section, recipe, recipe.walls)
    const area = deepArea(section, recipe, recipe.walls)
    return {
      covered: area > LEAST_AREA ? ((parts.webs + parts.infill) * spacing) / area : 0,
      parts,
      area,
      section,
    }
  }
  const count = (shapes: LayerShape[], first: number, way: 1 | -1): number => {
    let filled = 0
    for (const shape of shapes) {
      if (shape.layer.index !== first + way * filled || at(shape).covered < FILLED) break
      filled++
    }
    return filled
  }
  const filledAnyhow = recipe.infillShare > 0.6
  const foot = figures.shapes.filter((shape, i) => shape.layer.index === i)
  if (!filledAnyhow && foot.length > 0 && at(foot[0]).area > LEAST_AREA) {
    // No more are told apart than are kept.
    const base = recipe.spiral ? 0 : Math.min(recipe.baseLayers, foot.length)
    const found = count(foot, 0, 1)
    const { area } = at(foot[0])
    const grams =
      Math.abs(base - found) *
      area *
      0.8 *
      recipe.layerHeightMm *
      recipe.flow *
      kgToG(mm3ToM3(filament.density))
    rows.push({
      code: 'base',
      what: 'Base layers',
      wanted: `${base}`,
      found: `${found}`,
      does:
        found === base
          ? null
          : found < base
            ? say`${found === 0 ? 'no base layers' : 'too few base layers'}: ${q(grams, 'g', 1)} lighter, ends curl and joints gape`
            : say`${q(grams, 'g', 1)} heavier, and bores closed at the foot`,
    })
  }
  const first = foot[0]
  if (first && first.layer.index === 0) {
    const { parts, section } = at(first)
    const hull = hullOf(section)
    const found =
      (parts.outside * recipe.beadWidthMm) / Math.max(1, polygonPerimeter(hull) + Math.PI * recipe.brimMm)
    const off = Math.abs(found - recipe.brimMm) > Math.max(1.5, 0.4 * recipe.brimMm)
    rows.push({
      code: 'brim',
      what: 'Brim',
      wanted: worded(q(recipe.brimMm, 'mm', 1)),
      found: worded(q(found, 'mm', 1)),
      does: !off ? null : found < recipe.brimMm ? 'it may lift from the bed' : 'more to cut away',
    })
  }
}
/** A layer is filled where its beads cover so much of what lies within the walls, if that is an area at all, mm². */
const FILLED = 0.7,
  LEAST_AREA = 25
