<script setup lang="ts">
/** The thread of named edits: undo, redo, marks, and whether everything is kept. */
import { useCopies } from '~/stores/copies'
import { useProject } from '~/stores/project'
import { useView } from '~/stores/view'

const project = useProject()
const view = useView()
const copies = useCopies()
const words = {
  saved: 'Kept in this browser',
  saving: 'Keeping …',
  unsaved: "Not kept: the browser's store failed. Export the project now",
  full: 'Not kept: the disk is full. Export the project now, then free space',
  elsewhere: 'Another tab changed this project',
}
const last = computed(() => project.done.slice(-4).reverse())
</script>

<template>
  <footer class="thread">
    <v-btn
      variant="text"
      :disabled="!project.canUndo"
      :aria-label="project.canUndo ? `Undo ${project.done.at(-1)?.name}` : 'Nothing to undo'"
      data-act="undo"
      @click="project.undo"
      >Undo</v-btn
    >
    <v-btn variant="text" :disabled="!project.canRedo" data-act="redo" @click="project.redo">Redo</v-btn>
    <ol class="edits" aria-label="Newest edits first">
      <li v-for="(edit, i) in last" :key="edit.at + edit.name + i">{{ edit.name }}</li>
      <li v-if="!last.length" class="quiet">
        No edits yet. Everything you change is a step here and can be undone.
      </li>
    </ol>
    <span v-if="project.refused" class="bad refused" role="alert">Refused. {{ project.refused }}</span>
    <span class="spacer" />
    <v-btn v-if="copies.due" variant="text" data-act="copy-due" @click="view.shelfOpen = true"
      >A copy is due</v-btn
    >
    <v-btn variant="text" data-act="mark" @click="view.marking = true">Marks</v-btn>
    <span
      class="save"
      :class="{ bad: ['unsaved', 'full', 'elsewhere'].includes(project.saveState) }"
      role="status"
      >{{ words[project.saveState] }}</span
    >
    <template v-if="project.saveState === 'elsewhere'">
      <v-btn @click="project.reloadStored">Take theirs</v-btn
      ><v-btn @click="project.said(project.keepAsCopy)">Keep mine as a copy</v-btn>
    </template>
    <v-btn v-if="['unsaved', 'full'].includes(project.saveState)" @click="project.save">Try again</v-btn>
  </footer>
</template>

<style scoped>
.thread {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 2px 12px;
  border-top: 1px solid var(--hair);
  min-height: 40px;
  font-size: 13px;
}
.edits {
  display: flex;
  list-style: none;
  padding: 0;
  margin: 0;
  overflow: hidden;
  white-space: nowrap;
  min-width: 0;
}
.edits li + li::before {
  content: '–';
  margin: 0 8px;
  color: var(--quiet);
}
.edits li + li {
  color: var(--quiet);
}
.spacer {
  flex: 1;
}
.save {
  white-space: nowrap;
  color: var(--quiet);
}
.save.bad {
  color: rgb(var(--v-theme-error));
}
.refused {
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 700px) {
  .thread {
    flex-wrap: wrap;
  }
  .edits {
    display: none;
  }
  .save {
    white-space: normal;
  }
}
</style>
