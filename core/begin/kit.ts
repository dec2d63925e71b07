/** What drives and steers it, out of the drawer: the lightest set that pulls enough and lasts the flight. */
import { airOfField, batteryOf, fanFrom, motorOf, turnedBy } from '../assess'
import { NO_SPECS, USUAL_C, USUAL_POWER, type Equipment } from '../document'
import type {
  FanOnShelf,
  Libraries,
  MotorOnShelf,
  PropellerOnShelf,
  Battery,
  ControllerOnShelf,
} from '../libraries'
import type { ReceiverOnShelf, ServoOnShelf } from '../libraries'
import { fanAt, FRESH, rootBetween, running, type Drive } from '../power'
import { GRAVITY } from '../units'
import type { Purpose } from './purposes'
import type { Wishes } from './wishes'

export interface Kit {
  motor: MotorOnShelf
  /** A propeller, or a fan for a duct. */
  turns: PropellerOnShelf | FanOnShelf
  controller: ControllerOnShelf
  battery: Battery
  receiver: ReceiverOnShelf
  servo: ServoOnShelf
}

export interface KitAsk {
  /** Flying weight that it is chosen for, g. */
  massG: number
  cruiseMs: number
  stallMs: number
  /** Lift over drag at cruise that level power is reckoned from. */
  glide: number
  /** Blades fold flat in a belly landing; behind the wing they need not. */
  folding: boolean
  /** A fan in a duct so long, over its diameter, and with such an outlet, instead of a propeller. */
  duct?: { lengthOverDiameter: number; outlet: number } | null
  /** So many of motor, propeller and controller; 1 where it is not said. */
  motors?: number
}

/** Current is held below what parts bear by this share. */
const HELD = 0.9
/** Of a pack's charge is used in a flight. */
const USED = 0.75
/** Full throttle at the launch, s; and lift over drag that most reach. */
const LAUNCH_S = 6,
  GLIDES = 10
/** Pitch times turns over the stall: less pulls nothing at speed. */
const PITCH_SPEED = 2.5

/** A motor over the diameter of what it turns: of a fan at least, of a propeller at most so many times as large. */
const IN_FAN = 0.3,
  TURNS = 11.5
/** Nobody turns a large propeller with a small motor, whatever the sum says; a fan's goes into its hub. */
const suits = (turns: Kit['turns'], { sizeMm: [, wide] }: MotorOnShelf): boolean =>
  'hubMm' in turns
    ? wide <= turns.hubMm && wide >= IN_FAN * turns.diameterMm
    : turns.diameterMm <= TURNS * wide

/** What is owned of a shelf; all of it where nothing is. */
export const some = <T extends { id: string }>(
  shelf: readonly T[],
  owned: readonly string[],
): readonly T[] => {
  const own = shelf.filter(item => owned.includes(item.id))
  return own.length ? own : shelf
}

/** The least servo of the drawer that is not under a mass usual for the size of the aircraft. */
function servoFor(massG: number, wishes: Wishes, libraries: Libraries): ServoOnShelf {
  const shelf = [...some(libraries.servos, wishes.drawer.servos)].sort((a, b) => a.massG - b.massG)
  // About one per cent of the flying weight each.
  return shelf.find(item => item.massG >= 0.0085 * massG) ?? shelf[shelf.length - 1]
}

/**
 * Null where nothing of the drawer pulls enough, with the most that anything there pulls, N. `ask.massG`
 * counts the kit in.
 */
export function chooseKit(
  ask: KitAsk,
  purpose: Purpose,
  wishes: Wishes,
  libraries: Libraries,
): { kit: Kit | null; mostN: number; wantedN: number } {
  const { motors = 1 } = ask
  const wantedN = purpose.pull * (ask.massG / 1000) * GRAVITY,
    dragN = ((ask.massG / 1000) * GRAVITY) / ask.glide
  const air = airOfField({ brief: wishes })
  const batteries = [...some(libraries.batteries, wishes.drawer.batteries)].sort((a, b) => a.massG - b.massG)
  const shelf = some(libraries.motors, wishes.drawer.motors)
  const owned = libraries.propellers.filter(item => wishes.drawer.propellers.includes(item.id))
  const propellers = owned.length
    ? owned
    : libraries.propellers.filter(item => item.folding === ask.folding && item.blades === 2)
  const controllers = [...libraries.controllers].sort((a, b) => a.massG - b.massG)
  const servo = servoFor(ask.massG, wishes, libraries)
  const receiver = libraries.receivers[ask.massG < 250 ? 0 : 1] ?? libraries.receivers[0]
  let best: Kit | null = null,
    bestG = Infinity,
    mostN = 0
  const turning: Array<{ turns: Kit['turns']; turned: Drive['turned'] }> = ask.duct
    ? libraries.fans.map(turns => {
        const { lengthOverDiameter, outlet } = ask.duct!
        const own = fanFrom({ ...turns, ductMm: lengthOverDiameter * turns.diameterMm, exitShare: outlet })
        return { turns, turned: (omega: number, speed: number) => fanAt(own, air, omega, speed) }
      })
    : propellers.map(turns => ({ turns, turned: turnedBy(turns, air) }))
  for (const { turns, turned } of turning) {
    for (const motor of shelf) {
      if (!suits(turns, motor)) continue
      for (const cells of new Set(batteries.map(item => item.cells))) {
        const packs = batteries.filter(item => item.cells === cells)
        const driveOf = (battery: Battery): Drive => ({
          motor: motorOf(motor, null),
          controller: 0.006,
          battery: batteryOf([asPack(battery)], USUAL_POWER, wishes.fieldTemperatureC),
          turned,
          motors,
        })
        // A larger pack gives more volts, and more current with them.
        const standingOf = (battery: Battery) => running(driveOf(battery), 1, 0, FRESH).current
        const middle = driveOf(packs[Math.floor(packs.length / 2)])
        const rest = running(middle, 1, 0, FRESH)
        if (rest.motorCurrent > HELD * motor.maxA) continue
        const pitchMs = (turns.pitchMm / 1000) * (rest.omega / (2 * Math.PI))
        if (
          pitchMs < PITCH_SPEED * ask.stallMs ||
          running(middle, 1, ask.cruiseMs, FRESH).thrust < 1.3 * dragN
        )
          continue
        mostN = Math.max(mostN, rest.thrust)
        if (rest.thrust < wantedN) continue
        const controller = controllers.find(item => HELD * item.limitA >= rest.motorCurrent)
        if (!controller) continue
        const throttle = rootBetween(
          at => running(middle, at, ask.cruiseMs, FRESH).thrust - dragN,
          0.05,
          1,
          1e-3,
        )
        const level = running(middle, throttle, ask.cruiseMs, FRESH).current
        // Level all the time at a drag taken high covers the climb of one motor; a pair draws twice as much in it.
        const flightS = 60 * purpose.minutes,
          climbS = purpose.climbS + LAUNCH_S
        const climbing = running(middle, 1, ask.cruiseMs, FRESH).current
        const charge =
          motors > 1
            ? climbing * climbS + (level * ask.glide * Math.max(0, flightS - climbS)) / GLIDES
            : level * flightS
        const wantedMah = charge / 3.6 / USED
        const battery = packs.find(
          item => item.capacityMah >= wantedMah && (USUAL_C * item.capacityMah) / 1000 >= standingOf(item),
        )
        if (!battery) continue
        const grams = motors * (motor.massG + turns.massG + controller.massG) + battery.massG
        if (grams < bestG) {
          bestG = grams
          best = { motor, turns, controller, battery, receiver, servo }
        }
      }
    }
  }
  return { kit: best, mostN, wantedN }
}

const asPack = ({ name, massG, sizeMm, cells, capacityMah }: Battery): Equipment =>
  part('battery', name, 'battery', massG, [0, 0, 0], sizeMm, {
    battery: { cells, capacityMah, resistanceOhm: null, continuousC: USUAL_C },
  })

/** Things from a shelf vary by about two per cent. */
export const part = (
  id: string,
  name: string,
  kind: Equipment['kind'],
  massG: number,
  [xMm, yMm, zMm]: readonly [number, number, number],
  sizeMm: readonly [number, number, number],
  more: Partial<Equipment> = {},
): Equipment => ({
  id,
  name,
  kind,
  massG,
  spreadG: Math.max(0.3, Math.round(2 * massG) / 100),
  xMm,
  yMm,
  zMm,
  sizeMm: [...sizeMm],
  pair: false,
  bay: null,
  drops: false,
  weighed: false,
  pocket: null,
  ...NO_SPECS,
  ...more,
})
