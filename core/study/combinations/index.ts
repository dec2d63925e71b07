export { designOf } from './chosen-design'
export { dominates, Front, type Objectives } from './front'
export { chanceOfAll } from './robust'
export {
  createStudyKernel,
  study,
  type StudyKernel,
  type StudyPoint,
  type StudyProgress,
  type StudyResult,
  type StudyState,
} from './study'
export { type Dimension, dimensions, MOST_COMBINATIONS, readVary, type Vary, type ZoneOption } from './vary'
