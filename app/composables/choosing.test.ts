import { describe, expect, it } from 'vitest'
import { DEMOS } from '../../core/demo'
import { dimensions } from '../../core/study/combinations'
import { sizeChoices } from '../../core/study/sizes'
import { proposals } from './sizes'
import { countOf, NO_MUSTS, sparOffers, STARTS, varyOf, zoneOffers } from './studies'

const [thistledown] = DEMOS
const none = { ...NO_MUSTS, balance: false, strength: false }
const zoneOf = (id: string) => thistledown.zones.find(zone => zone.id === id)!

describe('what a study is offered', () => {
  it('its own recipe a step on, filaments in every school with those on the shelf first; stock of the same kind, and leaving it out', () => {
    const titles = (id: string) => zoneOffers(thistledown, zoneOf(id)).map(item => item.title)
    expect(titles('nose')).toEqual(
      expect.arrayContaining(['4 beads', '2 beads', 'PLA, foaming: two beads, hollow']),
    )
    expect(titles('tail')).toEqual(expect.arrayContaining(['6.0 % infill', '1.5 % infill']))
    expect(titles('wing-outer')).toEqual(expect.arrayContaining(['webs every 48 mm', 'webs every 21 mm']))
    expect(titles('wing-outer').some(title => title.endsWith('beads') && /^\d/.test(title))).toBe(false)
    const filaments = titles('nose').filter(title => title.includes(':'))
    expect(filaments.findIndex(title => title.startsWith('PETG'))).toBeGreaterThan(
      filaments.findLastIndex(title => title.startsWith('PLA, foaming')),
    )
    const stock = sparOffers('tube-8x6').map(item => item.value)
    expect(stock).toContain('tube-10x8')
    expect(stock).toContain('')
    expect(stock.some(id => id === 'tube-8x6' || id.startsWith('rod') || id.startsWith('wire'))).toBe(false)
  })
  it('the present choice is always among the options; what is gone from the design is passed over', () => {
    const picked = zoneOffers(thistledown, zoneOf('nose'))[0].value
    const vary = varyOf(
      thistledown,
      { nose: [picked], 'no-such-zone': [picked], tail: [] },
      { 'main-spar': ['tube-10x8', ''] },
      { ...none, balance: true, hours: true, cost: 40, heatC: 70 },
    )
    expect(Object.keys(vary.zones)).toEqual(['nose'])
    expect(vary.spars).toEqual({ 'main-spar': ['tube-8x6', 'tube-10x8', null] })
    expect(vary.must).toEqual({
      staticMarginPct: thistledown.brief.staticMarginPct,
      hoursMax: thistledown.brief.printHours,
      costMax: 40,
      softeningMinC: 70,
    })
    expect(countOf(vary)).toBe(6)
    const [zone] = dimensions(thistledown, vary).filter(item => item.key === 'zone:nose')
    expect(zone.options[0].zone).toBe(thistledown.zones[0])
    expect(zone.options[0].label).toContain('(as it is)')
  })
  it('whole sets to start from: each a space that the study takes', () => {
    for (const set of STARTS) {
      const zones: Record<string, string[]> = set.zones
          ? Object.fromEntries(thistledown.zones.map(zone => [zone.id, set.zones!(thistledown, zone)]))
          : {},
        spars: Record<string, string[]> = set.spars
          ? { 'main-spar': set.spars('tube-8x6'), 'rear-rod': set.spars('rod-3') }
          : {}
      const list = dimensions(thistledown, varyOf(thistledown, zones, spars, none))
      expect(list.length, set.id).toBeGreaterThan(1)
      for (const item of list)
        expect(new Set(item.options.map(option => option.label)).size, `${set.id}: ${item.label}`).toBe(
          item.options.length,
        )
    }
    expect(STARTS.find(set => set.id === 'spars')!.spars!('tube-8x6').sort()).toEqual([
      'tube-10x8',
      'tube-6x4',
    ])
  })
})

it('sizes begin with the next stock down and the next two up', () => {
  expect(proposals(sizeChoices(thistledown)!.choices)).toEqual(['tube-6x4', 'tube-10x8', 'tube-12x10'])
  expect(proposals([{ stock: 'only', factor: 1 }])).toEqual([])
})
