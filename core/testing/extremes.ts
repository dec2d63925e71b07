/**
 * Documents at the edges of what the schema admits: a demo with some figures put to odd values, whatever that
 * makes of the aircraft.
 */
import fc from 'fast-check'
import { DEMOS } from '../demo'
import { checkProject, DocumentError, type ProjectFile } from '../document'

type Path = Array<string | number>

/** Every number of a document, by path. */
function numbersOf(value: unknown, path: Path = []): Path[] {
  if (typeof value === 'number') return [path]
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, item]) =>
    numbersOf(item, [...path, Array.isArray(value) ? Number(key) : key]),
  )
}

function put(doc: unknown, path: Path, value: number): void {
  let at = doc as Record<string | number, unknown>
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>
  at[path[path.length - 1]] = value
}

/**
 * What the demos leave out: legs, tests, caps, bent wire, a joiner pushed in, a wing that lies on the bed.
 */
const SPARS: Array<Partial<ProjectFile['spars'][number]>> = [
  { stock: 'strip-1x3', lay: 'caps' },
  { fixing: 'removable' },
  { stock: 'wire-3', route: 'bent' },
]
const FULL: ProjectFile = {
  ...DEMOS[0],
  brief: { ...DEMOS[0].brief, landing: 'wheels', launch: 'bungee' },
  spars: DEMOS[0].spars.map((spar, i) => ({ ...spar, ...SPARS[i] })),
  zones: DEMOS[0].zones.map(zone =>
    zone.id === 'wing-outer'
      ? {
          ...zone,
          recipe: {
            ...zone.recipe,
            stance: 'flat',
            spiral: false,
            lattice: null,
            topLayers: 3,
            baseLayers: 3,
          },
        }
      : zone,
  ),
  gear: (['wire', 'printed', 'sprung'] as const).map((kind, i) => ({
    id: kind,
    name: kind,
    kind,
    xMm: 200 + 60 * i,
    yMm: 20,
    zMm: -40,
    dropMm: 80,
    splayMm: 50,
    thicknessMm: 3,
    widthMm: 10,
    zone: 'body',
    springNmm: 1,
    travelMm: 15,
    coil: null,
    wheelMm: 50,
    tyreMm: 4,
    wheelG: 8,
    printedWheel: null,
    pair: i < 2,
    mount: { lengthMm: 30, widthMm: 8, depthMm: 4 },
  })),
  proofs: (['trestles', 'root', 'twist', 'drop'] as const).map(kind => ({
    id: kind,
    kind,
    massG: 500,
    atMm: 300,
    armMm: 100,
    measured: 4,
    date: '2026-11-25',
    note: '',
  })),
}
const BASES = [...DEMOS, FULL]

const PATHS = BASES.map(demo => numbersOf(demo).filter(path => path[0] !== 'version'))
const VALUES = [0, 1, -1, 0.001, 0.5, 2, 5, 10, 40, 90, -15, 100, 500, 1000, 3000, 1e-6]

/**
 * A demo, or one with all else in it, with up to six figures changed at once, where the schema takes them.
 */
export const extreme: fc.Arbitrary<ProjectFile> = fc
  .tuple(
    fc.nat(BASES.length - 1),
    fc.array(fc.tuple(fc.nat(100_000), fc.constantFrom(...VALUES)), { minLength: 1, maxLength: 6 }),
    fc.constantFrom('as it is', 'V', 'canard', 'none', 'all-moving'),
  )
  .map(([which, changes, tail]) => {
    let doc = structuredClone(BASES[which])
    if (tail !== 'as it is' && (doc.tail.horizontal || tail === 'none'))
      doc.tail.kind = tail as ProjectFile['tail']['kind']
    for (const [pick, value] of changes) {
      const next = structuredClone(doc)
      put(next, PATHS[which][pick % PATHS[which].length], value)
      try {
        doc = checkProject(next)
      } catch (fault) {
        if (!(fault instanceof DocumentError)) throw fault
      }
    }
    return doc
  })

/** Paths of every number that is none; infinities count too. */
export function notNumbers(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path} is ${value}`]
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, item]) => notNumbers(item, path ? `${path}.${key}` : key))
}
