<script setup lang="ts">
/** What differs along the chord of a wing or tail: more walls at the nose and the rear, and a printed spar. */
import { laysAlongChord, type Denser, type PrintedSpar, type Zone } from '../../../core/document'
import { USUAL_DENSER, USUAL_PRINTED_SPAR } from '../../../core/libraries'
import { amount, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'

const { zone } = defineProps<{ zone: Zone }>()
const { doc, edit } = useBench()
const index = computed(() => doc.value.zones.findIndex(item => item.id === zone.id))
const laid = computed(() => laysAlongChord(zone.recipe))
const denser = computed(() => zone.recipe.denser)
const spar = computed(() => zone.recipe.printedSpar)
const ways = [
  { title: 'the same walls from nose to rear', value: 'even' },
  { title: 'more walls at nose and rear', value: 'denser' },
]
const spars = [
  { title: 'none', value: 'none' },
  { title: 'solid from skin to skin', value: 'solid' },
]
const setDenser =
  (field: keyof Denser, label: string, scale = 1) =>
  (value: number | null) =>
    edit(`${zone.name}: ${label}`, draft => {
      draft.zones[index.value].recipe.denser![field] = value! * scale
    })
const setSpar =
  (field: keyof PrintedSpar, label: string, scale = 1) =>
  (value: number | null) =>
    edit(`${zone.name}: ${label}`, draft => {
      draft.zones[index.value].recipe.printedSpar![field] = value! * scale
    })
</script>

<template>
  <div class="stack" data-part="along-chord">
    <p v-if="!laid && (denser || spar)" class="caution" data-text="not-laid">
      What is set along the chord is not laid: it wants a piece that stands on its end, without a spiral, webs
      or a second skin. Nothing is counted on.
    </p>
    <template v-if="laid || denser">
      <v-select
        :model-value="denser ? 'denser' : 'even'"
        :items="ways"
        label="Along the chord"
        data-field="denser"
        @update:model-value="
          edit(
            `${zone.name}: ${$event === 'denser' ? 'denser at nose and rear' : 'the same walls all along'}`,
            d => {
              d.zones[index].recipe.denser = $event === 'denser' ? { ...USUAL_DENSER } : null
            },
          )
        "
      />
      <template v-if="denser">
        <FigureField
          label="Walls more"
          :model-value="denser.walls"
          :min="1"
          :max="6"
          :digits="0"
          data-field="denser-walls"
          @update:model-value="setDenser('walls', 'walls more at nose and rear')($event)"
        />
        <div class="row">
          <FigureField
            label="Nose, to"
            :model-value="denser.noseTo * 100"
            unit="% chord"
            :min="0"
            :max="60"
            data-field="denser-nose"
            @update:model-value="setDenser('noseTo', 'how far the nose is denser', 0.01)($event)"
          /><FigureField
            label="Rear, from"
            :model-value="denser.rearFrom * 100"
            unit="% chord"
            :min="30"
            :max="100"
            data-field="denser-rear"
            @update:model-value="setDenser('rearFrom', 'from where the rear is denser', 0.01)($event)"
          />
        </div>
      </template>
    </template>
    <template v-if="laid || spar">
      <v-select
        :model-value="spar ? 'solid' : 'none'"
        :items="spars"
        label="Printed spar"
        data-field="printed-spar"
        @update:model-value="
          edit(`${zone.name}: ${$event === 'solid' ? 'a printed spar' : 'no printed spar'}`, d => {
            d.zones[index].recipe.printedSpar = $event === 'solid' ? { ...USUAL_PRINTED_SPAR } : null
          })
        "
      />
      <div v-if="spar" class="row">
        <FigureField
          label="Its middle, at"
          :model-value="spar.atShare * 100"
          unit="% chord"
          :min="5"
          :max="95"
          data-field="printed-spar-at"
          @update:model-value="setSpar('atShare', 'place of the printed spar', 0.01)($event)"
        /><FigureField
          label="Wide"
          :model-value="spar.widthMm"
          unit="mm"
          :min="0.4"
          :max="60"
          data-field="printed-spar-width"
          @update:model-value="setSpar('widthMm', 'width of the printed spar')($event)"
        />
      </div>
    </template>
    <p v-if="laid && (denser || spar)" class="quiet small">
      Machine files written here have it. For any other slicing program the export lays solids beside the
      pieces, in <span class="num">along-chord</span>; put over a piece,
      {{
        [
          denser && `the one of nose and rear gets ${figure(zone.recipe.walls + denser.walls, 0)} walls`,
          spar && `the spar, ${amount(spar.widthMm, 'mm', 1)} wide, is filled through`,
        ]
          .filter(Boolean)
          .join(', and ')
      }}.
      {{ spar ? 'Layers cross the spar as they cross the skin: it is torn as soon, and it is stiffer.' : '' }}
    </p>
  </div>
</template>
