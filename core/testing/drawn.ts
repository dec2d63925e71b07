/**
 * Documents drawn at random from the schema itself, not from a demo: every field anywhere in its range, often at
 * an end of it; only what refers to something else is made to refer to something that is there.
 */
import { z } from 'zod'
import { checkProject, DocumentError, ProjectFile } from '../document'
import { packMesh } from '../geometry'
import { LIBRARIES } from '../libraries'
import { revolve } from './meshes'

type Schema = Record<string, unknown> & {
  type?: string | string[]
  anyOf?: Schema[]
  oneOf?: Schema[]
  enum?: unknown[]
  const?: unknown
  properties?: Record<string, Schema>
  items?: Schema | false
  prefixItems?: Schema[]
  minItems?: number
  maxItems?: number
  minimum?: number
  maximum?: number
}
const SCHEMA = z.toJSONSchema(ProjectFile) as Schema

/** Numbers from 0 to 1 from a seed: Mulberry's 32-bit generator. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

const AEROFOILS = [
  'naca0009',
  'naca0012',
  'naca2412',
  'naca4415',
  'naca23012',
  'naca6418',
  'naca0040',
  'naca9401',
]

/** `full`: lists as long as the schema lets them be. */
export function drawnDocument(random: () => number, { full = false } = {}): ProjectFile {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  const between = (low: number, high: number): number => {
    const at = random()
    if (at < 0.08) return low
    if (at < 0.16) return high
    // Wide ranges by size: half of a range to 3000 mm would be metres.
    const least = Math.max(low, 0.1)
    if (low >= 0 && high > 100 * Math.max(low, 1) && at < 0.7) return least * (high / least) ** random()
    return low + (high - low) * random()
  }
  const figure = ({ minimum: low = 0, maximum: high = 1e6, type }: Schema): number => {
    const value = between(low, high)
    return type === 'integer' ? Math.round(value) : Math.min(high, Math.max(low, value))
  }
  let serial = 0
  const draw = (schema: Schema, key: string): unknown => {
    if ('const' in schema) return schema.const
    if (schema.enum) return pick(schema.enum)
    const any = schema.anyOf ?? schema.oneOf
    if (any) return draw(pick(any), key)
    switch (schema.type) {
      case 'null':
        return null
      case 'boolean':
        return random() < 0.5
      case 'number':
      case 'integer':
        return figure(schema)
      case 'string':
        return text(key)
      case 'array':
        if (schema.prefixItems) return schema.prefixItems.map(item => draw(item, key))
        return Array.from({ length: lengthOf(schema, key) }, () => draw(schema.items as Schema, key))
      default:
        return Object.fromEntries(
          Object.entries(schema.properties ?? {}).map(([name, inner]) => [name, draw(inner, name)]),
        )
    }
  }
  const lengthOf = ({ minItems = 0, maxItems = 0 }: Schema, key: string): number => {
    if (full && key !== 'points') return maxItems
    return Math.max(minItems, Math.floor(Math.min(maxItems, 4) * random() ** 1.5 + 0.2))
  }
  const text = (key: string): string => {
    switch (key) {
      case 'id':
        return `id-${++serial}`
      case 'startedAt':
        return '12:30'
      case 'notBefore':
      case 'begun':
      case 'ended':
      case 'ends':
      case 'at':
        return '2026-05-01T07:30'
      case 'date':
        return '2026-05-01'
      case 'stock':
        return random() < 0.95 ? pick(LIBRARIES.stock).id : 'no-such-stock'
      case 'filament':
        return random() < 0.97 ? pick(LIBRARIES.filaments).id : 'no-such-filament'
      case 'film':
        return random() < 0.95 ? pick(LIBRARIES.films).id : 'no-such-film'
      case 'rootAerofoil':
      case 'tipAerofoil':
      case 'aerofoil':
        return pick(AEROFOILS)
      case 'mesh':
        return random() < 0.7 ? CONE : 'AAAA'
      case 'currency':
        return '€'
      default:
        return `${key} ${++serial}`.replace(/ /g, '-')
    }
  }
  const raw = draw(SCHEMA, '') as ProjectFile & Record<string, unknown>
  settle(raw, pick)
  return checkProject(raw)
}

const CONE = packMesh(
  revolve(
    [
      [20, 0],
      [5, 60],
    ],
    24,
  ),
)

/** What one place of the document asks of another, put right. */
function settle(doc: ProjectFile, pick: <T>(list: readonly T[]) => T): void {
  const zones = doc.zones.map(zone => zone.id)
  const surfaces = [
    doc.wing,
    doc.second,
    doc.tail.horizontal,
    doc.tail.vertical,
    ...doc.wingSets.map(set => set.wing),
  ]
  for (const surface of surfaces) for (const panel of surface?.panels ?? []) panel.zone = pick(zones)
  if (doc.winglets) doc.winglets.zone = pick(zones)
  const bodies = [doc.body, ...doc.pods.map(pod => pod.body)].filter(body => body !== null)
  for (const item of [...bodies.flatMap(body => body.stations), ...doc.gear, ...doc.given])
    item.zone = pick(zones)
  for (const { printedWheel: wheel } of doc.gear) {
    if (wheel) wheel.zone = pick(zones)
    if (wheel?.tyre) wheel.tyre = pick(zones)
  }
  // Outlines at random cross themselves and are refused; a section that is one takes their place.
  doc.aerofoils = doc.aerofoils.map((own, i) => ({
    ...own,
    points: Array.from({ length: 41 }, (_, k): [number, number] => {
      const turn = (2 * Math.PI * k) / 40
      return [(1 + Math.cos(turn)) / 2, (0.02 + 0.02 * (i % 6)) * Math.sin(turn) * (1 + 0.3 * Math.cos(turn))]
    }),
  }))
  // Pieces that there may well be: the first of each part.
  for (const item of doc.asPrinted) item.piece = pick(['wing-1', 'horizontal-1', 'vertical-1', 'body-1'])
  for (const { recipe } of [...doc.zones, ...doc.asPrinted])
    recipe.layerHeightMm = Math.min(recipe.layerHeightMm, recipe.beadWidthMm)
  const number = (list: Array<{ piece: number }>, from: number) =>
    list.forEach((item, i) => {
      item.piece = from + i
    })
  for (const list of [...Object.values(doc.cuts), ...doc.pods.map(pod => pod.cuts)]) number(list, 2)
  number(doc.pods, 1)
  for (const pod of doc.pods) if (pod.pair) pod.yMm = Math.max(1, Math.abs(pod.yMm))
  for (const surface of surfaces) if (surface) number(surface.controls, 1)
  for (const set of doc.wingSets) number(set.cuts, 2)
  for (const polar of doc.polars) polar.points.sort((a, b) => a[0] - b[0])
  doc.polars = doc.polars.filter(polar =>
    polar.points.every(([alpha], i, all) => i === 0 || alpha > all[i - 1]![0]),
  )
  const rising = <T>(list: T[], at: (item: T) => number, put: (item: T, x: number) => void) => {
    const places = list.map(at).sort((a, b) => a - b)
    list.forEach((item, i) => put(item, Math.min(places[i]!, 4000 - list.length * 1e-3) + i * 1e-3))
  }
  for (const { stations } of [...bodies, ...(doc.duct ? [doc.duct] : [])])
    rising(
      stations as Array<{ xMm: number }>,
      station => station.xMm,
      (station, x) => {
        station.xMm = x
      },
    )
  const forward = (part: { fromMm: number; toMm: number }) => {
    const [from, to] = [part.fromMm, part.toMm].sort((a, b) => a - b) as [number, number]
    part.fromMm = Math.min(from, 3990)
    part.toMm = Math.max(to, part.fromMm + 0.5)
  }
  for (const body of bodies) body.openings.forEach(forward)
  if (doc.boom) forward(doc.boom)
  doc.brief.staticMarginPct.sort((a, b) => a - b)
  doc.printerOf = {}
}

/** One that the schema takes; the drawer's few that collide by chance are drawn again. */
export function drawn(seed: number, options?: { full?: boolean }): ProjectFile {
  const random = seeded(seed)
  for (let tries = 0; ; tries++) {
    try {
      return drawnDocument(random, options)
    } catch (fault) {
      if (!(fault instanceof DocumentError) || tries > 20) throw fault
    }
  }
}
