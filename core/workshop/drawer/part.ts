/** A part as it lies in the drawer: a component without a place. */
import { NO_SPECS, USUAL_C, type Equipment } from '../../document'
import type { Libraries } from '../../libraries'

export type PartGroup =
  | 'Motors'
  | 'Propellers and fans'
  | 'Controllers'
  | 'Batteries'
  | 'Servos'
  | 'Receivers'
  | 'Wheels'
  | 'Cameras, sensors, lights'
  | 'Small things'
  | 'Ballast'
  | 'My own'

export type Specs = Pick<Equipment, 'battery' | 'servo' | 'motor' | 'controller' | 'propeller' | 'fan'>

export interface DrawerPart extends Specs {
  id: string
  group: PartGroup
  name: string
  kind: Equipment['kind']
  massG: number
  sizeMm: readonly [number, number, number]
}

interface OnShelf {
  id: string
  name: string
  massG: number
}

const part = (
  group: PartGroup,
  kind: Equipment['kind'],
  { id, name, massG }: OnShelf,
  sizeMm: readonly [number, number, number],
  specs: Partial<Specs> = {},
): DrawerPart => ({ ...NO_SPECS, ...specs, id, name, massG, group, kind, sizeMm })

const GROUPS = {
  gear: 'Wheels',
  sensor: 'Cameras, sensors, lights',
  payload: 'Cameras, sensors, lights',
  ballast: 'Ballast',
  hardware: 'Small things',
} as const

/** A disc this thick stands for a turning propeller, mm. */
const DISC = 12

/** Everything of the shelf, group by group. */
export const shelfParts = (libraries: Libraries): DrawerPart[] => [
  ...libraries.motors.map(item =>
    part('Motors', 'motor', item, item.sizeMm, {
      motor: {
        rpmPerVolt: item.rpmPerVolt,
        resistanceOhm: item.resistanceOhm,
        noLoadA: item.noLoadA,
        maxA: item.maxA,
      },
    }),
  ),
  ...libraries.propellers.map(item => {
    const { diameterMm, pitchMm, blades, chord, folding, material } = item
    return part('Propellers and fans', 'propeller', item, [DISC, diameterMm, DISC], {
      propeller: { diameterMm, pitchMm, blades, chord, folding, material },
    })
  }),
  ...libraries.fans.map(item => {
    const { diameterMm, hubMm, pitchMm, exitShare, ductMm } = item
    return part('Propellers and fans', 'propeller', item, [diameterMm, diameterMm, diameterMm], {
      fan: { diameterMm, hubMm, pitchMm, exitShare, ductMm },
    })
  }),
  ...libraries.controllers.map(item =>
    part('Controllers', 'speed-controller', item, item.sizeMm, {
      controller: { limitA: item.limitA, resistanceOhm: item.resistanceOhm },
    }),
  ),
  ...libraries.batteries.map(item =>
    part('Batteries', 'battery', item, item.sizeMm, {
      battery: {
        cells: item.cells,
        capacityMah: item.capacityMah,
        resistanceOhm: null,
        continuousC: USUAL_C,
      },
    }),
  ),
  ...libraries.servos.map(item =>
    part('Servos', 'servo', item, item.sizeMm, {
      servo: { torqueNcm: item.torqueNcm, travelDeg: item.travelDeg },
    }),
  ),
  ...libraries.receivers.map(item => part('Receivers', 'receiver', item, item.sizeMm)),
  ...libraries.smallThings.map(item => part(GROUPS[item.kind], item.kind, item, item.sizeMm)),
]

/** A component that is in an aircraft, as one that lies in the drawer. */
export const partOf = ({ id, name, kind, massG, sizeMm, ...own }: Equipment): DrawerPart => ({
  id,
  group: 'My own',
  name,
  kind,
  massG,
  sizeMm: [...sizeMm],
  battery: own.battery,
  servo: own.servo,
  motor: own.motor,
  controller: own.controller,
  propeller: own.propeller,
  fan: own.fan,
})
