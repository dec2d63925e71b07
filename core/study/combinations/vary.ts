/** What a study may vary and what must hold, and the dimensions of the space that this makes of a design. */
import { z } from 'zod'
import { DocumentError, pathText, type ProjectFile, type Recipe, type Spar, type Zone } from '../../document'
import { LIBRARIES, recipeFor, type Libraries } from '../../libraries'

const share = z.number().min(0).max(1)
/**
 * A way to print a zone; what is left out stays as it is, with the nozzle temperature and flow that the
 * filament wants.
 */
export const ZoneOption = z.strictObject({
  filament: z.string().optional(),
  school: z.string().optional(),
  walls: z.number().int().min(1).max(8).optional(),
  infillShare: share.optional(),
  pitchMm: z.number().min(5).max(300).optional(),
  layerHeightMm: z.number().min(0.05).max(0.8).optional(),
})
export const Vary = z.strictObject({
  zones: z.record(z.string(), z.array(ZoneOption).min(1).max(40)).default({}),
  /** Stock by spar; null leaves it out. */
  spars: z.record(z.string(), z.array(z.string().nullable()).min(1).max(20)).default({}),
  must: z
    .strictObject({
      massMaxG: z.number().positive().optional(),
      staticMarginPct: z.tuple([z.number(), z.number()]).optional(),
      reserveMin: z.number().min(0).optional(),
      hoursMax: z.number().positive().optional(),
      costMax: z.number().positive().optional(),
      softeningMinC: z.number().optional(),
      onShelf: z.boolean().optional(),
    })
    .default({}),
})
export type Vary = z.infer<typeof Vary>
export type ZoneOption = z.infer<typeof ZoneOption>

/**
 * One thing that varies. Every option holds the very same object each time, so that prints are remembered.
 */
export interface Dimension {
  key: string
  label: string
  options: ReadonlyArray<{ label: string; zone?: Zone; spar?: Spar | null }>
}

/** Combinations gone through at most. */
export const MOST_COMBINATIONS = 5_000_000
/** Ways to build one part that are tabulated at most: each is really printed or loaded. */
export const MOST_WAYS = 20_000

/** Throws `DocumentError` with the path and the reason. */
export function readVary(raw: unknown): Vary {
  const parsed = Vary.safeParse(raw)
  if (!parsed.success)
    throw new DocumentError(
      pathText(parsed.error.issues[0].path),
      parsed.error.issues[0].message.slice(0, 200),
    )
  return parsed.data
}

/** How many there are. */
export const combinations = (list: readonly Dimension[]): number =>
  list.reduce((product, item) => product * item.options.length, 1)

/**
 * Dimensions, zones of the body first, then spars. Throws `DocumentError` for a zone, spar,
 * filament, school or stock that is not there, and for a space that is too large.
 */
export function dimensions(doc: ProjectFile, vary: Vary, libraries: Libraries = LIBRARIES): Dimension[] {
  const zones = Object.entries(vary.zones).map(([id, options]): Dimension & { body: boolean } => {
    const zone = doc.zones.find(item => item.id === id)
    if (!zone)
      throw new DocumentError(
        `zones.${id}`,
        `there is no such zone; zones: ${doc.zones.map(item => item.id).join(', ')}`,
      )
    return {
      key: `zone:${id}`,
      label: zone.name,
      body: !!doc.body?.stations.some(station => station.zone === id),
      options: options.map((option, i) => zoneOption(zone, option, `zones.${id}[${i}]`, libraries)),
    }
  })
  const spars = Object.entries(vary.spars).map(([id, options]): Dimension => {
    const spar = doc.spars.find(item => item.id === id)
    if (!spar)
      throw new DocumentError(
        `spars.${id}`,
        `there is no such spar; spars: ${doc.spars.map(item => item.id).join(', ') || 'none'}`,
      )
    return {
      key: `spar:${id}`,
      label: spar.name,
      options: options.map((stock, i) => {
        if (stock === null) return { label: 'left out', spar: null }
        const found = libraries.stock.find(item => item.id === stock)
        if (!found) throw new DocumentError(`spars.${id}[${i}]`, `there is no stock "${stock.slice(0, 40)}"`)
        return { label: found.name, spar: stock === spar.stock ? spar : sparIn(spar, stock) }
      }),
    }
  })
  const list = [...zones.filter(item => item.body), ...spars, ...zones.filter(item => !item.body)].map(
    ({ key, label, options }): Dimension => ({ key, label, options }),
  )
  if (list.length === 0)
    throw new DocumentError('zones', 'nothing varies: give options for at least one zone or spar')
  const count = combinations(list)
  if (count > MOST_COMBINATIONS)
    throw new DocumentError(
      'zones',
      `${count.toLocaleString('en')} combinations; at most ${MOST_COMBINATIONS.toLocaleString('en')} are gone through: fewer options, or fewer zones at once`,
    )
  return list
}

const laid = new WeakMap<Spar, Map<string, Spar>>()
function sparIn(spar: Spar, stock: string): Spar {
  const known = laid.get(spar) ?? new Map<string, Spar>()
  laid.set(spar, known)
  if (!known.has(stock)) known.set(stock, { ...spar, stock })
  return known.get(stock)!
}

/** The very same object for the same option of the same zone, from study to study. */
const made = new WeakMap<Zone, Map<string, Zone>>()

function zoneOption(
  zone: Zone,
  option: ZoneOption,
  path: string,
  libraries: Libraries,
): Dimension['options'][number] {
  const filament = libraries.filaments.find(item => item.id === (option.filament ?? zone.filament))
  if (!filament)
    throw new DocumentError(
      `${path}.filament`,
      `there is no filament "${(option.filament ?? zone.filament).slice(0, 40)}"`,
    )
  const school = libraries.schools.find(item => item.id === (option.school ?? zone.recipe.school))
  if (!school)
    throw new DocumentError(`${path}.school`, `there is no school "${(option.school ?? '').slice(0, 40)}"`)
  const fresh = recipeFor(school, filament),
    other = filament.id !== zone.filament
  const base: Recipe =
    school.id === zone.recipe.school
      ? { ...zone.recipe, ...(other ? { nozzleC: fresh.nozzleC, flow: fresh.flow } : {}) }
      : {
          ...fresh,
          ...(other ? {} : { nozzleC: zone.recipe.nozzleC, flow: zone.recipe.flow }),
          beadWidthMm: zone.recipe.beadWidthMm,
          stance: zone.recipe.stance,
          brimMm: zone.recipe.brimMm,
        }
  if (option.layerHeightMm !== undefined && option.layerHeightMm > base.beadWidthMm)
    throw new DocumentError(
      `${path}.layerHeightMm`,
      `a bead ${base.beadWidthMm} mm wide cannot be ${option.layerHeightMm} mm high`,
    )
  const recipe: Recipe = {
    ...base,
    walls: option.walls ?? base.walls,
    infillShare: option.infillShare ?? base.infillShare,
    // Another school's layers on a narrow bead of this one are at most as high as it is wide.
    layerHeightMm: option.layerHeightMm ?? Math.min(base.layerHeightMm, base.beadWidthMm),
    lattice: base.lattice && option.pitchMm ? { ...base.lattice, pitchMm: option.pitchMm } : base.lattice,
    spiral: base.spiral && (option.walls ?? 1) === 1,
  }
  const same = !other && JSON.stringify(recipe) === JSON.stringify(zone.recipe)
  const known = made.get(zone) ?? new Map<string, Zone>(),
    text = JSON.stringify([filament.id, recipe])
  made.set(zone, known)
  const varied = same ? zone : (known.get(text) ?? { ...zone, filament: filament.id, recipe })
  known.set(text, varied)
  const words = [
    school.name.toLowerCase(),
    option.walls ? `${option.walls} beads` : '',
    option.infillShare !== undefined ? `${Math.round(100 * option.infillShare)} % infill` : '',
    option.pitchMm ? `webs every ${option.pitchMm} mm` : '',
    option.layerHeightMm ? `layers of ${option.layerHeightMm} mm` : '',
  ].filter(Boolean)
  return { label: `${filament.name}, ${words.join(', ')}${same ? ' (as it is)' : ''}`, zone: varied }
}
