<script setup lang="ts">
/** A machine file from any slicing program, held against the piece that it should print. */
import { proxy } from 'comlink'
import type { FileVerdict } from '../../../core/workshop/print-room'
import { MAX_MACHINE_BYTES } from '../../../core/printing'
import { amount, figure, today, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, now, edit, project } = useBench()
const core = useCore('aside')
const chooser = ref<HTMLInputElement>()
const over = ref(false)
const piece = ref('')
const progress = ref<{ done: number; of: number } | null>(null)
const fault = ref(''),
  name = ref('')
type Found = FileVerdict & { reserves: Record<string, number>; reserve: number }
const found = shallowRef<Found | null>(null)
const of = shallowRef<unknown>(null)
let stop = false
async function check(file: File | null) {
  if (!file) return
  fault.value = ''
  found.value = null
  name.value = file.name
  if (file.size > MAX_MACHINE_BYTES) {
    fault.value = `${file.name} has ${figure(file.size / 1e6)} MB; at most ${MAX_MACHINE_BYTES / 1e6} MB are read.`
    return
  }
  stop = false
  progress.value = { done: 0, of: 1 }
  const asked = project.doc
  try {
    found.value = await core.checkFile(
      toRaw(project.doc!),
      file,
      piece.value || null,
      proxy((done: number, all: number) => {
        progress.value = { done, of: all }
        return !stop
      }),
    )
    of.value = asked
  } catch (error) {
    fault.value = `It was not read. ${(error as Error).message}.`
  } finally {
    progress.value = null
  }
}
function drop(event: DragEvent) {
  over.value = false
  void check(event.dataTransfer?.files[0] ?? null)
}
const verdictOf = (id: string) => doc.value.fileChecks.findLast(item => item.piece === id)
function keep(check: Found['pieces'][number], verdict: 'accepted' | 'sent-back') {
  const words = check.rows
    .filter(row => row.does !== null)
    .map(row => `${row.what}: ${worded(row.found)} instead of ${worded(row.wanted)}; ${worded(row.does)}`)
    .join('. ')
  edit(`${check.name}: machine file ${verdict === 'accepted' ? 'accepted' : 'sent back'}`, draft => {
    draft.fileChecks.push({ piece: check.piece, date: today(), verdict, found: words.slice(0, 4000) })
  })
}
const stale = computed(() => found.value !== null && of.value !== doc.value && !sameDesign.value)
/** A verdict that was kept is an edit, and changes nothing about the piece. */
const sameDesign = computed(() => {
  const before = of.value as typeof doc.value | null
  return (
    before !== null &&
    before.zones === doc.value.zones &&
    before.wing === doc.value.wing &&
    before.body === doc.value.body
  )
})
</script>

<template>
  <div>
    <div
      class="drop"
      :class="{ over }"
      data-drop="machine-file"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="drop"
    >
      <p>
        <b>Drop a machine file here</b>, from any slicing program, up to {{ MAX_MACHINE_BYTES / 1e6 }} MB. It
        is read where you are and goes nowhere. What it prints is found from its moves alone.
      </p>
      <div class="row">
        <v-btn data-act="choose-machine-file" @click="chooser?.click()">Choose a file</v-btn>
        <v-select
          v-model="piece"
          :items="[
            { title: 'Find out which piece it is', value: '' },
            ...now.pieces.map(p => ({ title: p.name, value: p.id })),
          ]"
          label="It should print"
          class="which"
          data-field="check-piece"
        />
      </div>
      <input
        ref="chooser"
        type="file"
        accept=".gcode,.gco,.g,.nc,.txt"
        class="sr"
        aria-label="Machine file to check"
        @change="check(chosenFile($event) ?? null)"
      />
    </div>
    <div v-if="progress" role="status">
      <v-progress-linear :model-value="(100 * progress.done) / progress.of" height="8" />
      <v-btn size="small" @click="stop = true">Stop</v-btn>
    </div>
    <p v-if="fault" class="bad" role="alert" data-fault="check">{{ fault }}</p>
    <template v-if="found">
      <p class="small" :class="{ quiet: stale }">
        {{ name }}: {{ figure(found.file.seconds / 3600, 2) }} h on the printer,
        {{ found.file.layers }} layers, {{ figure(found.file.moves) }} moves<template v-if="stale"
          >, read before the last edit</template
        >.
        <b v-if="found.strangers" class="bad"
          >{{ found.strangers }} {{ found.strangers === 1 ? 'thing in it is' : 'things in it are' }} no piece
          of this project.</b
        >
      </p>
      <section v-for="one in found.pieces" :key="one.piece" :data-check="one.piece">
        <h3>
          {{ one.name }}:
          <span v-if="one.differs.length" class="bad" data-verdict="send-back">send it back</span
          ><span v-else class="good" data-verdict="accept">as it should be</span>
        </h3>
        <p v-if="found.reserves[one.piece] !== undefined" class="small">
          Were all of its zone printed so, the least reserve would go from
          <b class="num">{{ figure(found.reserve, 2) }}</b> to
          <b class="num" data-figure="reserve-as-found">{{ figure(found.reserves[one.piece], 2) }}</b>, and
          this piece from {{ amount(one.wantedG, 'g', 1) }} to {{ amount(one.foundG, 'g', 1) }}.
        </p>
        <table class="ledger" data-table="check">
          <thead>
            <tr>
              <th>What</th>
              <th class="r">Wanted</th>
              <th class="r">Found</th>
              <th>What it will do</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="row in one.rows"
              :key="row.code"
              :data-row="row.code"
              :class="{ bad: row.does !== null }"
            >
              <td>{{ row.what }}</td>
              <td class="r num">{{ worded(row.wanted) }}</td>
              <td class="r num">{{ worded(row.found) }}</td>
              <td>{{ row.does === null ? '' : worded(row.does) }}</td>
            </tr>
          </tbody>
        </table>
        <div class="row acts">
          <v-btn
            :color="one.differs.length ? undefined : 'primary'"
            :variant="one.differs.length ? 'outlined' : 'flat'"
            data-act="accept-file"
            @click="keep(one, 'accepted')"
            >{{ one.differs.length ? 'Accept it all the same' : 'Accept' }}</v-btn><v-btn
            data-act="send-back"
            @click="keep(one, 'sent-back')"
            >Send it back</v-btn
          >
          <span v-if="verdictOf(one.piece)" class="small quiet"
            >kept: {{ verdictOf(one.piece)!.verdict === 'accepted' ? 'accepted' : 'sent back' }},
            {{ verdictOf(one.piece)!.date }}</span
          >
        </div>
      </section>
    </template>
    <template v-else-if="!progress && doc.fileChecks.length">
      <h3>Checked so far</h3>
      <ul class="small">
        <li v-for="(item, i) in [...doc.fileChecks].reverse().slice(0, 12)" :key="i">
          {{ now.pieces.find(p => p.id === item.piece)?.name ?? item.piece }}, {{ item.date }}:
          <b :class="item.verdict === 'accepted' ? 'good' : 'bad'">{{
            item.verdict === 'accepted' ? 'accepted' : 'sent back'
          }}</b><template v-if="item.found">. {{ item.found }}</template>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.drop {
  border: 1.5px dashed var(--hair);
  border-radius: 8px;
  padding: 12px 16px;
}
.drop.over {
  border-color: rgb(var(--v-theme-primary));
  background: rgba(var(--v-theme-primary), 0.08);
}
.row {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
.which {
  max-width: 320px;
}
.acts {
  margin: 8px 0 16px;
}
tr.bad td:first-child {
  font-weight: 650;
}
</style>
