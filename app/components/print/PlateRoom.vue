<script setup lang="ts">
/** Plates by their state, and the chosen one on its bed. */
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { usePrintRoom } from '~/composables/usePrintRoom'
import { dayAndHour } from '~/composables/room-time'
import type { PlannedPlate } from '../../../core/workshop/print-room'

const { doc } = useBench()
const room = usePrintRoom()
const { plan, plates, plate, chosen, planned } = room
const groups = computed(() =>
  (
    [
      ['printing', 'Printing'],
      ['waiting', 'Waiting'],
      ['failed', 'Failed'],
      ['done', 'Done'],
    ] as const
  )
    .map(([state, label]) => ({
      state,
      label,
      plates: plates.value
        .filter(item => item.state === state)
        .sort((a, b) => (a.begins ?? Infinity) - (b.begins ?? Infinity)),
    }))
    .filter(group => group.plates.length > 0),
)
const bed = ref<HTMLElement>()
/** On a phone the bed stands under a long list: what was pressed is brought into sight. */
async function choose(id: string) {
  chosen.value = id
  await nextTick()
  if (window.innerWidth <= 900) bed.value?.scrollIntoView({ block: 'start' })
}
const printerOf = (item: PlannedPlate) =>
  doc.value.printers.find(printer => printer.id === item.printer)?.name ?? item.printer
const when = (hours: number | null) => (hours === null ? 'fits no hours' : dayAndHour(planned.value, hours))
</script>

<template>
  <div class="plates">
    <section class="list" aria-label="Plates">
      <p v-if="plan" class="small lead">
        <b class="num" data-figure="plates">{{ plates.filter(p => p.state === 'waiting').length }}</b> plates
        to print; all done
        <b class="num" data-figure="done-at">{{
          plan.doneAt === null ? 'never: see the week' : when(plan.doneAt)
        }}</b>, without hours when nobody is there
        <span class="num">{{ plan.doneTendedAt === null ? 'never' : when(plan.doneTendedAt) }}</span>
      </p>
      <template v-for="group in groups" :key="group.state">
        <h3>
          {{ group.label }} <span class="quiet num">{{ group.plates.length }}</span>
        </h3>
        <button
          v-for="item in group.plates"
          :key="item.id"
          type="button"
          class="plain plate"
          :class="{ on: plate?.id === item.id }"
          :data-plate="item.id"
          :data-state="item.state"
          @click="choose(item.id)"
        >
          <b class="num">{{ item.marks.join(' ') }}</b>
          <span v-if="item.first" class="tag">first</span>
          <span v-else-if="item.heldBy" class="tag held">held</span><span v-else />
          <span class="quiet grow">{{ printerOf(item) }}</span>
          <span class="num aside">{{ figure(item.hours, 1) }} h</span>
          <span class="num r aside">{{ amount(item.gramsOff, 'g') }}</span>
          <span class="num quiet at">{{
            item.state === 'waiting'
              ? when(item.begins)
              : item.state === 'printing'
                ? `till ${when(item.ends)}`
                : (item.record?.ended ?? '').slice(5, 10)
          }}</span>
        </button>
      </template>
      <p v-if="plan && plates.length === 0" class="quiet">
        Everything is printed. What fails, breaks or changes comes back here.
      </p>
    </section>
    <div ref="bed" class="chosen"><PlateBed v-if="plate" :key="plate.id" :plate="plate" /></div>
  </div>
</template>

<style scoped>
.plates {
  display: grid;
  grid-template-columns: minmax(390px, 1.1fr) minmax(330px, 1fr);
  gap: 22px;
  min-height: 0;
}
.chosen {
  height: 100%;
}
.lead {
  margin: 0 0 8px;
}
h3 {
  margin: 10px 0 3px;
}
.plate {
  display: grid;
  grid-template-columns: 64px 40px minmax(70px, 1fr) 42px 40px 78px;
  gap: 6px;
  align-items: baseline;
  width: 100%;
  text-align: left;
  padding: 4px 6px;
  border-bottom: 1px solid var(--hair);
  font-size: 13px;
}
.plate.on {
  background: var(--chosen, rgba(var(--v-theme-primary), 0.12));
}
.plate[data-state='failed'] b {
  color: rgb(var(--v-theme-error));
}
.grow {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.plate b {
  overflow-wrap: anywhere;
}
.r,
.at,
.plate .num {
  text-align: right;
}
.plate b.num {
  text-align: left;
}
.tag {
  font-size: 11px;
  text-align: center;
  padding: 0 4px;
  border: 1px solid rgb(var(--v-theme-primary));
  border-radius: 8px;
  white-space: nowrap;
}
.tag.held {
  border-color: var(--hair);
  color: var(--quiet);
}
@media (max-width: 900px) {
  .plates {
    grid-template-columns: 1fr;
  }
  .plate {
    min-height: 44px;
    align-items: center;
  }
}
@media (max-width: 600px) {
  .plate {
    grid-template-columns: 62px 44px minmax(0, 1fr) 84px;
  }
  .plate .aside {
    display: none;
  }
}
</style>
