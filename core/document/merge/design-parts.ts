/** The design part by part, as two copies of it are compared: wholes, and things that have an id of their own. */
import type { ProjectFile } from '../schema'

/** Taken from one copy or the other as a whole. */
const WHOLES = {
  name: 'Name',
  purpose: 'Purpose',
  brief: 'Brief',
  wing: 'Wing',
  second: 'Second wing',
  winglets: 'Winglets',
  tail: 'Tail',
  body: 'Body',
  boom: 'Boom',
  duct: 'Duct in the body',
  cuts: 'Cuts and joints',
  allowances: 'Allowances',
  printerOf: 'Which printer prints what',
  power: 'Drive and flight plan',
  tilt: 'Motors that tilt',
  measured: 'Measured weight and balance',
  tracings: 'Pictures drawn over',
} as const satisfies Partial<Record<keyof ProjectFile, string>>

/** Lists of things with an id, each taken by itself. */
const LISTS = {
  aerofoils: 'Aerofoil',
  pods: 'Pod',
  zones: 'Zone',
  spars: 'Spar',
  struts: 'Strut',
  equipment: 'Equipment',
  printers: 'Printer',
  spools: 'Spool',
  gear: 'Leg',
  given: 'Given part',
  wingSets: 'Wing set',
} as const satisfies Partial<Record<keyof ProjectFile, string>>

/** How it is built and what is so of the field today: wholes inside of what else is kept from both. */
const INNER = {
  'build.glues': 'Glues',
  'build.people': 'How many build',
  'field.today': 'Air and pack of the day',
} as const

export interface DesignPart {
  key: string
  label: string
  value: unknown
}

export type WholeKey = keyof typeof WHOLES
export type ListKey = keyof typeof LISTS
export const WHOLE_KEYS = Object.keys(WHOLES) as WholeKey[]
export const LIST_KEYS = Object.keys(LISTS) as ListKey[]

const itemKey = (list: ListKey, id: string) => `${list}/${id}`
export { itemKey }

export const todayOf = ({ field }: ProjectFile) => {
  const { date, airC, pressureHpa, windMs, gustMs, pack, chargePct } = field
  return { date, airC, pressureHpa, windMs, gustMs, pack, chargePct }
}

export function designParts(doc: ProjectFile): Map<string, DesignPart> {
  const parts: DesignPart[] = [
    ...WHOLE_KEYS.map(key => ({ key, label: WHOLES[key], value: doc[key] })),
    ...LIST_KEYS.flatMap(list =>
      (doc[list] as ReadonlyArray<{ id: string; name?: string }>).map(item => ({
        key: itemKey(list, item.id),
        label: `${LISTS[list]}: ${item.name ?? item.id}`,
        value: item,
      })),
    ),
    { key: 'polars', label: 'Measured polars', value: doc.polars },
    { key: 'build.glues', label: INNER['build.glues'], value: doc.build.glues },
    { key: 'build.people', label: INNER['build.people'], value: doc.build.people },
    { key: 'field.today', label: INNER['field.today'], value: todayOf(doc) },
  ]
  return new Map(parts.map(part => [part.key, part]))
}
