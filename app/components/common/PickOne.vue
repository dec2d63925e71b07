<script setup lang="ts">
/**
 * One of a few, as words in a row, or in boxes that a thumb finds; `mark` names the attribute that tells them apart.
 * What is pressed again is told again: whether that takes it back is for whoever asks.
 */
defineProps<{
  options: ReadonlyArray<{ id: string; label: string }>
  modelValue: string | null
  label: string
  mark: string
  lead?: string
  boxed?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [id: string] }>()
</script>

<template>
  <div class="picks" :class="{ boxed }" role="group" :aria-label="label">
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
.boxed {
  display: grid;
  grid-auto-columns: minmax(0, 1fr);
  grid-auto-flow: column;
  gap: 6px;
}
.boxed .pick {
  border: 1px solid var(--hair);
  border-radius: 6px;
  padding: 6px 5px;
  text-align: center;
  color: inherit;
  text-decoration: none;
}
.boxed .pick.on {
  border-color: rgb(var(--v-theme-secondary));
  background: color-mix(in srgb, rgb(var(--v-theme-secondary)) 16%, transparent);
}
@media (max-width: 700px) {
  .pick {
    min-height: 44px;
  }
  .boxed .pick {
    min-height: 48px;
    font-size: 15px;
  }
}
</style>
