import { describe, expect, it } from 'vitest'
import { DEMOS } from '../../core/demo'
import { dimensions, sizeChoices } from '../../core/study'
import { proposals } from './sizes'
import { countOf, sparOffers, varyOf, zoneOffers } from './studies'

const [thistledown] = DEMOS
const none = { weight: false, balance: false, strength: false, hours: false, shelf: false }

describe('what a study is offered', () => {
  it('filaments at hand in every school; stock of the same kind, and leaving it out', () => {
    const offers = zoneOffers(thistledown)
    expect(offers.some(item => item.title.startsWith('PLA, foaming: two beads'))).toBe(true)
    expect(offers.some(item => item.title.startsWith('TPU'))).toBe(false)
    const stock = sparOffers('tube-8x6').map(item => item.value)
    expect(stock).toContain('tube-10x8')
    expect(stock).toContain('')
    expect(stock.some(id => id === 'tube-8x6' || id.startsWith('rod') || id.startsWith('wire'))).toBe(false)
  })
  it('the present choice is always among the options; what is gone from the design is passed over', () => {
    const picked = zoneOffers(thistledown)[0].value
    const vary = varyOf(thistledown, { 'nose': [picked], 'no-such-zone': [picked], 'tail': [] }, { 'main-spar': ['tube-10x8', ''] }, { ...none, balance: true, hours: true })
    expect(Object.keys(vary.zones)).toEqual(['nose'])
    expect(vary.spars).toEqual({ 'main-spar': ['tube-8x6', 'tube-10x8', null] })
    expect(vary.must).toEqual({ staticMarginPct: thistledown.brief.staticMarginPct, hoursMax: thistledown.brief.printHours })
    expect(countOf(vary)).toBe(6)
    const [zone] = dimensions(thistledown, vary).filter(item => item.key === 'zone:nose')
    expect(zone.options[0].zone).toBe(thistledown.zones[0])
    expect(zone.options[0].label).toContain('(as it is)')
  })
})

it('sizes begin with the next stock down and the next two up', () => {
  expect(proposals(sizeChoices(thistledown)!.choices)).toEqual(['tube-6x4', 'tube-10x8', 'tube-12x10'])
  expect(proposals([{ stock: 'only', factor: 1 }])).toEqual([])
})
