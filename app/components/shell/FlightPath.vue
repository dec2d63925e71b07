<script setup lang="ts">
/** A path, not a menu: where this aircraft is, station by station. */
import { LEGS, STATIONS, type StationId } from '~/stations/path'
import { stationState, type StationState } from '~/stations/station-state'
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
  const { current, assessed } = assessment
  return Object.fromEntries(
    STATIONS.map(({ id }) => [id, current && assessed ? stationState(id, assessed, current) : 'untouched']),
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
    <section v-for="leg in LEGS" :key="leg.id" class="leg" :aria-label="leg.label">
      <h2>{{ leg.label }}</h2>
      <NuxtLink
        v-for="item in STATIONS.filter(station => station.leg === leg.id)"
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
    </section>
    <p class="sr" aria-live="polite">{{ project.doc?.name }}</p>
  </nav>
</template>

<style scoped>
.path {
  display: flex;
  flex-direction: column;
  padding: 2px 0 6px;
  position: relative;
  overflow-y: auto;
  border-right: 1px solid var(--hair);
}
h2 {
  margin: 0;
  padding: 7px 12px 2px;
  font-size: 11.5px;
  font-weight: 600;
  line-height: 1.2;
  color: var(--quiet);
}
.leg + .leg h2 {
  border-top: 1px solid var(--hair);
  margin-top: 4px;
}
.stop {
  position: relative;
  display: grid;
  grid-template-columns: 26px 1fr;
  align-items: center;
  padding: 2px 8px 2px 12px;
  min-height: 33px;
  color: inherit;
  text-decoration: none;
  line-height: 1.1;
}
.stop::before {
  content: '';
  position: absolute;
  left: 20.5px;
  top: 0;
  bottom: 0;
  width: 1.2px;
  background: var(--hair);
}
h2 + .stop::before {
  top: 50%;
}
.stop:last-child::before {
  bottom: 50%;
}
svg {
  grid-row: span 2;
  position: relative;
  width: 18px;
  height: 18px;
}
.ring {
  fill: rgb(var(--v-theme-background));
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 1.5;
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
  font-size: 11px;
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
  .path,
  .leg {
    display: flex;
    flex-direction: row;
    align-items: center;
  }
  .path {
    overflow-x: auto;
    border-right: 0;
    border-bottom: 1px solid var(--hair);
    padding: 0;
  }
  .leg {
    flex: none;
  }
  h2,
  .leg + .leg h2 {
    padding: 0 4px 0 10px;
    border: 0;
    margin: 0;
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
