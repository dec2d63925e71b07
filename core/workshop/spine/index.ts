export { cuttingPlan, KERF_MM, type CuttingPlan } from './cutting-plan'
export { mend, type Mending, type Strengthening } from './mend'
export { sparChoices, type SparChoice } from './spar-choices'
export { weaknesses, type Weakness } from './weakness'
