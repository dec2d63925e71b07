<script setup lang="ts">
/**
 * Single changes that would help the wing most in need, or the one whose why is open: pressed once they are
 * looked at, pressed again they are made.
 */
import { proxy } from 'comlink'
import type { WingName } from '../../../core/assess'
import type { ProjectFile } from '../../../core/document'
import { neediest, ranked, WINGS, type Nudge } from '../../../core/study/nudges'
import { figure, signed, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'
import { useAssessment } from '~/stores/assessment'
import { until, useElementVisibility, useStorage } from '@vueuse/core'

const { doc, now, project, look } = useBench()
const assessment = useAssessment()
const LABEL: Record<WingName, string> = {
  weight: 'Weight',
  balance: 'Balance',
  strength: 'Strength',
  hours: 'Hours',
}
const UNIT: Record<WingName, string> = { weight: 'g', balance: '%', strength: '×', hours: 'h' }
const DIGITS: Record<WingName, number> = { weight: 1, balance: 1, strength: 2, hours: 1 }
/** Dragging and typing are not followed step by step: so long after the answer was painted, ms. */
const REST_MS = 120
const SHOWN = 6
const wing = computed<WingName>(() => look.why ?? neediest(doc.value, now.value))
const parts = shallowRef<[Nudge[], Nudge[]]>([[], []])
const done = ref([0, 0]),
  of = ref([0, 0])
const busy = ref(false),
  fault = ref('')
/** The document and wing that what is shown belongs to. */
const shownFor = shallowRef<{ doc: ProjectFile; wing: WingName } | null>(null)
const painted = () =>
  new Promise<void>(resolve => requestAnimationFrame(() => requestAnimationFrame(() => resolve())))
/** Nobody reads what lies under the edge: it is computed when it comes near. */
const root = ref<HTMLElement | null>(null)
const near = useElementVisibility(root, { rootMargin: '0px 0px 240px 0px' })
/** Trying what would help takes both cores for seconds after every edit: on a slow or unplugged computer it can wait. */
const when = useStorage<'always' | 'asked'>('mariposa-nudges', 'always')
const askedFor = shallowRef<{ doc: ProjectFile; wing: WingName } | null>(null)
const isAsked = computed(
  () =>
    when.value === 'always' ||
    (askedFor.value?.doc === toRaw(doc.value) && askedFor.value.wing === wing.value),
)
const ask = () => {
  askedFor.value = { doc: toRaw(doc.value), wing: wing.value }
}
let wholeFor: { doc: ProjectFile; wing: WingName } | null = null
let asked = 0
async function search() {
  const own = ++asked
  if (!near.value || !isAsked.value) {
    busy.value = false
    return
  }
  if (wholeFor?.doc === toRaw(doc.value) && wholeFor.wing === wing.value) return
  busy.value = true
  look.ghost = null
  // The verdicts of the edit come first: nothing is tried before they stand on the screen.
  if (!assessment.fresh) await until(() => assessment.fresh).toBe(true)
  await painted()
  await new Promise(resolve => setTimeout(resolve, REST_MS))
  if (own !== asked) return
  const subject = toRaw(doc.value),
    forWing = wing.value
  parts.value = [[], []]
  done.value = [0, 0]
  shownFor.value = { doc: subject, wing: forWing }
  fault.value = ''
  try {
    await Promise.all(
      (['study', 'aside'] as const).map(async (name, k) => {
        const put = (found: Nudge[]) => {
          if (own === asked) parts.value = k ? [parts.value[0], found] : [found, parts.value[1]]
        }
        put(
          await useCore(name).nudges(
            subject,
            forWing,
            [k, 2],
            proxy((count: number, all: number, found: Nudge[]) => {
              if (own === asked) {
                done.value[k] = count
                of.value[k] = all
                put(found)
              }
              return own === asked
            }),
          ),
        )
      }),
    )
  } catch (error) {
    if (own === asked) fault.value = (error as Error).message
  }
  if (own !== asked) return
  busy.value = false
  if (!fault.value) wholeFor = { doc: subject, wing: forWing }
}
watch([doc, wing, near, isAsked], search)
onScopeDispose(() => {
  asked++
  look.ghost = null
})
const stage = computed(() => {
  if (fresh.value && of.value[0]! + of.value[1]! > 0)
    return `Tried ${figure(done.value[0]! + done.value[1]!)} of ${of.value[0]! + of.value[1]!}`
  return assessment.fresh ? 'Looking for changes to try' : 'Waiting for the last edit to settle'
})
const list = computed(() => ranked([...parts.value[0], ...parts.value[1]]).slice(0, SHOWN))
const fresh = computed(() => shownFor.value?.doc === toRaw(doc.value) && shownFor.value.wing === wing.value)
const SHAPED: ReadonlyArray<keyof ProjectFile> = ['wing', 'tail', 'cuts', 'body', 'spars']
async function press(nudge: Nudge) {
  if (look.ghost?.id === nudge.id) {
    look.ghost = null
    project.takeOffer(worded(nudge.title), nudge.change, shownFor.value?.doc ?? null)
    return
  }
  const ghost = { id: nudge.id, after: nudge.after, drawing: null }
  look.ghost = ghost
  if (!SHAPED.some(key => key in nudge.change)) return
  const drawing = await useCore('study').drawing({ ...toRaw(doc.value), ...nudge.change })
  if (look.ghost?.id === ghost.id) look.ghost = { ...ghost, drawing }
}
const good = (name: WingName, by: number) =>
  name === 'balance' || Math.abs(by) < 0.5 * 10 ** -DIGITS[name] ? null : (name === 'strength' ? by : -by) > 0
</script>

<template>
  <section
    ref="root"
    class="nudges"
    :aria-busy="busy"
    data-nudges
    aria-label="Single changes that would help"
  >
    <h3>What would help {{ LABEL[wing] }}</h3>
    <p class="quiet small">
      {{ look.why ? 'The wing you opened.' : 'The wing most in need.' }} One change each, computed on the
      whole aircraft: least harm for the help first. Press to look, press again to take it.
    </p>
    <p v-if="fault" class="bad small" role="alert">{{ fault }}</p>
    <div v-if="fresh && list.length" class="prices head" aria-hidden="true">
      <span v-for="name in WINGS" :key="name">{{ LABEL[name] }}</span>
    </div>
    <ul v-if="fresh && list.length">
      <li v-for="item in list" :key="item.id">
        <button
          type="button"
          class="plain nudge"
          :class="{ on: look.ghost?.id === item.id }"
          :aria-pressed="look.ghost?.id === item.id"
          :data-nudge="item.id"
          @click="press(item)"
        >
          <b>{{ worded(item.title) }}</b>
          <span class="prices"
            ><span
              v-for="name in WINGS"
              :key="name"
              class="num"
              :class="{
                better: good(name, item.price[name]) === true,
                worse: good(name, item.price[name]) === false,
                main: name === wing,
              }"
              :title="LABEL[name]"
              ><span class="sr">{{ LABEL[name] }} </span>{{ signed(item.price[name], DIGITS[name]) }}
              {{ UNIT[name] }}</span
            ></span
          >
          <span v-if="look.ghost?.id === item.id" class="small take">Press again to take it</span>
        </button>
      </li>
    </ul>
    <p v-if="busy" class="small quiet" role="status">{{ stage }} …</p>
    <v-btn v-else-if="!isAsked" variant="outlined" size="small" class="ask" data-act="ask-nudges" @click="ask"
      >Try what would help {{ LABEL[wing] }}</v-btn
    >
    <p v-else-if="fresh && !list.length" class="small quiet">
      No single change helps {{ LABEL[wing] }} without stopping the build elsewhere.
    </p>
    <v-checkbox
      v-model="when"
      true-value="asked"
      false-value="always"
      label="Only when I ask: spares this computer"
      class="when"
      data-field="nudges-asked"
    />
  </section>
</template>

<style scoped>
.nudges {
  border-top: 1px solid var(--hair);
  margin-top: 18px;
  padding-top: 2px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.when :deep(.v-label) {
  font-size: 13px;
}
.ask {
  margin-bottom: 4px;
}
.nudge {
  display: grid;
  width: 100%;
  gap: 2px;
  padding: 6px 8px;
  border: 1px solid var(--hair);
  border-radius: 6px;
  margin-bottom: 6px;
  line-height: 1.3;
}
.nudge:hover {
  border-color: var(--quiet);
}
.nudge.on {
  border: 1.5px solid rgb(var(--v-theme-secondary));
  background: color-mix(in srgb, rgb(var(--v-theme-secondary)) 10%, transparent);
}
.prices {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 4px;
  font-size: 12px;
  color: var(--quiet);
  white-space: nowrap;
}
.head {
  padding: 0 8px;
}
.better {
  color: rgb(var(--v-theme-success));
}
.worse {
  color: rgb(var(--v-theme-error));
}
.main {
  font-weight: 700;
}
.take {
  color: rgb(var(--v-theme-secondary));
  font-weight: 600;
}
@media (max-width: 700px) {
  .nudge {
    min-height: 44px;
  }
}
</style>
