import { describe, expect, it } from 'vitest'
import { written } from '../../units'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { Leg, ProjectFile } from '../../document'
import { LIBRARIES } from '../../libraries'
import { mend } from './mend'
import { sparChoices } from './spar-choices'
import { runs } from '../../testing/runs'
import { weaknesses } from './weakness'
import { apply } from '../../change'
import { drafted } from '../../testing/changed'

const assessor = sharedAssessor()
const changed = (change: (draft: ProjectFile) => void, base = DEMOS[0]): ProjectFile => drafted(base, change)
const leg: Leg = {
  id: 'main',
  name: 'Main leg',
  kind: 'wire',
  xMm: 225,
  yMm: 25,
  zMm: -40,
  dropMm: 90,
  splayMm: 60,
  thicknessMm: 3,
  widthMm: 4,
  zone: 'body',
  springNmm: 1,
  travelMm: 20,
  coil: null,
  wheelMm: 55,
  tyreMm: 6,
  wheelG: 9,
  printedWheel: null,
  pair: true,
  mount: { lengthMm: 60, widthMm: 8, depthMm: 8 },
}
const main = (doc: ProjectFile) => doc.spars.find(spar => spar.id === 'main-spar')!

/** Each makes another place the weakest. */
const FAILING: Array<[string, RegExp, (draft: ProjectFile) => void]> = [
  [
    'no carbon at all',
    /^wing/,
    d => {
      d.spars = d.spars.filter(spar => spar.surface !== 'wing')
    },
  ],
  [
    'a spar that stops in the middle of a panel, flown hard',
    /^wing/,
    d => {
      main(d).toMm = 330
      d.brief.loadFactor = 9
    },
  ],
  [
    'halves that only butt in the middle',
    /^wing-.*-middle/,
    d => {
      d.spars = d.spars.filter(spar => spar.id !== 'joiner')
      d.brief.loadFactor = 8
    },
  ],
  [
    'a short joiner pushed in',
    /joiner in its socket/,
    d => {
      const j = d.spars.find(spar => spar.id === 'joiner')!
      j.fixing = 'removable'
      j.toMm = 45
    },
  ],
  [
    'carbon bent over the break',
    /bent spar|spar alone|skin buckling/,
    d => {
      main(d).route = 'bent'
      d.brief.loadFactor = 7
    },
  ],
  [
    'caps of thin strip',
    /^wing/,
    d => {
      main(d).stock = 'strip-1x3'
      main(d).lay = 'caps'
      d.brief.loadFactor = 9
    },
  ],
  [
    'a thin boom',
    /boom-bending/,
    d => {
      d.boom!.stock = 'rod-3'
    },
  ],
  [
    'a boom in a shallow socket',
    /boom-in-its-socket/,
    d => {
      d.boom!.socketMm = 12
    },
  ],
  [
    'one bead round a hatch',
    /^body/,
    d => {
      d.brief.dropMm = 120
      d.zones.find(zone => zone.id === 'body')!.recipe.walls = 1
    },
  ],
  [
    'a single wing bolt',
    /wing-bolt/,
    d => {
      d.body!.saddle!.bolts = 1
      d.brief.loadFactor = 9
      d.zones.find(zone => zone.id === 'body')!.recipe.walls = 4
      d.spars.find(s => s.id === 'joiner')!.stock = 'tube-10x8'
      d.spars.find(s => s.id === 'joiner')!.toMm = 200
    },
  ],
  [
    'wire legs that are too thin',
    /main-leg/,
    d => {
      d.brief.landing = 'wheels'
      d.brief.dropMm = 200
      d.gear = [{ ...leg, thicknessMm: 1.5 }]
    },
  ],
  [
    'a mount too small for its leg',
    /main-(bearing|around)/,
    d => {
      d.brief.landing = 'wheels'
      d.gear = [{ ...leg, mount: { lengthMm: 8, widthMm: 3, depthMm: 0.8 } }]
    },
  ],
  [
    'a printed leg',
    /main/,
    d => {
      d.brief.landing = 'wheels'
      d.gear = [{ ...leg, kind: 'printed', thicknessMm: 2, widthMm: 12, zone: 'nose' }]
    },
  ],
  [
    'a sprung leg that bottoms',
    /main/,
    d => {
      d.brief.landing = 'wheels'
      d.gear = [
        {
          ...leg,
          kind: 'sprung',
          springNmm: 0.4,
          travelMm: 8,
          coil: null,
          mount: { lengthMm: 14, widthMm: 4, depthMm: 1 },
        },
      ]
    },
  ],
]

describe('every failing mode has a remedy that, applied, passes', () => {
  it.each(FAILING.filter((_, i) => i % runs(1, 9) === runs(0, 2)))(
    '%s',
    (_, place, change) => {
      const doc = changed(change),
        [weakness] = weaknesses(assessor.assess(doc))
      expect(weakness.reserve).toBeLessThan(1)
      expect(weakness.id).toMatch(place)
      const { all, single } = mend(assessor, doc)
      expect(all).not.toBeNull()
      // From scratch: nothing remembered of the way there.
      const mended = sharedAssessor().assess(apply(doc, all!.change))
      expect(mended.strength.reserve).toBeGreaterThanOrEqual(1)
      expect(mended.strength.reserve).toBeCloseTo(all!.reserveAfter, 9)
      expect(mended.findings.filter(finding => finding.code.startsWith('weak-'))).toEqual([])
      // What mends it stands before what only helps.
      const flags = single.map(item => item.mends)
      expect([...flags].sort((a, b) => Number(b) - Number(a))).toEqual(flags)
    },
    120_000,
  )
  it('nothing to mend, nothing offered', () => {
    expect(mend(assessor, DEMOS[0])).toEqual({ weakness: null, single: [], all: null })
  })
})

describe('what a spar could be instead', () => {
  it('each is what the assessment says of it; leaving the main spar out is the lightest and the weakest', () => {
    const list = sparChoices(assessor, DEMOS[0])
    const main = list.filter(choice => choice.spar === 'main-spar')
    for (const item of main.filter((_, i) => i % runs(1, 5) === 0)) {
      const after = sharedAssessor().assess(apply(DEMOS[0], item.change))
      expect(after.strength.wing.reserve).toBeCloseTo(item.reserve, 9)
      expect(after.totals.massG - assessor.assess(DEMOS[0]).totals.massG).toBeCloseTo(item.grams, 6)
    }
    const own = list.filter(choice => choice.spar === 'main-spar'),
      out = own.find(choice => choice.id === 'out')!
    expect(out.reserve).toBe(Math.min(...own.map(choice => choice.reserve)))
    expect(out.grams).toBe(Math.min(...own.map(choice => choice.grams)))
    expect(out.cost).toBeLessThan(0)
    // Next size of the same kind, and never wire for carbon.
    expect(written(own.find(choice => choice.id === 'size more')!.title)).toBe(
      LIBRARIES.stock.find(item => item.id === 'tube-10x8')!.name,
    )
    expect(written(own.find(choice => choice.id === 'size less')!.title)).toBe(
      LIBRARIES.stock.find(item => item.id === 'tube-6x4')!.name,
    )
  })
})
