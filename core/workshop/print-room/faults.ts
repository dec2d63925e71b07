/** What a failed plate asks for: the usual remedy of each fault, with the change that makes it where one does. */
import { LIMITS, type PrintFault, type ProjectFile, type Zone } from '../../document'
import { q, say, type Words } from '../../units'

export interface FaultRemedy {
  words: Words
  /** Null where it is a matter of the machine and not of the project. */
  change: Partial<ProjectFile> | null
}

export const FAULT_NAMES: Record<PrintFault, string> = {
  lifted: 'lifted from the bed',
  starved: 'starved of filament',
  strung: 'strung',
  'thin-edge': 'thin at the edge after a way',
  bowed: 'bowed between webs',
  'layer-shifted': 'layers shifted',
  'ran-out': 'filament ran out',
  power: 'power failed',
}

const clamp = (value: number, [low, high]: readonly [number, number]): number =>
  Math.min(high, Math.max(low, value))

export function faultRemedies(doc: ProjectFile, zone: Zone, printer: string, why: PrintFault): FaultRemedy[] {
  const { recipe } = zone
  const withRecipe = (change: Partial<Zone['recipe']>): Partial<ProjectFile> => ({
    zones: doc.zones.map(item =>
      item.id === zone.id ? { ...item, recipe: { ...recipe, ...change } } : item,
    ),
  })
  const withPrinter = (change: Partial<ProjectFile['printers'][number]>): Partial<ProjectFile> => ({
    printers: doc.printers.map(item => (item.id === printer ? { ...item, ...change } : item)),
  })
  const machine = doc.printers.find(item => item.id === printer)
  switch (why) {
    case 'lifted': {
      const brimMm = Math.min(20, recipe.brimMm + 4)
      return [
        { words: say`a brim of ${q(brimMm, 'mm', 0)} for ${zone.name}`, change: withRecipe({ brimMm }) },
        { words: 'a clean bed, no draught, and the enclosure shut where there is one', change: null },
      ]
    }
    case 'starved': {
      const nozzleC = clamp(recipe.nozzleC + 5, LIMITS.nozzleC)
      return [
        ...(machine
          ? [
              {
                words: say`walls at ${q(Math.max(5, 0.8 * machine.wallSpeedMmS), 'mm/s', 0)} on ${machine.name}`,
                change: withPrinter({ wallSpeedMmS: Math.max(5, Math.round(0.8 * machine.wallSpeedMmS)) }),
              },
            ]
          : []),
        {
          words: say`${q(nozzleC, '°C', 0)} at the nozzle: foaming filament then wants its flow anew`,
          change: null,
        },
        { words: 'look for a clogged nozzle, a worn drive wheel, a spool that snags', change: null },
      ]
    }
    case 'strung':
      return machine
        ? [
            {
              words: say`pull back ${q(machine.retractMm + 0.4, 'mm', 1)} on ${machine.name}`,
              change: withPrinter({
                retractMm: Math.min(20, Math.round(10 * (machine.retractMm + 0.4)) / 10),
              }),
            },
            { words: 'dry the filament; print pieces of foaming filament alone', change: null },
          ]
        : []
    case 'thin-edge':
      return [
        ...(machine
          ? [
              {
                words: say`pull back ${q(Math.max(0, machine.retractMm - 0.2), 'mm', 1)} on ${machine.name}: less is missing after a way`,
                change: withPrinter({
                  retractMm: Math.max(0, Math.round(10 * (machine.retractMm - 0.2)) / 10),
                }),
              },
            ]
          : []),
        { words: 'one rising spiral has no ways: webs in the solid make one of most pieces', change: null },
      ]
    case 'bowed':
      return recipe.lattice
        ? [
            {
              words: say`webs every ${q(clamp(0.75 * recipe.lattice.pitchMm, LIMITS.pitchMm), 'mm', 0)} in ${zone.name}`,
              change: withRecipe({
                lattice: {
                  ...recipe.lattice,
                  pitchMm: Math.round(clamp(0.75 * recipe.lattice.pitchMm, LIMITS.pitchMm)),
                },
              }),
            },
          ]
        : [
            {
              words: say`${q(100 * Math.min(1, recipe.infillShare + 0.02), '%', 0)} infill in ${zone.name}`,
              change: withRecipe({
                infillShare: Math.min(1, Math.round(100 * (recipe.infillShare + 0.02)) / 100),
              }),
            },
          ]
    case 'layer-shifted':
      return machine
        ? [
            {
              words: say`accelerate with ${q(Math.max(100, 0.7 * machine.accelMmS2), 'mm/s²', 0)} on ${machine.name}`,
              change: withPrinter({ accelMmS2: Math.max(100, Math.round(0.7 * machine.accelMmS2)) }),
            },
            { words: 'look over belts, pulleys and whatever the head may have struck', change: null },
          ]
        : []
    case 'ran-out':
      return [{ words: 'put the spool on that has enough for the plate: see the shelf', change: null }]
    case 'power':
      return [{ words: 'nothing in the recipe: print it again', change: null }]
  }
}
