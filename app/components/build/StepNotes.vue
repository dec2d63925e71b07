<script setup lang="ts">
/** Notes and pictures to a step or a piece; pictures stay in this browser, shrunk. */
import { today } from '~/composables/format'
import { chosenFile } from '~/composables/chosen-file'
import { addPhoto, photoUrl } from '~/composables/photos'
import { useBench } from '~/composables/useBench'

import type { PieceReport } from '../../../core/assess'

const props = defineProps<{ about: string; name: string; pieces: readonly PieceReport[] }>()
/** The step itself, or one of the pieces that it handles. */
const subject = ref<string | null>(null)
const subjects = computed(() => [
  { title: 'this step', value: null },
  ...props.pieces.map(piece => ({ title: `${piece.mark} ${piece.name}`, value: piece.id })),
])
const nameOf = (about: string) => props.pieces.find(piece => piece.id === about)?.name ?? props.name
const { doc, edit } = useBench()
const shown = computed(() => new Set([props.about, ...props.pieces.map(piece => piece.id)]))
const notes = computed(() => doc.value.build.notes.filter(note => shown.value.has(note.about)))
const open = ref(false)
const text = ref('')
const fault = ref('')
const urls = reactive<Record<string, string | null>>({})
watch(
  () => props.about,
  () => {
    subject.value = null
  },
)
watch(
  notes,
  async list => {
    for (const id of list.flatMap(note => note.photos)) if (!(id in urls)) urls[id] = await photoUrl(id)
  },
  { immediate: true },
)
onUnmounted(() => {
  for (const url of Object.values(urls)) if (url) URL.revokeObjectURL(url)
})
function keep(photos: string[] = []) {
  const words = text.value.trim()
  if (!words && photos.length === 0) return
  const about = subject.value ?? props.about
  edit(`Note: ${nameOf(about)}`, draft => {
    draft.build.notes.push({
      id: `note-${crypto.randomUUID().slice(0, 13)}`,
      about,
      text: words.slice(0, 4000),
      photos,
      date: today(),
    })
  })
  text.value = ''
}
async function picture(event: Event) {
  const file = chosenFile(event)
  if (!file) return
  fault.value = ''
  try {
    keep([await addPhoto(doc.value.id, file)])
  } catch (error) {
    fault.value = `${file.name}: ${(error as Error).message}`
  }
}
const forget = (id: string) =>
  edit(`Forget a note: ${props.name}`, draft => {
    draft.build.notes = draft.build.notes.filter(note => note.id !== id)
  })
</script>

<template>
  <section class="notes" aria-label="Notes">
    <div v-for="note in notes" :key="note.id" class="note" data-note>
      <span class="quiet num">{{ note.date }}</span>
      <b v-if="note.about !== about"> {{ nameOf(note.about) }}:</b> {{ note.text }}
      <button
        type="button"
        class="plain link"
        :aria-label="`Forget the note of ${note.date}`"
        @click="forget(note.id)"
      >
        Forget
      </button>
      <span v-for="id in note.photos" :key="id" class="photo">
        <img v-if="urls[id]" :src="urls[id]!" :alt="`Picture of ${name}`" />
        <span v-else-if="urls[id] === null" class="quiet small">a picture that is not in this browser</span>
      </span>
    </div>
    <button v-if="!open" type="button" class="plain link" data-act="note" @click="open = true">
      Note or picture …
    </button>
    <div v-else class="entry">
      <v-select
        v-if="pieces.length"
        v-model="subject"
        :items="subjects"
        label="About"
        class="about"
        data-field="note-about"
      />
      <v-text-field v-model="text" label="Note" data-field="note" maxlength="4000" @keydown.enter="keep()" />
      <v-btn size="small" data-act="keep-note" :disabled="!text.trim()" @click="keep()">Keep</v-btn>
      <label class="file"
        >Picture<input
          type="file"
          accept="image/*"
          capture="environment"
          aria-label="Picture of this step"
          @change="picture"
      /></label>
    </div>
    <p v-if="fault" class="bad small" role="alert">{{ fault }}</p>
  </section>
</template>

<style scoped>
.notes {
  margin-top: 10px;
}
.note {
  padding: 4px 0;
  border-bottom: 1px solid var(--hair);
}
.photo img {
  display: block;
  max-width: 220px;
  max-height: 160px;
  margin-top: 4px;
  border-radius: 4px;
}
.link {
  text-decoration: underline;
  min-height: 32px;
  /* Reached by the keyboard, it comes out from under the bar at the foot. */
  scroll-margin-bottom: 90px;
}
.about {
  max-width: 190px;
}
.entry {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.file {
  cursor: pointer;
  text-decoration: underline;
  padding: 12px 4px;
}
.file input {
  width: 1px;
  height: 1px;
  opacity: 0;
}
.file:focus-within {
  outline: 2px solid rgb(var(--v-theme-secondary));
}
</style>
