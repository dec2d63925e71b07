<script setup lang="ts">
/** Outlines of what is being moved, ahead of the drawing. */
import type { ProjectFile } from '../../../core/document'
import { inHand } from '~/composables/in-hand'
import { useProject } from '~/stores/project'
import { useSheet } from './sheet'

/** As drawn. */
const props = defineProps<{ doc: ProjectFile }>()
const project = useProject()
const sheet = useSheet()
const outlines = computed(() =>
  project.doc ? inHand(sheet.value.view, toRaw(project.doc), toRaw(props.doc)).map(sheet.value.outline) : [],
)
</script>

<template>
  <polygon
    v-for="(points, i) in outlines"
    :key="i"
    class="hand"
    data-in-hand
    :points="points"
    v-bind="sheet.dashed('5 3')"
  />
</template>

<style scoped>
.hand {
  fill: none;
  stroke: rgb(var(--v-theme-primary));
}
</style>
