<script setup lang="ts">
import { amount, figure, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { KIND_WORDS, startProof } from '~/composables/proofs'

const { doc, now, edit, look } = useBench()
const reports = computed(() => now.value.strength.proofs)
const measured = computed(() => now.value.strength.measured)
const chosen = computed(
  () => doc.value.proofs.find(item => item.id === look.proof) ?? doc.value.proofs.at(-1),
)
const report = computed(() => reports.value.find(item => item.id === chosen.value?.id))
const percent = (ratio: number) => `${figure(100 * ratio)} %`
const verdict = computed(() => {
  const ratio = report.value?.ratio
  if (ratio === null || ratio === undefined) return null
  if (report.value!.kind === 'drop')
    return ratio > 1.15
      ? {
          bad: true,
          text: 'Stiffer than computed: the peak is harder than the figures say. Look at what did not give.',
        }
      : ratio < 0.85
        ? {
            bad: false,
            text: 'Softer than computed: the peak is milder, and the travel longer. Mind what comes near the ground.',
          }
        : { bad: false, text: 'As computed.' }
  if (ratio < 0.75)
    return {
      bad: true,
      text: 'Much softer than computed. Look for a joint that has not taken, a spar that slides, layers that have let go: do not fly on the computed figures.',
    }
  if (ratio < 0.9)
    return {
      bad: false,
      text: 'Softer than computed, by more than scale and ruler explain. Stiffness is corrected below; strength is not raised by it.',
    }
  if (ratio > 1.25)
    return {
      bad: false,
      text: 'Stiffer than computed. Check the reading and the supports: a jammed trestle reads like this.',
    }
  return { bad: false, text: 'As computed, within what a kitchen scale and a ruler can say.' }
})
</script>

<template>
  <div v-if="!doc.proofs.length" class="empty">
    <h2>Nothing tested yet</h2>
    <p class="lead">
      A bottle of water in the middle of the wing, two trestles and a ruler say more about a wing than any
      figure here. Choose a test: mass and place are worked out so that it proves the brief's
      {{ doc.brief.loadFactor }} g where it can, and breaks nothing.
    </p>
    <table class="ledger">
      <tbody>
        <tr v-for="(words, kind) in KIND_WORDS" :key="kind">
          <td>
            <v-btn
              size="small"
              class="plan"
              :color="kind === 'trestles' ? 'primary' : undefined"
              :variant="kind === 'trestles' ? 'flat' : undefined"
              :data-act="`plan-${kind}`"
              @click="startProof(kind, doc, now, edit, look)"
              >{{ words.title }}</v-btn
            >
          </td>
          <td>{{ words.about }}</td>
        </tr>
      </tbody>
    </table>
  </div>
  <div v-else class="split">
    <div>
      <ProofSketch v-if="chosen" :proof="chosen" :report="report" />
      <template v-if="chosen && report">
        <p class="lead">
          <b class="num" data-figure="predicted">{{ amount(report.predicted, report.unit, 1) }}</b>
          {{ KIND_WORDS[chosen.kind].seen
          }}<template v-if="chosen.measured !== null"
            >; measured <b class="num">{{ amount(chosen.measured, report.unit, 1) }}</b>:
            <span class="num" data-figure="ratio">{{
              report.ratio === null ? '–' : percent(report.ratio)
            }}</span>
            of the computed stiffness</template
          >.
          <template v-if="report.kind === 'drop'"
            >The peak is
            <span class="num" data-figure="equivalent">{{ figure(report.equivalent, 1) }}</span> times the
            weight.</template
          ><template v-else-if="report.kind !== 'twist'">
            The root bends like
            <span class="num" data-figure="equivalent">{{
              amount(report.equivalent, 'gₙ', 1)
            }}</span>.</template
          >
        </p>
        <p v-if="verdict" :class="{ bad: verdict.bad }" data-text="proof-verdict">{{ verdict.text }}</p>
        <dl class="proves">
          <dt>Proves</dt>
          <dd>{{ worded(report.proves) }}</dd>
          <dt>Does not</dt>
          <dd>{{ worded(report.provesNot) }}</dd>
          <dt>While testing</dt>
          <dd>
            <span v-if="report.reserve < 1.2" class="bad"
              >Only {{ figure(report.reserve, 2) }} times this load is borne there ({{ report.mode }},
              {{ amount(report.atMm, 'mm') }}): hang on less. </span
            ><span v-else
              >{{
                report.reserve > 99
                  ? 'Nothing comes near breaking'
                  : `It bears ${figure(report.reserve, 1)} times this load; first ${report.mode} at ${amount(report.atMm, 'mm')}`
              }}. </span
            ><template v-if="report.strainPct > 0"
              >Greatest strain {{ figure(report.strainPct, 2) }} %.</template
            >
          </dd>
        </dl>
        <p class="caution">
          Stand clear of the tips and of what hangs; wear glasses. Cushion the floor under the load, and load
          slowly, with something soft to catch it. Carbon that breaks throws splinters: gloves, and no bare
          hands along a broken end. A wing that has cracked, or taken a set, does not fly.
        </p>
      </template>
    </div>
    <div>
      <table class="ledger" data-table="proofs">
        <thead>
          <tr>
            <th>Test</th>
            <th class="r">computed</th>
            <th class="r">measured</th>
            <th class="r">stiffness</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="proof in doc.proofs"
            :key="proof.id"
            class="pick"
            :class="{ on: proof.id === chosen?.id }"
            :data-proof="proof.id"
            v-pick="() => (look.proof = proof.id)"
          >
            <td>
              {{ KIND_WORDS[proof.kind].title }}, {{ amount(proof.massG, 'g') }}
              <div class="small quiet">{{ proof.date }}</div>
            </td>
            <td class="r num">
              {{ figure(reports.find(r => r.id === proof.id)?.predicted, 1) }}
              {{ reports.find(r => r.id === proof.id)?.unit }}
            </td>
            <td class="r num">{{ proof.measured === null ? 'not yet' : figure(proof.measured, 1) }}</td>
            <td class="r num">
              {{
                reports.find(r => r.id === proof.id)?.ratio
                  ? percent(reports.find(r => r.id === proof.id)!.ratio!)
                  : '–'
              }}
            </td>
          </tr>
        </tbody>
      </table>
      <h3>What the tests say</h3>
      <table class="ledger">
        <tbody>
          <tr>
            <td>
              Bending stiffness, {{ measured.bendingTests }}
              {{ measured.bendingTests === 1 ? 'test' : 'tests' }}
            </td>
            <td class="r num" data-figure="bending-ratio">{{ percent(measured.bending) }}</td>
          </tr>
          <tr>
            <td>
              Stiffness in twist, {{ measured.twistTests }} {{ measured.twistTests === 1 ? 'test' : 'tests' }}
            </td>
            <td class="r num">{{ percent(measured.twist) }}</td>
          </tr>
          <tr>
            <td>Keep under, with that put in</td>
            <td class="r num">
              {{
                now.strength.twist.cautionMs === null
                  ? 'no limit found'
                  : `${figure(now.strength.twist.cautionMs)} m/s`
              }}
            </td>
          </tr>
          <tr>
            <td>Tip rises at the greatest load factor</td>
            <td class="r num">{{ amount(now.strength.twist.tipRiseMm, 'mm') }}</td>
          </tr>
        </tbody>
      </table>
      <p class="small quiet">
        Measured stiffness goes into bending, twist, divergence and flutter. It does not go into reserves: how
        the load is shared stays as computed, and a soft wing is not a proof of a strong one.
      </p>
    </div>
  </div>
</template>

<style scoped>
.empty {
  max-width: 720px;
}
.plan {
  min-width: 130px;
}
.empty td {
  padding: 8px 14px 8px 0;
  line-height: 1.4;
}
.split {
  display: grid;
  grid-template-columns: 1.35fr 1fr;
  gap: 22px;
  align-items: start;
}
.proves {
  display: grid;
  grid-template-columns: 104px 1fr;
  gap: 4px 10px;
  margin: 0;
  font-size: 13.5px;
  line-height: 1.4;
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
}
@media (max-width: 700px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
