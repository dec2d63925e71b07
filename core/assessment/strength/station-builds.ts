/** What is built at a station of a surface, kept while its section, recipe and spars stay. */
import type { Recipe } from '../../document'
import type { Filament } from '../../libraries'
import {
  buildCovered,
  buildStation,
  type Covering,
  type StationBuild,
  type StationSection,
} from '../../structure'

/** Recipes, with the spars that run through, remembered for each place. */
const REMEMBERED = 60

interface Known {
  recipe: Recipe
  filament: Filament
  covering: Covering | null
  spars: StationSection['spars']
  build: StationBuild
}

/** It depends on the spars that run through there, not on those elsewhere. */
export function createBuilds(): (
  section: StationSection,
  recipe: Recipe,
  filament: Filament,
  covering: Covering | null,
) => StationBuild {
  const built = new WeakMap<StationSection['field'], Known[]>()
  return (section, recipe, filament, covering) => {
    const known = built.get(section.field) ?? [],
      { spars } = section
    const found = known.find(
      item =>
        item.recipe === recipe &&
        item.filament === filament &&
        item.covering === covering &&
        item.spars.length === spars.length &&
        item.spars.every((spar, i) => spar.line === spars[i].line),
    )
    if (found) return found.build
    const build = covering
      ? buildCovered(section, recipe, filament, covering)
      : buildStation(section, recipe, filament)
    built.set(section.field, [...known.slice(1 - REMEMBERED), { recipe, filament, covering, spars, build }])
    return build
  }
}
