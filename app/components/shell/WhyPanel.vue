<script setup lang="ts">
/** Why a wing stands where it does: the reason in words, and what it is made of, largest first. */
import { amount, signedAmount, worded } from '~/composables/format'
import { useAssessment } from '~/stores/assessment'
import { useView } from '~/stores/view'

const assessment = useAssessment()
const view = useView()
const verdict = computed(() =>
  view.why && assessment.current ? assessment.current.verdicts[view.why] : null,
)
const most = computed(() =>
  Math.max(1e-9, ...(verdict.value?.contributions.map(c => Math.abs(c.value)) ?? [])),
)
const isShift = computed(() => verdict.value?.wing === 'balance')
</script>

<template>
  <aside
    v-if="verdict"
    class="why"
    role="dialog"
    :aria-label="`Why ${verdict.label}`"
    @keydown.esc="view.why = null"
  >
    <header>
      <h2>{{ verdict.label }}: why</h2>
      <v-btn variant="text" aria-label="Close" @click="view.why = null">Close</v-btn>
    </header>
    <p class="lead">{{ worded(verdict.reason) }}.</p>
    <p v-if="isShift" class="quiet small">
      Each mass moves the balance point from the aim by so much; minus is forward.
    </p>
    <div class="scroll" tabindex="0">
      <table class="ledger">
        <tbody>
          <tr v-for="(c, i) in verdict.contributions.slice(0, 60)" :key="i">
            <td class="name">
              {{ worded(c.name)
              }}<span v-if="c.note && !isShift" class="note quiet">{{ worded(c.note) }}</span>
            </td>
            <td class="bar"><span :style="{ width: `${(100 * Math.abs(c.value)) / most}%` }" /></td>
            <td class="r num">
              {{
                isShift
                  ? signedAmount(c.value, c.unit, 1)
                  : amount(c.value, c.unit, verdict.wing === 'strength' ? 2 : 1)
              }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </aside>
</template>

<style scoped>
.why {
  position: absolute;
  right: 12px;
  top: 8px;
  width: min(460px, 94vw);
  max-height: calc(100% - 16px);
  display: flex;
  flex-direction: column;
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--hair);
  border-radius: 10px;
  padding: 14px 16px;
  z-index: 20;
  box-shadow: 0 6px 24px #0003;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.scroll {
  overflow: auto;
}
.small {
  font-size: 12.5px;
  margin: 0 0 8px;
}
.name {
  overflow-wrap: anywhere;
}
.note {
  margin-left: 8px;
  font-size: 12px;
}
.bar {
  width: 30%;
}
.bar span {
  display: block;
  height: 8px;
  background: color-mix(in srgb, rgb(var(--v-theme-on-surface)) 45%, transparent);
}
</style>
