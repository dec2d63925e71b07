<script setup lang="ts">
import type { StationId } from '~/stations/path'
import { useAssessment } from '~/stores/assessment'
import { fetched, rest } from '~/composables/fetched'
import { PAINTED } from '~/composables/usePaint'
import { useView, type ViewName } from '~/stores/view'

const props = defineProps<{ station: StationId }>()
const assessment = useAssessment()
const look = useView()
// The solids' own code is large, and most of the work is done on the drawing.
const {
  part: SpaceView,
  failed: unfetched,
  fetch: fetchSpace,
} = fetched(async () => (await import('./SpaceView.vue')).default)
watch(
  () => look.view === 'space',
  wanted => {
    if (wanted) void fetchSpace()
  },
  { immediate: true },
)
onMounted(async () => {
  await rest()
  await fetchSpace()
})
const paints = computed(() => [
  {
    title: { skin: 'zones', split: 'fit on the beds', print: 'hours' }[props.station as 'skin'] ?? 'zones',
    value: 'zones',
  },
  { title: 'mass per area', value: 'area' },
  ...(props.station === 'print' ? [] : [{ title: 'hours', value: 'hours' }]),
  { title: 'filament', value: 'filament' },
  { title: 'overhang', value: 'overhang' },
])
const views: ReadonlyArray<{ id: ViewName; label: string }> = [
  { id: 'plan', label: 'Plan' },
  { id: 'side', label: 'Side' },
  { id: 'front', label: 'Front' },
  { id: 'space', label: 'In space' },
]
</script>

<template>
  <section class="stage" aria-label="The aircraft">
    <div class="views" role="radiogroup" aria-label="View">
      <button
        v-for="item in views"
        :key="item.id"
        type="button"
        class="plain view"
        role="radio"
        :aria-checked="look.view === item.id"
        :class="{ on: look.view === item.id }"
        :data-view="item.id"
        @click="look.view = item.id"
      >
        {{ item.label }}
      </button>
    </div>
    <div class="tools">
      <label v-if="look.view === 'space' && station === 'split'" class="apart"
        >Drawn apart<input
          v-model.number="look.apart"
          type="range"
          min="0"
          max="1"
          step="0.02"
          aria-label="How far the pieces are drawn apart"
          data-field="apart"
      /></label>
      <v-select
        v-if="PAINTED.includes(station)"
        v-model="look.paint"
        :items="paints"
        label="Coloured by"
        class="paint"
        data-field="paint"
      />
    </div>
    <template v-if="assessment.current && assessment.assessed">
      <component
        :is="SpaceView"
        v-if="look.view === 'space' && SpaceView"
        :station="station"
        :doc="assessment.assessed"
        :assessment="assessment.current"
      />
      <p v-else-if="look.view === 'space'" class="pa-6" :class="unfetched ? 'bad' : 'quiet'" role="status">
        <template v-if="unfetched"
          >The view in space could not be fetched. Is the server that serves this page still there?
          <v-btn size="small" @click="fetchSpace">Fetch it again</v-btn></template
        ><template v-else>Fetching the view in space …</template>
      </p>
      <DrawnView
        v-else
        :station="station"
        :doc="assessment.assessed"
        :assessment="assessment.current"
        :view="look.view"
      />
    </template>
    <p v-else class="quiet pa-6">Drawing the aircraft …</p>
    <p v-if="assessment.fault" class="fault bad" role="alert">
      The last change could not be computed: {{ assessment.fault }}. What is shown is the design before it.
      <v-btn size="small" data-act="compute-again" @click="assessment.retry()">Compute again</v-btn>
    </p>
  </section>
</template>

<style scoped>
.stage {
  position: relative;
  min-height: 0;
  min-width: 0;
  display: flex;
}
.views {
  position: absolute;
  left: 10px;
  top: 6px;
  display: flex;
  gap: 2px;
  z-index: 5;
  border: 1px solid var(--hair);
  border-radius: 8px;
  background: rgb(var(--v-theme-background));
  overflow: hidden;
}
.view {
  padding: 4px 11px;
  font-size: 13px;
}
.view.on {
  background: rgb(var(--v-theme-on-background));
  color: rgb(var(--v-theme-background));
}
.tools {
  position: absolute;
  right: 10px;
  top: 6px;
  z-index: 5;
  display: flex;
  gap: 12px;
  align-items: center;
}
.paint {
  width: 180px;
  background: rgb(var(--v-theme-background));
}
.apart {
  display: grid;
  font-size: 12.5px;
  width: 150px;
}
.apart input {
  accent-color: rgb(var(--v-theme-primary));
}
.fault {
  position: absolute;
  bottom: 8px;
  left: 12px;
  right: 12px;
  background: rgb(var(--v-theme-surface));
  padding: 8px;
}
@media (max-width: 700px) {
  /* Nothing lies over the aircraft where there is so little of it. */
  .stage {
    flex-direction: column;
  }
  .views {
    position: static;
    border-width: 0 0 1px;
    border-radius: 0;
    flex: none;
  }
  .view {
    min-height: 44px;
    flex: 1;
    text-align: center;
  }
  .tools {
    top: 50px;
  }
  .paint {
    width: 150px;
  }
}
</style>
