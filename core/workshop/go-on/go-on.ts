/**
 * Go on or stop: what the grams that are still to print can mend. Every offer is assessed whole, with what is printed
 * held as it was printed, and forecast with what the weighings have taught.
 */
import type { Assessment, Assessor } from '../../assess'
import { admissible, apply, stops, withZone, type Change } from '../../change'
import { held, type ProjectFile } from '../../document'
import { LIBRARIES, type Libraries } from '../../libraries'
import { say, type Words } from '../../units'
import { begunPieces } from './begun'
import { lighterWays } from './lighter-ways'
import { reprintsOf, WORTH_G, type Reprint } from './reprints'
import { both, LIKELY, verdictOf, type GoOnVerdict, type Outlook } from './verdict'

export interface GoOnOffer extends Outlook {
  id: string
  title: Words
  /** Against going on as it is, g. */
  savesG: number
  /** Printed pieces that would no longer fit: what joins them is shaped by the piece beside them. */
  misfits: string[]
  /** Nothing that stops the build comes up, all fits, and strength is no less than it must be or than it was. */
  holds: boolean
  change: Change
}

export interface GoOn {
  verdict: GoOnVerdict
  now: Outlook
  targetG: number
  /** Pieces begun, their mirror images with them, and left. */
  begun: number
  left: number
  /** What saves anything, best chance of both targets first; then what would save but does not hold. */
  offers: GoOnOffer[]
  /** The offer that the verdict means. */
  take: string | null
  reprints: Reprint[]
}

/** A printed piece whose mass a change would move by more is shaped otherwise by it. */
const SAME_SHAPE = 1e-4
/** Offers that are told and such as do not hold. */
const TOLD = 10,
  TOLD_NOT = 3

function outlookOf({ forecast, strength, pieces }: Assessment, rest: ReadonlySet<string>): Outlook {
  const { massG, massSigmaG, chanceWeight, cgMm, chanceBalance } = forecast
  return {
    massG,
    massSigmaG,
    chanceWeight,
    cgMm,
    chanceBalance,
    reserve: strength.reserve,
    hoursLeft: pieces.reduce((sum, piece) => sum + (rest.has(piece.id) ? piece.hours : 0), 0),
  }
}

/**
 * `date` is noted with what is held. Takes some dozen assessments: `progress` is told after each, and false stops,
 * with null.
 */
export async function goOn(
  assessor: Assessor,
  doc: ProjectFile,
  date: string,
  progress: (done: number, of: number) => boolean | Promise<boolean> = () => true,
  libraries: Libraries = LIBRARIES,
): Promise<GoOn | null> {
  const before = assessor.assess(doc)
  const { begun, rest } = begunPieces(doc, before)
  const left = new Set(rest.map(piece => piece.id))
  const now = outlookOf(before, left)
  const zones = doc.zones.filter(zone => rest.some(piece => piece.zone === zone.id))
  const told = { now, targetG: doc.brief.targetMassG, begun: begun.length, left: rest.length }
  const reprints = reprintsOf(assessor, doc, before)
  if (rest.length === 0) return { ...told, verdict: 'done', offers: [], take: null, reprints }
  const asPrinted = held(doc, begun, date)
  const offered = (id: string, title: Words, change: Change): GoOnOffer | null => {
    const next = apply(doc, { ...change, asPrinted })
    if (!admissible(next)) return null
    const after = assessor.assess(next)
    const outlook = outlookOf(after, left)
    const misfits = begun
      .filter(piece => {
        const now = after.pieces.find(item => item.id === piece.id)
        return !now || Math.abs(now.predictedG - piece.predictedG) > SAME_SHAPE * piece.predictedG
      })
      .map(piece => piece.name)
    return {
      ...outlook,
      id,
      title,
      savesG: now.massG - outlook.massG,
      misfits,
      holds:
        misfits.length === 0 &&
        stops(after) <= stops(before) &&
        after.strength.reserve >= Math.min(1, before.strength.reserve) - 1e-9,
      change: { ...change, asPrinted },
    }
  }
  const best = new Map<string, { offer: GoOnOffer; zone: ProjectFile['zones'][number] }>()
  const offers: GoOnOffer[] = []
  const ways = zones.flatMap(zone => lighterWays(doc, zone, libraries))
  for (const [i, way] of ways.entries()) {
    if (!(await progress(i, ways.length))) return null
    const offer = offered(way.id, way.title, { zones: withZone(doc, way.zone).zones })
    if (!offer || offer.savesG < WORTH_G) continue
    offers.push(offer)
    if (offer.holds && offer.savesG > (best.get(way.zone.id)?.offer.savesG ?? 0))
      best.set(way.zone.id, { offer, zone: way.zone })
  }
  // What saves most in each zone, together: as many of them as it takes.
  const most = [...best.values()].sort((a, b) => b.offer.savesG - a.offer.savesG)
  for (let count = 2; count <= most.length; count++) {
    if (!(await progress(ways.length, ways.length))) return null
    const some = most.slice(0, count)
    const together = offered(`first-${count}`, joined(some.map(({ offer }) => offer.title)), {
      zones: some.reduce((next, { zone }) => withZone(next, zone), doc).zones,
    })
    if (!together) continue
    offers.push(together)
    if (both(together) >= LIKELY) break
  }
  const ranked = offers.toSorted((a, b) => rank(b, a)),
    hold = ranked.filter(offer => offer.holds)
  return {
    ...told,
    ...verdictOf(now, begun.length, hold),
    offers: [...hold.slice(0, TOLD), ...ranked.filter(offer => !offer.holds).slice(0, TOLD_NOT)],
    reprints,
  }
}

/** Of two that are likely enough, the stronger; else the better chance. */
const rank = (a: GoOnOffer, b: GoOnOffer): number =>
  both(a) >= LIKELY && both(b) >= LIKELY ? a.reserve - b.reserve : both(a) - both(b)

const joined = (titles: readonly Words[]): Words =>
  titles.slice(1).reduce((all, title) => say`${all}; ${title}`, titles[0])
