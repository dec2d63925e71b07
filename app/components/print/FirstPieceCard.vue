<script setup lang="ts">
/** The piece that goes before the rest of its kind: what it still wants, and its acceptance. */
import { WEIGH_LIMIT } from '../../../core/assess'
import { firstPieceState, type PlannedPlate } from '../../../core/workshop/print-room'
import { figure, signed } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { usePrintRoom } from '~/composables/usePrintRoom'

const props = defineProps<{ plate: PlannedPlate }>()
const { doc, now } = useBench()
const room = usePrintRoom()
const limit = 100 * WEIGH_LIMIT
/** A failed plate is over; a first piece that is done still wants to be looked at. */
const firstId = computed(() =>
  props.plate.state === 'failed' ? null : (pending.value ?? props.plate.heldBy),
)
/** The piece of a finished plate that others wait for. */
const pending = computed(
  () =>
    room.plan.value?.releases.find(
      release => release.first !== null && props.plate.pieces.some(item => item.piece === release.first),
    )?.first ?? null,
)
const firstPiece = computed(() => now.value.pieces.find(item => item.id === firstId.value))
const isFirst = computed(() => props.plate.pieces.some(item => item.piece === firstId.value))
const first = computed(() => (firstPiece.value ? firstPieceState(doc.value, firstPiece.value) : null))
const looked = ref(false)
const reason = ref('')
const byHand = ref(false)
</script>

<template>
  <div v-if="first && firstPiece" class="card" data-card="first-piece">
    <b>{{ plate.pieces.some(item => item.piece === firstPiece!.id) ? 'First piece' : 'Held' }}.</b>
    {{
      isFirst
        ? 'Nothing printed in this filament, recipe and printer has been accepted yet. The rest waits until this one has been checked, weighed and looked at.'
        : `It waits until ${firstPiece.name} has been checked, weighed and looked at.`
    }}
    <ul class="checks">
      <li :class="{ good: first.checked }">
        {{ first.checked ? '✓' : '·' }} machine file held against it and accepted
      </li>
      <li :class="{ good: first.offPercent !== null && Math.abs(first.offPercent) <= limit }">
        {{ first.offPercent !== null && Math.abs(first.offPercent) <= limit ? '✓' : '·' }}
        weighed<template v-if="first.offPercent !== null">, {{ signed(first.offPercent, 1) }} %</template>;
        {{ figure(limit) }} % is allowed
      </li>
      <li>
        <label class="tick"
          ><input v-model="looked" type="checkbox" data-field="looked" /> bent and looked at: ends flat, webs
          bonded, no gaps at the edges</label
        >
      </li>
    </ul>
    <div class="acts">
      <v-btn
        data-act="accept-first"
        :disabled="!looked || !first.good"
        @click="room.accept(firstPiece.id, false, '')"
        >Accept, release the rest</v-btn
      ><v-btn variant="text" data-act="release-anyway" @click="byHand = true">Release anyway…</v-btn>
    </div>
    <div v-if="byHand" class="row">
      <v-text-field
        v-model="reason"
        label="Why (kept with the project)"
        data-field="why-release"
        maxlength="400"
      />
      <v-btn
        data-act="release"
        :disabled="!reason.trim()"
        @click="room.accept(firstPiece.id, true, reason.trim())"
        >Release</v-btn
      >
    </div>
  </div>
</template>

<style scoped>
.checks {
  list-style: none;
  padding-left: 2px !important;
}
.tick {
  cursor: pointer;
}
.row {
  display: flex;
  gap: 10px;
  align-items: center;
}
</style>
