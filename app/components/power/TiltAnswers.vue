<script setup lang="ts">
/** What becomes of it when its motors turn up. */
import type { Assessment } from '../../../core/assess'
import { amount, figure, signed } from '~/composables/format'

const { tilt } = defineProps<{ tilt: NonNullable<Assessment['tilt']> }>()
const shift = computed(() => tilt.upMm[0] - tilt.forwardMm[0])
</script>

<template>
  <section data-figure="tilt">
    <h3>Turned up by {{ amount(tilt.upDeg, '°') }}</h3>
    <table class="ledger" data-table="tilt">
      <tbody>
        <tr>
          <td>Balances at, motors up</td>
          <td class="r num" data-figure="tilt-cg">{{ amount(tilt.upMm[0], 'mm', 1) }}</td>
          <td class="quiet">
            {{ signed(shift, 1) }} mm; {{ amount(tilt.marginUpPct, '% MAC', 1) }} ahead of the neutral point
          </td>
        </tr>
        <template v-if="tilt.lift">
          <tr>
            <td>Lifts, over its weight</td>
            <td class="r num" data-figure="tilt-lift">{{ figure(tilt.lift.toWeight, 2) }}</td>
            <td class="quiet">
              {{ amount(tilt.lift.thrustN, 'N', 1) }} at rest; the stream presses
              {{ amount(100 * tilt.lift.download, '%') }} of it on the wing
            </td>
          </tr>
          <tr>
            <td>Pulls behind the balance point</td>
            <td class="r num" data-figure="tilt-lever">{{ amount(tilt.lift.leverMm, 'mm', 1) }}</td>
            <td class="quiet">negative: ahead of it</td>
          </tr>
        </template>
        <tr v-else>
          <td>Lifts, over its weight</td>
          <td class="r">–</td>
          <td class="quiet">wants a drive that can be reckoned, and its propeller among what turns</td>
        </tr>
        <tr v-if="tilt.servo">
          <td>{{ tilt.servo.name }}</td>
          <td class="r num" data-figure="tilt-servo">{{ amount(tilt.servo.asksNcm, 'N·cm', 1) }}</td>
          <td class="quiet">
            twice what thrust and weight off the axis ask; it has
            {{ amount(tilt.servo.hasNcm, 'N·cm', 1) }} and reaches {{ amount(tilt.servo.reachesDeg, '°') }}
          </td>
        </tr>
        <tr v-if="tilt.spar">
          <td>{{ tilt.spar.name }}, twisted</td>
          <td class="r num" data-figure="tilt-spar">{{ figure(Math.min(99, tilt.spar.reserve), 2) }} ×</td>
          <td class="quiet">
            {{ amount(tilt.spar.torqueNcm, 'N·cm', 1) }} a side, by {{ amount(tilt.spar.twistDeg, '°', 1) }}
          </td>
        </tr>
        <tr v-if="tilt.gapMm !== null">
          <td>Discs over the wing</td>
          <td class="r num">{{ amount(tilt.gapMm, 'mm') }}</td>
          <td class="quiet">the least; blades and wing bend</td>
        </tr>
      </tbody>
    </table>
    <p class="quiet small">
      Full throttle at rest, fresh pack, in the air of the field. The wing in the stream counts as a plate
      across it at one and a half times the speed in the disc. How it flies between forward and up is not
      reckoned.
    </p>
  </section>
</template>
