<script setup lang="ts">
/** The shell: flight path, butterfly, the aircraft in the middle, tray and thread. */
import { FINDINGS_AT, isStation, STATIONS, type StationId } from '~/composables/stations'
import { useAssessment } from '~/stores/assessment'
import { useProject } from '~/stores/project'
import { useView } from '~/stores/view'
import BalanceBench from '~/components/stations/BalanceBench.vue'
import BalanceTray from '~/components/stations/BalanceTray.vue'
import BriefBench from '~/components/stations/BriefBench.vue'
import BriefTray from '~/components/stations/BriefTray.vue'
import ChooseBench from '~/components/stations/ChooseBench.vue'
import ChooseTray from '~/components/stations/ChooseTray.vue'
import LogBench from '~/components/stations/LogBench.vue'
import LogTray from '~/components/stations/LogTray.vue'
import MaidenBench from '~/components/stations/MaidenBench.vue'
import MaidenTray from '~/components/stations/MaidenTray.vue'
import PrintBench from '~/components/stations/PrintBench.vue'
import PrintTray from '~/components/stations/PrintTray.vue'
import ProveBench from '~/components/stations/ProveBench.vue'
import ProveTray from '~/components/stations/ProveTray.vue'
import ShapeBench from '~/components/stations/ShapeBench.vue'
import ShapeTray from '~/components/stations/ShapeTray.vue'
import SkinBench from '~/components/stations/SkinBench.vue'
import SkinTray from '~/components/stations/SkinTray.vue'
import SpineBench from '~/components/stations/SpineBench.vue'
import SpineTray from '~/components/stations/SpineTray.vue'
import SplitBench from '~/components/stations/SplitBench.vue'
import SplitTray from '~/components/stations/SplitTray.vue'
import WeighBench from '~/components/stations/WeighBench.vue'
import WeighTray from '~/components/stations/WeighTray.vue'

const TRAYS: Record<StationId, Component> = {
  brief: BriefTray,
  shape: ShapeTray,
  skin: SkinTray,
  spine: SpineTray,
  split: SplitTray,
  print: PrintTray,
  weigh: WeighTray,
  balance: BalanceTray,
  choose: ChooseTray,
  prove: ProveTray,
  maiden: MaidenTray,
  log: LogTray,
}
/** What lies under the aircraft, and its share of the height. */
const BENCHES: Partial<Record<StationId, { component: Component; share: number }>> = {
  brief: { component: BriefBench, share: 0.4 },
  shape: { component: ShapeBench, share: 0.47 },
  skin: { component: SkinBench, share: 0.42 },
  spine: { component: SpineBench, share: 0.62 },
  split: { component: SplitBench, share: 0.4 },
  print: { component: PrintBench, share: 0.42 },
  weigh: { component: WeighBench, share: 0.5 },
  balance: { component: BalanceBench, share: 0.42 },
  choose: { component: ChooseBench, share: 0.62 },
  prove: { component: ProveBench, share: 0.66 },
  maiden: { component: MaidenBench, share: 0.62 },
  log: { component: LogBench, share: 0.45 },
}
const HOME_VIEW: Partial<Record<StationId, 'plan' | 'side' | 'front'>> = {
  balance: 'side',
  prove: 'front',
  maiden: 'side',
  log: 'side',
}

const route = useRoute()
const project = useProject()
const assessment = useAssessment()
const look = useView()
const station = computed<StationId>(() =>
  isStation(String(route.params.station ?? '')) ? (route.params.station as StationId) : 'brief',
)
const about = computed(() => STATIONS.find(item => item.id === station.value)!)
const bench = computed(() => BENCHES[station.value])
const findings = computed(() => {
  const pattern = FINDINGS_AT[station.value]
  return pattern && assessment.current
    ? assessment.current.findings.filter(finding => pattern.test(finding.code))
    : []
})
watch(
  station,
  id => {
    look.view = HOME_VIEW[id] ?? (look.view === 'space' ? 'space' : 'plan')
    look.why = null
  },
  { immediate: true },
)
const failed = ref('')
onMounted(() =>
  project.start().catch((error: Error) => {
    failed.value = `The browser's own store cannot be opened (${error.message}). Allow this site to keep data, then reload.`
  }),
)
useHead({ title: () => `${about.value.label}: ${project.doc?.name.slice(0, 60) ?? ''} – Mariposa` })
</script>

<template>
  <div
    class="shell"
    :data-ready="assessment.fresh && !!assessment.current"
    :data-latency="assessment.latencyMs.toFixed(1)"
  >
    <header class="bar"><TopBar /><Butterfly /></header>
    <FlightPath :station="station" />
    <main
      class="middle"
      :style="
        bench ? { gridTemplateRows: `minmax(0, ${1 - bench.share}fr) minmax(0, ${bench.share}fr)` } : {}
      "
    >
      <AircraftStage :station="station" />
      <section
        v-if="bench && assessment.current && project.doc"
        class="bench"
        tabindex="0"
        :aria-label="about.question"
      >
        <component :is="bench.component" />
      </section>
      <WhyPanel />
    </main>
    <aside class="tray" tabindex="0" :aria-label="about.label">
      <h1>{{ about.label }}</h1>
      <p class="lead">{{ about.question }}</p>
      <p v-if="failed" class="bad" role="alert">{{ failed }}</p>
      <template v-if="assessment.current && project.doc"
        ><FindingList :findings="findings" /><component :is="TRAYS[station]" :key="project.doc.id" /><Nudges
          v-if="about.designs"
      /></template>
      <p v-else-if="!failed" class="quiet">Computing the aircraft …</p>
    </aside>
    <Thread />
    <CommandField /><Shelf /><MarksDialog />
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
  border-top: 1px solid var(--hair);
  overflow: auto;
  padding: 10px 16px;
  min-height: 0;
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
    grid-template-rows: 300px auto !important;
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
