/** What the load and heat stages report. */
import type { Colour, Envelope, HeatCase } from '../../structure'

export interface LoadsReport extends Envelope {
  limit: number
  gustCruise: number
  gustTop: number
  alleviation: number
  stallMs: number
}

export interface HeatCaseReport {
  place: HeatCase['id']
  placeLabel: string
  colour: Colour['id']
  colourLabel: string
  temperatureC: number
  /** Share of strength and stiffness left in each zone. */
  left: Array<{ zone: string; name: string; filament: string; softeningC: number; left: number }>
  least: number
  /** The wing's reserve at that temperature; null where it is not flown. */
  reserve: number | null
  /** Filaments that would keep their shape there with 5 K to spare. */
  stands: string[]
}

export interface HeatReport {
  airC: number
  /** Of the skin, from the brief. */ colour: Colour['id']
  /** Least reserve at the temperature of the data sheets. */
  coldReserve: number
  cases: HeatCaseReport[]
}
