<script setup lang="ts">
/** One of a few, as words in a row; `mark` names the attribute that tells them apart. */
defineProps<{
  options: ReadonlyArray<{ id: string; label: string }>
  modelValue: string
  label: string
  mark: string
  lead?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [id: string] }>()
</script>

<template>
  <div class="picks" role="group" :aria-label="label">
    <span v-if="lead" class="quiet">{{ lead }}</span>
    <button
      v-for="option in options"
      :key="option.id"
      type="button"
      class="plain pick"
      :class="{ on: option.id === modelValue }"
      :aria-pressed="option.id === modelValue"
      v-bind="{ [`data-${mark}`]: option.id }"
      @click="emit('update:modelValue', option.id)"
    >
      {{ option.label }}
    </button>
  </div>
</template>

<style scoped>
.picks {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
.pick {
  font-size: 13px;
  color: var(--quiet);
  text-decoration: underline dotted;
}
.pick.on {
  color: inherit;
  font-weight: 650;
  text-decoration: none;
}
@media (max-width: 700px) {
  .pick {
    min-height: 44px;
  }
}
</style>
