<script setup lang="ts">
/** A newer version waits, or another tab runs it already: said, and taken when it suits. */
import { useProject } from '~/stores/project'

const project = useProject()
const { state, take } = useOffline()
const later = ref(false)
const keep = async () => {
  if (project.unkept) await project.save()
  return !project.unkept
}
</script>

<template>
  <div v-if="(state.newer || state.elsewhere) && !later" class="newer" role="status" data-newer>
    <span>{{
      state.newer
        ? 'A newer Mariposa is here. It comes in when this page is loaded again; what you have typed into an open field goes in first.'
        : 'Another tab went over to a newer Mariposa. This one goes on with its own; load it again when it suits you.'
    }}</span>
    <v-btn color="primary" variant="flat" data-act="take-newer" @click="take(keep)">Load it now</v-btn>
    <v-btn variant="text" @click="later = true">Later</v-btn>
  </div>
</template>

<style scoped>
.newer {
  position: fixed;
  right: 16px;
  bottom: 52px;
  z-index: 30;
  max-width: min(560px, calc(100vw - 32px));
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  padding: 10px 14px;
  border: 1px solid rgb(var(--v-theme-primary));
  border-radius: 8px;
  background: rgb(var(--v-theme-surface));
}
</style>
