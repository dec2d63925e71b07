<script setup lang="ts">
/** The shell: flight path, butterfly, the aircraft in the middle, tray and thread. */
import { until, useMediaQuery, useStorage } from '@vueuse/core'
import { isStation, stationInfo, type StationId } from '~/stations/path'
import { ROOMS } from '~/stations/rooms'
import { useRoom } from '~/composables/useRoom'
import { useAssessment } from '~/stores/assessment'
import { reasonOf } from '~/db/store-fault'
import { useCopies } from '~/stores/copies'
import { useProject } from '~/stores/project'
import { useView } from '~/stores/view'

const route = useRoute()
const project = useProject()
const assessment = useAssessment()
const look = useView()
const copies = useCopies()
const station = computed<StationId>(() =>
  isStation(String(route.params.station ?? '')) ? (route.params.station as StationId) : 'brief',
)
const about = computed(() => stationInfo(station.value))
const room = computed(() => ROOMS[station.value])
const { furniture, bare, whole, fetchAgain, fetchRest } = useRoom(station)
/** What the maker set, station by station. */
const shares = useStorage<Partial<Record<StationId, number>>>('mariposa-shares', {})
const small = useMediaQuery('(max-width: 700px)')
const bench = ref<HTMLElement | null>(null)
useStackedTables(bench, small)
const share = computed({
  get: () => shares.value[station.value] ?? (small.value && room.value.folds ? 1 : room.value.share),
  set: value => {
    shares.value = { ...shares.value, [station.value]: value }
  },
})
const folded = computed(() => share.value === 1)
const rows = computed(() =>
  folded.value
    ? '34px auto minmax(0, 1fr)'
    : `minmax(0, ${1 - share.value}fr) auto minmax(0, ${share.value}fr)`,
)
const findings = computed(
  () =>
    assessment.current?.findings.filter(({ stations }) =>
      (stations as readonly string[]).includes(station.value),
    ) ?? [],
)
watch(
  station,
  id => {
    look.view = ROOMS[id].view ?? (look.view === 'space' ? 'space' : 'plan')
    look.why = null
  },
  { immediate: true },
)
const failed = ref('')
onMounted(() =>
  project.start().catch((error: unknown) => {
    failed.value = `${reasonOf(error)}.`
  }),
)
// Not before what was asked for stands there.
void until(() => assessment.fresh && !!furniture.value)
  .toBe(true)
  .then(fetchRest)
onMounted(() =>
  copies.start().catch(() => {
    // Without a folder or an answer about storage, the reminder stands alone.
  }),
)
useHead({ title: () => `${about.value.label}: ${project.doc?.name.slice(0, 60) ?? ''} – Mariposa` })
</script>

<template>
  <div
    class="shell"
    :data-ready="assessment.fresh && !!assessment.current && !!furniture"
    :data-whole="whole"
    :data-latency="assessment.latencyMs.toFixed(1)"
  >
    <header class="bar"><TopBar /><Butterfly /></header>
    <FlightPath :station="station" />
    <main class="middle" :style="{ gridTemplateRows: rows }">
      <button v-if="folded" type="button" class="plain strip" data-act="unfold" @click="share = 0.62">
        <span>{{ project.doc?.name }}</span><span class="quiet">Show the drawing</span>
      </button>
      <AircraftStage v-else :station="station" />
      <StageDivider v-model="share" :home="room.share" />
      <section
        v-if="assessment.current && project.doc"
        ref="bench"
        class="bench"
        tabindex="0"
        :aria-label="about.question"
      >
        <component :is="furniture.bench" v-if="furniture" />
      </section>
      <WhyPanel />
    </main>
    <aside class="tray" tabindex="0" :aria-label="about.label">
      <h1>{{ about.label }}</h1>
      <p class="lead">{{ about.question }}</p>
      <p v-if="failed" class="bad" role="alert">{{ failed }}</p>
      <p v-if="project.notice" class="bad" role="alert" data-notice>
        {{ project.notice }}
        <v-btn variant="text" size="small" @click="look.shelfOpen = true">Projects</v-btn>
      </p>
      <template v-if="assessment.current && project.doc"
        ><FindingList :findings="findings" />
        <p v-if="bare" class="bad" role="alert" data-bare>
          What stands at this station could not be fetched. Is the server that serves this page still there?
          <v-btn size="small" @click="fetchAgain">Fetch it again</v-btn>
        </p>
        <component :is="furniture.tray" v-if="furniture" :key="project.doc.id" /><Nudges v-if="about.designs"
      /></template>
      <p v-else-if="assessment.fault" class="bad" role="alert" data-uncomputed>
        {{ project.doc?.name }} could not be computed: {{ assessment.fault }}.
        <v-btn size="small" @click="assessment.retry()">Compute again</v-btn>
        <v-btn size="small" variant="text" @click="look.shelfOpen = true">Projects</v-btn>
      </p>
      <p v-else-if="!failed" class="quiet">Computing the aircraft …</p>
    </aside>
    <Thread />
    <CommandField /><Shelf /><MarksDialog /><LeaveDialog /><NewerVersion />
  </div>
</template>

<style scoped>
.shell {
  display: grid;
  height: 100dvh;
  grid-template: auto minmax(0, 1fr) auto / 148px minmax(0, 1fr) 322px;
  grid-template-areas: 'bar bar bar' 'path middle tray' 'thread thread thread';
  background: rgb(var(--v-theme-background));
}
.bar {
  grid-area: bar;
  display: grid;
  grid-template-columns: auto 1fr;
  align-items: center;
  border-bottom: 1px solid var(--hair);
  padding: 3px 8px 3px 0;
  gap: 8px;
}
.shell > :deep(.path) {
  grid-area: path;
}
.shell > :deep(.thread) {
  grid-area: thread;
}
.middle {
  grid-area: middle;
  position: relative;
  display: grid;
  min-height: 0;
  min-width: 0;
  grid-template-rows: minmax(0, 1fr);
}
.bench {
  position: relative;
  overflow: auto;
  padding: 6px 16px 10px;
  min-height: 0;
}
.strip {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 0 16px;
  font-size: 13.5px;
  cursor: pointer;
}
.strip:hover {
  background: color-mix(in srgb, rgb(var(--v-theme-on-background)) 7%, transparent);
}
.tray {
  position: relative;
  grid-area: tray;
  border-left: 1px solid var(--hair);
  overflow-y: auto;
  padding: 12px 14px 24px;
}
h1 {
  font-size: 21px;
  font-weight: 750;
  line-height: 1.2;
  margin: 0;
}
@media (max-width: 700px) {
  .shell {
    height: auto;
    min-height: 100dvh;
    grid-template: auto auto auto auto auto / minmax(0, 1fr);
    grid-template-areas: 'bar' 'path' 'middle' 'tray' 'thread';
  }
  .bar {
    grid-template-columns: minmax(0, 1fr);
  }
  .middle {
    grid-template-rows: auto !important;
  }
  .middle > :deep(.stage) {
    height: 300px;
  }
  .bench {
    overflow-x: auto;
  }
  .tray {
    border-left: 0;
    border-top: 1px solid var(--hair);
  }
}
</style>
