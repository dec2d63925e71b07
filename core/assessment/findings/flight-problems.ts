/** What is wrong with how it will fly: each with its place, figure, limit and one thing to do. */
import type { ProjectFile } from '../../document'
import type { Finding, Assessment, StallCase } from '../report'
import { q, say } from '../../units'

/** The inner wing should stall this much before the tip, °. */
export const TIP_MARGIN_WANTED = 1
/** A canard should let go this much before the wing: what sections bear is not known to the degree, °. */
export const FORE_MARGIN_WANTED = 1

export function flightProblems(
  doc: ProjectFile,
  {
    flight,
    plan,
    stall,
    trim,
    handling,
    controls,
  }: Pick<Assessment, 'flight' | 'plan' | 'stall' | 'trim' | 'handling' | 'controls'>,
  stallCases: () => StallCase[],
): Finding[] {
  const found: Finding[] = flight.between.map(([a, b]) => ({
    code: 'surfaces-between',
    stations: ['shape'],
    severity: 'note',
    where: say`${a} and ${b.toLowerCase()}`,
    value: 1,
    limit: 0,
    unit: 'pairs',
    text: say`${a} and ${b.toLowerCase()} stand a few millimetres apart: a joint and a gap differ by much, and what is computed lies between`,
    remedy: 'Let them meet, or set them further apart',
  }))
  const fin = doc.tail.vertical
  if (fin && !fin.mirror && fin.yMm > 0)
    found.push({
      code: 'fin-off-middle',
      stations: ['shape'],
      severity: 'note',
      where: 'Fin',
      value: fin.yMm,
      limit: 0,
      unit: 'mm',
      text: say`A single fin ${q(fin.yMm, 'mm', 0)} off the middle is computed as standing in it`,
      remedy: 'Set it in the middle, or let it have a twin',
    })
  const { foreplane } = stall
  if (foreplane && foreplane.marginDeg > -FORE_MARGIN_WANTED)
    found.push({
      code: 'wing-stalls-first',
      stations: ['shape'],
      severity: foreplane.marginDeg > 0 ? 'stop' : 'warn',
      where: 'Canard',
      value: foreplane.marginDeg,
      limit: -FORE_MARGIN_WANTED,
      unit: '°',
      text:
        foreplane.marginDeg > 0
          ? say`The wing stalls ${q(foreplane.marginDeg, '°', 1)} before the canard: it falls tail first, and nothing at the nose lowers it again`
          : say`The canard lets go only ${q(-foreplane.marginDeg, '°', 1)} before the wing: in a gust the wing may be the first`,
      remedy: 'Shape: more incidence for the canard or less of its area; Balance: further forward',
    })
  if (flight.stallMs > doc.brief.stallMaxMs)
    found.push({
      code: 'stall-fast',
      stations: ['brief'],
      severity: 'warn',
      where: 'Wing',
      value: flight.stallMs,
      limit: doc.brief.stallMaxMs,
      unit: 'm/s',
      text: say`It stalls at ${q(flight.stallMs, 'm/s', 1)}; the brief asks for ${q(doc.brief.stallMaxMs, 'm/s')}`,
      remedy: say`${q(100 * ((flight.stallMs / doc.brief.stallMaxMs) ** 2 - 1), '%', 0)} more wing area, or as much less weight`,
    })
  if (stall.tipMarginDeg < TIP_MARGIN_WANTED) {
    const washed = stallCases().find(item => item.id === 'washout')
    const remedy =
      washed && washed.tipMarginDeg >= TIP_MARGIN_WANTED
        ? say`Two more degrees of washout: then ${q(washed.tipMarginDeg, '°', 1)}`
        : 'More washout, less taper, or a thicker, more cambered tip'
    found.push({
      code: 'tip-stall',
      stations: ['shape'],
      severity: stall.tipMarginDeg < 0 ? 'warn' : 'note',
      where: 'Wing',
      value: stall.tipMarginDeg,
      limit: TIP_MARGIN_WANTED,
      unit: '°',
      text:
        stall.tipMarginDeg < 0
          ? say`The outer wing stalls ${q(-stall.tipMarginDeg, '°', 1)} before the inner, first ${q(100 * stall.placeShare, '%', 0)} out: it will drop a wing`
          : say`The outer wing stalls only ${q(stall.tipMarginDeg, '°', 1)} after the inner: it may drop a wing`,
      remedy,
    })
  }
  if (plan.spanMm > doc.brief.spanMaxMm)
    found.push({
      code: 'span-over',
      stations: ['brief'],
      severity: 'warn',
      where: 'Wing',
      value: plan.spanMm,
      limit: doc.brief.spanMaxMm,
      unit: 'mm',
      text: say`Span ${q(plan.spanMm, 'mm', 0)}; the brief allows ${q(doc.brief.spanMaxMm, 'mm')}`,
      remedy: 'Shorten the outer panel, or change the brief',
    })
  for (const row of trim.filter(item => item.trouble)) {
    const place = `${row.label}${row.payload ? '' : ', payload gone'}`
    found.push({
      code: 'trim-hard',
      stations: ['shape'],
      severity: row.serious ? 'warn' : 'note',
      where: place,
      value: row.controlDeg ?? row.cmLeft,
      limit: 0,
      unit: row.controlDeg === null ? 'Cm' : '°',
      text: say`${place}, ${q(row.speedMs, 'm/s', 1)}: ${row.trouble}`,
      remedy:
        row.controlDeg === null
          ? 'Shape: add an elevator or elevons'
          : 'Turn the tailplane, or move the balance',
    })
  }
  for (const mode of handling.modes.filter(item => item.state === 'poor'))
    found.push({
      code: `mode-${mode.id}`,
      stations: ['shape'],
      severity: 'warn',
      where: mode.label,
      value: mode.halfS,
      limit: 0,
      unit: 's',
      text: say`${mode.label}: ${mode.words}`,
      remedy:
        mode.id === 'spiral' || mode.id === 'dutch-roll'
          ? 'Shape: dihedral and fin'
          : 'Balance: bring the CG forward',
    })
  for (const reading of handling.readings.filter(item => item.state === 'poor'))
    found.push({
      code: `handling-${reading.id}`,
      stations: ['shape'],
      severity: 'warn',
      where: reading.label,
      value: reading.value,
      limit: 0,
      unit: 'per rad',
      text: say`${reading.label} ${q(reading.value, '', 3)}: ${reading.words}`,
      remedy: 'Shape: a larger fin, or a longer arm to it',
    })
  for (const control of controls.filter(item => item.trouble && item.servoName !== null))
    found.push({
      code: 'servo-short',
      stations: ['shape'],
      severity: 'warn',
      where: control.name,
      value: control.servoNeedsNcm ?? 0,
      limit: control.servoHasNcm ?? 0,
      unit: 'N·cm',
      text: say`${control.name}: ${control.trouble}`,
      remedy: 'Shape: rod, throw or servo',
    })
  return found
}
