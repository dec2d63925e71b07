import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { buildGraph, RULES, type BuildStep, type Need, sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { Equipment, ProjectFile } from '../../document'
import { aircraft } from '../../testing/arbitraries'
import { runs } from '../../testing/runs'
import { trapsIn } from '../../testing/building-site'
import { buildOrder } from './index'
import { ribbed } from '../../testing/ribbed'
import { sheeted } from '../../testing/sheeted'
import { twinBoom } from '../../testing/twin'
import { WIRE_LEG } from '../../testing/wire-leg'
import { cabane, interplane, twoWings } from '../../testing/two-wings'
import { wingletsFor } from '../../testing/winglets'
import { drafted as change } from '../../testing/changed'

const [thistledown, plover] = DEMOS
const assessor = sharedAssessor()
const frame = (doc: ProjectFile) => assessor.airframe(doc)

/** Any order that the needs allow, by a seeded choice among what is ready; one step is put off as long as it can be. */
function anyOrder(steps: readonly BuildStep[], needs: readonly Need[], pick: () => number): BuildStep[] {
  const open = new Map(steps.map(step => [step.id, new Set<string>()]))
  for (const { before, after } of needs) open.get(after)!.add(before)
  const left = new Set(steps),
    order: BuildStep[] = []
  const late = steps[Math.floor(pick() * steps.length)]
  while (left.size) {
    const ready = [...left].filter(step => open.get(step.id)!.size === 0)
    if (ready.length === 0) throw new Error('a circle')
    const rest = ready.length > 1 ? ready.filter(item => item !== late) : ready
    const step = rest[Math.floor(pick() * rest.length)]
    order.push(step)
    left.delete(step)
    for (const needed of open.values()) needed.delete(step.id)
  }
  return order
}
/** Mulberry32, so that a failure comes back. */
const dice = (seed: number) => () => {
  seed = (seed + 0x6d2b79f5) | 0
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed)
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296
}

const closedBody = change(thistledown, doc => {
  doc.body!.openings = []
  doc.body!.saddle = null
})
const gluedWing = change(thistledown, doc => {
  doc.body!.openings = []
  doc.body!.saddle!.bolts = 0
})
const tTail = change(thistledown, doc => {
  doc.tail.kind = 'T'
  doc.tail = { ...doc.tail, screws: 2 }
  doc.gear = [
    { ...WIRE_LEG, printedWheel: { zone: 'body', tyre: 'body', widthMm: 14, thickMm: 8, axleMm: 3 } },
  ]
})
const ribs = ribbed(doc => {
  // Halves that are joined over a tube, so that film, spars and halves wait for each other.
  doc.spars.find(spar => spar.id === 'main-spar')!.through = false
})
/** Plugged to its joiners would be no trap: both wings are glued. */
const biplane: ProjectFile = {
  ...twoWings({ upMm: 150, struts: [cabane(), interplane(300)] }),
  winglets: wingletsFor(thistledown),
}
const CASES = [thistledown, plover, closedBody, gluedWing, tTail, twinBoom(), ribs, sheeted(), biplane]

describe('the order of building', () => {
  it('whatever order the rules allow, nothing is buried, shut in or set out of true', () => {
    for (const doc of CASES) {
      const graph = buildGraph(frame(doc))
      for (let seed = 1; seed <= 12; seed++) {
        const order = anyOrder(graph.steps, graph.needs, dice(seed))
        expect(trapsIn(frame(doc), order), `${doc.name}, seed ${seed}`).toEqual([])
      }
    }
  })

  it.each(RULES.map(rule => rule.id))('without "%s" somebody builds a trap', id => {
    const found = CASES.some(doc => {
      const airframe = frame(doc)
      const { steps, needs } = buildGraph(airframe, id)
      return Array.from({ length: 60 }, (_, seed) =>
        trapsIn(airframe, anyOrder(steps, needs, dice(seed))),
      ).some(traps => traps.length > 0)
    })
    expect(found).toBe(true)
  })

  it('random aircraft: no rule broken, every piece and component once, cured before it is moved on', () => {
    fc.assert(
      fc.property(aircraft, fc.integer({ min: 1, max: 3 }), (drawn, people) => {
        const doc = { ...drawn, build: { ...drawn.build, people } }
        const airframe = frame(doc)
        // It throws where two steps wait for one another.
        const { steps } = buildOrder(airframe)
        const brought = steps.flatMap(step => step.brings)
        expect(new Set(brought).size).toBe(brought.length)
        const wanted = [...airframe.pieces.map(piece => piece.id), ...doc.equipment.map(item => item.id)]
        expect(wanted.filter(id => !brought.includes(id))).toEqual([])
        const byId = new Map(steps.map(step => [step.id, step]))
        for (const step of steps)
          for (const need of step.needs) {
            const first = byId.get(need)!
            expect(step.beginsMin).toBeGreaterThanOrEqual(
              first.beginsMin + first.minutes + first.waitMin - 1e-9,
            )
          }
        const graph = buildGraph(airframe)
        const asBuilt = steps.map(step => graph.steps.find(other => other.id === step.id)!)
        expect(trapsIn(airframe, asBuilt)).toEqual([])
      }),
      { numRuns: runs(500, 8) },
    )
  })

  it('a rod to a servo that sits in another part waits for both of them where they will be', () => {
    const airframe = frame(
      change(thistledown, draft => (draft.tail.horizontal!.controls[0].linkage!.servo = 'aileron-servo')),
    )
    const { steps } = buildOrder(airframe)
    const ids = steps.map(step => step.id)
    const rod = ids.findIndex(id => id.startsWith('rod.horizontal'))
    for (const id of [
      'servo.aileron-servo.starboard',
      'servo.aileron-servo.port',
      'tail.horizontal',
      'set-wing',
    ]) {
      expect(ids).toContain(id)
      expect(ids.indexOf(id), id).toBeLessThan(rod)
    }
    expect(steps[rod].bench).toBe('whole')
  })

  it('one pair of hands does one thing at a time, and one bench holds one person', () => {
    const doc = change(thistledown, draft => (draft.build.people = 2))
    const { steps } = buildOrder(frame(doc))
    const apart = (same: (a: (typeof steps)[0], b: (typeof steps)[0]) => boolean) =>
      steps.flatMap((a, i) =>
        steps
          .slice(i + 1)
          .filter(
            b =>
              same(a, b) &&
              a.beginsMin < b.beginsMin + b.minutes - 1e-9 &&
              b.beginsMin < a.beginsMin + a.minutes - 1e-9,
          ),
      )
    expect(apart((a, b) => a.person === b.person)).toEqual([])
    expect(apart((a, b) => a.bench === b.bench)).toEqual([])
  })

  it('two people finish sooner, never later than one; the work is the same', () => {
    for (const doc of CASES) {
      const [one, two] = [1, 2].map(people =>
        buildOrder(frame(change(doc, draft => (draft.build.people = people)))),
      )
      expect(two.handsMin).toBeCloseTo(one.handsMin, 9)
      expect(two.untilMin).toBeLessThanOrEqual(one.untilMin)
      // Never shorter than the work divided, nor than its longest chain.
      expect(two.untilMin).toBeGreaterThanOrEqual(one.handsMin / 2 - 1e-9)
    }
  })

  it('waiting is worked through: the demo has none with quick glue, and slow epoxy costs its nights', () => {
    const quick = buildOrder(frame(thistledown))
    expect(quick.untilMin - quick.handsMin).toBeLessThan(0.1 * quick.handsMin)
    const slow = buildOrder(frame(change(thistledown, doc => (doc.build.glues.spars = 'epoxy-slow'))))
    // Spar, halves, tailplane and fin follow one another: four nights of ten hours at least.
    expect(slow.untilMin).toBeGreaterThan(4 * 600)
    expect(slow.handsMin).toBeGreaterThan(quick.handsMin)
  })

  it('glue of a joint is its rim by what the glue lays a millimetre', () => {
    const order = buildOrder(frame(thistledown))
    const piece = frame(thistledown).pieces.find(item => item.id === 'body-2')!
    const [loop] = [...piece.sectionAt(piece.from + 0.01)].sort((a, b) => b.length - a.length)
    let rim = 0
    for (let i = 0; i < loop.length; i += 2)
      rim += Math.hypot(loop[(i + 2) % loop.length] - loop[i], loop[(i + 3) % loop.length] - loop[i + 1])
    const join = order.steps.find(step => step.joins.some(([, outer]) => outer === 'body-2'))!
    // Thin cyanoacrylate: 0.6 g a metre.
    expect(join.glue!.grams).toBeCloseTo(0.0006 * rim, 6)
  })
})

describe('what cannot be built is said before it is printed', () => {
  const codes = (doc: ProjectFile) =>
    assessor.assess(doc).findings.filter(item => /shut-in|sealed-in/.test(item.code))
  it('the demos can be built', () => {
    for (const doc of DEMOS) expect(codes(doc)).toEqual([])
  })
  it('a spar whose bore opens nowhere', () => {
    const doc = change(thistledown, draft => {
      const rod = draft.spars.find(spar => spar.id === 'rear-rod')!
      Object.assign(rod, { fromMm: 20, toMm: 110 })
    })
    const [found] = codes(doc)
    expect(found).toMatchObject({
      code: 'spar-shut-in',
      severity: 'stop',
      where: 'Rear rod in Wing 1 starboard',
    })
    // Twenty millimetres of closed bore at one end and 25 at the other: the nearer is what is missing.
    expect(found.value).toBeCloseTo(20, 6)
    // An end at the face, or a joint across it, opens it.
    for (const [fromMm, toMm] of [
      [0, 110],
      [20, 135],
      [20, 200],
    ])
      expect(
        codes(
          change(doc, draft =>
            Object.assign(
              draft.spars.find(spar => spar.id === 'rear-rod')!,
              { fromMm, toMm },
            ),
          ),
        ),
      ).toEqual([])
  })
  it('a battery that no hatch lets out, and a body of one piece that lets nothing in', () => {
    const battery = codes(closedBody).find(item => item.where.toString().includes('Battery'))
    expect(battery).toMatchObject({ code: 'part-shut-in', severity: 'stop' })
    const shut = change(closedBody, doc => (doc.cuts.body = []))
    const sealed = codes(shut).filter(item => item.code === 'part-shut-in')
    expect(sealed.length).toBeGreaterThanOrEqual(5)
    expect(sealed.every(item => item.severity === 'stop')).toBe(true)
  })
  it('a hatch a little too small is too small, a little larger lets it through', () => {
    const hatch = (widthMm: number) =>
      change(thistledown, doc => {
        doc.body!.saddle = null
        doc.body!.openings = [
          { id: 'h', name: 'hatch', side: 'top', fromMm: 60, toMm: 60 + widthMm, widthMm },
        ]
        doc.equipment = doc.equipment.filter((item: Equipment) => item.id === 'battery')
      })
    // The battery is 72 × 35 × 26 mm: on its end, 35 by 26 must pass a square hole.
    expect(codes(hatch(34.9)).map(item => item.code)).toEqual(['part-shut-in'])
    expect(codes(hatch(35.1))).toEqual([])
  })
  it('a lead behind closed ribs', () => {
    const doc = change(thistledown, draft => {
      draft.equipment.find(item => item.id === 'aileron-servo')!.pocket!.cableMm = 0
    })
    expect(codes(doc)).toMatchObject([{ code: 'lead-shut-in', value: 2 }])
  })
})
