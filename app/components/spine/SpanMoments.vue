<script setup lang="ts">
/** Moment and reserve along the half span, and the plastic over the bore. */
import { CategoryScale, Chart, Filler, Legend, LinearScale, LineElement, LogarithmicScale, PointElement, Tooltip, type ChartData, type ChartOptions } from 'chart.js'
import { Line } from 'vue-chartjs'
import { useTheme } from 'vuetify'
import { coverWanted } from '../../../core/assess'
import { figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'

Chart.defaults.font.family = '\'Atkinson Hyperlegible Next Variable\', sans-serif'
Chart.register(CategoryScale, LinearScale, LogarithmicScale, PointElement, LineElement, Tooltip, Legend, Filler)
const { doc, now } = useBench()
const theme = useTheme()
const ink = computed(() => String(theme.current.value.colors['on-background']))
const stations = computed(() => now.value.strength.stations)
/** Reserves past this are drawn at the top: nothing is decided there. */
const TOP = 20
const data = computed<ChartData<'line'>>(() => ({
  datasets: [
    { label: 'Moment, N·m', yAxisID: 'moment', data: stations.value.map(s => ({ x: s.s, y: s.moment })), borderColor: ink.value, backgroundColor: 'transparent', borderWidth: 1.6, pointRadius: 0 },
    { label: `Reserve, × (past ${TOP} drawn at ${TOP})`, yAxisID: 'reserve', data: stations.value.map(s => ({ x: s.s, y: Math.min(TOP, Math.max(0.1, s.reserve)) })), borderColor: String(theme.current.value.colors.primary), backgroundColor: 'transparent', borderWidth: 2.2, pointRadius: 2.5, borderDash: [6, 3] },
    { label: 'Reserve of 1', yAxisID: 'reserve', data: [{ x: 0, y: 1 }, { x: stations.value.at(-1)?.s ?? 1, y: 1 }], borderColor: String(theme.current.value.colors.error), borderWidth: 1.2, pointRadius: 0 },
  ],
}))
const axis = (text: string, position: 'left' | 'right' | 'bottom') => ({ position, title: { display: true, text, color: ink.value }, ticks: { color: ink.value, font: { family: 'Spline Sans Mono', size: 11 } } })
const options = computed<ChartOptions<'line'>>(() => ({
  animation: false, responsive: true, maintainAspectRatio: false, interaction: { mode: 'index', intersect: false },
  scales: { x: { type: 'linear', min: 0, max: Math.ceil(now.value.plan.spanMm / 20) * 10, ...axis('from the root, mm', 'bottom'), grid: { color: '#8884' } }, moment: { type: 'linear', min: 0, ...axis('moment at the load factor, N·m', 'left'), grid: { display: false } }, reserve: { type: 'logarithmic', min: 0.1, max: TOP, ...axis('reserve, ×', 'right'), grid: { color: '#8883' }, ticks: { color: ink.value, autoSkip: false, callback: v => ([0.1, 0.2, 0.5, 1, 2, 5, 10, 20].includes(Number(v)) ? `${v}` : '') } } },
  plugins: { legend: { labels: { color: ink.value, boxWidth: 22, boxHeight: 1 } }, tooltip: { callbacks: { title: items => `${figure(items[0]?.parsed.x)} mm out`, afterBody: items => { const s = stations.value[items[0]?.dataIndex ?? 0]; return s ? [`first to go: ${s.mode}`, `stiffness ${figure(s.EI, 1)} N·m²`] : [] } } } },
}))
const worst = computed(() => now.value.spars.filter(spar => spar.surface === 'wing'))
const wanted = computed(() => coverWanted(doc.value))
</script>

<template>
  <div class="split">
    <div class="chart"><Line :data="data" :options="options" aria-label="Moment and reserve along the half span" role="img" /></div>
    <div class="fit">
      <h2>Least reserve <span class="num" :class="{ bad: now.strength.reserve < 1 }" data-figure="reserve">{{ figure(now.strength.reserve, 2) }}</span></h2>
      <p class="lead">{{ now.strength.mode }} at {{ figure(now.strength.atMm) }} mm, at {{ figure(now.loads.governing.n, 1) }} g ({{ now.loads.governing.by }}) with a factor of {{ doc.brief.safetyFactor }}.</p>
      <SectionFit />
      <table class="ledger"><thead><tr><th>Fit in the section</th><th class="r">above</th><th class="r">below</th><th class="r">worst at</th></tr></thead>
        <tbody><tr v-for="spar in worst" :key="spar.id"><td>{{ spar.name }}</td><td class="r num" :class="{ bad: Math.min(...spar.fits.map(f => f.above)) < wanted }">{{ figure(Math.min(...spar.fits.map(f => f.above)), 2) }} mm</td><td class="r num" :class="{ bad: Math.min(...spar.fits.map(f => f.below)) < wanted }">{{ figure(Math.min(...spar.fits.map(f => f.below)), 2) }} mm</td><td class="r num">{{ figure(spar.worstAt) }} mm</td></tr></tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.split { display: grid; grid-template-columns: 1.25fr 1fr; gap: 18px; align-items: start; } .chart { position: sticky; top: 0; height: 246px; min-width: 0; }
@media (max-width: 700px) { .split { grid-template-columns: 1fr; } .chart { height: 240px; } }
</style>
