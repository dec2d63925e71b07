/** The short brief that a project begins with: what it is for, and as much of the rest as the maker cares to say. */
import { z } from 'zod'
import { DocumentError, PRINTER_DEFAULTS, type ProjectFile } from '../document'
import { OwnPart } from '../workshop/drawer'
import { BATTERIES_AT_MOST, PURPOSES, type PurposeId } from './purposes'

/** Of one's own, so many may be named. */
export const OWN_AT_MOST = 60

const ids = z.array(z.string().min(1).max(60)).max(BATTERIES_AT_MOST)

/** What lies in the drawer; an empty list means that anything on the shelf may be bought. */
export const Drawer = z.strictObject({
  motors: ids.default([]),
  batteries: ids.default([]),
  servos: ids.default([]),
  propellers: ids.default([]),
  stock: ids.default([]),
  own: z
    .array(OwnPart)
    .max(OWN_AT_MOST)
    .default([])
    .describe('parts of one’s own that the lists above name: as in a file of parts'),
})

const Bed = z.strictObject({
  name: z.string().min(1).max(60),
  bedMm: z.tuple([z.number().min(80).max(1000), z.number().min(80).max(1000), z.number().min(80).max(1500)]),
})

const purposeIds = Object.keys(PURPOSES) as [PurposeId, ...PurposeId[]]

export const Wishes = z.strictObject({
  purpose: z.enum(purposeIds).describe('what it is for'),
  payloadG: z.number().min(0).max(5000).nullable().default(null).describe('carried beside its own, g'),
  windMs: z.number().min(0).max(15).nullable().default(null).describe('strongest wind it must fly in, m/s'),
  spanMaxMm: z.number().min(200).max(4000).nullable().default(null).describe('greatest span, mm'),
  boxMm: z
    .tuple([z.number().min(100).max(4000), z.number().min(50).max(2000), z.number().min(30).max(2000)])
    .nullable()
    .default(null)
    .describe('box that it must go into, taken apart: longest side first, mm'),
  stallMaxMs: z.number().min(2).max(20).nullable().default(null).describe('slowest level speed, m/s'),
  launch: z.enum(['hand', 'bungee', 'wheels']).default('hand'),
  landing: z.enum(['belly', 'wheels', 'net']).default('belly'),
  wing: z
    .enum(['shell', 'ribs', 'sheet'])
    .default('shell')
    .describe('a wing printed as a shell, of printed ribs under film, or folded from sheet foam'),
  filaments: z.array(z.string().min(1).max(60)).max(20).default([]).describe('at hand; empty: any'),
  printers: z.array(Bed).max(6).default([]).describe('beds at hand; empty: one of 220 × 220 × 250 mm'),
  drawer: Drawer.prefault({}),
  fieldElevationM: z.number().min(-400).max(5000).default(100),
  fieldTemperatureC: z.number().min(-30).max(50).default(20),
})

export type Wishes = z.infer<typeof Wishes>

/** Throws `DocumentError` with the path of the first fault. */
export function readWishes(raw: unknown): Wishes {
  const parsed = Wishes.safeParse(raw)
  if (parsed.success) return parsed.data
  const [issue] = parsed.error.issues
  throw new DocumentError(issue.path.join('.'), issue.message)
}

/** A wing, or half of it, lies in a box that is longer by so much: its padding, its rise and its rounded end, mm. */
const BOX_OVER_WING = 20,
  BOX_OVER_HALF = 25

/** A wing of this span goes into the box only if its halves part. */
export const mustPart = ({ boxMm }: Pick<Wishes, 'boxMm'>, spanMm: number): boolean =>
  boxMm !== null && spanMm > boxMm[0] - BOX_OVER_WING

/** The span that may be, mm; `parts`: whether its halves can. */
export function spanLimit({ spanMaxMm, boxMm }: Wishes, habitMm: number, parts = true): number {
  const wished = spanMaxMm ?? habitMm
  if (!boxMm) return wished
  const most = parts ? 2 * (boxMm[0] - BOX_OVER_HALF) : boxMm[0] - BOX_OVER_WING
  return Math.min(wished, Math.floor(most))
}

/** An ordinary printer of that bed. */
export const printersFor = ({ printers }: Wishes): ProjectFile['printers'] =>
  (printers.length
    ? printers
    : [{ name: 'Printer', bedMm: [220, 220, 250] as [number, number, number] }]
  ).map(({ name, bedMm }, i) => ({
    id: `printer-${i + 1}`,
    name,
    bedMm,
    wallSpeedMmS: 60,
    infillSpeedMmS: 90,
    travelSpeedMmS: 180,
    accelMmS2: 2000,
    cornerMmS: 8,
    flowMm3S: 12,
    layerMinS: 4,
    plateOverheadMin: 8,
    retractMm: 0.8,
    retractMmS: 35,
    nozzleMaxC: 280,
    enclosed: false,
    ...PRINTER_DEFAULTS,
  }))
