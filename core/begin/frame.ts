/** A whole project round what a layout draws. */
import { NO_FIELD, NOT_BUILT, RECKONED, USUAL_POWER, type ProjectFile } from '../document'
import { NO_CUTS } from './no-cuts'
import type { Purpose } from './purposes'
import type { Drawn } from './wing'
import { printersFor, type Wishes } from './wishes'

/** Away, up, round and down: as long as this kind of flight goes. */
const planFor = ({ minutes, climbS, idleS }: Purpose): ProjectFile['power']['plan'] => [
  { kind: 'launch', seconds: 6, throttlePct: null },
  { kind: 'climb', seconds: climbS, throttlePct: null },
  { kind: 'cruise', seconds: Math.max(30, 60 * minutes - climbS - 6), throttlePct: null },
  { kind: 'idle', seconds: idleS, throttlePct: 0 },
]

/** Everything that a drawing does not say is as it is before anything was bought, printed or flown. */
export const frame = (
  name: Pick<ProjectFile, 'id' | 'name' | 'purpose'>,
  drawn: Drawn,
  brief: ProjectFile['brief'],
  wishes: Wishes,
  purpose: Purpose | null,
): ProjectFile => ({
  format: 'mariposa-project',
  version: 20,
  ...name,
  brief,
  aerofoils: [],
  second: null,
  winglets: null,
  struts: [],
  pods: [],
  duct: null,
  tilt: null,
  ...drawn,
  cuts: NO_CUTS,
  allowances: { glueShare: 0.04, wireShare: 0.12, flowSpreadShare: 0.05, smallParts: RECKONED },
  printers: printersFor(wishes),
  spools: [],
  printerOf: {},
  plates: [],
  accepted: [],
  asPrinted: [],
  fileChecks: [],
  given: [],
  wingSets: [],
  polars: [],
  build: NOT_BUILT,
  power: purpose ? { ...USUAL_POWER, plan: planFor(purpose) } : USUAL_POWER,
  proofs: [],
  calibrations: [],
  weighIns: [],
  measured: { massG: null, cgMm: null, thrustG: null, dragShare: null, scales: null },
  checks: [],
  flights: [],
  tracks: [],
  field: NO_FIELD,
  damages: [],
  wishes: [],
  tracings: [],
})
