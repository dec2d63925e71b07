<script setup lang="ts">
/** Stations, pieces and acts by typing. */
import { STATIONS } from '~/stations/path'
import { useAssessment } from '~/stores/assessment'
import { useProject } from '~/stores/project'
import { useView } from '~/stores/view'

const project = useProject()
const assessment = useAssessment()
const view = useView()
const router = useRouter()
const typed = ref('')
const at = ref(0)

const all = computed(() => [
  ...STATIONS.map(s => ({ label: s.label, kind: 'station', run: () => router.push(`/${s.id}`) })),
  ...(assessment.current?.pieces ?? []).map(p => ({
    label: p.name,
    kind: 'piece',
    run: () => {
      view.selected = p.id
      void router.push('/print')
    },
  })),
  ...(project.doc?.equipment ?? []).map(e => ({
    label: e.name,
    kind: 'component',
    run: () => {
      view.selected = e.id
      void router.push('/balance')
    },
  })),
  { label: 'Begin an aircraft', kind: 'act', run: () => router.push('/begin') },
  { label: 'Undo', kind: 'act', run: project.undo },
  { label: 'Redo', kind: 'act', run: project.redo },
  {
    label: 'Keep a mark',
    kind: 'act',
    run: () => {
      view.marking = true
    },
  },
  {
    label: 'Projects, import and export',
    kind: 'act',
    run: () => {
      view.shelfOpen = true
    },
  },
])
const found = computed(() => {
  const words = typed.value.toLowerCase().split(/\s+/).filter(Boolean)
  return all.value.filter(item => words.every(word => item.label.toLowerCase().includes(word))).slice(0, 9)
})
watch(typed, () => {
  at.value = 0
})

function onKey(event: KeyboardEvent) {
  const inField = (event.target as HTMLElement).closest('input, textarea, [contenteditable]')
  if (event.key === '/' && !inField && !event.ctrlKey && !event.metaKey) {
    event.preventDefault()
    view.commanding = true
  }
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !inField) {
    event.preventDefault()
    if (event.shiftKey) project.redo()
    else project.undo()
  }
}
function run(item: { run: () => unknown } | undefined) {
  if (!item) return
  view.commanding = false
  typed.value = ''
  item.run()
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <v-dialog v-model="view.commanding" max-width="460">
    <v-card class="pa-3">
      <v-text-field
        v-model="typed"
        label="A station, a piece, a component, an act"
        autofocus
        data-field="command"
        @keydown.enter="run(found[at])"
        @keydown.down.prevent="at = Math.min(found.length - 1, at + 1)"
        @keydown.up.prevent="at = Math.max(0, at - 1)"
      />
      <ul>
        <li v-for="(item, i) in found" :key="item.kind + item.label">
          <button type="button" class="plain" :class="{ on: i === at }" @click="run(item)">
            {{ item.label }} <span class="quiet">{{ item.kind }}</span>
          </button>
        </li>
      </ul>
      <p v-if="!found.length" class="quiet pa-2">Nothing of that name.</p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
}
button {
  width: 100%;
  padding: 7px 10px;
  border-radius: 6px;
}
.on,
button:hover {
  background: color-mix(in srgb, rgb(var(--v-theme-secondary)) 18%, transparent);
}
</style>
