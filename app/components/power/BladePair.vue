<script setup lang="ts">
/** Blades on the scale: how hard they shake, and what to take off which. */
import { bladeBalance } from '../../../core/workshop/power'
import { amount, worded } from '~/composables/format'
import { usePower } from '~/composables/usePower'

const { doc, turns, told, set } = usePower()
const count = computed(() => turns.value?.propeller?.blades ?? 0)
const weight = computed(() => told.value?.report.figures?.weightN ?? 1)
const found = computed(() => bladeBalance(toRaw(doc.value), weight.value))
const masses = computed(() =>
  Array.from({ length: count.value }, (_, i) => doc.value.power.bladesG[i] ?? null),
)
function weigh(i: number, value: number | null) {
  set(`Blade ${i + 1} on the scale`, power => {
    const next: Array<number | null> = [...masses.value]
    next[i] = value
    // Held back until all are known: a pair with one weight says nothing.
    power.bladesG = next.every(item => item !== null)
      ? (next as number[])
      : (next.slice(
          0,
          next.findIndex(item => item === null),
        ) as number[])
  })
}
</script>

<template>
  <section>
    <p v-if="!count" class="first">A fan’s rotor comes balanced, and is not opened.</p>
    <template v-else>
      <p class="first" data-figure="blades">
        <template v-if="found"
          ><b :class="found.ok ? 'good' : 'bad'">{{ worded(found.reading) }}.</b></template
        ><template v-else>Weigh each blade alone, to a hundredth of a gram.</template>
      </p>
      <div class="entry">
        <FigureField
          v-for="(mass, i) in masses"
          :key="i"
          :label="`Blade ${i + 1}`"
          unit="g"
          :min="0.01"
          :max="500"
          :digits="2"
          optional
          :model-value="mass"
          :data-field="`blade-${i}`"
          @update:model-value="weigh(i, $event)"
        />
      </div>
      <table v-if="found" class="ledger" data-table="blades">
        <thead>
          <tr>
            <th>Blade</th>
            <th class="r">Weighs</th>
            <th class="r">Take off, {{ amount(found.atMm, 'mm') }} from the axis</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(trim, i) in found.trimG" :key="i">
            <td>{{ i + 1 }}</td>
            <td class="r num">{{ amount(doc.power.bladesG[i], 'g', 2) }}</td>
            <td class="r num">{{ amount(trim, 'g', 2) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="small quiet">
        A blade’s mass lies about {{ amount(found?.centreMm ?? 0, 'mm') }} from the axis. A tenth of a gram at
        100 mm and 8 000 rev/min pulls 7 N to one side, turning with the propeller: it loosens screws, cracks
        mounts and blurs sensors. Sand the back of the heavy blade near its tip, never its root or front edge;
        a blade that is cracked, nicked or bent is thrown away.
      </p>
    </template>
  </section>
</template>

<style scoped>
.first {
  font-size: 15px;
  line-height: 1.45;
}
.entry {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 10px;
  max-width: 640px;
  margin: 6px 0 10px;
}
</style>
