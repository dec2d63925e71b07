/**
 * Proportions against their usual ranges for small slow electric models, each with the one change that would
 * mend it.
 */
import type { Assessment } from '../../assess'
import type { ProjectFile, Surface } from '../../document'
import { controlArea, equivalentDihedralDeg, groundRoom, planArea, propellerGap } from './proportion-figures'
import { q, say, type Words } from '../../units'

export interface Proportion {
  id: string
  label: string
  value: number
  unit: string
  digits: number
  low: number
  high: number
  why: Words
  mend: Words
  ok: boolean
}

type Entry = Omit<Proportion, 'ok' | 'mend'> & { mendLow: Words; mendHigh: Words }

const percent = (ratio: number): Words => [q(Math.abs(100 * (ratio - 1)), '%', 0)]
const mm = (value: number): Words => [q(Math.abs(value), 'mm', 0)]

/**
 * Ranges are those of everyday practice for 0.5–2 m electric models between 0.2 and 3 kg; they are habits,
 * not laws.
 */
export function proportions(doc: ProjectFile, assessment: Assessment): Proportion[] {
  const list = [
    ...wingEntries(doc, assessment),
    ...tailEntries(doc, assessment),
    ...controlEntries(doc),
    ...roomEntries(doc, assessment),
  ]
  return list.map(({ mendLow, mendHigh, ...item }) => ({
    ...item,
    ok: item.value >= item.low && item.value <= item.high,
    mend: item.value < item.low ? mendLow : item.value > item.high ? mendHigh : '',
  }))
}

function wingEntries(doc: ProjectFile, { plan, flight, totals }: Assessment): Entry[] {
  const span = (ratio: number) =>
    say`${mm(plan.spanMm * (ratio - 1))} ${ratio > 1 ? 'more' : 'less'} span at the same chords`
  const aspect = (wanted: number) => span(wanted / plan.aspectRatio)
  const list: Entry[] = [
    {
      id: 'loading',
      label: 'Wing loading',
      value: plan.loadingGdm2,
      unit: 'g/dm²',
      digits: 0,
      low: 15,
      high: 55,
      why: 'sets how fast it must fly',
      mendLow: say`${percent(plan.loadingGdm2 / 15)} less area, or it is blown about`,
      mendHigh: say`${percent(plan.loadingGdm2 / 55)} more area, or ${q(totals.massG * (1 - 55 / plan.loadingGdm2), 'g', 0)} lighter`,
    },
    {
      id: 'cubic',
      label: 'Cubic loading',
      value: plan.cubicLoading,
      unit: 'kg/m³',
      digits: 1,
      low: 3,
      high: 10,
      why: 'loading made comparable across sizes',
      mendLow: say`${percent((3 / plan.cubicLoading) ** (-2 / 3))} less area`,
      mendHigh: say`${percent((plan.cubicLoading / 10) ** (2 / 3))} more area, or lighter`,
    },
    {
      id: 'aspect',
      label: 'Aspect ratio',
      value: plan.aspectRatio,
      unit: '',
      digits: 1,
      low: 4,
      high: 12,
      why: 'more glides better, and bends and twists more',
      mendLow: aspect(4),
      mendHigh: aspect(12),
    },
    {
      id: 'stall',
      label: 'Stall speed',
      value: flight.stallMs,
      unit: 'm/s',
      digits: 1,
      low: 4,
      high: 10,
      why: 'how hard it must be thrown and how fast it lands',
      mendLow: 'it will not get through wind: less area',
      mendHigh: say`${percent((flight.stallMs / 10) ** 2)} more area, or lighter`,
    },
  ]
  const dihedral = equivalentDihedralDeg(doc.wing)
  const steers = doc.wing.controls.some(control => control.kind === 'aileron' || control.kind === 'elevon')
  const swept = doc.tail.kind === 'none'
  const [low, high] = swept ? [-2, 6] : steers ? [1, 7] : [5, 14]
  list.push({
    id: 'dihedral',
    label: 'Dihedral, as one V',
    value: dihedral,
    unit: '°',
    digits: 1,
    low,
    high,
    why: swept
      ? 'sweep already levels it'
      : steers
        ? 'levels it out of a bank'
        : 'without ailerons it is what turns it',
    mendLow: say`${q(low - dihedral, '°', 0)} more at the outer panels`,
    mendHigh: say`${q(dihedral - high, '°', 0)} less, or it rocks`,
  })
  return list
}

function tailEntries(doc: ProjectFile, { plan }: Assessment): Entry[] {
  const list: Entry[] = []
  const { horizontal } = doc.tail
  if (plan.tailVolume !== null && horizontal && doc.tail.kind !== 'canard') {
    const area = planArea(horizontal),
      volume = plan.tailVolume
    list.push({
      id: 'tail',
      label: 'Tail volume',
      value: volume,
      unit: '',
      digits: 2,
      low: 0.4,
      high: 0.9,
      why: 'damps and steers in pitch',
      mendLow: say`${q((area * (0.4 / volume - 1)) / 1e4, 'dm²', 1)} more tailplane, or a boom ${mm((horizontal.xMm - doc.wing.xMm) * (0.4 / volume - 1))} longer`,
      mendHigh: say`${q((area * (1 - 0.9 / volume)) / 1e4, 'dm²', 1)} less tailplane saves weight behind`,
    })
  }
  if (plan.finVolume !== null) {
    const part = doc.tail.kind === 'V' ? 'more cant' : 'more fin'
    list.push({
      id: 'fin',
      label: 'Fin volume',
      value: plan.finVolume,
      unit: '',
      digits: 3,
      low: 0.015,
      high: 0.06,
      why: 'keeps the nose into the wind',
      mendLow: say`${percent(0.015 / Math.max(1e-6, plan.finVolume))} ${part}`,
      mendHigh: say`${percent(0.06 / plan.finVolume)} less fin, or it will not turn in thermals`,
    })
  }
  return list
}

function controlEntries(doc: ProjectFile): Entry[] {
  const list: Entry[] = []
  const add = (
    id: string,
    label: string,
    surface: Surface | null,
    kinds: readonly string[],
    low: number,
    high: number,
    why: Words,
  ) => {
    if (!surface) return
    const own = surface.controls.filter(control => kinds.includes(control.kind) && control.chordShare < 1)
    if (own.length === 0) return
    const share =
      (100 * own.reduce((sum, control) => sum + controlArea(surface, control), 0)) / planArea(surface)
    const wide = own[0].chordShare
    const other = (limit: number) =>
      say`hinge at ${q(100 * (1 - Math.min(0.6, (wide * limit) / share)), '%', 0)} of the chord instead of ${q(100 * (1 - wide), '%', 0)}`
    list.push({
      id,
      label,
      value: share,
      unit: '%',
      digits: 0,
      low,
      high,
      why,
      mendLow: other(low),
      mendHigh: other(high),
    })
  }
  add(
    'ailerons',
    'Ailerons, of the wing',
    doc.wing,
    ['aileron', 'elevon'],
    6,
    16,
    'how fast it rolls, and how hard they pull',
  )
  const tail = doc.tail.kind === 'none' ? null : doc.tail.horizontal
  add('elevator', 'Elevator, of the tailplane', tail, ['elevator', 'ruddervator'], 20, 50, 'reach in pitch')
  add(
    'rudder',
    'Rudder, of the fin',
    doc.tail.kind === 'V' ? null : doc.tail.vertical,
    ['rudder'],
    25,
    60,
    'reach in yaw',
  )
  return list
}

function roomEntries(doc: ProjectFile, { drawing }: Assessment): Entry[] {
  const list: Entry[] = []
  const gap = propellerGap(doc)
  if (gap !== null)
    list.push({
      id: 'prop-gap',
      label: 'Propeller to airframe',
      value: gap,
      unit: 'mm',
      digits: 0,
      low: 2,
      high: 80,
      why: 'blades bend and shafts have play',
      mendLow: say`the motor ${mm(3 - gap)} further out, or a smaller propeller`,
      mendHigh: 'a shorter mount weighs less',
    })
  const room = groundRoom(doc, drawing.box.minZ)
  if (room) {
    list.push(
      room.wheels
        ? {
            id: 'ground',
            label: 'Propeller above the ground',
            value: room.mm,
            unit: 'mm',
            digits: 0,
            low: 20,
            high: 150,
            why: 'grass, bumps and a nodding nose',
            mendLow: say`legs ${mm(20 - room.mm)} longer, or ${mm(2 * (20 - room.mm))} less propeller`,
            mendHigh: 'shorter legs weigh less',
          }
        : {
            id: 'ground',
            label: room.folds ? 'Folding blades below the belly' : 'Blades below the belly',
            value: Math.max(0, -room.mm),
            unit: 'mm',
            digits: 0,
            low: 0,
            high: room.folds ? 400 : 5,
            why: room.folds ? 'brake on, they fold before it touches' : 'they touch first on landing',
            mendLow: '',
            mendHigh: say`a folding propeller, a skid ${mm(-room.mm)} deep, or stop it level`,
          },
    )
  }
  return list
}
