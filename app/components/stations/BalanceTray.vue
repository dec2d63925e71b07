<script setup lang="ts">
import { balanceRemedies } from '../../../core/workshop'
import { figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now, edit, project, look } = useBench()
const remedies = computed(() => balanceRemedies(doc.value, now.value))
const f = computed(() => now.value.flight)
const t = computed(() => now.value.totals)
const index = computed(() => Math.max(0, doc.value.equipment.findIndex(item => item.id === look.selected)))
const item = computed(() => doc.value.equipment[index.value])
type Figures = 'massG' | 'xMm' | 'yMm' | 'zMm'
const set = (field: Figures, label: string) => (value: number | null) => edit(`${item.value.name}: set ${label}`, (draft) => { draft.equipment[index.value][field] = value! })
const measured = computed(() => doc.value.measured.cgMm)
function add() {
  let n = 1
  while (doc.value.equipment.some(e => e.id === `part-${n}`)) n++
  edit('Add a component', (draft) => { draft.equipment.push({ id: `part-${n}`, name: `Component ${n}`, kind: 'hardware', massG: 10, spreadG: 0.5, xMm: Math.round(t.value.cgMm[0]), yMm: 0, zMm: 0, sizeMm: [20, 20, 20], pair: false, bay: null, drops: false, weighed: false, pocket: null, battery: null, servo: null }) })
  look.selected = `part-${n}`
}
</script>

<template>
  <div class="stack">
    <table class="ledger">
      <tbody>
        <tr><td>Balances at</td><td class="r num" data-figure="cg">{{ figure(t.cgMm[0], 1) }} mm <span class="quiet">± {{ figure(t.cgSpreadMm, 1) }}</span></td></tr>
        <tr v-if="t.emptyMassG < t.massG"><td>payload gone</td><td class="r num">{{ figure(t.cgEmptyMm[0], 1) }} mm, {{ figure(f.staticMarginEmptyPct, 1) }} %</td></tr>
        <tr><td>Band</td><td class="r num">{{ figure(f.cgRangeMm[0], 1) }}–{{ figure(f.cgRangeMm[1], 1) }} mm</td></tr>
        <tr><td>Neutral point</td><td class="r num">{{ figure(f.neutralPointMm, 1) }} mm</td></tr>
        <tr><td>Mean chord</td><td class="r num">{{ figure(now.plan.macMm, 1) }} mm from {{ figure(now.plan.macLeadMm, 1) }}</td></tr>
      </tbody>
    </table>
    <h3>Remedies, to the middle of the band</h3>
    <p v-if="!remedies.length" class="quiet">It balances there now.</p>
    <div v-for="remedy in remedies" :key="remedy.id" class="remedy" :data-remedy-of="remedy.id">
      <b>{{ remedy.title }}</b><span class="quiet">{{ remedy.detail }}; balances at <span class="num">{{ figure(remedy.cgAfterMm, 1) }} mm</span>, <span class="num">{{ figure(remedy.staticMarginAfterPct, 1) }} %</span></span>
      <v-btn size="small" :data-remedy="remedy.id" @click="project.replace(remedy.title, remedy.apply(doc))">Take it</v-btn>
    </div>
    <h3>Measured</h3>
    <div>
      <FigureField class="mb-3" label="Balance point, no payload" :model-value="doc.measured.cgMm" unit="mm" :min="-2000" :max="4000" optional data-field="measured-cg" @update:model-value="edit('Enter the measured balance point', d => { d.measured.cgMm = $event })" />
      <FigureField label="Weight, no payload" :model-value="doc.measured.massG" unit="g" :min="1" :max="20000" :digits="1" optional data-field="measured-mass" @update:model-value="edit('Enter the measured weight', d => { d.measured.massG = $event })" />
    </div>
    <p v-if="measured !== null" class="quiet">Measured {{ figure(measured, 1) }} mm, computed {{ figure(t.cgEmptyMm[0], 1) }} mm: {{ figure(Math.abs(measured - t.cgEmptyMm[0]), 1) }} mm {{ measured > t.cgEmptyMm[0] ? 'aft' : 'forward' }} of it{{ Math.abs(measured - t.cgEmptyMm[0]) > 2 * t.cgSpreadMm ? '; more than its spread explains, so look for a mass that is missing or misplaced' : ', within its spread' }}.</p>
    <h3>Component</h3>
    <template v-if="item">
      <v-select :model-value="item.id" :items="doc.equipment.map(e => ({ title: e.name, value: e.id }))" label="Which" data-field="component" @update:model-value="look.selected = $event" />
      <div class="row"><FigureField label="Mass of one" :model-value="item.massG" unit="g" :min="0" :max="20000" data-field="component-mass" @update:model-value="set('massG', 'mass')($event)" /><FigureField label="Aft of the nose" :model-value="item.xMm" unit="mm" :min="-2000" :max="4000" data-field="component-x" @update:model-value="set('xMm', 'place')($event)" /></div>
      <div class="row"><FigureField label="To starboard" :model-value="item.yMm" unit="mm" :min="-2000" :max="4000" @update:model-value="set('yMm', 'place')($event)" /><FigureField label="Up" :model-value="item.zMm" unit="mm" :min="-2000" :max="4000" @update:model-value="set('zMm', 'height')($event)" /></div>
      <div class="acts"><v-btn @click="add">Add a component</v-btn><v-btn @click="edit(`Remove ${item.name}`, d => { d.equipment.splice(index, 1) })">Remove this one</v-btn></div>
    </template>
    <v-btn v-else @click="add">Add a component</v-btn>
  </div>
</template>

<style scoped>
.remedy { display: grid; grid-template-columns: 1fr auto; gap: 2px 10px; border-left: 3px solid var(--hair); padding-left: 10px; align-items: center; font-size: 13px; line-height: 1.35; } .remedy b, .remedy span { grid-column: 1; } .remedy .v-btn { grid-column: 2; grid-row: 1 / span 2; } .remedy span .num { grid-column: auto; } .acts { display: flex; gap: 8px; flex-wrap: wrap; }
</style>
