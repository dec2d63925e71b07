<script setup lang="ts">
/** What may vary and what must hold, and the study's start, stop and going on. */
import { MOST_COMBINATIONS } from '../../../core/study/combinations'
import { amount, figure } from '~/composables/format'
import { countOf, sparOffers, STARTS, varyOf, zoneOffers, type Musts } from '~/composables/studies'
import { useBench } from '~/composables/useBench'
import { useStudy } from '~/composables/useStudy'

const { doc } = useBench()
const { zones, spars, musts, progress, left, fault, run, goOn, halt, ran } = useStudy()
const MUST_WORDS = computed((): Array<[keyof Musts, string]> => {
  const { brief } = doc.value
  return [
    ['weight', `at most ${amount(brief.targetMassG, 'g')}`],
    ['balance', `margin ${brief.staticMarginPct.join('–')} %`],
    ['strength', 'reserve at least 1'],
    ['hours', `at most ${figure(brief.printHours)} h`],
    ['shelf', 'filament on the shelf'],
  ]
})
const vary = computed(() => varyOf(doc.value, zones.value, spars.value, musts.value))
const count = computed(() => countOf(vary.value)),
  many = computed(() => count.value.toLocaleString('en'))
const nothing = computed(
  () => Object.keys(vary.value.zones).length + Object.keys(vary.value.spars).length === 0,
)
const wingSpars = computed(() =>
  doc.value.spars.filter(spar => spar.surface === 'wing' || spar.surface === 'second'),
)
function start(id: string) {
  const set = STARTS.find(item => item.id === id)!
  const more = (old: string[] | undefined, add: string[]) => [...new Set([...(old ?? []), ...add])]
  if (set.zones)
    zones.value = Object.fromEntries(
      doc.value.zones.map(zone => [zone.id, more(zones.value[zone.id], set.zones!(doc.value, zone))]),
    )
  if (set.spars)
    spars.value = Object.fromEntries(
      wingSpars.value.map(spar => [spar.id, more(spars.value[spar.id], set.spars!(spar.stock))]),
    )
}
function clear() {
  zones.value = {}
  spars.value = {}
}
/** Long lists, made once for a design; while a study runs, only its own line is drawn again. */
const offers = computed(() => new Map(doc.value.zones.map(zone => [zone.id, zoneOffers(doc.value, zone)])))
const busy = computed(() => progress.value !== null)
</script>

<template>
  <div class="vary">
    <h2>What may vary</h2>
    <div class="acts">
      <v-btn
        color="primary"
        variant="flat"
        :disabled="nothing || count > MOST_COMBINATIONS || busy"
        data-act="run-study"
        @click="run(vary)"
        >{{ count > 1 ? `Try ${many} combinations` : 'Nothing to try yet' }}</v-btn><v-btn
        v-if="busy"
        data-act="stop-study"
        @click="halt"
        >Stop</v-btn
      >
    </div>
    <StudyProgress v-if="busy" />
    <p v-else-if="left && ran" class="small" data-left>
      <v-btn size="small" color="primary" variant="flat" data-act="go-on-study" @click="goOn">Go on</v-btn>
      with the one that stopped at {{ left.done.toLocaleString('en') }} of
      {{ countOf(ran.vary).toLocaleString('en') }}.
    </p>
    <p v-if="count > MOST_COMBINATIONS" class="bad small">
      {{ many }} combinations; at most {{ MOST_COMBINATIONS.toLocaleString('en') }} are gone through: fewer
      options.
    </p>
    <p v-else-if="nothing" class="quiet small">Give at least one zone or spar another option.</p>
    <p v-if="fault" class="bad small" role="alert">{{ fault }}</p>
    <p class="starts small">
      <span class="quiet">Add to all:</span
      ><v-btn
        v-for="set in STARTS"
        :key="set.id"
        size="x-small"
        :data-start="set.id"
        @click="start(set.id)"
        >{{ set.title }}</v-btn
      ><v-btn v-if="!nothing" size="x-small" variant="text" data-start="none" @click="clear"
        >none again</v-btn
      >
    </p>
    <v-select
      v-for="zone in doc.zones"
      :key="zone.id"
      :model-value="zones[zone.id] ?? []"
      :items="offers.get(zone.id)"
      :label="zone.name"
      multiple
      density="compact"
      hide-details
      :data-field="`vary-${zone.id}`"
      @update:model-value="zones = { ...zones, [zone.id]: $event }"
      ><template #selection="{ index }"
        ><span v-if="index === 0" class="small"
          >as it is and {{ (zones[zone.id] ?? []).length }} more</span
        ></template
      ></v-select
    >
    <v-select
      v-for="spar in wingSpars"
      :key="spar.id"
      :model-value="spars[spar.id] ?? []"
      :items="sparOffers(spar.stock)"
      :label="spar.name"
      multiple
      density="compact"
      hide-details
      :data-field="`vary-${spar.id}`"
      @update:model-value="spars = { ...spars, [spar.id]: $event }"
      ><template #selection="{ index }"
        ><span v-if="index === 0" class="small"
          >as it is and {{ (spars[spar.id] ?? []).length }} more</span
        ></template
      ></v-select
    >
    <h3>What must hold</h3>
    <div class="musts">
      <v-checkbox
        v-for="[key, text] in MUST_WORDS"
        :key="key"
        :model-value="musts[key] as boolean"
        :label="text"
        density="compact"
        hide-details
        :data-must="key"
        @update:model-value="
          (v: boolean | null) => {
            musts = { ...musts, [key]: !!v }
          }
        "
      />
    </div>
    <div class="two">
      <FigureField
        label="Costs at most"
        :model-value="musts.cost"
        :unit="doc.brief.currency"
        :min="0.01"
        :max="100000"
        :digits="2"
        optional
        data-field="must-cost"
        @update:model-value="musts = { ...musts, cost: $event }"
      /><FigureField
        label="Softens above"
        :model-value="musts.heatC"
        unit="°C"
        :min="-50"
        :max="400"
        :digits="0"
        optional
        data-field="must-heat"
        @update:model-value="musts = { ...musts, heatC: $event }"
      />
    </div>
  </div>
</template>

<style scoped>
.vary :deep(.v-select) {
  margin-bottom: 8px;
}
.musts {
  display: grid;
  grid-template-columns: 1fr;
  margin-bottom: 8px;
}
.musts :deep(.v-selection-control) {
  min-height: 30px;
}
.acts {
  margin: 4px 0 8px;
}
.starts {
  display: flex;
  flex-wrap: wrap;
  gap: 5px 6px;
  align-items: center;
  margin-bottom: 14px;
}
.two {
  display: grid;
  gap: 8px;
}
</style>
