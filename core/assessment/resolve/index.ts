export { createResolver, type Resolver } from './airframe'
export { wantSlots } from './tail-slots'
export type { Airframe, Designed } from './designed'
export { flatThicknesses } from './flat-sections'
export { filmEnd, heldEdges } from './held-edges'
export { type HeldBoom } from './held-boom'
export { bodiesOf, type StandingBody } from './bodies'
export { coveredStretches, filmRings, LAPS, type Covered } from './covered'
export { calibratedFilaments } from './calibrated-filaments'
export { createDrawing } from './drawing'
export { briefTemperature, heated, softened } from './warm'
export {
  boomOver,
  gluedOver,
  halvesPart,
  tailComesOff,
  tailParts,
  tailPushedIn,
  wingComesOff,
} from './taken-apart'
export { hatchNoCuts, type NoCut, noCuts } from './no-cuts'
export { rootHeld, strutSides, type StandingStrut } from './standing-struts'
