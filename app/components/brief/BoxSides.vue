<script setup lang="ts">
/** Whether something must go into a box, and how large that is inside. */
defineProps<{ box: readonly [number, number, number] | null; name: string }>()
defineEmits<{
  /** The box that is asked for first, or none. */
  ask: [box: [number, number, number] | null]
  side: [index: number, valueMm: number, side: string]
}>()
/** A boot of a small car, as long as the wing is wide. */
const FIRST: [number, number, number] = [1000, 400, 300]
const SIDES = [
  { label: 'Box, long', name: 'length', min: 100, max: 4000 },
  { label: 'wide', name: 'width', min: 50, max: 2000 },
  { label: 'high', name: 'height', min: 30, max: 2000 },
] as const
</script>

<template>
  <div>
    <v-checkbox
      :model-value="box !== null"
      label="It must go into a box"
      hide-details
      density="compact"
      :data-field="name"
      @update:model-value="$emit('ask', $event ? [...FIRST] : null)"
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
        :data-field="`${name}-${side.name}`"
        @update:model-value="$emit('side', i, $event!, side.name)"
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
