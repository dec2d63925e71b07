<script setup lang="ts">
/** Full fidelity on demand: every layer of every piece sliced and replayed, beside the live estimate. */
import { proxy } from 'comlink'
import type { EveryLayer } from '../../../core/workshop/export'
import { amount, figure, signed } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { project, now, doc } = useBench()
const core = useCore('aside')
const progress = ref<{ done: number; of: number; name: string } | null>(null)
const rows = shallowRef<EveryLayer[]>([])
const of = shallowRef<unknown>(null)
const fault = ref('')
let stop = false
async function slice() {
  stop = false
  fault.value = ''
  progress.value = { done: 0, of: 1, name: 'starting' }
  const asked = project.doc
  try {
    const found = await core.everyLayer(
      toRaw(project.doc!),
      proxy((done: number, all: number, name: string) => {
        progress.value = { done, of: all, name }
        return !stop
      }),
    )
    if (found) {
      rows.value = found
      of.value = asked
    }
  } catch (error) {
    fault.value = (error as Error).message
  } finally {
    progress.value = null
  }
}
const stale = computed(() => rows.value.length > 0 && of.value !== doc.value)
const piece = (id: string) => now.value.pieces.find(item => item.id === id)
const off = (full: number, live: number) => `${signed(100 * (live / full - 1), 1)} %`
const layers = computed(() => rows.value.reduce((sum, row) => sum + row.layers, 0))
</script>

<template>
  <div class="acts">
    <v-btn data-act="every-layer" :disabled="!!progress" @click="slice">Slice every layer</v-btn
    ><v-btn v-if="progress" @click="stop = true">Stop</v-btn>
  </div>
  <div v-if="progress" role="status">
    <v-progress-linear :model-value="(100 * progress.done) / progress.of" height="8" />
    <p class="quiet small">{{ progress.done }} of {{ progress.of }}: {{ progress.name }}</p>
  </div>
  <p v-if="fault" class="bad small" role="alert">{{ fault }}</p>
  <template v-if="rows.length">
    <p class="small" :class="{ quiet: stale }" data-every-layer>
      {{ layers }} layers sliced and replayed{{ stale ? ', before the last edit' : '' }}. Beside them, how far
      the live estimate is off:
    </p>
    <table class="ledger" data-table="every-layer">
      <thead>
        <tr>
          <th>Piece</th>
          <th class="r">Mass</th>
          <th class="r">off</th>
          <th class="r">Time</th>
          <th class="r">off</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.piece" :data-row="row.piece">
          <td class="num" :title="piece(row.piece)?.name">{{ piece(row.piece)?.mark ?? row.piece }}</td>
          <td class="r num">{{ amount(row.massG, 'g', 1) }}</td>
          <td class="r num">{{ off(row.massG, row.liveMassG) }}</td>
          <td class="r num">{{ figure(row.hours, 2) }} h</td>
          <td class="r num">{{ off(row.hours, row.liveHours) }}</td>
        </tr>
      </tbody>
    </table>
  </template>
</template>
