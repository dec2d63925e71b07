/**
 * What to look over after a landing, made from the places that bear least under it: where to look, for what,
 * and what to do about it.
 */
import type { Assessment } from '../../assess'
import { written, q, say, type Words } from '../../units'

export interface InspectionItem {
  id: string
  where: Words
  look: Words
  reserve: number
  why: Words
}

/** Places with less in hand than this are worth a look after every landing. */
const WORTH_A_LOOK = 6
/** Longest list that anyone works through on a field. */
const LONGEST = 10

const LOOK: ReadonlyArray<[RegExp, string]> = [
  [
    /film/,
    'hold the wing against the light: no tear, no slack field, no new twist; patch it before it flies',
  ],
  [/glue joint/, 'flex the joint: a dark line or a tick says that it has let go'],
  [/buckles|buckling|wrinkling/, 'run a finger along the skin: a crease that stays, a white line'],
  [
    /across layers|along the bead|compression|bending$/,
    'look along the layers for a fine crack, most of all on the side that was stretched',
  ],
  [/spar end|overlap/, 'press the skin where the spar ends: it must not give or click'],
  [/socket/, 'turn and rock it: play means that the bore has worn or torn'],
  [/spar|tube|rod|wire/, 'sight along it and listen for a tick while bending: splinters at the surface'],
  [/hatch/, 'look at the corners of the cut-out for cracks that run outward'],
  [/bolt/, 'look under the bolt heads: white or dished plastic'],
  [/boom/, 'sight along the boom from behind: tail level with the wing; press along it for soft places'],
  [/leg/, 'sight along the leg: bent wire, white plastic'],
  [/mount/, 'press the leg in every direction: nothing may move in the mount'],
  [/shear/, 'twist the wing by its tip: both sides alike, no tick'],
]

const lookFor = (mode: string): string =>
  LOOK.find(([pattern]) => pattern.test(mode))?.[1] ?? 'look for cracks, white lines and play'

export function inspectionList({ strength }: Assessment): InspectionItem[] {
  const landing = strength.cases.find(item => item.id === 'landing'),
    tip = strength.cases.find(item => item.id === 'tip')!
  const items: InspectionItem[] = strength.places
    .filter(place => place.reserve < WORTH_A_LOOK)
    .map(place => ({
      id: place.id,
      where: say`${place.label}, ${q(place.xMm, 'mm', 0)} aft of the nose`,
      look: lookFor(place.mode),
      reserve: place.reserve,
      why: `${place.mode}; ${place.case}`,
    }))
  for (const item of [landing, tip])
    if (item)
      items.push({
        id: `wing-${item.id}`,
        where: say`Wing, ${q(item.atMm, 'mm', 0)} from the root, both sides`,
        look: lookFor(item.mode),
        reserve: item.reserve,
        why: `${item.mode}; ${item.label}`,
      })
  const seen = new Set<string>()
  const weak = strength.stations
    .filter(station => station.s > 1)
    .sort((a, b) => a.reserve - b.reserve)
    .slice(0, 3)
  for (const station of weak)
    items.push({
      id: `wing-${station.s.toFixed(0)}`,
      where: say`Wing, ${q(station.s, 'mm', 0)} from the root, both sides`,
      look: lookFor(station.mode),
      reserve: station.reserve,
      why: `${station.mode}; ${station.case}`,
    })
  return items
    .sort((a, b) => a.reserve - b.reserve)
    .filter(item => {
      const key = written(say`${item.where}-${item.look}`)
      if (seen.has(key)) return false
      seen.add(key)
      return true
    })
    .slice(0, LONGEST)
}
