/** What would make an aircraft smaller to carry: joints that come apart, each really assessed. */
import type { Assessment, Assessor } from '../../assess'
import { gluedOver, largerBox, travelOf, type Travel } from '../../assess'
import { admissible, apply, costOf, hoursAnew, type Change, type Step } from '../../change'
import type { CutPart, ProjectFile } from '../../document'
import type { Sides } from '../../geometry'
import { q, say, type Words } from '../../units'

export interface Parting {
  id: string
  title: Words
  change: Change
  /** Longest part after it, mm, and whether everything goes into the box; null where none is asked for. */
  longestMm: number
  fits: boolean | null
  /** Differences ready to fly with payload; hours are those of what must be printed anew. */
  grams: number
  hours: number
  cost: number
  /** Least reserve of the aircraft after it. */
  reserveAfter: number
}

export interface Partings {
  now: Travel
  /** The least box of the same proportions that all of it goes into as it is; null where it fits, or none is asked for. */
  wouldDo: Sides | null
  ways: Parting[]
}

/** Cuts tried at most: the nearest to the middle of what is long. */
const MOST_CUTS = 4

/** Singly, those first after which it fits, then the shortest to carry; only what makes something smaller. */
export function partings(assessor: Assessor, doc: ProjectFile): Partings {
  const now = assessor.assess(doc),
    travel = travelOf(assessor.airframe(doc), doc.brief.travelBoxMm)
  const ways = stepsFor(assessor, doc).flatMap(step => tried(assessor, doc, now, travel, step) ?? [])
  return {
    now: travel,
    wouldDo: travel.boxMm && !travel.laid ? largerBox(travel.parts, travel.boxMm) : null,
    ways: ways.sort((a, b) => Number(b.fits) - Number(a.fits) || a.longestMm - b.longestMm),
  }
}

function tried(
  assessor: Assessor,
  doc: ProjectFile,
  now: Assessment,
  before: Travel,
  step: Step,
): Parting | null {
  const next = apply(doc, step.change)
  if (!admissible(next)) return null
  const after = travelOf(assessor.airframe(next), doc.brief.travelBoxMm)
  const fits = after.boxMm && after.laid !== null
  if (bulk(after) > LESS * bulk(before) && !(fits && !before.laid)) return null
  const then = assessor.assess(next)
  return {
    ...step,
    longestMm: after.longestMm,
    fits,
    grams: then.totals.massG - now.totals.massG,
    hours: hoursAnew(now, then),
    cost: costOf(then) - costOf(now),
    reserveAfter: then.strength.reserve,
  }
}

/** What takes up room: the boxes round all parts. */
const bulk = ({ parts }: Travel) =>
  parts.reduce((sum, { sizeMm }) => sum + sizeMm[0] * sizeMm[1] * sizeMm[2], 0)
/** Smaller by less than this share is no smaller. */
const LESS = 0.995

function stepsFor(assessor: Assessor, doc: ProjectFile): Step[] {
  const airframe = assessor.airframe(doc),
    { wing } = airframe
  const over = (part: CutPart, at: number) => gluedOver(airframe, part, at)
  const steps: Step[] = []
  const through = doc.spars.filter(spar => spar.surface === 'wing' && spar.through)
  if (through.length && through.some(spar => spar.fixing === 'bonded'))
    steps.push({
      id: 'halves',
      title: say`Halves that part: ${through.map(spar => spar.name).join(', ')} pushed in, not glued`,
      change: {
        spars: doc.spars.map(spar => (through.includes(spar) ? { ...spar, fixing: 'removable' } : spar)),
      },
    })
  if (doc.body?.saddle?.bolts === 0)
    steps.push({
      id: 'wing-off',
      title: 'A wing that comes off: two bolts through its seat',
      change: { body: { ...doc.body, saddle: { ...doc.body.saddle, bolts: 2 } } },
    })
  const tail = airframe.surfaces.horizontal ?? airframe.surfaces.vertical
  if (tail && doc.tail.screws === 0)
    steps.push({
      id: 'tail-off',
      title: 'A tail that comes off: two screws at the root of each surface',
      change: { tail: { ...doc.tail, screws: 2 } },
    })
  for (const part of ['wing', 'body'] as const) {
    const kind = part === 'wing' ? 'plug' : 'bolts'
    const middle = part === 'wing' ? wing.span / 2 : 0
    const cuts = doc.cuts[part]
      .filter(cut => cut.joint.kind !== kind)
      .sort((a, b) => Math.abs(a.atMm - middle) - Math.abs(b.atMm - middle))
      .slice(0, MOST_CUTS)
    for (const cut of cuts)
      steps.push({
        id: `${kind}-${part}-${cut.piece}`,
        title: say`The joint of the ${part} at ${q(cut.atMm, 'mm', 0)} ${kind === 'plug' ? 'plugged' : 'bolted'}, not glued${over(part, cut.atMm).length ? ', its spars pushed in' : ''}`,
        change: {
          spars: doc.spars.map(spar =>
            over(part, cut.atMm).includes(spar.id) ? { ...spar, fixing: 'removable' as const } : spar,
          ),
          cuts: {
            ...doc.cuts,
            [part]: doc.cuts[part].map(item =>
              item === cut ? { ...item, joint: { ...item.joint, kind } } : item,
            ),
          },
        },
      })
  }
  return steps
}
