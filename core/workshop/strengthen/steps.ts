/**
 * Single changes that could mend a weakness, from slight to heavy. Whether they do is for the assessment to
 * say.
 */
import type { Assessment } from '../../assess'
import type { ProjectFile, Recipe, Spar, Zone } from '../../document'
import { BOLTS, recipeFor, stockInertia, type Libraries, type Stock } from '../../libraries'
import type { Change } from '../remedies'
import type { Weakness } from './weakness'

export interface Step {
  id: string
  title: string
  change: Change
}

/** Sizes tried beyond the present one, and ways a spar may be lengthened, mm. */
const SIZES = 4
const FURTHER = [40, 80, 140, 220, 320]
const EDGE = 12

export function stepsFor(
  doc: ProjectFile,
  now: Assessment,
  weakness: Weakness,
  libraries: Libraries,
): Step[] {
  if (weakness.part === 'wing') return wingSteps(doc, now, weakness, libraries)
  if (weakness.part === 'boom') return boomSteps(doc, weakness, libraries)
  if (weakness.part === 'body') return bodySteps(doc, weakness, libraries)
  return gearSteps(doc, weakness)
}

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

const stockOf = (id: string, libraries: Libraries): Stock =>
  libraries.stock.find(item => item.id === id) ?? libraries.stock[0]
const withSpar = (doc: ProjectFile, id: string, more: Partial<Spar>): Change => ({
  spars: doc.spars.map(spar => (spar.id === id ? { ...spar, ...more } : spar)),
})

function wingSteps(doc: ProjectFile, now: Assessment, weakness: Weakness, libraries: Libraries): Step[] {
  const half = doc.wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
  const { atMm: s, mode } = weakness
  const own = doc.spars.filter(spar => spar.surface === 'wing')
  const steps: Step[] = []
  for (const spar of own) {
    const stock = stockOf(spar.stock, libraries)
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
            title: `${spar.name} to ${to.toFixed(0)} mm`,
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
          title: `A joiner through the middle, ${stockOf(id, libraries).name}, ${toMm} mm a side`,
          change: { spars: [...doc.spars, newSpar(doc, 'Centre joiner', id, 0, toMm, true, 0.2)] },
        })
  }
  if (!own.some(spar => s >= spar.fromMm && s <= spar.toMm)) {
    for (const id of ['rod-3', 'rod-5', 'tube-8x6'])
      steps.push({
        id: `spar-${id}`,
        title: `A spar past there: ${stockOf(id, libraries).name}`,
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

/** A spiral has one bead; more of them are laid as loops. */
const withoutSpiral = (recipe: Recipe): Recipe => (recipe.spiral ? { ...recipe, spiral: false } : recipe)

/** Another bead, closer webs, another school or filament: for one zone. */
export function skinSteps(doc: ProjectFile, zone: Zone, libraries: Libraries): Step[] {
  const { recipe } = zone
  const put = (id: string, words: string, next: Partial<Zone>): Step => ({
    id: `${zone.id}-${id}`,
    title: `${zone.name}: ${words}`,
    change: { zones: doc.zones.map(item => (item.id === zone.id ? { ...zone, ...next } : item)) },
  })
  const steps: Step[] = []
  for (const more of [1, 2, 3])
    if (recipe.walls + more <= 8)
      steps.push(
        put(`beads-${more}`, `${recipe.walls + more} beads`, {
          recipe: { ...withoutSpiral(recipe), walls: recipe.walls + more },
        }),
      )
  if (recipe.lattice)
    for (const share of [0.7, 0.45])
      steps.push(
        put(`webs-${share}`, `webs every ${(recipe.lattice.pitchMm * share).toFixed(0)} mm`, {
          recipe: {
            ...recipe,
            lattice: { ...recipe.lattice, pitchMm: Math.max(5, Math.round(recipe.lattice.pitchMm * share)) },
          },
        }),
      )
  else
    for (const infillShare of [0.04, 0.1, 0.2])
      if (infillShare > recipe.infillShare * 1.2)
        steps.push(
          put(`infill-${infillShare}`, `${(100 * infillShare).toFixed(0)} % infill`, {
            recipe: { ...recipe, infillShare },
          }),
        )
  if (recipe.stance === 'flat')
    for (const layers of [3, 5, 8])
      if (layers > Math.min(recipe.baseLayers, recipe.topLayers))
        steps.push(
          put(`layers-${layers}`, `${layers} base and top layers`, {
            recipe: {
              ...recipe,
              baseLayers: Math.max(layers, recipe.baseLayers),
              topLayers: Math.max(layers, recipe.topLayers),
            },
          }),
        )
  const school = libraries.schools.find(item => item.id === recipe.school)
  for (const filament of libraries.filaments) {
    if (filament.id === zone.filament || filament.family === 'flexible' || !school) continue
    const { nozzleC, flow } = recipeFor(school, filament)
    for (const walls of [recipe.walls, recipe.walls + 2])
      if (walls <= 8 && doc.printers.some(printer => printer.nozzleMaxC >= nozzleC))
        steps.push(
          put(
            `in-${filament.id}-${walls}`,
            `${walls > recipe.walls ? `${walls} beads ` : ''}in ${filament.name}`,
            {
              filament: filament.id,
              recipe: { ...(walls > recipe.walls ? withoutSpiral(recipe) : recipe), walls, nozzleC, flow },
            },
          ),
        )
  }
  return steps
}

function boomSteps(doc: ProjectFile, weakness: Weakness, libraries: Libraries): Step[] {
  if (!doc.boom) return []
  const { boom } = doc
  const sizes = larger(stockOf(boom.stock, libraries), libraries)
    .slice(0, SIZES)
    .map((next): Step => ({
      id: `boom-${next.id}`,
      title: `Boom: ${next.name}`,
      change: { boom: { ...boom, stock: next.id } },
    }))
  const sockets = [1.3, 1.7, 2.2, 3]
    .map(times => Math.min(300, Math.round(Math.max(20, boom.socketMm) * times)))
    .map((socketMm): Step => ({
      id: `socket-${socketMm}`,
      title: `Boom: a socket of ${socketMm} mm`,
      change: { boom: { ...boom, socketMm } },
    }))
  const zone =
    doc.body && doc.zones.find(item => item.id === doc.body!.stations[doc.body!.stations.length - 2].zone)
  return weakness.mode === 'boom in its socket'
    ? [...sockets, ...(zone ? skinSteps(doc, zone, libraries) : [])]
    : sizes
}

function bodySteps(doc: ProjectFile, weakness: Weakness, libraries: Libraries): Step[] {
  const { body } = doc
  if (!body) return []
  const station =
    body.stations.findLast((item, i) => item.xMm <= weakness.atMm && i < body.stations.length - 1) ??
    body.stations[0]
  const zone = doc.zones.find(item => item.id === station.zone) ?? doc.zones[0]
  const openings = body.openings
    .filter(item => item.id === weakness.subject)
    .flatMap(opening =>
      [0.8, 0.6].map((share): Step => ({
        id: `narrow-${opening.id}-${share}`,
        title: `${opening.name} ${(opening.widthMm * share).toFixed(0)} mm wide`,
        change: {
          body: {
            ...body,
            openings: body.openings.map(item =>
              item.id === opening.id
                ? { ...item, widthMm: Math.max(2, Math.round(opening.widthMm * share)) }
                : item,
            ),
          },
        },
      })),
    )
  const bolts =
    weakness.subject === 'saddle' && body.saddle
      ? [body.saddle.bolts + 1, body.saddle.bolts + 2]
          .filter(n => n <= 4)
          .map((n): Step => ({
            id: `bolts-${n}`,
            title: `${n} wing bolts`,
            change: { body: { ...body, saddle: { ...body.saddle!, bolts: n } } },
          }))
      : []
  const larger =
    weakness.subject === 'saddle' && body.saddle
      ? BOLTS.filter(mm => mm > body.saddle!.boltMm)
          .slice(0, 2)
          .map((mm): Step => ({
            id: `bolt-${mm}`,
            title: `Wing bolts of ${mm} mm, with beams to match`,
            change: { body: { ...body, saddle: { ...body.saddle!, boltMm: mm } } },
          }))
      : []
  return [...bolts, ...larger, ...skinSteps(doc, zone, libraries), ...openings]
}

const WIRES = [1.5, 2, 2.5, 3, 3.5, 4, 5, 6, 8]

function gearSteps(doc: ProjectFile, weakness: Weakness): Step[] {
  return doc.gear
    .filter(leg => leg.id === weakness.subject)
    .flatMap(leg => {
      const put = (id: string, words: string, more: Partial<typeof leg>): Step => ({
        id: `${leg.id}-${id}`,
        title: `${leg.name}: ${words}`,
        change: { gear: doc.gear.map(item => (item.id === leg.id ? { ...leg, ...more } : item)) },
      })
      const thicker =
        leg.kind === 'wire'
          ? WIRES.filter(d => d > leg.thicknessMm).map(d =>
              put(`wire-${d}`, `wire of ${d} mm`, { thicknessMm: d }),
            )
          : [1.3, 1.7, 2.4].map(times =>
              put(`thick-${times}`, `${(leg.thicknessMm * times).toFixed(1)} mm thick`, {
                thicknessMm: Math.min(40, Math.round(10 * leg.thicknessMm * times) / 10),
              }),
            )
      const softer =
        leg.kind === 'sprung'
          ? [0.5, 0.25].map(times =>
              put(
                `spring-${times}`,
                `a spring of ${(leg.springNmm * times).toFixed(2)} N/mm and twice the travel`,
                {
                  springNmm: Math.max(0.01, leg.springNmm * times),
                  travelMm: Math.min(200, 2 * leg.travelMm),
                },
              ),
            )
          : []
      const mount = [1.4, 2, 3].map(times =>
        put(
          `mount-${times}`,
          `a mount of ${(leg.mount.lengthMm * times).toFixed(0)} × ${(leg.mount.widthMm * times).toFixed(0)} mm, ${(leg.mount.depthMm * times).toFixed(1)} mm of plastic round it`,
          {
            mount: {
              lengthMm: Math.min(200, leg.mount.lengthMm * times),
              widthMm: Math.min(200, leg.mount.widthMm * times),
              depthMm: Math.min(60, leg.mount.depthMm * times),
            },
          },
        ),
      )
      return weakness.part === 'gear' ? [...thicker, ...softer] : [...mount, ...softer]
    })
}
