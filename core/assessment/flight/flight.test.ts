/** The flight stages of an assessment on whole aircraft: against hand sums, limits and one another. */
import { describe, expect, it } from 'vitest'
import { written } from '../../units'
import { assess, createAssessor, sharedAssessor } from '../../assess'
import { hingeCoefficients } from '../../aero'
import { DEMOS } from '../../demo'
import { plain } from '../../testing/plain'
import { changed } from '../../testing/changed'

const [thistledown, plover] = DEMOS
/** A plank: one panel, one chord, no sweep, dihedral or twist, so that closed forms apply. */
const plank = changed(plain(thistledown), d => {
  Object.assign(d.wing, {
    rootChordMm: 180,
    incidenceDeg: 0,
    rootAerofoil: 'naca0012',
    zMm: 0,
    controls: [{ ...thistledown.wing.controls[0], fromShare: 0.6, toShare: 1, chordShare: 0.25 }],
  })
  d.wing.panels = [
    {
      ...d.wing.panels[0],
      spanMm: 600,
      tipChordMm: 180,
      sweepMm: 0,
      dihedralDeg: 0,
      tipTwistDeg: 0,
      tipAerofoil: 'naca0012',
    },
  ]
  d.spars = []
  d.cuts.wing = []
  d.weighIns = []
})

describe('stall', () => {
  it('a plank stalls at its root, at √(2W/ρS·CL) of the CL it reports, and every strip stays under its limit there', () => {
    const { stall, totals, plan, flight } = assess(plank)
    expect(stall.placeShare).toBeLessThan(0.15)
    expect(stall.speedMs).toBeCloseTo(
      Math.sqrt(
        (2 * (totals.massG / 1000) * 9.80665) / (flight.density * (plan.areaDm2 / 100) * stall.clMax),
      ),
      6,
    )
    for (const strip of stall.strips) expect(strip.cl).toBeLessThanOrEqual(strip.limit + 1e-6)
    expect(Math.min(...stall.strips.map(strip => strip.limit - strip.cl))).toBeLessThan(0.005)
    expect(stall.strips[0].reynolds).toBeCloseTo((flight.density * stall.speedMs * 0.18) / 1.82e-5, -4)
  })
  it('taper moves the stall outboard and washout moves it back, in the wing drawn as in the cases beside it', () => {
    const narrow = changed(plank, d => {
      d.wing.panels[0].tipChordMm = 70
    })
    const tapered = assess(narrow),
      cases = sharedAssessor().flown(narrow).stallCases()
    const washed = assess(
      changed(plank, d => {
        Object.assign(d.wing.panels[0], { tipChordMm: 70, tipTwistDeg: -2 })
      }),
    )
    expect(tapered.stall.placeShare).toBeGreaterThan(assess(plank).stall.placeShare + 0.2)
    expect(washed.stall.tipMarginDeg).toBeGreaterThan(tapered.stall.tipMarginDeg + 0.25)
    // The case "two degrees more" of the untwisted wing is the washed one, but for two panels along the chord
    // instead of four.
    const promised = cases.find(item => item.id === 'washout')!
    expect(Math.abs(promised.tipMarginDeg - washed.stall.tipMarginDeg)).toBeLessThan(0.08)
    expect(Math.abs(promised.speedMs / washed.stall.speedMs - 1)).toBeLessThan(0.004)
    // And one chord all along is the plank, as heavy as the tapered one.
    const square = cases.find(item => item.id === 'untapered')!
    expect(square.placeShare).toBeLessThan(0.15)
  })
  it('a tip that stalls first is a finding that names the washout which mends it', () => {
    const tapered = changed(plank, d => {
      d.wing.panels[0].tipChordMm = 70
    })
    const a = assess(tapered)
    expect(a.stall.tipMarginDeg).toBeLessThan(1)
    const finding = a.findings.find(item => item.code === 'tip-stall')!
    expect(finding.value).toBeCloseTo(a.stall.tipMarginDeg, 9)
    // A milder taper, which two degrees do mend: the remedy then names the margin that they give.
    const milder = changed(plank, d => {
      d.wing.panels[0].tipChordMm = 120
    })
    const [before, mended] = [
      assess(milder),
      assess(
        changed(milder, d => {
          d.wing.panels[0].tipTwistDeg = -2
        }),
      ),
    ]
    expect(before.stall.tipMarginDeg).toBeLessThan(1)
    expect(mended.stall.tipMarginDeg).toBeGreaterThan(1)
    const named = Number(
      /then ([\d.]+)°/.exec(written(before.findings.find(item => item.code === 'tip-stall')!.remedy))![1],
    )
    expect(Math.abs(mended.stall.tipMarginDeg - named)).toBeLessThan(0.15)
  })
  it('flaps lower the stall speed and the nose; ailerons drooped are offered only where there are no flaps', () => {
    const flapped = assess(
      changed(plank, d => {
        d.wing.controls.push({
          ...d.wing.controls[0],
          name: 'Flaps',
          piece: 9,
          kind: 'flap',
          fromShare: 0,
          toShare: 0.55,
          throwDownDeg: 25,
        })
      }),
    )
    expect(flapped.stall.flap).toMatchObject({ name: 'Flaps', deg: 25, drooped: false })
    expect(flapped.stall.flap!.speedMs).toBeLessThan(flapped.stall.speedMs)
    expect(flapped.stall.flap!.pitchDeg).toBeLessThan(flapped.stall.alphaDeg)
    expect(assess(plank).stall.flap).toMatchObject({ drooped: true, deg: 10 })
    expect(
      assess(
        changed(plank, d => {
          d.wing.controls = []
        }),
      ).stall.flap,
    ).toBeNull()
  })
})

describe('trim and drag', () => {
  it('lift is weight at every speed; the elevator goes up as it slows, by the static margin; glide and sink agree', () => {
    const a = assess(thistledown)
    for (const row of a.trim) {
      const mass = row.payload ? a.totals.massG : a.totals.emptyMassG
      expect(row.cl).toBeCloseTo(
        (2 * (mass / 1000) * 9.80665) / (a.flight.density * row.speedMs ** 2 * (a.plan.areaDm2 / 100)),
        6,
      )
      expect(row.sinkMs).toBeCloseTo(row.speedMs / Math.hypot(row.glideRatio, 1), 6)
      expect(written(row.trouble)).toBe('')
    }
    const [cruise, glide, slow] = a.trim
    const bySpeed = [cruise, glide, slow].sort((a, b) => a.speedMs - b.speedMs)
    expect(bySpeed[0].controlDeg!).toBeLessThan(bySpeed[1].controlDeg!)
    expect(bySpeed[1].controlDeg!).toBeLessThan(bySpeed[2].controlDeg!)
    expect(glide.glideRatio).toBeGreaterThan(cruise.glideRatio)
    // Further aft, less elevator from fast to slow.
    const aft = assess(
      changed(thistledown, d => {
        d.equipment.find(item => item.id === 'battery')!.xMm = 150
      }),
    )
    expect(aft.trim[0].controlDeg! - aft.trim[2].controlDeg!).toBeLessThan(
      cruise.controlDeg! - slow.controlDeg!,
    )
  })
  it('the tailplane turned as it says lets it cruise with the elevator in line', () => {
    const a = assess(thistledown)
    const turned = assess(
      changed(thistledown, d => {
        d.tail.horizontal!.incidenceDeg += a.tailIncidenceDeg!
      }),
    )
    const before = a.trim.find(row => row.id === 'cruise' && row.payload)!.controlDeg!
    expect(Math.abs(turned.trim.find(row => row.id === 'cruise' && row.payload)!.controlDeg!)).toBeLessThan(
      0.2 * Math.abs(before),
    )
  })
  it('the speed of the best glide goes with the root of the weight in fine steps, and with no step of its search', () => {
    const own = createAssessor()
    const at = (grams: number) => {
      const { trim, totals } = own.assess(
        changed(DEMOS[0], doc => {
          doc.equipment.find(item => item.id === 'seed')!.massG = grams
        }),
      )
      return { mass: totals.massG, speed: trim.find(row => row.id === 'glide' && row.payload)!.speedMs }
    }
    let before = at(40)
    const first = before
    for (let grams = 44; grams <= 100; grams += 4) {
      const now = at(grams)
      // A search in steps would stand still, or take one of 4 % at once.
      const share = Math.log(now.speed / before.speed) / Math.log(now.mass / before.mass)
      expect(share).toBeGreaterThan(0.1)
      expect(share).toBeLessThan(1.5)
      before = now
    }
    // At one lift coefficient it is the root. Drag that falls with Re^-n, n to 1 for sections as slow as these, lets the
    // best coefficient fall with V^-n/2: m^(1/(2 − n/2)).
    const share = Math.log(before.speed / first.speed) / Math.log(before.mass / first.mass)
    expect(share).toBeGreaterThan(0.5)
    expect(share).toBeLessThan(1 / 1.5)
  })
  it('a fatter body and a longer boom cost glide; without any pitch control what is left over is said', () => {
    const fat = assess(
      changed(thistledown, d => {
        for (const station of d.body!.stations) {
          station.widthMm *= 1.4
          station.heightMm *= 1.4
        }
      }),
    )
    expect(fat.flight.bestGlide).toBeLessThan(assess(thistledown).flight.bestGlide)
    const loose = assess(
      changed(thistledown, d => {
        d.tail.horizontal!.controls = []
      }),
    )
    expect(loose.trim[0].controlDeg).toBeNull()
    expect(Math.abs(loose.trim[0].cmLeft)).toBeGreaterThan(0)
    expect(
      loose.findings.some(item => item.code === 'trim-hard' && /elevator/.test(written(item.text))),
    ).toBe(true)
  })
  it('a cruise below the stall, and a throw too small, are said where they are', () => {
    const slow = assess(
      changed(thistledown, d => {
        d.brief.cruiseMs = 5
      }),
    )
    expect(written(slow.trim[0].trouble)).toMatch(/slower than it can fly/)
    const shy = assess(
      changed(thistledown, d => {
        Object.assign(d.tail.horizontal!.controls[0], { throwUpDeg: 1, throwDownDeg: 1 })
      }),
    )
    expect(written(shy.trim[0].trouble)).toMatch(/the throw is 1°/)
  })
})

describe('hinges, servos and rates', () => {
  it("a plank's aileron at no lift: q·c_h²·b·|C_h,δ|·δ of one side, by hand", () => {
    const a = assess(
      changed(plank, d => {
        Object.assign(d.wing.controls[0], { throwUpDeg: 20, throwDownDeg: 20 })
        d.brief.topSpeedMs = 20
        d.brief.cruiseMs = 100
      }),
    )
    const aileron = a.controls.find(item => item.id === 'wing:0')!
    const q = (a.flight.density * 400) / 2,
      chord = 0.25 * 0.18,
      width = 0.4 * 0.6
    const moment =
      q * chord ** 2 * width * Math.abs(hingeCoefficients(0.25).perDeflection) * ((20 * Math.PI) / 180)
    // Cruise at 100 m/s leaves next to no incidence.
    expect(Math.abs(aileron.hingeNcm / (100 * moment) - 1)).toBeLessThan(0.05)
    expect(aileron.upMm).toBeCloseTo(2 * 45 * Math.sin((10 * Math.PI) / 180), 6)
  })
  it('goes with the square of the top speed; one servo for both halves holds twice; a weak servo is a finding', () => {
    const at = (speed: number) =>
      assess(
        changed(thistledown, d => {
          d.brief.topSpeedMs = speed
        }),
      ).controls[0].hingeNcm
    expect(at(30) / at(15)).toBeCloseTo(4, 6)
    const single = assess(
      changed(thistledown, d => {
        d.equipment.find(item => item.id === 'aileron-servo')!.pair = false
      }),
    )
    // One servo less moves the balance and with it the incidence at cruise, by a hair.
    expect(
      Math.abs(single.controls[0].hingeNcm / assess(thistledown).controls[0].hingeNcm / 2 - 1),
    ).toBeLessThan(0.005)
    const weak = assess(
      changed(thistledown, d => {
        d.equipment.find(item => item.id === 'elevator-servo')!.servo = { torqueNcm: 1, travelDeg: 50 }
      }),
    )
    expect(written(weak.findings.find(item => item.code === 'servo-short')!.text)).toMatch(
      /Elevator: at 21 m\/s it asks for \d+ %/,
    )
  })
  it('an all-moving tail turns about its pivot near the quarter chord, and asks for far less than about its nose', () => {
    const moving = assess(
      changed(thistledown, d => {
        d.tail.kind = 'all-moving'
        d.tail.horizontal!.controls[0].chordShare = 1
      }),
    )
    const asked = moving.controls.find(item => item.surface === 'horizontal')!.hingeNcm
    expect(asked).toBeGreaterThan(1)
    expect(asked).toBeLessThan(12)
  })
  it('rates: low and high do what they aim at, by the response they were taken from; more throw, smaller shares', () => {
    const a = assess(thistledown)
    for (const rate of a.rates) {
      expect(rate.lowShare).toBeLessThanOrEqual(rate.highShare)
      expect(rate.lowResponse).toBeCloseTo(rate.lowShare * rate.response, 9)
      // A quarter of the stick under the exponential, on high rate.
      const quarter = (0.25 * (1 - rate.expo) + rate.expo * 0.25 ** 3) * rate.highResponse
      const most = { roll: 25, pitch: 0.25, yaw: 3 }[rate.axis]
      if (rate.expo < 0.7) expect(quarter / most).toBeLessThan(1.06)
    }
    expect(a.rates.find(rate => rate.axis === 'roll')!.lowResponse).toBeCloseTo(90, 6)
    const wild = assess(
      changed(thistledown, d => {
        Object.assign(d.wing.controls[0], { throwUpDeg: 40, throwDownDeg: 40 })
      }),
    )
    expect(wild.rates.find(rate => rate.axis === 'roll')!.lowShare).toBeLessThan(
      a.rates.find(rate => rate.axis === 'roll')!.lowShare,
    )
    // Two thirds of the steady roll after I_xx/(q·S·b²/2V·|Cl_p|), when roll stands alone.
    const {
      handling: { inertia, derivatives, speedMs },
      flight,
      plan,
    } = a
    const alone =
      inertia.rollKgM2 /
      (((flight.density * speedMs * (plan.areaDm2 / 100) * (plan.spanMm / 1000) ** 2) / 4) *
        -derivatives.Cl_p)
    expect(Math.abs(a.rates.find(rate => rate.axis === 'roll')!.timeS! / alone - 1)).toBeLessThan(0.1)
  })
  it('twin fins yaw with both rudders to the same side; a V-tail with both halves against each other', () => {
    const v = assess(
      changed(thistledown, d => {
        d.tail.kind = 'V'
        d.tail.horizontal!.cantDeg = 38
        d.tail.horizontal!.controls[0].kind = 'ruddervator'
      }),
    )
    expect(v.rates.map(rate => rate.axis)).toEqual(['roll', 'pitch', 'yaw'])
    const twin = assess(
      changed(plover, d => {
        d.tail.vertical!.controls = [
          {
            ...plover.wing.controls[0],
            name: 'Rudders',
            kind: 'rudder',
            fromShare: 0,
            toShare: 1,
            chordShare: 0.4,
          },
        ]
      }),
    )
    expect(twin.rates.find(rate => rate.axis === 'yaw')!.response).toBeGreaterThan(2)
  })
})

describe('handling', () => {
  it('a balance behind the neutral point diverges and says so; a fin taken off turns its nose from the wind', () => {
    const aft = assess(
      changed(thistledown, d => {
        d.equipment.find(item => item.id === 'battery')!.xMm = 420
        d.equipment.find(item => item.id === 'battery')!.bay = null
      }),
    )
    expect(aft.flight.staticMarginPct).toBeLessThan(0)
    expect(
      aft.handling.modes.some(
        mode => mode.state === 'poor' && /too far aft|diverges/.test(written(mode.words)),
      ),
    ).toBe(true)
    expect(aft.findings.some(item => item.code.startsWith('mode-'))).toBe(true)
    const finless = assess(
      changed(thistledown, d => {
        d.tail.vertical = null
      }),
    )
    expect(finless.handling.derivatives.Cn_beta).toBeLessThan(0)
    expect(finless.handling.readings.find(item => item.id === 'weathercock')!.state).toBe('poor')
  })
  it('dihedral levels: more of it turns a tightening spiral into one that comes back', () => {
    const spiral = (deg: number) =>
      assess(
        changed(thistledown, d => {
          for (const panel of d.wing.panels) panel.dihedralDeg = deg
        }),
      ).handling.modes.find(mode => mode.id === 'spiral')!
    expect(spiral(0).grows).toBe(true)
    expect(spiral(9).grows).toBe(false)
  })
  it('inertia: two masses out on the wing add m·y² each in roll and yaw, nothing in pitch but their own place', () => {
    const base = assess(thistledown)
    const tips = assess(
      changed(thistledown, d => {
        d.equipment.push({
          ...d.equipment.find(item => item.id === 'receiver')!,
          id: 'tips',
          name: 'Tips',
          kind: 'hardware',
          massG: 10,
          xMm: base.totals.cgMm[0],
          yMm: 500,
          zMm: base.totals.cgMm[2],
          pair: true,
          sizeMm: [1, 1, 1],
        })
      }),
    )
    const gained = tips.handling.inertia.rollKgM2 - base.handling.inertia.rollKgM2
    expect(Math.abs(gained / (2 * 0.01 * 0.25) - 1)).toBeLessThan(0.01)
    expect(Math.abs(tips.handling.inertia.pitchKgM2 - base.handling.inertia.pitchKgM2)).toBeLessThan(1e-5)
    // By what adds to it: the pair with what it adds, every row one of the ledger, and all of them the whole.
    const { inertia, inertiaOf } = tips.handling
    const pair = inertiaOf.filter(item => item.id.startsWith('tips'))
    expect(pair.reduce((sum, item) => sum + item.rollKgM2, 0)).toBeCloseTo(2 * 0.01 * 0.25, 5)
    expect(inertiaOf.map(item => item.id)).toEqual(tips.ledger.map(row => row.id))
    for (const axis of ['rollKgM2', 'pitchKgM2', 'yawKgM2'] as const)
      expect(inertiaOf.reduce((sum, item) => sum + item[axis], 0)).toBeCloseTo(inertia[axis], 12)
  })
})

describe('chance of balance', () => {
  it('is one half when the CG stands on an end of a wide band, near one in its middle, and grows when masses are weighed', () => {
    const assessor = sharedAssessor()
    const band = (low: number, high: number) =>
      assessor.assess(
        changed(plover, d => {
          d.brief.staticMarginPct = [low, high]
        }),
      ).flight
    const { staticMarginPct } = assessor.assess(plover).flight
    expect(band(staticMarginPct, staticMarginPct + 50).balanceChance).toBeCloseTo(0.5, 2)
    expect(band(staticMarginPct - 20, staticMarginPct + 20).balanceChance).toBeGreaterThan(0.99)
    const weighed = assessor.assess(
      changed(plover, d => {
        d.allowances.flowSpreadShare = 0
        for (const item of d.equipment) item.spreadG = 0
      }),
    ).flight
    expect(weighed.balanceChance).toBeGreaterThan(assessor.assess(plover).flight.balanceChance)
  })
  it('sliding the battery can only help, and reaches as far as its moment over the whole mass', () => {
    const { flight, totals } = assess(thistledown)
    expect(flight.balanceChanceSliding).toBeGreaterThanOrEqual(flight.balanceChance)
    // Bay 36–200, pack 72 long, at 106: 34 forward, 58 aft.
    expect(flight.cgReachMm[0] - totals.cgMm[0]).toBeCloseTo((-34 * 112) / totals.massG, 9)
    expect(flight.cgReachMm[1] - totals.cgMm[0]).toBeCloseTo((58 * 112) / totals.massG, 9)
  })
})
