<script setup lang="ts">
/** A path, not a menu: where this aircraft is, station by station. */
import { STATIONS, stationState, type StationId, type StationState } from '~/composables/stations'
import { useAssessment } from '~/stores/assessment'
import { useProject } from '~/stores/project'

const props = defineProps<{ station: StationId }>()
const path = ref<HTMLElement>()
// On a phone the path runs sideways: bring the present station into sight.
watch(
  () => props.station,
  id =>
    nextTick(() =>
      path.value
        ?.querySelector(`[data-station="${id}"]`)
        ?.scrollIntoView({ block: 'nearest', inline: 'center' }),
    ),
  { immediate: true, flush: 'post' },
)
onMounted(() => path.value?.querySelector('.here')?.scrollIntoView({ block: 'nearest', inline: 'center' }))
const project = useProject()
const assessment = useAssessment()
const states = computed(() => {
  const touched = new Set<string>()
  const { current, assessed } = assessment
  return Object.fromEntries(
    STATIONS.map(({ id }) => [
      id,
      current && assessed ? stationState(id, assessed, current, touched) : 'untouched',
    ]),
  ) as Record<StationId, StationState>
})
const words: Record<StationState, string> = {
  settled: 'settled',
  going: 'going',
  attention: 'wants attention',
  untouched: 'not begun',
}
</script>

<template>
  <nav ref="path" class="path" aria-label="Flight path">
    <NuxtLink
      v-for="item in STATIONS"
      :key="item.id"
      :to="`/${item.id}`"
      class="stop"
      :class="[states[item.id], { here: item.id === station }]"
      :aria-current="item.id === station ? 'step' : undefined"
      :data-station="item.id"
    >
      <svg viewBox="0 0 22 22" width="22" height="22" aria-hidden="true">
        <circle cx="11" cy="11" r="7.5" class="ring" />
        <path v-if="states[item.id] === 'settled'" d="M7 11.2l3 3 5-6" class="mark" />
        <path v-else-if="states[item.id] === 'going'" d="M11 3.5a7.5 7.5 0 0 1 0 15z" class="half" />
        <path v-else-if="states[item.id] === 'attention'" d="M11 6.5v5.5M11 14.4v1.4" class="mark" />
      </svg>
      <span class="name">{{ item.label }}</span><span class="state">{{ words[states[item.id]] }}</span>
    </NuxtLink>
    <p class="sr" aria-live="polite">{{ project.doc?.name }}</p>
  </nav>
</template>

<style scoped>
.path {
  display: flex;
  flex-direction: column;
  padding: 6px 0;
  position: relative;
  overflow-y: auto;
  border-right: 1px solid var(--hair);
}
.stop {
  position: relative;
  display: grid;
  grid-template-columns: 30px 1fr;
  align-items: center;
  padding: 6px 10px 6px 12px;
  color: inherit;
  text-decoration: none;
  line-height: 1.15;
}
.stop::before {
  content: '';
  position: absolute;
  left: 22.5px;
  top: 0;
  bottom: 0;
  width: 1.2px;
  background: var(--hair);
}
.stop:first-child::before {
  top: 50%;
}
.stop:nth-last-child(2)::before {
  bottom: 50%;
}
svg {
  grid-row: span 2;
  position: relative;
}
.ring {
  fill: rgb(var(--v-theme-background));
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 1.4;
}
.untouched .ring {
  stroke-dasharray: 2.5 2.5;
}
.mark {
  fill: none;
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 1.9;
  stroke-linecap: round;
}
.half {
  fill: rgb(var(--v-theme-on-background));
  opacity: 0.55;
}
.attention .ring {
  stroke: rgb(var(--v-theme-error));
  stroke-width: 2;
}
.attention .mark {
  stroke: rgb(var(--v-theme-error));
  stroke-width: 2.4;
}
.name {
  font-weight: 560;
}
.state {
  font-size: 11.5px;
  color: var(--quiet);
}
.attention .state {
  color: rgb(var(--v-theme-error));
}
.here {
  background: color-mix(in srgb, rgb(var(--v-theme-secondary)) 15%, transparent);
}
.here .name {
  font-weight: 750;
}
.stop:hover {
  background: color-mix(in srgb, rgb(var(--v-theme-on-background)) 7%, transparent);
}
@media (max-width: 700px) {
  .path {
    flex-direction: row;
    overflow-x: auto;
    border-right: 0;
    border-bottom: 1px solid var(--hair);
    padding: 0;
  }
  .stop {
    min-height: 48px;
    padding: 6px 12px 6px 6px;
    flex: none;
  }
  .stop::before {
    display: none;
  }
}
</style>
