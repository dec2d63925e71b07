<script setup lang="ts">
/** The simulated printers: what they are at, and how they are made to hurry or to fail. */
import { FAULTS, type PrintFault } from '../../../core/document'
import { FAULT_NAMES } from '../../../core/workshop/print-room'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useInstruments } from '~/composables/useInstruments'
import { usePrintRoom } from '~/composables/usePrintRoom'

const { doc } = useBench()
const room = usePrintRoom()
const bench = useInstruments()
const { printers, speed } = bench
const own = computed(() => printers.value.filter(item => doc.value.printers.some(p => p.name === item.name)))
const why = ref<PrintFault>('lifted')
/** What a printer has ended is kept as if it had been pressed. */
/** Jobs that have been taken down: the plan says so a moment later than the printer. */
const told = new Set<string>()
watch(printers, list => {
  for (const printer of list) {
    const plate = room.plates.value.find(item => item.id === printer.job && item.state === 'printing')
    if (!plate || printer.state === 'printing' || printer.state === 'idle' || told.has(plate.id)) continue
    told.add(plate.id)
    if (printer.state === 'done') room.done(plate)
    else
      room.fail(
        plate,
        (FAULTS as readonly string[]).includes(printer.why ?? '') ? (printer.why as PrintFault) : 'starved',
        printer.share,
        'as the printer reported it',
      )
    void bench.clear(printer.id)
  }
})
</script>

<template>
  <section v-if="own.length" aria-label="Printers of the bench">
    <h3>Simulated printers</h3>
    <div
      v-for="printer in own"
      :key="printer.id"
      class="one"
      :data-printer="printer.id"
      :data-state="printer.state"
    >
      <b>{{ printer.name }}</b>
      <span v-if="printer.state === 'printing'" class="small">
        layer <span class="num">{{ printer.layer }} of {{ printer.layers }}</span
        >, <span class="num">{{ figure(printer.nozzleC) }} °C</span>,
        <span class="num">{{ amount(printer.grams, 'g', 1) }}</span>,
        <span class="num">{{ figure(printer.secondsLeft / 60) }} min</span> left
      </span>
      <span v-else class="quiet small">{{ printer.state === 'idle' ? 'stands idle' : printer.state }}</span>
      <v-progress-linear v-if="printer.state === 'printing'" :model-value="100 * printer.share" height="6" />
      <div v-if="printer.state === 'printing'" class="acts">
        <v-btn size="small" data-act="bench-fail" @click="bench.fail(printer.id, why)">Let it fail</v-btn
        ><v-btn size="small" data-act="bench-hurry" @click="bench.hurry(printer.id, 1000)"
          >1000 × faster</v-btn
        >
      </div>
    </div>
    <div class="row">
      <FigureField
        label="Run them at"
        :model-value="speed"
        unit="×"
        :min="1"
        :max="1000"
        :digits="0"
        data-field="bench-speed"
        @update:model-value="speed = $event ?? 60"
      /><v-select
        v-model="why"
        :items="FAULTS.map(value => ({ title: FAULT_NAMES[value], value }))"
        label="They fail because it"
        data-field="bench-why"
      />
    </div>
    <p class="quiet small">
      Stand-ins that come with Mariposa, over an open protocol; nothing depends on them.
    </p>
  </section>
</template>

<style scoped>
.one {
  border-bottom: 1px solid var(--hair);
  padding: 5px 0;
}
.one b {
  margin-right: 8px;
}
.acts {
  margin-top: 5px;
}
</style>
