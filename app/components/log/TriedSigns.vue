<script setup lang="ts">
/** What was tried, in a pilot's words: less or to port, as it should be, more or to starboard. */
import type { FlightSign } from '../../../core/document'

const signs = defineModel<FlightSign[]>({ required: true })
const TRIED: Array<{ sign: FlightSign['sign']; label: string; words: [string, string, string] }> = [
  { sign: 'dive', label: 'Shallow dive, hands off', words: ['tucks under', 'holds', 'pulls out'] },
  { sign: 'pitch', label: 'Elevator feels', words: ['slack', 'right', 'nervous'] },
  { sign: 'power', label: 'Full throttle, hands off', words: ['nose down', 'level', 'nose up'] },
  { sign: 'turn', label: 'Trims at the middle, it turns', words: ['to port', 'straight', 'to starboard'] },
  { sign: 'slow', label: 'Slower, that turn gets', words: ['less', 'the same', 'more'] },
  { sign: 'stall', label: 'In a stall drops', words: ['port', 'neither', 'starboard'] },
  { sign: 'climb', label: 'Climbs', words: ['weakly', 'as computed', 'strongly'] },
  { sign: 'end', label: 'The end of the charge is', words: ['weak early', 'as computed', 'strong'] },
]
const VALUES = [-1, 0, 1] as const
const valueOf = (sign: string) => signs.value.find(item => item.sign === sign)?.value ?? null
/** Pressed again, it was not tried. */
function note(sign: FlightSign['sign'], value: FlightSign['value']) {
  const before = valueOf(sign)
  signs.value = [
    ...signs.value.filter(item => item.sign !== sign),
    ...(before === value ? [] : [{ sign, value }]),
  ]
}
</script>

<template>
  <div>
    <div v-for="item in TRIED" :key="item.sign" class="try">
      <span class="small">{{ item.label }}</span>
      <PickOne
        boxed
        mark="sign"
        :label="item.label"
        :options="VALUES.map((value, i) => ({ id: `${item.sign}:${value}`, label: item.words[i]! }))"
        :model-value="`${item.sign}:${valueOf(item.sign)}`"
        @update:model-value="note(item.sign, Number($event.split(':')[1]) as FlightSign['value'])"
      />
    </div>
  </div>
</template>

<style scoped>
.try {
  padding: 4px 0 6px;
  border-bottom: 1px solid var(--hair);
}
</style>
