<script setup lang="ts">
/** Landing-gear legs: kind, place, size, wheel and mount. */
import { withWheel } from '../../../core/change'
import type { Leg } from '../../../core/document'
import { amount } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now, edit } = useBench()
const chosen = ref(0)
const at = computed(() => Math.min(chosen.value, doc.value.gear.length - 1))
const leg = computed(() => doc.value.gear[at.value])
const kinds: Array<{ title: string; value: Leg['kind'] }> = [
  { title: 'Bent wire', value: 'wire' },
  { title: 'Printed leg', value: 'printed' },
  { title: 'Rigid leg on a spring', value: 'sprung' },
]
type Figures =
  'xMm' | 'yMm' | 'zMm' | 'dropMm' | 'splayMm' | 'thicknessMm' | 'widthMm' | 'springNmm' | 'travelMm'
const set = (field: Figures, label: string) => (value: number | null) =>
  edit(`${leg.value.name}: set ${label}`, draft => {
    draft.gear[at.value][field] = value!
  })
const setMount = (field: keyof Leg['mount'], label: string) => (value: number | null) =>
  edit(`${leg.value.name}: set ${label}`, draft => {
    draft.gear[at.value].mount[field] = value!
  })
const setCoil = (field: keyof NonNullable<Leg['coil']>, label: string) => (value: number | null) =>
  edit(`${leg.value.name}: set ${label}`, draft => {
    draft.gear[at.value].coil![field] = value!
  })
/** A common spring that goes as far as the leg does, at six tenths of what its wire bears; or by the rate that it had. */
const wind = (wound: boolean | null) => {
  const rate = spring.value?.rateNmm
  edit(`${leg.value.name}: ${wound ? 'spring as it is wound' : 'spring by its rate'}`, draft => {
    const own = draft.gear[at.value]
    if (wound) own.coil = { wireMm: 1.2, coilMm: 12, turns: 10, freeMm: 17 + own.travelMm }
    else {
      own.coil = null
      if (rate) own.springNmm = Math.min(500, Math.max(0.01, Math.round(100 * rate) / 100))
    }
  })
}
const spring = computed(() => now.value.strength.gear.springs.find(item => item.leg === leg.value?.id))
function add() {
  let n = 1
  while (doc.value.gear.some(item => item.id === `leg-${n}`)) n++
  const { body } = doc.value,
    x = Math.round(now.value.totals.cgMm[0])
  const station = body?.stations.findLast(item => item.xMm <= x) ?? body?.stations[0]
  // Under the body near the balance point, a little behind it so that it does not nod.
  edit('Add a landing-gear leg', draft => {
    draft.gear.push({
      id: `leg-${n}`,
      name: n === 1 ? 'Main leg' : `Leg ${n}`,
      kind: 'wire',
      xMm: x + 10,
      yMm: Math.round((station?.widthMm ?? 40) * 0.3),
      zMm: Math.round((station?.zMm ?? 0) - (station?.heightMm ?? 40) / 2),
      dropMm: 90,
      splayMm: 70,
      thicknessMm: 3,
      widthMm: 12,
      zone: station?.zone ?? draft.zones[0].id,
      springNmm: 1,
      travelMm: 20,
      coil: null,
      wheelMm: 55,
      tyreMm: 6,
      wheelG: 9,
      printedWheel: null,
      pair: true,
      mount: { lengthMm: 40, widthMm: 10, depthMm: 5 },
    })
    draft.brief.landing = 'wheels'
  })
  chosen.value = doc.value.gear.length - 1
}
</script>

<template>
  <div class="stack">
    <h3>Landing gear</h3>
    <template v-if="leg">
      <v-select
        v-if="doc.gear.length > 1"
        :model-value="at"
        :items="doc.gear.map((item, i) => ({ title: item.name, value: i }))"
        label="Leg"
        @update:model-value="chosen = $event"
      />
      <v-select
        :model-value="leg.kind"
        :items="kinds"
        label="Kind"
        data-field="leg-kind"
        @update:model-value="
          v =>
            edit(`${leg.name}: ${kinds.find(k => k.value === v)?.title.toLowerCase()}`, d => {
              d.gear[at].kind = v
            })
        "
      />
      <div class="row">
        <FigureField
          label="Mount, aft"
          :model-value="leg.xMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          @update:model-value="set('xMm', 'place')($event)"
        /><FigureField
          label="out"
          :model-value="leg.yMm"
          unit="mm"
          :min="0"
          :max="1500"
          @update:model-value="set('yMm', 'place')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="up"
          :model-value="leg.zMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          @update:model-value="set('zMm', 'height')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="Axle below mount"
          :model-value="leg.dropMm"
          unit="mm"
          :min="5"
          :max="600"
          @update:model-value="set('dropMm', 'height')($event)"
        /><FigureField
          label="and outboard"
          :model-value="leg.splayMm"
          unit="mm"
          :min="0"
          :max="600"
          @update:model-value="set('splayMm', 'splay')($event)"
        />
      </div>
      <div v-if="leg.kind !== 'sprung'" class="row">
        <FigureField
          :label="leg.kind === 'wire' ? 'Wire' : 'Thickness'"
          :model-value="leg.thicknessMm"
          unit="mm"
          :min="0.5"
          :max="40"
          data-field="leg-thickness"
          @update:model-value="set('thicknessMm', 'thickness')($event)"
        /><FigureField
          v-if="leg.kind === 'printed'"
          label="Width"
          :model-value="leg.widthMm"
          unit="mm"
          :min="0.5"
          :max="120"
          @update:model-value="set('widthMm', 'width')($event)"
        />
      </div>
      <v-checkbox
        v-if="leg.kind === 'sprung'"
        :model-value="leg.coil !== null"
        label="Wound from wire"
        hide-details
        density="compact"
        data-field="coil"
        @update:model-value="wind"
      />
      <template v-if="leg.kind === 'sprung' && leg.coil">
        <div class="row">
          <FigureField
            label="Spring wire"
            :model-value="leg.coil.wireMm"
            unit="mm"
            :min="0.2"
            :max="6.5"
            :digits="2"
            data-field="coil-wire"
            @update:model-value="setCoil('wireMm', 'wire of the spring')($event)"
          /><FigureField
            label="Coil, mid-wire"
            :model-value="leg.coil.coilMm"
            unit="mm"
            :min="1"
            :max="80"
            :digits="1"
            @update:model-value="setCoil('coilMm', 'coil of the spring')($event)"
          />
        </div>
        <div class="row">
          <FigureField
            label="Turns that give"
            :model-value="leg.coil.turns"
            unit=""
            :min="1"
            :max="60"
            :digits="1"
            data-field="coil-turns"
            @update:model-value="setCoil('turns', 'turns of the spring')($event)"
          /><FigureField
            label="Free length"
            :model-value="leg.coil.freeMm"
            unit="mm"
            :min="2"
            :max="400"
            :digits="1"
            @update:model-value="setCoil('freeMm', 'length of the spring')($event)"
          />
        </div>
        <FigureField
          label="Stop of the leg after"
          :model-value="leg.travelMm"
          unit="mm"
          :min="0.5"
          :max="200"
          @update:model-value="set('travelMm', 'travel')($event)"
        />
        <p v-if="spring" class="small" data-figure="spring">
          <span class="num">{{ amount(spring.rateNmm, 'N/mm', 2) }}</span>,
          {{ spring.solid ? 'solid' : 'at its stop' }} after
          <span class="num">{{ amount(spring.travelMm, 'mm', 1) }}</span>; its wire is then at
          <span class="num" :class="{ bad: spring.share > 1 }">{{ amount(100 * spring.share, '%') }}</span> of
          what it can bear. <span class="quiet">Music wire, ends closed and ground.</span>
        </p>
      </template>
      <div v-else-if="leg.kind === 'sprung'" class="row">
        <FigureField
          label="Spring"
          :model-value="leg.springNmm"
          unit="N/mm"
          :min="0.01"
          :max="500"
          :digits="2"
          @update:model-value="set('springNmm', 'spring')($event)"
        /><FigureField
          label="Travel"
          :model-value="leg.travelMm"
          unit="mm"
          :min="0.5"
          :max="200"
          @update:model-value="set('travelMm', 'travel')($event)"
        />
      </div>
      <WheelFigures :at="at" />
      <div class="row">
        <FigureField
          label="Mount long"
          :model-value="leg.mount.lengthMm"
          unit="mm"
          :min="2"
          :max="200"
          @update:model-value="setMount('lengthMm', 'length of the mount')($event)"
        /><FigureField
          label="wide"
          :model-value="leg.mount.widthMm"
          unit="mm"
          :min="1"
          :max="200"
          @update:model-value="setMount('widthMm', 'width of the mount')($event)"
        />
      </div>
      <FigureField
        label="Plastic round the mount"
        :model-value="leg.mount.depthMm"
        unit="mm"
        :min="0.5"
        :max="60"
        @update:model-value="setMount('depthMm', 'plastic round the mount')($event)"
      />
      <v-select
        :model-value="leg.zone"
        :items="doc.zones.map(z => ({ title: z.name, value: z.id }))"
        label="Mount printed as"
        @update:model-value="
          (v: string) =>
            edit(`${leg.name}: mount in another zone`, d => {
              d.gear[at].zone = v
            })
        "
      />
      <v-checkbox
        :model-value="leg.pair"
        label="A second one to port"
        @update:model-value="
          (v: boolean | null) =>
            edit(`${leg.name}: ${v ? 'a pair' : 'one'}`, d => {
              d.gear[at].pair = !!v
            })
        "
      />
      <div class="acts">
        <v-btn
          @click="
            edit(`Leave out ${leg.name}`, d => {
              // Zones that only its wheel asked for go with it.
              Object.assign(d, withWheel(doc, leg.id, 'bought'))
              d.gear.splice(at, 1)
            })
          "
          >Leave it out</v-btn
        ><v-btn :disabled="doc.gear.length >= 6" @click="add">Add a leg</v-btn>
      </div>
    </template>
    <template v-else
      ><p class="quiet small">
        None: it lands {{ doc.brief.landing === 'net' ? 'in a net' : 'on its belly' }}.
      </p>
      <v-btn data-act="add-leg" @click="add">Add a leg</v-btn></template
    >
  </div>
</template>
