/** Words to an instrument: a printer fails, is cleared or hurried; a scale is tared or loaded; a stand turns. */
import { z } from 'zod'
import { turnedBy } from '../../../../core/assess'
import { airAt } from '../../../../core/aero'
import { PropellerSpec } from '../../../../core/document'
import { bench } from '../../../bench/bench'
import { FASTEST } from '../../../bench/simulated-printer'
import type { SimulatedStand } from '../../../bench/simulated-stand'
import { jsonBody } from '../../../utils/json-body'
import { problem } from '../../../utils/problem'

const ForPrinter = z.discriminatedUnion('action', [
  z.strictObject({
    action: z.literal('fail'),
    why: z.string().min(1).max(60),
    at: z.number().min(0).max(1).nullable().default(null),
  }),
  z.strictObject({ action: z.literal('clear') }),
  z.strictObject({ action: z.literal('speed'), speed: z.number().min(1).max(FASTEST) }),
])
const ForScale = z.discriminatedUnion('action', [
  z.strictObject({ action: z.literal('tare') }),
  z.strictObject({ action: z.literal('put'), grams: z.number().min(0).max(20_000) }),
])

/** Motor in SI, propeller by its figures, the pack; see docs/devices.md. */
const Mounting = z.strictObject({
  name: z.string().min(1).max(200),
  motor: z.strictObject({
    kv: z.number().min(1).max(3000),
    resistance: z.number().min(1e-4).max(20),
    noLoad: z.number().min(0.01).max(30),
  }),
  motorG: z.number().min(1).max(20_000),
  controllerOhm: z.number().min(0).max(1),
  battery: z.strictObject({
    cells: z.number().int().min(1).max(14),
    charge: z.number().min(70).max(2e5),
    resistance: z.number().min(0).max(5),
    temperatureC: z.number().min(-30).max(60),
    age: z.number().min(0).max(1),
  }),
  propeller: PropellerSpec,
})
const ForStand = z.discriminatedUnion('action', [
  z.strictObject({ action: z.literal('mount'), parts: Mounting }),
  z.strictObject({ action: z.literal('arm') }),
  z.strictObject({ action: z.literal('disarm') }),
  z.strictObject({ action: z.literal('throttle'), percent: z.number().min(0).max(100) }),
])

export default defineEventHandler(async event => {
  const own = bench(),
    id = getRouterParam(event, 'id')
  const printer = own?.printers.find(item => item.id === id)
  if (printer) {
    const body = await jsonBody(event, ForPrinter, 10_000)
    if (!body.ok) return body.problem
    const word = body.value
    if (word.action === 'fail') printer.fail(word.why, word.at)
    else if (word.action === 'speed') printer.setSpeed(word.speed)
    else printer.clear()
    return printer.report()
  }
  if (own && own.scale.id === id) {
    const body = await jsonBody(event, ForScale, 10_000)
    if (!body.ok) return body.problem
    if (body.value.action === 'tare') own.scale.tare()
    else own.scale.put(body.value.grams)
    return own.scale.report()
  }
  if (own && own.stand.id === id) {
    const body = await jsonBody(event, ForStand, 10_000)
    if (!body.ok) return body.problem
    try {
      toStand(own.stand, body.value)
    } catch (fault) {
      return problem(event, 422, 'Not done', (fault as Error).message)
    }
    return own.stand.report()
  }
  return problem(event, 404, 'No such instrument', 'GET /api/bench lists what stands there')
})

/** It stands in a room at sea level, at 21 °C. */
function toStand(stand: SimulatedStand, word: z.infer<typeof ForStand>): void {
  if (word.action === 'arm') stand.arm()
  else if (word.action === 'disarm') stand.disarm()
  else if (word.action === 'throttle') stand.turn(word.percent)
  else {
    const { density, viscosity } = airAt(0, 294.15)
    const { name, motor, motorG, controllerOhm, battery, propeller } = word.parts
    stand.mount({
      name,
      motor,
      controller: controllerOhm,
      battery,
      massG: motorG,
      turned: turnedBy(propeller, { density, viscosity: viscosity / density }),
    })
  }
}
