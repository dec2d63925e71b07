<script setup lang="ts">
/** The shelf of projects: open, bring one in from a file, take one out as a file, begin from a demo. */
import { DEMOS } from '../../../core/demo'
import { DocumentError, readProject, type ProjectFile } from '../../../core/document'
import { deleteRecord, rawRecord } from '~/db/records'
import { StoreFault } from '~/db/store-fault'
import { download, fileName } from '~/composables/download'
import { restorePhotos } from '~/composables/photos'
import { unpacked } from '~/composables/project-archive'
import { useProject } from '~/stores/project'
import { useView } from '~/stores/view'

const project = useProject()
const view = useView()
const fault = ref('')
const chooser = ref<HTMLInputElement>()
/** A file whose project is here already. */
const same = shallowRef<{ here: ProjectFile; there: ProjectFile } | null>(null)

/** What goes wrong is said here, and nothing is changed by it. */
async function attempt(what: string, work: () => Promise<unknown>) {
  fault.value = ''
  try {
    await work()
  } catch (error) {
    say(what, error)
  }
}
function say(what: string, error: unknown) {
  if (error instanceof DocumentError)
    fault.value = `${what} was not read. ${error.message}. Nothing was changed.`
  else if (error instanceof StoreFault) fault.value = `${error.message}.`
  else throw error
}
const close = () => {
  view.shelfOpen = false
}

function bring(event: Event) {
  const file = chosenFile(event)
  if (!file) return
  same.value = null
  void attempt(file.name.slice(0, 60), async () => {
    const { text, photos } = await unpacked(file)
    const there = readProject(text)
    await restorePhotos(there.id, photos)
    await takeIn(there)
  })
}
async function takeIn(there: ProjectFile) {
  const here = await project.sameHere(there)
  if (here) same.value = { here, there }
  else {
    await project.add(there)
    close()
  }
}
const got = (text: string) => attempt('What was handed over', () => takeIn(readProject(text)))
function settled() {
  same.value = null
  close()
}
const open = (id: string, name: string) =>
  attempt(name.slice(0, 60), async () => {
    await project.open(id, name)
    close()
  })
const begin = (demo: ProjectFile) =>
  attempt(demo.name, async () => {
    await project.add(demo)
    close()
  })
const takeRaw = (id: string) =>
  attempt(id, async () => download(`${fileName(id)}-raw.json`, await rawRecord(id), 'application/json'))
/** Pressed once it asks, pressed again it goes. */
const doomed = ref<string | null>(null)
const remove = (id: string) =>
  attempt(id, async () => {
    if (doomed.value !== id) {
      doomed.value = id
      return
    }
    doomed.value = null
    await deleteRecord(id)
    await project.listShelf()
  })
watch(
  () => view.shelfOpen,
  isOpen => {
    doomed.value = null
    if (isOpen) void attempt('The shelf', () => project.listShelf())
    else same.value = null
  },
)
</script>

<template>
  <v-dialog v-model="view.shelfOpen" max-width="600" scrollable>
    <v-card class="pa-5 sheet">
      <h2>Projects on this machine</h2>
      <p class="lead">They live in this browser. Export one to keep it elsewhere or to hand it on.</p>
      <ImportCompare
        v-if="same"
        :here="same.here"
        :there="same.there"
        @done="settled"
        @fault="say('The file', $event)"
      />
      <p v-if="fault" class="bad" role="alert" data-fault="import">{{ fault }}</p>
      <ul class="shelf">
        <li v-for="item in project.shelf" :key="item.id" :data-shelf="item.id">
          <div v-if="item.fault" class="damaged">
            <span :title="item.name">{{ item.name }}</span>
            <span class="bad small">Cannot be opened: {{ item.fault }}</span>
          </div>
          <button
            v-else
            type="button"
            class="plain"
            :class="{ on: item.id === project.doc?.id }"
            :title="item.name"
            @click="open(item.id, item.name)"
          >
            {{ item.name }}
          </button>
          <span v-if="item.id === project.doc?.id" class="quiet">open</span>
          <template v-else>
            <v-btn v-if="item.fault" size="small" data-act="raw" @click="takeRaw(item.id)"
              >Raw content as a file</v-btn
            >
            <v-btn
              size="small"
              variant="text"
              :color="doomed === item.id ? 'error' : undefined"
              data-act="delete"
              :aria-label="`Delete ${item.name}`"
              @click="remove(item.id)"
              >{{ doomed === item.id ? 'Delete for good?' : 'Delete' }}</v-btn
            >
          </template>
        </li>
      </ul>
      <div class="acts">
        <v-btn data-act="import" @click="chooser?.click()">Import a project file</v-btn>
        <input
          ref="chooser"
          type="file"
          accept=".json,.zip,application/json,application/zip"
          class="sr"
          aria-label="Project file"
          @change="bring"
        />
      </div>
      <h3>Begin another</h3>
      <div class="acts">
        <v-btn color="primary" variant="flat" to="/begin" data-act="begin" @click="close">From a brief</v-btn>
        <v-btn v-for="demo in DEMOS" :key="demo.id" @click="begin(demo)">A fresh {{ demo.name }}</v-btn>
      </div>
      <HandOver @got="got" />
      <CopiesCard />
      <div class="acts end"><v-btn variant="text" @click="close">Close</v-btn></div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
/* One scroll for all of it: a list that scrolls by itself would hide its rows. */
.sheet {
  overflow-y: auto;
}
.sheet > * {
  flex: none;
}
.shelf {
  list-style: none;
  padding: 0;
  margin: 0 0 14px;
}
.shelf li {
  display: flex;
  gap: 10px;
  border-bottom: 1px solid var(--hair);
  padding: 2px 0;
  align-items: baseline;
}
.shelf .plain {
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
.damaged {
  flex: 1;
  display: grid;
  min-width: 0;
  padding: 6px 0;
  overflow-wrap: anywhere;
}
.end {
  justify-content: flex-end;
  margin-top: 14px;
}
</style>
