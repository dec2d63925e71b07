/** The flight path: stations in the order of the work, in three legs. What each one shows is in `rooms.ts`. */
export type Leg = 'draw' | 'make' | 'fly'

export const LEGS: ReadonlyArray<{ id: Leg; label: string }> = [
  { id: 'draw', label: 'Draw' },
  { id: 'make', label: 'Make' },
  { id: 'fly', label: 'Fly' },
]

export interface StationInfo {
  id: string
  label: string
  leg: Leg
  question: string
  /** The design is still open there, and single changes are offered. */
  designs?: boolean
}

export const STATIONS = [
  {
    id: 'brief',
    label: 'Brief',
    leg: 'draw',
    question: 'What must it do, and is that in proportion?',
    designs: true,
  },
  { id: 'shape', label: 'Shape', leg: 'draw', question: 'How is it laid out?', designs: true },
  {
    id: 'power',
    label: 'Power',
    leg: 'draw',
    question: 'What pulls it, how fast, and how long?',
    designs: true,
  },
  {
    id: 'skin',
    label: 'Skin',
    leg: 'draw',
    question: 'Which filament and which walls, where?',
    designs: true,
  },
  { id: 'spine', label: 'Spine', leg: 'draw', question: 'What carries the wing?', designs: true },
  { id: 'split', label: 'Split', leg: 'draw', question: 'Where is it cut to fit the bed?', designs: true },
  {
    id: 'balance',
    label: 'Balance',
    leg: 'draw',
    question: 'Where does it balance, and where should it?',
    designs: true,
  },
  {
    id: 'choose',
    label: 'Choose',
    leg: 'draw',
    question: 'What would another choice make of it?',
    designs: true,
  },
  {
    id: 'print',
    label: 'Print',
    leg: 'make',
    question: 'Which piece on which printer, and how long?',
    designs: true,
  },
  { id: 'weigh', label: 'Weigh', leg: 'make', question: 'Does the scale agree?' },
  { id: 'build', label: 'Build', leg: 'make', question: 'What comes next, and what would it bury?' },
  { id: 'prove', label: 'Prove', leg: 'make', question: 'Does it bear on the ground what was computed?' },
  { id: 'toss', label: 'Toss', leg: 'fly', question: 'What does it do when you let go?' },
  { id: 'field', label: 'Field', leg: 'fly', question: 'Go, or not yet?' },
  { id: 'log', label: 'Log', leg: 'fly', question: 'What did it teach?' },
] as const satisfies readonly StationInfo[]

export type StationId = (typeof STATIONS)[number]['id']

export const isStation = (id: string): id is StationId => STATIONS.some(station => station.id === id)
export const stationInfo = (id: StationId): StationInfo => STATIONS.find(station => station.id === id)!
