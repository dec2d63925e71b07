<script setup lang="ts">
/** Flying weight as the pieces came in: what was expected after each weighing, its band, and the target. */
import { useTheme } from 'vuetify'
import { amount, shownAs } from '~/composables/format'
import { plotAxis, Scatter, STILL } from '~/composables/plot'
import { useBench } from '~/composables/useBench'

const { doc, now } = useBench()
const theme = useTheme()
const stages = computed(() => now.value.forecast.stages)
const shown = computed(() => shownAs('g'))
const nameOf = (id: string | null) =>
  id === null ? 'before any' : (now.value.pieces.find(piece => piece.id === id)?.name ?? id)
const data = computed(() => {
  const { colors } = theme.current.value
  const line = (of: (stage: (typeof stages.value)[number]) => number) =>
    stages.value.map((stage, x) => ({ x, y: of(stage) * shown.value.by }))
  const plain = { showLine: true, pointRadius: 0, borderWidth: 0 }
  return {
    datasets: [
      {
        ...plain,
        label: 'most',
        data: line(s => s.massG + s.massSigmaG),
        fill: '+1',
        backgroundColor: `${String(colors.secondary)}33`,
      },
      { ...plain, label: 'least', data: line(s => s.massG - s.massSigmaG) },
      {
        label: 'expected',
        data: line(s => s.massG),
        showLine: true,
        borderColor: String(colors.primary),
        backgroundColor: String(colors.primary),
        borderWidth: 2,
        pointRadius: 3,
      },
      {
        label: 'target',
        data: [0, Math.max(1, stages.value.length - 1)].map(x => ({
          x,
          y: doc.value.brief.targetMassG * shown.value.by,
        })),
        showLine: true,
        pointRadius: 0,
        borderWidth: 1.5,
        borderDash: [6, 4],
        borderColor: String(colors.error),
      },
    ],
  }
})
const options = computed(() => {
  const ink = String(theme.current.value.colors['on-background'])
  return {
    ...STILL,
    scales: {
      x: { ...plotAxis('pieces weighed', ink, { precision: 0 }), min: 0 },
      y: plotAxis(`flying weight, ${shown.value.unit}`, ink),
    },
    plugins: {
      legend: { display: false },
      tooltip: {
        filter: (item: { dataset: { label?: string } }) => item.dataset.label === 'expected',
        callbacks: {
          label: ({ dataIndex }: { dataIndex: number }) => {
            const stage = stages.value[dataIndex]!
            return `${nameOf(stage.piece)}: ${amount(stage.massG, 'g')} ± ${amount(stage.massSigmaG, 'g')}`
          },
        },
      },
    },
  }
})
</script>

<template>
  <figure class="chart">
    <Scatter
      :data="data"
      :options="options"
      role="img"
      :aria-label="`Flying weight by pieces weighed: now ${amount(now.forecast.massG, 'g')} ± ${amount(now.forecast.massSigmaG, 'g')}, target ${amount(doc.brief.targetMassG, 'g')}`"
      data-chart="forecast"
    />
    <figcaption class="small quiet">
      Line: what was expected after each weighing; band: one standard deviation; dashed: the target.
    </figcaption>
  </figure>
</template>

<style scoped>
.chart {
  margin: 0;
}
.chart :deep(canvas) {
  max-height: 210px;
}
</style>
