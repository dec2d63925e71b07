<script setup lang="ts">
/**
 * A figure with its unit and limits. What was typed stays until it is a number inside the limits; only then
 * it counts.
 */
import { parseFigure as parse } from '~/composables/parse-figure'

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
  }>(),
  { unit: '', digits: 1, hint: undefined },
)
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>()

const show = (value: number | null) =>
  value === null ? '' : String(Math.round(value * 10 ** props.digits) / 10 ** props.digits)
const text = ref(show(props.modelValue))
watch(
  () => props.modelValue,
  value => {
    if (parse(text.value) !== value) text.value = show(value)
  },
)

const fault = computed(() => {
  if (text.value.trim() === '') return props.optional ? '' : `a number from ${props.min} to ${props.max}`
  const value = parse(text.value)
  if (!Number.isFinite(value))
    return `"${text.value.slice(0, 12)}" is not a number that can be read one way alone`
  return value < props.min || value > props.max ? `from ${props.min} to ${props.max} ${props.unit}` : ''
})

function commit() {
  if (fault.value) return
  const value = text.value.trim() === '' ? null : parse(text.value)
  if (value !== props.modelValue) emit('update:modelValue', value)
}
function nudge(event: KeyboardEvent) {
  if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
  event.preventDefault()
  const value =
    (fault.value || text.value === '' ? (props.modelValue ?? 0) : parse(text.value)) +
    (event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1) * 10 ** -Math.min(props.digits, 2)
  text.value = show(Math.min(props.max, Math.max(props.min, value)))
  commit()
}
</script>

<template>
  <v-text-field
    v-model="text"
    class="num"
    :label="label"
    :suffix="unit"
    inputmode="decimal"
    :error-messages="fault"
    :hint="hint"
    :persistent-hint="!!hint"
    autocomplete="off"
    :placeholder="optional ? 'not yet' : undefined"
    :persistent-placeholder="optional"
    @blur="commit"
    @keydown.enter="commit"
    @keydown="nudge"
  />
</template>
