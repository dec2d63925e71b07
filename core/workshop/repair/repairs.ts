/**
 * Ways to mend a piece that broke at a place, each computed on the whole aircraft: printed whole, its rest
 * alone, glued and filled, splinted. A cut of the document goes through both halves; only one is mended, so
 * masses are those of one side.
 */
import { splintSpar, stockGramsPerMetre, type Assessment, type Assessor } from '../../assess'
import { admissible, apply, stops } from '../../change'
import {
  DocumentError,
  newPieceNumber,
  type Break as BreakKind,
  type Cuts,
  type Joint,
  type ProjectFile,
  type SurfaceName,
  SURFACE_NAMES,
} from '../../document'
import { foamOr, LIBRARIES, stockOr } from '../../libraries'
import { q, say } from '../../units'
import { boughtParts, boughtRepairs } from './bought'
import { chooseMend, noteDamage } from './choose'
import type { Draft, Repair } from './repair'
import { stronger } from './stronger'

/** A break whose faces are not both there and whole can neither be glued nor splinted. */
const NO_FACES: ReadonlySet<BreakKind> = new Set(['crushed', 'torn', 'gone'])

/** A sound layer lies so far inward of a break, and stump and rest are no shorter than this, mm. */
const SOUND = 4,
  SHORTEST = 12
/**
 * A glued break: film of glue over the wall (mm), filler and tape round it (g/mm), glue's density (g/mm³) and
 * price (a gram).
 */
const FILM = 0.3,
  FILLER = 0.004,
  GLUE_DENSITY = 1.15e-3,
  GLUE_PRICE = 0.3
const PLASTIC = 1.24e-3

type Part = keyof Cuts
const CUT_PARTS: readonly string[] = [...SURFACE_NAMES, 'body']

/**
 * Of a printed piece, a spar, the boom or a leg. Throws `DocumentError` where there is no such part, or the place lies
 * outside it. Most sound first.
 */
export function repairs(
  assessor: Assessor,
  doc: ProjectFile,
  pieceId: string,
  atMm: number,
  how: BreakKind = 'crack',
): Repair[] {
  const before = assessor.assess(doc)
  const report = before.pieces.find(item => item.id === pieceId)
  const bought = report ? null : boughtParts(doc, before).find(item => item.id === pieceId)
  if (bought) return boughtRepairs(doc, before, bought, atMm)
  if (!report)
    throw new DocumentError(
      '--piece',
      `there is no piece "${pieceId.slice(0, 60)}"; pieces: ${before.pieces
        .map(item => item.id)
        .slice(0, 40)
        .join(', ')}`,
    )
  const { fromMm, toMm } = report
  if (!(atMm >= fromMm && atMm <= toMm))
    throw new DocumentError(
      '--at',
      `${atMm} lies outside ${report.name}, which reaches from ${fromMm.toFixed(0)} to ${toMm.toFixed(0)} mm`,
    )
  const break_ = { doc, before, report, atMm, assessor }
  const damage = noteDamage(doc, before, {
    piece: report.id,
    atMm,
    how,
    flight: null,
    date: UNDATED,
    note: '',
  })
  /** Assessed as it will be when it is taken. */
  const assessed = (draft: Draft): Repair => {
    const { totals, strength } = assessor.assess(apply(doc, chooseMend(doc, damage, draft, [])))
    const whole = draft.code === 'new-piece' || draft.code === 'stronger'
    return {
      ...draft,
      massG: whole ? totals.massG - before.totals.massG : draft.massG,
      reserve: strength.reserve,
      cgMm: totals.cgMm[0],
    }
  }
  const cuts = CUT_PARTS.includes(report.part) && report.kind === 'fixed'
  const faces = !NO_FACES.has(how)
  return [
    whole(break_),
    // A sheet has no layers to cut at, and takes neither pin nor tongue.
    ...(cuts && !report.sheet ? rest(break_) : []),
    ...(faces ? glued(break_, cuts) : []),
    ...(faces && cuts && report.part !== 'body' ? splinted(break_) : []),
    ...(report.kind === 'fixed' && !report.sheet ? inStronger(break_) : []),
  ].map(assessed)
}
/** What is only tried has no day. */
const UNDATED = '2000-01-01'

interface Break {
  doc: ProjectFile
  before: Assessment
  report: Assessment['pieces'][number]
  atMm: number
  assessor: Assessor
}

const whole = ({ report }: Break): Draft => ({
  code: 'new-piece',
  what: say`${report.sheet ? 'Cut' : 'Print'} ${report.name} anew, whole`,
  massG: 0,
  hours: report.hours,
  printG: report.filamentG,
  cost: report.cost,
  jointMm: null,
  against: say`every joint of it is parted and glued again; the fillets of the old one stay on its neighbours`,
  change: null,
})

/** The recipe is its zone's: the computation takes all of the zone to be so, the grams are those of this piece. */
function inStronger(own: Break): Draft[] {
  const { doc, report, before, assessor, atMm } = own
  const better = stronger(assessor, doc, before, report, atMm)
  const anew = better?.after.pieces.find(item => item.id === report.id)
  if (!better || !anew) return []
  const added = anew.predictedG - report.predictedG
  return [
    {
      code: 'stronger',
      what: say`Print it anew, stronger: ${better.step.title}; the break then bears ${q(better.localAfter / better.localBefore, '', 2)} times as much`,
      massG: added,
      hours: anew.hours,
      printG: anew.filamentG,
      cost: anew.cost,
      jointMm: null,
      against:
        'the zone is designed so from then on: print its other half so too, or the two differ in weight and twist',
      change: better.step.change,
    },
  ]
}

function withCut(
  { doc, report }: Break,
  atMm: number,
  kind: Joint['kind'],
): { doc: ProjectFile; number: number } {
  const part = report.part as Part
  const number = newPieceNumber(doc, part)
  const cut = { atMm: Math.round(10 * atMm) / 10, joint: { kind, toleranceMm: 0.2 }, piece: number }
  return { number, doc: { ...doc, cuts: { ...doc.cuts, [part]: [...doc.cuts[part], cut] } } }
}

/** What stays is the side towards the middle of the aircraft: of a wing its root's, of a body the wing's. */
const restBegins = ({ report, before }: Break): boolean =>
  report.part === 'body' && report.centreMm[0] < before.totals.cgMm[0]

interface Rest {
  doc: ProjectFile
  after: Assessment
  kind: Joint['kind']
  stump: Assessment['pieces'][number]
  printed: Assessment['pieces'][number]
  /** Of the cut, and how much is printed, mm. */
  sound: number
  long: number
  first: boolean
}

/** The document in which the rest of a broken piece is a piece of its own, and which; null where it has none. */
export function restOf(assessor: Assessor, doc: ProjectFile, pieceId: string, atMm: number) {
  const before = assessor.assess(doc)
  const report = before.pieces.find(item => item.id === pieceId)
  const best = report ? bestRest({ doc, before, report, atMm, assessor }) : null
  return best && { doc: best.doc, piece: best.printed.id }
}

/** Cut at a sound layer; the stump stays, its rest is printed with a joint. */
function bestRest(own: Break): Rest | null {
  const { doc, report, atMm, before, assessor } = own
  const layer = doc.zones.find(zone => zone.id === report.zone)?.recipe.layerHeightMm ?? 0.2
  const first = restBegins(own)
  const layers = (atMm + (first ? SOUND : -SOUND) - report.fromMm) / layer
  const sound = report.fromMm + (first ? Math.ceil(layers) : Math.floor(layers)) * layer
  if (sound - report.fromMm < SHORTEST || report.toMm - sound < SHORTEST) return null
  const kinds: Array<Joint['kind']> = report.part === 'body' ? ['lip', 'pins'] : ['pins', 'tongue']
  const tried = kinds.flatMap(kind => {
    const { doc: next, number } = withCut(own, sound, kind)
    if (!admissible(next)) return []
    const after = assessor.assess(next)
    const side = report.side === 'centre' ? '' : `-${report.side}`
    const beyond = after.pieces.find(item => item.id === `${report.part}-${number}${side}`)
    const inner = after.pieces.find(item => item.id === report.id)
    if (!beyond || !inner || stops(after) > stops(before)) return []
    return [{ doc: next, kind, after, stump: first ? beyond : inner, printed: first ? inner : beyond }]
  })
  const best = tried.sort((a, b) => b.after.strength.reserve - a.after.strength.reserve)[0]
  const long = first ? sound - report.fromMm : report.toMm - sound
  return best ? { ...best, sound, long, first } : null
}

function rest(own: Break): Draft[] {
  const best = bestRest(own)
  if (!best) return []
  const { sound, long, first } = best
  const added = best.stump.predictedG + best.printed.predictedG - own.report.predictedG
  return [
    {
      code: 'rest',
      what: say`Cut at the sound layer at ${q(sound, 'mm', 1)}, print the ${q(long, 'mm', 0)} ${first ? 'before' : 'beyond'} it with ${JOINTS[best.kind]}, and glue`,
      massG: added,
      hours: best.printed.hours,
      printG: best.printed.filamentG,
      cost: best.printed.cost,
      jointMm: sound,
      against: 'the stump must be cut square, along one layer, and fit the new joint',
      change: null,
    },
  ]
}
const JOINTS: Record<Joint['kind'], string> = {
  butt: 'plain faces',
  lip: 'a lip',
  pins: 'pins',
  tongue: 'a tongue',
  bolts: 'bolts',
  plug: 'pins of a plug',
}

/** Wall of the piece in section, mm², and about how far it is round, mm. */
function sectionOf({ report }: Break): { wall: number; round: number } {
  const density = report.sheet ? foamOr(LIBRARIES.foams, report.filament).density * 1e-6 : PLASTIC
  const wall = report.predictedG / density / Math.max(1, report.toMm - report.fromMm)
  const [length, width] = [...report.boxMm].sort((a, b) => b - a).slice(1)
  return { wall, round: 2 * (length + width) }
}

function glueGrams(own: Break): number {
  const { wall, round } = sectionOf(own)
  return wall * FILM * GLUE_DENSITY + FILLER * round
}

/** As a butt joint of its own at the break: glue bears what it bears at every other. */
function glued(own: Break, cuts: boolean): Draft[] {
  const grams = glueGrams(own)
  const base = {
    code: 'glue' as const,
    what: say`Glue the break and fill it: ${q(grams, 'g', 1)}`,
    massG: grams,
    hours: 0,
    printG: 0,
    change: null,
    cost: grams * GLUE_PRICE,
    jointMm: cuts ? insideOf(own) : null,
  }
  const against = 'only where both faces are there and meet; a foamed or crushed edge holds less'
  return [{ ...base, against: cuts ? against : say`what it bears is not reckoned; ${against}` }]
}

/** A cut cannot lie on an end of its piece. */
const insideOf = ({ report, atMm }: Break): number =>
  Math.min(report.toMm - 2, Math.max(report.fromMm + 2, atMm))

function assessedWith({ assessor }: Break, next: ProjectFile): Assessment | null {
  return admissible(next) ? assessor.assess(next) : null
}

/** Glued, with a carbon rod let in across the break. */
function splinted(own: Break): Draft[] {
  const { report, before } = own
  const cut = withCut(own, insideOf(own), 'butt').doc
  let id = 'splint'
  while (cut.spars.some(spar => spar.id === id)) id += 'x'
  const spar = splintSpar(id, report.part as SurfaceName, insideOf(own))
  // Whether the rod fits into the section; what it bears is reckoned where the mend is.
  const next: ProjectFile = { ...cut, spars: [...cut.spars, spar] }
  const after = assessedWith(own, next)
  if (!after || stops(after) > stops(before)) return []
  const long = spar.toMm - spar.fromMm
  const rod = (stockGramsPerMetre(spar.stock) * long) / 1000
  const grams = glueGrams(own) + rod
  const { price } = stockOr(LIBRARIES, spar.stock)
  return [
    {
      code: 'splint',
      what: say`Glue it and let a rod of ${q(3, 'mm')} in across the break, ${q(long, 'mm', 0)} long`,
      massG: grams,
      hours: 0,
      printG: 0,
      change: null,
      cost: glueGrams(own) * GLUE_PRICE + (price * long) / 1000,
      jointMm: insideOf(own),
      against: 'carbon dust: cut and sand it wet, with mask and gloves',
    },
  ]
}
