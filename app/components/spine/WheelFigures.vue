<script setup lang="ts">
/** The wheel of a leg: bought, or printed with a tyre or without; what it weighs and gives. */
import { wheelMade, withWheel, type WheelMade } from '../../../core/change'
import type { PrintedWheel } from '../../../core/document'
import { isWheelOf, wheelPrefix } from '../../../core/geometry'
import { amount } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const props = defineProps<{ at: number }>()
const { doc, now, edit } = useBench()
const leg = computed(() => doc.value.gear[props.at])
const kinds: Array<{ title: string; value: WheelMade }> = [
  { title: 'Bought', value: 'bought' },
  { title: 'Printed, with a tyre', value: 'tyred' },
  { title: 'Printed in one', value: 'whole' },
]
const make = (made: WheelMade) =>
  edit(`${leg.value.name}: wheel ${kinds.find(item => item.value === made)!.title.toLowerCase()}`, draft => {
    Object.assign(draft, withWheel(doc.value, leg.value.id, made))
  })
const set = (field: 'wheelMm' | 'tyreMm' | 'wheelG', label: string) => (value: number | null) =>
  edit(`${leg.value.name}: set ${label}`, draft => {
    draft.gear[props.at][field] = value!
  })
const setWheel = (field: 'widthMm' | 'thickMm' | 'axleMm', label: string) => (value: number | null) =>
  edit(`${leg.value.name}: set ${label}`, draft => {
    draft.gear[props.at].printedWheel![field] = value!
  })
const setZone = (field: keyof Pick<PrintedWheel, 'zone' | 'tyre'>, label: string) => (zone: string) =>
  edit(`${leg.value.name}: ${label} in another zone`, draft => {
    draft.gear[props.at].printedWheel![field] = zone
  })
const zones = computed(() => doc.value.zones.map(zone => ({ title: zone.name, value: zone.id })))
const wheel = computed(() => leg.value.printedWheel)
const made = computed(() =>
  now.value.pieces.filter(
    piece => piece.kind === 'wheel' && isWheelOf(leg.value, piece) && piece.side !== 'port',
  ),
)
const squash = computed(
  () => now.value.strength.gear.tyres.find(item => item.leg === leg.value.id)?.givesMm ?? Infinity,
)
</script>

<template>
  <div class="stack" data-part="wheel">
    <v-select
      :model-value="wheelMade(leg)"
      :items="kinds"
      label="Wheel"
      data-field="wheel-made"
      @update:model-value="make"
    />
    <div class="row">
      <FigureField
        label="Wheel, across"
        :model-value="leg.wheelMm"
        unit="mm"
        :min="0"
        :max="300"
        data-field="wheel"
        @update:model-value="set('wheelMm', 'wheel')($event)"
      /><FigureField
        :label="wheel ? 'Axle, collars' : 'Wheel, axle'"
        :model-value="leg.wheelG"
        unit="g"
        :min="0"
        :max="20000"
        @update:model-value="set('wheelG', wheel ? 'mass of the axle' : 'mass of the wheel')($event)"
      />
    </div>
    <template v-if="wheel">
      <div class="row">
        <FigureField
          label="Wide"
          :model-value="wheel.widthMm"
          unit="mm"
          :min="3"
          :max="120"
          data-field="wheel-wide"
          @update:model-value="setWheel('widthMm', 'width of the wheel')($event)"
        /><FigureField
          label="Axle, across"
          :model-value="wheel.axleMm"
          unit="mm"
          :min="0.5"
          :max="12"
          :digits="1"
          @update:model-value="setWheel('axleMm', 'axle')($event)"
        />
      </div>
      <div v-if="wheel.tyre !== null" class="row">
        <FigureField
          label="Tyre, thick"
          :model-value="wheel.thickMm"
          unit="mm"
          :min="1"
          :max="60"
          data-field="tyre-thick"
          @update:model-value="setWheel('thickMm', 'thickness of the tyre')($event)"
        /><FigureField
          label="Tyre gives"
          :model-value="leg.tyreMm"
          unit="mm"
          :min="0"
          :max="60"
          data-field="tyre"
          @update:model-value="set('tyreMm', 'tyre')($event)"
        />
      </div>
      <v-select
        :model-value="wheel.zone"
        :items="zones"
        :label="wheel.tyre === null ? 'Wheel printed as' : 'Rim printed as'"
        @update:model-value="setZone('zone', 'wheel')($event)"
      />
      <v-select
        v-if="wheel.tyre !== null"
        :model-value="wheel.tyre"
        :items="zones"
        label="Tyre printed as"
        @update:model-value="setZone('tyre', 'tyre')($event)"
      />
    </template>
    <FigureField
      v-if="!wheel"
      label="Tyre gives"
      :model-value="leg.tyreMm"
      unit="mm"
      :min="0"
      :max="60"
      data-field="tyre"
      @update:model-value="set('tyreMm', 'tyre')($event)"
    />
    <p v-if="wheel && !made.length" class="small bad" data-figure="no-wheel">
      Nothing is left for a rim between axle and tyre: no wheel is printed.
    </p>
    <p v-if="wheel && made.length" class="small" data-figure="wheel">
      <template v-for="(piece, i) in made" :key="piece.id">
        <template v-if="i">, </template>{{ piece.id.replace(wheelPrefix(leg), '').replace('-starboard', '') }}
        <span class="num">{{ amount(piece.predictedG, 'g', 1) }}</span>
      </template>
      each.
      <template v-if="wheel.tyre !== null && squash < leg.tyreMm">
        Counted with <span class="num">{{ amount(squash, 'mm', 1) }}</span> of give: half of what is printed
        of the tyre.
      </template>
      <template v-else-if="wheel.tyre === null">Without a tyre it gives nothing: the leg takes all.</template>
      <span class="quiet">That the rim bears what its leg does is taken for granted.</span>
    </p>
  </div>
</template>
