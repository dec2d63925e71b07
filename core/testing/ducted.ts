/** Thistledown with a fan in a tube over its wing instead of its propeller. mm */
import { DEMOS } from '../demo'
import type { Equipment, ProjectFile } from '../document'
import { LIBRARIES } from '../libraries'
import { changed } from './changed'

const [thistledown] = DEMOS
const [, fan] = LIBRARIES.fans
/** Of the tube, and where the fan turns in it. */
export const LENGTH = 240
const FAN_AT = 90

/** Instead of its propeller, in the middle of a place. */
export function withFan(draft: ProjectFile, [xMm, yMm, zMm]: readonly [number, number, number]): Equipment {
  const item = draft.equipment.find(own => own.kind === 'propeller')!
  const { diameterMm, hubMm, pitchMm, exitShare, ductMm, massG } = fan
  return Object.assign(item, {
    propeller: null,
    fan: { diameterMm, hubMm, pitchMm, exitShare, ductMm },
    massG,
    xMm,
    yMm,
    zMm,
    sizeMm: [40, diameterMm, diameterMm] as Equipment['sizeMm'],
  })
}

/** A tube over the wing with the fan in it; widths are inside, in mm, at even places along it. */
export const jet = (
  inside: readonly number[] = [66, 66, 66, 66, 66],
  more: (draft: ProjectFile) => void = () => {},
): ProjectFile =>
  changed(thistledown, draft => {
    const zone = draft.body!.stations[0].zone
    const item = withFan(draft, [300 + FAN_AT, 0, 160])
    Object.assign(draft.zones.find(own => own.id === zone)!.recipe, {
      school: 'beads',
      walls: 2,
      spiral: false,
      lattice: null,
    })
    const { recipe } = draft.zones.find(own => own.id === zone)!
    // Two beads with round sides, one beside the other.
    const wall = wallOf(recipe.beadWidthMm, recipe.layerHeightMm)
    draft.pods = [
      {
        id: 'duct',
        name: 'Duct',
        piece: 1,
        xMm: 300,
        yMm: 0,
        zMm: 160,
        pair: false,
        duct: item.id,
        cuts: [],
        body: {
          stations: inside.map((mm, i) => ({
            xMm: (LENGTH * i) / (inside.length - 1),
            widthMm: mm + 2 * wall,
            heightMm: mm + 2 * wall,
            zMm: 0,
            squareness: 0,
            zone,
          })),
          firewall: null,
          openings: [],
          saddle: null,
        },
      },
    ]
    more(draft)
  })
/** Bead width and the spacing of the next: w − h·(1 − π/4). */
const wallOf = (w: number, h: number) => w + (w - h * (1 - Math.PI / 4))
