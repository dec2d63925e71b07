/**
 * The aircraft in today's air, on today's pack: the same computation with the field's own figures put in, so that
 * nothing is scaled by hand.
 */
import type { Assessor } from '../../assess'
import { altitudeOf } from '../../aero'
import type { Pack, ProjectFile } from '../../document'
import { q, say, type Words } from '../../units'
import { flightCard, type FlightCard } from '../card'
import { powerReport } from '../power'
import { packLife } from './pack-life'

export interface FieldDay {
  card: FlightCard
  densityKgM3: number
  /** Over the brief's. */
  densityShare: number
  /** All up, by the scale where it was weighed. */
  massG: number
  stallMs: number
  /** The stall with what a gust may take away again: for the approach. */
  approachMs: number
  throwMs: number | null
  wind: {
    meanMs: number
    gustMs: number
    /** Left of the pilot's own limit, by the gusts. */
    marginMs: number
    /** Over the ground against the wind, at cruise and at full throttle in a gust. */
    headwayMs: number
    bestHeadwayMs: number | null
    /** Crossing the wind it drifts by, °. */
    crabDeg: number | null
  } | null
  charge: ChargeToday | null
  notes: Words[]
}

export interface ChargeToday {
  pack: string | null
  startPct: number
  landPct: number
  usableMah: number
  /** At the planned mix; null: over six hours. */
  minutes: number | null
  /** Current of each part of the flight, A, for a count that follows the throttle. */
  amps: Record<'climb' | 'cruise' | 'idle', number>
  cold: boolean
}

/** Lithium cells give clearly less below this, °C. */
const COLD_C = 10
/** Approach at 1.3 × stall and half of what a gust adds. */
const APPROACH = 1.3,
  GUST_SHARE = 0.5

/** The project as it flies today: air and pack put in where they are known. */
export function asToday(doc: ProjectFile): ProjectFile {
  const { field, brief } = doc
  const airC = field.airC ?? brief.fieldTemperatureC
  const pack = field.packs.find(item => item.id === field.pack)
  return {
    ...doc,
    brief: {
      ...brief,
      fieldTemperatureC: airC,
      fieldElevationM:
        field.pressureHpa === null
          ? brief.fieldElevationM
          : Math.min(6000, Math.max(-430, altitudeOf(100 * field.pressureHpa))),
    },
    power: pack ? { ...doc.power, agePct: wearOf(doc, pack) } : doc.power,
    equipment: pack
      ? doc.equipment.map(item =>
          item.battery && item.battery.cells === pack.cells
            ? { ...item, battery: { ...item.battery, capacityMah: pack.capacityMah } }
            : item,
        )
      : doc.equipment,
  }
}

/** Wear as the drive reckons it: 100 where a pack is to be retired. */
const wearOf = (doc: ProjectFile, pack: Pack): number => packLife(doc, pack).wearPct

export function fieldDay(assessor: Assessor, doc: ProjectFile): FieldDay {
  const today = asToday(doc)
  const then = assessor.assess(doc)
  const now = assessor.assess(today)
  const card = flightCard(assessor, today)
  const payload = now.totals.massG - now.totals.emptyMassG
  const massG = doc.measured.massG === null ? now.totals.massG : doc.measured.massG + payload
  const stallMs = now.flight.stallMs * Math.sqrt(massG / now.totals.massG)
  const { density } = assessor.flown(today).pitch(true)
  const before = assessor.flown(doc).pitch(true).density
  const wind = windOf(doc, card)
  const spread = wind ? Math.max(0, wind.gustMs - wind.meanMs) : 0
  return {
    card,
    densityKgM3: density,
    densityShare: density / before,
    massG,
    stallMs,
    approachMs: APPROACH * stallMs + GUST_SHARE * spread,
    throwMs: card.toss?.speedMs ?? null,
    wind,
    charge: chargeOf(assessor, doc, today),
    notes: notesOf(doc, { stallMs, thenMs: then.flight.stallMs, wind, card }),
  }
}

function windOf({ field, brief }: ProjectFile, card: FlightCard): FieldDay['wind'] {
  if (field.windMs === null) return null
  const meanMs = field.windMs,
    gustMs = Math.max(meanMs, field.gustMs ?? meanMs)
  const across = meanMs / brief.cruiseMs
  return {
    meanMs,
    gustMs,
    marginMs: brief.windMaxMs - gustMs,
    headwayMs: brief.cruiseMs - meanMs,
    // Never faster than it is held to, whatever pulls.
    bestHeadwayMs: card.levelMaxMs === null ? null : Math.min(card.levelMaxMs, card.neverMs) - gustMs,
    crabDeg: across < 1 ? (Math.asin(across) * 180) / Math.PI : null,
  }
}

function chargeOf(assessor: Assessor, doc: ProjectFile, today: ProjectFile): ChargeToday | null {
  const { figures } = powerReport(today, assessor.assess(today), assessor.flown(today).pitch(true))
  if (!figures) return null
  const pack = doc.field.packs.find(item => item.id === doc.field.pack)
  const startPct = doc.field.chargePct ?? 100
  const landPct = doc.power.reservePct
  const share = Math.max(0, startPct - landPct) / Math.max(1, 100 - landPct)
  const of = (kinds: readonly string[]) =>
    figures.plan.parts.find(part => kinds.includes(part.kind))?.currentA ?? null
  const cruise = of(['cruise']) ?? figures.static.currentA / 3
  return {
    pack: pack?.name ?? null,
    startPct,
    landPct,
    usableMah: (figures.usableMah * Math.max(0, startPct - landPct)) / 100,
    minutes: figures.plan.canMinutes === null ? null : figures.plan.canMinutes * share,
    amps: { climb: of(['climb', 'launch']) ?? figures.static.currentA, cruise, idle: of(['idle']) ?? 0 },
    cold: today.brief.fieldTemperatureC < COLD_C && doc.power.packC === null,
  }
}

function notesOf(
  doc: ProjectFile,
  told: { stallMs: number; thenMs: number; wind: FieldDay['wind']; card: FlightCard },
): Words[] {
  const { field, brief } = doc
  const notes: Words[] = []
  const pack = field.packs.find(item => item.id === field.pack)
  const life = pack && packLife(doc, pack)
  if (pack && life && life.verdict !== 'good') notes.push(say`${pack.name}: ${life.reason}`)
  if (pack && !doc.equipment.some(item => item.battery?.cells === pack.cells))
    notes.push(
      say`${pack.name} has ${pack.cells} cells, which the drive is not computed for: see Power before it goes in`,
    )
  if (told.wind && told.wind.marginMs < 0)
    notes.push(
      say`Gusts pass your limit of ${q(brief.windMaxMs, 'm/s')} by ${q(-told.wind.marginMs, 'm/s', 1)}`,
    )
  if (told.wind && told.wind.headwayMs < 2)
    notes.push(
      say`Against the wind it makes ${q(told.wind.headwayMs, 'm/s', 1)} at cruise: it may not come back`,
    )
  const limit = brief.stallMaxMs
  if (told.stallMs > 1.03 * told.thenMs && told.stallMs > limit)
    notes.push(
      say`In this air it stalls at ${q(told.stallMs, 'm/s', 1)}, over the brief's ${q(limit, 'm/s', 1)}: more speed for throw and landing`,
    )
  if ((field.airC ?? brief.fieldTemperatureC) < COLD_C)
    notes.push('Keep packs warm until they go in; foamed plastic is brittle in the cold')
  return notes
}
