<script setup lang="ts">
/** One wing of consequence: fills towards its target; place, label and hatch tell it apart, not colour. */
import type { Verdict } from '../../../core/assess'
import type { Ahead } from '../../../core/change'
import { amount, amountOf, signedAmountOf, unitName, worded } from '~/composables/format'

const props = defineProps<{
  verdict: Verdict
  difference: number
  open: boolean
  ghost: number | null
  /** While something is held: what it will say, and how far that may be out. */
  ahead?: Ahead | null
  /** Without target, spread and margin. */
  brief?: boolean
}>()
defineEmits<{ why: [] }>()

/** A wing in a 40 × 36 box with its root at the lower right; mirrored by place. */
const FORE = 'M39 34C37 12 22 1 7 3C-2 5 0 20 10 27C18 32 29 34 39 34Z'
const HIND = 'M39 3C26 3 12 6 6 15C1 25 9 35 19 32C30 29 37 15 39 3Z'
const place = computed(
  () =>
    (({ weight: [FORE, 1], balance: [FORE, -1], strength: [HIND, 1], hours: [HIND, -1] }) as const)[
      props.verdict.wing
    ],
)
const hatch = computed(() => ({ weight: 0, balance: 45, strength: 90, hours: -45 })[props.verdict.wing])
const id = useId()
const word = computed(() => ({ good: 'meets', tight: 'just meets', failing: 'misses' })[props.verdict.state])
/** A margin that rounds to nothing gets one more digit, so that it says which side it is on. */
const marginText = computed(() => {
  const { margin, unit, digits } = props.verdict
  return signedAmountOf(margin, unit, Number(margin.toFixed(digits)) === 0 ? digits + 1 : digits)
})
const changed = computed(() => Math.abs(props.difference) >= 0.5 * 10 ** -props.verdict.digits)
const better = computed(() => {
  const { wing } = props.verdict
  if (wing === 'balance') return null
  return (wing === 'strength' ? props.difference : -props.difference) > 0
})
</script>

<template>
  <button
    type="button"
    class="wing plain"
    :class="[verdict.state, { open, brief }]"
    :data-wing="verdict.wing"
    :aria-expanded="open"
    :aria-label="`${verdict.label}: ${amount(verdict.value, verdict.unit, verdict.digits)}, ${word} the target ${worded(verdict.targetText)}. Show why`"
    @click="$emit('why')"
  >
    <svg viewBox="0 0 40 36" width="40" height="36" aria-hidden="true">
      <defs>
        <pattern
          :id="`${id}-h`"
          width="4"
          height="4"
          patternUnits="userSpaceOnUse"
          :patternTransform="`rotate(${hatch})`"
        >
          <rect width="4" height="4" class="fill" />
          <path d="M0 1H4" class="line" />
        </pattern>
        <clipPath :id="`${id}-c`"><path :d="place[0]" /></clipPath>
      </defs>
      <g :transform="place[1] === -1 ? 'translate(40 0) scale(-1 1)' : ''">
        <rect
          x="0"
          :y="36 - 36 * verdict.fill"
          width="40"
          height="36"
          :fill="`url(#${id}-h)`"
          :clip-path="`url(#${id}-c)`"
        />
        <path :d="place[0]" class="edge" />
      </g>
    </svg>
    <span class="text">
      <span class="label"
        >{{ verdict.label }} <span class="target">{{ worded(verdict.targetText) }}</span></span
      >
      <span class="value num"
        ><b v-if="ahead" :data-ahead="verdict.wing"
          >≈ {{ amountOf(ahead.value, verdict.unit, verdict.digits) }}</b
        ><b v-else>{{ amountOf(verdict.value, verdict.unit, verdict.digits) }}</b
        ><span :class="{ long: verdict.unit.length > 4 }">{{ ` ${unitName(verdict.unit)}` }}</span
        >{{ ' '
        }}<span v-if="ghost !== null" class="ghost" :data-ghost="verdict.wing"
          >→ {{ amountOf(ghost, verdict.unit, verdict.digits) }}</span
        ><span v-else-if="ahead" class="quiet"
          >± {{ amountOf(ahead.error + 0.5 * 10 ** -verdict.digits, verdict.unit, verdict.digits) }}</span
        ><span v-else class="quiet"
          >± {{ amountOf(verdict.spread, verdict.unit, verdict.digits) }}</span
        ></span
      >
      <span class="margin num" :class="verdict.state === 'failing' ? 'bad' : 'quiet'"
        >{{ word }}<span class="by">, {{ marginText }}</span>
        <span
          v-if="changed"
          class="chip"
          :class="better === null ? '' : better ? 'better' : 'worse'"
          :data-diff="verdict.wing"
          >{{ signedAmountOf(difference, verdict.unit, verdict.digits) }}</span
        >
      </span>
    </span>
  </button>
</template>

<style scoped>
.wing {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 4px 8px 4px 6px;
  border-radius: 8px;
  min-width: 0;
}
.wing:hover,
.wing.open {
  background: color-mix(in srgb, rgb(var(--v-theme-on-surface)) 7%, transparent);
}
.text {
  display: flex;
  flex-direction: column;
  line-height: 1.25;
  min-width: 0;
}
.label {
  font-weight: 650;
  font-size: 13px;
  white-space: nowrap;
}
.target {
  font-weight: 400;
  font-size: 11.5px;
  color: var(--quiet);
}
.value {
  font-size: 13px;
  white-space: nowrap;
}
.value b {
  font-size: 16px;
  font-weight: 500;
}
.margin {
  font-size: 12px;
  white-space: nowrap;
}
.edge {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 1.6;
}
.fill {
  fill: color-mix(in srgb, rgb(var(--v-theme-on-surface)) 22%, transparent);
}
.line {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 1.1;
}
.failing .edge {
  stroke: rgb(var(--v-theme-error));
  stroke-width: 2.2;
  stroke-dasharray: 4 2;
}
.failing .fill {
  fill: color-mix(in srgb, rgb(var(--v-theme-error)) 35%, transparent);
}
.failing .line {
  stroke: rgb(var(--v-theme-error));
}
.chip {
  border: 1px solid currentcolor;
  border-radius: 9px;
  padding: 0 6px;
  margin-left: 4px;
  color: rgb(var(--v-theme-on-surface));
}
.ghost {
  color: rgb(var(--v-theme-secondary));
  font-weight: 600;
}
.chip.better {
  color: rgb(var(--v-theme-success));
}
/* Beside others on a card. */
.brief {
  padding: 2px 0;
  align-items: start;
}
.brief svg {
  width: 26px;
  height: 24px;
  flex: none;
  margin-top: 3px;
}
.brief .value .quiet,
.brief .value .long,
.brief .target,
.brief .by {
  display: none;
}
@media (max-width: 700px) {
  .wing {
    min-height: 56px;
    padding: 2px 2px 4px;
    gap: 4px;
    align-items: start;
  }
  .wing svg {
    width: 20px;
    height: 18px;
    flex: none;
    overflow: visible;
    margin-top: 1px;
  }
  .value,
  .value b {
    font-size: 12.5px;
  }
  .margin {
    font-size: 11.5px;
    white-space: normal;
  }
  .chip {
    margin-left: 0;
    padding: 0 4px;
  }
  .value .quiet,
  .value .long,
  .target,
  .by {
    display: none;
  }
}
.chip.worse {
  color: rgb(var(--v-theme-error));
}
</style>
