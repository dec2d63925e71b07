/** The maker's own start and end text of a printer, with named values filled in. */
import { DocumentError } from '../../document'

/** What a text may name, in the order in which it is listed to the maker. */
export const PLACEHOLDERS = {
  nozzle: 'nozzle temperature, °C',
  bed: 'bed temperature, °C',
  bed_x: 'width of the bed, mm',
  bed_y: 'depth of the bed, mm',
  bed_z: 'greatest height, mm',
  diameter: 'filament diameter, mm',
  layer: 'layer height, mm',
  layers: 'number of layers',
  height: 'height of the plate, mm',
  filament: 'name of the filament',
  pieces: 'marks of the pieces',
  wipe_x: 'end of the wiped line, mm',
} as const
export type Placeholder = keyof typeof PLACEHOLDERS
export type PlaceholderValues = Record<Placeholder, string | number>

/** Homes, heats and wipes a line along the front edge; nothing that only one make of printer knows. */
export const SHIPPED_START = `M107
M140 S{bed}
M104 S{nozzle}
G21
G90
G28
G1 Z5 F600
M190 S{bed}
M109 S{nozzle}
M83
G92 E0
G1 X5 Y3 F6000
G1 Z0.3 F600
G1 X{wipe_x} E8 F900
G1 X{wipe_x} Y3.4 F900
G92 E0
G1 Z2 F600`

/** Lifts, cools and lets the bed go. */
export const SHIPPED_END = `M107
M104 S0
M140 S0
M84`

const NAMED = /\{([^{}\n]*)\}/g

/** Throws `DocumentError` for a name that is not known, with the place and all that are. */
export function fillIn(text: string, values: PlaceholderValues, where: string): string {
  return text.replace(NAMED, (whole, name: string) => {
    if (!(name in values))
      throw new DocumentError(
        where,
        `${whole.slice(0, 40)} is not known; there are {${Object.keys(PLACEHOLDERS).join('}, {')}}`,
      )
    // A name from the project must not begin a line of its own.
    return String(values[name as Placeholder]).replace(/[\r\n;()]+/g, ' ')
  })
}
