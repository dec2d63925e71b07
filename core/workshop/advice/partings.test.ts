import { describe, expect, it } from 'vitest'
import { createAssessor, travelOf, sharedAssessor } from '../../assess'
import { apply } from '../../change'
import { DEMOS } from '../../demo'
import type { ProjectFile } from '../../document'
import { drafted } from '../../testing/changed'
import { runs } from '../../testing/runs'
import { partings } from './partings'

const assessor = sharedAssessor()
const [thistledown, plover] = DEMOS
const inBox = (travelBoxMm: ProjectFile['brief']['travelBoxMm'], doc = thistledown) =>
  drafted(doc, draft => {
    draft.brief.travelBoxMm = travelBoxMm
  })

describe('ways to carry it in less room', () => {
  it('each is what the assessment says of it, from scratch, and takes less room than before', () => {
    const doc = inBox([960, 420, 300])
    const { now, ways } = partings(assessor, doc)
    expect(now.laid).toBeNull()
    expect(travelOf(assessor.airframe(doc), partings(assessor, doc).wouldDo).laid).not.toBeNull()
    expect(ways.map(way => way.id)).toEqual(
      expect.arrayContaining(['halves', 'plug-wing-2', 'plug-wing-3', 'plug-wing-4', 'bolts-body-2']),
    )
    const room = ({ parts }: typeof now) => parts.reduce((sum, { sizeMm: [a, b, c] }) => sum + a * b * c, 0)
    for (const way of ways.filter((_, i) => i % runs(1, 8) === 0)) {
      const next = apply(doc, way.change),
        fresh = createAssessor(),
        after = fresh.assess(next),
        then = travelOf(fresh.airframe(next), next.brief.travelBoxMm)
      expect(way.longestMm).toBeCloseTo(then.longestMm, 9)
      expect(way.fits).toBe(then.laid !== null)
      expect(way.reserveAfter).toBeCloseTo(after.strength.reserve, 9)
      expect(way.grams).toBeCloseTo(after.totals.massG - assessor.assess(doc).totals.massG, 6)
      expect(room(then)).toBeLessThan(room(now))
    }
    // Half of 1.2 m beside a body of 0.94 m: now it goes in, and those that do stand first.
    expect(ways[0]).toMatchObject({ fits: true })
    expect(ways.map(way => way.fits)).toEqual(ways.map(way => way.fits).sort((a, b) => Number(b) - Number(a)))
  })
  it('a wing that is glued on can be bolted; what parts already is not offered again', () => {
    const glued = drafted(thistledown, draft => {
      draft.body!.saddle!.bolts = 0
    })
    expect(partings(assessor, glued).ways.map(way => way.id)).toContain('wing-off')
    const parted = drafted(thistledown, draft => {
      for (const spar of draft.spars) if (spar.through) spar.fixing = 'removable'
    })
    expect(partings(assessor, parted).ways.map(way => way.id)).not.toContain('halves')
  })
  it('where nobody asks for a box nothing fits or fails, and a flying wing has its own ways', () => {
    const { ways } = partings(assessor, inBox(null, plover))
    expect(ways.every(way => way.fits === null)).toBe(true)
    for (const way of ways)
      expect(way.longestMm).toBeLessThanOrEqual(travelOf(assessor.airframe(plover), null).longestMm)
  })
  it('over a joint both caps of a spar are pushed in with it, whatever it is called', () => {
    const caps = drafted(thistledown, draft => {
      const main = draft.spars.find(spar => spar.id === 'main-spar')!
      Object.assign(main, { id: 'main-top', lay: 'caps', stock: 'strip-1x3' })
    })
    const plug = partings(assessor, caps).ways.find(way => way.id === 'plug-wing-3')!
    expect(plug.change.spars!.find(spar => spar.id === 'main-top')!.fixing).toBe('removable')
    const whole = drafted(thistledown, draft => {
      draft.spars.find(spar => spar.id === 'main-spar')!.id = 'main-top'
    })
    const other = partings(assessor, whole).ways.find(way => way.id === 'plug-wing-3')!
    expect(other.change.spars!.find(spar => spar.id === 'main-top')!.fixing).toBe('removable')
  })
})
