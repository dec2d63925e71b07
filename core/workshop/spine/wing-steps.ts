/** Single changes that could mend a weak place of the wing: its spars first, then its skin. */
import type { Assessment } from '../../assess'
import type { ProjectFile } from '../../document'
import type { Zone } from '../../document'
import type { Spar } from '../../document'
import { type Stock, stockInertia, type Libraries, stockOr } from '../../libraries'
import { skinSteps } from './skin-steps'
import type { Weakness } from './weakness'
import { type Step, withSpar, larger } from '../../change'
import { q, say } from '../../units'

/** Sizes tried beyond the present one, and ways a spar may be lengthened, mm. */
export const SIZES = 4

const FURTHER = [40, 80, 140, 220, 320]

const EDGE = 12

const bears = (stock: Stock): number => (stock.strength * stockInertia(stock)) / stock.heightMm

/**
 * Another kind of stock, of round section, that bears more by itself: the slightest few, for where no size is
 * left.
 */
const otherKinds = (stock: Stock, libraries: Libraries): Stock[] => {
  const same = new Set(larger(stock, libraries).map(item => item.id))
  return libraries.stock
    .filter(item => item.shape === 'round' && !same.has(item.id) && bears(item) > 1.05 * bears(stock))
    .sort((a, b) => bears(a) - bears(b))
    .slice(0, SIZES)
}

export function wingSteps(
  doc: ProjectFile,
  now: Assessment,
  weakness: Weakness,
  libraries: Libraries,
): Step[] {
  const half = doc.wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
  const { atMm: s, mode } = weakness
  const own = doc.spars.filter(spar => spar.surface === 'wing')
  const steps: Step[] = []
  for (const spar of own) {
    const stock = stockOr(libraries, spar.stock)
    for (const next of [
      ...larger(stock, libraries).slice(0, SIZES),
      ...(spar.lay === 'middle' ? otherKinds(stock, libraries) : []),
    ])
      steps.push({
        id: `size-${spar.id}-${next.id}`,
        title: `${spar.name}: ${next.name}`,
        change: withSpar(doc, spar.id, { stock: next.id }),
      })
    if (spar.toMm < s + 1 || spar.toMm < 0.35 * half) {
      const wanted =
        spar.toMm < s + 1 && spar.toMm > 0
          ? [s + 15, ...FURTHER.map(more => spar.toMm + more)]
          : FURTHER.map(more => spar.toMm + more)
      for (const to of wanted)
        if (to > spar.toMm + 5 && to <= half - EDGE)
          steps.push({
            id: `further-${spar.id}-${to.toFixed(0)}`,
            title: say`${spar.name} to ${q(to, 'mm', 0)}`,
            change: withSpar(doc, spar.id, { toMm: Math.round(to) }),
          })
    }
    if (spar.route === 'bent' && (mode === 'bent spar' || mode === 'spar alone')) {
      for (const wire of libraries.stock.filter(item => item.bends))
        steps.push({
          id: `wire-${spar.id}-${wire.id}`,
          title: `${spar.name}: ${wire.name}`,
          change: withSpar(doc, spar.id, { stock: wire.id }),
        })
      steps.push({
        id: `straight-${spar.id}`,
        title: `${spar.name}: straight`,
        change: withSpar(doc, spar.id, { route: 'straight' }),
      })
    }
    if (spar.lay === 'caps')
      steps.push({
        id: `middle-${spar.id}`,
        title: `${spar.name}: a tube at half height instead of caps`,
        change: withSpar(doc, spar.id, { lay: 'middle', stock: 'tube-8x6' }),
      })
    if (spar.fixing === 'removable' && spar.through)
      steps.push({
        id: `glue-${spar.id}`,
        title: `${spar.name}: glued in for good`,
        change: withSpar(doc, spar.id, { fixing: 'bonded' }),
      })
  }
  if (s < 1 && !own.some(spar => spar.through)) {
    for (const id of ['rod-4', 'rod-5', 'tube-8x6'])
      for (const toMm of [80, 140])
        steps.push({
          id: `joiner-${id}-${toMm}`,
          title: say`A joiner through the middle, ${stockOr(libraries, id).name}, ${q(toMm, 'mm')} a side`,
          change: { spars: [...doc.spars, newSpar(doc, 'Centre joiner', id, 0, toMm, true, 0.2)] },
        })
  }
  if (!own.some(spar => s >= spar.fromMm && s <= spar.toMm)) {
    for (const id of ['rod-3', 'rod-5', 'tube-8x6'])
      steps.push({
        id: `spar-${id}`,
        title: `A spar past there: ${stockOr(libraries, id).name}`,
        change: {
          spars: [
            ...doc.spars,
            newSpar(doc, 'Another spar', id, 0, Math.min(half - EDGE, Math.round(s + 40)), false, 0.3),
          ],
        },
      })
  }
  const zone = zoneOn(doc, now, s)
  return [...steps, ...skinSteps(doc, zone, libraries)]
}

function newSpar(
  doc: ProjectFile,
  name: string,
  stock: string,
  fromMm: number,
  toMm: number,
  through: boolean,
  share: number,
): Spar {
  let n = 1
  while (doc.spars.some(spar => spar.id === `spar-${n}`)) n++
  return {
    id: `spar-${n}`,
    name,
    stock,
    surface: 'wing',
    fromMm,
    toMm,
    rootShare: share,
    tipShare: share,
    clearanceMm: 0.15,
    through,
    fixing: 'bonded',
    lay: 'middle',
    route: 'straight',
  }
}

function zoneOn(doc: ProjectFile, now: Assessment, s: number): Zone {
  const piece = now.pieces.find(
    item =>
      item.part === 'wing' &&
      item.kind === 'fixed' &&
      item.side !== 'port' &&
      s >= item.fromMm &&
      s <= item.toMm,
  )
  return doc.zones.find(zone => zone.id === piece?.zone) ?? doc.zones[0]
}
