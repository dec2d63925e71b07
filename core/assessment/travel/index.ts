export { carriedParts, type Carried } from './carried'
export { largerBox, PADDING_MM, travelOf, travelProblems, type Travel } from './travel'
