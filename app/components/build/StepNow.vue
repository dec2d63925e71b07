<script setup lang="ts">
/** One step, to be read from arm's length and ticked with a gluey finger. */
import { amount, figure, worded } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { spokenTime, timerLeft, useBuild } from '~/composables/useBuild'
import { BENCHES } from '../../../core/assess'

const { doc, now } = useBench()
const { progress, current, chosen, clock, stepAt, tick, untick } = useBuild()
const item = computed(() => current.value)
const step = computed(() => item.value?.step ?? null)
const at = computed(() => progress.value?.steps.findIndex(other => other.step.id === step.value?.id) ?? 0)
function go(way: 1 | -1) {
  const next = progress.value?.steps[at.value + way]
  if (next) chosen.value = next.step.id
}
const timers = computed(() =>
  doc.value.build.timers.map(timer => ({
    ...timer,
    ...timerLeft(timer.ends, clock.value),
    title: worded(stepAt(timer.step)?.step.title ?? timer.step),
  })),
)
const own = computed(() => timers.value.find(timer => timer.step === step.value?.id) ?? null)
const curing = computed(() =>
  timers.value.filter(timer => !timer.rung && step.value?.needs.includes(timer.step)),
)
/** Gate of a laying out: what the scale has seen of this bench. */
const weighed = computed(() => {
  if (step.value?.gate !== 'weighed') return null
  const later = new Set(
    progress.value?.steps
      .filter(other => other.step.bench === step.value!.bench)
      .flatMap(other => other.step.brings),
  )
  const pieces = now.value.pieces.filter(piece => later.has(piece.id))
  return { of: pieces.length, done: pieces.filter(piece => piece.weighedG !== null).length }
})
const gateWords = computed(() =>
  weighed.value
    ? `${weighed.value.done} of ${weighed.value.of} pieces of this bench are weighed.`
    : 'Go on only when it is.',
)
/** What doing it now would shut out, the nearest first, with the reason of the rule. */
const ruledOut = computed(() =>
  (item.value?.waitsFor ?? []).slice(-3).map(other => ({
    id: other.id,
    title: worded(other.title),
    because:
      other.traps.find(each => each.before === step.value?.id)?.because ?? other.traps[0]?.because ?? '',
  })),
)
/** Pieces that a note may be about as well. */
const pieces = computed(() => now.value.pieces.filter(piece => step.value?.touches.includes(piece.id)))
const trap = computed(() => step.value?.traps[0] ?? null)
const states: Record<string, string> = {
  done: 'Done',
  skipped: 'Skipped',
  ready: 'Ready',
  waits: 'Not yet',
  cures: 'Curing',
}
const lastDone = computed(
  () => [...doc.value.build.ticks].sort((a, b) => a.at.localeCompare(b.at)).at(-1)?.step ?? null,
)
const skipped = computed(() => progress.value?.steps.filter(other => other.state === 'skipped') ?? [])
/** Hands on as noted, of the steps where that was noted. */
const noted = computed(() => doc.value.build.ticks.reduce((sum, other) => sum + (other.tookMin ?? 0), 0))
</script>

<template>
  <div v-if="progress && !step" class="built" data-card="built">
    <h2 class="big">{{ doc.name }} is built.</h2>
    <p>
      {{ progress.done }} steps done{{ skipped.length ? `, ${skipped.length} skipped` : ''
      }}{{ noted > 1 ? `; ${spokenTime(noted)} of hands on as noted` : '' }}. Next it is weighed and balanced
      ready to fly, bent on the ground, and looked over.
    </p>
    <p v-for="other in skipped" :key="other.step.id">
      Skipped: {{ worded(other.step.title) }}
      <button type="button" class="plain link" @click="chosen = other.step.id">Open it</button>
    </p>
    <p class="row">
      <NuxtLink to="/prove" class="link">Prove</NuxtLink><NuxtLink to="/field" class="link">Field</NuxtLink
      ><button v-if="lastDone" type="button" class="plain link" data-act="last" @click="chosen = lastDone">
        Last tick
      </button>
    </p>
  </div>
  <div v-else-if="item && step && progress" class="now" :data-step="step.id" :data-state="item.state">
    <div class="picture"><BuildScene :item="item" /></div>
    <div class="words">
      <p class="where">
        <span class="num">{{ at + 1 }} of {{ progress.steps.length }}</span> · {{ BENCHES[step.bench] }} ·
        <span :class="{ good: item.state === 'done', bad: item.state === 'waits' }">{{
          states[item.state]
        }}</span>
      </p>
      <h2 class="big">{{ worded(step.title) }}</h2>
      <div v-if="item.state === 'waits'" class="card wait" role="status" data-card="waits">
        <p>
          <b>Not yet.</b> First: {{ ruledOut.map(other => other.title).join(' · ') }}
          <button type="button" class="plain link" @click="chosen = item.waitsFor[0]!.id">Go there</button>
        </p>
        <p v-for="other in ruledOut.filter(each => each.because)" :key="other.id" class="small">
          Done now, it rules out “{{ other.title }}”: {{ other.because }}
        </p>
      </div>
      <div v-for="timer in curing" :key="timer.step" class="card wait" role="status">
        {{ timer.title }} still cures: <b class="num">{{ timer.text }}</b>
      </div>
      <ol class="how">
        <li v-for="(line, i) in step.how" :key="i">{{ worded(line) }}</li>
        <li v-if="step.glue">
          {{ step.glue.name }}, {{ amount(step.glue.grams, 'g', 1) }}: {{ step.glue.how }}
        </li>
      </ol>
      <div v-if="trap || step.glue" class="card trap" data-card="trap">
        <p v-if="trap">
          <b>Before “{{ worded(stepAt(trap.before)?.step.title ?? '') }}”.</b> {{ trap.because }}
        </p>
        <p v-for="other in step.traps.slice(1, 3)" :key="other.rule" class="small">{{ other.because }}</p>
        <p v-if="step.glue" class="small">{{ step.glue.trap }}</p>
      </div>
      <p v-if="step.gate" class="gate" data-gate>
        <b>Gate: {{ step.gate }}.</b> {{ gateWords }}
        <NuxtLink v-if="weighed && weighed.done < weighed.of" to="/weigh" class="link">To the scale</NuxtLink>
      </p>
      <p v-if="step.hand.length" class="small"><b>At hand:</b> {{ step.hand.map(worded).join(' · ') }}</p>
      <p v-for="text in step.cautions" :key="worded(text)" class="small caution">⚠ {{ worded(text) }}</p>
      <div v-if="item.shuts.length" class="card wait" role="alert" data-card="shuts">
        Done before {{ item.shuts.map(other => worded(other.title)).join(', ') }}: look whether that can still
        be done.
      </div>
      <StepNotes :about="step.id" :name="worded(step.title)" :pieces="pieces" />
    </div>
    <div class="acts">
      <button type="button" class="plain turn" :disabled="at === 0" aria-label="Step before" @click="go(-1)">
        ‹
      </button>
      <template v-if="item.state === 'done' || item.state === 'skipped'">
        <v-btn class="tall" variant="tonal" data-act="undone" @click="untick(step.id)"
          >Not done after all</v-btn
        >
        <v-btn class="tall" data-act="go-next" @click="chosen = null">To what is next</v-btn>
      </template>
      <template v-else>
        <v-btn class="tall done" variant="flat" color="primary" data-act="done" @click="tick(step.id, 'done')"
          >Done<span v-if="step.waitMin" class="after">, cures {{ spokenTime(step.waitMin) }}</span></v-btn
        >
        <v-btn class="tall" variant="text" data-act="skip" @click="tick(step.id, 'skipped')">Skip</v-btn>
        <v-btn v-if="lastDone" class="tall" variant="text" data-act="last" @click="chosen = lastDone"
          >Last tick</v-btn
        >
      </template>
      <span v-if="own" class="clock num" :class="{ bad: own.rung }" data-timer>{{
        own.rung ? `rang ${own.text} ago` : own.text
      }}</span>
      <span v-else class="quiet small time">
        <span class="num">{{ figure(step.minutes) }}</span> min hands on<template v-if="step.waitMin"
          >, then {{ spokenTime(step.waitMin) }}</template
        ></span
      >
      <button
        type="button"
        class="plain turn"
        :disabled="at === progress.steps.length - 1"
        aria-label="Step after"
        @click="go(1)"
      >
        ›
      </button>
    </div>
  </div>
</template>

<style scoped>
.now {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template: minmax(0, 1fr) auto / minmax(300px, 1fr) minmax(320px, 1fr);
  grid-template-areas: 'picture words' 'acts acts';
  gap: 0 20px;
}
.built {
  max-width: 620px;
  font-size: 16px;
}
.picture {
  grid-area: picture;
  min-height: 200px;
  min-width: 0;
}
.words {
  grid-area: words;
  overflow: auto;
  min-height: 0;
  padding-right: 4px;
}
.where {
  margin: 0 0 2px;
  color: var(--quiet);
}
.big {
  font-size: 25px;
  line-height: 1.15;
  margin: 0 0 10px;
}
.how {
  margin: 0 0 10px;
  padding-left: 20px;
  font-size: 17px;
  line-height: 1.4;
}
.how li {
  margin: 4px 0;
}
.card {
  border-left: 3px solid rgb(var(--v-theme-primary));
  background: color-mix(in srgb, rgb(var(--v-theme-primary)) 9%, transparent);
  padding: 8px 12px;
  margin: 0 0 10px;
  border-radius: 0 6px 6px 0;
  font-size: 15px;
  line-height: 1.4;
}
.card p {
  margin: 2px 0;
}
.card.wait {
  border-left-color: var(--hair);
  background: color-mix(in srgb, rgb(var(--v-theme-on-surface)) 7%, transparent);
}
.link {
  text-decoration: underline;
  margin-left: 8px;
  color: inherit;
}
.gate {
  margin: 0 0 8px;
  font-size: 15px;
}
.caution {
  margin: 2px 0;
}
.acts {
  grid-area: acts;
  position: sticky;
  bottom: 0;
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 8px 0 0;
  border-top: 1px solid var(--hair);
  background: rgb(var(--v-theme-background));
}
.tall {
  height: 52px !important;
  font-size: 17px !important;
  min-width: 96px;
}
.done {
  min-width: 150px;
}
.after {
  font-weight: 400;
  margin-left: 2px;
}
.turn {
  text-align: center;
  font-size: 26px;
  width: 44px;
  height: 52px;
  border: 1px solid var(--hair);
  border-radius: 8px;
}
.turn:disabled {
  opacity: 0.35;
}
.acts .turn:last-child {
  margin-left: auto;
}
.clock {
  font-size: 24px;
}
@media (max-width: 900px) {
  .now {
    grid-template: 210px auto auto / minmax(0, 1fr);
    grid-template-areas: 'picture' 'words' 'acts';
  }
  .picture {
    min-height: 0;
  }
  .words {
    overflow: visible;
  }
  .now {
    padding-bottom: 150px;
  }
  .acts {
    position: fixed;
    left: 0;
    right: 0;
    bottom: 0;
    z-index: 6;
    padding: 8px 12px 12px;
    flex-wrap: wrap;
    gap: 6px;
  }
  .tall {
    min-width: 64px;
  }
  .done {
    flex: 1;
  }
  .time {
    order: 5;
    width: 100%;
  }
}
</style>
