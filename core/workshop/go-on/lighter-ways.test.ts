/** Ways that a maker would try on what is left of a zone, each with the one figure that it changes. */
import { describe, expect, it } from 'vitest'
import { DEMOS } from '../../demo'
import type { ProjectFile, Recipe, Zone } from '../../document'
import { LIBRARIES, recipeById } from '../../libraries'
import { written } from '../../units'
import { lighterWays } from './lighter-ways'

const [thistledown] = DEMOS
const tough = LIBRARIES.filaments.find(item => item.id === 'pla-tough')!
const bare: ProjectFile = { ...thistledown, spools: [], zones: [] }
const ways = (recipe: Partial<Recipe>, doc: ProjectFile = bare, id = 'tail') => {
  const zone: Zone = {
    id,
    name: 'Tail',
    ribs: null,
    sheet: null,
    filament: tough.id,
    recipe: { ...recipeById('beads', tough), ...recipe },
  }
  return new Map(
    lighterWays({ ...doc, zones: [...doc.zones, zone] }, zone, LIBRARIES).map(way => [
      way.id.slice(id.length + 1),
      { ...way, title: written(way.title) },
    ]),
  )
}
const own = (recipe: Partial<Recipe>) => ({ ...recipeById('beads', tough), ...recipe })

describe('lighter ways for the rest of a zone', () => {
  it('less flow by a twenty-fifth, a twelfth and an eighth, to the hundredth', () => {
    const list = ways({ flow: 0.5 })
    expect(['flow-0.96', 'flow-0.92', 'flow-0.88'].map(id => list.get(id)!.zone.recipe.flow)).toEqual([
      0.48, 0.46, 0.44,
    ])
    expect(list.get('flow-0.92')!.title).toBe('Tail: flow 0.46')
    // What a hundredth does not tell apart from the present one is none.
    expect(ways({ flow: 0.1 }).has('flow-0.96')).toBe(false)
    expect(ways({ flow: 0.05 }).has('flow-0.88')).toBe(false)
  })

  it('a wall less while one is left', () => {
    expect(ways({ walls: 3 }).get('wall-less')).toMatchObject({
      title: 'Tail: 2 walls',
      zone: { recipe: own({ walls: 2 }) },
    })
    expect(ways({ walls: 2 }).get('wall-less')).toMatchObject({
      title: 'Tail: 1 wall',
      zone: { recipe: own({ walls: 1 }) },
    })
    expect(ways({ walls: 1 }).has('wall-less')).toBe(false)
  })

  it('half the infill where there is any, one base and top layer less where there are some', () => {
    expect(ways({ infillShare: 0.08 }).get('infill-half')).toMatchObject({
      title: 'Tail: infill 4.0 %',
      zone: { recipe: { infillShare: 0.04 } },
    })
    expect(ways({ infillShare: 0.01 }).has('infill-half')).toBe(false)
    expect(ways({ baseLayers: 4, topLayers: 0 }).get('layer-less')!.zone.recipe).toMatchObject({
      baseLayers: 3,
      topLayers: 0,
    })
    expect(ways({ baseLayers: 1, topLayers: 1 }).has('layer-less')).toBe(false)
  })

  it('webs 1.3 and 1.7 times as far apart', () => {
    const lattice = { pitchMm: 30, slitMm: 0.04, overlapMm: 0.15, leanDeg: 45 }
    const list = ways({ lattice })
    expect(list.get('webs-1.3')!.zone.recipe.lattice).toEqual({ ...lattice, pitchMm: 39 })
    expect(list.get('webs-1.7')!.zone.recipe.lattice).toEqual({ ...lattice, pitchMm: 51 })
    expect([...ways({}).keys()].some(id => id.startsWith('webs'))).toBe(false)
  })

  it('the other hollow schools with bead, layer, flow and nozzle as they are; a solid one has none', () => {
    const recipe = { beadWidthMm: 0.6, layerHeightMm: 0.3, flow: 0.93, nozzleC: 221, brimMm: 3 }
    const list = ways(recipe)
    const schools = [...list.keys()].filter(id => id.startsWith('as-'))
    expect(schools).toEqual(['as-spiral-lattice', 'as-bead-infill', 'as-double-skin'])
    for (const id of schools) expect(list.get(id)!.zone.recipe).toMatchObject(recipe)
    expect(list.get('as-spiral-lattice')!.zone.recipe).toMatchObject({ spiral: true, walls: 1 })
    expect([...ways({ school: 'solid' }).keys()].some(id => id.startsWith('as-'))).toBe(false)
  })

  it('filaments at hand, with their own flow; no foam where a motor is screwed on', () => {
    const foam = LIBRARIES.filaments.find(item => item.id === 'pla-foam')!
    expect([...ways({}).keys()].some(id => id.startsWith('in-'))).toBe(false)
    const spools = thistledown.spools.filter(spool => spool.filament === foam.id).slice(0, 1)
    expect(spools).toHaveLength(1)
    const list = ways({}, { ...bare, spools })
    const { nozzleC, flow } = recipeById('beads', foam)
    expect([...list.keys()].filter(id => id.startsWith('in-'))).toEqual(['in-pla-foam'])
    expect(list.get('in-pla-foam')!.zone).toMatchObject({ filament: foam.id, recipe: { nozzleC, flow } })
    const nose = thistledown.body!.stations[0].zone
    expect(ways({}, { ...bare, spools }, nose).has('in-pla-foam')).toBe(false)
  })
})
