/** What lies within a piece's walls and round its foot: infill, webs, filled layers, brim, supports. */
import { beadSection } from '../../document'
import { polygonArea, polygonPerimeter } from '../../geometry'
import { kgToG, mm3ToM3, q, say } from '../../units'
import { checkRow, type CheckRow } from './check-row'
import { medianOf, type LayerShape, type PieceFigures } from './figures'
import { fit } from './fit'
import { deepAlongChord, deepArea, foundParts, infillArea, wantedParts, type LayerParts } from './inside'
import { heightIn, sectionHull, type Look } from './looks'
import type { WantedPiece } from './wanted'

/** A layer between foot and head, with what lies where in it. */
export interface InnerLook extends Look {
  parts: LayerParts
}

export const innerLooks = (looks: readonly Look[], { recipe }: WantedPiece, walls: number): InnerLook[] =>
  looks.map(look => ({ ...look, parts: foundParts(look.shape.layer, look.fit, look.plain, recipe, walls) }))

/** Areas under this say nothing of what is laid in them, mm². */
const LEAST_AREA = 25

/** Share of the inside, in the middle case. */
export function infillFound({ recipe, chordAt }: WantedPiece, looks: readonly InnerLook[]): number {
  const spacing = beadSection(recipe) / recipe.layerHeightMm
  const shares = looks.map(({ plain, parts, z }) => {
    const area = infillArea(plain, recipe, chordAt(z))
    const length = Math.max(0, parts.infill - deepAlongChord(plain, recipe, chordAt(z)))
    return area < LEAST_AREA ? 0 : (length * spacing) / area
  })
  return medianOf(shares) ?? 0
}

/** Infill, webs and supports, from layers between foot and head. */
export function innerRows(
  figures: PieceFigures,
  wanted: WantedPiece,
  looks: readonly InnerLook[],
): CheckRow[] {
  const { recipe, filament } = wanted
  const rows: CheckRow[] = []
  // A double skin's infill is short lines between its skins, most of them too near to a wall to be told apart.
  if (!recipe.skinGapMm) {
    const share = infillFound(wanted, looks)
    const off = Math.abs(share - recipe.infillShare) > Math.max(0.012, 0.35 * recipe.infillShare)
    const area = medianOf(looks.map(({ plain, z }) => infillArea(plain, recipe, wanted.chordAt(z)))) ?? 0
    const length =
      ((share - recipe.infillShare) * area * figures.layers * recipe.layerHeightMm) / beadSection(recipe)
    const extraG = kgToG(mm3ToM3(length * figures.perMm) * filament.density)
    const does =
      extraG > 0
        ? say`infill was left in: ${q(extraG, 'g', 1)} too heavy`
        : 'nothing holds the skin from behind'
    rows.push(
      checkRow(
        'infill',
        'Infill',
        q(100 * recipe.infillShare, '%', 0),
        q(100 * share, '%', 1),
        off ? does : null,
      ),
    )
  }
  if (recipe.lattice) {
    const asked = looks.reduce(
      (sum, { plain, z }) => sum + wantedParts(plain, wanted.webbed(z), recipe).webs,
      0,
    )
    const part = asked > 0 ? looks.reduce((sum, { parts }) => sum + parts.webs, 0) / asked : 1
    const missing = part < 0.2 ? 'webs are missing: the skin stands alone' : 'a part of the webs is missing'
    rows.push(checkRow('webs', 'Webs', q(100, '%', 0), q(100 * part, '%', 0), part < 0.75 ? missing : null))
  }
  const outside = looks.reduce((sum, { parts }) => sum + parts.outside, 0),
    all = looks.reduce((sum, { shape }) => sum + shape.layer.length, 0)
  if (all > 0)
    rows.push(
      checkRow(
        'support',
        'Laid beside the piece',
        q(0, '%', 0),
        q((100 * outside) / all, '%', 1),
        outside > 0.06 * all ? 'supports: they scar the skin, and inside they stay' : null,
      ),
    )
  return rows
}

/** A layer is filled where its beads cover so much of what lies within the walls. */
const FILLED = 0.7
/** A recipe with more infill than this is filled all through: its ends are told from the rest by nothing. */
const FILLED_ANYHOW = 0.6

/** Layers that are filled, from the foot up and from the head down; and the brim. */
export function endRows(figures: PieceFigures, wanted: WantedPiece, looks: readonly Look[]): CheckRow[] {
  const { recipe } = wanted
  const anyFit = looks[0]?.fit
  if (!anyFit) return []
  const spacing = beadSection(recipe) / recipe.layerHeightMm
  const at = (shape: LayerShape) => {
    const plain = wanted.plain(heightIn(wanted, figures, shape))
    // A first layer has a brim, and its hull is the brim's: it lies as the others do.
    const own = shape.layer.index === 0 ? anyFit : (fit(shape.hull, sectionHull(plain)) ?? anyFit)
    const parts = foundParts(shape.layer, own, plain, recipe, recipe.walls)
    const area = deepArea(plain, recipe, recipe.walls)
    return { parts, area, plain, covered: area > 0 ? ((parts.webs + parts.infill) * spacing) / area : 0 }
  }
  const foot = figures.shapes.filter((shape, i) => shape.layer.index === i)
  const head = [...figures.shapes]
    .reverse()
    .filter((shape, i) => shape.layer.index === figures.layers - 1 - i)
  const rows: CheckRow[] = []
  for (const [code, what, shapes, layers] of [
    ['base', 'Base layers', foot, recipe.baseLayers],
    ['top', 'Top layers', head, recipe.topLayers],
  ] as const) {
    const end = shapes[0] && at(shapes[0])
    if (!end || end.area < LEAST_AREA || recipe.infillShare > FILLED_ANYHOW) continue
    // No more are told apart than are kept.
    const asked = recipe.spiral ? 0 : Math.min(layers, shapes.length)
    const open = shapes.findIndex(shape => at(shape).covered < FILLED)
    const found = open < 0 ? shapes.length : open
    rows.push(checkRow(code, what, `${asked}`, `${found}`, endDoes(code, wanted, asked, found, end.area)))
  }
  const first = foot[0] && at(foot[0])
  if (first) {
    const around = polygonPerimeter(sectionHull(first.plain)) + Math.PI * recipe.brimMm
    const found = (first.parts.outside * recipe.beadWidthMm) / Math.max(1, around)
    const off = Math.abs(found - recipe.brimMm) > Math.max(1.5, 0.4 * recipe.brimMm)
    const does = found < recipe.brimMm ? 'it may lift from the bed' : 'more to cut away'
    rows.push(checkRow('brim', 'Brim', q(recipe.brimMm, 'mm', 1), q(found, 'mm', 1), off ? does : null))
  }
  return rows
}

function endDoes(code: 'base' | 'top', wanted: WantedPiece, asked: number, found: number, area: number) {
  if (found === asked) return null
  const { recipe, filament } = wanted
  const mm3 = Math.abs(asked - found) * area * (1 - recipe.infillShare) * recipe.layerHeightMm * recipe.flow
  const grams = q(kgToG(mm3ToM3(mm3) * filament.density), 'g', 1)
  if (found > asked)
    return say`${grams} heavier, and bores closed at the ${code === 'base' ? 'foot' : 'head'}`
  const few = found === 0 ? 'no' : 'too few'
  return code === 'base'
    ? say`${few} base layers: ${grams} lighter, ends curl and joints gape`
    : say`${few} top layers: ${grams} lighter, an open end to glue on`
}

/** Area over perimeter of a shape that says how wide its bead is, mm. */
const THICK = 3.2

/** From the area that the hull lost: twice what the bead's middle lies inside. Null where nothing is thick enough. */
export function beadWidthFound(looks: readonly Look[]): number | null {
  // Thin parts are laid along their middle here and there: their hull says little.
  return medianOf(
    looks
      .filter(({ shape }) => shape.area > THICK * shape.perimeter)
      .map(({ shape, plain }) => {
        const hull = sectionHull(plain)
        const lost = Math.abs(polygonArea(hull).area) - shape.area
        return (2 * lost) / Math.max(1, (polygonPerimeter(hull) + shape.perimeter) / 2)
      }),
  )
}
