/** Reading a project file: syntax, format, version, shape, then references between its parts. */
import { z } from 'zod'
import { aerofoilOf } from './aerofoil-names'
import { DocumentError } from './fault'
import { parseJson, type JsonLimits } from './json'
import { migrate } from './migrate'
import { outlineFault } from './outline'
import { ProjectFile } from './schema'
import { SURFACE_NAMES, surfaceOf } from './surfaces-of'

/** Of project files: what older ones did not say is put in by `migrate`. */
export const PRESENT_VERSION = 20

// The page's content security policy forbids compiling code from strings.
z.config({ jitless: true })

/** A file past this is not a project: the greatest the schema admits is well under it. */
export const MAX_PROJECT_BYTES = 64_000_000
/** All meshes of given parts together, characters: a project stays a file that can be kept and sent. */
const MAX_MESHES = 24_000_000
/** The greatest that the schema admits has 550 000 values, nearly all of them figures of measured polars. */
const PROJECT_LIMITS: JsonLimits = { bytes: MAX_PROJECT_BYTES, values: 700_000, depth: 32 }

const shorten = (text: string): string => (text.length > 160 ? `${text.slice(0, 157)}…` : text)

/** `wing.panels[0].spanMm` from Zod's path. */
export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key),
    '',
  )
}

/**
 * Parses JSON text into a checked project. Throws `DocumentError` with the path of the first fault; never
 * half-reads.
 */
export function readProject(json: string): ProjectFile {
  return checkProject(parseJson(json, 'a project file', PROJECT_LIMITS))
}

/** Weighings, printers and files know a piece by its id: a given part must not have that of a designed one. */
const OWN_PIECE = /^(wing|second|winglet|horizontal|vertical|body|pod|boom|gear)(-|$)/i

/** Checks a parsed value; see `readProject`. */
export function checkProject(raw: unknown): ProjectFile {
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw))
    throw new DocumentError('', 'a project file is one JSON object')
  const head = raw as { format?: unknown; version?: unknown }
  if (head.format !== 'mariposa-project')
    throw new DocumentError('format', `must be "mariposa-project"; this is another kind of file`)
  if (typeof head.version === 'number' && head.version > PRESENT_VERSION)
    throw new DocumentError(
      'version',
      `${head.version} is newer than this application reads (${PRESENT_VERSION}); update the application`,
    )
  const parsed = ProjectFile.safeParse(migrate(raw as Record<string, unknown>))
  if (!parsed.success) {
    const issue = parsed.error.issues[0]
    throw new DocumentError(pathText(issue.path), shorten(issue.message))
  }
  checkReferences(parsed.data)
  return parsed.data
}

function checkReferences(doc: ProjectFile): void {
  const zones = new Set(doc.zones.map(zone => zone.id))
  const own = new Set(doc.aerofoils.map(aerofoil => aerofoil.id))
  const needZone = (zone: string, path: string) => {
    if (!zones.has(zone))
      throw new DocumentError(path, `there is no zone "${shorten(zone)}"; zones: ${[...zones].join(', ')}`)
  }
  const needAerofoil = (ref: string, path: string) => {
    if (!own.has(ref) && !aerofoilOf(ref))
      throw new DocumentError(
        path,
        `"${shorten(ref)}" is neither a NACA name (naca2412, naca23012) nor an aerofoil of this file`,
      )
  }
  const numbers = (list: ReadonlyArray<{ piece: number }>, path: string) => {
    const seen = new Set<number>()
    list.forEach(({ piece }, i) => {
      if (seen.has(piece))
        throw new DocumentError(`${path}[${i}].piece`, `${piece} is the number of another piece already`)
      seen.add(piece)
    })
  }
  for (const [part, list] of Object.entries(doc.cuts)) numbers(list, `cuts.${part}`)
  const drawn = SURFACE_NAMES.flatMap(name => {
    const surface = surfaceOf(doc, name)
    return surface && name !== 'winglet' ? [[name in doc.tail ? `tail.${name}` : name, surface] as const] : []
  })
  for (const [path, surface] of drawn) numbers(surface.controls, `${path}.controls`)
  for (const list of ['zones', 'asPrinted'] as const)
    doc[list].forEach(({ recipe }, i) => {
      if (recipe.beadWidthMm < recipe.layerHeightMm)
        throw new DocumentError(
          `${list}[${i}].recipe.beadWidthMm`,
          `a bead ${recipe.beadWidthMm} mm wide cannot be ${recipe.layerHeightMm} mm high`,
        )
    })
  doc.aerofoils.forEach(({ points }, i) => {
    const fault = outlineFault(points)
    if (fault) throw new DocumentError(`aerofoils[${i}].points[${fault.at}]`, fault.reason)
  })
  doc.polars.forEach((polar, i) => {
    needAerofoil(polar.aerofoil, `polars[${i}].aerofoil`)
    polar.points.forEach(([alpha], k) => {
      if (k > 0 && alpha <= polar.points[k - 1][0])
        throw new DocumentError(
          `polars[${i}].points[${k}]`,
          `incidence ${alpha}° must be greater than the one before it`,
        )
    })
  })
  for (const [label, surface] of [
    ...drawn,
    ...doc.wingSets.map((set, i) => [`wingSets[${i}].wing`, set.wing] as const),
  ] as const) {
    needAerofoil(surface.rootAerofoil, `${label}.rootAerofoil`)
    surface.panels.forEach((panel, i) => {
      needZone(panel.zone, `${label}.panels[${i}].zone`)
      needAerofoil(panel.tipAerofoil, `${label}.panels[${i}].tipAerofoil`)
    })
  }
  if (doc.winglets) {
    needZone(doc.winglets.zone, 'winglets.zone')
    needAerofoil(doc.winglets.aerofoil, 'winglets.aerofoil')
  }
  const bodies = [
    ...(doc.body ? [{ path: 'body', body: doc.body }] : []),
    ...doc.pods.map((pod, i) => ({ path: `pods[${i}].body`, body: pod.body })),
  ]
  for (const { path, body } of bodies) {
    body.stations.forEach((station, i, all) => {
      needZone(station.zone, `${path}.stations[${i}].zone`)
      if (i > 0 && station.xMm <= all[i - 1].xMm)
        throw new DocumentError(
          `${path}.stations[${i}].xMm`,
          `${station.xMm} must lie behind the station before it (${all[i - 1].xMm})`,
        )
    })
    body.openings.forEach((opening, i) => {
      if (opening.toMm <= opening.fromMm)
        throw new DocumentError(
          `${path}.openings[${i}].toMm`,
          `${opening.toMm} must lie behind fromMm (${opening.fromMm})`,
        )
    })
  }
  doc.duct?.stations.forEach((station, i, all) => {
    if (i > 0 && station.xMm <= all[i - 1].xMm)
      throw new DocumentError(
        `duct.stations[${i}].xMm`,
        `${station.xMm} must lie behind the station before it (${all[i - 1].xMm})`,
      )
  })
  numbers(doc.pods, 'pods')
  doc.pods.forEach((pod, i) => {
    numbers(pod.cuts, `pods[${i}].cuts`)
    if (pod.pair && pod.yMm < 1)
      throw new DocumentError(
        `pods[${i}].yMm`,
        'one of a pair stands to starboard, at least 1 mm from the middle',
      )
  })
  const meshes = doc.given.reduce((sum, given) => sum + given.mesh.length, 0)
  if (meshes > MAX_MESHES)
    throw new DocumentError(
      'given',
      `the given parts have ${Math.ceil(meshes / 1e6)} MB together; at most ${MAX_MESHES / 1e6} MB`,
    )
  doc.gear.forEach(({ zone, printedWheel }, i) => {
    needZone(zone, `gear[${i}].zone`)
    if (printedWheel) needZone(printedWheel.zone, `gear[${i}].printedWheel.zone`)
    if (printedWheel?.tyre) needZone(printedWheel.tyre, `gear[${i}].printedWheel.tyre`)
  })
  doc.given.forEach((given, i) => {
    needZone(given.zone, `given[${i}].zone`)
    if (OWN_PIECE.test(given.id))
      throw new DocumentError(
        `given[${i}].id`,
        `"${given.id}" is what a designed piece is called; give it another`,
      )
  })
  if (doc.boom && doc.boom.toMm <= doc.boom.fromMm)
    throw new DocumentError('boom.toMm', 'must lie behind boom.fromMm')
  if (doc.brief.staticMarginPct[0] > doc.brief.staticMarginPct[1])
    throw new DocumentError('brief.staticMarginPct', 'the least must come before the greatest')
  for (const [label, list] of [
    ['zones', doc.zones],
    ['spars', doc.spars],
    ['struts', doc.struts],
    ['equipment', doc.equipment],
    ['printers', doc.printers],
    ['aerofoils', doc.aerofoils],
    ['spools', doc.spools],
    ['flights', doc.flights],
    ['gear', doc.gear],
    ['proofs', doc.proofs],
    ['build.notes', doc.build.notes],
    ['given', doc.given],
    ['wingSets', doc.wingSets],
    ['pods', doc.pods],
    ...bodies.map(({ path, body }) => [`${path}.openings`, body.openings] as const),
  ] as const) {
    const seen = new Set<string>()
    list.forEach((item: { id: string }, i: number) => {
      if (seen.has(item.id)) throw new DocumentError(`${label}[${i}].id`, `"${item.id}" is used twice`)
      seen.add(item.id)
    })
  }
}

/** The project as its one `.json` file. */
export const writeProject = (doc: ProjectFile): string => `${JSON.stringify(doc, null, 2)}\n`
