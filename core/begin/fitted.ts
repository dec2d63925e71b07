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
  const { battery, controller, motor, turns, receiver, servo } = kit
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
    propeller: (at: Place, [long, deep]: readonly [number, number]): Equipment[] => {
      if (!('blades' in turns)) throw new Error('a layout with a propeller was given a fan')
      const { name, massG, diameterMm, pitchMm, blades, chord, folding, material } = turns
      return [
        part('propeller', name, 'propeller', massG, at, [long, diameterMm, deep], {
          propeller: { diameterMm, pitchMm, blades, chord, folding, material },
        }),
      ]
    },
    /** In its housing, without the motor. */
    fan: (at: Place): Equipment[] => {
      if (!('hubMm' in turns)) throw new Error('a layout with a fan was given a propeller')
      const { name, massG, diameterMm, hubMm, pitchMm, exitShare, ductMm } = turns
      return [
        part('propeller', name, 'propeller', massG, at, [0.4 * diameterMm, diameterMm, diameterMm], {
          fan: { diameterMm, hubMm, pitchMm, exitShare, ductMm },
        }),
      ]
    },
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
