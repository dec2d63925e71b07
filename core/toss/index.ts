export { fly, runningOut, type Flown, type Glider, type Point, type Release, type Thrust } from './fly'
export { simpleGlider, type SimpleGlider } from './simple'
export { blended, edgesFor, LEAST, plate, squareDrag, stallOf, type Edges, type Plates } from './separated'
