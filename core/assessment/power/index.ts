export { ductOf, type Duct } from './duct'
export { oneMotor, type OneMotor } from './one-motor'
export { tiltOf, turnedUp } from './tilt'
export {
  airOfField,
  batteryOf,
  bladesFrom,
  BLADE_SECTION,
  fanFrom,
  motorOf,
  ordinarySection,
  propulsionOf,
  turnedBy,
  type Propulsion,
} from './propulsion'
