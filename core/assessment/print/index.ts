export {
  capable,
  createPrinting,
  filamentKg,
  plateSeconds,
  priceOf,
  type PrintedPiece,
  reportPieces,
  weighIn,
} from './printed-pieces'
