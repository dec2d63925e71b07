<script setup lang="ts">
/** Struts: what each is, and what its ends stand on. */
import { stockGramsPerMetre } from '../../../core/assess'
import type { Strut, StrutEnd } from '../../../core/document'
import { LIBRARIES } from '../../../core/libraries'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now, edit } = useBench()
const chosen = ref(0)
const at = computed(() => Math.min(chosen.value, doc.value.struts.length - 1))
const strut = computed(() => doc.value.struts[at.value])
const report = computed(() => now.value.struts.find(item => item.id === strut.value?.id))
const place = computed(() => now.value.strength.places.find(item => item.id === `strut-${strut.value?.id}`))
const stock = LIBRARIES.stock
  .filter(item => !item.printedIn)
  .map(item => ({ title: `${item.name} (${stockGramsPerMetre(item.id).toFixed(0)} g/m)`, value: item.id }))
const grounds = computed(() => [
  { title: 'The body', value: 'body' },
  { title: 'The wing', value: 'wing' },
  ...(doc.value.second ? [{ title: 'The second wing', value: 'second' }] : []),
  ...(doc.value.tail.horizontal && doc.value.tail.kind !== 'none'
    ? [{ title: 'The tailplane', value: 'horizontal' }]
    : []),
  ...(doc.value.tail.vertical && doc.value.tail.kind !== 'V'
    ? [{ title: 'The fin', value: 'vertical' }]
    : []),
])
const ENDS = [
  { key: 'from', label: 'Foot on' },
  { key: 'to', label: 'Head on' },
] as const
type EndKey = (typeof ENDS)[number]['key']
const change = (label: string, apply: (own: Strut) => void) =>
  edit(`${strut.value.name}: ${label}`, draft => apply(draft.struts[at.value] as Strut))
/** On the body near the wing's quarter chord, or at a third of a surface's span. */
function stand(key: EndKey, on: StrutEnd['on']) {
  const { wing } = doc.value
  change(`${key === 'from' ? 'foot' : 'head'} elsewhere`, own => {
    own[key] =
      on === 'body'
        ? { on, xMm: Math.round(wing.xMm + wing.rootChordMm / 4), yMm: 20, zMm: 0 }
        : { on, alongMm: Math.round(now.value.plan.spanMm / 6), share: 0.3 }
  })
}
function set(key: EndKey, field: string, label: string, value: number | null, scale = 1) {
  change(`set ${label}`, own => {
    ;(own[key] as Record<string, unknown>)[field] = value! * scale
  })
}
function add() {
  let n = 1
  while (doc.value.struts.some(item => item.id === `strut-${n}`)) n++
  const { wing, body, second } = doc.value,
    x = Math.round(wing.xMm + 0.3 * wing.rootChordMm)
  const station = body?.stations.findLast(item => item.xMm <= x) ?? body?.stations[0]
  const out = Math.round(now.value.plan.spanMm / 6)
  edit('Add a strut', draft => {
    draft.struts.push({
      id: `strut-${n}`,
      name: `Strut ${n}`,
      stock: 'rod-3',
      from: station
        ? {
            on: 'body',
            xMm: x,
            yMm: Math.round(0.3 * station.widthMm),
            zMm: Math.round(station.zMm - 0.35 * station.heightMm),
          }
        : { on: second ? 'second' : 'wing', alongMm: 0, share: 0.3 },
      to: { on: 'wing', alongMm: out, share: 0.3 },
      pair: true,
      fittingG: 0.5,
    })
  })
  chosen.value = doc.value.struts.length - 1
}
const remove = () =>
  edit(`Leave out ${strut.value.name}`, draft => {
    draft.struts.splice(at.value, 1)
  })
</script>

<template>
  <div class="stack">
    <h3>Struts</h3>
    <template v-if="strut">
      <v-select
        :model-value="at"
        :items="doc.struts.map((item, i) => ({ title: item.name, value: i }))"
        label="Strut"
        data-field="strut"
        @update:model-value="chosen = $event"
      />
      <v-select
        :model-value="strut.stock"
        :items="stock"
        label="Stock"
        data-field="strut-stock"
        @update:model-value="
          (v: string) => change(LIBRARIES.stock.find(s => s.id === v)!.name, own => (own.stock = v))
        "
      />
      <template v-for="{ key, label } in ENDS" :key="key">
        <v-select
          :model-value="strut[key].on"
          :items="grounds"
          :label="label"
          :data-field="`strut-${key}`"
          @update:model-value="(v: string) => stand(key, v as StrutEnd['on'])"
        />
        <template v-if="strut[key].on === 'body'">
          <div class="row">
            <FigureField
              label="Aft of the nose"
              :model-value="strut[key].xMm"
              unit="mm"
              :min="-2000"
              :max="4000"
              @update:model-value="set(key, 'xMm', 'its place', $event)"
            /><FigureField
              label="From the middle"
              :model-value="strut[key].yMm"
              unit="mm"
              :min="0"
              :max="1000"
              @update:model-value="set(key, 'yMm', 'its distance', $event)"
            />
          </div>
          <FigureField
            label="Height"
            :model-value="strut[key].zMm"
            unit="mm"
            :min="-2000"
            :max="4000"
            @update:model-value="set(key, 'zMm', 'its height', $event)"
          />
        </template>
        <div v-else class="row">
          <FigureField
            label="From the root"
            :model-value="strut[key].alongMm"
            unit="mm"
            :min="0"
            :max="3000"
            :data-field="`strut-${key}-along`"
            @update:model-value="set(key, 'alongMm', 'its place along the span', $event)"
          /><FigureField
            label="Chord place"
            :model-value="strut[key].share * 100"
            unit="%"
            :min="0"
            :max="100"
            @update:model-value="set(key, 'share', 'its place along the chord', $event, 0.01)"
          />
        </div>
      </template>
      <div class="row">
        <FigureField
          label="Fitting at each end"
          :model-value="strut.fittingG"
          unit="g"
          :min="0"
          :max="50"
          :digits="1"
          @update:model-value="(v: number | null) => change('set its fittings', own => (own.fittingG = v!))"
        /><v-checkbox
          :model-value="strut.pair"
          label="Both sides"
          @update:model-value="
            (v: boolean | null) => change(v ? 'both sides' : 'one alone', own => (own.pair = !!v))
          "
        />
      </div>
      <p v-if="report" class="quiet" data-say="strut">
        {{ report.pieces }} × <span class="num">{{ amount(report.lengthMm, 'mm') }}</span>,
        <span class="num">{{ amount(report.massG, 'g', 1) }}</span> in all.
        <template v-if="place"
          >Least reserve
          <span class="num" :class="{ bad: place.reserve < 1 }" data-figure="strut-reserve">{{
            place.reserve > 99 ? 'over 99' : figure(place.reserve, place.reserve < 10 ? 2 : 0)
          }}</span>: {{ place.mode }}, {{ place.case }}.</template
        ><template v-else> Nothing of the wing is counted on it.</template>
      </p>
      <p class="quiet small">
        Its ends are taken to turn and to hold whatever it pulls: bind or plate them to a spar or a web. It
        bears against bending alone; what a pair does against twist is not counted.
      </p>
      <div class="acts">
        <v-btn data-act="strut-out" @click="remove">Leave it out</v-btn
        ><v-btn :disabled="doc.struts.length >= 16" data-act="strut-add" @click="add">Add a strut</v-btn>
      </div>
    </template>
    <template v-else>
      <p class="quiet small">None: wings are held at their root alone.</p>
      <v-btn data-act="strut-add" @click="add">Add a strut</v-btn>
    </template>
  </div>
</template>
