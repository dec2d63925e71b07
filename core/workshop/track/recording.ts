/**
 * A recording as a table: what loggers, telemetry and positioning receivers write, before anybody says what is
 * what.
 */
import Papa from 'papaparse'
import { SaxesParser } from 'saxes'
import { DocumentError } from '../../document'

export interface Recording {
  source: string
  columns: string[]
  /** Figures; null where a cell holds none. */
  rows: Array<Array<number | null>>
}

/** What a column can be, with the units that people's loggers write. */
export const MEANINGS = {
  time: { label: 'Time', units: { s: 1, ms: 0.001, min: 60 } },
  speed: { label: 'Speed over the ground', units: { 'm/s': 1, 'km/h': 1 / 3.6, kt: 0.514444, mph: 0.44704 } },
  airspeed: { label: 'Airspeed', units: { 'm/s': 1, 'km/h': 1 / 3.6, kt: 0.514444, mph: 0.44704 } },
  height: { label: 'Height', units: { m: 1, ft: 0.3048 } },
  latitude: { label: 'Latitude', units: { '°': 1 } },
  longitude: { label: 'Longitude', units: { '°': 1 } },
  current: { label: 'Current', units: { A: 1, mA: 0.001 } },
  voltage: { label: 'Voltage', units: { V: 1, mV: 0.001 } },
} as const
export type Meaning = keyof typeof MEANINGS
export type Mapping = Partial<Record<Meaning, { column: number; unit: string }>>

/** Characters, rows and columns of a recording at most: an hour at a hundred a second. */
export const MAX_RECORDING = 40_000_000
const MOST_ROWS = 400_000,
  MOST_COLUMNS = 200

/** By its content: GPX, or a table with a line of names. Throws `DocumentError` with the place. */
export function readRecording(source: string, text: string): Recording {
  if (text.length > MAX_RECORDING)
    throw new DocumentError('', `a recording has at most ${MAX_RECORDING / 1e6} million characters`)
  return /^\uFEFF?\s*</.test(text.slice(0, 2000)) ? fromGpx(source, text) : fromTable(source, text)
}

/** A clock's or a date's seconds where a cell is one, else its figure. */
function cell(text: string | undefined, decimalComma: boolean): number | null {
  const own = (text ?? '').trim()
  if (own === '') return null
  const clock =
    /^(?:(\d{4}-\d{2}-\d{2})[T ])?(\d{1,2}):(\d{2}):(\d{2}(?:[.,]\d+)?)(Z|[+-]\d{2}:?\d{2})?$/.exec(own)
  if (clock) {
    const day = clock[1] ? Date.parse(`${clock[1]}T00:00:00Z`) / 1000 : 0
    return day + 3600 * Number(clock[2]) + 60 * Number(clock[3]) + Number(clock[4].replace(',', '.'))
  }
  const value = Number(decimalComma ? own.replace(',', '.') : own)
  return Number.isFinite(value) ? value : null
}

function fromTable(source: string, text: string): Recording {
  const { data, meta } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    comments: '#',
    delimitersToGuess: [',', ';', '\t'],
    preview: MOST_ROWS + 2,
  })
  if (data.length < 3)
    throw new DocumentError('', 'a recording has a line of names and at least two of figures')
  if (data.length > MOST_ROWS + 1)
    throw new DocumentError(`line ${MOST_ROWS + 2}`, `a recording has at most ${MOST_ROWS} lines`)
  const columns = data[0].map((name, i) => name.trim().slice(0, 60) || `column ${i + 1}`)
  if (columns.length > MOST_COLUMNS)
    throw new DocumentError('line 1', `${columns.length} columns; at most ${MOST_COLUMNS}`)
  const comma = meta.delimiter !== ','
  const rows = data.slice(1).map(row => columns.map((_, i) => cell(row[i], comma)))
  if (!rows.some(row => row.filter(value => value !== null).length >= 2))
    throw new DocumentError('line 2', 'no line holds two figures: is this a table of a recording?')
  return { source, columns, rows }
}

function fromGpx(source: string, text: string): Recording {
  const rows: Recording['rows'] = []
  const path: string[] = []
  let point: Array<number | null> | null = null,
    inner = ''
  const parser = new SaxesParser()
  parser.on('error', fault => {
    throw new DocumentError('', `not well-formed: ${fault.message.slice(0, 120)}`)
  })
  parser.on('doctype', () => {
    throw new DocumentError('', 'a track has no document type of its own')
  })
  parser.on('opentag', tag => {
    if (path.length === 0 && tag.name !== 'gpx')
      throw new DocumentError('', `a track file begins with <gpx>, not with <${tag.name.slice(0, 40)}>`)
    if (path.length > 40) throw new DocumentError('', 'nested too deeply')
    path.push(tag.name)
    inner = ''
    if (tag.name !== 'trkpt') return
    const { lat, lon } = tag.attributes as Record<string, string>
    const place = [Number(lat), Number(lon)]
    if (!place.every(Number.isFinite) || Math.abs(place[0]) > 90 || Math.abs(place[1]) > 180)
      throw new DocumentError(`point ${rows.length + 1}`, `"${lat}, ${lon}" is no place`)
    point = [null, place[0], place[1], null]
  })
  parser.on('text', words => {
    if (inner.length < 100) inner += words
  })
  parser.on('closetag', tag => {
    path.pop()
    if (!point) return
    if (tag.name === 'time') {
      const at = Date.parse(inner.trim())
      point[0] = Number.isFinite(at) ? at / 1000 : null
    } else if (tag.name === 'ele') {
      const height = Number(inner.trim())
      point[3] = Number.isFinite(height) ? height : null
    } else if (tag.name === 'trkpt') {
      if (rows.length >= MOST_ROWS) throw new DocumentError('', `more than ${MOST_ROWS} points`)
      rows.push(point)
      point = null
    }
  })
  parser.write(text.replace(/^\uFEFF/, '')).close()
  if (rows.length < 2) throw new DocumentError('', 'it holds no track of two points')
  if (!rows.some(row => row[0] !== null))
    throw new DocumentError('', 'its points have no times: speeds cannot be told')
  return { source, columns: ['time', 'latitude', 'longitude', 'height'], rows }
}

const NAMES: ReadonlyArray<[Meaning, RegExp]> = [
  ['time', /^(time|t|zeit|seconds|timestamp|utc|datum|date)\b/i],
  ['airspeed', /air ?speed|\bias\b|\btas\b|pitot/i],
  ['speed', /speed|velocity|\bgspd\b|geschw/i],
  ['latitude', /^lat/i],
  ['longitude', /^lon|^lng/i],
  ['height', /height|^alt|altitude|\bele\b|h[öo]he/i],
  ['current', /current|^curr|amp|strom/i],
  ['voltage', /volt|vbat|rx ?batt|spannung/i],
]

/** What the names of the columns seem to say; the maker has the last word. */
export function guessMapping({ columns }: Recording): Mapping {
  const mapping: Mapping = {}
  const taken = new Set<number>()
  for (const [meaning, pattern] of NAMES) {
    const column = columns.findIndex((name, i) => !taken.has(i) && pattern.test(name))
    if (column < 0) continue
    taken.add(column)
    mapping[meaning] = { column, unit: unitIn(columns[column], meaning) }
  }
  return mapping
}

/** A unit in brackets or at the end of a name; the first of the meaning's own otherwise. */
function unitIn(name: string, meaning: Meaning): string {
  const units = Object.keys(MEANINGS[meaning].units)
  const written = /[([]\s*([^)\]]+?)\s*[)\]]\s*$|[_ /]([a-z]+\/?[a-z]*)$/i.exec(name)
  const found = (written?.[1] ?? written?.[2] ?? '')
    .toLowerCase()
    .replace('kph', 'km/h')
    .replace('kmh', 'km/h')
  return units.find(unit => unit.toLowerCase() === found) ?? units[0]
}
