<script setup lang="ts">
/** A project file whose project is here already: how the two differ, and what shall become of it. */
import { useCore } from '~/composables/useCore'
import { figure, signed } from '~/composables/format'
import type { DesignComparison } from '../../../core/study/compared'
import type { ProjectFile } from '../../../core/document'
import { useProject } from '~/stores/project'

const { here, there } = defineProps<{ here: ProjectFile; there: ProjectFile }>()
const emit = defineEmits<{ done: []; fault: [error: unknown] }>()
const project = useProject()
const core = useCore('aside')
const comparison = shallowRef<DesignComparison | null>(null)
const failed = ref('')
watch(
  () => [here, there] as const,
  async ([from, to]) => {
    comparison.value = null
    try {
      comparison.value = (await core.compareDesigns(toRaw(from), toRaw(to))).comparison
    } catch (error) {
      failed.value = (error as Error).message
    }
  },
  { immediate: true },
)
const differing = computed(() =>
  (Object.keys(there) as Array<keyof ProjectFile>).filter(
    key => JSON.stringify(here[key]) !== JSON.stringify(there[key]),
  ),
)
async function settle(work: () => Promise<unknown>) {
  try {
    await work()
    emit('done')
  } catch (error) {
    emit('fault', error)
  }
}
const keepBoth = () => settle(() => project.add(there))
const takeOver = () => settle(() => project.takeOver(there))
</script>

<template>
  <section class="compare" data-import="compare">
    <h3>{{ there.name }} is here already</h3>
    <p v-if="!differing.length" data-same>The file holds exactly what is kept here.</p>
    <template v-else>
      <p>The file differs in: {{ differing.join(', ') }}.</p>
      <table v-if="comparison" class="rows">
        <thead>
          <tr>
            <th />
            <th>here</th>
            <th>file</th>
            <th>difference</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in comparison.verdicts" :key="row.wing">
            <th scope="row">{{ row.label }}</th>
            <td class="num">{{ figure(row.before, row.digits) }}</td>
            <td class="num">{{ figure(row.after, row.digits) }} {{ row.unit }}</td>
            <td class="num quiet">{{ signed(row.after - row.before, row.digits) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-else class="quiet">{{ failed || 'Comparing …' }}</p>
    </template>
    <div class="acts">
      <v-btn v-if="differing.length" color="primary" variant="flat" data-act="keep-both" @click="keepBoth"
        >Keep both</v-btn
      >
      <v-btn v-if="differing.length" data-act="take-over" @click="takeOver"
        >Take the file's design as an edit</v-btn
      >
      <v-btn variant="text" data-act="leave-import" @click="emit('done')">Leave everything as it is</v-btn>
    </div>
  </section>
</template>

<style scoped>
.compare {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding-left: 12px;
  margin-bottom: 12px;
}
.rows th {
  text-align: left;
  font-weight: 400;
  padding-right: 16px;
}
.rows {
  margin-bottom: 10px;
}
.rows thead th {
  text-align: right;
  font-size: 12.5px;
  color: var(--quiet);
}
.rows td {
  text-align: right;
  padding-right: 16px;
}
</style>
