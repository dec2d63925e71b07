export { gliderOf } from './glider'
export { alongTable, elevatorOf, toss, type Pull, type Throw, type Toss } from './toss'
export { stallCost, steadyGlide, suitingThrow, survivingBalance, type SteadyGlide } from './best-throw'
export { dummyMasses, type Bag, type DummyMasses } from './dummy-masses'
export { armEnds, GRASS, RUNWAY, wheeledRun, type Run } from './wheeled-run'
export {
  confused,
  DIFFICULTIES,
  FAULT_KINDS,
  FAULT_NAMES,
  faultsFor,
  lesson,
  noted,
  revealed,
  turning,
  WHAT_IT_SHOWS,
  WHAT_TO_DO,
  type Difficulty,
  type FaultKind,
  type Lesson,
  type Mistaken,
} from './trainer'
