/** How every chart is drawn: in the fonts that ship, axes in ink, figures as they are written elsewhere. */
import { Chart, Filler, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js'
import { reading } from './format'

export { Scatter } from 'vue-chartjs'

Chart.register(Filler, LinearScale, LineElement, PointElement, Tooltip)
export const TEXT_FONT = "'Atkinson Hyperlegible Next Variable', sans-serif"
Chart.defaults.font.family = TEXT_FONT

/** No separators of thousands; the maker's own decimal sign. */
const tick = (value: string | number): string => {
  const written = String(Number(Number(value).toPrecision(8)))
  return reading.value.decimal === ',' ? written.replace('.', ',') : written
}

export const plotAxis = (text: string, ink: string, ticks: { precision?: number; most?: number } = {}) => ({
  type: 'linear' as const,
  title: { display: true, text, color: ink, font: { size: 11 } },
  grid: { color: '#8883' },
  ticks: {
    color: ink,
    font: { family: 'Spline Sans Mono', size: 10.5 },
    maxTicksLimit: ticks.most ?? 6,
    precision: ticks.precision,
    includeBounds: false,
    callback: tick,
  },
})

/** A chart as large as its box, that does not move. */
export const STILL = { animation: false as const, maintainAspectRatio: false }
