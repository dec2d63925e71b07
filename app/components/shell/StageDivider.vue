<script setup lang="ts">
/** Between the drawing and what stands below: dragged, moved by keys, folded to a strip with a double press. */
import { arrowSteps, useDrag } from '~/composables/useDrag'

/** The bench's share of the height, 0 to 1; 1 folds the drawing. */
const share = defineModel<number>({ required: true })
const props = defineProps<{ /** Where a double press goes back to. */ home: number }>()
const bar = ref<HTMLElement>()
const LEAST = 0.15,
  MOST = 0.88,
  STEP = 0.04
const put = (value: number) => {
  // Pushed against the top it folds.
  share.value = value > 0.94 ? 1 : Math.min(MOST, Math.max(LEAST, value))
}
const { held, take } = useDrag<HTMLElement>((_bar, event) => {
  const box = bar.value!.parentElement!.getBoundingClientRect()
  put((box.bottom - event.clientY) / box.height)
})
function key(event: KeyboardEvent) {
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    fold()
    return
  }
  const steps = arrowSteps(event, 3)
  if (steps) put(share.value === 1 && steps[1] > 0 ? MOST : share.value - STEP * steps[1])
}
function fold() {
  share.value = share.value === 1 ? (props.home < 1 ? props.home : 0.62) : 1
}
</script>

<template>
  <div
    ref="bar"
    class="divider"
    :class="{ held: held !== null }"
    role="separator"
    aria-orientation="horizontal"
    tabindex="0"
    :aria-label="
      share === 1 ? 'The drawing is folded; press Enter to open it' : 'Height of the drawing; Enter folds it'
    "
    :aria-valuenow="Math.round(100 * (1 - share))"
    aria-valuemin="0"
    aria-valuemax="85"
    data-divider
    title="Drag to share the height; double press folds the drawing"
    @pointerdown.prevent="take($event, bar!)"
    @dblclick="fold"
    @keydown="key"
  >
    <span class="grip" aria-hidden="true" />
  </div>
</template>

<style scoped>
.divider {
  display: grid;
  place-items: center;
  height: 11px;
  cursor: row-resize;
  border-top: 1px solid var(--hair);
  touch-action: none;
}
.grip {
  width: 46px;
  height: 4px;
  border-radius: 2px;
  background: var(--hair-strong, var(--hair));
}
.divider:hover .grip,
.divider.held .grip,
.divider:focus-visible .grip {
  background: rgb(var(--v-theme-primary));
}
@media (max-width: 700px) {
  .divider {
    display: none;
  }
}
</style>
