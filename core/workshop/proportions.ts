/** Proportions against their usual ranges for small slow electric models, with the change that would mend each. */
import type { Assessment } from '../assess'

export interface Proportion { id: string, label: string, value: number, unit: string, digits: number, low: number, high: number, why: string, mend: string, ok: boolean }

/** Ranges are those of everyday practice for 0.5–2 m electric models between 0.2 and 3 kg; they are habits, not laws. */
export function proportions({ plan, flight }: Assessment): Proportion[] {
  const list: Array<Omit<Proportion, 'ok' | 'mend'> & { mendLow: string, mendHigh: string }> = [
    { id: 'loading', label: 'Wing loading', value: plan.loadingGdm2, unit: 'g/dm²', digits: 0, low: 15, high: 55, why: 'sets how fast it must fly', mendLow: 'it will be blown about: less area', mendHigh: `${Math.max(0, (plan.loadingGdm2 / 55 - 1) * 100).toFixed(0)} % more area, or lighter` },
    { id: 'cubic', label: 'Cubic loading', value: plan.cubicLoading, unit: 'kg/m³', digits: 1, low: 3, high: 10, why: 'loading made comparable across sizes', mendLow: 'less area, or more payload', mendHigh: 'more area, or lighter' },
    { id: 'aspect', label: 'Aspect ratio', value: plan.aspectRatio, unit: '', digits: 1, low: 4, high: 12, why: 'more glides better, and bends and twists more', mendLow: 'more span for the same area', mendHigh: 'less span, or a wider chord' },
    { id: 'stall', label: 'Stall speed', value: flight.stallMs, unit: 'm/s', digits: 1, low: 4, high: 10, why: 'how hard it must be thrown and how fast it lands', mendLow: 'it will not penetrate wind', mendHigh: 'more area, lighter, or more camber' },
  ]
  if (plan.tailVolume !== null) list.push({ id: 'tail', label: 'Tail volume', value: plan.tailVolume, unit: '', digits: 2, low: 0.4, high: 0.9, why: 'damps and steers in pitch', mendLow: `${((0.4 / plan.tailVolume - 1) * 100).toFixed(0)} % more tailplane, or a longer boom`, mendHigh: 'a smaller tail saves weight behind' })
  if (plan.finVolume !== null) list.push({ id: 'fin', label: 'Fin volume', value: plan.finVolume, unit: '', digits: 3, low: 0.015, high: 0.06, why: 'keeps the nose into the wind', mendLow: 'a larger fin', mendHigh: 'it will not turn in thermals: a smaller fin' })
  return list.map(({ mendLow, mendHigh, ...item }) => ({ ...item, ok: item.value >= item.low && item.value <= item.high, mend: item.value < item.low ? mendLow : item.value > item.high ? mendHigh : '' }))
}
