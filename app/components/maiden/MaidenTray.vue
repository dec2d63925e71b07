<script setup lang="ts">
import { readiness } from '../../../core/workshop/readiness'
import { useBench } from '~/composables/useBench'

const { doc, now, edit } = useBench()
const result = computed(() => readiness(doc.value, now.value))
const count = (state: string) => result.value.items.filter(item => item.state === state).length
type Figures = 'massG' | 'cgMm' | 'thrustG' | 'windMs'
const set = (field: Figures, label: string) => (value: number | null) =>
  edit(`Enter ${label}`, draft => {
    draft.measured[field] = value
  })
</script>

<template>
  <div class="stack">
    <p class="verdict" :class="result.verdict" role="status" data-figure="go">
      {{
        result.verdict === 'go'
          ? 'Go, by what is entered here'
          : result.verdict === 'no-go'
            ? 'No go'
            : 'Not yet'
      }}
    </p>
    <p class="quiet">
      {{ count('go') }} in order, {{ count('open') }} open, {{ count('no-go') }} against. The decision, and
      the law, stay with you.
    </p>
    <h3>Measured today</h3>
    <FigureField
      label="Weight, no payload"
      :model-value="doc.measured.massG"
      unit="g"
      :min="1"
      :max="20000"
      optional
      data-field="measured-mass"
      @update:model-value="set('massG', 'the measured weight')($event)"
    />
    <FigureField
      label="Balance point, no payload"
      :model-value="doc.measured.cgMm"
      unit="mm"
      :min="-2000"
      :max="4000"
      optional
      data-field="measured-cg"
      @update:model-value="set('cgMm', 'the measured balance point')($event)"
    />
    <FigureField
      label="Static thrust"
      :model-value="doc.measured.thrustG"
      unit="g"
      :min="0"
      :max="20000"
      :digits="0"
      optional
      data-field="measured-thrust"
      @update:model-value="set('thrustG', 'the static thrust')($event)"
    />
    <FigureField
      label="Wind"
      :model-value="doc.measured.windMs"
      unit="m/s"
      :min="0"
      :max="40"
      optional
      data-field="measured-wind"
      @update:model-value="set('windMs', 'the wind')($event)"
    />
    <p class="caution">
      First throw into the wind, level, over soft ground, on low rates, with somebody watching the sky. Look
      the airframe over after every landing.
    </p>
  </div>
</template>

<style scoped>
.verdict {
  font-size: 22px;
  font-weight: 750;
  margin: 0;
}
.go {
  color: rgb(var(--v-theme-success));
}
.no-go {
  color: rgb(var(--v-theme-error));
}
</style>
