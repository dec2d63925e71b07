/** Pods and pairs of booms, carried through mass, balance, drag, strength and build; against hand sums. */
import { describe, expect, it } from 'vitest'
import { bodyDragArea } from '../aero'
import { sharedAssessor } from '../assess'
import { airOf } from './flight'
import { createDrag } from './flight/airframe-drag'
import { boomFrame, weightLoads, whipOf } from './strength'
import { checkProject, DocumentError, type ProjectFile } from '../document'
import { DEMOS } from '../demo'
import {
  gapAt,
  meshOf,
  outlineAt,
  pieceSolid,
  placePoint,
  polygonArea,
  seatAbove,
  toSurface,
  turnsHanded,
} from '../geometry'
import { testKernel } from '../testing/kernel'
import { changed } from '../testing/changed'
import { twin, twinBoom } from '../testing/twin'

const [thistledown] = DEMOS
const assessor = sharedAssessor()
const codes = (doc: ProjectFile) => assessor.assess(doc).findings.map(item => item.code)
/** Rows of printed pods, and of what stands in them. */
const rowsOf = (doc: ProjectFile, test: (id: string) => boolean) =>
  assessor.assess(doc).ledger.filter(row => test(row.id))

describe('a pair of pods', () => {
  const doc = twin()
  it('weighs twice one alone, each its mirror image at its distance', () => {
    const [starboard, port] = rowsOf(doc, id => id.startsWith('pod-1-1'))
    expect(port.massG).toBeCloseTo(starboard.massG, 9)
    expect(starboard.yMm).toBeCloseTo(230, 6)
    expect(port.yMm).toBeCloseTo(-230, 6)
    const alone = rowsOf(
      changed(doc, draft => {
        draft.pods[0].pair = false
      }),
      id => id.startsWith('pod-1-1'),
    )
    expect(alone).toHaveLength(1)
    expect(alone[0].massG).toBeCloseTo(starboard.massG, 9)
  })
  it('moves the balance by its moment, and adds m·y² in roll and yaw', () => {
    // Everything but glue and finish, which spread over what is printed, stays where it is.
    const quiet = (draft: ProjectFile) => {
      draft.allowances.glueShare = 0
      draft.allowances.smallParts.finish = 0
    }
    const without = changed(doc, draft => {
      quiet(draft)
      draft.pods = []
    })
    const withPods = changed(doc, quiet)
    const [a, b] = [without, withPods].map(item => assessor.assess(item))
    const pods = b.ledger.filter(row => row.id.startsWith('pod-'))
    const screws = b.ledger.filter(row => !a.ledger.some(old => old.id === row.id && old.massG === row.massG))
    const added = [...pods, ...screws.filter(row => !row.id.startsWith('pod-'))]
    const grams = b.totals.massG - a.totals.massG
    expect(grams).toBeGreaterThan(pods.reduce((sum, row) => sum + row.massG, 0) - 1e-6)
    const moment = b.totals.massG * b.totals.cgMm[0] - a.totals.massG * a.totals.cgMm[0]
    const rows = (list: typeof b.ledger) => list.reduce((sum, row) => sum + row.massG * row.xMm, 0)
    expect(moment).toBeCloseTo(rows(b.ledger) - rows(a.ledger), 3)
    expect(added.length).toBeGreaterThan(1)
    // To the side they balance each other.
    expect(b.totals.massG * b.totals.cgMm[1]).toBeCloseTo(a.totals.massG * a.totals.cgMm[1], 6)
    // kg·m²: two masses at 230 mm, and next to nothing of their own about that line.
    const far = (grams / 1000) * 0.23 ** 2
    const roll = b.handling.inertia.rollKgM2 - a.handling.inertia.rollKgM2
    expect(roll / far).toBeGreaterThan(0.99)
    expect(roll / far).toBeLessThan(1.05)
  })
  it('is shaped in its own places: moved, it is the same piece somewhere else', () => {
    const own = assessor.airframe(doc).pieces.find(piece => piece.id === 'pod-1-1-starboard')!
    const moved = assessor
      .airframe(
        changed(doc, draft => {
          draft.pods[0].xMm += 7
          draft.pods[0].body.saddle = null
        }),
      )
      .pieces.find(piece => piece.id === 'pod-1-1-starboard')!
    expect(polygonArea(moved.skinAt(moved.from + 50)!).area).toBeCloseTo(
      polygonArea(own.skinAt(own.from + 50)!).area,
      9,
    )
    expect(moved.from - own.from).toBeCloseTo(7, 9)
    expect(own.place(3, 0, 10)[1]).toBeCloseTo(233, 9)
  })
  it('comes off the bed as two closed solids, the port one mirrored, cut away under the wing', async () => {
    const { pieces } = assessor.airframe(doc)
    const [starboard, port] = pieces.filter(piece => piece.part === 'pod')
    expect(turnsHanded(starboard)).toBe(false)
    expect(turnsHanded(port)).toBe(true)
    const open = assessor
      .airframe(
        changed(doc, draft => {
          draft.pods[0].body.saddle = null
        }),
      )
      .pieces.find(piece => piece.part === 'pod')!
    const solids = await testKernel()
    const volume = (piece: typeof starboard) => {
      const solid = pieceSolid(solids, piece)
      const size = solid.volume()
      expect(meshOf(solid).triangles.length).toBeGreaterThan(100)
      return size
    }
    expect(volume(starboard)).toBeLessThan(0.9 * volume(open))
    expect(volume(port)).toBeCloseTo(volume(starboard), 3)
  })
  it('drags like a body of its length and skin: twice one, with the shares that bodies have on top', () => {
    // Coefficients at one incidence and speed, sections left out: what is left over lift is bodies alone.
    const bodyDrag = (item: ProjectFile) => {
      const airframe = assessor.airframe(item),
        { solved } = assessor.flown(item)
      return createDrag()(airframe, solved, {})(0.05, [], 12).body * solved.plan.area
    }
    const [pair, one, none] = [
      doc,
      changed(doc, draft => (draft.pods[0].pair = false)),
      changed(doc, draft => (draft.pods = [])),
    ].map(bodyDrag)
    expect((pair - none) / (one - none)).toBeCloseTo(2, 9)
    const [{ loft }] = assessor.airframe(doc).pods
    // A body of revolution: π times the diameter, along its length; friction and form as of every body, and 1.15 and
    // 1.25 for gaps and interference (methods, Drag).
    let skin = 0
    const steps = 400,
      long = loft.to - loft.from
    for (let k = 0; k < steps; k++)
      skin += (Math.PI * loft.at(loft.from + ((k + 0.5) / steps) * long).width * long) / steps
    const air = airOf(doc)
    const own = bodyDragArea(long / 1000, skin / 1e6, 0.038, 12, air.viscosity / air.density)
    const share = doc.measured.dragShare ?? 1
    expect((one - none) / (share * 1.15 * 1.25 * own)).toBeCloseTo(1, 2)
  })
  it('turns the nose as a body does: the neutral point moves forward with its width', () => {
    const np = (factor: number) =>
      assessor.assess(
        changed(doc, draft => {
          for (const station of draft.pods[0].body.stations) station.widthMm *= factor
        }),
      ).flight.neutralPointMm
    const places = [0.6, 0.8, 1, 1.2, 1.4].map(np)
    for (let i = 1; i < places.length; i++) expect(places[i]).toBeLessThan(places[i - 1])
    // Two turn it by twice what one does.
    const without = (change: (draft: ProjectFile) => void) =>
      assessor.assess(changed(doc, change)).flight.neutralPointMm
    const none = without(draft => (draft.pods = []))
    const one = without(draft => (draft.pods[0].pair = false))
    expect((places[2] - none) / (one - none)).toBeCloseTo(2, 6)
  })
  it('has its hatches and cuts in its own places, wherever it stands', () => {
    const cut = changed(doc, draft => {
      const [pod] = draft.pods
      pod.cuts = [{ atMm: 60, joint: { kind: 'lip', toleranceMm: 0.2 }, piece: 2 }]
      pod.body.openings = [
        { id: 'side', name: 'side hatch', side: 'bottom', fromMm: 10, toMm: 45, widthMm: 14 },
      ]
    })
    const pieces = assessor.airframe(cut).pieces.filter(piece => piece.part === 'pod')
    const at = (id: string) => pieces.find(piece => piece.id === id)!
    expect(at('pod-1-1-port').to).toBeCloseTo(cut.pods[0].xMm + 60, 9)
    expect(at('pod-1-2-port').from).toBeCloseTo(cut.pods[0].xMm + 60, 9)
    const lid = at('pod-1-lid-side-starboard')
    // A gap of 0.3 mm all round.
    expect(lid.from).toBeCloseTo(cut.pods[0].xMm + 10.3, 9)
    expect(lid.to).toBeCloseTo(cut.pods[0].xMm + 44.7, 9)
  })
  it('its seat is the wing’s own skin there, also of a wing that leans', () => {
    const leaning = changed(thistledown, draft => {
      draft.wing.cantDeg = 9
    })
    const { wing } = assessor.airframe(leaning)
    const seat = seatAbove(wing, 200)!
    const s = toSurface(wing, 0, 200, wing.origin[2]).s
    const own = outlineAt(wing, s)
    for (const k of [0, 20, 60])
      expect(seat.z + seat.outline[2 * k + 1]).toBeCloseTo(
        placePoint(wing, own[2 * k], own[2 * k + 1], s, 1)[2],
        9,
      )
  })
  it('weighs on the wing at its place: moment at the root by its weight on its arm', () => {
    const airframe = assessor.airframe(doc)
    const row = assessor.assess(doc).ledger.find(item => item.id === 'pod-1-1-starboard')!
    const entry = {
      id: row.id,
      name: row.name,
      group: 'printed' as const,
      mass: row.massG / 1000,
      x: row.xMm / 1000,
      y: row.yMm / 1000,
      z: row.zMm / 1000,
      sigma: 0,
      common: null,
      source: 'printed' as const,
      drops: false,
      own: { xx: 0, yy: 0, zz: 0, xz: 0 },
    }
    const momentOf = (entries: (typeof entry)[]) =>
      weightLoads(airframe, airframe.wing, entries, [0]).weight.moment[0]
    const arm = (row.yMm - doc.wing.yMm) / 1000
    expect(momentOf([entry]) - momentOf([])).toBeCloseTo(9.80665 * entry.mass * arm, 6)
    // One that is glued to the body alone does not hang on it.
    const beside = assessor.airframe(
      changed(doc, draft => {
        Object.assign(draft.pods[0], { xMm: 20, yMm: 45, zMm: 0 })
      }),
    )
    const weighs = (entries: (typeof entry)[]) =>
      weightLoads(beside, beside.wing, entries, [0]).weight.moment[0]
    expect(weighs([{ ...entry, y: 0.045 }])).toBe(weighs([]))
  })
  it('loads the wing in a landing: heavier, and less is left', () => {
    const heavier = changed(doc, draft => {
      for (const item of draft.equipment) if (item.kind === 'motor') item.massG += 50
    })
    const landing = (item: ProjectFile) =>
      assessor.assess(item).strength.cases.find(entry => entry.id === 'landing')!
    expect(landing(heavier).reserve).toBeLessThan(landing(doc).reserve)
  })
  it('one that touches nothing stops the build, and one at the wing does not', () => {
    expect(codes(doc)).not.toContain('pod-adrift')
    const low = changed(doc, draft => {
      draft.pods[0].zMm -= 80
    })
    expect(codes(low)).toContain('pod-adrift')
    // Over the wing: the gap is from its underside to the highest of the skin below it.
    const over = changed(doc, draft => {
      draft.pods[0].zMm += 90
      for (const station of draft.pods[0].body.stations)
        Object.assign(station, { widthMm: 20, heightMm: 20, zMm: 0 })
    })
    const { wing, pods } = assessor.airframe(over)
    const seat = seatAbove(wing, 230)!
    const highest = Math.max(...pods[0].loft.grid.map(x => gapAt(seat.outline, x)?.upper ?? -Infinity))
    const said = assessor.assess(over).findings.find(item => item.code === 'pod-adrift')!
    expect(said.value).toBeCloseTo(over.pods[0].zMm - 10 - (seat.z + highest), 6)
    const beyond = changed(doc, draft => {
      draft.pods[0].yMm = 3000
    })
    expect(codes(beyond)).toContain('pod-adrift')
  })
  it('one that runs through the wing without a seat is warned of', () => {
    const through = changed(doc, draft => {
      draft.pods[0].body.saddle = null
    })
    expect(codes(through)).toContain('pod-unseated')
    expect(codes(doc)).not.toContain('pod-unseated')
  })
  it('a cut through its hatch is named with where it may go', () => {
    const cut = (atMm: number) =>
      assessor
        .assess(
          changed(doc, draft => {
            const [pod] = draft.pods
            pod.cuts = [{ atMm, joint: { kind: 'butt', toleranceMm: 0 }, piece: 2 }]
            pod.body.openings = [
              { id: 'side', name: 'side hatch', side: 'bottom', fromMm: 20, toMm: 60, widthMm: 14 },
            ]
          }),
        )
        .findings.find(item => item.code === 'cut-through' && item.value === atMm)
    // Two millimetres clear of it.
    expect(cut(55)!.limit).toBe(62)
    expect(cut(70)).toBeUndefined()
  })
  it('its firewall is looked at like the nose’s: foam under a motor is warned of', () => {
    const foamed = changed(doc, draft => {
      const foam = draft.zones.find(zone => zone.filament.includes('foam'))!
      for (const station of draft.pods[0].body.stations) station.zone = foam.id
    })
    const found = assessor.assess(foamed).findings.find(item => item.code === 'firewall-foamed')
    expect(found?.where).toBe('Firewall of Nacelle')
  })
  it('a pair in the middle, and two pods of one number, are refused with their place', () => {
    const wrong = (change: (draft: ProjectFile) => void) => {
      const draft = structuredClone(doc)
      change(draft)
      try {
        checkProject(draft)
      } catch (fault) {
        return (fault as DocumentError).message
      }
      return ''
    }
    expect(wrong(draft => (draft.pods[0].yMm = 0))).toMatch(/^pods\[0\]\.yMm/)
    expect(wrong(draft => draft.pods.push({ ...draft.pods[0], id: 'other' }))).toMatch(/^pods\[1\]\.piece/)
    expect(wrong(draft => (draft.pods[0].body.stations[1].zone = 'none'))).toMatch(
      /^pods\[0\]\.body\.stations\[1\]\.zone/,
    )
    expect(wrong(draft => (draft.pods[0].body.stations[1].xMm = -5))).toMatch(/must lie behind/)
  })
})

describe('a pair of booms', () => {
  const doc = twinBoom()
  it('weighs twice one, beside the middle, and leaves the body', () => {
    const one = rowsOf(thistledown, id => id === 'boom')[0]
    const both = rowsOf(doc, id => /^boom-/.test(id))
    const long = (item: ProjectFile) => item.boom!.toMm - item.boom!.fromMm
    expect(both.map(row => row.yMm)).toEqual([230, -230])
    for (const row of both) expect(row.massG / long(doc)).toBeCloseTo(one.massG / long(thistledown), 9)
    const holes = (item: ProjectFile, part: string) =>
      assessor
        .airframe(item)
        .pieces.filter(piece => piece.part === part)
        .some(piece => piece.features.some(feature => feature.name === 'Boom'))
    expect(holes(doc, 'body')).toBe(false)
    expect(holes(doc, 'pod')).toBe(true)
    expect(holes(thistledown, 'body')).toBe(true)
  })
  it('each bears half of what the tail does to one on the same line', () => {
    const frameOf = (item: ProjectFile) => boomFrame(assessor.airframe(item))!
    const pair = frameOf(doc),
      alone = frameOf(
        changed(doc, draft => {
          draft.boom!.yMm = 0
        }),
      )
    pair.cases.forEach((item, i) => {
      expect(item.shear / alone.cases[i].shear).toBeCloseTo(0.5, 9)
      expect(item.moment / item.shear).toBeCloseTo(i === 0 ? pair.length : pair.tail.fin!.x - pair.heldAt, 9)
    })
    // A tail of 100 g whips each as one of 50 g would one boom.
    expect(whipOf(pair, 0.1, 8, 40).force).toBeCloseTo(whipOf({ ...pair, count: 1 }, 0.05, 8, 40).force, 9)
    // It is held where its pod ends, not where the body does.
    const [{ loft }] = assessor.airframe(doc).pods
    expect(1000 * pair.heldAt).toBeCloseTo(loft.to, 9)
  })
  it('a tail that reaches neither stops the build; one a millimetre within the tube does not', () => {
    const short = (mm: number) =>
      changed(doc, draft => {
        draft.tail.horizontal!.panels[0].spanMm -= mm
      })
    const radius = assessor.airframe(doc).boom!.stock.heightMm / 2
    expect(codes(short(radius - 1))).not.toContain('tail-off-booms')
    const found = assessor.assess(short(radius + 5)).findings.find(item => item.code === 'tail-off-booms')
    expect(found!.value).toBeCloseTo(5, 6)
  })
  it('their give takes less of the tail away than one of the same tube would', () => {
    const left = (item: ProjectFile) => assessor.flown(item).solved.tailLeft(item.brief.cruiseMs).pitch
    const thick = (yMm: number) =>
      changed(doc, draft => {
        // On the same line where either is held: without body and pods, by their front ends.
        draft.body = null
        draft.pods = []
        draft.boom!.yMm = yMm
      })
    const one = 1 / left(thick(0)) - 1,
      two = 1 / left(thick(230)) - 1
    // Lost over left is as the load over the stiffness.
    expect(one / two).toBeCloseTo(2, 1)
  })
})
