/** The whole assessment: it adds up, it remembers, and mass, balance and strength move as they must. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess, createAssessor } from './assess'
import { DEMOS } from './demo'
import { checkProject, type ProjectFile, type Recipe, type Surface } from './document'
import { LIBRARIES, recipeFor } from './libraries'
import { aircraft } from './testing/arbitraries'
import { buttCuts, plain, plainSurface } from './testing/plain'
import { polygonArea, outlineAt } from './geometry'
import { beadMassPerMm, insetField, wallBeads } from './printing'
import { runs } from './testing/runs'
import { changed } from './testing/changed'

const [thistledown, plover] = DEMOS
const copy = (doc: ProjectFile): ProjectFile => structuredClone(doc)
const school = (id: string, filament: string): Recipe =>
  recipeFor(
    LIBRARIES.schools.find(s => s.id === id)!,
    LIBRARIES.filaments.find(f => f.id === filament)!,
  )
const everyNumber = (value: unknown, visit: (n: number, path: string) => void, path = ''): void => {
  if (typeof value === 'number') visit(value, path)
  else if (typeof value === 'object' && value !== null)
    for (const [key, part] of Object.entries(value)) everyNumber(part, visit, `${path}.${key}`)
}
const bare = (doc: ProjectFile) =>
  changed(plain(doc), d => {
    d.weighIns = []
  })

describe('the whole assessment', () => {
  it('adds up: ledger, pieces and verdicts tell one story', () => {
    for (const demo of DEMOS) {
      const a = assess(demo)
      expect(a.ledger.reduce((sum, row) => sum + row.massG, 0)).toBeCloseTo(a.totals.massG, 9)
      expect(a.ledger.reduce((sum, row) => sum + row.massG * row.xMm, 0) / a.totals.massG).toBeCloseTo(
        a.totals.cgMm[0],
        9,
      )
      expect(a.verdicts.weight.value).toBe(a.totals.massG)
      expect(a.verdicts.weight.contributions.reduce((sum, c) => sum + c.value, 0)).toBeCloseTo(
        a.totals.massG,
        9,
      )
      expect(a.verdicts.hours.value).toBeCloseTo(
        a.pieces.reduce((sum, piece) => sum + piece.hours, 0),
        9,
      )
      // Shifts from the aim add up to the distance from the aim.
      expect(a.verdicts.balance.contributions.reduce((sum, c) => sum + c.value, 0)).toBeCloseTo(
        a.totals.cgMm[0] - a.flight.cgAimMm,
        6,
      )
      expect(a.strength.reserve).toBe(
        Math.min(...a.strength.stations.map(s => s.reserve), ...a.strength.places.map(p => p.reserve)),
      )
      expect(a.strength.wing.reserve).toBe(
        Math.min(...a.strength.cases.filter(c => c.counts).map(c => c.reserve)),
      )
    }
  })
  it('remembers: an assessor fed edit by edit answers as a fresh one', () => {
    const kept = createAssessor()
    let doc = thistledown
    const edits: Array<(d: ProjectFile) => void> = [
      d => {
        d.zones[2].recipe.walls = 2
      },
      d => {
        d.wing.panels[1].spanMm = 300
      },
      d => {
        d.cuts.wing = buttCuts(150, 270)
      },
      d => {
        d.spars[0].stock = 'tube-6x4'
      },
      d => {
        d.boom!.toMm = 900
      },
      d => {
        d.equipment[3].xMm = 120
      },
      d => {
        d.zones[2].filament = 'petg'
      },
      d => {
        d.tail.horizontal!.panels[0].spanMm = 240
      },
      d => {
        d.brief.loadFactor = 8
      },
      d => {
        d.wing.zMm = 60
      },
      d => {
        d.tail.horizontal!.yMm = 9
      },
      d => {
        d.wing.panels[1].dihedralDeg = 7
      },
      d => {
        d.body!.openings[0].widthMm = 38
      },
    ]
    for (const edit of edits.filter((_, i) => i % runs(1, 7) === 0)) {
      const next = changed(doc, edit)
      // Structure is shared as the page shares it.
      doc = {
        ...next,
        wing: JSON.stringify(next.wing) === JSON.stringify(doc.wing) ? doc.wing : next.wing,
        zones: JSON.stringify(next.zones) === JSON.stringify(doc.zones) ? doc.zones : next.zones,
        spars: JSON.stringify(next.spars) === JSON.stringify(doc.spars) ? doc.spars : next.spars,
      }
      const a = kept.assess(doc),
        b = createAssessor().assess(copy(doc))
      expect(a.totals).toEqual(b.totals)
      expect(a.strength.reserve).toBe(b.strength.reserve)
      expect(a.findings).toEqual(b.findings)
    }
  })
  it('any aircraft the schema admits gives figures, not NaN, and both sides weigh the same', () => {
    fc.assert(
      fc.property(aircraft, doc => {
        const a = assess(checkProject(doc))
        everyNumber(a, (n, path) => {
          if (!Number.isFinite(n) && !/reserve|modes|fill|contributions|margin|spread|value/.test(path))
            throw new Error(`${path} is ${n}`)
        })
        for (const wing of Object.values(a.verdicts)) expect(Number.isNaN(wing.value)).toBe(false)
        for (const piece of a.pieces.filter(p => p.side === 'port')) {
          const twin = a.pieces.find(p => p.id === piece.id.replace('port', 'starboard'))!
          expect(piece.predictedG).toBe(twin.predictedG)
          expect(piece.centreMm[1]).toBe(-twin.centreMm[1])
        }
      }),
      { numRuns: runs(60, 1) },
    )
  })
})

describe('printed mass', () => {
  it('a straight wing piece in one bead: perimeter at half a bead inside, times length, times bead mass', () => {
    const wing: Surface = {
      ...plainSurface(thistledown.wing),
      incidenceDeg: 0,
      panels: [{ ...thistledown.wing.panels[0], spanMm: 100, dihedralDeg: 0 }],
    }
    const recipe = { ...school('beads', 'pla'), walls: 1 }
    const doc = changed(plain(thistledown), d => {
      Object.assign(d, { wing, spars: [], weighIns: [], cuts: { ...d.cuts, wing: [] } })
      d.zones[2] = { ...d.zones[2], filament: 'pla', recipe }
    })
    const piece = assess(doc).pieces.find(p => p.id === 'wing-1-starboard')!
    const outline = outlineAt(createAssessor().airframe(doc).wing, 50)
    const perLayer = wallBeads(insetField([outline]), 1, recipe).outer
    expect(piece.predictedG).toBeCloseTo(
      perLayer * (100 / 0.25) * beadMassPerMm(recipe, LIBRARIES.filaments[0]) * 1000,
      6,
    )
    // And by hand: about 2.07 chords of 195 mm, 0.0991 mm² of 1.24 g/cm³, 400 layers.
    expect(piece.predictedG / (2.07 * 195 * 400 * 0.0990874 * 1.24e-3)).toBeCloseTo(1, 1)
  })
  it('the cut does not matter: pieces of a tapered wing add up to the wing in one', () => {
    const whole = changed(bare(thistledown), d => {
      d.cuts.wing = buttCuts(270)
      d.zones[3].recipe = d.zones[2].recipe
    })
    const cut = changed(whole, d => {
      d.cuts.wing = buttCuts(90, 180, 270, 333, 450)
    })
    const mass = (doc: ProjectFile) =>
      assess(doc)
        .pieces.filter(p => p.part === 'wing')
        .reduce((sum, p) => sum + p.predictedG, 0)
    expect(mass(cut) / mass(whole)).toBeCloseTo(1, 3)
  })
  it('twice the size: single walls weigh about four times, solid about eight', () => {
    const scale = (surface: Surface): Surface => ({
      ...surface,
      rootChordMm: 2 * surface.rootChordMm,
      panels: surface.panels.map(p => ({
        ...p,
        spanMm: 2 * p.spanMm,
        tipChordMm: 2 * p.tipChordMm,
        sweepMm: 2 * p.sweepMm,
      })),
    })
    const massOf = (recipe: Recipe, twice: boolean) => {
      const doc = changed(bare(thistledown), d => {
        d.spars = []
        d.cuts = { wing: [], second: [], winglet: [], horizontal: [], vertical: [], body: [] }
        for (const zone of d.zones) Object.assign(zone, { filament: 'pla', recipe })
        if (twice) d.wing = scale(d.wing)
      })
      return assess(doc)
        .pieces.filter(p => p.part === 'wing')
        .reduce((sum, p) => sum + p.predictedG, 0)
    }
    const wall = { ...school('beads', 'pla'), walls: 1 }
    expect(massOf(wall, true) / massOf(wall, false)).toBeCloseTo(4, 1)
    const solid = { ...school('solid', 'pla'), baseLayers: 0, topLayers: 0 }
    const ratio = massOf(solid, true) / massOf(solid, false)
    // The trailing edge stays as thick as two beads, so a little under eight.
    expect(ratio).toBeGreaterThan(7.6)
    expect(ratio).toBeLessThan(8.01)
  })
  it('solid plastic weighs its volume: area integrated along the span', () => {
    const recipe = { ...school('solid', 'pla'), baseLayers: 0, topLayers: 0 }
    const doc = changed(bare(thistledown), d => {
      d.spars = []
      d.cuts.wing = []
      d.zones[2] = { ...d.zones[2], filament: 'pla', recipe }
    })
    const { wing } = createAssessor().airframe(
      changed(doc, d => {
        d.wing.panels = [d.wing.panels[0]]
      }),
    )
    const flat = changed(doc, d => {
      d.wing.panels = [d.wing.panels[0]]
    })
    const mass = assess(flat).pieces.filter(p => p.id === 'wing-1-starboard')[0].predictedG
    const expected = polygonArea(outlineAt(wing, 135)).area * 270 * 1.24e-3
    expect(mass / expected).toBeCloseTo(1, 1)
  })
  it('foaming filament at the flow that fills the bead weighs 1/X of solid at the same walls', () => {
    const base = bare(thistledown)
    const foam = school('beads', 'pla-foam')
    const mass = (recipe: Recipe) =>
      assess(
        changed(base, d => {
          d.zones[3] = { ...d.zones[3], filament: 'pla-foam', recipe }
        }),
      ).pieces.find(p => p.id === 'wing-4-starboard')!.predictedG
    expect(mass(foam) / mass({ ...foam, flow: 1 })).toBeCloseTo(foam.flow, 6)
  })
})

describe('balance and flight', () => {
  it('moving a component moves the CG by exactly its moment; payload leaves with its mass', () => {
    const before = assess(thistledown)
    const after = assess(
      changed(thistledown, d => {
        d.equipment.find(e => e.id === 'battery')!.xMm += 20
      }),
    )
    expect(after.totals.cgMm[0] - before.totals.cgMm[0]).toBeCloseTo((112 * 20) / before.totals.massG, 9)
    expect(before.totals.massG - before.totals.emptyMassG).toBeCloseTo(60, 9)
  })
  it('moving wing and fins aft takes the neutral point along', () => {
    const a = assess(plover),
      b = assess(
        changed(plover, d => {
          d.wing.xMm += 50
          d.tail.vertical!.xMm += 50
        }),
      )
    expect(b.flight.neutralPointMm - a.flight.neutralPointMm).toBeCloseTo(50, 6)
  })
  it('a larger tailplane moves the neutral point aft; a stall speed goes with the root of the weight', () => {
    const a = assess(bare(thistledown))
    const b = assess(
      changed(bare(thistledown), d => {
        d.tail.horizontal!.panels[0].spanMm *= 1.3
      }),
    )
    expect(b.flight.neutralPointMm).toBeGreaterThan(a.flight.neutralPointMm + 3)
    const heavy = assess(
      changed(bare(thistledown), d => {
        d.equipment[3].massG += 2 * a.totals.massG
      }),
    )
    // The section limit gains a little with speed (Re^0.07), so slightly under √3.
    expect(heavy.flight.stallMs / a.flight.stallMs).toBeGreaterThan(1.6)
    expect(heavy.flight.stallMs / a.flight.stallMs).toBeLessThan(Math.sqrt(3) + 1e-9)
  })
  it('every tail kind assesses, and a V-tail counts in both volumes', () => {
    for (const kind of ['T', 'all-moving', 'none'] as const)
      expect(
        assess(
          changed(bare(thistledown), d => {
            d.tail.kind = kind
          }),
        ).flight.neutralPointMm,
      ).toBeGreaterThan(100)
    const v = assess(
      changed(bare(thistledown), d => {
        d.tail.kind = 'V'
        d.tail.horizontal!.cantDeg = 38
      }),
    )
    expect(v.plan.tailVolume).toBeGreaterThan(0.2)
    expect(v.pieces.some(p => p.part === 'vertical')).toBe(false)
  })
})

describe('strength', () => {
  const reserve = (change: (d: ProjectFile) => void) =>
    assess(changed(bare(thistledown), change)).strength.reserve
  it('half the load, twice the reserve', () => {
    // In still air: a gust of the demo's brief would be more than half of its pull-up.
    const still = changed(bare(thistledown), d => {
      d.brief.gustMs = 0
    })
    const a = assess(still),
      b = assess(
        changed(still, d => {
          d.brief.loadFactor /= 2
        }),
      )
    // Launch and landing stay as they are; everything of the pull-up halves, its speed squared too.
    expect(b.strength.cases[0].reserve / a.strength.cases[0].reserve).toBeCloseTo(2, 6)
    expect(
      reserve(d => {
        d.brief.safetyFactor = 3
      }) / reserve(() => {}),
    ).toBeCloseTo(0.5, 6)
  })
  it("the moment at the root is half the lift at its centre, less the wing's own weight", () => {
    const a = assess(
      changed(bare(thistledown), d => {
        d.spars = []
        d.equipment = d.equipment.filter(e => e.id !== 'aileron-servo')
      }),
    )
    const lift = (5 * a.totals.massG * 9.80665) / 2000
    const root = a.strength.stations[0]
    const wings = a.pieces.filter(p => p.part === 'wing' && p.side === 'starboard')
    const relief = wings.reduce(
      (sum, p) => sum + ((5 * 9.80665 * p.massG) / 1000) * ((p.fromMm + p.toMm) / 2000),
      0,
    )
    const line = a.strength.lift
    const area = line.reduce(
      (sum, p, i) =>
        i ? sum + (((p.s - line[i - 1].s) / 1000) * (p.perLength + line[i - 1].perLength)) / 2 : 0,
      0,
    )
    const arm = line.reduce((sum, p, i) => {
      if (!i) return 0
      const q = line[i - 1],
        d = (p.s - q.s) / 1000
      return sum + d * ((q.perLength * (2 * q.s + p.s) + p.perLength * (q.s + 2 * p.s)) / 6000)
    }, 0)
    expect(area).toBeCloseTo(lift, 6)
    expect(root.moment).toBeCloseTo(arm - relief, 4)
    expect(root.shear).toBeCloseTo(
      lift - wings.reduce((sum, p) => sum + (5 * 9.80665 * p.massG) / 1000, 0),
      4,
    )
  })
  it('where a spar stops, the reserve falls; running it further moves the weak place out', () => {
    const short = assess(
      changed(bare(thistledown), d => {
        d.spars[0].toMm = 300
        d.spars[0].through = true
      }),
    ).strength.wing
    expect(short.atMm).toBeGreaterThan(299)
    expect(short.atMm).toBeLessThan(302)
    const long = assess(
      changed(bare(thistledown), d => {
        d.spars[0].toMm = 505
        d.spars[0].through = true
      }),
    ).strength.wing
    expect(long.reserve).toBeGreaterThan(short.reserve)
    expect(
      reserve(d => {
        d.spars = []
      }),
    ).toBeLessThan(short.reserve)
  })
  it('a larger tube is never weaker inboard', () => {
    const root = (stock: string) =>
      assess(
        changed(bare(thistledown), d => {
          d.spars[0].stock = stock
        }),
      ).strength.stations.find(station => station.s > 150)!.reserve
    expect(root('tube-10x8')).toBeGreaterThan(root('tube-8x6'))
    expect(root('tube-8x6')).toBeGreaterThan(root('rod-4'))
  })
})
