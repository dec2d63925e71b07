/** What mending a cause costs on the four wings, and the drag that flights have taught. */
import type { Assessor } from '../../assess'
import { admissible, apply, withItem, type Change } from '../../change'
import { NO_SPECS, type ProjectFile } from '../../document'
import type { Cause } from './causes'

export interface Price {
  change: Change
  massG: number
  marginPct: number
  reserve: number
  hours: number
}

const tenth = (value: number) => Math.round(10 * value) / 10

/**
 * The design with a cause taken out; `amount` in the unit that it is told in. Null where it is nothing of the design:
 * a warp is warmed out, a tired pack is bought.
 */
function mendOf(
  doc: ProjectFile,
  cause: Cause,
  amount: number,
  massG: number,
  halfMm: number,
): Change | null {
  if (cause === 'cg') {
    const pack = doc.equipment.find(item => item.kind === 'battery' && item.massG > 0)
    return pack ? withItem(doc, pack.id, { xMm: tenth(pack.xMm - (amount * massG) / pack.massG) }) : null
  }
  if (cause === 'incidence' && doc.tail.horizontal) {
    const horizontal = doc.tail.horizontal
    return {
      tail: {
        ...doc.tail,
        horizontal: { ...horizontal, incidenceDeg: tenth(horizontal.incidenceDeg - amount) },
      },
    }
  }
  if (cause === 'thrust-line')
    return {
      power: { ...doc.power, downDeg: tenth(Math.max(-20, Math.min(20, doc.power.downDeg + amount))) },
    }
  if (cause === 'heavy') {
    // Half of what is heavy half way out, at the other tip.
    const grams = tenth(Math.abs(amount) / 2)
    let id = 'tip-weight'
    while (doc.equipment.some(item => item.id === id)) id += 'x'
    return grams > 0
      ? {
          equipment: [
            ...doc.equipment,
            {
              ...NO_SPECS,
              id,
              name: 'Tip weight',
              kind: 'ballast',
              massG: grams,
              spreadG: 0.1,
              xMm: tenth(doc.wing.xMm),
              yMm: tenth(-Math.sign(amount) * 0.97 * halfMm),
              zMm: doc.wing.zMm,
              sizeMm: [10, 6, 4],
              pair: false,
              bay: null,
              drops: false,
              weighed: true,
              pocket: null,
            },
          ],
        }
      : null
  }
  return null
}

export function priceOf(assessor: Assessor, doc: ProjectFile, cause: Cause, amount: number): Price | null {
  const before = assessor.assess(doc)
  const change = mendOf(doc, cause, amount, before.totals.massG, before.plan.spanMm / 2)
  const next = change && apply(doc, change)
  if (!change || !admissible(next!)) return null
  const after = assessor.assess(next!)
  return {
    change,
    massG: after.totals.massG - before.totals.massG,
    marginPct: after.flight.staticMarginPct - before.flight.staticMarginPct,
    reserve: after.strength.reserve - before.strength.reserve,
    hours: after.totals.hours - before.totals.hours,
  }
}

/** A drag's amount moves the best glide by so much of itself: as the causes reckon it. */
const GLIDE_PER_DRAG = 0.85

/**
 * The share of drag at which the computed best glide is the one that flights speak of, from what the diagnosis says of
 * drag (a share, more positive). Null where no share in the limits does.
 */
export function learnedDrag(assessor: Assessor, doc: ProjectFile, amount: number): number | null {
  const glide = (dragShare: number) =>
    assessor.assess({ ...doc, measured: { ...doc.measured, dragShare } }).flight.bestGlide
  const now = doc.measured.dragShare ?? 1
  const wanted = glide(now) * (1 - GLIDE_PER_DRAG * amount)
  let low = 0.5,
    high = 3
  // More drag, less glide: one falling curve.
  if (!(wanted <= glide(low) && wanted >= glide(high))) return null
  for (let i = 0; i < 12; i++) {
    const middle = (low + high) / 2
    if (glide(middle) > wanted) low = middle
    else high = middle
  }
  return Math.round(100 * ((low + high) / 2)) / 100
}
