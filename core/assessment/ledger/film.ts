/** What covers ribs, as rows of the ledger. SI. */
import { NO_INERTIA, sumInertia, sumMass, type MassEntry } from '../../mass'
import { coveredStretches, LAPS, type Designed } from '../resolve'

/** One standard deviation: glue, colour and how much was cut away. */
export const FILM_SPREAD = 0.12

/** One a stretch, spread over where it lies. */
export const filmEntries = (airframe: Designed): MassEntry[] =>
  coveredStretches(airframe).flatMap(({ stretch, zone, name, film, strips }): MassEntry[] => {
    const parts = strips.map((strip, i): MassEntry => ({
      ...strip,
      id: `${i}`,
      name: '',
      group: 'film',
      mass: strip.area * (1 + LAPS) * film.arealMass,
      sigma: 0,
      common: null,
      source: 'reckoned',
      drops: false,
      own: NO_INERTIA,
    }))
    const whole = sumMass(parts)
    if (!(whole.mass > 0)) return []
    return [
      {
        ...parts[0],
        id: `film-${stretch}-${zone}`,
        name: `Film, ${name}`,
        mass: whole.mass,
        x: whole.x,
        y: whole.y,
        z: whole.z,
        sigma: FILM_SPREAD * whole.mass,
        common: film.id,
        own: sumInertia(parts, whole),
      },
    ]
  })
