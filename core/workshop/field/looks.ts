/** What works loose, and how many flights until somebody looks at it again. */
import { allControls, tailInSlots, type ProjectFile } from '../../document'
import type { Words } from '../../units'

export interface LookDue {
  id: string
  what: Words
  /** How to look. */
  how: string
  /** Flights until it is due; 0 or less: now. */
  inFlights: number
  lookedAt: string | null
}

interface Kind {
  id: string
  what: string
  how: string
  here(doc: ProjectFile): boolean
}

const has = (doc: ProjectFile, kind: string) => doc.equipment.some(item => item.kind === kind)

const KINDS: readonly Kind[] = [
  {
    id: 'propeller-bolt',
    what: 'Propeller bolt and adaptor',
    how: 'battery out; turn by hand: no play, no wobble, no nick in the blades',
    here: doc => has(doc, 'propeller'),
  },
  {
    id: 'motor-screws',
    what: 'Motor screws and mount',
    how: 'battery out; press the shaft every way: nothing clicks; look for white plastic round the heads',
    here: doc => has(doc, 'motor'),
  },
  {
    id: 'wing-bolts',
    what: 'Wing bolts, saddle, joints that come apart',
    how: 'bolts snug, no dished plastic under the heads, the joiner not worn',
    here: doc => doc.cuts.wing.some(cut => cut.joint.kind === 'plug') || doc.body !== null,
  },
  {
    id: 'hinges',
    what: 'Hinges',
    how: 'pull each surface gently at both ends; no tear, no gap that grew, tape not lifting',
    here: doc => allControls(doc).length > 0,
  },
  {
    id: 'horns',
    what: 'Horns, rods and clevises',
    how: 'no play at the arm, clevis keepers on, horn not rocking in its skin',
    here: doc => allControls(doc).length > 0,
  },
  {
    id: 'servos',
    what: 'Servos and their screws',
    how: 'gears turn without a step, screws hold, leads not chafed',
    here: doc => has(doc, 'servo'),
  },
  {
    id: 'tail',
    what: 'Boom and tail mount',
    how: 'sight from behind: tail level with the wing; twist by its tip: no tick',
    here: doc => doc.boom !== null,
  },
  {
    id: 'tail-slots',
    what: 'Tail in its slots',
    how: 'pushed in to the marks, level from behind; the tape whole; the foam at its edges not crushed',
    here: tailInSlots,
  },
  {
    id: 'legs',
    what: 'Legs and wheels',
    how: 'axles, collars, mount: no cracks, no bent wire',
    here: doc => doc.gear.length > 0,
  },
  {
    id: 'hatches',
    what: 'Hatches, magnets and straps',
    how: 'they hold when it is shaken upside down over grass',
    here: doc => (doc.body?.openings.length ?? 0) > 0 || has(doc, 'battery'),
  },
]

export function looksDue(doc: ProjectFile): LookDue[] {
  const flights = doc.flights.length
  return KINDS.filter(kind => kind.here(doc))
    .map(({ id, what, how }) => {
      const look = doc.field.looks.find(item => item.item === id)
      // Flights that were taken out of the log since do not put a look off.
      const since = flights - Math.min(flights, look?.flights ?? 0)
      return { id, what, how, inFlights: doc.field.lookEvery - since, lookedAt: look?.date ?? null }
    })
    .sort((a, b) => a.inFlights - b.inFlights)
}
