<script setup lang="ts">
/**
 * The same design at the sizes that spar stock allows: what flies, what it takes to print, what no longer
 * fits.
 */
import { proposals } from '~/composables/sizes'
import type { ProjectFile } from '../../../core/document'
import type { Words } from '../../../core/units'
import { BOLTS } from '../../../core/libraries'
import { sizeChoices, type FittingGap, type SizeReport } from '../../../core/study/sizes'
import { amount, figure, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, project } = useBench()
const core = useCore('aside')
const family = computed(() => sizeChoices(doc.value))
const own = computed(
  () => family.value?.choices.find(item => Math.abs(item.factor - 1) < 1e-9)?.stock ?? null,
)
/** Sizes besides the present one, by stock; the neighbours to begin with. */
const picked = useState<string[] | null>('size-stocks', () => null)
const stocks = computed(() => picked.value ?? proposals(family.value?.choices ?? []))
const free = useState<number | null>('size-factor', () => null)
/** Wing bolts chosen, by size; where none is, the nearest. */
const bolts = useState<Record<string, number>>('size-bolts', () => ({}))
const keyOf = (factor: number) => factor.toFixed(3)
const rows = shallowRef<Array<SizeReport | { factor: number; refused: true }>>([])
const busy = ref(false),
  fault = ref('')
/** The design that the sizes belong to. */
const computedFor = shallowRef<ProjectFile | null>(null)
let asked = 0
async function compute() {
  const mine = ++asked
  busy.value = true
  await new Promise(resolve => setTimeout(resolve, 300))
  if (mine !== asked) return
  const subject = toRaw(doc.value),
    list: typeof rows.value = []
  computedFor.value = subject
  const wanted = [
    { factor: 1, stock: own.value },
    ...(family.value?.choices ?? [])
      .filter(item => stocks.value.includes(item.stock))
      .map(item => ({ factor: item.factor, stock: item.stock as string | null })),
    ...(free.value ? [{ factor: free.value, stock: null }] : []),
  ].sort((a, b) => a.factor - b.factor)
  try {
    for (const { factor, stock } of wanted) {
      const found = await core.size(subject, { factor, stock, boltMm: bolts.value[keyOf(factor)] ?? null })
      if (mine !== asked) return
      list.push(found ?? { factor, refused: true })
      rows.value = [...list]
    }
    fault.value = ''
  } catch (error) {
    if (mine === asked) fault.value = (error as Error).message
  } finally {
    if (mine === asked) busy.value = false
  }
}
watch([doc, stocks, free, bolts], compute, { immediate: true })
onScopeDispose(() => {
  asked++
})
const reports = computed(() => rows.value.filter((row): row is SizeReport => !('refused' in row)))
const refused = computed(() => rows.value.filter(row => 'refused' in row))
const nameOf = (row: SizeReport) =>
  family.value?.choices.find(
    item => item.stock === (row.stock ?? row.doc.spars.find(spar => spar.id === family.value!.spar)?.stock),
  )?.name ?? 'no spar'
function gapWords({ gapMm, wantedMm }: FittingGap): string {
  if (gapMm < 0) return `${amount(-gapMm, 'mm', 2)} too tight: drill it`
  if (gapMm < 0.03) return 'hardly any gap: drill it'
  return gapMm > wantedMm + 0.4
    ? `${amount(gapMm, 'mm', 2)} of gap: sleeve it`
    : `gap ${amount(gapMm, 'mm', 2)}`
}
const off = ({ gapMm, wantedMm }: FittingGap) => gapMm < 0.03 || gapMm > wantedMm + 0.4
const parts = computed(() => reports.value[0]?.gaps.map(({ id, name }) => ({ id, name })) ?? [])
/** A stock's name without what its family shares. */
const shortStock = (name: Words) =>
  worded(name)
    .replace(/^Carbon /, '')
    .replace(/,.*$/, '')
const gapOf = (row: SizeReport, id: string) => row.gaps.find(item => item.id === id)
const LINES: Array<[string, (row: SizeReport) => string]> = [
  ['Span', row => `${amount(row.spanMm, 'mm')}`],
  ['Flying weight', row => `${amount(row.massG, 'g')}`],
  ['of it printed', row => `${amount(row.printedG, 'g')}`],
  ['Wing loading', row => `${amount(row.loadingGdm2, 'g/dm²', 1)}`],
  ['Cubic loading', row => `${figure(row.cubicLoading, 1)} kg/m³`],
  ['Reynolds number at the stall', row => `${figure(row.reynolds / 1000)} 000`],
  ['Stall', row => `${figure(row.stallMs, 1)} m/s`],
  ['Static margin', row => `${figure(row.staticMarginPct, 1)} %`],
  ['Greatest load', row => `${amount(row.loadFactor, 'gₙ', 1)}, ${row.loadBy}`],
  ['Bending at the root', row => `${figure(row.rootMoment, 2)} N·m`],
  ['Least reserve', row => figure(row.reserve, 2)],
  ['Hours', row => `${figure(row.hours, 1)} h`],
  ['Longest piece', row => `${amount(row.largestMm, 'mm')}`],
]
const keep = (row: SizeReport) => project.said(() => project.add(row.doc))
async function cutForAll() {
  const largest = reports.value.reduce((a, b) => (b.factor > a.factor ? b : a))
  const subject = computedFor.value
  const cuts = await core.cutsForAll(largest.doc, largest.factor)
  project.takeOffer(`Cuts that serve up to × ${figure(largest.factor, 2)}`, { cuts }, subject)
}
</script>

<template>
  <div>
    <div class="top">
      <v-select
        v-if="family"
        :model-value="stocks"
        :items="
          family.choices
            .filter(item => item.stock !== own)
            .map(item => ({ title: `${item.name}: × ${figure(item.factor, 3)}`, value: item.stock }))
        "
        :label="`${family.name} in another size`"
        multiple
        chips
        density="compact"
        data-field="size-stock"
        @update:model-value="picked = $event"
      />
      <p v-else class="quiet">No spar in the wing sets a size: give a factor.</p>
      <FigureField
        label="or a factor"
        :model-value="free"
        unit="×"
        :min="0.2"
        :max="5"
        :digits="3"
        optional
        data-field="size-factor"
        @update:model-value="free = $event"
      />
    </div>
    <p class="lead">
      The bore keeps its gap: factor (d₂ + c)/(d₁ + c). Every length of the airframe grows by it; components,
      beads, walls and layers stay, and the other spars, the boom and the wing bolts come in the stock that is
      nearest. What was weighed belongs to the present size and is left out.
    </p>
    <p v-if="fault" class="bad" role="alert">{{ fault }}</p>
    <p v-for="row in refused" :key="row.factor" class="bad small">
      × {{ figure(row.factor, 2) }}: a figure would leave what a project may hold.
    </p>
    <div class="scroll">
      <table v-if="reports.length" class="ledger" :aria-busy="busy" data-table="sizes">
        <thead>
          <tr>
            <th />
            <th v-for="row in reports" :key="row.factor" class="r" :data-size="figure(row.factor, 3)">
              × {{ figure(row.factor, 3) }}
              <div class="small quiet">{{ nameOf(row).replace(/^Carbon /, '') }}</div>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="[label, text] in LINES" :key="label">
            <td>{{ label }}</td>
            <td
              v-for="row in reports"
              :key="row.factor"
              class="r num"
              :class="{ bad: label === 'Least reserve' && row.reserve < 1 }"
            >
              {{ text(row) }}
            </td>
          </tr>
          <tr v-if="reports.some(row => row.boltMm !== null)">
            <td>Wing bolts</td>
            <td v-for="row in reports" :key="row.factor" class="r num">
              <select
                v-if="row.boltMm !== null"
                :value="row.boltMm"
                :disabled="Math.abs(row.factor - 1) < 1e-9"
                aria-label="Wing bolts"
                :data-bolt="figure(row.factor, 3)"
                @change="
                  bolts = {
                    ...bolts,
                    [keyOf(row.factor)]: Number(($event.target as HTMLSelectElement).value),
                  }
                "
              >
                <option
                  v-for="mm in [...new Set([...BOLTS, row.boltMm])].sort((a, b) => a - b)"
                  :key="mm"
                  :value="mm"
                >
                  {{ mm }} mm
                </option>
              </select>
            </td>
          </tr>
          <tr>
            <td>No longer fits</td>
            <td v-for="row in reports" :key="row.factor" class="r small wrap">
              <template v-if="row.broken.length"
                ><div
                  v-for="(item, i) in row.broken.slice(0, 3)"
                  :key="i"
                  :title="worded(item.text)"
                  :class="item.severity === 'stop' ? 'bad' : 'warn'"
                >
                  {{ worded(item.where) }}
                </div>
                <div v-if="row.broken.length > 3" class="quiet">
                  and {{ row.broken.length - 3 }} more
                </div></template
              ><span v-else class="quiet">{{
                Math.abs(row.factor - 1) < 1e-9 ? 'as it is' : 'everything fits'
              }}</span>
            </td>
          </tr>
          <tr>
            <td />
            <td v-for="row in reports" :key="row.factor" class="r">
              <v-btn v-if="Math.abs(row.factor - 1) > 1e-9" size="x-small" @click="keep(row)"
                >As a project</v-btn
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <template v-if="reports.length > 1 && parts.length"
      ><h3>One set of files for all</h3>
      <p class="small quiet">
        Files of the present size scaled in the slicer scale their bores too. What then goes into each, and
        the gap it finds:
      </p>
      <div class="scroll">
        <table class="ledger" data-table="gaps">
          <tbody>
            <tr v-for="part in parts" :key="part.id">
              <td>{{ part.name }}</td>
              <td v-for="row in reports" :key="row.factor" class="r small wrap">
                <template v-if="gapOf(row, part.id)"
                  ><div>
                    {{ shortStock(gapOf(row, part.id)!.stock) }}
                  </div>
                  <div
                    :class="off(gapOf(row, part.id)!) ? 'warn' : 'quiet'"
                    :data-gap="`${part.id} ${figure(row.factor, 3)}`"
                  >
                    {{ gapWords(gapOf(row, part.id)!) }}
                  </div></template
                >
              </td>
            </tr>
          </tbody>
        </table>
      </div></template
    >
    <p v-if="busy" class="small quiet" role="status">Building and assessing each size …</p>
    <div v-if="reports.length > 1" class="all">
      <p class="small">Cut for the largest, so that no piece of that set outgrows its bed.</p>
      <v-btn size="small" data-act="cut-for-all" @click="cutForAll">Cut for the largest</v-btn>
    </div>
  </div>
</template>

<style scoped>
.top {
  display: grid;
  grid-template-columns: 1fr 150px;
  gap: 16px;
  align-items: start;
  margin-top: 8px;
}
.scroll {
  overflow-x: auto;
}
.wrap {
  white-space: normal !important;
  min-width: 110px;
}
.all {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 16px;
  align-items: center;
}
@media (max-width: 700px) {
  .top,
  .all {
    grid-template-columns: 1fr;
  }
}
.ledger select {
  border: 0;
  border-bottom: 1px solid var(--quiet);
  background: none;
  color: inherit;
  font: inherit;
}
.ledger option {
  background: rgb(var(--v-theme-background));
}
</style>
