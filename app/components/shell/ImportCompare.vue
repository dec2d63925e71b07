<script setup lang="ts">
/**
 * A project that is here already comes in once more: how the two differ, part by part, and what each is taken from.
 * What was done and noted is kept from both.
 */
import { useCore } from '~/composables/useCore'
import { amount, amountOf, signedAmountOf } from '~/composables/format'
import type { DesignComparison } from '../../../core/study/compared'
import { canonical, DocumentError, mergeCopies, partDifferences } from '../../../core/document'
import type { Copy, ProjectFile } from '../../../core/document'
import { useProject } from '~/stores/project'

const { here, there } = defineProps<{ here: ProjectFile; there: ProjectFile }>()
const emit = defineEmits<{ done: []; fault: [error: unknown] }>()
const project = useProject()
const core = useCore('aside')

const parts = computed(() => partDifferences(toRaw(here), toRaw(there)))
const COPIES = [
  { id: 'here', label: 'here' },
  { id: 'there', label: 'file' },
]
const takes = ref<Record<string, Copy>>({})
const all = (copy: Copy) => {
  takes.value = Object.fromEntries(parts.value.map(({ key }) => [key, copy]))
}
watch(parts, () => all('here'), { immediate: true })

const unfit = ref('')
const whole = shallowRef<ProjectFile | null>(null)
watch(
  [() => here, () => there, takes],
  () => {
    unfit.value = ''
    try {
      whole.value = mergeCopies(toRaw(here), toRaw(there), toRaw(takes.value))
    } catch (error) {
      if (!(error instanceof DocumentError)) throw error
      whole.value = null
      unfit.value = error.message
    }
  },
  { immediate: true, deep: true },
)

/** What comes in besides the design: how many of each the other copy has more. */
const RECORDS = [
  ['flights', 'flight', 'flights'],
  ['weighIns', 'weighing', 'weighings'],
  ['checks', 'check', 'checks'],
  ['plates', 'plate', 'plates'],
  ['proofs', 'test', 'tests'],
  ['damages', 'damage', 'damages'],
  ['wishes', 'wish', 'wishes'],
] as const
const more = computed(() =>
  whole.value
    ? RECORDS.flatMap(([key, one, many]) => {
        const n = whole.value![key].length - here[key].length
        return n > 0 ? [`${n} ${n === 1 ? one : many}`] : []
      })
    : [],
)
const same = computed(() => canonical(here) === canonical(there))
const changes = computed(() => !!whole.value && canonical(whole.value) !== canonical(here))

const comparison = shallowRef<DesignComparison | null>(null)
const failed = ref('')
watch(
  whole,
  async to => {
    if (!to || same.value) return
    comparison.value = null
    failed.value = ''
    try {
      const own = await core.compareDesigns(toRaw(here), to)
      if (to === whole.value) comparison.value = own.comparison
    } catch (error) {
      failed.value = (error as Error).message
    }
  },
  { immediate: true },
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
const merge = () => settle(() => project.takeOver(whole.value!))
</script>

<template>
  <section class="compare" data-import="compare">
    <h3>{{ there.name }} is here already</h3>
    <p v-if="same" data-same>The file holds exactly what is kept here.</p>
    <template v-else>
      <p data-figure="records">
        Kept from both: flights, weighings, checks and all else that was noted{{
          more.length ? `; ${more.join(', ')} come in` : '; nothing of that is new here'
        }}.
      </p>
      <template v-if="parts.length">
        <p class="quiet">
          {{ parts.length }} {{ parts.length === 1 ? 'part' : 'parts' }} of the design differ: choose where
          each comes from.
        </p>
        <div class="acts">
          <v-btn size="small" @click="all('here')">All from here</v-btn>
          <v-btn size="small" data-act="all-there" @click="all('there')">All from the file</v-btn>
        </div>
        <ul class="parts">
          <li v-for="part in parts" :key="part.key" :data-part="part.key">
            <div>
              <b>{{ part.label }}</b>
              <div v-if="part.lacks" class="small quiet">
                only {{ part.lacks === 'here' ? 'in the file' : 'here' }}
              </div>
              <div v-for="leaf in part.differs" :key="leaf.path" class="small num leaf">
                <span class="quiet">{{ leaf.path || 'is' }}</span> {{ leaf.here }} | {{ leaf.there }}
              </div>
              <div v-if="part.more" class="small quiet">and {{ part.more }} more</div>
            </div>
            <PickOne
              boxed
              mark="copy"
              :label="part.label"
              :options="
                COPIES.map(({ id, label }) => ({
                  id,
                  label: part.lacks === id ? `${label}: without` : label,
                }))
              "
              :model-value="takes[part.key] ?? 'here'"
              @update:model-value="takes[part.key] = $event as Copy"
            />
          </li>
        </ul>
      </template>
      <p v-if="unfit" class="bad" role="alert" data-fault="merge">
        These parts do not fit each other: {{ unfit }}. Take what belongs together from one of them.
      </p>
      <table v-else-if="comparison && parts.length" class="rows">
        <thead>
          <tr>
            <th />
            <th>here</th>
            <th>as chosen</th>
            <th>difference</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in comparison.verdicts" :key="row.wing">
            <th scope="row">{{ row.label }}</th>
            <td class="num">{{ amountOf(row.before, row.unit, row.digits) }}</td>
            <td class="num">{{ amount(row.after, row.unit, row.digits) }}</td>
            <td class="num quiet">{{ signedAmountOf(row.after - row.before, row.unit, row.digits) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-else-if="parts.length" class="quiet">{{ failed || 'Comparing …' }}</p>
    </template>
    <div class="acts">
      <v-btn v-if="!same" color="primary" variant="flat" :disabled="!changes" data-act="merge" @click="merge"
        >Bring together as chosen</v-btn
      >
      <v-btn v-if="!same" data-act="keep-both" @click="keepBoth">Keep both as projects</v-btn>
      <v-btn variant="text" data-act="leave-import" @click="emit('done')">Leave everything as it is</v-btn>
    </div>
    <p v-if="!same" class="small quiet">It becomes one step that can be undone.</p>
  </section>
</template>

<style scoped>
.compare {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding-left: 12px;
  margin-bottom: 12px;
}
.parts {
  list-style: none;
  padding: 0;
  margin: 6px 0 10px;
}
.parts li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
  padding: 5px 0;
  border-bottom: 1px solid var(--hair);
}
.leaf {
  overflow-wrap: anywhere;
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
