import { describe, expect, it } from 'vitest'
import { createAssessor, type WingName, sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { ProjectFile } from '../../document'
import { LIBRARIES, recipeById } from '../../libraries'
import { nudgeSteps } from './nudge-steps'
import { neediest, nudges, WINGS, type Nudge } from './nudges'
import { DEEP } from '../../testing/runs'

const assessor = sharedAssessor()
const all = (doc: ProjectFile, wing: WingName): Promise<Nudge[]> =>
  nudges(assessor, doc, wing, [0, 1], () => true)
const [thistledown, plover] = DEMOS

describe('nudges', () => {
  it.runIf(DEEP).each(WINGS)(
    'for %s: taking one gives what it promised, and the ranking is that of plain trial of every step',
    async wing => {
      const list = await all(plover, wing),
        scratch = createAssessor(),
        before = scratch.assess(plover)
      const unit = {
        weight: 0.02 * plover.brief.targetMassG,
        hours: 0.02 * plover.brief.printHours,
        strength: 0.1,
        balance: (14 - 5) / 4,
      }
      const rows = nudgeSteps(plover, before, wing, LIBRARIES)
        .map(step => {
          const after = scratch.assess({ ...plover, ...step.change })
          const gain = (name: WingName) => {
            const cap = (margin: number) => (name === 'strength' ? Math.min(1, margin) : margin)
            return (cap(after.verdicts[name].margin) - cap(before.verdicts[name].margin)) / unit[name]
          }
          const harm = WINGS.filter(name => name !== wing).reduce(
            (sum, name) =>
              sum + Math.max(0, -gain(name)) * (after.verdicts[name].state === 'failing' ? 3 : 1),
            0,
          )
          const stops = (list: typeof after) =>
            list.findings.filter(
              f => f.severity === 'stop' && !f.code.startsWith('weak-') && !f.code.endsWith('-failing'),
            ).length
          return {
            id: step.id,
            score: gain(wing) / (0.25 + harm),
            help: gain(wing),
            built: stops(after) <= stops(before),
            value: after.verdicts[wing].value,
          }
        })
        .filter(row => row.built && row.help >= 0.05)
        .sort((a, b) => b.score - a.score || (a.id < b.id ? -1 : 1))
      expect(list.map(item => item.id)).toEqual(rows.map(row => row.id))
      list.forEach((item, i) => expect(item.after[wing]).toBeCloseTo(rows[i].value, 9))
      // Never towards the wrong side.
      for (const item of list)
        if (wing !== 'balance') expect(item.price[wing] * (wing === 'strength' ? 1 : -1)).toBeGreaterThan(0)
    },
    60_000,
  )
  it('a wing of two beads may be thin in the middle of its chord, one without carbon gets a printed spar', async () => {
    const filament = LIBRARIES.filaments.find(item => item.id === 'pla-foam')!
    const wing = plover.wing.panels[0].zone
    const doc: ProjectFile = {
      ...plover,
      spars: [],
      brief: { ...plover.brief, loadFactor: 14 },
      zones: plover.zones.map(zone =>
        zone.id === wing ? { ...zone, recipe: recipeById('beads', filament) } : zone,
      ),
    }
    const lighter = (await all(doc, 'weight')).find(item => item.id === `${wing}-thin-middle`)!,
      stronger = (await all(doc, 'strength')).find(item => item.id === `${wing}-spar-printed`)!
    const fresh = createAssessor(),
      before = fresh.assess(doc)
    const taken = (nudge: Nudge) => fresh.assess({ ...doc, ...nudge.change })
    expect(taken(lighter).totals.massG).toBeLessThan(before.totals.massG - 1)
    expect(lighter.after.weight).toBeCloseTo(taken(lighter).verdicts.weight.value, 9)
    expect(taken(stronger).strength.reserve).toBeGreaterThan(before.strength.reserve)
    expect(stronger.after.strength).toBeCloseTo(taken(stronger).verdicts.strength.value, 9)
  }, 60_000)
  it('shared between two workers they are the same; told to stop they stop', async () => {
    const whole = await all(plover, 'hours')
    const halves = (
      await Promise.all([0, 1].map(k => nudges(assessor, plover, 'hours', [k, 2], () => true)))
    ).flat()
    expect(halves.map(item => item.id).sort()).toEqual(whole.map(item => item.id).sort())
    let asked = 0
    await nudges(assessor, plover, 'hours', [0, 1], () => ++asked < 4)
    expect(asked).toBe(4)
  }, 60_000)
  it('the neediest wing is the one that fails', () => {
    expect(neediest(thistledown, assessor.assess(thistledown))).toBe('weight')
    const weak = { ...thistledown, brief: { ...thistledown.brief, targetMassG: 900, loadFactor: 12 } }
    expect(neediest(weak, assessor.assess(weak))).toBe('strength')
  })
})
