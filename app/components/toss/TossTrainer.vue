<script setup lang="ts">
/** A toss with something wrong that is not told: watch it, say what it is, see why. */
import { useRafFn, useStorage } from '@vueuse/core'
import {
  confused,
  DIFFICULTIES,
  FAULT_NAMES,
  faultsFor,
  lesson,
  noted,
  revealed,
  toss,
  WHAT_IT_SHOWS,
  WHAT_TO_DO,
  type FaultKind,
  type Lesson,
  type Mistaken,
} from '../../../core/workshop/toss'
import { amount, figure, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useToss, useTossing } from '~/composables/useToss'

const { doc } = useBench()
const { thrown } = useToss()
const { tables, pull } = useTossing()
const difficulty = useStorage('mariposa-trainer-difficulty', 'plain')
const record = useStorage<Mistaken>('mariposa-trainer', {})
const now = shallowRef<Lesson | null>(null)
const said = ref<FaultKind | null>(null)
const t = ref(0)
const flies = computed(() => now.value?.toss.seconds ?? 0)
const { pause, resume } = useRafFn(
  ({ delta }) => {
    t.value = Math.min(flies.value, t.value + delta / 1000)
    if (t.value >= flies.value) pause()
  },
  { immediate: false },
)
const kinds = computed(() => faultsFor(pull.value))
function next() {
  if (!tables.value) return
  said.value = null
  const fault = kinds.value[Math.floor(Math.random() * kinds.value.length)]!
  const scale = DIFFICULTIES.find(item => item.id === difficulty.value) ?? DIFFICULTIES[0]!
  now.value = lesson(toRaw(tables.value), thrown.value.elevatorDeg, fault, scale, Math.random, pull.value)
  again()
}
function again() {
  t.value = 0
  resume()
}
watch(
  () => doc.value.id,
  () => {
    now.value = null
    said.value = null
  },
)
function say(kind: FaultKind) {
  if (!now.value || said.value) return
  said.value = kind
  record.value = noted(record.value, now.value.fault, kind)
  t.value = flies.value
  pause()
}
/** The toss as it would have been with nothing wrong, under it once it is told. */
const right = computed(() => {
  if (!now.value || !said.value || !tables.value) return []
  const { thrown: own } = now.value
  const sound = lesson(toRaw(tables.value), thrown.value.elevatorDeg, 'none', { scale: 1 }, () => 0.5)
  return sound
    ? [{ id: 1, toss: { ...toss(toRaw(tables.value), { ...sound.thrown, heightM: own.heightM }) } }]
    : []
})
const mistaken = computed(() => confused(record.value).slice(0, 5))
const total = computed(() =>
  Object.entries(record.value).reduce(
    (sum, [was, row]) => ({
      all: sum.all + Object.values(row ?? {}).reduce((a, b) => a + b, 0),
      right: sum.right + ((row as Record<string, number>)?.[was] ?? 0),
    }),
    { all: 0, right: 0 },
  ),
)
/** From above: what turns is only seen so. */
const above = computed(() => {
  if (!now.value) return null
  const { path } = now.value.toss
  const { sideways } = now.value
  const reach = Math.max(6, ...path.map(point => point.x))
  const wide = Math.max(2, ...sideways.map(item => Math.abs(item.y)))
  const shown = path.filter(point => point.t <= t.value + 1e-9).length
  const X = (x: number) => 6 + (628 * x) / reach
  const Y = (y: number) => 40 + (30 * y) / wide
  const last = Math.max(0, shown - 1)
  return {
    line: path
      .slice(0, shown)
      .map((point, i) => `${X(point.x).toFixed(1)},${Y(sideways[i]!.y).toFixed(1)}`)
      .join(' '),
    x: X(path[last]!.x),
    y: Y(sideways[last]!.y),
    bankDeg: (sideways[last]!.bank * 180) / Math.PI,
    wide,
  }
})
const moment = computed(() => {
  const path = now.value?.toss.path ?? []
  return path[Math.min(path.length - 1, Math.round(t.value / 0.02))] ?? null
})
</script>

<template>
  <section>
    <p class="first" data-figure="trainer">
      <template v-if="!now"
        >A toss of {{ doc.name }} with something wrong, or nothing. Watch it, say what it is, and see
        why.</template
      ><template v-else-if="!said">Watch it as often as you like, then say what it is.</template
      ><template v-else-if="said === now.fault"
        ><b class="good">Right.</b> {{ worded(revealed(now)) }}:
        {{ worded(WHAT_IT_SHOWS[now.fault]) }}.</template
      ><template v-else
        ><b class="bad">No.</b> {{ worded(revealed(now)) }}: {{ worded(WHAT_IT_SHOWS[now.fault]) }}.
        {{ FAULT_NAMES[said] }} would have been: {{ worded(WHAT_IT_SHOWS[said]) }}.</template
      >
    </p>
    <p v-if="now && said" class="do" data-figure="remedy">
      <b>What to do:</b> {{ worded(WHAT_TO_DO[now.fault]) }}.
    </p>
    <div class="row">
      <v-btn variant="flat" color="primary" :disabled="!tables" data-act="next-lesson" @click="next">{{
        now ? 'Another one' : 'Throw one'
      }}</v-btn>
      <v-btn v-if="now" data-act="watch-again" @click="again">Watch again</v-btn>
      <PickOne v-model="difficulty" :options="DIFFICULTIES" label="Difficulty" mark="difficulty" />
      <span v-if="moment" class="num small"
        >{{ figure(moment.t, 1) }} s · {{ amount(moment.z, 'm', 1) }} up<template v-if="said">
          · {{ amount(moment.speed, 'm/s', 1) }}</template
        ></span
      >
    </div>
    <template v-if="now">
      <TossSide
        :flown="now.toss"
        :laid="right"
        :t="t"
        unseen
        :label="said ? '' : 'Side view of a toss with something wrong, or nothing'"
      />
      <svg
        v-if="above"
        viewBox="0 0 640 76"
        class="above"
        role="img"
        aria-label="From above: the path, and to which side it turns"
      >
        <line x1="6" x2="634" y1="40" y2="40" class="axis" />
        <polyline :points="above.line" class="trace" />
        <g :transform="`translate(${above.x} ${above.y})`">
          <rect x="-12" y="-2" width="24" height="4" :transform="`rotate(90)`" class="wing" />
        </g>
        <text x="6" y="12">
          from above · bank {{ amount(Math.abs(above.bankDeg), '°')
          }}{{ Math.abs(above.bankDeg) < 1 ? '' : above.bankDeg > 0 ? ' to starboard' : ' to port' }}
        </text>
      </svg>
      <div class="answers" role="group" aria-label="What is wrong with it">
        <v-btn
          v-for="kind in kinds"
          :key="kind"
          size="small"
          :variant="said && kind === now.fault ? 'flat' : 'outlined'"
          :color="said && kind === now.fault ? 'primary' : said === kind ? 'error' : undefined"
          :disabled="!!said && kind !== said && kind !== now.fault"
          :data-say="kind"
          @click="say(kind)"
          >{{ FAULT_NAMES[kind] }}</v-btn
        >
      </div>
      <p v-if="said && right.length" class="small quiet">1, dashed: the toss with nothing wrong.</p>
    </template>
    <template v-if="total.all">
      <h3>Your record</h3>
      <p class="small" data-figure="record">
        <b class="num">{{ total.right }}</b> of <b class="num">{{ total.all }}</b> read right.
        <template v-if="mistaken.length">What is mistaken for what:</template>
        <button type="button" class="plain link" @click="record = {}">Begin a new one</button>
      </p>
      <ul v-if="mistaken.length" class="small">
        <li v-for="item in mistaken" :key="item.was + item.said">
          {{ FAULT_NAMES[item.was] }} taken for “{{ FAULT_NAMES[item.said] }}”, {{ item.times }} ×
        </li>
      </ul>
    </template>
    <p v-if="tables && !now" class="small quiet">
      Tosses of this aircraft as drawn, in the vertical plane; a warp turns it as strip theory says. On a real
      field two faults can look alike: change one thing at a time, and throw again.
    </p>
  </section>
</template>

<style scoped>
.first {
  font-size: 15px;
  line-height: 1.45;
  margin: 2px 0 6px;
  min-height: 44px;
}
.do {
  margin: 0 0 8px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin: 4px 0 8px;
}
.above {
  width: min(100%, 640px);
  height: auto;
  display: block;
  margin: 4px 0 8px 34px;
}
.above text {
  font:
    11px 'Spline Sans Mono',
    monospace;
  fill: var(--quiet);
}
.axis {
  stroke: var(--hair);
}
.trace {
  fill: none;
  stroke: rgb(var(--v-theme-primary));
}
.wing {
  fill: rgb(var(--v-theme-secondary));
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-bottom: 8px;
}
.link {
  text-decoration: underline;
}
@media (max-width: 700px) {
  .above {
    margin-left: 0;
  }
}
</style>
