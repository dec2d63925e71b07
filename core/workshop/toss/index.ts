export { gliderOf } from './glider'
export { toss, type Throw, type Toss } from './toss'
export { steadyGlide, suitingThrow, survivingBalance, type SteadyGlide } from './best-throw'
