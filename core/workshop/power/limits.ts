/**
 * What may not be passed: current, voltage, revolutions, heat, and what pull is for. Each with its figure and
 * a remedy.
 */
import { q, say, type Words } from '../../units'

export interface Limit {
  id: string
  what: Words
  value: number
  limit: number
  unit: string
  digits: number
  /** `most`: must not be above the limit; `least`: must not be below. */
  side: 'most' | 'least'
  ok: boolean
  /** Said where it is broken. */
  remedy: Words
}

const bound = (
  side: Limit['side'],
  id: string,
  what: Words,
  value: number,
  limit: number,
  unit: string,
  digits: number,
  remedy: Words,
): Limit => ({
  id,
  what,
  value,
  limit,
  unit,
  digits,
  side,
  ok: side === 'most' ? value <= limit * (1 + 1e-9) : value >= limit * (1 - 1e-9),
  remedy,
})

export interface Asked {
  motorA: number
  motorMaxA: number
  controllerLimitA: number | null
  packA: number
  packLimitA: number
  /** Under full load at the reserve, of one cell, V. */
  cellV: number
  tipMach: number
  stressMpa: number | null
  bearsMpa: number | null
  motorC: number
  controllerC: number
  packC: number
  pitchSpeed: number | null
  stallSpeed: number
  pullShare: number
  leftPct: number
  reservePct: number
  levelMaxMs: number | null
  topSpeedMs: number
}

/** Cells under load; tips; cases of motor, controller and pack, °C. */
const CELL_V = 3.3,
  MACH = 0.65,
  MOTOR_C = 65,
  CONTROLLER_C = 80,
  PACK_C = 50
const PITCH_SPEED = 2.5,
  PULL = 0.5

export function limitsOf(asked: Asked): Limit[] {
  const smaller = 'Less diameter or pitch, a slower motor, or less throttle in the air'
  return [
    bound(
      'most',
      'motor-current',
      'Current of the motor at full throttle, standing',
      asked.motorA,
      asked.motorMaxA,
      'A',
      1,
      smaller,
    ),
    ...(asked.controllerLimitA === null
      ? []
      : [
          bound(
            'most',
            'controller-current',
            'The same, through its controller',
            asked.motorA,
            asked.controllerLimitA,
            'A',
            1,
            say`A controller for at least ${q(Math.ceil(1.2 * asked.motorA), 'A', 0)}, or a smaller propeller`,
          ),
        ]),
    bound(
      'most',
      'pack-current',
      'Current of the battery at full throttle',
      asked.packA,
      asked.packLimitA,
      'A',
      1,
      'A larger pack, or one that bears more',
    ),
    bound(
      'least',
      'cell-voltage',
      say`Volts of a cell under full load with ${q(asked.reservePct, '%', 0)} left`,
      asked.cellV,
      CELL_V,
      'V',
      2,
      'Land earlier, warm the pack, or take a larger one: a cell that is drawn lower is damaged, and the controller may cut',
    ),
    bound(
      'most',
      'tip-speed',
      'Blade tips against the speed of sound',
      asked.tipMach,
      MACH,
      '',
      2,
      'Less diameter or a slower motor',
    ),
    ...(asked.stressMpa === null || asked.bearsMpa === null
      ? []
      : [
          bound(
            'most',
            'blade-stress',
            'Stress in a blade at full revolutions',
            asked.stressMpa,
            asked.bearsMpa,
            'MPa',
            1,
            'A stronger material or fewer revolutions: stay out of the disc’s plane, and never run a cracked blade',
          ),
        ]),
    bound(
      'most',
      'motor-heat',
      'Case of the motor through the plan',
      asked.motorC,
      MOTOR_C,
      '°C',
      0,
      'Air past it, or a smaller load',
    ),
    bound(
      'most',
      'controller-heat',
      'Controller through the plan',
      asked.controllerC,
      CONTROLLER_C,
      '°C',
      0,
      'Air past it, or a larger one',
    ),
    bound(
      'most',
      'pack-heat',
      'Pack through the plan',
      asked.packC,
      PACK_C,
      '°C',
      0,
      'A larger pack, or longer pauses of throttle',
    ),
    ...(asked.pitchSpeed === null
      ? []
      : [
          bound(
            'least',
            'pitch-speed',
            say`Pitch times revolutions, ${PITCH_SPEED} × stall and more`,
            asked.pitchSpeed,
            PITCH_SPEED * asked.stallSpeed,
            'm/s',
            1,
            'More pitch, or a faster motor',
          ),
        ]),
    bound(
      'least',
      'pull',
      'Thrust at rest against weight, for a gentle hand launch',
      asked.pullShare,
      PULL,
      '',
      2,
      'More diameter, more cells, or a lighter aircraft',
    ),
    bound(
      'least',
      'reserve',
      'Charge that is left after the plan',
      asked.leftPct,
      asked.reservePct,
      '%',
      0,
      'A shorter plan, or a larger pack',
    ),
    ...(asked.levelMaxMs === null
      ? []
      : [
          bound(
            'most',
            'top-speed',
            'Level top speed against what loads and flutter are reckoned for',
            asked.levelMaxMs,
            asked.topSpeedMs,
            'm/s',
            1,
            say`Write ${q(Math.ceil(asked.levelMaxMs), 'm/s', 0)} and more as top speed (Brief), so that the spar is held against it; dives are faster still`,
          ),
        ]),
  ]
}
