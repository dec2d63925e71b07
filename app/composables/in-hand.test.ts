import { describe, expect, it } from 'vitest'
import { DEMOS } from '../../core/demo'
import { changed } from '../../core/testing/changed'
import { twoWings } from '../../core/testing/two-wings'
import { wingletsFor } from '../../core/testing/winglets'
import { twin } from '../../core/testing/twin'
import { inHand } from './in-hand'

const [doc] = DEMOS
const extent = (outline: number[], from: 0 | 1) => {
  const values = outline.filter((_, i) => i % 2 === from)
  return [Math.min(...values), Math.max(...values)]
}

describe('outlines in the hand', () => {
  it('a tip that is moved out: both halves, as far as the panels reach', () => {
    const next = changed(doc, draft => {
      draft.wing.panels[1].spanMm += 40
    })
    const [starboard, port] = inHand('plan', next, doc)
    const reach = next.wing.yMm + next.wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
    expect(extent(starboard, 1)).toEqual([next.wing.yMm, reach])
    expect(extent(port, 1)[0]).toBe(-reach)
    expect(extent(starboard, 0)[0]).toBe(next.wing.xMm)
    // From the side a wing has no outline of its own.
    expect(inHand('side', next, doc)).toEqual([])
  })
  it('a second wing goes with its own handle; winglets go with the tip that they stand on', () => {
    const two = { ...twoWings({ upMm: 150 }, doc), winglets: wingletsFor(doc, { cantDeg: 60 }) }
    const second = inHand(
      'plan',
      changed(two, draft => {
        draft.second!.xMm -= 25
      }),
      two,
    )
    expect(second).toHaveLength(2)
    expect(extent(second[0], 0)[0]).toBe(two.second!.xMm - 25)
    const wider = inHand(
      'plan',
      changed(two, draft => {
        draft.wing.panels[1].spanMm += 40
      }),
      two,
    )
    // The wing and its winglets, on both sides: half of 100 mm at 60° beyond the tip.
    expect(wider).toHaveLength(4)
    const tip = extent(wider[0], 1)[1]
    expect(extent(wider[2], 1)[1] - extent(wider[2], 1)[0]).toBeCloseTo(50, 6)
    expect(extent(wider[2], 1)[0]).toBeCloseTo(tip, 6)
  })
  it('a body’s station and a pod that is moved, from above and from the side', () => {
    const pair = twin()
    const next = changed(pair, draft => {
      draft.body!.stations[1].heightMm += 12
      draft.pods[0].yMm += 15
      draft.pods[0].zMm -= 3
    })
    const above = inHand('plan', next, pair),
      aside = inHand('side', next, pair)
    // The body, and the pod on either side of it.
    expect(above).toHaveLength(3)
    const widest = Math.max(...next.pods[0].body.stations.map(station => station.widthMm)) / 2
    expect(extent(above[1], 1)[1]).toBe(next.pods[0].yMm + widest)
    expect(extent(above[2], 1)[0]).toBe(-next.pods[0].yMm - widest)
    expect(aside).toHaveLength(2)
    const { zMm, heightMm } = next.body!.stations[1]
    expect(extent(aside[0], 1)[1]).toBeGreaterThanOrEqual(zMm + heightMm / 2)
  })
  it('nothing where nothing is moved: the same design, a control, a battery, a recipe', () => {
    const other = changed(doc, draft => {
      draft.wing.controls[0].throwUpDeg += 2
      draft.equipment[3].xMm += 5
      draft.zones[0].recipe.walls += 1
      draft.body!.openings[0].widthMm += 1
    })
    for (const view of ['plan', 'side', 'front'] as const) {
      expect(inHand(view, doc, doc)).toEqual([])
      expect(inHand(view, other, doc)).toEqual([])
    }
  })
})
