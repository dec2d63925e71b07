export { repairs, type Repair } from './repairs'
