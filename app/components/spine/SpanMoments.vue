<script setup lang="ts">
/** Moment, shear, twist and reserve under the drawn half wing; what fails first, and what would mend it. */
import { amount, figure, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { doc, now } = useBench()
const strength = computed(() => now.value.strength)
const speed = (value: number | null) => (value === null ? 'cannot arise' : `${figure(value)} m/s`)
const explain = computed(() => {
  const { mode } = strength.value.wing
  if (mode === 'skin across layers')
    return 'The pieces stand on their end there: lift pulls layer from layer. Lying on their side it would run along the beads; see Skin.'
  if (mode === 'skin along the bead')
    return 'The pieces lie on their side there: lift pulls along the beads, the strong way.'
  if (mode === 'spar alone')
    return 'The skin would crease sooner; then the spars hold the bending by themselves, and that is what counts.'
  if (mode === 'shell alone')
    return 'The spars would break sooner; the shell is so strong that it bears more without them, and that is what counts.'
  if (mode === 'spar end' || mode === 'spar overlap')
    return 'A spar hands on what it carries where it ends, over a few of its own heights, to the plastic round its bore.'
  if (mode === 'skin collapse')
    return 'The skin has buckled between what holds it from behind, and what still carries beside webs and edges is crushed.'
  return ''
})
</script>

<template>
  <div class="split">
    <SpanLanes />
    <div class="fit">
      <h2>
        Least reserve
        <span class="num" :class="{ bad: strength.reserve < 1 }" data-figure="reserve">{{
          figure(strength.reserve, 2)
        }}</span>
      </h2>
      <p class="lead">
        {{ strength.mode }}, {{ worded(strength.where) }}: {{ strength.case }}, with a factor of
        {{ doc.brief.safetyFactor }}.<template v-if="strength.part !== 'wing'">
          The wing's own least is
          <span class="num" data-figure="wing-reserve">{{ figure(strength.wing.reserve, 2) }}</span>:
          {{ strength.wing.mode }} at {{ amount(strength.wing.atMm, 'mm') }}.</template
        >
      </p>
      <p v-if="explain" class="small quiet">{{ explain }}</p>
      <p class="small quiet" data-figure="strength-temperature">
        Plastic at {{ figure(strength.temperatureC) }} °C: {{ doc.brief.colour }}, in the sun and the wind of
        flight, {{ figure(doc.brief.fieldTemperatureC) }} °C on the field. See Heat for other places.
      </p>
      <MendTable />
      <SectionFit />
      <table class="ledger">
        <tbody>
          <tr>
            <td>Tip twist at top speed, in the pull-up</td>
            <td class="r num" data-figure="tip-twist">
              {{ figure(strength.twist.diveDeg, 1) }}°, {{ figure(strength.twist.pullDeg, 1) }}°
            </td>
          </tr>
          <tr>
            <td>Tip rises at the greatest load factor</td>
            <td class="r num">{{ amount(strength.twist.tipRiseMm, 'mm') }}</td>
          </tr>
          <tr>
            <td>Skin shows buckles from, of the loads</td>
            <td class="r num" data-figure="buckling">{{ figure(100 * strength.buckling.reserve) }} %</td>
          </tr>
          <tr v-if="strength.buckling.reserve < 1">
            <td>Then left of the stiffness, bending and twist</td>
            <td class="r num">
              {{ figure(100 * strength.buckling.bendingLeft) }} %,
              {{ figure(100 * strength.buckling.torsionLeft) }} %
            </td>
          </tr>
          <tr>
            <td>Twists itself off (divergence)</td>
            <td class="r num" data-figure="divergence">{{ speed(strength.twist.divergenceMs) }}</td>
          </tr>
          <tr>
            <td>Could flutter, balanced controls</td>
            <td class="r num">{{ speed(strength.twist.flutterMs) }}</td>
          </tr>
          <tr v-if="strength.twist.aileron">
            <td>Ailerons keep at top speed, reverse at</td>
            <td class="r num" data-figure="aileron-left">
              {{ figure(100 * strength.twist.aileron.left) }} %,
              {{ speed(strength.twist.aileron.reversalMs) }}
            </td>
          </tr>
          <tr>
            <td><b>Keep under</b></td>
            <td
              class="r num"
              :class="{
                bad: strength.twist.cautionMs !== null && strength.twist.cautionMs < doc.brief.topSpeedMs,
              }"
            >
              {{ speed(strength.twist.cautionMs) }}
            </td>
          </tr>
        </tbody>
      </table>
      <p class="caution">
        Slack hinges and rods, and controls heavy behind the hinge, flutter long before these figures. Feel
        for play, and build speed up with height.
      </p>
    </div>
  </div>
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: 1.3fr 1fr;
  gap: 18px;
  align-items: start;
}
.split > :first-child {
  position: sticky;
  top: 0;
}
@media (max-width: 700px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
  .split > :first-child {
    position: relative;
  }
}
</style>
