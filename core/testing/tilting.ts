/** Thistledown with a motor at either end of a rod that turns in its wing. mm */
import type { ProjectFile, Tilt } from '../document'
import { changed } from './changed'
import { twin } from './twin'

/** Ahead of the axis: the motors, and their propellers. */
export const MOTOR_AHEAD = 40,
  HUB_AHEAD = 70
export const AXIS = { x: 230, y: 420, z: 60 }

/** Motors, propellers and what tilts them; the axis is a shaft until a spar is named. */
export const tilting = (
  tilt: Partial<Tilt> = {},
  more: (draft: ProjectFile) => void = () => {},
): ProjectFile =>
  changed(twin(AXIS.y), draft => {
    draft.pods = []
    const place = (kind: string, ahead: number) => {
      const item = draft.equipment.find(own => own.kind === kind)!
      Object.assign(item, { xMm: AXIS.x - ahead, yMm: AXIS.y, zMm: AXIS.z, pair: true })
      return item
    }
    const items = [place('motor', MOTOR_AHEAD), place('propeller', HUB_AHEAD)]
    draft.tilt = {
      items: items.map(item => item.id),
      spar: null,
      xMm: AXIS.x,
      zMm: AXIS.z,
      upDeg: 90,
      servo: null,
      gear: 1,
      ...tilt,
    }
    more(draft)
  })
