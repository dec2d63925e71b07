/** A piece in a machine file held against the piece of the project: what differs, and what that will do. */
import { beadSection, type Recipe } from '../../document'
import { kgToG, mm3ToM3, q, say } from '../../units'
import { checkRow, type CheckRow, type DifferenceCode } from './check-row'
import { medianOf, pieceFigures } from './figures'
import { fit } from './fit'
import { beadWidthFound, endRows, infillFound, innerLooks, innerRows } from './inner-rows'
import { countWalls } from './inside'
import { looksAt, mostlyMirrored, SAME, sectionHull, unlike } from './looks'
import type { FilePiece, ReadFile } from './read-file'
import type { WantedPiece } from './wanted'

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

const same = (a: number, b: number, share: number): boolean => Math.abs(a - b) <= share * Math.abs(b)
const yes = (value: boolean): string => (value ? 'yes' : 'no')
const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value))

/** `file` says what holds for all that is in it. */
export function comparePiece(own: FilePiece, file: ReadFile, wanted: WantedPiece): PieceCheck {
  const { recipe, filament } = wanted
  const figures = pieceFigures(own)
  const looks = looksAt(figures, wanted)
  const foundG = kgToG(mm3ToM3(own.found.plasticMm3) * filament.density)
  const sized =
    Math.abs(figures.heightMm - wanted.heightMm) <=
    Math.max(1.2 * figures.layerHeightMm, 0.003 * wanted.heightMm)
  const widthMm = (sized ? beadWidthFound(looks) : null) ?? recipe.beadWidthMm
  const wide = same(widthMm, recipe.beadWidthMm, 0.14)
  const beadWidthMm = wide ? recipe.beadWidthMm : Math.max(widthMm, figures.layerHeightMm)
  const flow = figures.perMm / beadSection({ ...recipe, layerHeightMm: figures.layerHeightMm, beadWidthMm })
  const walls =
    medianOf(
      looks.map(({ shape, fit: own, plain, z }) =>
        countWalls(shape.layer, own, plain, recipe, wanted.chordAt(z)),
      ),
    ) ?? recipe.walls
  const inner = innerLooks(looks, wanted, walls)
  const rows: CheckRow[] = [
    ...shapeRows(figures.heightMm, unlike(figures, wanted), mostlyMirrored(looks), sized, wanted),
    checkRow(
      'layer-height',
      'Layer height',
      q(recipe.layerHeightMm, 'mm', 2),
      q(figures.layerHeightMm, 'mm', 3),
      layerDoes(figures.layerHeightMm, recipe.layerHeightMm),
    ),
    checkRow(
      'bead-width',
      'Bead width, from where it lies',
      q(recipe.beadWidthMm, 'mm', 2),
      q(widthMm, 'mm', 2),
      wide ? null : 'skins are thicker or thinner than they are counted on to be',
    ),
    checkRow('flow', 'Flow', q(recipe.flow, '', 2), q(flow, '', 2), flowDoes(flow, wanted)),
    checkRow('walls', 'Beads side by side', `${recipe.walls}`, `${walls}`, wallsDo(walls, recipe.walls)),
    ...innerRows(figures, wanted, inner),
    ...endRows(figures, wanted, looks),
    checkRow(
      'spiral',
      'One rising spiral',
      yes(recipe.spiral),
      yes(figures.spiral),
      spiralDoes(figures.spiral, recipe.spiral),
    ),
    ...wayRows(own, file, figures.spiral, wanted),
    checkRow(
      'mass',
      'Off the spool',
      q(wanted.filamentG, 'g', 1),
      q(foundG, 'g', 1),
      massDoes(foundG, wanted.filamentG),
    ),
  ]
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
      ...(has('bead-width') ? { beadWidthMm: clamp(beadWidthMm, 0.15, 1.5) } : {}),
      ...(has('flow') ? { flow: clamp(flow, 0.2, 1.5) } : {}),
      ...(has('walls') ? { walls: clamp(walls, 1, 8) } : {}),
      ...(has('webs') ? { lattice: null } : {}),
      ...(has('spiral') ? { spiral: figures.spiral } : {}),
      ...(has('nozzle') ? { nozzleC: clamp(file.nozzleC!, 150, 320) } : {}),
      ...(has('infill') ? { infillShare: clamp(infillFound(wanted, inner), 0, 1) } : {}),
    },
  }
}

function shapeRows(
  heightMm: number,
  off: number,
  mirrored: boolean,
  sized: boolean,
  wanted: WantedPiece,
): CheckRow[] {
  const like = off < SAME
  const twin = like && mirrored && mirrorMatters(wanted)
  return [
    checkRow(
      'piece',
      'Piece',
      wanted.name,
      like ? wanted.name : 'another shape',
      like ? null : 'it is not this piece: height and outlines differ',
    ),
    ...(like
      ? [
          checkRow(
            'side',
            'Side',
            'as designed',
            twin ? 'in a mirror' : 'as designed',
            twin ? 'it is its twin of the other side' : null,
          ),
        ]
      : []),
    checkRow(
      'size',
      'Height',
      q(wanted.heightMm, 'mm', 1),
      q(heightMm, 'mm', 1),
      sized
        ? null
        : say`${q((100 * heightMm) / wanted.heightMm, '%', 1)} of the height: bores and joints will not fit`,
    ),
  ]
}

/** Does a mirror change the shape at all? Its own section turned over must then fit itself only in one. */
function mirrorMatters(wanted: WantedPiece): boolean {
  const hull = sectionHull(wanted.plain(0.4 * wanted.heightMm))
  const flipped = new Float64Array(hull.length)
  // In a mirror a hull runs the other way round.
  for (let i = 0; i < hull.length; i += 2) flipped.set([hull[i], -hull[i + 1]], hull.length - 2 - i)
  return fit(flipped, hull)?.mirrored ?? false
}

function layerDoes(found: number, wanted: number): string | null {
  if (same(found, wanted, 0.03)) return null
  return found > wanted ? 'coarser layers hold less on each other' : 'finer layers take longer'
}

function flowDoes(flow: number, { recipe, filamentG }: WantedPiece) {
  if (same(flow, recipe.flow, 0.05)) return null
  const grams = q(filamentG * Math.abs(flow / recipe.flow - 1), 'g', 1)
  return flow > recipe.flow
    ? say`${grams} too heavy, and proud beads`
    : say`${grams} too light: starved beads hold little`
}

function wallsDo(found: number, wanted: number): string | null {
  if (found === wanted) return null
  return found > wanted
    ? 'heavier, and no room for what goes inside'
    : 'a weaker skin than it was counted on to be'
}

function spiralDoes(found: boolean, wanted: boolean): string | null {
  if (found === wanted) return null
  return wanted
    ? 'a seam at every layer, and strings where it travels'
    : 'nothing but the outline is laid: no base, no infill'
}

function massDoes(foundG: number, wantedG: number) {
  if (same(foundG, wantedG, 0.04)) return null
  const grams = q(Math.abs(foundG - wantedG), 'g', 1)
  return foundG > wantedG ? say`${grams} too heavy` : say`${grams} too light`
}

/** Kelvin that a nozzle may be off: a foaming filament's flow is that of its temperature. */
const OFF_C = { foams: 4, not: 12 }
/** Pulled back by more or less than this share of what the printer is used to. */
const OFF_PULL = 0.5

/** How it gets from place to place, and how hot. */
function wayRows(own: FilePiece, file: ReadFile, spiral: boolean, wanted: WantedPiece): CheckRow[] {
  const { recipe, filament, printer } = wanted
  const rows: CheckRow[] = []
  if (recipe.spiral && spiral)
    rows.push(
      checkRow(
        'travel',
        'Ways without plastic',
        '0',
        `${own.found.travels}`,
        own.found.travels > 2 ? 'it strings, and begins anew each time' : null,
      ),
    )
  else if (file.pulls > 0) {
    const off = !same(file.pullMm, printer.retractMm, OFF_PULL)
    const does =
      file.pullMm < printer.retractMm
        ? 'it strings on its ways'
        : 'what is pulled too far is missing where it begins again'
    rows.push(
      checkRow(
        'pull',
        `Pulled back, as ${printer.name} is used to`,
        q(printer.retractMm, 'mm', 1),
        q(file.pullMm, 'mm', 1),
        off ? does : null,
      ),
    )
  }
  if (file.nozzleC !== null) {
    const off = Math.abs(file.nozzleC - recipe.nozzleC) > (filament.expansion ? OFF_C.foams : OFF_C.not)
    const does = filament.expansion
      ? 'it foams more or less than the flow allows for'
      : 'layers hold otherwise than they should'
    rows.push(
      checkRow('nozzle', 'Nozzle', q(recipe.nozzleC, '°C', 0), q(file.nozzleC, '°C', 0), off ? does : null),
    )
  }
  if (filament.onePieceAPlate)
    rows.push(
      checkRow(
        'company',
        'Pieces on the plate',
        '1',
        `${file.pieces.length}`,
        file.pieces.length > 1 ? 'this filament oozes on the way from one to the other' : null,
      ),
    )
  return rows
}
