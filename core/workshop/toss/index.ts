export { AS_DRAWN, gliderOf, type TossChange } from './glider'
export { readToss, toss, type Throw, type Toss } from './toss'
export { glideElevator, steadyGlide, suitingThrow, survivingBalance, type SteadyGlide } from './best-throw'
