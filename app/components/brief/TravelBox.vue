<script setup lang="ts">
/** The box or boot that the aircraft must go into, as the brief has it. */
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const SIDES = [
  { label: 'Box, long', name: 'length', min: 100, max: 4000 },
  { label: 'wide', name: 'width', min: 50, max: 2000 },
  { label: 'high', name: 'height', min: 30, max: 2000 },
] as const
/** A boot of a small car, as long as the wing is wide. */
const FIRST: [number, number, number] = [1000, 400, 300]
const box = computed(() => doc.value.brief.travelBoxMm)
const boxed = computed({
  get: () => box.value !== null,
  set: on =>
    edit(on ? 'Ask for a travel box' : 'Ask for no travel box', draft => {
      draft.brief.travelBoxMm = on ? FIRST : null
    }),
})
const set = (i: number, name: string) => (value: number | null) =>
  edit(`Set ${name} of the travel box`, draft => {
    draft.brief.travelBoxMm![i] = value!
  })
</script>

<template>
  <div>
    <v-checkbox
      v-model="boxed"
      label="It must go into a box"
      hide-details
      density="compact"
      data-field="travel"
    />
    <div v-if="box" class="three">
      <FigureField
        v-for="(side, i) in SIDES"
        :key="side.label"
        :model-value="box[i]"
        :label="side.label"
        unit="mm"
        :min="side.min"
        :max="side.max"
        :digits="0"
        :data-field="`travel-${side.name}`"
        @update:model-value="set(i, side.name)($event)"
      />
    </div>
  </div>
</template>

<style scoped>
.three {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 6px;
}
</style>
