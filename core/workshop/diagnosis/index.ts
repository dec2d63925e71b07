export { diagnose, type Diagnosis, type Found } from './diagnose'
export { TICKS, type TickSign } from './causes'
