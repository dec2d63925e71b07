/** What is wrong or odd: each with its place, the computed figure, the limit and one thing to do. */
import type { ProjectFile } from '../../document'
import { expansionAt } from '../../libraries'
import { beadFill } from '../../printing'
import { COLOURS, HEAT_CASES, skinTemperature } from '../../structure'
import { buildProblems } from './build-problems'
import { orderProblems } from './order-problems'
import { secondWingProblems } from './second-wing-problems'
import { flightProblems } from './flight-problems'
import { strengthProblems } from './strength-problems'
import type { Airframe } from '../resolve'
import type { Finding, PieceReport, Assessment, SparReport, StallCase } from '../report'
import { dimensions, q, say, type Words } from '../../units'

const FIELD = HEAT_CASES.find(item => item.id === 'field')!

/** Plastic wanted over a bore: one bead. */
export const coverWanted = (doc: ProjectFile): number =>
  Math.min(...doc.zones.map(zone => zone.recipe.beadWidthMm))

export type Assessed = Pick<
  Assessment,
  | 'pieces'
  | 'smallParts'
  | 'spars'
  | 'flight'
  | 'plan'
  | 'stall'
  | 'trim'
  | 'handling'
  | 'controls'
  | 'strength'
>

export function findProblems(
  airframe: Airframe,
  assessed: Assessed,
  stallCases: () => StallCase[],
): Finding[] {
  const { pieces, spars } = assessed
  return [
    ...missing(airframe),
    ...buildProblems(airframe, pieces),
    ...orderProblems(airframe),
    ...sparProblems(airframe, spars),
    ...secondWingProblems(airframe),
    ...pieceProblems(airframe, pieces),
    ...zoneProblems(airframe),
    ...foamProblems(airframe),
    ...spoolProblems(airframe, pieces),
    ...equipmentProblems(airframe.doc),
    ...flightProblems(airframe.doc, assessed, stallCases),
    ...strengthProblems(airframe, assessed.strength),
    ...weighProblems(pieces),
    ...smallPartProblems(assessed.smallParts),
  ]
}

/** What is reckoned and not yet weighed. */
function smallPartProblems(parts: Assessed['smallParts']): Finding[] {
  const open = parts.filter(part => !part.confirmed && part.massG > 0)
  const massG = open.reduce((sum, part) => sum + part.massG, 0)
  if (open.length === 0) return []
  return [
    {
      code: 'small-parts-reckoned',
      stations: ['balance'],
      severity: 'note',
      where: 'Small parts',
      value: massG,
      limit: 0,
      unit: 'g',
      text: say`${q(massG, 'g', 0)} of hinges, rods, screws, straps and the like are reckoned from the drawing, not weighed; in truth it is more often more than less`,
      remedy: 'Weigh them kind by kind, and write the figures at Balance, small parts',
    },
  ]
}

const missing = (airframe: Airframe): Finding[] =>
  airframe.missing.map(({ where, id, used }) => ({
    code: 'unknown-material',
    stations: ['skin'],
    severity: 'stop',
    where,
    value: 0,
    limit: 1,
    unit: 'found',
    text: `${where}: "${id}" is not in the libraries; computed with ${used}`,
    remedy: 'Choose one from the list',
  }))

function sparProblems({ doc, surfaces }: Airframe, spars: readonly SparReport[]): Finding[] {
  const wanted = coverWanted(doc)
  return spars.flatMap((spar): Finding[] => {
    const found: Finding[] = []
    if (spar.worstMm < wanted) {
      found.push({
        code: spar.worstMm < 0.05 ? 'spar-breaks-out' : 'spar-thin-cover',
        stations: ['spine'],
        severity: spar.worstMm < 0.05 ? 'stop' : 'warn',
        where: say`${spar.name} at ${q(spar.worstAt, 'mm', 0)}`,
        value: spar.worstMm,
        limit: wanted,
        unit: 'mm',
        text:
          spar.worstMm < 0.05
            ? say`${spar.name} breaks out of the section by ${q(Math.max(0, -spar.worstMm), 'mm', 1)} at ${q(spar.worstAt, 'mm', 0)} from the root; its bore is left out of the pieces there`
            : say`${spar.name} leaves ${q(spar.worstMm, 'mm', 2)} of plastic at ${q(spar.worstAt, 'mm', 0)}; a bead is ${q(wanted, 'mm')}`,
        remedy: sparRemedy(spar, wanted),
      })
    }
    const loft = surfaces[spar.surface as 'wing']
    if (loft && spar.fromMm >= loft.span)
      found.push({
        code: 'spar-outside',
        stations: ['spine'],
        severity: 'stop',
        where: spar.name,
        value: spar.fromMm,
        limit: loft.span,
        unit: 'mm',
        text: say`${spar.name} begins ${q(spar.fromMm, 'mm', 0)} out, beyond the tip at ${q(loft.span, 'mm', 0)}`,
        remedy: 'Move its inner end inboard',
      })
    const most = doc.spars.find(item => item.id === spar.id)?.through ? 2 : 1
    if (spar.pieceMm > spar.stockMm)
      found.push({
        code: 'stock-too-short',
        stations: ['spine'],
        severity: 'warn',
        where: spar.name,
        value: spar.pieceMm,
        limit: spar.stockMm,
        unit: 'mm',
        text: say`${spar.name} needs ${q(spar.pieceMm, 'mm', 0)} in one length${most === 2 ? ' through the middle' : ''}; stock is ${q(spar.stockMm, 'mm')}`,
        remedy: 'End it earlier, or split it at the root',
      })
    return found
  })
}

function sparRemedy(spar: SparReport, wanted: number): Words {
  const lastGood = [...spar.fits].reverse().find(fit => Math.min(fit.above, fit.below) >= wanted)
  if (lastGood && lastGood.s > spar.fromMm + 20 && lastGood.s < spar.toMm)
    return say`End it at ${q(Math.floor(lastGood.s), 'mm')}, or take a size less`
  return 'Take a size less, a thicker section, or move it to the thickest part of the chord'
}

function pieceProblems({ doc, pieces: shapes }: Airframe, pieces: readonly PieceReport[]): Finding[] {
  const found: Finding[] = []
  pieces.forEach((piece, i) => {
    if (piece.side === 'port') return
    if (!piece.fits) {
      const bed = doc.printers.reduce((a, b) => (b.bedMm[2] > a.bedMm[2] ? b : a))
      found.push({
        code: 'piece-too-large',
        stations: ['split'],
        severity: 'stop',
        where: piece.name,
        value: Math.max(...piece.boxMm),
        limit: Math.max(...bed.bedMm),
        unit: 'mm',
        text: say`${piece.name} is ${dimensions(piece.boxMm, 0)} standing; no printer here takes it (${bed.name}: ${dimensions(bed.bedMm)}, ${q(bed.nozzleMaxC, '°C')})`,
        remedy: 'Split: propose cuts, or lower the nozzle temperature',
      })
    }
    if (shapes[i].zonesInside.length > 1)
      found.push({
        code: 'zones-in-piece',
        stations: ['skin'],
        severity: 'note',
        where: piece.name,
        value: shapes[i].zonesInside.length,
        limit: 1,
        unit: 'zones',
        text: `${piece.name} spans ${shapes[i].zonesInside.length} zones; it is ${piece.sheet ? 'cut' : 'printed'} as ${piece.zoneName}`,
        remedy: 'Cut where the zones meet',
      })
  })
  return found
}

/** Between makers and spools, expansion differs from the typical curve by about this share of what it adds. */
const FOAM_SPREAD = 0.3

/** Foaming filament that the maker has not tried: the typical curve speaks, and how far off it may be. */
function foamProblems({ doc, filamentOf }: Airframe): Finding[] {
  const tried = new Set(doc.calibrations.map(item => item.filament))
  const zones = doc.zones.filter(
    (zone, i) =>
      filamentOf(zone).expansion !== null &&
      !tried.has(zone.filament) &&
      doc.zones.findIndex(other => other.filament === zone.filament) === i,
  )
  return zones.map((zone): Finding => {
    const filament = filamentOf(zone),
      x = expansionAt(filament, zone.recipe.nozzleC)
    const [low, high] = [-FOAM_SPREAD, FOAM_SPREAD].map(by => 1 + (x - 1) * (1 + by))
    return {
      code: 'foam-not-tried',
      stations: ['skin'],
      severity: 'note',
      where: zone.name,
      value: x,
      limit: high,
      unit: '×',
      text: say`${filament.name} at ${q(zone.recipe.nozzleC, '°C')} foams to ${q(x, '', 2)} in the middle of practice, ${q(low, '', 2)} to ${q(high, '', 2)} between makers: at flow ${q(zone.recipe.flow, '', 2)} a bead is ${q(100 * low * zone.recipe.flow, '%', 0)} to ${q(100 * high * zone.recipe.flow, '%', 0)} full`,
      remedy: 'Skin: print the test tube, and enter its mass and wall',
    }
  })
}

function zoneProblems(airframe: Airframe): Finding[] {
  return airframe.doc.zones.flatMap((zone): Finding[] => {
    const filament = airframe.filamentOf(zone),
      { recipe } = zone
    const found: Finding[] = []
    const fill = beadFill(recipe, filament)
    if (fill < 0.95)
      found.push({
        code: 'bead-starved',
        stations: ['skin'],
        severity: 'warn',
        where: zone.name,
        value: fill,
        limit: 0.95,
        unit: '×',
        text: say`${zone.name}: the bead is ${q(100 * fill, '%', 0)} full, starved and weak`,
        remedy: say`Flow ${q(recipe.flow / fill, '', 2)} fills it at ${q(recipe.nozzleC, '°C')}`,
      })
    if (fill > 1.05)
      found.push({
        code: 'bead-proud',
        stations: ['skin'],
        severity: 'warn',
        where: zone.name,
        value: fill,
        limit: 1.05,
        unit: '×',
        text: say`${zone.name}: the bead is ${q(100 * fill, '%', 0)} full, proud and heavy to sand`,
        remedy: say`Flow ${q(recipe.flow / fill, '', 2)} fills it at ${q(recipe.nozzleC, '°C')}`,
      })
    const [low, high] = filament.nozzleC
    if (recipe.nozzleC < low || recipe.nozzleC > high)
      found.push({
        code: 'nozzle-range',
        stations: ['skin'],
        severity: 'warn',
        where: zone.name,
        value: recipe.nozzleC,
        limit: recipe.nozzleC < low ? low : high,
        unit: '°C',
        text: say`${zone.name}: ${q(recipe.nozzleC, '°C')} is outside what ${filament.name} takes (${low}–${q(high, '°C')})`,
        remedy: say`Set ${q(recipe.nozzleC < low ? low : high, '°C')}`,
      })
    if (recipe.beadWidthMm < recipe.layerHeightMm)
      found.push({
        code: 'bead-flat',
        stations: ['skin'],
        severity: 'stop',
        where: zone.name,
        value: recipe.beadWidthMm,
        limit: recipe.layerHeightMm,
        unit: 'mm',
        text: say`${zone.name}: a bead ${q(recipe.beadWidthMm, 'mm')} wide cannot be ${q(recipe.layerHeightMm, 'mm')} high`,
        remedy: 'A wider bead or a thinner layer',
      })
    if (filament.needsEnclosure && !airframe.doc.printers.some(printer => printer.enclosed))
      found.push({
        code: 'enclosure',
        stations: ['skin'],
        severity: 'warn',
        where: zone.name,
        value: 0,
        limit: 1,
        unit: 'printers',
        text: `${zone.name}: ${filament.name} wants a warm enclosure and no printer here has one`,
        remedy: 'Another filament, or enclose a printer',
      })
    const { fieldTemperatureC: air, colour } = airframe.doc.brief
    const hot = skinTemperature(air, FIELD, COLOURS.find(item => item.id === colour)!.absorbed)
    if (filament.softeningC < hot)
      found.push({
        code: 'heat',
        stations: ['skin'],
        severity: 'warn',
        where: zone.name,
        value: hot,
        limit: filament.softeningC,
        unit: '°C',
        text: say`${zone.name}: on the field at ${q(air, '°C')} a ${colour} skin reaches ${q(hot, '°C', 0)} in still air; ${filament.name} softens at ${q(filament.softeningC, '°C')}`,
        remedy: 'A lighter colour and shade, or a heat-proof filament',
      })
    return found
  })
}

function spoolProblems({ doc }: Airframe, pieces: readonly PieceReport[]): Finding[] {
  const wanted = new Map<string, { mass: number; name: string }>()
  for (const piece of pieces) {
    if (piece.weighedG !== null) continue
    wanted.set(piece.filament, {
      mass: (wanted.get(piece.filament)?.mass ?? 0) + piece.predictedG,
      name: piece.filamentName,
    })
  }
  return [...wanted].flatMap(([id, { mass, name }]): Finding[] => {
    const spools = doc.spools.filter(spool => spool.filament === id)
    const have = spools.reduce((sum, spool) => sum + spool.massG, 0)
    if (spools.length === 0 || have >= mass) return []
    return [
      {
        code: 'spool-short',
        stations: ['print'],
        severity: 'note',
        where: name,
        value: have,
        limit: mass,
        unit: 'g',
        text: say`${q(have, 'g', 0)} of ${name} on the shelf; ${q(mass, 'g', 0)} still to print`,
        remedy: say`Buy ${q(Math.ceil((mass - have) / 10) * 10, 'g')} more before the first plate`,
      },
    ]
  })
}

const equipmentProblems = (doc: ProjectFile): Finding[] =>
  doc.equipment.flatMap((item): Finding[] => {
    if (!item.bay) return []
    const front = item.xMm - item.sizeMm[0] / 2,
      rear = item.xMm + item.sizeMm[0] / 2
    const over = Math.max(item.bay[0] - front, rear - item.bay[1])
    if (over <= 0.5) return []
    return [
      {
        code: 'outside-bay',
        stations: ['balance'],
        severity: 'warn',
        where: item.name,
        value: over,
        limit: 0,
        unit: 'mm',
        text: say`${item.name} sticks ${q(over, 'mm', 0)} out of its bay (${item.bay[0]}–${q(item.bay[1], 'mm')})`,
        remedy: 'Move it, take a shorter one, or lengthen the bay',
      },
    ]
  })

/** A first piece this much off says that the rest will be too. */
export const WEIGH_LIMIT = 0.07

const weighProblems = (pieces: readonly PieceReport[]): Finding[] =>
  pieces.flatMap((piece): Finding[] => {
    if (piece.weighedG === null) return []
    const off = piece.weighedG / piece.predictedG - 1
    if (Math.abs(off) <= WEIGH_LIMIT) return []
    return [
      {
        code: 'weighs-off',
        stations: ['weigh'],
        severity: 'warn',
        where: piece.name,
        value: piece.weighedG,
        limit: piece.predictedG,
        unit: 'g',
        text: say`${piece.name} weighs ${q(piece.weighedG, 'g', 1)}, ${q(100 * Math.abs(off), '%', 0)} ${off > 0 ? 'over' : 'under'} its ${q(piece.predictedG, 'g', 1)}`,
        remedy:
          off > 0
            ? 'Check flow and bead width before the next plate'
            : 'Look for missing layers or a starved bead',
      },
    ]
  })
