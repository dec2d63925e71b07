export {
  capable,
  createPrinting,
  filamentKg,
  plateSeconds,
  priceOf,
  type PrintedPiece,
  reportPieces,
  weighedPieces,
  weighIn,
} from './printed-pieces'
