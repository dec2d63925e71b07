<script setup lang="ts">
/** Every combination of what may vary, each assessed; what no other beats in weight, hours, cost and reserve, to narrow down and take. */
import { proxy } from 'comlink'
import { designOf, dimensions, MOST_COMBINATIONS, type StudyPoint, type StudyResult, type Vary } from '../../../core/study'
import type { ProjectFile } from '../../../core/document'
import { costOf } from '../../../core/workshop'
import { figure } from '~/composables/format'
import { countOf, sparOffers, varyOf, zoneOffers, type Musts, type Picked } from '~/composables/studies'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, now, project } = useBench()
const zones = useState<Picked>('study-zones', () => ({})), spars = useState<Picked>('study-spars', () => ({}))
const musts = useState<Musts>('study-musts', () => ({ weight: false, balance: true, strength: true, hours: false, shelf: false }))
const MUST_WORDS: Array<[keyof Musts, string]> = [['weight', 'weight'], ['balance', 'balance'], ['strength', 'strength'], ['hours', 'hours'], ['shelf', 'filament on the shelf']]
const vary = computed(() => varyOf(doc.value, zones.value, spars.value, musts.value))
const count = computed(() => countOf(vary.value))
const nothing = computed(() => Object.keys(vary.value.zones).length + Object.keys(vary.value.spars).length === 0)
const progress = ref<{ done: number, of: number } | null>(null)
const result = shallowRef<StudyResult | null>(null), partial = shallowRef<readonly StudyPoint[]>([])
/** What the result belongs to. */
const ran = shallowRef<{ doc: ProjectFile, vary: Vary } | null>(null)
const fault = ref('')
let stop = false, own = 0
async function run() {
  const mine = ++own
  stop = false
  fault.value = ''
  result.value = null
  partial.value = []
  progress.value = { done: 0, of: count.value }
  ran.value = { doc: toRaw(doc.value), vary: toRaw(vary.value) }
  try {
    const found = await useCore('study').study(ran.value.doc, ran.value.vary, proxy((done: number, of: number, front: readonly StudyPoint[]) => {
      if (mine !== own) return false
      progress.value = { done, of }
      partial.value = front
      return !stop
    }))
    if (mine === own) result.value = found
  } catch (error) {
    if (mine === own) fault.value = (error as Error).message
  } finally {
    if (mine === own) progress.value = null
  }
}
onScopeDispose(() => { own++ })
const front = computed(() => result.value?.front ?? [...partial.value].sort((a, b) => a.massG - b.massG))
const here = computed(() => ({ massG: now.value.totals.massG, hours: now.value.totals.hours, cost: costOf(now.value), reserveFactor: now.value.strength.reserve }))

/** Brushes: a share of each axis's reach that still shows. */
type Axis = 'massG' | 'hours' | 'cost' | 'reserveFactor'
const AXES: Array<{ id: Axis, label: string, unit: string, digits: number }> = [{ id: 'massG', label: 'Weight at most', unit: 'g', digits: 0 }, { id: 'hours', label: 'Hours at most', unit: 'h', digits: 1 }, { id: 'cost', label: 'Cost at most', unit: '', digits: 2 }, { id: 'reserveFactor', label: 'Reserve at least', unit: '×', digits: 2 }]
const brush = reactive<Record<Axis, number>>({ massG: 1, hours: 1, cost: 1, reserveFactor: 0 })
const reach = (axis: Axis) => { const list = [...front.value.map(point => point[axis]), here.value[axis]]; return [Math.min(...list), Math.max(...list)] as const }
const bound = (axis: Axis) => { const [low, high] = reach(axis); return low + brush[axis] * (high - low) }
const inside = (point: StudyPoint) => AXES.every(({ id }) => (id === 'reserveFactor' ? point[id] >= bound(id) - 1e-9 : point[id] <= bound(id) + 1e-9))
const shown = computed(() => front.value.filter(inside))

const W = 420, H = 230, left = 44, bottom = 34, top = 14, right = 14
const x = (massG: number) => { const [low, high] = reach('massG'); return left + ((massG - low) / (high - low || 1)) * (W - left - right) }
const y = (hours: number) => { const [low, high] = reach('hours'); return H - bottom - ((hours - low) / (high - low || 1)) * (H - top - bottom) }
/** Families by what the first thing that varies is: told apart by shape, and by colour besides. */
const firstKey = computed(() => (ran.value ? Object.keys(ran.value.vary.zones)[0] ?? Object.keys(ran.value.vary.spars)[0] ?? '' : ''))
const families = computed(() => [...new Set(front.value.map(point => point.choices[firstKey.value] ?? ''))])
const SHAPES = ['M-5 0A5 5 0 1 0 5 0A5 5 0 1 0 -5 0', 'M-4.5 -4.5H4.5V4.5H-4.5Z', 'M0 -6L5.5 4.5H-5.5Z', 'M0 -6.5L6 0L0 6.5L-6 0Z', 'M-6 -1.8H-1.8V-6H1.8V-1.8H6V1.8H1.8V6H-1.8V1.8H-6Z']
const shapeOf = (point: StudyPoint) => SHAPES[families.value.indexOf(point.choices[firstKey.value] ?? '') % SHAPES.length]!
const keyOf = (point: StudyPoint) => point.picks.join()
/** Up to three side by side. */
const chosen = ref<string[]>([])
const pick = (point: StudyPoint) => { const key = keyOf(point); chosen.value = chosen.value.includes(key) ? chosen.value.filter(item => item !== key) : [...chosen.value, key].slice(-3) }
const compared = computed(() => chosen.value.map(key => front.value.find(point => keyOf(point) === key)).filter(point => point !== undefined))
const nameOf = (id: string) => doc.value.zones.find(zone => zone.id === id)?.name ?? doc.value.spars.find(spar => spar.id === id)?.name ?? id
const designed = (point: StudyPoint) => designOf(ran.value!.doc, dimensions(ran.value!.doc, ran.value!.vary), point.picks)
const stale = computed(() => ran.value !== null && ran.value.doc !== toRaw(doc.value))
function take(point: StudyPoint) {
  project.replace(`A combination of ${figure(point.massG)} g, ${figure(point.hours, 1)} h`, designed(point))
}
const keep = (point: StudyPoint) => project.mark(`Combination of ${figure(point.massG)} g, ${figure(point.hours, 1)} h, reserve ${figure(point.reserveFactor, 2)}`, designed(point))
</script>

<template>
  <div class="split">
    <div class="vary">
      <h2>What may vary</h2>
      <div class="acts"><v-btn color="primary" variant="flat" :disabled="nothing || count > MOST_COMBINATIONS || !!progress" data-act="run-study" @click="run">Try {{ count.toLocaleString('en') }} combinations</v-btn><v-btn v-if="progress" @click="stop = true">Stop</v-btn></div>
      <p v-if="count > MOST_COMBINATIONS" class="bad small">At most {{ MOST_COMBINATIONS.toLocaleString('en') }}: fewer options, or fewer zones at once.</p>
      <p v-else-if="nothing" class="quiet small">Give at least one zone or spar another option.</p>
      <div v-if="progress" role="status"><v-progress-linear :model-value="(100 * progress.done) / progress.of" height="8" /><p class="quiet small">{{ progress.done }} of {{ progress.of }} assessed; {{ partial.length }} not beaten so far</p></div>
      <p v-if="fault" class="bad small" role="alert">{{ fault }}</p>
      <v-select v-for="zone in doc.zones" :key="zone.id" :model-value="zones[zone.id] ?? []" :items="zoneOffers(doc)" :label="zone.name" multiple density="compact" :data-field="`vary-${zone.id}`" @update:model-value="zones = { ...zones, [zone.id]: $event }"><template #selection="{ index }"><span v-if="index === 0" class="small">as it is and {{ (zones[zone.id] ?? []).length }} more</span></template></v-select>
      <v-select v-for="spar in doc.spars.filter(item => item.surface === 'wing')" :key="spar.id" :model-value="spars[spar.id] ?? []" :items="sparOffers(spar.stock)" :label="spar.name" multiple density="compact" :data-field="`vary-${spar.id}`" @update:model-value="spars = { ...spars, [spar.id]: $event }"><template #selection="{ index }"><span v-if="index === 0" class="small">as it is and {{ (spars[spar.id] ?? []).length }} more</span></template></v-select>
      <h3>What must hold, from the brief</h3>
      <div class="musts"><v-checkbox v-for="[key, words] in MUST_WORDS" :key="key" :model-value="musts[key]" :label="words" density="compact" hide-details @update:model-value="(v: boolean | null) => { musts = { ...musts, [key]: !!v } }" /></div>
    </div>
    <div v-if="front.length" data-front>
      <p class="lead"><b class="num" data-figure="front-count">{{ front.length }}</b> of {{ result?.evaluated ?? progress?.done }} are beaten by none in weight, hours, cost and reserve together<template v-if="stale">; of the design before the last edit</template>. Press points to compare up to three.</p>
      <svg :viewBox="`0 0 ${W} ${H}`" class="chart" role="img" :aria-label="`Weight against hours of ${shown.length} combinations`">
        <g class="axis"><line :x1="left" :x2="W - right" :y1="H - bottom" :y2="H - bottom" /><line :x1="left" :x2="left" :y1="top" :y2="H - bottom" />
          <text :x="left" :y="H - bottom + 15" class="num">{{ figure(reach('massG')[0]) }}</text><text :x="W - right" :y="H - bottom + 15" text-anchor="end" class="num">{{ figure(reach('massG')[1]) }} g</text><text :x="left - 6" :y="H - bottom" text-anchor="end" class="num">{{ figure(reach('hours')[0], 1) }}</text><text :x="left - 6" :y="top + 8" text-anchor="end" class="num">{{ figure(reach('hours')[1], 1) }}</text><text :x="(left + W) / 2" :y="H - 5" text-anchor="middle">flying weight against hours; larger is stronger</text></g>
        <path :d="SHAPES[0]" class="here" :transform="`translate(${x(here.massG)} ${y(here.hours)}) scale(1.5)`"><title>The design as it is</title></path>
        <path v-for="point in front" :key="keyOf(point)" :d="shapeOf(point)" class="point" :class="[`f${families.indexOf(point.choices[firstKey] ?? '') % 5}`, { out: !inside(point), on: chosen.includes(keyOf(point)) }]" :transform="`translate(${x(point.massG)} ${y(point.hours)}) scale(${(0.7 + 0.5 * Math.min(1, point.reserveFactor / 2)).toFixed(2)})`" @click="pick(point)"><title>{{ figure(point.massG) }} g, {{ figure(point.hours, 1) }} h, reserve {{ figure(point.reserveFactor, 2) }}</title></path>
      </svg>
      <p class="key small"><span><svg viewBox="-8 -8 16 16" width="15" height="15"><path :d="SHAPES[0]" class="here" /></svg>as it is</span><span v-for="(family, i) in families" :key="family"><svg viewBox="-8 -8 16 16" width="15" height="15"><path :d="SHAPES[i % 5]" class="point" :class="`f${i % 5}`" /></svg>{{ family }}</span></p>
      <div class="brushes"><label v-for="axis in AXES" :key="axis.id" class="small"><span>{{ axis.label }} <b class="num">{{ axis.id === 'cost' ? `${doc.brief.currency} ` : '' }}{{ figure(bound(axis.id), axis.digits) }} {{ axis.unit }}</b></span><input v-model.number="brush[axis.id]" type="range" min="0" max="1" step="0.02" :aria-label="axis.label"></label></div>
      <table v-if="compared.length" class="ledger" data-table="compared"><thead><tr><th /><th v-for="point in compared" :key="keyOf(point)" class="r">{{ figure(point.massG) }} g</th></tr></thead><tbody>
        <tr v-for="axis in AXES.slice(1)" :key="axis.id"><td>{{ axis.label.split(' ')[0] }}</td><td v-for="point in compared" :key="keyOf(point)" class="r num">{{ figure(point[axis.id], axis.digits) }} {{ axis.unit }}</td></tr>
        <tr><td>Static margin</td><td v-for="point in compared" :key="keyOf(point)" class="r num">{{ figure(point.staticMarginPct, 1) }} %</td></tr>
        <tr><td>Chance to meet all targets</td><td v-for="point in compared" :key="keyOf(point)" class="r num">{{ figure(100 * point.chance) }} %</td></tr>
        <tr v-for="id in Object.keys(compared[0]!.choices)" :key="id"><td>{{ nameOf(id) }}</td><td v-for="point in compared" :key="keyOf(point)" class="r small wrap">{{ point.choices[id] }}</td></tr>
        <tr><td /><td v-for="point in compared" :key="keyOf(point)" class="r"><v-btn size="x-small" @click="keep(point)">As a mark</v-btn> <v-btn size="x-small" color="primary" variant="flat" data-take-point @click="take(point)">Take</v-btn></td></tr>
      </tbody></table>
      <table v-else class="ledger" data-table="front"><thead><tr><th class="r">Weight</th><th class="r">Hours</th><th class="r">Cost</th><th class="r">Reserve</th><th class="r">Margin</th><th class="r">Meets all targets</th></tr></thead><tbody><tr v-for="point in shown.slice(0, 12)" :key="keyOf(point)" class="pick" tabindex="0" data-point @click="pick(point)" @keydown.enter="pick(point)"><td class="r num">{{ figure(point.massG, 1) }} g</td><td class="r num">{{ figure(point.hours, 1) }} h</td><td class="r num">{{ doc.brief.currency }} {{ figure(point.cost, 2) }}</td><td class="r num">{{ figure(point.reserveFactor, 2) }}</td><td class="r num">{{ figure(point.staticMarginPct, 1) }} %</td><td class="r num">{{ figure(100 * point.chance) }} %</td></tr></tbody></table>
      <template v-if="result?.nearly.length"><h3>Why not lighter?</h3><p v-for="point in result.nearly" :key="keyOf(point)" class="small">{{ figure(point.massG) }} g would be there but for {{ point.broken[0] }}.</p></template>
    </div>
    <div v-else-if="result"><h2>Nothing holds it all</h2><p class="lead">Of {{ result.evaluated }} combinations none holds what must hold.</p><p v-for="point in result.nearly" :key="keyOf(point)" class="small">Nearest: {{ figure(point.massG) }} g, but for {{ point.broken[0] }}.</p></div>
    <div v-else-if="!progress" class="quiet"><h2>Nothing tried yet</h2><p class="lead">Choose what may vary: another filament or school for a zone, another size for a spar. Each combination is assessed on the whole aircraft; those that no other beats are shown here, with the design as it is among them.</p></div>
  </div>
</template>

<style scoped>
.split { display: grid; grid-template-columns: 260px 1fr; gap: 24px; align-items: start; margin-top: 4px; } .vary :deep(.v-input) { margin-bottom: 8px; } .musts { display: grid; grid-template-columns: 1fr 1fr; margin-bottom: 8px; } .acts { display: flex; gap: 8px; flex-wrap: wrap; margin: 4px 0 8px; }
.chart { width: 100%; max-height: 260px; display: block; } .axis line { stroke: var(--quiet); } .axis text { font-size: 11px; fill: var(--quiet); } .point { cursor: pointer; stroke-width: 1.6; fill-opacity: 0.35; } .point.out { opacity: 0.15; } .point.on { fill-opacity: 1; stroke-width: 2.6; }
.f0 { fill: rgb(var(--v-theme-secondary)); stroke: rgb(var(--v-theme-secondary)); } .f1 { fill: rgb(var(--v-theme-primary)); stroke: rgb(var(--v-theme-primary)); } .f2 { fill: rgb(var(--v-theme-success)); stroke: rgb(var(--v-theme-success)); } .f3 { fill: rgb(var(--v-theme-warning)); stroke: rgb(var(--v-theme-warning)); } .f4 { fill: rgb(var(--v-theme-on-background)); stroke: rgb(var(--v-theme-on-background)); }
.here { fill: none; stroke: rgb(var(--v-theme-on-background)); stroke-width: 1.8; stroke-dasharray: 2 2; } .key { display: flex; gap: 4px 14px; flex-wrap: wrap; color: var(--quiet); margin: 2px 0 8px; } .key span { display: inline-flex; gap: 5px; align-items: center; }
.brushes { display: grid; grid-template-columns: repeat(4, 1fr); gap: 12px; margin-bottom: 8px; } .brushes label { display: grid; } .brushes input { width: 100%; accent-color: rgb(var(--v-theme-primary)); } .wrap { white-space: normal !important; }
@media (max-width: 700px) { .split { grid-template-columns: minmax(0, 1fr); } .brushes { grid-template-columns: 1fr 1fr; } }
</style>
