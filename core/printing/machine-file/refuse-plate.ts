/** Why a plate is not written: the place, the figure, what would mend it. */
import { beadSection, DocumentError, type Printer } from '../../document'
import { boxOfAll } from '../../geometry'
import type { Filament } from '../../libraries'
import { cappedSpeed } from '../layer-time'
import type { Plate, PlatePart } from './write-plate'

/** A wall laid slower than this is a melting rate that does not serve, mm/s. */
const SLOWEST = 1
/** Heights at which a part is looked at for the bed's edge; slits add nothing outside. */
const LOOKS = 24

/** Throws `DocumentError`; nothing has been written then. */
export function refusePlate({ parts, printer, filament }: Plate): void {
  if (parts.length === 0) throw new DocumentError('plate', 'is empty: put a piece on it')
  const { recipe } = parts[0]
  for (const part of parts) {
    const own = part.recipe
    if (own.layerHeightMm !== recipe.layerHeightMm || own.nozzleC !== recipe.nozzleC)
      throw new DocumentError(
        part.name,
        `is printed at ${own.nozzleC} °C in layers of ${own.layerHeightMm} mm, ${parts[0].name} at ${recipe.nozzleC} °C in layers of ${recipe.layerHeightMm} mm: give them plates of their own`,
      )
    if (own.spiral && parts.length > 1)
      throw new DocumentError(part.name, 'is one rising spiral and wants a plate to itself')
    onBed(part, printer)
  }
  temperatures(printer, filament, recipe.nozzleC)
  const melted = beadSection(recipe) * recipe.flow
  const speed = cappedSpeed(printer.wallSpeedMmS, recipe, filament, printer)
  if (speed < SLOWEST)
    throw new DocumentError(
      parts[0].name,
      `pushes ${melted.toFixed(2)} mm³ a millimetre, and ${Math.min(printer.flowMm3S, filament.maxFlowMm3S)} mm³/s melt: ${speed.toFixed(2)} mm/s is too slow. Lay a thinner bead`,
    )
  if (recipe.spiral) oneLoop(parts[0])
}

function temperatures(printer: Printer, filament: Filament, nozzleC: number): void {
  if (nozzleC > printer.nozzleMaxC)
    throw new DocumentError(
      printer.name,
      `is good for ${printer.nozzleMaxC} °C at the nozzle; the recipe wants ${nozzleC} °C`,
    )
  const [low, high] = filament.nozzleC
  if (nozzleC < low || nozzleC > high)
    throw new DocumentError(
      filament.name,
      `is printed at ${low} to ${high} °C; the recipe says ${nozzleC} °C. Change the recipe at Skin`,
    )
}

function onBed(part: PlatePart, { bedMm, name }: Printer): void {
  const [width, depth, height] = bedMm
  if (part.heightMm > height + 1e-6)
    throw new DocumentError(
      part.name,
      `is ${part.heightMm.toFixed(1)} mm tall; ${name} prints ${height} mm. Cut it at Split`,
    )
  for (let k = 0; k < LOOKS; k++) {
    const { section } = part.at(((k + 0.5) * part.heightMm) / LOOKS)
    // A brim lies round the foot; anywhere else it would be room that is not needed.
    const brim = k === 0 ? part.recipe.brimMm : 0
    const [x0, y0, x1, y1] = boxOfAll(section)
    if (x0 < brim - 1e-6 || y0 < brim - 1e-6 || x1 > width - brim + 1e-6 || y1 > depth - brim + 1e-6)
      throw new DocumentError(
        part.name,
        `reaches from ${x0.toFixed(1)} to ${x1.toFixed(1)} and ${y0.toFixed(1)} to ${y1.toFixed(1)} mm${brim > 0 ? ` and wants a brim of ${brim} mm` : ''}; the bed of ${name} is ${width} × ${depth} mm. Move or turn it`,
      )
  }
}

/** A spiral is one loop from foot to head; with more it would have to travel, and would string. */
function oneLoop(part: PlatePart): void {
  const layers = Math.max(1, Math.round(part.heightMm / part.recipe.layerHeightMm))
  for (let k = 0; k < layers; k++) {
    const z = ((k + 0.5) * part.heightMm) / layers
    const { section } = part.at(z)
    if (section.length > 1)
      throw new DocumentError(
        part.name,
        `has ${section.length} loops at ${z.toFixed(1)} mm, and a spiral lays one: give its recipe webs, move what is cut out there, or print it without a spiral`,
      )
  }
}
