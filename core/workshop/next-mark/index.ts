export { actsFor, titleOf, type Act } from './acts'
export { suggestions, type Suggestion } from './suggest'
export { takeMark } from './take'
export { piecesAnew, tryActs, type Tried } from './tried'
