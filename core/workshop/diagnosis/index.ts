export { diagnose, type Diagnosis, type Found } from './diagnose'
export { TICKS, type TickSign } from './causes'
export { learnedDrag, priceOf, type Price } from './price'
