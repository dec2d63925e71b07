export { coverWanted, findProblems, WEIGH_LIMIT } from './design-problems'
export { powerProblems } from './power-problems'
export { tiltProblems } from './tilt-problems'
export {
  balanceVerdict,
  hoursVerdict,
  SPREAD_OF,
  strengthVerdict,
  TIME_SPREAD,
  verdictFindings,
  weightVerdict,
} from './verdicts'
