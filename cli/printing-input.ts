/** Recipe and printer files of the printing verbs; everything left out has a default that the docs name. */
import { z } from 'zod'
import { DEMOS } from '../core/demo'
import { DocumentError, type Printer, type Recipe } from '../core/document'
import { expansionAt, LIBRARIES, type Filament } from '../core/libraries'
import { readBeside } from './input'
import { parseInput } from './parse'

const RecipeFile = z.strictObject({
  walls: z.number().int().min(0).max(20).default(2),
  beadWidthMm: z.number().min(0.1).max(3).default(0.45),
  layerHeightMm: z.number().min(0.02).max(1.5).default(0.2),
  infillShare: z.number().min(0).max(1).default(0),
  baseLayers: z.number().int().min(0).max(200).default(0),
  topLayers: z.number().int().min(0).max(200).default(0),
  filament: z.string().default('pla'),
  flow: z.number().min(0.05).max(3).optional(),
  nozzleC: z.number().min(150).max(320).optional(),
  spiral: z.boolean().default(false),
  skinGapMm: z.number().min(0.2).max(50).nullable().default(null),
  brimMm: z.number().min(0).max(20).default(0),
  beadForm: z.enum(['rounded', 'rectangular']).default('rounded'),
  infillPattern: z.enum(['lines', 'grid', 'triangles']).default('lines'),
  stance: z.enum(['standing', 'flat']).default('standing'),
})
const PrinterFile = z
  .object({
    bedMm: z.tuple([z.number(), z.number(), z.number()]),
    wallSpeedMmS: z.number().min(1e-3).max(1e6),
    infillSpeedMmS: z.number().min(1e-3).max(1e6),
    travelSpeedMmS: z.number().min(1e-3).max(1e6),
    accelMmS2: z.number().min(1e-3).max(1e6),
    cornerMmS: z.number().min(0).max(1e4),
    retractMm: z.number().min(0).max(1e4),
    retractMmS: z.number().min(1e-3).max(1e6),
    flowMm3S: z.number().min(1e-3).max(1e6),
    layerMinS: z.number().min(0).max(1e4),
    plateOverheadMin: z.number().min(0).max(1e4),
    filamentDiameterMm: z.number().min(1e-3).max(1e6),
  })
  .partial()

/** Faults inside these files name the file. */
function inFile<T>(path: string, work: () => T): T {
  try {
    return work()
  } catch (fault) {
    if (fault instanceof DocumentError && !fault.path.startsWith(path))
      throw new DocumentError(`${path}${fault.path ? `: ${fault.path}` : ''}`, fault.reason)
    throw fault
  }
}

export function recipeFrom(path: string | undefined): { recipe: Recipe; filament: Filament } {
  const file =
    path === undefined ? RecipeFile.parse({}) : inFile(path, () => parseInput(RecipeFile, readBeside(path)))
  const filament = LIBRARIES.filaments.find(item => item.id === file.filament)
  if (!filament)
    throw new DocumentError(
      `${path}: filament`,
      `"${file.filament.slice(0, 40)}" is not in the library: ${LIBRARIES.filaments.map(item => item.id).join(', ')}`,
    )
  if (file.beadWidthMm < file.layerHeightMm)
    throw new DocumentError(
      `${path}: beadWidthMm`,
      `a bead ${file.beadWidthMm} mm wide cannot be ${file.layerHeightMm} mm high`,
    )
  const nozzleC = file.nozzleC ?? Math.round((filament.nozzleC[0] + filament.nozzleC[1]) / 2)
  return {
    filament,
    recipe: {
      ...file,
      school: 'beads',
      lattice: null,
      // A model on its own has no chord.
      denser: null,
      printedSpar: null,
      nozzleC,
      flow: file.flow ?? 1 / expansionAt(filament, nozzleC),
    },
  }
}

/** The demo's first printer fills what is left out; no plate overhead unless it is given. */
export function printerFrom(path: string | undefined): { printer: Printer; filamentDiameterMm: number } {
  const file = path === undefined ? {} : inFile(path, () => parseInput(PrinterFile, readBeside(path)))
  const { filamentDiameterMm = 1.75, ...rest } = file
  return {
    printer: { ...DEMOS[0].printers[0], plateOverheadMin: 0, layerMinS: 0, ...rest },
    filamentDiameterMm,
  }
}
