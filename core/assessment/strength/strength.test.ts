import { describe, expect, it } from 'vitest'
import { createAssessor, type Assessment, sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { Joint, Leg, ProjectFile } from '../../document'
import { drafted } from '../../testing/changed'
import { plank } from '../../testing/plank'
import { runs } from '../../testing/runs'

const assessor = sharedAssessor()
const changed = (change: (draft: ProjectFile) => void, base = DEMOS[0]): ProjectFile => drafted(base, change)
const assess = (change: (draft: ProjectFile) => void = () => {}, base = DEMOS[0]): Assessment =>
  assessor.assess(changed(change, base))
const g = 9.80665
describe('loads along the wing', () => {
  it("the root carries half the lift less the wing's own weight, n times; landing hangs the wing down by as many times", () => {
    const a = assess(plank),
      [root] = a.strength.stations
    const own = a.ledger
      .filter(row => row.id.startsWith('wing-') && row.id.endsWith('starboard'))
      .reduce((sum, row) => sum + row.massG / 1000, 0)
    expect(root.shear / (5 * g * (a.totals.massG / 2000 - own))).toBeCloseTo(1, 4)
    // Twist, by the sections' own moments alone: nothing else acts on it in still lift at the quarter chord
    // of an untwisted plank.
    expect(a.strength.twist.diveDeg).toBeLessThan(0)
  })
  it('converges with stations: reserve, twist and deflection at 18 lie by those at 160', () => {
    const coarse = assess().strength,
      fine = createAssessor(undefined, { stations: 160 }).assess(DEMOS[0]).strength,
      middle = createAssessor(undefined, { stations: 60 }).assess(DEMOS[0]).strength
    for (const pick of [
      (s: typeof coarse) => s.wing.reserve,
      (s: typeof coarse) => s.twist.diveDeg,
      (s: typeof coarse) => s.twist.tipRiseMm,
      (s: typeof coarse) => s.twist.divergenceMs!,
    ]) {
      expect(Math.abs(pick(coarse) / pick(fine) - 1)).toBeLessThan(0.01)
      expect(Math.abs(pick(middle) / pick(fine) - 1)).toBeLessThanOrEqual(
        Math.abs(pick(coarse) / pick(fine) - 1) + 1e-3,
      )
    }
  })
  it("twist of a plank under its sections' moments alone: q·c²·cm·L²/2GJ", () => {
    const a = assess(plank),
      { stations, twist, cases } = a.strength
    expect(cases.find(item => item.id === 'dive')).toBeDefined()
    const GJ = stations[5].GJ,
      bare = assess(d => {
        plank(d)
        d.brief.topSpeedMs = 2 * DEMOS[0].brief.topSpeedMs
      }).strength
    // Four times the pressure: what lift and weight turn stays, what the section turns grows fourfold.
    const q = (a.flight.density * DEMOS[0].brief.topSpeedMs ** 2) / 2
    const cm =
      ((bare.twist.diveDeg - twist.diveDeg) * Math.PI) / 180 / (3 * q) / ((0.195 ** 2 * 0.6 ** 2) / 2 / GJ)
    // NACA 4412: cm about the quarter chord −0.106 by thin sections, −0.10 to −0.12 by panels of its
    // thickness.
    expect(cm).toBeGreaterThan(-0.125)
    expect(cm).toBeLessThan(-0.095)
  })
})

describe('lying or standing', () => {
  const lie = (d: ProjectFile) => {
    for (const zone of d.zones)
      if (zone.id.startsWith('wing'))
        Object.assign(zone.recipe, {
          stance: 'flat',
          spiral: false,
          lattice: null,
          infillShare: 0.05,
          baseLayers: 3,
          topLayers: 3,
        })
  }
  const stand = (d: ProjectFile) => {
    lie(d)
    for (const zone of d.zones) zone.recipe.stance = 'standing'
  }
  it('the same wing lying has another margin across its layers, another mass, and lies on the bed by its span', () => {
    const lying = assess(lie),
      standing = assess(stand)
    const modes = (a: Assessment) =>
      new Set(a.strength.stations.flatMap(station => Object.keys(station.modes)))
    expect(modes(standing).has('skin across layers') && !modes(standing).has('skin along the bead')).toBe(
      true,
    )
    expect(modes(lying).has('skin along the bead') && !modes(lying).has('skin across layers')).toBe(true)
    const a = lying.pieces.find(piece => piece.id === 'wing-1-starboard')!,
      b = standing.pieces.find(piece => piece.id === 'wing-1-starboard')!
    expect(a.predictedG).not.toBeCloseTo(b.predictedG, 1)
    expect(a.boxMm[0]).toBeCloseTo(b.boxMm[2], 6)
    expect(a.boxMm[2]).toBeLessThan(40)
    expect(a.overhangMm2).toBeGreaterThan(b.overhangMm2)
  })
  it('a lying spiral stops the build; a lying skin without layers is named', () => {
    expect(
      assess(d => {
        d.zones.find(zone => zone.id === 'wing-outer')!.recipe.stance = 'flat'
      }).findings.map(finding => finding.code),
    ).toContain('lies-spiral')
    expect(
      assess(d => {
        lie(d)
        d.zones.find(zone => zone.id === 'wing-outer')!.recipe.topLayers = 0
      }).findings.map(finding => finding.code),
    ).toContain('lies-bare')
  })
})

describe('legs, boom and speeds', () => {
  const leg: Leg = {
    id: 'main',
    name: 'Main leg',
    kind: 'wire',
    xMm: 240,
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
  it('two legs weigh wire and wheels, and take up the drop', () => {
    const a = assess(),
      b = assess(d => {
        d.gear = [leg]
        d.brief.landing = 'wheels'
      })
    const wire = (Math.PI / 4) * 0.003 ** 2 * 7850 * Math.hypot(0.09, 0.06) * 1000
    expect(b.totals.massG - a.totals.massG).toBeCloseTo(2 * (wire + 9), 6)
    expect(b.strength.gear.on).toBe('legs')
    expect(b.strength.gear.workJ / b.strength.gear.fallJ).toBeCloseTo(1, 6)
    expect(
      b.strength.places
        .filter(place => place.subject === 'main')
        .map(place => place.part)
        .sort(),
    ).toEqual(['gear', 'mount', 'mount'])
    // Wheels asked for and none there: said, and the belly computed.
    const none = assess(d => {
      d.brief.landing = 'wheels'
    })
    expect(none.strength.gear.on).toBe('belly')
    expect(none.findings.map(finding => finding.code)).toContain('gear-missing')
  })
  it('a softer boom leaves the tail less; a dive past the caution speed stops', () => {
    const stiff = assess().strength.boom!,
      soft = assess(d => {
        d.boom!.stock = 'rod-5'
      }).strength.boom!
    expect(soft.leftTop.pitch).toBeLessThan(stiff.leftTop.pitch)
    expect(soft.leftTop.yaw).toBeLessThan(stiff.leftTop.yaw)
    expect(soft.twistDeg).toBeGreaterThan(stiff.twistDeg)
    const fast = assess(d => {
      d.brief.topSpeedMs = 60
    })
    expect(fast.findings.find(finding => finding.code === 'twist-speed')).toMatchObject({
      severity: 'stop',
      value: 60,
      limit: fast.strength.twist.cautionMs,
    })
  })
  it('carbon cannot follow a break; a darker skin on a hot field is a finding with its temperature', () => {
    expect(
      assess(d => {
        d.spars[0].route = 'bent'
      }).findings.map(finding => finding.code),
    ).toContain('spar-cannot-bend')
    const hot = assess(d => {
      d.brief.colour = 'black'
    }).findings.find(finding => finding.code === 'heat')!
    expect(hot.value).toBeCloseTo(22 + (0.92 * 900) / 12, 9)
  })
})

describe('what gives way says how sure its reserve is', () => {
  const spread = (a: Assessment) => a.verdicts.strength.spread / a.strength.reserve
  it('plastic round a spar that ends, or round the boom in its socket, scatters as plastic does', () => {
    const ends = assess(d => {
      d.spars = [{ ...d.spars[0], toMm: 330 }]
      d.brief.loadFactor = 9
    })
    const end = ends.strength.stations.find(station => station.mode === 'spar end')
    expect(end).toBeDefined()
    const socket = assess(d => {
      d.boom!.socketMm = 8
    })
    expect(socket.strength).toMatchObject({ mode: 'boom in its socket', gives: 'plastic' })
    expect(spread(socket)).toBeCloseTo(0.25, 9)
    // The tube that bends there is bought.
    const tube = assess(d => {
      d.boom!.stock = 'rod-3'
      d.boom!.socketMm = 60
    })
    expect(tube.strength.part).toBe('boom')
    expect(tube.strength.gives).toBe('stock')
    expect(spread(tube)).toBeCloseTo(0.1, 9)
  })
  it('a wire leg is bought, a printed one is not', () => {
    const leg = (kind: Leg['kind'], thicknessMm: number): Leg => ({
      id: 'main',
      name: 'Main leg',
      kind,
      xMm: 190,
      yMm: 20,
      zMm: -20,
      dropMm: 90,
      splayMm: 60,
      thicknessMm,
      widthMm: 8,
      zone: 'body',
      springNmm: 1,
      travelMm: 20,
      coil: null,
      wheelMm: 40,
      tyreMm: 3,
      wheelG: 6,
      printedWheel: null,
      pair: true,
      mount: { lengthMm: 30, widthMm: 10, depthMm: 8 },
    })
    for (const [kind, thick, gives] of [
      ['wire', 2, 'stock'],
      ['printed', 3, 'plastic'],
    ] as const) {
      const { strength } = assess(d => {
        d.brief.landing = 'wheels'
        d.gear = [leg(kind, thick)]
      })
      expect(strength.places.find(place => place.mode === 'leg bends')!.gives).toBe(gives)
    }
  })
})

describe('body and motor in flight', () => {
  it('a greater load factor bends the body more, whatever the landing: by hand at the hatch', () => {
    const at = (loadFactor: number) =>
      assess(d => {
        Object.assign(d.brief, { loadFactor, gustMs: 0 })
      }).strength.places
    const hatch = (places: ReturnType<typeof at>) =>
      places.find(
        place => place.part === 'body' && /hatch|gate/.test(place.label) && place.case === 'pull-up',
      )!
    const [ten, twenty] = [hatch(at(10)), hatch(at(20))]
    expect(twenty.reserve / ten.reserve).toBeCloseTo(0.5, 1)
  })
  it('the elevator hard over bends what lies behind the wing; a tail further aft bends it more', () => {
    const behind = (change: (d: ProjectFile) => void) =>
      assess(d => {
        d.brief.loadFactor = 1.5
        d.brief.dropMm = 5
        change(d)
      }).strength.places.find(place => place.part === 'body' && place.xMm === 330)!
    const now = behind(() => {}),
      far = behind(d => {
        for (const surface of [d.tail.horizontal!, d.tail.vertical!]) surface.xMm += 150
        d.boom!.toMm += 150
      })
    expect(now.case).toBe('elevator hard over at cruise')
    expect(far.reserve).toBeLessThan(now.reserve)
  })
  it('a hatch a little wider takes a little more: no jump in its width', () => {
    const reserve = (widthMm: number) =>
      assess(d => {
        d.body!.openings[1].widthMm = widthMm
      }).strength.places.find(place => place.label === 'hopper gate')!.reserve
    const row = Array.from({ length: runs(41, 15) }, (_, i) => reserve(runs(30, 36) + i * 0.5))
    for (let i = 1; i < row.length; i++) {
      expect(row[i]).toBeLessThanOrEqual(row[i - 1] * 1.001)
      expect(row[i]).toBeGreaterThan(0.93 * row[i - 1])
    }
  })
  it('a foamed firewall, a hot one and a thin one are found, with what it reaches', () => {
    const codes = (change: (d: ProjectFile) => void) =>
      assess(change).findings.flatMap(f => (/^firewall-/.test(f.code) ? [f.code] : []))
    expect(codes(() => {})).toEqual(['firewall-warm'])
    expect(
      codes(d => {
        d.zones[0].filament = 'asa-foam'
      }),
    ).toEqual(['firewall-foamed'])
    const hot = assess(d => {
      d.brief.fieldTemperatureC = 35
    }).findings.find(f => f.code === 'firewall-warm')!
    // 35 °C and 25 K for the motor.
    expect([hot.severity, hot.value]).toEqual(['stop', 60])
    expect(
      codes(d => {
        d.body!.firewall!.thicknessMm = 0.5
        d.equipment.find(item => item.kind === 'motor')!.massG = 900
        d.brief.dropMm = 400
      }),
    ).toContain('firewall-weak')
  })
})

describe('never weaker', () => {
  /** Reserve of the wing and the speed to keep under, along a row of designs that get better. */
  const row = (values: number[], change: (draft: ProjectFile, value: number) => void) =>
    values.map(value => {
      const { strength } = assess(draft => change(draft, value))
      return [strength.wing.reserve, strength.twist.cautionMs ?? Infinity]
    })
  /** A part added also weighs, and all of the wing bears it: a thousandth is its own. */
  const rises = (rows: number[][], tolerance: number) => {
    for (let i = 1; i < rows.length; i++)
      rows[i].forEach((value, k) => expect(value).toBeGreaterThanOrEqual(rows[i - 1][k] * (1 - tolerance)))
  }
  it('for a longer spar, place by place', () => {
    const lengths = Array.from({ length: runs(30, 10) }, (_, i) => 210 + 10 * i)
    rises(
      row(lengths, (draft, mm) => {
        draft.spars[0].toMm = mm
        draft.spars[0].through = true
      }),
      0.002,
    )
  })
  it('on a colder day, and flown slower', () => {
    rises(
      row([40, 34, 28, 24, 20, 10, 0], (draft, celsius) => {
        draft.brief.fieldTemperatureC = celsius
        draft.spars = []
      }),
      0.02,
    )
    rises(
      row([40, 34, 28, 24, 21, 19], (draft, speed) => {
        draft.brief.topSpeedMs = speed
        draft.spars = []
      }),
      1e-6,
    )
  })
  it('for webs closer together', () => {
    rises(
      row([140, 110, 97, 96, 80, 60, 45, 35], (draft, pitchMm) => {
        for (const zone of draft.zones) if (zone.recipe.lattice) zone.recipe.lattice.pitchMm = pitchMm
        draft.spars = []
      }),
      0.005,
    )
  })
})

describe('a wing that plugs together', () => {
  const jointed = (kind: Joint['kind'], stock: string) =>
    assess(draft => {
      draft.cuts.wing[0].joint.kind = kind
      for (const zone of draft.zones) zone.recipe.walls = 3
      for (const spar of draft.spars)
        if (spar.surface === 'wing' && !spar.through) Object.assign(spar, { stock, fixing: 'removable' })
    }).strength.wing
  it('is held at the joint by its spars alone: they bear as the cube of their diameter, whatever the skin would', () => {
    const [thin, middle, thick] = ['rod-2', 'rod-3', 'rod-4'].map(stock => jointed('plug', stock))
    for (const { atMm, mode } of [thin, middle, thick]) {
      expect(atMm).toBeCloseTo(DEMOS[0].cuts.wing[0].atMm, 6)
      expect(mode).toBe('spar alone')
    }
    // σ = M·r / I over solid rods: a third more of each is 2.37 times the moment. The wing gets a little heavier.
    expect(middle.reserve / thin.reserve / 1.5 ** 3).toBeCloseTo(1, 1)
    expect(thick.reserve / middle.reserve / (4 / 3) ** 3).toBeCloseTo(1, 1)
    // Glued, the skin carries: the thinnest rod hardly matters.
    expect(jointed('pins', 'rod-2').reserve / jointed('pins', 'rod-4').reserve).toBeCloseTo(1, 1)
    expect(jointed('pins', 'rod-2').reserve).toBeGreaterThan(5 * thin.reserve)
  })
})
