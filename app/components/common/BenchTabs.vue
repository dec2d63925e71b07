<script setup lang="ts">
/** Several questions on one bench, one at a time. */
const props = defineProps<{
  tabs: ReadonlyArray<{ id: string; label: string }>
  modelValue: string
  label: string
}>()
const emit = defineEmits<{ 'update:modelValue': [id: string] }>()
function step(event: KeyboardEvent) {
  const way = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0
  if (!way) return
  event.preventDefault()
  const at = props.tabs.findIndex(tab => tab.id === props.modelValue)
  const next = props.tabs[(at + way + props.tabs.length) % props.tabs.length]
  emit('update:modelValue', next.id)
  ;((event.currentTarget as HTMLElement).children[props.tabs.indexOf(next)] as HTMLElement).focus()
}
</script>

<template>
  <div class="tabs" role="tablist" :aria-label="label" @keydown="step">
    <button
      v-for="tab in tabs"
      :key="tab.id"
      type="button"
      class="plain tab"
      role="tab"
      :aria-selected="tab.id === modelValue"
      :tabindex="tab.id === modelValue ? 0 : -1"
      :class="{ on: tab.id === modelValue }"
      :data-tab="tab.id"
      @click="emit('update:modelValue', tab.id)"
    >
      {{ tab.label }}
    </button>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  gap: 0 18px;
  border-bottom: 1px solid var(--hair);
  margin: -4px 0 8px;
  flex-wrap: wrap;
}
.tab {
  padding: 3px 0 5px;
  font-size: 13.5px;
  color: var(--quiet);
  border-bottom: 2.5px solid transparent;
  margin-bottom: -1px;
}
.tab.on {
  color: rgb(var(--v-theme-on-background));
  font-weight: 650;
  border-bottom-color: rgb(var(--v-theme-primary));
}
@media (max-width: 700px) {
  .tab {
    min-height: 44px;
  }
}
</style>
