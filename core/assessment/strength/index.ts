export { braced, strutPlaces } from './bracing'
export { createStrength } from './airframe-strength'
export { bodyStations, placeReserve } from './body-beam'
export { bodyCases, bodyForces, bodyReserve, contactLength, type BodyBears } from './body-cases'
export { heatOf } from './heat-left'
export { loadsOf } from './flight-envelope'
export { gearOf, mainLegs } from './landing-gear'
export {
  boomFrame,
  type BoomFrame,
  boomReserves,
  borneBehind,
  hungOf,
  liftedBehind,
  whipOf,
  whips,
} from './tail-boom'
export { splintSpar } from './mended-joints'
export { createWingBearing, type WingBearing, type WingSurface } from './wing-bearing'
export { type WingCase, wingCases } from './wing-cases'
export { beamUnder, boltPull, seatOf } from './wing-hold'
export { liftLoads, loadAt, shareOf, weightLoads, type WingLoads } from './wing-loads'
export { createTailSurfaces, tailPlaces, TAILS, type TailHeld } from './tail-surfaces'
