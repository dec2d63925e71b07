export { begunPieces, type Begun } from './begun'
export { goOn, type GoOn, type GoOnOffer } from './go-on'
export { reprintsOf, type Reprint } from './reprints'
export { EVEN, LIKELY, verdictOf, type GoOnVerdict, type Outlook } from './verdict'
