/** What is printed stays as it was printed, and what is left is all that an offer changes. */
import { beforeAll, describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { withZone } from '../../change'
import { DEMOS } from '../../demo'
import { checkProject, held, pairOf, type ProjectFile } from '../../document'
import { begunPieces, EVEN, goOn, reprintsOf, verdictOf, type GoOn } from '.'

const [THISTLEDOWN] = DEMOS
const assessor = sharedAssessor()
const DATE = '2026-11-01'
const inner = THISTLEDOWN.zones.find(zone => zone.id === 'wing-inner')!
/** The inner wing laid with a tenth less. */
const thinner = (doc: ProjectFile): ProjectFile =>
  withZone(doc, {
    ...inner,
    recipe: { ...inner.recipe, flow: Math.round(90 * inner.recipe.flow) / 100 },
  })
const share = Math.round(90 * inner.recipe.flow) / 100 / inner.recipe.flow
const massOf = (doc: ProjectFile, id: string) =>
  assessor.assess(doc).pieces.find(piece => piece.id === id)!.predictedG

describe('pieces that stay as they were printed', () => {
  const before = assessor.assess(THISTLEDOWN)
  const own = before.pieces.filter(piece => piece.zone === inner.id)
  const first = own[0]
  const kept = { ...THISTLEDOWN, asPrinted: held(THISTLEDOWN, [first], DATE) }

  it('holding changes nothing by itself', () => {
    const { totals, strength, flight } = assessor.assess(kept)
    expect(totals).toEqual(before.totals)
    expect(strength.reserve).toBe(before.strength.reserve)
    expect(flight.stallMs).toBe(before.flight.stallMs)
  })

  it('a zone that is laid thinner takes a tenth off every piece but the held one and its mirror image', () => {
    const after = assessor.assess(thinner(kept))
    for (const piece of own) {
      const now = after.pieces.find(item => item.id === piece.id)!
      const stays = pairOf(piece.id) === pairOf(first.id)
      expect(now.predictedG / piece.predictedG, piece.id).toBeCloseTo(stays ? 1 : share, 9)
      expect(now.asPrinted).toBe(stays)
    }
    // Its mirror image weighs as much on the other side.
    const pair = after.pieces.filter(piece => pairOf(piece.id) === pairOf(first.id))
    expect(pair).toHaveLength(2)
    expect(pair[0].centreMm[1]).toBeCloseTo(-pair[1].centreMm[1], 9)
    expect(pair[0].predictedG).toBe(pair[1].predictedG)
  })

  it('a weighing of a held piece still counts after the zone has changed; that of one that follows does not', () => {
    const weighed = before.pieces.find(piece => piece.weighedG !== null && piece.zone === inner.id)!
    const find = (doc: ProjectFile) => assessor.assess(doc).pieces.find(piece => piece.id === weighed.id)!
    expect(find(thinner(THISTLEDOWN))).toMatchObject({ weighedG: null, outdatedG: weighed.weighedG })
    const stays = { ...THISTLEDOWN, asPrinted: held(THISTLEDOWN, [weighed], DATE) }
    expect(find(thinner(stays))).toMatchObject({ weighedG: weighed.weighedG, outdatedG: null })
  })

  it('the wing bears with the skin that is there: held, a zone made weaker takes nothing from it', () => {
    const weak = (doc: ProjectFile) =>
      doc.zones.reduce(
        (next, zone) =>
          zone.id.startsWith('wing')
            ? withZone(next, { ...zone, recipe: { ...zone.recipe, flow: 0.75 * zone.recipe.flow } })
            : next,
        doc,
      )
    const wings = before.pieces.filter(piece => piece.part === 'wing')
    const all = { ...THISTLEDOWN, asPrinted: held(THISTLEDOWN, wings, DATE) }
    const bending = (doc: ProjectFile) => assessor.assess(doc).strength.stations.map(({ reserve }) => reserve)
    const asItWas = bending(THISTLEDOWN),
      held_ = bending(weak(all)),
      followed = bending(weak(THISTLEDOWN))
    // Lighter moving parts and joints are not in play: all of the wing is held, mass and all.
    held_.forEach((reserve, i) => expect(reserve).toBeCloseTo(asItWas[i], 6))
    expect(Math.min(...followed)).toBeLessThan(0.97 * Math.min(...asItWas))
  })

  it('a body piece keeps its walls: lids and features round it, too', () => {
    const body = before.pieces.filter(piece => piece.part === 'body')
    const zone = THISTLEDOWN.zones.find(item => item.id === body[0].zone)!
    const all = { ...THISTLEDOWN, asPrinted: held(THISTLEDOWN, body, DATE) }
    const more = (doc: ProjectFile) =>
      withZone(doc, { ...zone, recipe: { ...zone.recipe, walls: zone.recipe.walls + 1 } })
    for (const { id, predictedG } of body) expect(massOf(more(all), id), id).toBe(predictedG)
    expect(massOf(more(THISTLEDOWN), body[0].id)).toBeGreaterThan(1.1 * body[0].predictedG)
    expect(assessor.assess(more(all)).strength.places).toEqual(before.strength.places)
  })

  it('a filament or a recipe that cannot be is refused with its place', () => {
    const wrong = JSON.parse(JSON.stringify(kept)) as ProjectFile
    wrong.asPrinted[0].recipe.beadWidthMm = 0.2
    wrong.asPrinted[0].recipe.layerHeightMm = 0.4
    expect(() => checkProject(wrong)).toThrow(/^asPrinted\[0\]\.recipe\.beadWidthMm: a bead 0\.2 mm wide/)
    const unknown = { ...kept, asPrinted: [{ ...kept.asPrinted[0], filament: 'moonstuff' }] }
    expect(
      assessor.assess(unknown).findings.some(item => JSON.stringify(item.text).includes('moonstuff')),
    ).toBe(true)
  })
})

describe('go on or stop', () => {
  let answer: GoOn
  beforeAll(async () => {
    answer = (await goOn(assessor, THISTLEDOWN, DATE))!
  })
  const { begun, rest } = begunPieces(THISTLEDOWN, assessor.assess(THISTLEDOWN))

  it('mirror images of what is begun belong to it', () => {
    const ids = new Set(begun.map(piece => pairOf(piece.id)))
    expect(rest.some(piece => ids.has(pairOf(piece.id)))).toBe(false)
    expect([answer.begun, answer.left]).toEqual([begun.length, rest.length])
  })

  it('an offer taken is what it said, and changes nothing that is begun', () => {
    const offer = answer.offers.find(item => item.id === answer.take)!
    const next = checkProject({ ...THISTLEDOWN, ...offer.change })
    const after = assessor.assess(next)
    expect(after.forecast.massG).toBeCloseTo(offer.massG, 6)
    expect(after.forecast.chanceWeight).toBeCloseTo(offer.chanceWeight, 9)
    expect(after.strength.reserve).toBeCloseTo(offer.reserve, 9)
    const was = new Map(assessor.assess(THISTLEDOWN).pieces.map(piece => [piece.id, piece]))
    for (const { id } of begun) {
      const piece = after.pieces.find(item => item.id === id)!
      expect(piece.predictedG, id).toBeCloseTo(was.get(id)!.predictedG, 9)
      expect(piece.weighedG).toBe(was.get(id)!.weighedG)
      expect(piece.asPrinted).toBe(true)
    }
  })

  it('less flow saves as its share of what the rest of the zone weighs, with what was learned of it', () => {
    const offer = answer.offers.find(item => item.id === 'wing-inner-flow-0.88')
    const zone = inner.recipe.flow
    const left = rest
      .filter(piece => piece.zone === inner.id)
      .reduce((sum, piece) => sum + piece.predictedG, 0)
    const share = 1 - Math.round(88 * zone) / 100 / zone
    // Glue goes by what is printed; what was learned makes the rest a percent or two heavier than predicted.
    const whole = share * left * (1 + THISTLEDOWN.allowances.glueShare)
    expect(offer!.savesG / whole).toBeGreaterThan(0.995)
    expect(offer!.savesG / whole).toBeLessThan(1.03)
  })

  it('what would reshape the joint of a printed piece is told, and not offered as holding', () => {
    const wall = answer.offers.find(item => item.id.endsWith('wall-less'))!
    expect(wall.misfits).toEqual(['Body 1'])
    expect(wall.holds).toBe(false)
  })

  it('the verdict goes by the worse of both chances and by offers that hold', () => {
    const at = (chanceWeight: number, chanceBalance = 0.95) => ({
      ...answer.now,
      chanceWeight,
      chanceBalance,
    })
    const offer = (chance: number) => ({ ...at(chance), id: `at ${chance}` })
    expect(answer.now.chanceWeight).toBeLessThan(EVEN)
    expect(answer.verdict).toBe('change')
    expect(verdictOf(at(0.9), 3, [offer(0.99)]).verdict).toBe('go-on')
    // Light enough, and out of balance: a battery that slides mends that.
    expect(verdictOf(at(0.9, 0.2), 3, []).verdict).toBe('balance')
    expect(verdictOf(at(0.4, 0.2), 3, []).verdict).toBe('stop')
    expect(verdictOf(at(0.3), 3, [offer(0.45)]).verdict).toBe('stop')
    expect(verdictOf(at(0.3), 3, [offer(0.6)])).toEqual({ verdict: 'change', take: 'at 0.6' })
    expect(verdictOf(at(0.6), 3, [offer(0.55)]).verdict).toBe('even')
    expect(verdictOf(at(0.3), 0, [offer(0.6)])).toEqual({ verdict: 'not-begun', take: null })
  })

  it('a heavy piece printed again saves what it is off from what the others say', () => {
    const [heavy] = THISTLEDOWN.weighIns
    const doc = {
      ...THISTLEDOWN,
      weighIns: THISTLEDOWN.weighIns.map(item =>
        item === heavy ? { ...item, massG: item.massG * 1.12 } : item,
      ),
    }
    const reprints = reprintsOf(assessor, doc, assessor.assess(doc))
    const again = reprints.find(item => item.piece === heavy.piece)!
    const others = assessor.assess({
      ...doc,
      weighIns: doc.weighIns.filter(item => item !== doc.weighIns[0]),
    })
    const saves = assessor.assess(doc).forecast.massG - others.forecast.massG
    expect(again.weighedG - again.expectedG).toBeCloseTo(saves, 9)
    // Nearly all of the twelve percent: the others came out a percent or two heavy themselves.
    expect(again.expectedG / (heavy.massG * 1.12)).toBeLessThan(0.94)
  })

  it('stops when told', async () => {
    let told = 0
    expect(await goOn(assessor, THISTLEDOWN, DATE, () => ++told < 3)).toBeNull()
    expect(told).toBe(3)
  })
})
