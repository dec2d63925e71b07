/** What is asked of the aircraft. */
import { z } from 'zod'
import { figure } from './fields'

export const Brief = z.strictObject({
  targetMassG: figure('massG', 'flying weight with payload that the design aims at, g'),
  staticMarginPct: z
    .tuple([z.number().min(-20).max(60), z.number().min(-20).max(60)])
    .describe('least and greatest static margin, % of the mean aerodynamic chord'),
  loadFactor: figure('loadFactor', 'pull-up load factor the wing must bear before the factor of safety'),
  safetyFactor: z.number().min(1).max(4).describe('factor of safety on top of the load factor'),
  printHours: figure('hours', 'hours of printing, all printers added'),
  stallMaxMs: figure('speedMs', 'slowest level speed wanted, m/s'),
  cruiseMs: figure('speedMs', 'cruise speed, m/s'),
  spanMaxMm: figure('spanMm', 'greatest span that may be built, mm'),
  travelBoxMm: z
    .tuple([z.number().min(100).max(4000), z.number().min(50).max(2000), z.number().min(30).max(2000)])
    .nullable()
    .describe('box or boot that it must go into, taken apart: inside length, width and height, mm'),
  currency: z.string().min(1).max(5).describe('sign or code that prices are in'),
  launch: z.enum(['hand', 'bungee', 'wheels']),
  landing: z.enum(['belly', 'wheels', 'net']),
  topSpeedMs: figure('speedMs', 'fastest it will be flown, dives included, m/s'),
  gustMs: z
    .number()
    .min(0)
    .max(20)
    .describe('strongest gust up or down that it must bear at cruise; half of it at top speed, m/s'),
  throwMs: z.number().min(0).max(30).describe('speed at which a hand throw lets go, m/s'),
  bungeeN: z.number().min(0).max(2000).describe('pull of the bungee at its strongest, N'),
  dropMm: z.number().min(0).max(3000).describe('landings must be borne like a drop from this height, mm'),
  colour: z
    .enum(['white', 'bright', 'dark', 'black'])
    .describe('colour of the skin: how much of the sun it takes up'),
  windMaxMs: z
    .number()
    .min(0)
    .max(30)
    .describe("strongest wind for a first flight, m/s: the maker's own limit"),
  fieldElevationM: figure('elevationM', 'elevation of the field, m'),
  fieldTemperatureC: figure('temperatureC', 'air temperature at the field, °C'),
})

export type Brief = z.infer<typeof Brief>
