/** Printed wheels that cannot be, or that are of the wrong stuff. */
import { LEAST_RIM_MM, rimLeftMm, wheelForm, zoneOr } from '../../geometry'
import { q, say } from '../../units'
import type { Finding } from '../report'
import type { Airframe } from '../resolve'

export const wheelProblems = ({ doc, filamentOf }: Airframe): Finding[] =>
  doc.gear.flatMap((leg): Finding[] => {
    const { printedWheel: wheel, name: where } = leg
    if (!wheel) return []
    const left = rimLeftMm(wheelForm(leg, wheel))
    if (left < LEAST_RIM_MM)
      return [
        {
          code: 'wheel-rim',
          stations: ['spine'],
          severity: 'stop',
          where,
          value: left,
          limit: LEAST_RIM_MM,
          unit: 'mm',
          text: say`The wheel of ${where} has ${q(Math.max(0, left), 'mm', 1)} left for its rim between axle and tyre; it takes ${q(LEAST_RIM_MM, 'mm', 1)}, and none is printed`,
          remedy: 'A larger wheel, a thinner tyre, or a thinner axle',
        },
      ]
    const tyre = wheel.tyre === null ? null : filamentOf(zoneOr(doc.zones, wheel.tyre))
    return tyre && tyre.family !== 'flexible'
      ? [
          {
            code: 'wheel-hard-tyre',
            stations: ['spine', 'skin'],
            severity: 'warn',
            where,
            value: tyre.modulus / 1e9,
            limit: SOFTEST_GPA,
            unit: 'GPa',
            text: say`The tyre of ${where} is of ${tyre.name}, which neither stretches over its rim nor gives on the ground`,
            remedy: 'A flexible filament for the zone of the tyre',
          },
        ]
      : []
  })

/** What is sold as flexible is softer than this. */
const SOFTEST_GPA = 0.2
