/** Thistledown with a fan in its body: a way for air from cheeks beside the nose, or from the nose, to the tail. mm */
import { DEMOS } from '../demo'
import type { Duct, ProjectFile } from '../document'
import { LIBRARIES } from '../libraries'
import { changed } from './changed'
import { withFan } from './ducted'

const [thistledown] = DEMOS
const [, fan] = LIBRARIES.fans
/** Of the body, and where the fan turns in it. */
export const BODY = { from: 0, to: 600, width: 110, height: 120 }
export const FAN_AT = 330

/** Straight through the middle, one bore of the fan's size and a little air. */
export const STRAIGHT: Duct['stations'] = [-5, 605].map(xMm => ({
  xMm,
  yMm: 0,
  zMm: 0,
  widthMm: fan.diameterMm + 1,
  heightMm: fan.diameterMm + 1,
  squareness: 0,
}))

/** From a cheek on either side to one tube ahead of the fan. */
export const CHEEKS: Duct['stations'] = [
  { xMm: 100, yMm: 58, widthMm: 40, heightMm: 58 },
  { xMm: 200, yMm: 30, widthMm: 46, heightMm: 58 },
  { xMm: 300, yMm: 0, widthMm: fan.diameterMm + 1, heightMm: fan.diameterMm + 1 },
  { xMm: 400, yMm: 0, widthMm: fan.diameterMm + 1, heightMm: fan.diameterMm + 1 },
  { xMm: 605, yMm: 0, widthMm: 56, heightMm: 56 },
].map(station => ({ zMm: 0, squareness: 0, ...station }))

/** A straight-sided body of one zone, two beads thick, under the wing, with the fan in it. */
export const throughBody = (
  stations: Duct['stations'] = STRAIGHT,
  more: (draft: ProjectFile) => void = () => {},
): ProjectFile =>
  changed(thistledown, draft => {
    const zone = draft.body!.stations[0].zone
    const item = withFan(draft, [FAN_AT, 0, 0])
    const { recipe } = draft.zones.find(own => own.id === zone)!
    Object.assign(recipe, { school: 'beads', walls: 2, spiral: false, lattice: null })
    draft.body = {
      stations: [BODY.from, 300, BODY.to].map(xMm => ({
        xMm,
        widthMm: BODY.width,
        heightMm: BODY.height,
        zMm: 0,
        squareness: 0.2,
        zone,
      })),
      firewall: null,
      openings: [],
      saddle: null,
    }
    draft.wing.zMm = BODY.height / 2 + 20
    draft.cuts.body = [150, 300, 450].map((atMm, i) => ({
      atMm,
      joint: { kind: 'butt', toleranceMm: 0.2 },
      piece: i + 2,
    }))
    draft.duct = { fan: item.id, stations }
    more(draft)
  })
