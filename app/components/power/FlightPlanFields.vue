<script setup lang="ts">
/** The flight in parts: what it does, how long, with how much throttle. */
import type { FlightPart } from '../../../core/document'
import { usePower } from '~/composables/usePower'

const { doc, set } = usePower()
const kinds: Array<{ title: string; value: FlightPart['kind'] }> = [
  { title: 'launch, full', value: 'launch' },
  { title: 'climb, full', value: 'climb' },
  { title: 'cruise, level', value: 'cruise' },
  { title: 'aerobatics', value: 'aerobatics' },
  { title: 'glide', value: 'idle' },
]
function setPart(i: number, label: string, apply: (part: FlightPart) => void) {
  set(`Plan of the flight: ${label}`, power => {
    apply(power.plan[i]!)
  })
}
</script>

<template>
  <div>
    <div v-for="(item, i) in doc.power.plan" :key="i" class="planrow">
      <v-select
        :model-value="item.kind"
        :items="kinds"
        label="Part"
        @update:model-value="
          setPart(i, 'kind', own => {
            own.kind = $event
          })
        "
      />
      <FigureField
        label="For"
        unit="s"
        :min="1"
        :max="20000"
        :digits="0"
        :model-value="item.seconds"
        :data-field="`plan-${i}-seconds`"
        @update:model-value="
          setPart(i, 'length', own => {
            own.seconds = $event!
          })
        "
      />
      <FigureField
        label="Throttle"
        unit="%"
        :min="0"
        :max="100"
        :digits="0"
        optional
        :model-value="item.throttlePct"
        :data-field="`plan-${i}-throttle`"
        @update:model-value="
          setPart(i, 'throttle', own => {
            own.throttlePct = $event
          })
        "
      />
      <button
        type="button"
        class="plain link"
        :aria-label="`Leave out part ${i + 1}`"
        @click="
          set('Plan of the flight: a part less', power => {
            power.plan.splice(i, 1)
          })
        "
      >
        ×
      </button>
    </div>
    <p class="small quiet">
      Throttle left empty: full in a launch or climb, else what stays level at cruise speed.
    </p>
    <v-btn
      size="small"
      data-act="add-part"
      :disabled="doc.power.plan.length >= 12"
      @click="
        set('Plan of the flight: one more part', power => {
          power.plan.push({ kind: 'aerobatics', seconds: 60, throttlePct: 70 })
        })
      "
      >Add a part</v-btn
    >
  </div>
</template>

<style scoped>
.planrow {
  display: grid;
  grid-template-columns: 1.3fr 1fr 0.9fr 18px;
  gap: 6px;
  align-items: center;
  margin-bottom: 8px;
}
.link {
  text-decoration: underline;
}
</style>
