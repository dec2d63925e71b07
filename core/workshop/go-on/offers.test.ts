/** What counts as an offer, by an assessor whose answers are known: a piece weighs as its flow says. */
import { describe, expect, it } from 'vitest'
import type { Assessment, Assessor, PieceReport } from '../../assess'
import { DEMOS } from '../../demo'
import { recipeOf, type ProjectFile } from '../../document'
import { LIBRARIES } from '../../libraries'
import { goOn, LIKELY } from '.'
import { lighterWays } from './lighter-ways'

const [thistledown] = DEMOS
const DATE = '2026-11-01'
/** Grams at the demo's own flow, hours, and whether the scale has had it. */
const PIECES = [
  { id: 'wing-1-starboard', zone: 'wing-inner', grams: 20, hours: 2, weighed: true },
  { id: 'wing-1-port', zone: 'wing-inner', grams: 20, hours: 2, weighed: false },
  { id: 'wing-2-starboard', zone: 'wing-inner', grams: 30, hours: 3, weighed: false },
  { id: 'horizontal-1-port', zone: 'tail', grams: 10, hours: 1, weighed: false },
  { id: 'body-1', zone: 'body', grams: 50, hours: 4, weighed: true },
]
interface World {
  pieces?: typeof PIECES
  reserve?: (doc: ProjectFile) => number
  stops?: (doc: ProjectFile) => boolean
  /** A printed piece that a change of its neighbour reshapes. */
  reshaped?: (doc: ProjectFile, id: string) => number
}
function assessorOf({
  pieces: list = PIECES,
  reserve = () => 2,
  stops = () => false,
  reshaped = () => 1,
}: World = {}): Assessor {
  const flowOf = (doc: ProjectFile, piece: { id: string; zone: string }) =>
    recipeOf(doc, { ...piece, ribOf: null }).flow
  const assess = (doc: ProjectFile): Assessment => {
    const pieces = list.map(({ id, zone, grams, hours, weighed }) => {
      const predictedG =
        grams * (flowOf(doc, { id, zone }) / flowOf(thistledown, { id, zone })) * reshaped(doc, id)
      return {
        id,
        name: id,
        zone,
        predictedG,
        massG: predictedG,
        hours,
        weighedG: weighed ? grams : null,
        outdatedG: null,
      }
    }) as unknown as PieceReport[]
    const massG = 100 + pieces.reduce((sum, piece) => sum + (piece.weighedG ?? piece.predictedG), 0)
    return {
      pieces,
      strength: { reserve: reserve(doc) },
      findings: stops(doc) ? [{ severity: 'stop', target: false }] : [],
      forecast: {
        massG,
        massSigmaG: 3,
        chanceWeight: 1 / (1 + Math.exp(-(doc.brief.targetMassG - massG))),
        cgMm: 200,
        chanceBalance: 0.95,
        surprises: [],
      },
    } as unknown as Assessment
  }
  return { assess } as Assessor
}
const wanted = (targetMassG: number, more: Partial<ProjectFile> = {}): ProjectFile => ({
  ...thistledown,
  plates: [],
  spools: [],
  brief: { ...thistledown.brief, targetMassG },
  ...more,
})
const flowIn = (doc: ProjectFile, zone: string) => doc.zones.find(item => item.id === zone)!.recipe.flow
const asked = async (world: World, doc = wanted(228)) => (await goOn(assessorOf(world), doc, DATE))!

describe('offers for what is left', () => {
  it('zones with nothing left are not offered; what is begun keeps its grams, hours are those of the rest', async () => {
    const { offers, now, begun, left } = await asked({})
    expect([begun, left]).toEqual([3, 2])
    expect(now.massG).toBe(230)
    expect(now.hoursLeft).toBe(3 + 1)
    expect(new Set(offers.map(offer => offer.id.replace(/-flow-.*/, '')))).toEqual(
      new Set(['wing-inner', 'tail', 'first-2']),
    )
    const least = offers.find(offer => offer.id === 'wing-inner-flow-0.88')!
    const flow = flowIn(thistledown, 'wing-inner')
    expect(least.savesG).toBeCloseTo(30 * (1 - Math.round(88 * flow) / 100 / flow), 9)
    // Both zones together save the sum of what each saves at most.
    const tail = offers.find(offer => offer.id === 'tail-flow-0.88')!
    const both = offers.find(offer => offer.id === 'first-2')!
    expect(both.savesG).toBeCloseTo(least.savesG + tail.savesG, 9)
    expect(both.change.asPrinted!.map(item => item.piece).sort()).toEqual(['body-1', 'wing-1'])
  })

  it('as many zones are joined as it takes, and the strongest of what is likely is meant', async () => {
    // Alone the wing's least flow is enough: nothing is joined to it but what it takes.
    const weak = (doc: ProjectFile) => 2 - (flowIn(thistledown, 'wing-inner') - flowIn(doc, 'wing-inner'))
    const { verdict, take, offers } = await asked({ reserve: weak }, wanted(230.5))
    expect(verdict).toBe('change')
    const likely = offers.filter(offer => offer.chanceWeight >= LIKELY)
    expect(likely.length).toBeGreaterThan(1)
    expect(offers.find(offer => offer.id === take)!.reserve).toBe(
      Math.max(...likely.map(offer => offer.reserve)),
    )
  })

  it('only zones with something left are tried, and joined no further than it takes', async () => {
    let ways = 0
    await goOn(assessorOf(), wanted(228), DATE, (_, of) => (ways = of) > 0)
    const zones = thistledown.zones.filter(zone => ['wing-inner', 'tail'].includes(zone.id))
    expect(ways).toBe(zones.reduce((sum, zone) => sum + lighterWays(wanted(228), zone, LIBRARIES).length, 0))
    // With an outer wing of 24 g left as well, the two that save most are enough for one target and not for another.
    const pieces = [...PIECES, { id: 'wing-4-port', zone: 'wing-outer', grams: 24, hours: 2, weighed: false }]
    const joined = async (targetG: number) =>
      (await asked({ pieces }, wanted(targetG))).offers.filter(offer => offer.id.startsWith('first-')).length
    expect(await joined(251)).toBe(1)
    expect(await joined(248)).toBe(2)
  })

  it('what brings up a stop or falls below a reserve of 1 does not hold; what was below 1 before may stay there', async () => {
    const changed = (doc: ProjectFile) => flowIn(doc, 'tail') < flowIn(thistledown, 'tail')
    const holds = async (world: World) =>
      new Map((await asked(world)).offers.map(offer => [offer.id, offer.holds]))
    const stopped = await holds({ stops: changed })
    expect([stopped.get('tail-flow-0.88'), stopped.get('wing-inner-flow-0.88')]).toEqual([false, true])
    const weaker = await holds({ reserve: doc => (changed(doc) ? 0.99 : 1.4) })
    expect([weaker.get('tail-flow-0.88'), weaker.get('wing-inner-flow-0.88')]).toEqual([false, true])
    const poor = await holds({ reserve: () => 0.8 })
    expect([...poor.values()].every(Boolean)).toBe(true)
    const poorer = await holds({ reserve: doc => (changed(doc) ? 0.79 : 0.8) })
    expect(poorer.get('tail-flow-0.88')).toBe(false)
    // Stops that were there before are nothing new.
    const before = await holds({ stops: () => true })
    expect([...before.values()].every(Boolean)).toBe(true)
  })

  it('a printed piece that a change reshapes is named, and the change not meant', async () => {
    const { offers } = await asked({
      reshaped: (doc, id) =>
        id === 'body-1' && flowIn(doc, 'tail') < flowIn(thistledown, 'tail') ? 1.01 : 1,
    })
    const tail = offers.find(offer => offer.id === 'tail-flow-0.88')!
    expect([tail.misfits, tail.holds]).toEqual([['body-1'], false])
    expect(offers.find(offer => offer.id === 'wing-inner-flow-0.88')!.misfits).toEqual([])
  })

  it('with everything printed there is nothing to offer', async () => {
    const all = PIECES.filter(piece => !piece.weighed).map(({ id }) => ({
      piece: id,
      xMm: 0,
      yMm: 0,
      turnDeg: 0,
    }))
    const plate = {
      ...{ id: 'p', printer: thistledown.printers[0].id, pieces: all, state: 'done' as const },
      ...{ notBefore: null, begun: null, ended: null, spool: null, gramsOff: 0, fault: null },
    }
    expect(await asked({}, wanted(228, { plates: [plate] }))).toMatchObject({
      verdict: 'done',
      left: 0,
      offers: [],
    })
    // Still on the printer it is begun as well.
    const printing = wanted(228, { plates: [{ ...plate, state: 'printing' }] })
    expect(await asked({}, printing)).toMatchObject({ verdict: 'done', left: 0 })
    expect((await asked({}, wanted(228, { plates: [{ ...plate, state: 'waiting' }] }))).left).toBe(2)
  })
})
