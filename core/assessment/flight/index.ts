export { createFlown, type Flown } from './flown'
export { alongSpan, type StationModels } from './section-models'
export { airOf, planOf, type SolvedFlight } from './solved-lift'
export { createStall } from './stall-along-span'
