/** The bench's simulated instruments: they stand there when the server is started with MARIPOSA_BENCH=1. */
import { SimulatedMast, type MastReport } from './simulated-mast'
import { SimulatedPrinter, type PrinterReport } from './simulated-printer'
import { SimulatedScale, type ScaleReport } from './simulated-scale'
import { SimulatedStand, type StandReport } from './simulated-stand'

export type InstrumentReport = PrinterReport | ScaleReport | StandReport | MastReport

interface Bench {
  printers: SimulatedPrinter[]
  scale: SimulatedScale
  stand: SimulatedStand
  mast: SimulatedMast
}

let made: Bench | null = null

export function bench(): Bench | null {
  if (process.env.MARIPOSA_BENCH !== '1') return null
  return (made ??= {
    printers: [
      new SimulatedPrinter('printer-tall', 'Tall one'),
      new SimulatedPrinter('printer-boxed', 'Boxed one'),
      new SimulatedPrinter('printer-only', 'The only one'),
    ],
    scale: new SimulatedScale('scale', 'Bench scale'),
    stand: new SimulatedStand('stand', 'Thrust stand'),
    mast: new SimulatedMast('mast', 'Weather mast'),
  })
}

export const reports = ({ printers, scale, stand, mast }: Bench): InstrumentReport[] => [
  ...printers.map(printer => printer.report()),
  scale.report(),
  stand.report(),
  mast.report(),
]
