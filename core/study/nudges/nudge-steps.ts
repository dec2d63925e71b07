/**
 * Every single step from the present design that is worth trying for a wing of the butterfly. Whether it
 * helps is for the assessment to say.
 */
import type { Assessment, WingName } from '../../assess'
import {
  type ProjectFile,
  type Recipe,
  type Spar,
  type Surface,
  type Zone,
  carriesLift,
} from '../../document'
import { laysAlongChord, LIMITS } from '../../document'
import { alongBody } from '../../geometry'
import { recipeFor, stockOr, USUAL_DENSER, USUAL_PRINTED_SPAR, type Libraries } from '../../libraries'
import { largerStock, mayHold, smallerStock, type Change, type Step } from '../../change'
import { q, say, type Words } from '../../units'

/** How far a figure is nudged: lengths in mm, shares of spans, chords and areas, degrees. */
const SPAR_MM = 40,
  SLIDE_MM = 15,
  CUT_MM = 20,
  SPAN_SHARE = 0.05,
  CHORD_SHARE = 0.06,
  TAIL_SHARE = 0.1,
  WASHOUT_DEG = 1

/** Which families of steps can move which wing at all; the others are not tried for it. */
const FAMILIES: Record<WingName, ReadonlyArray<keyof typeof MAKERS>> = {
  weight: ['skins', 'filaments', 'spars', 'planform'],
  hours: ['skins', 'filaments', 'layers', 'cuts', 'planform'],
  strength: ['spars', 'wingSkins', 'planform'],
  balance: ['equipment', 'skins', 'filaments', 'tail'],
}

export function nudgeSteps(doc: ProjectFile, now: Assessment, wing: WingName, libraries: Libraries): Step[] {
  const seen = new Set<string>()
  return FAMILIES[wing]
    .flatMap(name => MAKERS[name](doc, now, libraries))
    .filter(({ id }) => !seen.has(id) && !!seen.add(id))
}

const clamp = (value: number, [low, high]: readonly [number, number]) => Math.min(high, Math.max(low, value))
const tenth = (value: number) => Math.round(10 * value) / 10
/**
 * Variants of a part that were tried before: the very same objects, so that what was made of them is
 * remembered as long as the part stays.
 */
const tried = new WeakMap<object, Map<string, unknown>>()
function once<T extends object>(part: T, id: string, make: () => T): T {
  const own = tried.get(part) ?? new Map<string, unknown>()
  tried.set(part, own)
  if (!own.has(id)) own.set(id, make())
  return own.get(id) as T
}
const variant = <T extends object>(part: T, id: string, more: Partial<T>): T =>
  once(part, `${id} ${JSON.stringify(more)}`, () => ({ ...part, ...more }))
const withZone = (doc: ProjectFile, zone: Zone, id: string, more: Partial<Zone>): Change => ({
  zones: doc.zones.map(item => (item.id === zone.id ? variant(zone, id, more) : item)),
})
const skin = (doc: ProjectFile, zone: Zone, id: string, words: Words, more: Partial<Recipe>): Step => ({
  id: `${zone.id}-${id}`,
  title: say`${zone.name}: ${words}`,
  change: withZone(doc, zone, id, { recipe: { ...zone.recipe, ...more } }),
})
/** Zones that something is printed in. */
const used = (doc: ProjectFile, now: Assessment): Zone[] =>
  doc.zones.filter(zone => now.pieces.some(piece => piece.zone === zone.id))

function skinsOf(doc: ProjectFile, zone: Zone, libraries: Libraries): Step[] {
  const { recipe } = zone
  const filament = libraries.filaments.find(item => item.id === zone.filament) ?? libraries.filaments[0]
  const steps: Step[] = []
  if (!recipe.spiral && recipe.walls < 8)
    steps.push(skin(doc, zone, 'bead-more', 'one bead more', { walls: recipe.walls + 1 }))
  if (!recipe.spiral && recipe.walls > 1)
    steps.push(skin(doc, zone, 'bead-less', 'one bead less', { walls: recipe.walls - 1 }))
  if (recipe.infillShare > 0.005 && recipe.infillShare < 1) {
    steps.push(
      skin(doc, zone, 'infill-less', say`${q(tenth(50 * recipe.infillShare), '%')} infill`, {
        infillShare: recipe.infillShare / 2,
      }),
    )
    steps.push(
      skin(doc, zone, 'infill-more', say`${q(tenth(Math.min(100, 150 * recipe.infillShare)), '%')} infill`, {
        infillShare: Math.min(1, 1.5 * recipe.infillShare),
      }),
    )
  }
  if (recipe.lattice)
    for (const share of [0.75, 1.35])
      steps.push(
        skin(doc, zone, `webs-${share}`, say`webs every ${q(recipe.lattice.pitchMm * share, 'mm', 0)}`, {
          lattice: {
            ...recipe.lattice,
            pitchMm: clamp(Math.round(recipe.lattice.pitchMm * share), LIMITS.pitchMm),
          },
        }),
      )
  if (inSurface(doc, zone)) steps.push(...alongChord(doc, zone))
  for (const school of libraries.schools) {
    if (school.id === recipe.school || (recipe.stance === 'flat' && school.recipe.spiral)) continue
    steps.push({
      id: `${zone.id}-school-${school.id}`,
      title: `${zone.name}: ${school.name.toLowerCase()}`,
      change: withZone(doc, zone, `school-${school.id}`, {
        recipe: {
          ...recipeFor(school, filament),
          nozzleC: recipe.nozzleC,
          flow: recipe.flow,
          stance: recipe.stance,
          brimMm: recipe.brimMm,
        },
      }),
    })
  }
  return steps
}

const inSurface = (doc: ProjectFile, zone: Zone): boolean =>
  zone.ribs === null && zone.sheet === null && carriesLift(doc, zone.id)

/** Of a spar that is printed, this much wider. */
const WIDER = 1.5

/** What may differ along the chord, where it can be laid. */
function alongChord(doc: ProjectFile, zone: Zone): Step[] {
  const { recipe } = zone
  if (!laysAlongChord(recipe)) return []
  const { denser, printedSpar: spar } = recipe
  const steps: Step[] = []
  if (denser) steps.push(skin(doc, zone, 'even', 'the same walls all along the chord', { denser: null }))
  else if (recipe.walls > 1)
    steps.push(
      skin(doc, zone, 'thin-middle', 'one bead less between nose and rear', {
        walls: recipe.walls - 1,
        denser: USUAL_DENSER,
      }),
    )
  else steps.push(skin(doc, zone, 'denser', 'one bead more at nose and rear', { denser: USUAL_DENSER }))
  if (spar) {
    const widthMm = Math.min(60, tenth(WIDER * spar.widthMm))
    steps.push(
      skin(doc, zone, 'spar-wider', say`printed spar ${q(widthMm, 'mm')} wide`, {
        printedSpar: { ...spar, widthMm },
      }),
      skin(doc, zone, 'spar-out', 'no printed spar', { printedSpar: null }),
    )
  } else
    steps.push(
      skin(doc, zone, 'spar-printed', say`a printed spar of ${q(USUAL_PRINTED_SPAR.widthMm, 'mm')}`, {
        printedSpar: USUAL_PRINTED_SPAR,
      }),
    )
  return steps
}

/** Filaments on the shelf or in use that a printer here can melt. */
function filamentsOf(doc: ProjectFile, zone: Zone, libraries: Libraries): Step[] {
  const school = libraries.schools.find(item => item.id === zone.recipe.school) ?? libraries.schools[0]
  const near = new Set([...doc.spools.map(spool => spool.filament), ...doc.zones.map(item => item.filament)])
  return libraries.filaments
    .filter(item => item.id !== zone.filament && near.has(item.id) && mayHold(doc, zone, item))
    .flatMap((item): Step[] => {
      const { nozzleC, flow } = recipeFor(school, item)
      return doc.printers.some(printer => printer.nozzleMaxC >= nozzleC)
        ? [
            {
              id: `${zone.id}-in-${item.id}`,
              title: `${zone.name} in ${item.name}`,
              change: withZone(doc, zone, `in-${item.id}`, {
                filament: item.id,
                recipe: { ...zone.recipe, nozzleC, flow },
              }),
            },
          ]
        : []
    })
}

function sparsOf(doc: ProjectFile, libraries: Libraries): Step[] {
  const half = doc.wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
  return doc.spars
    .filter(spar => spar.surface === 'wing')
    .flatMap(spar => {
      const put = (id: string, words: Words, more: Partial<Spar>): Step => ({
        id: `${spar.id}-${id}`,
        title: say`${spar.name}: ${words}`,
        change: { spars: doc.spars.map(item => (item.id === spar.id ? variant(spar, id, more) : item)) },
      })
      const stock = stockOr(libraries, spar.stock)
      const more = largerStock(stock, libraries)[0],
        less = smallerStock(stock, libraries)
      const other = libraries.stock.find(
        item =>
          item.shape === 'round' && item.heightMm === stock.heightMm && item.id !== stock.id && !item.bends,
      )
      return [
        ...(more ? [put('size-more', more.name, { stock: more.id })] : []),
        ...(less ? [put('size-less', less.name, { stock: less.id })] : []),
        ...(other ? [put('kind', other.name, { stock: other.id })] : []),
        ...(spar.toMm + SPAR_MM < half
          ? [
              put('longer', say`to ${q(tenth(spar.toMm + SPAR_MM), 'mm')}`, {
                toMm: tenth(spar.toMm + SPAR_MM),
              }),
            ]
          : []),
        ...(spar.toMm - SPAR_MM > spar.fromMm + 20
          ? [
              put('shorter', say`to ${q(tenth(spar.toMm - SPAR_MM), 'mm')}`, {
                toMm: tenth(spar.toMm - SPAR_MM),
              }),
            ]
          : []),
        {
          id: `${spar.id}-out`,
          title: `${spar.name}: left out`,
          change: { spars: doc.spars.filter(item => item.id !== spar.id) },
        },
      ]
    })
}

function planformOf(doc: ProjectFile): Step[] {
  const { wing } = doc,
    last = wing.panels.length - 1,
    tip = wing.panels[last]
  const put = (id: string, title: Words, more: Partial<Surface['panels'][number]>): Step => ({
    id,
    title,
    change: {
      wing: variant(wing, id, {
        panels: wing.panels.map((panel, i) => (i === last ? { ...tip, ...more } : panel)),
      }),
    },
  })
  return [
    ...[1, -1].map(way =>
      put(`span-${way}`, say`Outer panel ${q(tenth(tip.spanMm * (1 + way * SPAN_SHARE)), 'mm')} long`, {
        spanMm: clamp(tenth(tip.spanMm * (1 + way * SPAN_SHARE)), LIMITS.spanMm),
      }),
    ),
    ...[1, -1].map(way =>
      put(`chord-${way}`, say`Tip chord ${q(tenth(tip.tipChordMm * (1 + way * CHORD_SHARE)), 'mm')}`, {
        tipChordMm: clamp(tenth(tip.tipChordMm * (1 + way * CHORD_SHARE)), LIMITS.chordMm),
      }),
    ),
    ...[1, -1].map(way =>
      put(`washout-${way}`, say`Tip twist ${q(tenth(tip.tipTwistDeg + way * WASHOUT_DEG), '°')}`, {
        tipTwistDeg: clamp(tenth(tip.tipTwistDeg + way * WASHOUT_DEG), LIMITS.twistDeg),
      }),
    ),
  ]
}

function tailOf(doc: ProjectFile): Step[] {
  const { horizontal } = doc.tail
  if (!horizontal || doc.tail.kind === 'none') return []
  // Area by the square root in span and chord.
  return [1, -1].map((way): Step => {
    const by = Math.sqrt(1 + way * TAIL_SHARE)
    return {
      id: `tail-${way}`,
      title: say`Tail ${q(100 * TAIL_SHARE, '%')} ${way > 0 ? 'larger' : 'smaller'}`,
      change: {
        tail: {
          ...doc.tail,
          horizontal: variant(horizontal, `area-${way}`, {
            rootChordMm: tenth(horizontal.rootChordMm * by),
            panels: horizontal.panels.map(panel => ({
              ...panel,
              spanMm: tenth(panel.spanMm * by),
              tipChordMm: tenth(panel.tipChordMm * by),
              sweepMm: tenth(panel.sweepMm * by),
            })),
          }),
        },
      },
    }
  })
}

const equipmentOf = (doc: ProjectFile): Step[] =>
  doc.equipment
    .filter(item => item.bay)
    .flatMap(item =>
      [SLIDE_MM, -SLIDE_MM].flatMap((by): Step[] => {
        const half = item.sizeMm[0] / 2,
          xMm = tenth(
            clamp(item.xMm + by, [item.bay![0] + half, Math.max(item.bay![0] + half, item.bay![1] - half)]),
          )
        return Math.abs(xMm - item.xMm) < 0.5
          ? []
          : [
              {
                id: `${item.id}-slide-${by}`,
                title: say`${item.name} ${q(Math.abs(xMm - item.xMm), 'mm', 0)} ${xMm < item.xMm ? 'forward' : 'aft'}`,
                change: {
                  equipment: doc.equipment.map(other => (other.id === item.id ? { ...item, xMm } : other)),
                },
              },
            ]
      }),
    )

const cutsOf = (doc: ProjectFile): Step[] =>
  (Object.keys(doc.cuts) as Array<keyof ProjectFile['cuts']>).flatMap(part =>
    doc.cuts[part].flatMap((cut, i): Step[] => {
      const words = say`${part === 'body' ? 'Body' : part === 'wing' ? 'Wing' : 'Tail'} cut at ${q(tenth(cut.atMm), 'mm')}`
      const put = (id: string, title: Words, list: ProjectFile['cuts']['wing']): Step => ({
        id: `cut-${part}-${i}-${id}`,
        title,
        change: { cuts: { ...doc.cuts, [part]: once(doc.cuts[part], `${id} ${i}`, () => list) } },
      })
      return [
        put(
          'drop',
          say`${words} dropped`,
          doc.cuts[part].filter((_, k) => k !== i),
        ),
        ...[CUT_MM, -CUT_MM].map(by =>
          put(
            `by-${by}`,
            say`${words} moved to ${q(tenth(cut.atMm + by), 'mm')}`,
            doc.cuts[part].map((item, k) => (k === i ? { ...item, atMm: tenth(item.atMm + by) } : item)),
          ),
        ),
      ]
    }),
  )

const MAKERS = {
  skins: (doc: ProjectFile, now: Assessment, libraries: Libraries) =>
    used(doc, now).flatMap(zone => skinsOf(doc, zone, libraries)),
  wingSkins: (doc: ProjectFile, now: Assessment, libraries: Libraries) =>
    used(doc, now)
      .filter(zone =>
        now.pieces.some(piece => piece.zone === zone.id && (piece.part === 'wing' || alongBody(piece.part))),
      )
      .flatMap(zone => [...skinsOf(doc, zone, libraries), ...filamentsOf(doc, zone, libraries)]),
  filaments: (doc: ProjectFile, now: Assessment, libraries: Libraries) =>
    used(doc, now).flatMap(zone => filamentsOf(doc, zone, libraries)),
  layers: (doc: ProjectFile, now: Assessment, _: Libraries) =>
    used(doc, now).flatMap(zone =>
      zone.recipe.layerHeightMm + 0.05 <= 0.7 * zone.recipe.beadWidthMm
        ? [
            skin(doc, zone, 'layer', say`layers of ${q(zone.recipe.layerHeightMm + 0.05, 'mm', 2)}`, {
              layerHeightMm: Math.round(100 * (zone.recipe.layerHeightMm + 0.05)) / 100,
            }),
          ]
        : [],
    ),
  spars: (doc: ProjectFile, _: Assessment, libraries: Libraries) => sparsOf(doc, libraries),
  planform: (doc: ProjectFile, _: Assessment, __: Libraries) => planformOf(doc),
  tail: (doc: ProjectFile, _: Assessment, __: Libraries) => tailOf(doc),
  equipment: (doc: ProjectFile, _: Assessment, __: Libraries) => equipmentOf(doc),
  cuts: (doc: ProjectFile, _: Assessment, __: Libraries) => cutsOf(doc),
}
