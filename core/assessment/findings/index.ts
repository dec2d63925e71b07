export { coverWanted, findProblems } from './design-problems'
export {
  balanceVerdict,
  hoursVerdict,
  materialSpread,
  strengthVerdict,
  TIME_SPREAD,
  verdictFindings,
  weightVerdict,
} from './verdicts'
