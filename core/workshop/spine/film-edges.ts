/** Rods and strips that film needs to lie on, where a surface of ribs has none. mm */
import { controlsOf, type Spar } from '../../document'
import { hingedControls, planAt, sparFit, sparLine, type SurfaceLoft } from '../../geometry'
import { stockOr, type Libraries } from '../../libraries'
import { heldEdges, type Airframe } from '../../assess'

/** Plastic round an edge in its rib, mm. */
const COVER = 0.6
/** Where a nose rod is tried, from the front; a trailing strip, from the rear; shares of the chord. */
const NOSE = { from: 0.02, to: 0.11 },
  TAIL = { from: 0.96, to: 0.86 }
const STEPS = 20
/** An edge before a control reaches to the ribs beside it, mm. */
const BESIDE = 15
/** Least length that is worth laying, mm. */
const SHORTEST = 30

const NOSE_STOCK = ['rod-3', 'rod-2'],
  TAIL_STOCK = ['strip-4x1'],
  HINGE_STOCK = ['wood-5x5', 'wood-3x3', 'rod-2']

/**
 * Spars to lay beside those that are there: a rod as far ahead, a strip as far behind as the section covers it over the
 * longest stretch, and one before every hinge line. None where one lies already.
 */
export function filmEdges({ doc, surfaces, spars, pieces }: Airframe, libraries: Libraries): Spar[] {
  const ids = new Set(doc.spars.map(spar => spar.id))
  return Object.values(surfaces).flatMap((loft): Spar[] => {
    const ribs = pieces.filter(piece => piece.part === loft.name && piece.ribOf !== null)
    if (ribs.length === 0) return []
    const from = Math.min(...ribs.map(rib => rib.from)),
      to = Math.max(...ribs.map(rib => rib.to))
    const lines = spars[loft.name] ?? []
    // An edge is straight from one break of the plan to the next.
    const runs = loft.ends.slice(1).flatMap((end, i): Array<[number, number]> => {
      const [a, b] = [Math.max(from, loft.ends[i].s), Math.min(to, end.s)]
      return b - a >= SHORTEST ? [[a, b]] : []
    })
    const laid: Spar[] = []
    const lay = (
      name: string,
      stocks: readonly string[],
      shares: readonly number[],
      a: number,
      b: number,
    ) => {
      const found = best(loft, libraries, stocks, shares, a, b)
      if (!found) return
      let id = `${loft.name}-${name.toLowerCase().replace(/[^a-z]+/g, '-')}`
      for (let n = 2; ids.has(id); n++) id = `${id.replace(/-\d+$/, '')}-${n}`
      ids.add(id)
      laid.push({ ...found, id, name: `${name}, ${loft.label.toLowerCase()}` })
    }
    const shares = (first: number, last: number) =>
      Array.from({ length: STEPS + 1 }, (_, i) => first + ((last - first) * i) / STEPS)
    const hinged = hingedControls(loft, controlsOf(doc, loft.name))
    const along = (s: number) => hinged.find(item => s > item.from && s < item.to)
    for (const [a, b] of runs) {
      const middle = (a + b) / 2
      if (!heldEdges(loft, lines, hinged, middle).ahead)
        lay('Leading edge', NOSE_STOCK, shares(NOSE.from, NOSE.to), a, b)
      // Where a control hangs over the whole run there is no trailing edge to be covered.
      const whole = along(a + 1) && along(a + 1) === along(b - 1)
      if (!whole && !heldEdges(loft, lines, [], middle).behind)
        lay('Trailing edge', TAIL_STOCK, shares(TAIL.from, TAIL.to), a, b)
    }
    for (const item of hinged)
      for (const [a, b] of runs) {
        const first = Math.max(a, item.from - BESIDE),
          last = Math.min(b, item.to + BESIDE),
          s = (first + last) / 2
        if (last - first < SHORTEST) continue
        const { lead, chord } = planAt(loft, s)
        const line = (item.hingeAt(s) - lead) / chord
        if (heldEdges(loft, lines, [item], s).behind) continue
        // Behind it the gap begins: half of the strip, its bore and a wall of plastic stand before that.
        lay(
          `Before ${item.control.name}`,
          HINGE_STOCK,
          shares(line - 4 / chord, line - 14 / chord),
          first,
          last,
        )
      }
    return laid
  })
}

/** Of all stocks and places, in their order: a later one only where it is covered over so much more of the way. */
const LONGER = 0.05
function best(
  loft: SurfaceLoft,
  libraries: Libraries,
  stocks: readonly string[],
  shares: readonly number[],
  from: number,
  to: number,
): Omit<Spar, 'id' | 'name'> | null {
  let found: Omit<Spar, 'id' | 'name'> | null = null
  const more = LONGER * (to - from)
  let most = SHORTEST - more
  for (const id of stocks) {
    const stock = stockOr(libraries, id)
    for (const share of shares) {
      const draft: Omit<Spar, 'id' | 'name'> = {
        stock: stock.id,
        surface: loft.name,
        fromMm: from,
        toMm: to,
        rootShare: share,
        tipShare: share,
        clearanceMm: 0.1,
        through: false,
        fixing: 'bonded',
        lay: 'middle',
        route: 'straight',
      }
      const reach = (end: number) => {
        const line = sparLine(loft, { ...draft, toMm: end, id: '-', name: '-' }, stock)
        return Array.from({ length: STEPS + 1 }, (_, i) => from + ((end - from) * i) / STEPS).every(s => {
          const { above, below } = sparFit(loft, line, s)
          return Math.min(above, below) >= COVER
        })
      }
      // A straight rod is shortened until a thin tip or a bend of the wing no longer lets it out.
      let end = to
      while (end - from > most + more && !reach(end)) end -= Math.max(5, (to - from) / 60)
      if (end - from > most + more + 1e-6 && reach(end)) {
        most = end - from
        found = { ...draft, toMm: Math.floor(end * 10) / 10 }
      }
    }
  }
  return found
}
