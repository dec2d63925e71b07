<script setup lang="ts">
/** The box or boot that the aircraft must go into, as the brief has it. */
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const ask = (box: [number, number, number] | null) =>
  edit(box ? 'Ask for a travel box' : 'Ask for no travel box', draft => {
    draft.brief.travelBoxMm = box
  })
const set = (i: number, valueMm: number, side: string) =>
  edit(`Set ${side} of the travel box`, draft => {
    draft.brief.travelBoxMm![i] = valueMm
  })
</script>

<template>
  <BoxSides :box="doc.brief.travelBoxMm" name="travel" @ask="ask" @side="set" />
</template>
