/** Struts with their lengths, masses and prices. */
import { stockLinearMass } from '../../libraries'
import { gToKg, kgToG, mmToM } from '../../units'
import type { StrutReport } from '../report'
import { strutSides, type Designed } from '../resolve'

export const strutReports = ({ struts }: Pick<Designed, 'struts'>): StrutReport[] =>
  struts.map(({ strut, stock, lengthMm }) => {
    const pieces = strutSides(strut).length
    return {
      id: strut.id,
      name: strut.name,
      stock: stock.id,
      pieces,
      lengthMm,
      massG: kgToG(pieces * (mmToM(lengthMm) * stockLinearMass(stock) + gToKg(2 * strut.fittingG))),
      price: (pieces * stock.price * lengthMm) / stock.lengthMm,
    }
  })
