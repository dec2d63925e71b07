/**
 * The same design at other sizes. Hardware comes in stock sizes, so a spar's bore sets the factor; recipes,
 * components and beads stay as they are.
 */
import type { Assessment, Assessor, Finding } from '../../assess'
import type { Body, BodyStation, ProjectFile, StrutEnd, Surface } from '../../document'
import { LIBRARIES, type Libraries } from '../../libraries'
import { admissible } from '../../change'
import { fittingsFor, gapsOf, sameKind, type FittingGap, type Fittings } from './size-fittings'
import { misfits } from './size-misfits'

/**
 * Factor at which the bore of one stock becomes that of another with the same gap: (d₂ + c)/(d₁ + c), c the
 * gap on the diameter.
 */
export const boreFactor = (fromMm: number, toMm: number, gapMm: number): number =>
  (toMm + gapMm) / (fromMm + gapMm)

const mainSpar = (doc: ProjectFile) =>
  doc.spars
    .filter(item => item.surface === 'wing')
    .reduce<ProjectFile['spars'][number] | null>(
      (a, b) => (a && a.toMm - a.fromMm >= b.toMm - b.fromMm ? a : b),
      null,
    )

export interface SizeChoice {
  stock: string
  name: string
  factor: number
}

/**
 * Sizes of the main spar's kind, each with the factor that its bore asks for. The main spar is the wing's
 * longest.
 */
export function sizeChoices(
  doc: ProjectFile,
  libraries: Libraries = LIBRARIES,
): { spar: string; name: string; choices: SizeChoice[] } | null {
  const spar = mainSpar(doc)
  const own = spar && libraries.stock.find(item => item.id === spar.stock)
  if (!spar || !own) return null
  const kind = sameKind(own, libraries)
  return {
    spar: spar.id,
    name: spar.name,
    choices: kind
      .map(item => ({
        stock: item.id,
        name: item.name,
        factor: boreFactor(own.heightMm, item.heightMm, 2 * spar.clearanceMm),
      }))
      .sort((a, b) => a.factor - b.factor),
  }
}

/**
 * Every length of the airframe times the factor. What is bought, and how it is printed, stays; spars, boom
 * and wing bolts take the fittings given.
 */
export function scaleDesign(
  doc: ProjectFile,
  factor: number,
  { spars, struts, boom, boltMm }: Fittings,
): ProjectFile {
  const mm = (value: number) => Math.round(value * factor * 100) / 100
  const surface = (item: Surface): Surface => ({
    ...item,
    xMm: mm(item.xMm),
    yMm: mm(item.yMm),
    zMm: mm(item.zMm),
    rootChordMm: mm(item.rootChordMm),
    tip: { ...item.tip, lengthMm: mm(item.tip.lengthMm) },
    panels: item.panels.map(panel => ({
      ...panel,
      spanMm: mm(panel.spanMm),
      tipChordMm: mm(panel.tipChordMm),
      sweepMm: mm(panel.sweepMm),
    })),
  })
  const station = <T extends Omit<BodyStation, 'zone'>>(item: T): T => ({
    ...item,
    xMm: mm(item.xMm),
    widthMm: mm(item.widthMm),
    heightMm: mm(item.heightMm),
    zMm: mm(item.zMm),
  })
  const body = (own: Body): Body => ({
    ...own,
    stations: own.stations.map(station),
    openings: own.openings.map(opening => ({
      ...opening,
      fromMm: mm(opening.fromMm),
      toMm: mm(opening.toMm),
      widthMm: mm(opening.widthMm),
    })),
    saddle: own.saddle && { ...own.saddle, boltMm: boltMm ?? own.saddle.boltMm },
  })
  const cuts = <T extends { atMm: number }>(list: T[]): T[] =>
    list.map(cut => ({ ...cut, atMm: mm(cut.atMm) }))
  const strutEnd = (end: StrutEnd): StrutEnd =>
    end.on === 'body'
      ? { ...end, xMm: mm(end.xMm), yMm: mm(end.yMm), zMm: mm(end.zMm) }
      : { ...end, alongMm: mm(end.alongMm) }
  const label = `${doc.name.slice(0, 180)} × ${factor.toFixed(3)}`
  return {
    ...doc,
    name: label,
    wing: surface(doc.wing),
    second: doc.second && surface(doc.second),
    winglets: doc.winglets && {
      ...doc.winglets,
      lengthMm: mm(doc.winglets.lengthMm),
      rootChordMm: mm(doc.winglets.rootChordMm),
      tipChordMm: mm(doc.winglets.tipChordMm),
      sweepMm: mm(doc.winglets.sweepMm),
    },
    tail: {
      ...doc.tail,
      horizontal: doc.tail.horizontal && surface(doc.tail.horizontal),
      vertical: doc.tail.vertical && surface(doc.tail.vertical),
    },
    body: doc.body && body(doc.body),
    pods: doc.pods.map(pod => ({
      ...pod,
      xMm: mm(pod.xMm),
      yMm: mm(pod.yMm),
      zMm: mm(pod.zMm),
      body: body(pod.body),
      cuts: cuts(pod.cuts),
    })),
    duct: doc.duct && {
      ...doc.duct,
      stations: doc.duct.stations.map(item => ({ ...station(item), yMm: mm(item.yMm) })),
    },
    tilt: doc.tilt && { ...doc.tilt, xMm: mm(doc.tilt.xMm), zMm: mm(doc.tilt.zMm) },
    boom: doc.boom && {
      ...doc.boom,
      stock: boom ?? doc.boom.stock,
      fromMm: mm(doc.boom.fromMm),
      toMm: mm(doc.boom.toMm),
      yMm: mm(doc.boom.yMm),
      zMm: mm(doc.boom.zMm),
      socketMm: mm(doc.boom.socketMm),
    },
    struts: doc.struts.map(strut => ({
      ...strut,
      stock: struts[strut.id] ?? strut.stock,
      from: strutEnd(strut.from),
      to: strutEnd(strut.to),
    })),
    spars: doc.spars.map(spar => ({
      ...spar,
      fromMm: mm(spar.fromMm),
      toMm: mm(spar.toMm),
      stock: spars[spar.id] ?? spar.stock,
    })),
    cuts: {
      wing: cuts(doc.cuts.wing),
      second: cuts(doc.cuts.second),
      winglet: cuts(doc.cuts.winglet),
      horizontal: cuts(doc.cuts.horizontal),
      vertical: cuts(doc.cuts.vertical),
      body: cuts(doc.cuts.body),
    },
    equipment: doc.equipment.map(item => ({
      ...item,
      xMm: mm(item.xMm),
      yMm: mm(item.yMm),
      zMm: mm(item.zMm),
      bay: item.bay && [mm(item.bay[0]), mm(item.bay[1])],
    })),
    gear: doc.gear.map(leg => ({
      ...leg,
      xMm: mm(leg.xMm),
      yMm: mm(leg.yMm),
      zMm: mm(leg.zMm),
      dropMm: mm(leg.dropMm),
      splayMm: mm(leg.splayMm),
    })),
    // What was weighed, tested and given belongs to the size it was made at.
    weighIns: [],
    asPrinted: [],
    proofs: [],
    given: [],
    wingSets: [],
    measured: { massG: null, cgMm: null, thrustG: null, dragShare: null, scales: null },
    flights: [],
    damages: [],
    tracks: [],
    field: { ...doc.field, looks: [], flown: null },
  }
}

export interface SizeReport {
  factor: number
  /** The main spar's, where it was chosen. */
  stock: string | null
  boltMm: number | null
  /** What every bore of the first size, scaled, leaves round the stock that is nearest there. */
  gaps: FittingGap[]
  spanMm: number
  massG: number
  printedG: number
  loadingGdm2: number
  cubicLoading: number
  reynolds: number
  stallMs: number
  staticMarginPct: number
  /** Greatest load factor, what makes it, and the wing's root bending moment under it, N·m. */
  loadFactor: number
  loadBy: string
  rootMoment: number
  reserve: number
  mode: string
  hours: number
  largestMm: number
  /** What no longer fits or holds at this size and did at the first: findings that stop the build or warn. */
  broken: Array<Pick<Finding, 'code' | 'severity' | 'where' | 'text' | 'remedy'>>
  doc: ProjectFile
}

/** Findings about fit: bays, runs, spars, sections, beds, hatches. */
const FIT =
  /^(spar-|bay-|run-|hinge-|control-|piece-too-large|lid-|firewall-|outside-bay|section-|joint-|stock-)/

export interface SizeAsk {
  factor: number
  /** Main spar's stock, or null for the nearest. */ stock: string | null
  /** mm; null for the nearest. */ boltMm: number | null
}

/** Null where the schema cannot hold a figure at that size. */
export function sizeReport(
  assessor: Assessor,
  doc: ProjectFile,
  { factor, stock, boltMm }: SizeAsk,
  libraries: Libraries = LIBRARIES,
): SizeReport | null {
  const main = mainSpar(doc),
    fittings = fittingsFor(doc, factor, stock && main ? { spar: main.id, stock } : null, boltMm, libraries)
  const before = assessor.assess(doc),
    scaled = scaleDesign(doc, factor, fittings)
  if (!admissible(scaled)) return null
  const after = assessor.assess(scaled)
  const known = new Set([...before.findings.map(keyOf), ...misfits(assessor.airframe(doc)).map(keyOf)])
  const fits = [
    ...after.findings.filter(finding => FIT.test(finding.code) && finding.severity !== 'note'),
    ...misfits(assessor.airframe(scaled)),
  ]
  const broken = fits
    .filter(item => !known.has(keyOf(item)))
    .map(({ code, severity, where, text, remedy }) => ({ code, severity, where, text, remedy }))
  return {
    factor,
    stock,
    boltMm: scaled.body?.saddle?.bolts ? scaled.body.saddle.boltMm : null,
    gaps: gapsOf(doc, factor, fittings, libraries),
    ...figures(after),
    broken,
    doc: scaled,
  }
}

const keyOf = (finding: Pick<Finding, 'code' | 'where'>): string =>
  `${finding.code} ${typeof finding.where === 'string' ? finding.where : finding.where.filter(part => typeof part === 'string').join('')}`

function figures(a: Assessment): Omit<SizeReport, 'factor' | 'stock' | 'boltMm' | 'gaps' | 'broken' | 'doc'> {
  const root = a.stall.strips[0]
  return {
    spanMm: a.plan.spanMm,
    massG: a.totals.massG,
    printedG: a.totals.printedG,
    loadingGdm2: a.plan.loadingGdm2,
    cubicLoading: a.plan.cubicLoading,
    reynolds: root?.reynolds ?? 0,
    stallMs: a.flight.stallMs,
    staticMarginPct: a.flight.staticMarginPct,
    loadFactor: a.loads.governing.n,
    loadBy: a.loads.governing.by,
    rootMoment: a.strength.stations[0]?.moment ?? 0,
    reserve: a.strength.reserve,
    mode: a.strength.mode,
    hours: a.totals.hours,
    largestMm: Math.max(0, ...a.pieces.map(piece => Math.max(...piece.boxMm))),
  }
}

/**
 * Cuts that serve every size: those proposed for the largest, brought down to the size they are wanted at.
 */
export function cutsForAll(largest: ProjectFile['cuts'], factor: number): ProjectFile['cuts'] {
  const back = <T extends { atMm: number }>(list: T[]): T[] =>
    list.map(cut => ({ ...cut, atMm: Math.round((cut.atMm / factor) * 10) / 10 }))
  return {
    wing: back(largest.wing),
    second: back(largest.second),
    winglet: back(largest.winglet),
    horizontal: back(largest.horizontal),
    vertical: back(largest.vertical),
    body: back(largest.body),
  }
}
