/** Where a spar runs through a surface, and how it fits there. All mm. */
import type { Spar } from '../document'
import type { Stock } from '../libraries'
import { circle } from './polygon'
import { gapAt, outlineAt, planAt, type SurfaceLoft } from './surface-loft'

export interface SparLine {
  /** With an id and name of its own where the spar is laid in two caps. */
  spar: Spar
  stock: Stock
  /** The whole spar, or one of its caps. */
  part: 'whole' | 'top' | 'bottom'
  from: number
  to: number
  /** Middle of the spar at s: straight from end to end, or from break to break where it is bent. */
  at(s: number): { x: number; n: number }
}

/** Plastic over and under a cap: the skin's own bead, mm. */
const CAP_COVER = 0.6

/** The lines that a spar is laid in: one at half height, or two caps under the skins, strips lying flat. */
export function sparLines(loft: SurfaceLoft, spar: Spar, stock: Stock): SparLine[] {
  if (spar.lay === 'middle') return [sparLine(loft, spar, stock)]
  const flat: Stock =
    stock.shape === 'strip'
      ? {
          ...stock,
          heightMm: Math.min(stock.heightMm, stock.widthMm),
          widthMm: Math.max(stock.heightMm, stock.widthMm),
        }
      : stock
  return (['top', 'bottom'] as const).map(part =>
    sparLine(loft, { ...spar, id: `${spar.id}-${part}`, name: `${spar.name}, ${part} cap` }, flat, part),
  )
}

/**
 * Through the middles of the section (or under a skin) at both ends; a straight spar that runs through the
 * centre is level at its root place, since both halves are one piece.
 */
export function sparLine(
  loft: SurfaceLoft,
  spar: Spar,
  stock: Stock,
  part: SparLine['part'] = 'whole',
): SparLine {
  const from = spar.through ? 0 : Math.min(spar.fromMm, loft.span)
  const to = Math.min(Math.max(spar.toMm, from), loft.span)
  const length = Math.max(1e-9, to - from)
  const shareAt = (s: number) => spar.rootShare + ((spar.tipShare - spar.rootShare) * (s - from)) / length
  const breaks =
    spar.route === 'bent' ? loft.ends.map(end => end.s).filter(s => s > from + 1 && s < to - 1) : []
  const places = [from, ...breaks, to]
  const points = places.map(s => sparPoint(loft, s, shareAt(s), stock, spar.clearanceMm, part))
  if (spar.through && spar.route === 'straight') points[1] = { ...points[0] }
  return {
    spar,
    stock,
    part,
    from,
    to,
    at: s => {
      let i = 0
      while (i < places.length - 2 && s > places[i + 1]) i++
      const t = (s - places[i]) / Math.max(1e-9, places[i + 1] - places[i])
      const a = points[i],
        b = points[i + 1]
      return { x: a.x + (b.x - a.x) * t, n: a.n + (b.n - a.n) * t }
    },
  }
}

function sparPoint(
  loft: SurfaceLoft,
  s: number,
  share: number,
  stock: Stock,
  clearance: number,
  part: SparLine['part'],
): { x: number; n: number } {
  const { chord, lead, n } = planAt(loft, s)
  const x = lead + share * chord
  const outline = outlineAt(loft, s),
    gap = gapAt(outline, x)
  if (!gap) return { x, n }
  if (part === 'whole') return { x, n: (gap.lower + gap.upper) / 2 }
  // Under the lowest place of the skin over its width, so that its corners stay inside.
  const half = stock.widthMm / 2 + clearance,
    reach = stock.heightMm / 2 + clearance + CAP_COVER
  const gaps = [x - half, x, x + half].map(place => gapAt(outline, place) ?? gap)
  return {
    x,
    n:
      part === 'top'
        ? Math.min(...gaps.map(g => g.upper)) - reach
        : Math.max(...gaps.map(g => g.lower)) + reach,
  }
}

export interface SparFit {
  s: number
  /** Plastic left above and below the bore, mm; negative where the bore breaks out. */
  above: number
  below: number
}

/** Plastic above and below the bore at s: the gap over the bore's whole width, not at its middle alone. */
export function sparFit(loft: SurfaceLoft, line: SparLine, s: number, outline = outlineAt(loft, s)): SparFit {
  const { x, n } = line.at(s)
  const { stock, spar } = line
  const halfHeight = stock.heightMm / 2 + spar.clearanceMm
  const halfWidth = stock.widthMm / 2 + spar.clearanceMm
  let above = Infinity,
    below = Infinity
  for (const place of [-1, -0.7, -0.35, 0, 0.35, 0.7, 1]) {
    const gap = gapAt(outline, x + place * halfWidth)
    const reach = stock.shape === 'round' ? halfHeight * Math.sqrt(1 - place * place) : halfHeight
    above = Math.min(above, gap ? gap.upper - n - reach : -halfHeight)
    below = Math.min(below, gap ? n - reach - gap.lower : -halfHeight)
  }
  return { s, above, below }
}

/** Plastic under which a bore counts as broken out and is left out of the piece, mm. */
const LEAST_COVER = 0.05
const covered = (fit: SparFit): boolean => Math.min(fit.above, fit.below) >= LEAST_COVER

/**
 * Places where a bore begins or ceases to fit, so that a piece can be divided there; found by scan and
 * bisection to 0.01 mm.
 */
export function fitLimits(loft: SurfaceLoft, line: SparLine): number[] {
  const steps = 48
  const fitsAt = (s: number) => covered(sparFit(loft, line, s))
  const limits: number[] = []
  let before = fitsAt(line.from)
  for (let i = 1; i <= steps; i++) {
    let low = line.from + ((line.to - line.from) * (i - 1)) / steps,
      high = line.from + ((line.to - line.from) * i) / steps
    const now = fitsAt(high)
    if (now !== before) {
      while (high - low > 0.01) {
        const middle = (low + high) / 2
        if (fitsAt(middle) === before) low = middle
        else high = middle
      }
      // The side that fits: a bore must never reach past its limit.
      limits.push(now ? high : low)
    }
    before = now
  }
  return limits
}

/**
 * The bore at s as a clockwise hole in (x, n), or null where there is no spar or the bore would break out.
 */
export function boreAt(
  loft: SurfaceLoft,
  line: SparLine,
  s: number,
  outline: Float64Array,
): Float64Array | null {
  if (s < line.from - 1e-9 || s > line.to + 1e-9) return null
  const fit = sparFit(loft, line, s, outline)
  if (!covered(fit)) return null
  return boreOutline(line, s)
}

export function boreOutline(line: SparLine, s: number): Float64Array {
  const { x, n } = line.at(s)
  const { stock, spar } = line
  if (stock.shape === 'round') return circle(x, n, stock.heightMm / 2 + spar.clearanceMm, true)
  const w = stock.widthMm / 2 + spar.clearanceMm,
    h = stock.heightMm / 2 + spar.clearanceMm
  return Float64Array.of(x - w, n - h, x - w, n + h, x + w, n + h, x + w, n - h)
}
