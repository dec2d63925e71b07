<script setup lang="ts">
/** How far the build is, what cures, and the schools that it goes by. */
import type { GlueId } from '../../../core/document'
import { GLUES } from '../../../core/libraries'
import { amount, worded } from '~/composables/format'
import { download, fileName } from '~/composables/download'
import { projectArchive } from '~/composables/project-archive'
import { useBench } from '~/composables/useBench'
import { spokenTime, timerLeft, useBuild } from '~/composables/useBuild'

const { doc, now, edit, project } = useBench()
const { order, progress, clock, chosen, stepAt, stopTimer } = useBuild()
const uses = [
  { id: 'joints', label: 'Glue between pieces' },
  { id: 'spars', label: 'Glue of spars, boom and mounts' },
  { id: 'hinges', label: 'Glue of hinges' },
] as const
const setGlue = (use: (typeof uses)[number], id: GlueId) =>
  edit(use.label, draft => {
    draft.build.glues[use.id] = id
  })
const setPeople = (count: number) =>
  edit('Who builds', draft => {
    draft.build.people = count
  })
const glues = GLUES.map(glue => ({ title: glue.name, value: glue.id }))
const foamed = computed(
  () =>
    Object.values(doc.value.build.glues).includes('pen') &&
    now.value.pieces.some(piece => /foam/i.test(piece.filamentName)),
)
const timers = computed(() =>
  doc.value.build.timers.map(timer => ({ ...timer, ...timerLeft(timer.ends, clock.value) })),
)
/** What the ledger allows for glue, g. */
const allowed = computed(() => now.value.ledger.find(row => row.id === 'glue')?.massG ?? 0)
const pictures = computed(() => doc.value.build.notes.flatMap(note => note.photos))
const busy = ref(false)
const fault = ref('')
async function takeAlong() {
  busy.value = true
  fault.value = ''
  try {
    const bytes = await projectArchive(toRaw(project.doc!))
    download(`${fileName(doc.value.name)}-with-pictures.zip`, bytes, 'application/zip')
  } catch (error) {
    fault.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div>
    <template v-if="order && progress">
      <p class="lead" data-figure="build-progress">
        <b class="num">{{ progress.done }}</b> of <b class="num">{{ progress.steps.length }}</b> steps
        done<template v-if="progress.skipped">, {{ progress.skipped }} skipped</template>;
        <b>{{ spokenTime(progress.leftMin) }}</b> of hands on left.
      </p>
      <v-progress-linear
        :model-value="(100 * progress.done) / progress.steps.length"
        color="primary"
        height="6"
        rounded
        :aria-label="`${progress.done} of ${progress.steps.length} steps done`"
      />
    </template>
    <section v-if="timers.length">
      <h3>Curing</h3>
      <p v-for="timer in timers" :key="timer.step" class="timer" :data-timer-of="timer.step">
        <button type="button" class="plain link" @click="chosen = timer.step">
          {{ worded(stepAt(timer.step)?.step.title ?? timer.step) }}
        </button>
        <b class="num" :class="{ bad: timer.rung }">{{
          timer.rung ? `rang ${timer.text} ago` : timer.text
        }}</b>
        <v-btn size="small" variant="text" :aria-label="'Timer off'" @click="stopTimer(timer.step)"
          >Off</v-btn
        >
      </p>
    </section>
    <h3>How it is glued</h3>
    <v-select
      v-for="use in uses"
      :key="use.id"
      :label="use.label"
      :items="glues"
      :model-value="doc.build.glues[use.id]"
      :data-field="`glue-${use.id}`"
      class="mb-2"
      @update:model-value="setGlue(use, $event)"
    />
    <p v-if="foamed" class="bad small" role="status">
      A pen melts a foamed skin back: take another glue for pieces of foamed filament.
    </p>
    <p v-if="order" class="small quiet">
      In the joints <span class="num">{{ amount(order.glueG, 'g', 1) }}</span> as reckoned from their rims, ±
      half of it; the ledger allows <span class="num">{{ amount(allowed, 'g', 1) }}</span> (Balance).
    </p>
    <v-select
      label="Who works at it"
      :items="[1, 2, 3, 4].map(value => ({ title: value === 1 ? 'one' : `${value} people`, value }))"
      :model-value="doc.build.people"
      data-field="people"
      @update:model-value="setPeople($event)"
    />
    <h3>To take along</h3>
    <v-btn size="small" :loading="busy" data-act="with-pictures" @click="takeAlong">{{
      pictures.length ? `Project and pictures (${pictures.length}, .zip)` : 'Project (.zip)'
    }}</v-btn>
    <p v-if="fault" class="bad small" role="alert">{{ fault }}</p>
  </div>
</template>

<style scoped>
.timer {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 0 0 4px;
}
.link {
  text-decoration: underline;
  text-align: left;
  flex: 1;
}
</style>
