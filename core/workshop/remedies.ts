/** Ways to bring the balance to its aim, each computed on the ledger: battery along its bay, ballast fore and aft. */
import type { Assessment } from '../assess'
import type { Equipment, ProjectFile } from '../document'
import { ballastFor, placeForBalance, type MassEntry } from '../mass'
import { gToKg, kgToG, mmToM, mToMm } from '../units'

export interface Remedy {
  id: string
  title: string
  detail: string
  /** Added mass. */
  grams: number
  cgAfterMm: number
  staticMarginAfterPct: number
  /** Whether it reaches the aim by itself. */
  reaches: boolean
  apply(doc: ProjectFile): ProjectFile
}

const round = (value: number, step: number): number => Math.round(value / step) * step
const roundTo10 = (value: number): number => Math.round(value * 10) / 10

/** Ballast beyond this is no remedy but a redesign, share of the flying mass. */
const MAX_BALLAST_SHARE = 0.25

/** Remedies towards the middle of the band, ready to fly with payload; least added mass first. */
export function balanceRemedies(doc: ProjectFile, { totals, flight, plan, drawing }: Assessment): Remedy[] {
  const sum = { mass: gToKg(totals.massG), x: mmToM(totals.cgMm[0]), y: 0, z: 0 }
  const aim = mmToM(flight.cgAimMm)
  const marginAt = (cgMm: number) => (100 * (flight.neutralPointMm - cgMm)) / plan.macMm
  const remedies: Remedy[] = []
  for (const item of doc.equipment.filter(e => e.kind === 'battery' && e.bay)) {
    const entry = { mass: gToKg(item.massG), x: mmToM(item.xMm) } as MassEntry
    const wanted = mToMm(placeForBalance(sum, entry, aim))
    const [low, high] = [item.bay![0] + item.sizeMm[0] / 2, item.bay![1] - item.sizeMm[0] / 2]
    const place = round(Math.min(Math.max(low, high), Math.max(low, wanted)), 0.5)
    const shift = place - item.xMm
    if (Math.abs(shift) < 0.5) continue
    const after = totals.cgMm[0] + (shift * item.massG) / totals.massG
    remedies.push({
      id: `move-${item.id}`, title: `Move ${item.name} ${Math.abs(shift).toFixed(0)} mm ${shift < 0 ? 'forward' : 'aft'}`,
      detail: wanted < low - 0.5 || wanted > high + 0.5 ? `the end of its bay; the aim would want ${wanted.toFixed(0)} mm` : `its middle at ${place.toFixed(0)} mm, inside its bay`,
      grams: 0, cgAfterMm: after, staticMarginAfterPct: marginAt(after), reaches: wanted >= low - 0.5 && wanted <= high + 0.5,
      apply: d => ({ ...d, equipment: d.equipment.map(e => (e.id === item.id ? { ...e, xMm: place } : e)) }),
    })
  }
  for (const [end, label, at] of [['nose', 'in the nose', drawing.box.minX + 20], ['tail', 'at the tail', drawing.box.maxX - 20]] as const) {
    const mass = ballastFor(sum, mmToM(at), aim)
    if (mass === null || mass < 0.0005 || mass > MAX_BALLAST_SHARE * sum.mass) continue
    const grams = roundTo10(kgToG(mass))
    const after = (totals.cgMm[0] * totals.massG + at * grams) / (totals.massG + grams)
    remedies.push({
      id: `ballast-${end}`, title: `${grams.toFixed(1)} g of ballast ${label}`, detail: `at ${at.toFixed(0)} mm; it flies ${grams.toFixed(1)} g heavier for good`,
      grams, cgAfterMm: after, staticMarginAfterPct: marginAt(after), reaches: true, apply: d => ({ ...d, equipment: [...d.equipment, ballastItem(d, end, at, grams)] }),
    })
  }
  return remedies.sort((a, b) => Number(b.reaches) - Number(a.reaches) || a.grams - b.grams)
}

function ballastItem(doc: ProjectFile, end: string, xMm: number, massG: number): Equipment {
  let n = 1
  while (doc.equipment.some(item => item.id === `ballast-${end}-${n}`)) n++
  return { id: `ballast-${end}-${n}`, name: `Ballast, ${end}`, kind: 'ballast', massG, spreadG: 0.2, xMm, yMm: 0, zMm: doc.boom?.zMm ?? 0, sizeMm: [12, 12, 8], pair: false, bay: null, drops: false, weighed: true, pocket: null, battery: null, servo: null }
}
