<script setup lang="ts">
/** The aircraft flies its toss in side view, to scale; earlier ones lie under it. */
import { useRafFn } from '@vueuse/core'
import { amount, figure, worded } from '~/composables/format'
import { useToss, type useTossed } from '~/composables/useToss'

const { laid, thrown } = useToss()
const props = defineProps<{ tossed: ReturnType<typeof useTossed> }>()
const { flown, busy, fault, fresh, lay } = props.tossed
const side = ref<{ larger: number } | null>(null)
const larger = computed(() => side.value?.larger ?? 1)
const t = ref(0)
const { pause, resume, isActive } = useRafFn(
  ({ delta }) => {
    t.value += delta / 1000
    if (t.value >= (flown.value?.seconds ?? 0)) pause()
  },
  { immediate: false },
)
const at = computed(() => {
  const path = flown.value?.path ?? []
  return path[Math.min(path.length - 1, Math.round(t.value / 0.02))] ?? null
})
function go() {
  t.value = 0
  resume()
}
watch(flown, () => {
  t.value = Math.min(t.value, flown.value?.seconds ?? 0)
})
</script>

<template>
  <div class="toss">
    <p v-if="fault" class="bad" role="alert">The toss was not worked out: {{ fault }}</p>
    <p v-else-if="!flown" class="quiet">Working out how it flies …</p>
    <template v-if="flown">
      <p class="lead" data-figure="reading" :data-kind="flown.kind">
        <b>Thrown at {{ amount(thrown.speedMs, 'm/s', 1) }}</b
        >, it {{ worded(flown.reading) }}.
        <span v-if="!fresh || busy" class="quiet">(of the design before)</span>
      </p>
      <TossSide ref="side" :flown="flown" :laid="laid" :t="t" />
      <div class="row">
        <v-btn variant="flat" color="primary" data-act="throw" @click="go">Throw</v-btn>
        <v-btn data-act="lay-toss" @click="lay">Lay it under the next</v-btn>
        <v-btn v-if="laid.length" variant="text" data-act="clear-tosses" @click="laid = []">Clear</v-btn>
        <input
          v-model.number="t"
          type="range"
          min="0"
          :max="flown.seconds"
          step="0.02"
          aria-label="Moment of the toss"
          @input="isActive && pause()"
        />
        <span v-if="at" class="num at" data-figure="moment"
          >{{ figure(at.t, 1) }} s · {{ amount(at.speed, 'm/s', 1) }} · incidence
          {{ amount((at.alpha * 180) / Math.PI, '°', 1) }} · {{ amount(at.z, 'm', 1) }} up</span
        >
      </div>
      <table class="ledger" data-table="tosses">
        <thead>
          <tr>
            <th />
            <th>Thrown</th>
            <th class="r">Distance</th>
            <th class="r">In the air</th>
            <th class="r">Highest</th>
            <th class="r">Sink at the end</th>
            <th class="r">Nose</th>
            <th>What the eye sees</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(item, i) in [...laid, { id: 0, label: 'This one', toss: flown }]" :key="item.id">
            <td class="num">{{ item.id ? i + 1 : '›' }}</td>
            <td>{{ item.label }}</td>
            <td class="r num">{{ amount(item.toss.distanceM, 'm', 1) }}</td>
            <td class="r num">{{ amount(item.toss.seconds, 's', 1) }}</td>
            <td class="r num">{{ amount(item.toss.highestM, 'm', 1) }}</td>
            <td class="r num">{{ amount(item.toss.sinkMs, 'm/s', 1) }}</td>
            <td class="r num">{{ amount(item.toss.noseDeg, '°', 0) }}</td>
            <td :class="{ bad: item.toss.stalled }">{{ worded(item.toss.reading) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="small quiet">
        Quasi-steady, in the vertical plane: a wing that drops is not seen here, nor is warp. Past the stall
        lift is taken as four fifths of the greatest, on the safe side. The path is drawn to one scale{{
          larger > 1 ? `, the aircraft ${larger} times its size` : ', the aircraft too'
        }}.
      </p>
    </template>
  </div>
</template>

<style scoped>
.lead {
  margin: 0 0 6px;
  color: inherit;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin: 4px 0 10px;
}
.row input {
  flex: 1;
  min-width: 120px;
}
@media (max-width: 700px) {
  .ledger th:nth-child(n + 4):nth-child(-n + 7),
  .ledger td:nth-child(n + 4):nth-child(-n + 7) {
    display: none;
  }
}
</style>
