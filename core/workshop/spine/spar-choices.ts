/**
 * What each spar could be instead: left out, a size less or more, run to other ends, pushed in or glued; all
 * assessed at once.
 */
import type { Assessment, Assessor } from '../../assess'
import type { ProjectFile, Spar } from '../../document'
import { stockOr, LIBRARIES, type Libraries } from '../../libraries'
import { apply, costOf, largerStock as larger, smallerStock as smaller, type Change } from '../../change'
import { q, say, type Words } from '../../units'

export interface SparChoice {
  spar: string
  id: 'as it is' | 'out' | 'size less' | 'size more' | 'shorter' | 'longer' | 'other fixing'
  title: Words
  /** Of the wing, and by what and where. */
  reserve: number
  mode: string
  atMm: number
  tipTwistDeg: number
  grams: number
  cost: number
  /** Least plastic over its bore, mm; null where it is out. */
  coverMm: number | null
  change: Change
}

/** A spar is run so much further or less, mm. */
const REACH = 60

export function sparChoices(
  assessor: Assessor,
  doc: ProjectFile,
  libraries: Libraries = LIBRARIES,
): SparChoice[] {
  const before = assessor.assess(doc)
  return doc.spars
    .filter(spar => spar.surface === 'wing')
    .flatMap(spar =>
      variants(doc, spar, libraries).map(({ id, title, spars }): SparChoice => {
        const change: Change = { spars }
        const after = id === 'as it is' ? before : assessor.assess(apply(doc, change))
        const own = after.spars.filter(item => item.id === spar.id || item.id.startsWith(`${spar.id}-`))
        return {
          spar: spar.id,
          id,
          title,
          change,
          ...figures(after),
          grams: after.totals.massG - before.totals.massG,
          cost: costOf(after) - costOf(before),
          coverMm: own.length ? Math.min(...own.map(item => item.worstMm)) : null,
        }
      }),
    )
}

const figures = ({ strength }: Assessment) => ({
  reserve: strength.wing.reserve,
  mode: strength.wing.mode,
  atMm: strength.wing.atMm,
  tipTwistDeg: strength.twist.diveDeg,
})

function variants(
  doc: ProjectFile,
  spar: Spar,
  libraries: Libraries,
): Array<{ id: SparChoice['id']; title: Words; spars: Spar[] }> {
  const put = (more: Partial<Spar>) =>
    doc.spars.map(item => (item.id === spar.id ? { ...item, ...more } : item))
  const stock = stockOr(libraries, spar.stock)
  const more = larger(stock, libraries)[0]
  const less = smaller(stock, libraries)
  const half = doc.wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
  const list: Array<{ id: SparChoice['id']; title: Words; spars: Spar[] }> = [
    { id: 'as it is', title: `as it is, ${stock.name}`, spars: doc.spars },
    { id: 'out', title: 'left out', spars: doc.spars.filter(item => item.id !== spar.id) },
  ]
  if (less) list.push({ id: 'size less', title: less.name, spars: put({ stock: less.id }) })
  if (more) list.push({ id: 'size more', title: more.name, spars: put({ stock: more.id }) })
  if (spar.toMm - REACH > spar.fromMm + 20)
    list.push({
      id: 'shorter',
      title: say`to ${q(spar.toMm - REACH, 'mm', 0)}`,
      spars: put({ toMm: spar.toMm - REACH }),
    })
  if (spar.toMm < half - 20)
    list.push({
      id: 'longer',
      title: say`to ${q(Math.min(half - 12, spar.toMm + REACH), 'mm', 0)}`,
      spars: put({ toMm: Math.min(half - 12, spar.toMm + REACH) }),
    })
  if (spar.through)
    list.push({
      id: 'other fixing',
      title: spar.fixing === 'bonded' ? 'pushed in, so that the wing comes off' : 'glued in',
      spars: put({ fixing: spar.fixing === 'bonded' ? 'removable' : 'bonded' }),
    })
  return list
}
