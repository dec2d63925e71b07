/** What a study is offered to vary, and what the choices on screen amount to. */
import type { ProjectFile, Zone } from '../../core/document'
import { LIBRARIES } from '../../core/libraries'
import type { Vary, ZoneOption } from '../../core/study/combinations'

export interface Offer {
  title: string
  value: string
}
/** Options by zone or spar, as text so that a list can hold them. */
export type Picked = Record<string, string[]>
export interface Musts {
  weight: boolean
  balance: boolean
  strength: boolean
  hours: boolean
  shelf: boolean
  cost: number | null
  heatC: number | null
}
export const NO_MUSTS: Musts = {
  weight: false,
  balance: true,
  strength: true,
  hours: false,
  shelf: false,
  cost: null,
  heatC: null,
}

const offer = (title: string, option: ZoneOption): Offer => ({ title, value: JSON.stringify(option) })

/** Its own recipe a step thicker, sparser or coarser, and filaments at hand in every school. */
export function zoneOffers(doc: ProjectFile, { recipe, filament: own }: Zone): Offer[] {
  const { walls, infillShare, lattice, layerHeightMm } = recipe,
    name = (id: string) => LIBRARIES.filaments.find(item => item.id === id)?.name ?? id
  const steps = [
    ...(walls < 8 && !recipe.spiral ? [offer(`${walls + 1} beads`, { walls: walls + 1 })] : []),
    ...(walls > 1 ? [offer(`${walls - 1} bead${walls === 2 ? '' : 's'}`, { walls: walls - 1 })] : []),
    ...(infillShare > 0 && infillShare < 1
      ? [2, 0.5].map(by =>
          offer(`${(100 * infillShare * by).toFixed(1)} % infill`, {
            infillShare: Math.min(1, infillShare * by),
          }),
        )
      : []),
    ...(lattice
      ? [1.5, 0.67]
          .map(by => Math.round(lattice.pitchMm * by))
          .map(pitchMm => offer(`webs every ${pitchMm} mm`, { pitchMm }))
      : []),
    ...(layerHeightMm < 0.3 ? [offer('layers of 0.3 mm', { layerHeightMm: 0.3 })] : []),
  ]
  const near = new Set([...doc.spools.map(spool => spool.filament), ...doc.zones.map(zone => zone.filament)])
  // What lies on the shelf first.
  const filaments = [...LIBRARIES.filaments].sort((a, b) => Number(near.has(b.id)) - Number(near.has(a.id)))
  const others = filaments.flatMap(filament =>
    LIBRARIES.schools
      .filter(school => school.id !== 'solid' && !(school.id === recipe.school && filament.id === own))
      .map(school =>
        offer(`${name(filament.id)}: ${school.name.toLowerCase()}`, {
          filament: filament.id,
          school: school.id,
        }),
      ),
  )
  return [...steps, ...others]
}
export function sparOffers(stock: string): Offer[] {
  const own = LIBRARIES.stock.find(item => item.id === stock) ?? LIBRARIES.stock[0]!
  return [
    ...LIBRARIES.stock
      .filter(item => item.id !== stock && item.shape === own.shape && item.modulus === own.modulus)
      .map(item => ({ title: item.name, value: item.id })),
    { title: 'left out', value: '' },
  ]
}

/**
 * Whole sets of options to start from: every zone in the other schools or filaments, every wing spar a size
 * up and down.
 */
export const STARTS: Array<{
  id: string
  title: string
  zones?: (doc: ProjectFile, zone: Zone) => string[]
  spars?: (stock: string) => string[]
}> = [
  {
    id: 'schools',
    title: 'other schools',
    zones: (doc, zone) =>
      zoneOffers(doc, zone)
        .map(item => item.value)
        .filter(value => {
          const option = JSON.parse(value) as ZoneOption
          return option.filament === zone.filament && option.school !== undefined
        }),
  },
  {
    id: 'filaments',
    title: 'other filaments',
    zones: (doc, zone) =>
      zoneOffers(doc, zone)
        .map(item => item.value)
        .filter(value => {
          const option = JSON.parse(value) as ZoneOption
          return (
            option.school === zone.recipe.school &&
            option.filament !== zone.filament &&
            LIBRARIES.filaments.find(item => item.id === option.filament)?.family !== 'flexible'
          )
        }),
  },
  {
    id: 'steps',
    title: 'a step thicker or thinner',
    zones: (doc, zone) =>
      zoneOffers(doc, zone)
        .map(item => item.value)
        .filter(value => (JSON.parse(value) as ZoneOption).filament === undefined),
  },
  {
    id: 'spars',
    title: 'spars a size up and down',
    spars: stock => {
      const own = LIBRARIES.stock.find(item => item.id === stock)
      const like = own
          ? LIBRARIES.stock
              .filter(item => item.shape === own.shape && item.modulus === own.modulus)
              .sort((a, b) => a.heightMm * a.widthMm - b.heightMm * b.widthMm)
          : [],
        at = like.findIndex(item => item.id === stock)
      return [at - 1, at + 1].flatMap(i => (like[i] ? [like[i].id] : []))
    },
  },
]

/** The present choice is always among the options. */
export function varyOf(doc: ProjectFile, zones: Picked, spars: Picked, musts: Musts): Vary {
  const { brief } = doc
  const chosen = (picked: Picked, here: readonly string[]) =>
    Object.entries(picked).filter(([id, list]) => here.includes(id) && list.length)
  return {
    zones: Object.fromEntries(
      chosen(
        zones,
        doc.zones.map(zone => zone.id),
      ).map(([id, list]) => [id, [{}, ...list.map(item => JSON.parse(item) as ZoneOption)]]),
    ),
    spars: Object.fromEntries(
      chosen(
        spars,
        doc.spars.map(spar => spar.id),
      ).map(([id, list]) => [
        id,
        [doc.spars.find(spar => spar.id === id)!.stock, ...list.map(item => item || null)],
      ]),
    ),
    must: {
      ...(musts.weight ? { massMaxG: brief.targetMassG } : {}),
      ...(musts.balance ? { staticMarginPct: brief.staticMarginPct } : {}),
      ...(musts.strength ? { reserveMin: 1 } : {}),
      ...(musts.hours ? { hoursMax: brief.printHours } : {}),
      ...(musts.shelf ? { onShelf: true } : {}),
      ...(musts.cost ? { costMax: musts.cost } : {}),
      ...(musts.heatC !== null ? { softeningMinC: musts.heatC } : {}),
    },
  }
}
export const countOf = (vary: Vary): number =>
  [...Object.values(vary.zones), ...Object.values(vary.spars)].reduce(
    (product, list) => product * list.length,
    1,
  )
