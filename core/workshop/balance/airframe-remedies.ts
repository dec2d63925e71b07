/**
 * Remedies that are printed: a longer or shorter nose, the nose in heavier or lighter stuff, the tail
 * likewise.
 */
import type { Assessor } from '../../assess'
import type { Body, ProjectFile, Zone } from '../../document'
import { recipeFor, type Libraries } from '../../libraries'
import { mayHold, type Change } from '../../change'
import { judge, wanted, type Remedy, type Want } from './remedy'
import { q, say, type Words } from '../../units'

/** The nose may grow or shrink by so much, mm. */
const LONGEST_NOSE = 150,
  SHORTEST_NOSE = -80
/** Rounds of the secant on the nose's length: the CG moves nearly in proportion to it. */
const ROUNDS = 3

/**
 * Everything ahead of both wings moves forward together: stations, motor, battery and its bay, hatches, cuts.
 */
export function stretchNose(doc: ProjectFile, by: number): Change | null {
  const { body } = doc
  if (!body) return null
  // The last station ahead of what stands on the body stays where that is: either wing, and feet of struts.
  const stands = [
    doc.wing.xMm,
    ...(doc.second ? [doc.second.xMm] : []),
    ...doc.struts.flatMap(({ from, to }) => [from, to].flatMap(end => (end.on === 'body' ? [end.xMm] : []))),
  ]
  const hinge = Math.min(...stands, body.stations[body.stations.length - 1].xMm) - 0.5
  const ahead = body.stations.filter(station => station.xMm < hinge)
  if (ahead.length < 1 || ahead.length === body.stations.length) return null
  const edge = ahead[ahead.length - 1].xMm
  const next = body.stations[ahead.length].xMm
  if (edge - by >= next - 5) return null
  const move = (x: number) => (x <= edge + 1e-9 ? x - by : x)
  const moved: Body = {
    ...body,
    stations: body.stations.map(station => ({ ...station, xMm: move(station.xMm) })),
    openings: body.openings.map(opening =>
      opening.fromMm <= edge
        ? {
            ...opening,
            fromMm: opening.fromMm - by,
            toMm: opening.toMm <= edge ? opening.toMm - by : opening.toMm,
          }
        : opening,
    ),
  }
  return {
    body: moved,
    cuts: { ...doc.cuts, body: doc.cuts.body.map(cut => ({ ...cut, atMm: move(cut.atMm) })) },
    equipment: doc.equipment.map(item =>
      item.pocket || item.xMm > edge
        ? item
        : {
            ...item,
            xMm: Math.round((item.xMm - by) * 10) / 10,
            bay: item.bay
              ? ([item.bay[0] - by, item.bay[1] > edge ? item.bay[1] : item.bay[1] - by] as [number, number])
              : null,
          },
    ),
  }
}

export function longerNose(assessor: Assessor, want: Want): Remedy[] {
  const { doc } = want
  const attempt = (by: number) => {
    const change = stretchNose(doc, by)
    return change
      ? { change, left: wanted({ ...doc, ...change }, assessor.assess({ ...doc, ...change })).shiftMm }
      : null
  }
  let by0 = 0,
    left0 = want.shiftMm
  // About a third of the aircraft is ahead of the wing: a first guess for the secant.
  let by1 = Math.min(LONGEST_NOSE, Math.max(SHORTEST_NOSE, Math.round(-3 * want.shiftMm)))
  if (Math.abs(by1) < 2) return []
  let found = attempt(by1)
  for (let round = 0; round < ROUNDS && found && Math.abs(found.left) > 0.4; round++) {
    const slope = (found.left - left0) / (by1 - by0)
    if (!(Math.abs(slope) > 1e-6)) break
    const next = Math.min(LONGEST_NOSE, Math.max(SHORTEST_NOSE, Math.round(by1 - found.left / slope)))
    if (next === by1) break
    ;[by0, left0] = [by1, found.left]
    by1 = next
    found = attempt(by1)
  }
  if (!found || Math.abs(by1) < 2) return []
  return [
    judge(
      assessor,
      want,
      {
        id: 'nose-length',
        kind: 'nose',
        title: say`A nose ${q(Math.abs(by1), 'mm')} ${by1 > 0 ? 'longer' : 'shorter'}`,
        detail:
          'body, motor, battery and hatches ahead of the wing move with it; its pieces are printed again',
      },
      found.change,
    ),
  ]
}

/** Zones whose pieces all lie ahead of the CG, or all behind it by a mean chord. */
function zonesAt(want: Want, which: 'nose' | 'tail'): Zone[] {
  const {
    doc,
    before: { pieces, totals, plan },
  } = want
  const cg = totals.cgMm[0]
  return doc.zones.filter(zone => {
    const own = pieces.filter(piece => piece.zone === zone.id)
    return (
      own.length > 0 &&
      own.every(piece =>
        which === 'nose' ? piece.centreMm[0] < cg - 0.2 * plan.macMm : piece.centreMm[0] > cg + plan.macMm,
      )
    )
  })
}

const withZone = (doc: ProjectFile, zone: Zone): Change => ({
  zones: doc.zones.map(item => (item.id === zone.id ? zone : item)),
})

/**
 * Steps from the present recipe: a bead more or less, more or less inside, another filament with its own
 * flow.
 */
function variants(
  { doc }: Want,
  zone: Zone,
  libraries: Libraries,
): Array<{ id: string; words: Words; zone: Zone }> {
  const { recipe } = zone
  const list: Array<{ id: string; words: Words; zone: Zone }> = []
  const put = (id: string, words: Words, change: Partial<Zone['recipe']>) =>
    list.push({ id, words, zone: { ...zone, recipe: { ...recipe, ...change } } })
  if (!recipe.spiral) {
    if (recipe.walls < 8) put('bead-more', 'one bead more', { walls: recipe.walls + 1 })
    if (recipe.walls > 1) put('bead-less', 'one bead less', { walls: recipe.walls - 1 })
  }
  if (recipe.infillShare > 0.01 && recipe.infillShare < 1) {
    put('infill-more', say`infill ${q(Math.round(200 * recipe.infillShare), '%')}`, {
      infillShare: Math.min(1, 2 * recipe.infillShare),
    })
    put('infill-less', say`infill ${q(50 * recipe.infillShare, '%', 1)}`, {
      infillShare: recipe.infillShare / 2,
    })
  }
  const school = libraries.schools.find(item => item.id === recipe.school)
  const spooled = new Set([
    ...doc.spools.map(spool => spool.filament),
    ...doc.zones.map(item => item.filament),
  ])
  for (const filament of libraries.filaments) {
    if (filament.id === zone.filament || !school || !spooled.has(filament.id)) continue
    if (!mayHold(doc, zone, filament)) continue
    const { nozzleC, flow } = recipeFor(school, filament)
    list.push({
      id: `in-${filament.id}`,
      words: `in ${filament.name}`,
      zone: { ...zone, filament: filament.id, recipe: { ...recipe, nozzleC, flow } },
    })
  }
  return list
}

/** Nose heavier or tail lighter when it is tail-heavy, and the other way round; the best two of each zone. */
export function otherSkins(assessor: Assessor, want: Want, libraries: Libraries): Remedy[] {
  const tailHeavy = want.shiftMm < 0
  return (['nose', 'tail'] as const).flatMap(which =>
    zonesAt(want, which).flatMap(zone => {
      const tried = variants(want, zone, libraries).map(variant =>
        judge(
          assessor,
          want,
          {
            id: `${which}-${zone.id}-${variant.id}`,
            kind: which === 'nose' ? 'nose-skin' : 'tail-skin',
            title: say`${zone.name}: ${variant.words}`,
            detail:
              which === 'nose' ? 'weight where it pulls forward' : 'weight behind counts several times over',
          },
          withZone(want.doc, variant.zone),
        ),
      )
      const helps = (remedy: Remedy) =>
        tailHeavy
          ? remedy.cgAfterMm < want.before.totals.cgMm[0] - 0.2
          : remedy.cgAfterMm > want.before.totals.cgMm[0] + 0.2
      return tried
        .filter(helps)
        .sort((a, b) => a.outsidePct - b.outsidePct || a.grams - b.grams)
        .slice(0, 2)
    }),
  )
}
