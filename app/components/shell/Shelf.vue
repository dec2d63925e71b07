<script setup lang="ts">
/** The shelf of projects: open, bring one in from a file, take one out as a file, begin from a demo. */
import { DEMOS } from '../../../core/demo'
import { DocumentError, MAX_PROJECT_BYTES } from '../../../core/document'
import { download, fileName } from '~/composables/download'
import { useProject } from '~/stores/project'
import { useView } from '~/stores/view'

const project = useProject()
const view = useView()
const fault = ref('')
const chooser = ref<HTMLInputElement>()

async function bring(event: Event) {
  const file = chosenFile(event)
  if (!file) return
  try {
    if (file.size > MAX_PROJECT_BYTES)
      throw new DocumentError(
        '',
        `${(file.size / 1e6).toFixed(1)} MB is too large; a project file has at most ${MAX_PROJECT_BYTES / 1e6} MB`,
      )
    await project.importText(await file.text())
    fault.value = ''
    view.shelfOpen = false
  } catch (error) {
    if (!(error instanceof DocumentError)) throw error
    fault.value = `${file.name.slice(0, 60)} was not read. ${error.message}. Nothing was changed.`
  }
}
const take = () => download(`${fileName(project.doc!.name)}.json`, project.exportText(), 'application/json')
async function open(id: string) {
  await project.save()
  await project.open(id)
  view.shelfOpen = false
}
watch(
  () => view.shelfOpen,
  isOpen => {
    if (isOpen) void project.listShelf()
  },
)
</script>

<template>
  <v-dialog v-model="view.shelfOpen" max-width="560" scrollable>
    <v-card class="pa-5">
      <h2>Projects on this machine</h2>
      <p class="lead">They live in this browser. Export one to keep it elsewhere or to hand it on.</p>
      <ul class="shelf">
        <li v-for="item in project.shelf" :key="item.id">
          <button
            type="button"
            class="plain"
            :class="{ on: item.id === project.doc?.id }"
            :title="item.name"
            @click="open(item.id)"
          >
            {{ item.name }}
          </button>
          <span v-if="item.id === project.doc?.id" class="quiet">open</span>
        </li>
      </ul>
      <p v-if="fault" class="bad" role="alert" data-fault="import">{{ fault }}</p>
      <div class="acts">
        <v-btn color="primary" variant="flat" data-act="export" @click="take">Export this project</v-btn>
        <v-btn data-act="import" @click="chooser?.click()">Import a project file</v-btn>
        <input
          ref="chooser"
          type="file"
          accept=".json,application/json"
          class="sr"
          aria-label="Project file"
          @change="bring"
        />
      </div>
      <h3>Begin from</h3>
      <div class="acts">
        <v-btn
          v-for="demo in DEMOS"
          :key="demo.id"
          @click="project.add(demo).then(() => (view.shelfOpen = false))"
          >A fresh {{ demo.name }}</v-btn
        >
      </div>
      <div class="acts end"><v-btn variant="text" @click="view.shelfOpen = false">Close</v-btn></div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.shelf {
  list-style: none;
  padding: 0;
  margin: 0 0 14px;
  max-height: 40vh;
  overflow: auto;
}
.shelf li {
  display: flex;
  gap: 10px;
  border-bottom: 1px solid var(--hair);
  padding: 2px 0;
  align-items: baseline;
}
.shelf button {
  padding: 6px 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  flex: 1;
  text-decoration: underline;
  text-decoration-color: var(--hair);
  text-underline-offset: 3px;
}
.shelf .on {
  font-weight: 700;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.end {
  justify-content: flex-end;
  margin-top: 14px;
}
</style>
