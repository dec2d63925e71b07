/** The next sizes of a stock, up and down. */
import { stockInertia, type Libraries, type Stock } from '../libraries'

/** Stock of the same kind that is stiffer, next first. */
export function larger(stock: Stock, libraries: Libraries): Stock[] {
  const kind = (item: Stock) => `${item.shape}${item.boreMm > 0 ? 't' : 'r'}${item.bends}${item.printedIn}`
  return libraries.stock
    .filter(
      item =>
        kind(item) === kind(stock) &&
        item.modulus * stockInertia(item) > stock.modulus * stockInertia(stock) * 1.001,
    )
    .sort((a, b) => stockInertia(a) - stockInertia(b))
}

/** The next size down of the same kind. */
export const smaller = (stock: Stock, libraries: Libraries): Stock | undefined =>
  libraries.stock
    .filter(item => larger(item, libraries)[0]?.id === stock.id)
    .sort((a, b) => stockInertia(b) - stockInertia(a))[0]
