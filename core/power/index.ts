export { bladesOf, bladeAt, CHORD_LAWS, type BladeStation, type Blades, type ChordLaw } from './blade'
export { bladeSection, type BladeSection } from './blade-section'
export { idealThrust, solvePropeller, type Air, type PropellerPoint } from './propeller'
export { propellerMap } from './propeller-map'
export { fanAt, idealFanThrust, annulus, type Fan } from './fan'
export { FRESH, openVoltage, resistanceAt, usableCharge, usualResistance, type Battery } from './battery'
export { bestCurrent, type Motor } from './motor'
export { corrected, running, type Drive, type Running, type Turned } from './drive'
export { lasts, LONGEST, spend, type Draw, type Part } from './endurance'
export { rootBetween } from './root'
export {
  fitStand,
  NOISE,
  PRIOR,
  SHARES,
  standing,
  type Reading,
  type Share,
  type StandFit,
} from './stand-fit'
export { bladeCentre, unbalance, type Unbalance } from './blade-balance'
