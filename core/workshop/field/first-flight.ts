/** What to look at on a first flight, in order, with this aircraft's own figures. */
import type { ProjectFile } from '../../document'
import { q, say, type Words } from '../../units'
import type { FieldDay } from './today'

export interface FlightLook {
  id: 'straight' | 'trim' | 'slow' | 'stall' | 'landing'
  title: string
  words: Words
}

/** Below this nobody stalls a model on purpose, m. */
const STALL_HEIGHT = 40

export function firstFlight(doc: ProjectFile, day: FieldDay): FlightLook[] {
  const { card, stallMs, approachMs, charge } = day
  const cruise = doc.brief.cruiseMs
  return [
    {
      id: 'straight',
      title: 'Straight and up',
      words: say`Into the wind, low rates, wings level; climb before the first turn. Throw at ${q(day.throwMs ?? doc.brief.throwMs, 'm/s', 1)}, level.`,
    },
    {
      id: 'trim',
      title: 'Trim',
      words: say`High and upwind at cruise (${q(cruise, 'm/s', 0)}): hands off for two seconds, trim, again. ${
        card.trimDeg === null
          ? ''
          : say`Computed elevator for the best glide: ${q(card.trimDeg, '°', 1)}, down positive.`
      }`,
    },
    {
      id: 'slow',
      title: 'Slow',
      words: say`Throttle back to about ${q(1.3 * stallMs, 'm/s', 1)}: does it hold its heading, do the ailerons still answer?`,
    },
    {
      id: 'stall',
      title: 'Stall with height',
      words: say`Over ${q(STALL_HEIGHT, 'm')}, wings level, motor idle, stick slowly back: computed at ${q(stallMs, 'm/s', 1)}. Note which wing drops; let go, dive out.`,
    },
    {
      id: 'landing',
      title: 'Landing',
      words: say`Approach at ${q(approachMs, 'm/s', 1)}${
        charge ? say`, begun with charge for three tries: at ${q(charge.landPct, '%')} it is down` : ''
      }. Long and low rather than short and steep.`,
    },
  ]
}
