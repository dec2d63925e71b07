<script setup lang="ts">
/** Every propeller and pack of the shelf in this aircraft: pull against minutes, the front, and take one. */
import { taken, type Offer, type ShelfAsk } from '../../../core/workshop/power'
import type { ProjectFile } from '../../../core/document'
import { LIBRARIES } from '../../../core/libraries'
import { proxy } from 'comlink'
import type { PlotLine } from '~/components/common/PlotLines.vue'
import { amount, figure, signedAmount } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useCore } from '~/composables/useCore'

const { doc, project } = useBench()
const ask = useState<ShelfAsk>('shelf-ask', () => 'propellers')
const asks: Array<{ id: ShelfAsk; label: string }> = [
  { id: 'propellers', label: 'propellers on this pack' },
  { id: 'packs', label: 'packs with this propeller' },
  { id: 'both', label: 'every pair of both' },
]
const offers = shallowRef<Offer[]>([])
const of = shallowRef<ProjectFile | null>(null)
const busy = ref(false),
  done = ref(''),
  fault = ref(''),
  onlyKept = ref(true)
let stop = false
let asked = 0
async function look() {
  const own = ++asked
  const subject = toRaw(doc.value)
  busy.value = true
  stop = false
  fault.value = ''
  try {
    const found = await useCore('study').shelf(
      subject,
      ask.value,
      proxy((n: number, all: number) => {
        done.value = `${n} of ${all}`
        return !stop && own === asked
      }),
    )
    if (own !== asked || !found) return
    offers.value = found
    of.value = subject
  } catch (error) {
    if (own === asked) fault.value = (error as Error).message
  } finally {
    if (own === asked) busy.value = false
  }
}
onBeforeUnmount(() => {
  asked++
})
watch([doc, ask], look, { immediate: true })
const fresh = computed(() => of.value === toRaw(doc.value))
const MOST_ROWS = 60
const sorts = {
  thrust: (o: Offer) => -o.thrustN,
  minutes: (o: Offer) => -(o.minutes ?? 1e9),
  mass: (o: Offer) => o.byG,
}
const sort = ref<keyof typeof sorts>('minutes')
const kept = computed(() =>
  offers.value.filter(offer => offer.now || !onlyKept.value || offer.over.length === 0),
)
const rows = computed(() =>
  [...kept.value].sort((a, b) => sorts[sort.value](a) - sorts[sort.value](b)).slice(0, MOST_ROWS),
)
const lines = computed((): PlotLine[] => {
  const at = (list: Offer[]) => list.map(offer => ({ x: offer.minutes ?? 0, y: offer.toWeight }))
  const now = offers.value.filter(offer => offer.now)
  return [
    {
      label: 'all that is kept',
      colour: 'quiet',
      dots: true,
      points: at(kept.value.filter(o => !o.front && !o.now)),
    },
    {
      label: 'front',
      marked: true,
      nameAt: 1,
      colour: 'secondary',
      points: at(kept.value.filter(o => o.front).sort((a, b) => (a.minutes ?? 0) - (b.minutes ?? 0))),
    },
    { label: 'now', dots: true, points: at(now) },
  ].filter(line => line.points.length > 0) as PlotLine[]
})
const OVER = {
  motor: 'motor’s current',
  controller: 'controller’s current',
  pack: 'pack’s current',
  pitch: 'too little pitch',
}
const words = (offer: Offer) =>
  [...offer.over.map(item => OVER[item]), ...(offer.balances ? [] : ['does not balance'])].join(', ')
function take(offer: Offer) {
  project.takeOffer(offer.name, taken(toRaw(doc.value), LIBRARIES, offer), of.value)
}
/** One step of pitch and of diameter from what is in, of the shelf's own neighbours. */
const teaches = computed(() => {
  const now = offers.value.find(offer => offer.now)
  if (!now || ask.value === 'packs') return []
  const near = (wanted: (o: Offer) => boolean, by: (o: Offer) => number) =>
    offers.value.filter(o => !o.now && o.pack === null && wanted(o)).sort((a, b) => by(a) - by(b))[0]
  const wider = near(
    o => o.diameterMm > now.diameterMm + 12 && Math.abs(o.pitchMm - now.pitchMm) < 0.3 * now.pitchMm,
    o => Math.abs(o.diameterMm - now.diameterMm - 25) + Math.abs(o.pitchMm - now.pitchMm),
  )
  const steeper = near(
    o => Math.abs(o.diameterMm - now.diameterMm) < 4 && o.pitchMm > now.pitchMm + 5,
    o => o.pitchMm,
  )
  const said = (o: Offer, change: string) =>
    `${change}, ${o.name}: ${signedAmount(o.thrustN - now.thrustN, 'N', 1)} of pull, ${signedAmount(o.currentA - now.currentA, 'A', 1)}, ${signedAmount((o.levelMaxMs ?? 0) - (now.levelMaxMs ?? 0), 'm/s', 1)} of top speed, ${signedAmount((o.minutes ?? 0) - (now.minutes ?? 0), 'min', 1)}.`
  return [
    ...(wider
      ? [said(wider, 'More diameter moves more air: pull, and current with about its fourth power')]
      : []),
    ...(steeper ? [said(steeper, 'More pitch is speed rather than pull: standing, steep blades stall')] : []),
  ]
})
</script>

<template>
  <section>
    <div class="head">
      <PickOne
        :model-value="ask"
        :options="asks"
        label="What is compared"
        mark="ask"
        @update:model-value="ask = $event as ShelfAsk"
      />
      <label class="tick"><input v-model="onlyKept" type="checkbox" /> only what passes no limit</label>
      <span v-if="busy" class="quiet small" role="status"
        >{{ done }} <v-btn size="small" variant="text" @click="stop = true">Stop</v-btn></span
      >
    </div>
    <p v-if="fault" class="bad" role="alert">Not compared: {{ fault }}</p>
    <template v-if="offers.length">
      <PlotLines
        :lines="lines"
        :x="{ label: 'minutes by the plan, to the reserve', unit: 'min' }"
        :left="{ label: 'thrust over weight', unit: '' }"
        label="Thrust over weight against minutes, of every propeller and pack that was tried"
        :height="190"
      />
      <p v-for="(line, i) in teaches" :key="i" class="small">{{ line }}</p>
      <table class="ledger" data-table="shelf">
        <thead>
          <tr>
            <th />
            <th>Instead</th>
            <th class="r"><button type="button" class="plain" @click="sort = 'thrust'">Pull</button></th>
            <th class="r">of weight</th>
            <th class="r">Current</th>
            <th class="r"><button type="button" class="plain" @click="sort = 'minutes'">Minutes</button></th>
            <th class="r">Top speed</th>
            <th class="r">Climb</th>
            <th class="r"><button type="button" class="plain" @click="sort = 'mass'">Weight</button></th>
            <th class="r">Pack at</th>
            <th>Passes</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="offer in rows" :key="offer.id" :class="{ on: offer.now }" :data-offer="offer.id">
            <td>{{ offer.now ? '›' : offer.front ? '◆' : '' }}</td>
            <td>{{ offer.now ? `now: ${offer.name}` : offer.name }}</td>
            <td class="r num">{{ amount(offer.thrustN, 'N', 1) }}</td>
            <td class="r num">{{ figure(offer.toWeight, 2) }}</td>
            <td class="r num">{{ amount(offer.currentA, 'A', 1) }}</td>
            <td class="r num">{{ offer.minutes === null ? '> 6 h' : amount(offer.minutes, 'min', 1) }}</td>
            <td class="r num">
              {{ offer.levelMaxMs === null ? 'sinks' : amount(offer.levelMaxMs, 'm/s', 1) }}
            </td>
            <td class="r num">{{ offer.climbMs === null ? '–' : amount(offer.climbMs, 'm/s', 1) }}</td>
            <td class="r num">{{ signedAmount(offer.byG, 'g', 0) }}</td>
            <td class="r num">{{ offer.packMm === null ? '' : amount(offer.packMm, 'mm') }}</td>
            <td class="bad small">{{ words(offer) }}</td>
            <td>
              <v-btn
                v-if="!offer.now"
                size="small"
                :disabled="!fresh"
                data-act="take-offer"
                @click="take(offer)"
                >Take</v-btn
              >
            </td>
          </tr>
        </tbody>
      </table>
      <p class="small quiet">
        ◆: of those that pass no limit and balance, no other has both more pull and more minutes. The pack is
        slid in its bay towards the middle of the band; what is written of current is at rest with 95 % of
        charge.
      </p>
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 18px;
  align-items: center;
  margin-bottom: 6px;
}
th button {
  text-decoration: underline dotted;
}
@media (max-width: 700px) {
  .ledger th:nth-child(n + 7):nth-child(-n + 10),
  .ledger td:nth-child(n + 7):nth-child(-n + 10) {
    display: none;
  }
}
</style>
