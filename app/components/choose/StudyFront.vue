<script setup lang="ts">
/**
 * Every combination of what may vary; what no other beats, to narrow down, compare and take; and what keeps
 * it from being lighter.
 */
import type { StudyPoint } from '../../../core/study/combinations'
import { chanceOfAll } from '../../../core/study/combinations'
import { costOf } from '../../../core/change'
import { amount, figure, worded } from '~/composables/format'
import { AXES, AXIS_IDS, type Axis } from '~/composables/study-axes'
import { useBench } from '~/composables/useBench'
import { useStudy } from '~/composables/useStudy'

const { doc, now } = useBench()
const { progress, result, ran, stale } = useStudy()
/** Both fronts: the fourth figure is the reserve, or the chance to meet every target. */
const by = useState<'reserve' | 'chance'>('study-by', () => 'reserve')
const across = useState<Axis>('study-across', () => 'massG'),
  up = useState<Axis>('study-up', () => 'hours')
const front = computed(() =>
  result.value
    ? by.value === 'chance'
      ? result.value.sure
      : result.value.front
    : (progress.value?.front ?? []),
)
const here = computed((): Record<Axis, number> => ({
  massG: now.value.totals.massG,
  hours: now.value.totals.hours,
  cost: costOf(now.value),
  reserveFactor: now.value.strength.reserve,
  chance: chanceOfAll(now.value),
}))

/** Brushes: a share of each axis's reach that still shows. */
const OPEN: Record<Axis, number> = { massG: 1, hours: 1, cost: 1, reserveFactor: 0, chance: 0 }
const brush = reactive<Record<Axis, number>>({ ...OPEN })
const bound = (axis: Axis) => {
  const list = [...front.value.map(point => point[axis]), here.value[axis]],
    low = Math.min(...list)
  return low + brush[axis] * (Math.max(...list) - low)
}
const bounds = computed(
  () => Object.fromEntries(AXIS_IDS.map(axis => [axis, bound(axis)])) as Record<Axis, number>,
)
const inside = (point: StudyPoint) =>
  AXIS_IDS.every(axis =>
    AXES[axis].least ? point[axis] <= bounds.value[axis] + 1e-9 : point[axis] >= bounds.value[axis] - 1e-9,
  )
const shown = computed(() => front.value.filter(inside))
/**
 * Families by what varies: the zone or spar that tells most points of the front apart, or one that is chosen.
 */
const varied = computed(() =>
  ran.value ? [...Object.keys(ran.value.vary.zones), ...Object.keys(ran.value.vary.spars)] : [],
)
const nameOf = (id: string) =>
  doc.value.zones.find(zone => zone.id === id)?.name ??
  doc.value.spars.find(spar => spar.id === id)?.name ??
  id
const wanted = ref('')
/** More than six are hard to tell apart. */
const kinds = (id: string) => {
  const count = new Set(front.value.map(point => point.choices[id])).size
  return count > 6 ? 1.5 : count
}
const family = computed(() =>
  varied.value.includes(wanted.value)
    ? wanted.value
    : varied.value.reduce((a, b) => (kinds(b) > kinds(a) ? b : a), varied.value[0] ?? ''),
)

const chosen = ref<number[]>([])
watch(result, () => {
  chosen.value = []
})
const pick = (point: StudyPoint) => {
  chosen.value = chosen.value.includes(point.id)
    ? chosen.value.filter(id => id !== point.id)
    : [...chosen.value, point.id].slice(-3)
}
const compared = computed(() =>
  chosen.value.flatMap(
    id => [...front.value, ...(result.value?.nearly ?? [])].find(point => point.id === id) ?? [],
  ),
)
const lighter = (point: StudyPoint) =>
  result.value?.front[0] ? result.value.front[0].massG - point.massG : 0
/** Rows of the list before it is cut. */
const ROWS = 10
</script>

<template>
  <div class="split">
    <StudyVary />
    <div v-if="front.length" data-front>
      <p class="lead">
        <b class="num" data-figure="front-count">{{ result ? front.length : progress?.found }}</b> of
        {{ (result?.evaluated ?? progress?.evaluated ?? 0).toLocaleString('en') }} are beaten by none in
        weight, hours, cost and
        {{ by === 'chance' ? 'the chance to meet every target' : 'reserve' }} together<template v-if="stale"
          >; of the design before the last edits</template
        >.
      </p>
      <p v-if="result?.checked.points" class="quiet small" data-checked>
        {{ result.checked.points }} of them assessed again from nothing:
        {{
          result.checked.worst < 1e-5
            ? 'the same to a thousandth of a per cent'
            : `within ${figure(100 * result.checked.worst, 3)} %`
        }}.
      </p>
      <div class="ways">
        <v-btn-toggle
          v-model="by"
          mandatory
          density="compact"
          variant="outlined"
          divided
          aria-label="Fourth figure"
          ><v-btn value="reserve" data-by="reserve">Strongest</v-btn
          ><v-btn value="chance" :disabled="!result" data-by="chance">Surest</v-btn></v-btn-toggle
        >
        <span class="small"
          ><select v-model="across" aria-label="Across" data-field="study-across">
            <option v-for="id in AXIS_IDS" :key="id" :value="id">{{ AXES[id].name }}</option>
          </select>
          across,
          <select v-model="up" aria-label="Up" data-field="study-up">
            <option v-for="id in AXIS_IDS" :key="id" :value="id">{{ AXES[id].name }}</option>
          </select>
          up<template v-if="varied.length > 1"
            >, signs by
            <select
              :value="family"
              aria-label="Signs by"
              data-field="study-family"
              @change="wanted = ($event.target as HTMLSelectElement).value"
            >
              <option v-for="id in varied" :key="id" :value="id">{{ nameOf(id) }}</option>
            </select></template
          ></span
        >
      </div>
      <StudyChart
        :points="front"
        :here="here"
        :across="across"
        :up="up"
        :family="family"
        :inside="inside"
        :chosen="chosen"
        :currency="doc.brief.currency"
        @pick="pick"
      />
      <div class="brushes">
        <label v-for="axis in AXIS_IDS" :key="axis" class="small"
          ><span
            >{{ AXES[axis].bound }}<br /><b class="num"
              >{{ axis === 'cost' ? `${doc.brief.currency} ` : ''
              }}{{ figure(AXES[axis].share ? 100 * bounds[axis] : bounds[axis], AXES[axis].digits) }}
              {{ AXES[axis].unit }}</b
            ></span
          ><input
            v-model.number="brush[axis]"
            type="range"
            min="0"
            max="1"
            step="0.02"
            :aria-label="AXES[axis].bound"
            :data-brush="axis"
        /></label>
      </div>
      <div v-if="compared.length" class="scroll"><StudyCompare :points="compared" /></div>
      <table v-else class="ledger" data-table="front">
        <thead>
          <tr>
            <th class="r">Weight</th>
            <th class="r">Hours</th>
            <th class="r">Cost</th>
            <th class="r">Reserve</th>
            <th class="r">Margin</th>
            <th class="r" title="To meet all targets of the brief, spreads counted">Chance</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="point in shown.slice(0, ROWS)"
            :key="point.id"
            class="pick"
            data-point
            v-pick="() => pick(point)"
          >
            <td class="r num">{{ amount(point.massG, 'g', 1) }}</td>
            <td class="r num">{{ figure(point.hours, 1) }} h</td>
            <td class="r num">{{ doc.brief.currency }} {{ figure(point.cost, 2) }}</td>
            <td class="r num">{{ figure(point.reserveFactor, 2) }}</td>
            <td class="r num">{{ figure(point.staticMarginPct, 1) }} %</td>
            <td class="r num">{{ figure(100 * point.chance) }} %</td>
          </tr>
        </tbody>
      </table>
      <p v-if="!compared.length" class="quiet small">
        {{ shown.length > ROWS ? `The lightest ${ROWS} of ${shown.length} inside the bounds. ` : '' }}Press a
        point or a row to see what it is made of; up to three stand side by side.
      </p>
      <template v-if="result?.nearly.length"
        ><h3>Why not lighter?</h3>
        <table class="ledger" data-table="nearly">
          <tbody>
            <tr v-for="point in result.nearly" :key="point.id" class="pick" v-pick="() => pick(point)">
              <td class="r num">{{ amount(point.massG, 'g') }}</td>
              <td class="r num">−{{ amount(lighter(point), 'g', 1) }}</td>
              <td class="wrap">would be there but for {{ worded(point.broken[0]) }}</td>
            </tr>
          </tbody>
        </table></template
      >
    </div>
    <div v-else-if="result && !result.stopped">
      <h2>Nothing holds it all</h2>
      <p class="lead">
        Of {{ result.evaluated.toLocaleString('en') }} combinations none holds what must hold. Nearest, with
        one thing missed:
      </p>
      <table class="ledger" data-table="nearly">
        <tbody>
          <tr v-for="point in result.nearly" :key="point.id" class="pick" v-pick="() => pick(point)">
            <td class="r num">{{ amount(point.massG, 'g') }}</td>
            <td class="wrap">but for {{ worded(point.broken[0]) }}</td>
          </tr>
        </tbody>
      </table>
      <StudyCompare v-if="compared.length" :points="compared" />
    </div>
    <div v-else-if="!progress" class="quiet">
      <h2>{{ result?.stopped ? 'Stopped before anything was found' : 'Nothing tried yet' }}</h2>
      <p class="lead">
        Choose what may vary: another filament or school for a zone, a bead more, another size for a spar.
        Every option is really printed and loaded once; then all combinations of them are gone through,
        millions if need be. Those that no other beats are shown here, with the design as it is among them.
      </p>
    </div>
    <div v-else class="quiet">
      <p class="lead">
        {{
          progress.phase === 'tabulating'
            ? 'Every option is printed and loaded once, on every piece that it touches. The combinations follow.'
            : 'Nothing that holds so far.'
        }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: 270px minmax(0, 1fr);
  gap: 24px;
  align-items: start;
  margin-top: 4px;
}
.ways {
  display: flex;
  gap: 8px 16px;
  align-items: center;
  flex-wrap: wrap;
  margin: 8px 0;
}
.ways select {
  border: 0;
  border-bottom: 1px solid var(--quiet);
  background: none;
  color: inherit;
  font: inherit;
  font-weight: 600;
  padding: 4px 2px;
  min-height: 30px;
}
.ways option {
  background: rgb(var(--v-theme-background));
}
.ways :deep(.v-btn-toggle) {
  height: 38px;
}
.brushes {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 8px;
  margin-bottom: 8px;
}
.brushes label {
  display: grid;
  align-content: end;
}
.brushes input {
  width: 100%;
  accent-color: rgb(var(--v-theme-primary));
}
.wrap {
  white-space: normal !important;
}
.scroll {
  overflow-x: auto;
}
@media (max-width: 700px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
  .brushes {
    grid-template-columns: 1fr 1fr;
  }
  .ways select {
    min-height: 44px;
  }
}
</style>
