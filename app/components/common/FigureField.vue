<script setup lang="ts">
/**
 * A figure with its unit and limits; arithmetic and other units are read too. What was typed stays until it is a
 * figure inside the limits; only then it counts.
 */
import { amountOf, reading, shownAs, unitName } from '~/composables/format'
import { parseQuantity } from '~/composables/parse-quantity'

const props = withDefaults(
  defineProps<{
    label: string
    modelValue: number | null
    unit?: string
    min: number
    max: number
    digits?: number
    hint?: string
    optional?: boolean
    /** What counts where nothing is typed, in the metric unit. */
    usual?: number
  }>(),
  { unit: '', digits: 1, hint: undefined, usual: undefined },
)
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>()

/** What is typed is in the maker's units; what is held is metric. */
const shown = computed(() => shownAs(props.unit))
const show = (value: number | null): string => {
  if (value === null) return ''
  const steps = 10 ** shown.value.digits(props.digits)
  const written = String(Math.round(value * shown.value.by * steps) / steps)
  return reading.value.decimal === ',' ? written.replace('.', ',') : written
}
const parse = (typed: string): number =>
  parseQuantity(typed, props.unit, shown.value.by, reading.value.decimal)
const text = ref(show(props.modelValue))
watch(
  () => props.modelValue,
  value => {
    if (show(parse(text.value)) !== show(value)) text.value = show(value)
  },
)
watch(
  reading,
  () => {
    text.value = show(props.modelValue)
  },
  { deep: true },
)

const range = computed(() => {
  const edge = (value: number) => (shown.value.by === 1 ? String(value) : amountOf(value, props.unit, 0))
  return `from ${edge(props.min)} to ${edge(props.max)}`
})
const fault = computed(() => {
  if (text.value.trim() === '') return props.optional ? '' : `a number ${range.value}`
  const value = parse(text.value)
  if (!Number.isFinite(value))
    return `"${text.value.slice(0, 12)}" is not a number that can be read one way alone`
  return value < props.min || value > props.max ? `${range.value} ${unitName(props.unit)}` : ''
})

function commit() {
  // A figure that stands there rounded has not been changed by being looked at.
  if (fault.value || text.value === show(props.modelValue)) return
  const value = text.value.trim() === '' ? null : parse(text.value)
  if (value !== props.modelValue) emit('update:modelValue', value)
  // What was worked out, or typed in another unit, stands there as what it came to.
  if (value !== null && /[a-z*/×÷()"'°%]/i.test(text.value)) text.value = show(value)
}
function nudge(event: KeyboardEvent) {
  if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
  event.preventDefault()
  const value =
    (fault.value || text.value === '' ? (props.modelValue ?? 0) : parse(text.value)) +
    (event.key === 'ArrowUp' ? 1 : -1) *
      (event.shiftKey ? 10 : 1) *
      (10 ** -Math.min(shown.value.digits(props.digits), 2) / shown.value.by)
  text.value = show(Math.min(props.max, Math.max(props.min, value)))
  commit()
}
</script>

<template>
  <v-text-field
    v-model="text"
    class="num"
    :label="label"
    :suffix="unitName(unit)"
    inputmode="decimal"
    :error-messages="fault"
    :hint="hint"
    :persistent-hint="!!hint"
    autocomplete="off"
    :placeholder="usual !== undefined ? `usual ${show(usual)}` : optional ? 'not yet' : undefined"
    :persistent-placeholder="optional"
    @blur="commit"
    @keydown.enter="commit"
    @keydown="nudge"
  />
</template>
