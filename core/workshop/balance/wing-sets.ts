/**
 * Other wings for the same body: each is the document with that wing in it, so that everything is computed
 * for it too.
 */
import type { Assessor } from '../../assess'
import type { ProjectFile, WingSet } from '../../document'

/** The present wing as a set: surface, spars and cuts. */
export const presentWing = (doc: ProjectFile, id: string, name: string): WingSet => ({
  id,
  name,
  wing: doc.wing,
  spars: doc.spars.filter(spar => spar.surface === 'wing'),
  cuts: doc.cuts.wing,
})

/**
 * The document with another set on it. Weighings and recipes of the wing's printed pieces no longer count: they are the
 * other one's.
 */
export const withWingSet = (doc: ProjectFile, set: WingSet): ProjectFile => ({
  ...doc,
  wing: set.wing,
  spars: [...set.spars, ...doc.spars.filter(spar => spar.surface !== 'wing')],
  cuts: { ...doc.cuts, wing: set.cuts },
  weighIns: doc.weighIns.filter(item => !item.piece.startsWith('wing-')),
  asPrinted: doc.asPrinted.filter(item => !item.piece.startsWith('wing-')),
})

/** Puts a set on and the present wing into its place on the shelf, weighings and all left in the document. */
export const swapWingSet = (doc: ProjectFile, id: string, presentName: string): ProjectFile => {
  const set = doc.wingSets.find(item => item.id === id)
  if (!set) return doc
  const { weighIns, ...swapped } = withWingSet(doc, set)
  return {
    ...swapped,
    weighIns: doc.weighIns.length === weighIns.length ? doc.weighIns : weighIns,
    wingSets: doc.wingSets.map(item => (item.id === id ? presentWing(doc, id, presentName) : item)),
  }
}

export interface WingSetFigures {
  id: string
  name: string
  massG: number
  cgMm: number
  staticMarginPct: number
  staticMarginEmptyPct: number
  neutralPointMm: number
  stallMs: number
  reserve: number
  spanMm: number
  ok: boolean
}

/** Balance of every set, the present one first. */
export function wingSetFigures(assessor: Assessor, doc: ProjectFile): WingSetFigures[] {
  const [low, high] = doc.brief.staticMarginPct
  const figures = (id: string, name: string, own: ProjectFile): WingSetFigures => {
    const { totals, flight, strength, plan } = assessor.assess(own)
    const margins = [flight.staticMarginPct, flight.staticMarginEmptyPct]
    return {
      id,
      name,
      massG: totals.massG,
      cgMm: totals.cgMm[0],
      staticMarginPct: margins[0],
      staticMarginEmptyPct: margins[1],
      neutralPointMm: flight.neutralPointMm,
      stallMs: flight.stallMs,
      reserve: strength.reserve,
      spanMm: plan.spanMm,
      ok: margins.every(pct => pct >= low && pct <= high),
    }
  }
  return [
    figures('present', 'On it now', doc),
    ...doc.wingSets.map(set => figures(set.id, set.name, withWingSet(doc, set))),
  ]
}
