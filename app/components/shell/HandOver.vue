<script setup lang="ts">
/** The open project to another machine and back: by the system's own share sheet, or by a code through the server. */
import { fileName } from '~/composables/download'
import { useCopies } from '~/stores/copies'
import { useProject } from '~/stores/project'

const emit = defineEmits<{ got: [text: string] }>()
const project = useProject()
const copies = useCopies()
const open = ref<boolean | null>(null)
const given = ref<{ code: string; minutes: number } | null>(null)
const typed = ref('')
const fault = ref('')
const busy = ref(false)
onMounted(async () => {
  open.value = await fetch('/api/handover')
    .then(async answer => answer.ok && ((await answer.json()) as { open: boolean }).open)
    .catch(() => false)
})

const file = () =>
  new File([project.exportText()], `${fileName(project.doc!.name)}.json`, { type: 'application/json' })
const canShare = computed(() => {
  try {
    return !!project.doc && !!navigator.canShare?.({ files: [file()] })
  } catch {
    return false
  }
})
async function share() {
  fault.value = ''
  try {
    await navigator.share({ files: [file()], title: project.doc!.name })
    await copies.taken()
  } catch (error) {
    // Closing the sheet is no fault.
    if ((error as Error).name !== 'AbortError') fault.value = `It was not shared: ${(error as Error).message}`
  }
}
async function asked<T>(what: string, ask: () => Promise<Response>, read: (answer: Response) => Promise<T>) {
  busy.value = true
  fault.value = ''
  try {
    const answer = await ask()
    if (answer.ok) return await read(answer)
    const problem = (await answer.json().catch(() => null)) as { detail?: string } | null
    fault.value = `${what}: ${problem?.detail ?? `the server answered ${answer.status}`}.`
  } catch {
    fault.value = `${what}: the server cannot be reached; take the file instead.`
  } finally {
    busy.value = false
  }
  return null
}
async function give() {
  given.value = await asked(
    'No code was given',
    () =>
      fetch('/api/handover', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: project.exportText(),
      }),
    answer => answer.json() as Promise<{ code: string; minutes: number }>,
  )
  if (given.value) await copies.taken()
}
async function get() {
  const code = typed.value.trim().toUpperCase()
  if (!code) return
  const text = await asked(
    `Nothing was fetched with ${code.slice(0, 12)}`,
    () => fetch(`/api/handover/${encodeURIComponent(code.slice(0, 12))}`),
    answer => answer.text(),
  )
  if (text === null) return
  typed.value = ''
  emit('got', text)
}
</script>

<template>
  <section aria-label="To another machine">
    <h3>To the phone, and back</h3>
    <div class="acts">
      <v-btn v-if="canShare" data-act="share" @click="share">Share the project file</v-btn>
      <v-btn v-if="open" :disabled="busy" data-act="give-code" @click="give">Give it a code</v-btn>
    </div>
    <p v-if="given" class="code" role="status" data-figure="code">
      <b class="num">{{ given.code }}</b>
      <span class="quiet">
        type it on the other machine, on this same server, within {{ given.minutes }} minutes; it works
        once</span
      >
    </p>
    <form v-if="open" class="fetch" @submit.prevent="get">
      <v-text-field v-model="typed" label="Code from the other machine" maxlength="12" data-field="code" />
      <v-btn type="submit" :disabled="busy || !typed.trim()" data-act="get-code">Fetch it</v-btn>
    </form>
    <p v-else-if="open === false" class="quiet small">
      By file or the share sheet. A server started with MARIPOSA_HANDOVER=1 also hands it over by a short
      code, from its memory, once.
    </p>
    <p v-if="fault" class="bad" role="alert" data-fault="handover">{{ fault }}</p>
  </section>
</template>

<style scoped>
.code b {
  font-size: 26px;
  letter-spacing: 0.12em;
  margin-right: 10px;
}
.fetch {
  display: flex;
  gap: 10px;
  align-items: center;
  max-width: 420px;
  margin-top: 8px;
}
</style>
