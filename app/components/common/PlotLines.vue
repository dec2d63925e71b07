<script setup lang="ts">
/** Lines over a figure, with the limits that they must not pass drawn in and named. Told apart by dashes and labels. */
import type { Chart } from 'chart.js'
import { useTheme } from 'vuetify'
import { figure, shownAs } from '~/composables/format'
import { plotAxis, Scatter, STILL, TEXT_FONT } from '~/composables/plot'

export interface PlotLine {
  label: string
  points: Array<{ x: number; y: number | null }>
  /** Left by default. */
  right?: boolean
  dash?: number[]
  /** Drawn as dots without a line. */
  dots?: boolean
  /** Dots on the line as well. */
  marked?: boolean
  /** Where along it its name stands, 0 to 1. */
  nameAt?: number
  colour?: 'primary' | 'secondary' | 'ink' | 'quiet'
}
export interface PlotLimit {
  y: number
  label: string
  right?: boolean
  broken?: boolean
}

const props = withDefaults(
  defineProps<{
    lines: PlotLine[]
    limits?: PlotLimit[]
    x: { label: string; unit: string; digits?: number }
    left: { label: string; unit: string; digits?: number }
    right?: { label: string; unit: string; digits?: number }
    label: string
    height?: number
  }>(),
  { limits: () => [], right: undefined, height: 210 },
)
const theme = useTheme()
const by = (unit: string) => shownAs(unit).by
const colourOf = (line: PlotLine) => {
  const { colors } = theme.current.value
  const own = line.colour ?? 'primary'
  if (own === 'ink') return String(colors['on-background'])
  if (own === 'quiet') return '#8a8a8a'
  return String(colors[own])
}
const span = computed(() => {
  const xs = props.lines.flatMap(line => line.points.map(point => point.x))
  return [Math.min(...xs), Math.max(...xs)] as const
})
const room = computed(() =>
  props.lines.some(line => line.dots || line.marked)
    ? 0.04 * Math.max(1e-6, span.value[1] - span.value[0])
    : 0,
)
const data = computed(() => ({
  datasets: [
    ...props.lines.map(line => ({
      label: line.label,
      data: line.points
        .filter(point => point.y !== null)
        .map(point => ({
          x: point.x * by(props.x.unit),
          y: point.y! * by((line.right ? props.right! : props.left).unit),
        })),
      yAxisID: line.right ? 'right' : 'left',
      showLine: !line.dots,
      pointRadius: line.dots ? 4 : line.marked ? 4 : 0,
      pointHitRadius: 8,
      borderWidth: line.dots ? 1.5 : 2,
      borderDash: line.dash ?? [],
      borderColor: colourOf(line),
      backgroundColor: line.dots ? 'transparent' : colourOf(line),
    })),
    ...props.limits.map(limit => ({
      label: limit.label,
      data: span.value.map(x => ({
        x: x * by(props.x.unit),
        y: limit.y * by((limit.right ? props.right! : props.left).unit),
      })),
      yAxisID: limit.right ? 'right' : 'left',
      showLine: true,
      pointRadius: 0,
      pointHitRadius: 0,
      borderWidth: 1.5,
      borderDash: [3, 4],
      borderColor: String(theme.current.value.colors[limit.broken ? 'error' : 'on-background']),
      backgroundColor: 'transparent',
    })),
  ],
}))
/** Names stand at the end of their line, where they do not need a legend. */
const names = {
  id: 'names',
  afterDatasetsDraw(chart: Chart) {
    const { ctx, chartArea } = chart
    ctx.save()
    ctx.font = `11px ${TEXT_FONT}`
    // Paper round the letters: a line that runs through them stays behind.
    ctx.lineJoin = 'round'
    ctx.lineWidth = 3
    ctx.strokeStyle = String(theme.current.value.colors.background)
    const taken: Array<{ y: number; from: number; to: number }> = []
    chart.data.datasets.forEach((dataset, i) => {
      const points = chart.getDatasetMeta(i).data
      const isLimit = i >= props.lines.length
      if (!points.length) return
      // Lines are named where they are high on their own side, limits at the right over themselves.
      const point = isLimit
        ? points[points.length - 1]!
        : points[Math.round((points.length - 1) * Math.min(1, props.lines[i]!.nameAt ?? 0.12 + 0.2 * i))]!
      const text = String(dataset.label)
      const wide = ctx.measureText(text).width
      const x = isLimit ? chartArea.right - 2 : Math.min(point.x + 6, chartArea.right - wide - 2)
      const from = isLimit ? x - wide : x,
        to = from + wide
      const covered = (at: number) =>
        taken.some(other => Math.abs(other.y - at) < 12 && other.from < to + 4 && other.to > from - 4)
      let y = point.y - 6
      while (covered(y)) y -= 12
      y = Math.max(chartArea.top + 9, y)
      // Pushed against the top, it goes under what is there.
      while (covered(y)) y += 12
      taken.push({ y, from, to })
      ctx.fillStyle = String(dataset.borderColor)
      ctx.textAlign = isLimit ? 'right' : 'left'
      ctx.strokeText(text, x, y)
      ctx.fillText(text, x, y)
    })
    ctx.restore()
  },
}
const options = computed(() => {
  const ink = String(theme.current.value.colors['on-background'])
  const axis = (own: { label: string; unit: string }) =>
    plotAxis(own.unit ? `${own.label}, ${shownAs(own.unit).unit}` : own.label, ink, { most: 7 })
  return {
    ...STILL,
    scales: {
      x: {
        ...axis(props.x),
        // Lines and limits run from edge to edge; dots want a little room round them.
        min: (span.value[0] - room.value) * by(props.x.unit),
        max: (span.value[1] + room.value) * by(props.x.unit),
      },
      left: { ...axis(props.left), position: 'left' as const, beginAtZero: true },
      ...(props.right
        ? {
            right: {
              ...axis(props.right),
              grid: { display: false },
              position: 'right' as const,
              beginAtZero: true,
            },
          }
        : {}),
    },
    plugins: {
      legend: { display: false },
      tooltip: {
        callbacks: {
          label: ({ dataset, parsed }: { dataset: { label?: string }; parsed: { x: number; y: number } }) =>
            `${dataset.label}: ${figure(parsed.y, 2)} at ${figure(parsed.x, props.x.digits ?? 1)}`,
        },
      },
    },
  }
})
</script>

<template>
  <div :style="{ height: `${height}px` }" class="plot">
    <Scatter
      :data="data"
      :options="options as never"
      :plugins="[names as never]"
      role="img"
      :aria-label="label"
    />
  </div>
</template>

<style scoped>
.plot {
  position: relative;
  min-width: 0;
}
</style>
