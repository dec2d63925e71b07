<script setup lang="ts">
import { LIBRARIES } from '../../../core/libraries'
import { coverWanted, stockGramsPerMetre } from '../../../core/assess'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now, edit } = useBench()
const chosen = ref(0)
const at = computed(() => Math.min(chosen.value, doc.value.spars.length - 1))
const spar = computed(() => doc.value.spars[at.value])
const report = computed(() =>
  now.value.spars.find(item => item.id === spar.value?.id || item.id === `${spar.value?.id}-top`),
)
const stock = LIBRARIES.stock.map(item => ({
  title: `${item.name} (${stockGramsPerMetre(item.id).toFixed(0)} g/m)`,
  value: item.id,
}))
type Figures = 'fromMm' | 'toMm' | 'rootShare' | 'tipShare' | 'clearanceMm'
const set =
  (field: Figures, label: string, scale = 1) =>
  (value: number | null) =>
    edit(`${spar.value.name}: set ${label}`, draft => {
      draft.spars[at.value][field] = value! * scale
    })
function add() {
  let n = 1
  while (doc.value.spars.some(item => item.id === `spar-${n}`)) n++
  edit('Add a spar', draft => {
    draft.spars.push({
      id: `spar-${n}`,
      name: `Spar ${n}`,
      stock: 'rod-4',
      surface: 'wing',
      fromMm: 0,
      toMm: 200,
      rootShare: 0.3,
      tipShare: 0.3,
      clearanceMm: 0.15,
      through: false,
      fixing: 'bonded',
      lay: 'middle',
      route: 'straight',
    })
  })
  chosen.value = doc.value.spars.length - 1
}
const fixings: Array<{ title: string; value: 'bonded' | 'removable' }> = [
  { title: 'Glued along its length', value: 'bonded' },
  { title: 'Pushed in; the wing comes off', value: 'removable' },
]
const lays: Array<{ title: string; value: 'middle' | 'caps' }> = [
  { title: 'At half height', value: 'middle' },
  { title: 'Two caps and a web', value: 'caps' },
]
const routes: Array<{ title: string; value: 'straight' | 'bent' }> = [
  { title: 'Straight', value: 'straight' },
  { title: 'Bent at breaks', value: 'bent' },
]
const remove = () =>
  edit(`Leave out ${spar.value.name}`, draft => {
    draft.spars.splice(at.value, 1)
  })
</script>

<template>
  <div class="stack">
    <template v-if="spar">
      <v-select
        :model-value="at"
        :items="doc.spars.map((s, i) => ({ title: s.name, value: i }))"
        label="Spar"
        data-field="spar"
        @update:model-value="chosen = $event"
      />
      <v-select
        :model-value="spar.stock"
        :items="stock"
        label="Stock"
        data-field="stock"
        @update:model-value="
          (v: string) =>
            edit(`${spar.name}: ${LIBRARIES.stock.find(s => s.id === v)?.name}`, d => {
              d.spars[at].stock = v
            })
        "
      />
      <v-select
        :model-value="spar.surface"
        :items="[
          { title: 'Wing', value: 'wing' },
          ...(doc.winglets ? [{ title: 'Winglets', value: 'winglet' as const }] : []),
          ...(doc.second ? [{ title: 'Second wing', value: 'second' as const }] : []),
          { title: 'Tailplane', value: 'horizontal' },
          { title: 'Fin', value: 'vertical' },
        ]"
        label="In"
        @update:model-value="
          v =>
            edit(`${spar.name}: move to another surface`, d => {
              d.spars[at].surface = v
            })
        "
      />
      <div class="row">
        <FigureField
          label="From"
          :model-value="spar.fromMm"
          unit="mm"
          :min="0"
          :max="3000"
          @update:model-value="set('fromMm', 'inner end')($event)"
        /><FigureField
          label="To"
          :model-value="spar.toMm"
          unit="mm"
          :min="0"
          :max="3000"
          data-field="spar-to"
          @update:model-value="set('toMm', 'outer end')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="Chord place, inner"
          :model-value="spar.rootShare * 100"
          unit="%"
          :min="0"
          :max="100"
          @update:model-value="set('rootShare', 'inner place', 0.01)($event)"
        /><FigureField
          label="outer"
          :model-value="spar.tipShare * 100"
          unit="%"
          :min="0"
          :max="100"
          @update:model-value="set('tipShare', 'outer place', 0.01)($event)"
        />
      </div>
      <FigureField
        label="Gap round it in the bore"
        :model-value="spar.clearanceMm"
        unit="mm"
        :min="0"
        :max="3"
        :digits="2"
        @update:model-value="set('clearanceMm', 'gap')($event)"
      />
      <v-select
        :model-value="spar.fixing"
        :items="fixings"
        label="Held"
        data-field="fixing"
        @update:model-value="
          v =>
            edit(`${spar.name}: ${v === 'bonded' ? 'glued in' : 'pushed in'}`, d => {
              d.spars[at].fixing = v
            })
        "
      />
      <div class="row">
        <v-select
          :model-value="spar.lay"
          :items="lays"
          label="Lies"
          data-field="lay"
          @update:model-value="
            v =>
              edit(`${spar.name}: ${v === 'caps' ? 'as two caps' : 'at half height'}`, d => {
                d.spars[at].lay = v
              })
          "
        /><v-select
          :model-value="spar.route"
          :items="routes"
          label="Runs"
          data-field="route"
          @update:model-value="
            v =>
              edit(`${spar.name}: ${v}`, d => {
                d.spars[at].route = v
              })
          "
        />
      </div>
      <v-checkbox
        :model-value="spar.through"
        label="One piece through the middle"
        @update:model-value="
          (v: boolean | null) =>
            edit(`${spar.name}: ${v ? 'one piece through the middle' : 'one a side'}`, d => {
              d.spars[at].through = !!v
            })
        "
      />
      <p v-if="report" class="quiet">
        Both sides <span class="num">{{ amount(report.massG, 'g', 1) }}</span>, about
        <span class="num">{{ doc.brief.currency }} {{ figure(report.price, 2) }}</span> of stock. Least
        plastic over the bore
        <span class="num" :class="{ bad: report.worstMm < coverWanted(doc) }">{{
          amount(report.worstMm, 'mm', 2)
        }}</span>
        at <span class="num">{{ amount(report.worstAt, 'mm') }}</span>.
      </p>
      <div class="acts">
        <v-btn data-act="leave-out" @click="remove">Leave it out</v-btn><v-btn @click="add">Add a spar</v-btn>
      </div>
    </template>
    <template v-else
      ><p>No spar: the printed skin carries the wing by itself.</p>
      <v-btn color="primary" variant="flat" @click="add">Add a spar</v-btn></template
    >
    <StrutFigures />
    <BoomFigures />
    <LegFigures />
    <p class="caution">
      Cutting and sanding carbon makes harmful dust: cut it wet, wear a mask and gloves, and mind the
      splinters.
    </p>
  </div>
</template>
