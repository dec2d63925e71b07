<script setup lang="ts">
/** Pieces of a zone that are begun: they may stay as they were printed while the rest goes on otherwise. */
import { held, pairOf, type Zone } from '../../../core/document'
import { begunPieces } from '../../../core/workshop/go-on'
import { today } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { zone } = defineProps<{ zone: Zone }>()
const { doc, now, edit } = useBench()
const own = computed(() => now.value.pieces.filter(piece => piece.zone === zone.id))
const kept = computed(() => own.value.filter(piece => piece.asPrinted))
const begun = computed(() =>
  begunPieces(doc.value, now.value).begun.filter(piece => piece.zone === zone.id && !piece.asPrinted),
)
const marks = (pieces: ReadonlyArray<{ mark: string }>) => pieces.map(piece => piece.mark).join(', ')
function keep() {
  const next = held(toRaw(doc.value), begun.value, today())
  edit(`${zone.name}: what is begun stays as printed`, draft => {
    draft.asPrinted = structuredClone(next)
  })
}
function release() {
  const pairs = new Set(kept.value.map(piece => pairOf(piece.id)))
  edit(`${zone.name}: printed pieces follow the zone again`, draft => {
    draft.asPrinted = draft.asPrinted.filter(item => !pairs.has(item.piece))
  })
}
</script>

<template>
  <div v-if="kept.length || begun.length" data-held>
    <p v-if="kept.length" class="small">
      <b>{{ marks(kept) }}</b> {{ kept.length === 1 ? 'stays' : 'stay' }} as printed: what you change here is
      for the rest.
    </p>
    <p v-if="begun.length" class="small">
      <b>{{ marks(begun) }}</b> {{ begun.length === 1 ? 'is' : 'are' }} begun. A change here makes
      {{ begun.length === 1 ? 'it a piece' : 'them pieces' }} to print again, unless what is begun stays as it
      was printed.
    </p>
    <div class="acts">
      <v-btn v-if="begun.length" size="x-small" data-act="keep-printed" @click="keep">Keep as printed</v-btn>
      <v-btn v-if="kept.length" size="x-small" data-act="follow-zone" @click="release"
        >Let {{ kept.length === 1 ? 'it' : 'them' }} follow the zone</v-btn
      >
    </div>
  </div>
</template>

<style scoped>
p {
  margin: 0 0 4px;
}
</style>
