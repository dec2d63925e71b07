<script setup lang="ts">
/** Figures one under the other or in pairs, each with its place in the document. */
export interface FieldOf {
  id: string
  label: string
  unit: string
  min: number
  max: number
  digits?: number
  optional?: boolean
  value: number | null
  set: (value: number | null) => unknown
}
withDefaults(defineProps<{ fields: FieldOf[]; pairs?: boolean }>(), { pairs: false })
</script>

<template>
  <div :class="pairs ? 'row pairs' : 'single'">
    <FigureField
      v-for="field in fields"
      :key="field.id"
      :label="field.label"
      :unit="field.unit"
      :min="field.min"
      :max="field.max"
      :digits="field.digits"
      :optional="field.optional"
      :model-value="field.value"
      :data-field="field.id"
      @update:model-value="field.set($event)"
    />
  </div>
</template>

<style scoped>
.single > * {
  margin-bottom: 12px;
}
.pairs {
  row-gap: 12px;
}
</style>
