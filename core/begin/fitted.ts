/** The parts of a kit, each put at its place. mm */
import type { Equipment, Surface } from '../document'
import { part } from './kit'
import type { Draft } from './sketch'
import { whole } from './sketch'
import { underSkin } from './wing'

type Place = readonly [number, number, number]

/** A load of 0.8 g/cm³, half as long again as it is wide and high. */
export function loadSize(grams: number): [number, number, number] {
  if (grams <= 0) return [0, 0, 0]
  const side = Math.cbrt(grams / 0.8 / 1.5) * 10
  return [whole(1.5 * side), whole(side), whole(side)]
}

export const loadOf = ({ wishes, purpose }: Draft): number => wishes.payloadG ?? purpose.payloadG

/** A list of each, so that what is not there is none. */
export function fitted(draft: Draft) {
  const { kit } = draft.sketch
  const { battery, controller, motor, propeller, receiver, servo } = kit
  const spec = { torqueNcm: servo.torqueNcm, travelDeg: servo.travelDeg }
  const grams = loadOf(draft)
  return {
    battery: (at: Place, bay: [number, number]): Equipment[] => [
      part('battery', battery.name, 'battery', battery.massG, at, battery.sizeMm, {
        bay,
        battery: {
          cells: battery.cells,
          capacityMah: battery.capacityMah,
          resistanceOhm: null,
          continuousC: 20,
        },
      }),
    ],
    motor: (at: Place): Equipment[] => [
      part('motor', motor.name, 'motor', motor.massG, at, motor.sizeMm, {
        motor: {
          rpmPerVolt: motor.rpmPerVolt,
          resistanceOhm: motor.resistanceOhm,
          noLoadA: motor.noLoadA,
          maxA: motor.maxA,
        },
      }),
    ],
    /** Length of hub and yoke, and depth of the disc as it is drawn. */
    propeller: (at: Place, [long, deep]: readonly [number, number]): Equipment[] => [
      part(
        'propeller',
        propeller.name,
        'propeller',
        propeller.massG,
        at,
        [long, propeller.diameterMm, deep],
        {
          propeller: {
            diameterMm: propeller.diameterMm,
            pitchMm: propeller.pitchMm,
            blades: propeller.blades,
            chord: propeller.chord,
            folding: propeller.folding,
            material: propeller.material,
          },
        },
      ),
    ],
    controller: (at: Place): Equipment[] => [
      part('controller', controller.name, 'speed-controller', controller.massG, at, controller.sizeMm, {
        controller: { limitA: controller.limitA, resistanceOhm: controller.resistanceOhm },
      }),
    ],
    receiver: (at: Place): Equipment[] => [
      part('receiver', receiver.name, 'receiver', receiver.massG, at, receiver.sizeMm),
    ],
    servo: (id: string, name: string, at: Place): Equipment[] => [
      part(id, `${name}, ${servo.massG} g`, 'servo', servo.massG, at, servo.sizeMm, { servo: spec }),
    ],
    /** Flat under the top skin of both halves, at these shares of span and chord. */
    wingServos: (
      id: string,
      name: string,
      wing: Surface,
      [share, chordShare]: readonly [number, number],
    ): Equipment[] => {
      const [long, thin, tall] = servo.sizeMm
      return [
        part(
          id,
          `${name}, ${servo.massG} g`,
          'servo',
          servo.massG,
          underSkin(wing, share, chordShare, long, thin),
          [long, tall, thin],
          { pair: true, pocket: { surface: 'wing', cableMm: 4 }, servo: spec },
        ),
      ]
    },
    load: (at: Place): Equipment[] =>
      grams > 0
        ? [
            part(
              'load',
              draft.wishes.purpose === 'camera' ? 'Camera' : 'Load',
              'payload',
              grams,
              at,
              loadSize(grams),
            ),
          ]
        : [],
  }
}
