export { createStrength } from './airframe-strength'
export {
  bodyStations,
  contactLength,
  flightBending,
  flightMoments,
  landingMoment,
  placeReserve,
} from './body-beam'
export { heatOf } from './heat-left'
export { loadsOf } from './flight-envelope'
export { gearOf, mainLegs } from './landing-gear'
export { boomFrame, type BoomFrame, boomReserves, whipOf, whips } from './tail-boom'
export { splintSpar } from './mended-joints'
export { createWingBearing, type WingBearing } from './wing-bearing'
export { type WingCase, wingCases } from './wing-cases'
export { beamUnder, boltPull, seatOf } from './wing-hold'
export { liftLoads, loadAt, weightLoads, type WingLoads } from './wing-loads'
