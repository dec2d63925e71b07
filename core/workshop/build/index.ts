export { buildOrder, TIME_SIGMA, type BuildOrder, type OrderedStep } from './schedule'
