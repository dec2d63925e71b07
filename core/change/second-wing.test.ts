import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import { readProject, writeProject } from '../document'
import { apply } from './change'
import { stops } from './price'
import { withSecondWing } from './second-wing'

const [thistledown, plover] = DEMOS
const assessor = sharedAssessor()

describe('a second wing that is asked for', () => {
  it.each(['over', 'under', 'behind'] as const)(
    '%s the first: a sound document, held, spars and all',
    place => {
      const doc = apply(thistledown, withSecondWing(thistledown, place))
      expect(readProject(writeProject(doc))).toEqual(doc)
      const { findings, struts, strength } = assessor.assess(doc)
      expect(findings.map(finding => finding.code)).not.toContain('second-wing-unheld')
      expect(findings.map(finding => finding.code)).not.toContain('strut-loose')
      expect(struts).toHaveLength({ over: 4, under: 2, behind: 0 }[place])
      expect(strength.places.find(item => item.part === 'second')!.reserve).toBeGreaterThan(0.5)
      expect(stops(assessor.assess(doc))).toBe(stops(assessor.assess(thistledown)))
    },
  )
  it('stands a chord over the first and a quarter ahead, or as far behind under it', () => {
    const root = thistledown.wing.rootChordMm
    const over = withSecondWing(thistledown, 'over').second!,
      under = withSecondWing(thistledown, 'under').second!
    expect(over.zMm - thistledown.wing.zMm).toBeCloseTo(root, 0)
    expect(thistledown.wing.xMm - over.xMm).toBeCloseTo(root / 4, 0)
    expect(under.xMm - thistledown.wing.xMm).toBeCloseTo(root / 4, 0)
    expect(under.zMm).toBeLessThan(thistledown.wing.zMm)
  })
  it('goes again with all that was its own, and can be set elsewhere', () => {
    const over = apply(thistledown, withSecondWing(thistledown, 'over'))
    expect(apply(over, withSecondWing(over, null))).toEqual(thistledown)
    const under = apply(over, withSecondWing(over, 'under'))
    expect(under).toEqual(apply(thistledown, withSecondWing(thistledown, 'under')))
  })
  it('on a flying wing without a body hangs on struts between the wings alone', () => {
    const doc = apply(plover, withSecondWing(plover, 'over'))
    expect(doc.struts.every(strut => strut.from.on === 'wing')).toBe(true)
    expect(Number.isFinite(assessor.assess(doc).strength.reserve)).toBe(true)
  })
})
