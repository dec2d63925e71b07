<script setup lang="ts">
/** A picture under the view that is looked at: brought in, moved, scaled by two points, made fainter, taken away. */
import type { Tracing } from '../../../core/document'
import { levelledByTwo, scaledByTwo } from '../../../core/workshop/advice'
import { addPhoto } from '~/composables/photos'
import { amount } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useTracing } from '~/stores/tracing'

const { doc, edit, look } = useBench()
const tracing = useTracing()
const chooser = ref<HTMLInputElement>()
const fault = ref('')
const VIEWS = { plan: 'plan', side: 'side', front: 'front' } as const
const view = computed(() => (look.view === 'space' ? null : VIEWS[look.view]))
const at = computed(() => doc.value.tracings.findIndex(item => item.view === view.value))
const picture = computed(() => doc.value.tracings[at.value] ?? null)
/** As wide as the aircraft at first: somewhere near what it will be. */
const FIRST_MM = 1000
const knownMm = ref<number | null>(null)
watch([view, picture], () => {
  if (!picture.value) tracing.turnTo('none')
})
onBeforeUnmount(() => tracing.turnTo('none'))

async function bring(event: Event) {
  const file = chosenFile(event)
  if (!file || !view.value) return
  fault.value = ''
  try {
    const photo = await addPhoto(doc.value.id, file)
    const own = view.value
    edit(`Lay a picture under the ${own} view`, draft => {
      draft.tracings = draft.tracings.filter(item => item.view !== own)
      draft.tracings.push({
        view: own,
        photo,
        rightMm: 0,
        downMm: own === 'plan' ? FIRST_MM / 3 : 0,
        widthMm: FIRST_MM,
        turnDeg: 0,
        strength: 0.5,
      })
    })
  } catch (error) {
    fault.value = `${file.name.slice(0, 40)}: ${(error as Error).message}`
  }
}
const put = (name: string, next: Tracing | null) => {
  if (!next) {
    fault.value =
      'The two points are too close together, or the picture would come out too large or too small'
    return
  }
  fault.value = ''
  edit(name, draft => {
    draft.tracings[at.value] = { ...next }
  })
  tracing.turnTo('none')
}
const scale = () =>
  picture.value &&
  put(
    `Scale the picture: ${amount(knownMm.value, 'mm')} between two points`,
    scaledByTwo(picture.value, tracing.spots[0]!, tracing.spots[1]!, knownMm.value ?? 0),
  )
const level = () =>
  picture.value &&
  put('Level the picture', levelledByTwo(picture.value, tracing.spots[0]!, tracing.spots[1]!))
const set = (field: 'strength' | 'turnDeg' | 'widthMm', name: string) => (value: number | null) =>
  edit(name, draft => {
    draft.tracings[at.value]![field] = value!
  })
const away = () =>
  edit('Take the picture away', draft => {
    draft.tracings.splice(at.value, 1)
  })
</script>

<template>
  <section data-trace>
    <h3>Draw over a picture</h3>
    <p v-if="!view" class="quiet small">Look at plan, side or front: each may have a picture under it.</p>
    <template v-else-if="!picture">
      <p class="quiet small">
        A drawing or a photograph under the {{ view }} view, scaled by two points; panel ends, chords and body
        stations are then dragged onto it.
      </p>
      <v-btn size="small" data-act="trace" @click="chooser?.click()">Picture under the {{ view }} view</v-btn>
    </template>
    <template v-else>
      <div class="acts">
        <v-btn
          size="small"
          :variant="tracing.act === 'move' ? 'flat' : 'outlined'"
          :color="tracing.act === 'move' ? 'secondary' : undefined"
          :aria-pressed="tracing.act === 'move'"
          data-act="trace-move"
          @click="tracing.turnTo('move')"
          >Move it</v-btn
        >
        <v-btn
          size="small"
          :variant="tracing.act === 'points' ? 'flat' : 'outlined'"
          :color="tracing.act === 'points' ? 'secondary' : undefined"
          :aria-pressed="tracing.act === 'points'"
          data-act="trace-points"
          @click="tracing.turnTo('points')"
          >Two points</v-btn
        >
        <v-btn size="small" variant="text" data-act="trace-away" @click="away">Take it away</v-btn>
      </div>
      <template v-if="tracing.act === 'points'">
        <p v-if="tracing.spots.length < 2" class="quiet small">
          Press {{ tracing.spots.length ? 'the second' : 'the first' }} of two points on the picture.
        </p>
        <div v-else class="stack">
          <FigureField
            v-model="knownMm"
            label="They are apart by"
            unit="mm"
            :min="2"
            :max="20000"
            optional
            data-field="trace-known"
          />
          <div class="acts">
            <v-btn
              size="small"
              color="primary"
              variant="flat"
              :disabled="!knownMm"
              data-act="trace-scale"
              @click="scale"
              >Scale it so</v-btn
            >
            <v-btn size="small" data-act="trace-level" @click="level">Lay them level</v-btn>
          </div>
        </div>
      </template>
      <p v-else-if="tracing.act === 'move'" class="quiet small">Drag the picture on the drawing.</p>
      <div class="row">
        <FigureField
          label="Whole width"
          :model-value="picture.widthMm"
          unit="mm"
          :min="1"
          :max="50000"
          :digits="0"
          data-field="trace-width"
          @update:model-value="set('widthMm', 'Set the picture’s width')($event)"
        />
        <FigureField
          label="Turned"
          :model-value="picture.turnDeg"
          unit="°"
          :min="-360"
          :max="360"
          @update:model-value="set('turnDeg', 'Turn the picture')($event)"
        />
      </div>
      <v-slider
        :model-value="picture.strength"
        :min="0.05"
        :max="1"
        :step="0.05"
        label="Strength"
        hide-details
        @end="set('strength', 'Set how strong the picture is')($event)"
      />
    </template>
    <p v-if="fault" class="bad small" role="alert">{{ fault }}</p>
    <input
      ref="chooser"
      type="file"
      accept="image/*"
      class="sr"
      aria-label="Picture to draw over"
      @change="bring"
    />
  </section>
</template>

<style scoped>
.acts {
  margin-bottom: 10px;
}
</style>
