<script setup lang="ts">
/** Tip, twist axis, control surfaces with their hinges, and bays cut into a lifting surface. */
import {
  newControlNumber,
  surfaceOf,
  type Control,
  type Surface,
  type SurfaceName,
} from '../../../core/document'
import { SURFACE_WORDS } from '~/composables/useAerofoils'
import { useBench } from '~/composables/useBench'

const props = defineProps<{ which: SurfaceName; surface: Surface }>()
const { doc, edit } = useBench()
type Draft = Parameters<Parameters<typeof edit>[1]>[0]
const target = (draft: Draft): Surface => surfaceOf(draft, props.which)!
const word = computed(() => SURFACE_WORDS[props.which])

const tips = [
  { title: 'Cut off flat', value: 'flat' },
  { title: 'Rounded: the thickness runs out', value: 'rounded' },
  { title: 'Faired: chord and thickness', value: 'faired' },
]
const hinges = [
  { title: 'Tape along the top', value: 'tape' },
  { title: 'Bought strips in slots', value: 'bought-strip' },
  { title: 'Printed flexible strips', value: 'printed-strip' },
  { title: 'Captive pins', value: 'pins' },
]
const kinds: Array<{ title: string; value: Control['kind'] }> = [
  { title: 'Aileron', value: 'aileron' },
  { title: 'Flap', value: 'flap' },
  { title: 'Elevator', value: 'elevator' },
  { title: 'Rudder', value: 'rudder' },
  { title: 'Elevon', value: 'elevon' },
  { title: 'Ruddervator', value: 'ruddervator' },
]

const setControl = (i: number, label: string, change: (control: Control) => void) =>
  edit(`${props.surface.controls[i].name}: ${label}`, draft => {
    change(target(draft).controls[i] as Control)
  })
function addControl() {
  const ofTailplane = doc.value.tail.kind === 'V' ? 'ruddervator' : 'elevator'
  const kind = (
    {
      wing: 'aileron',
      second: 'aileron',
      winglet: 'rudder',
      horizontal: ofTailplane,
      vertical: 'rudder',
    } as const
  )[props.which]
  const base = kinds.find(item => item.value === kind)!.title
  let n = 1
  const name = () => (n === 1 ? base : `${base} ${n}`)
  while (props.surface.controls.some(control => control.name === name())) n++
  const piece = newControlNumber(toRaw(doc.value), props.which, toRaw(props.surface))
  edit(`Add ${name().toLowerCase()} to the ${word.value}`, draft => {
    target(draft).controls.push({
      piece,
      name: name(),
      kind,
      fromShare: props.which === 'wing' || props.which === 'second' ? 0.5 : 0.05,
      toShare: 0.95,
      chordShare: 0.25,
      throwUpDeg: 20,
      throwDownDeg: 15,
      hinge: { kind: 'tape', count: 3, gapMm: 0.5 },
      linkage: null,
    })
  })
}

const servos = computed(() => [
  { title: 'nothing yet', value: '' },
  ...doc.value.equipment
    .filter(item => item.kind === 'servo')
    .map(item => ({ title: item.name, value: item.id })),
])
const setRod = (i: number, field: 'armMm' | 'hornMm', value: number | null) =>
  setControl(i, `set ${field === 'armMm' ? "the servo's arm" : 'the horn'}`, control => {
    control.linkage =
      value === null ? null : { servo: null, armMm: 8, hornMm: 14, ...control.linkage, [field]: value }
  })

const inBay = computed(() => doc.value.equipment.filter(item => item.pocket?.surface === props.which))
const free = computed(() =>
  doc.value.equipment
    .filter(item => !item.pocket && ['servo', 'receiver', 'sensor', 'hardware'].includes(item.kind))
    .map(item => ({ title: item.name, value: item.id })),
)
const setPocket = (id: string, pocket: { surface: SurfaceName; cableMm: number } | null, label: string) =>
  edit(label, draft => {
    draft.equipment.find(item => item.id === id)!.pocket = pocket
  })
</script>

<template>
  <div class="stack">
    <h3>Tip and twist</h3>
    <v-select
      :model-value="surface.tip.kind"
      :items="tips"
      label="Tip"
      data-field="tip-kind"
      @update:model-value="
        edit(`Tip of the ${word}: ${$event}`, d => {
          target(d).tip.kind = $event
        })
      "
    />
    <div class="row">
      <FigureField
        v-if="surface.tip.kind !== 'flat'"
        label="Tip runs out over"
        :model-value="surface.tip.lengthMm"
        unit="mm"
        :min="1"
        :max="300"
        data-field="tip-length"
        @update:model-value="
          edit(`Tip of the ${word}: set its length`, d => {
            target(d).tip.lengthMm = $event!
          })
        "
      />
      <FigureField
        label="Twist axis"
        :model-value="surface.twistAxisShare * 100"
        unit="% chord"
        :min="0"
        :max="100"
        :digits="0"
        @update:model-value="
          edit(`Set the twist axis of the ${word}`, d => {
            target(d).twistAxisShare = $event! / 100
          })
        "
      />
    </div>
    <template v-for="(control, i) in surface.controls" :key="i">
      <h3 class="titled">
        {{ control.name }}
        <v-btn
          variant="text"
          size="x-small"
          @click="
            edit(`Remove ${control.name.toLowerCase()}`, d => {
              target(d).controls.splice(i, 1)
            })
          "
          >Remove</v-btn
        >
      </h3>
      <v-select
        :model-value="control.kind"
        :items="kinds"
        label="Moves as"
        @update:model-value="
          setControl(i, 'another kind', c => {
            c.kind = $event
          })
        "
      />
      <div class="row">
        <FigureField
          label="From"
          :model-value="control.fromShare * 100"
          unit="% span"
          :min="0"
          :max="100"
          :digits="0"
          @update:model-value="
            setControl(i, 'set inner end', c => {
              c.fromShare = $event! / 100
            })
          "
        /><FigureField
          label="To"
          :model-value="control.toShare * 100"
          unit="% span"
          :min="0"
          :max="100"
          :digits="0"
          :data-field="`control-to-${i}`"
          @update:model-value="
            setControl(i, 'set outer end', c => {
              c.toShare = $event! / 100
            })
          "
        />
      </div>
      <div class="row">
        <FigureField
          label="Chord"
          :model-value="control.chordShare * 100"
          unit="% chord"
          :min="0"
          :max="100"
          :digits="0"
          :data-field="`control-chord-${i}`"
          @update:model-value="
            setControl(i, 'set chord', c => {
              c.chordShare = $event! / 100
            })
          "
        /><FigureField
          label="Gap"
          :model-value="control.hinge.gapMm"
          unit="mm"
          :min="0.1"
          :max="5"
          @update:model-value="
            setControl(i, 'set hinge gap', c => {
              c.hinge.gapMm = $event!
            })
          "
        />
      </div>
      <div class="row">
        <FigureField
          label="Up"
          :model-value="control.throwUpDeg"
          unit="°"
          :min="0"
          :max="60"
          @update:model-value="
            setControl(i, 'set throw up', c => {
              c.throwUpDeg = $event!
            })
          "
        /><FigureField
          label="Down"
          :model-value="control.throwDownDeg"
          unit="°"
          :min="0"
          :max="60"
          @update:model-value="
            setControl(i, 'set throw down', c => {
              c.throwDownDeg = $event!
            })
          "
        />
      </div>
      <v-select
        :model-value="control.hinge.kind"
        :items="hinges"
        label="Hinged with"
        :data-field="`hinge-${i}`"
        @update:model-value="
          setControl(i, `hinge of ${$event}`, c => {
            c.hinge.kind = $event
          })
        "
      />
      <div class="row">
        <FigureField
          label="Hinges"
          :model-value="control.hinge.count"
          :min="1"
          :max="12"
          :digits="0"
          @update:model-value="
            setControl(i, 'set number of hinges', c => {
              c.hinge.count = Math.round($event!)
            })
          "
        />
      </div>
      <v-select
        :model-value="control.linkage?.servo ?? ''"
        :items="servos"
        label="Moved by"
        :data-field="`servo-${i}`"
        @update:model-value="
          setControl(i, 'another servo', c => {
            c.linkage = { armMm: 8, hornMm: 14, ...c.linkage, servo: $event || null }
          })
        "
      />
      <div class="row">
        <FigureField
          label="Servo's arm"
          :model-value="control.linkage?.armMm ?? null"
          unit="mm"
          :min="2"
          :max="60"
          optional
          :data-field="`arm-${i}`"
          @update:model-value="setRod(i, 'armMm', $event)"
        /><FigureField
          label="Horn above the hinge"
          :model-value="control.linkage?.hornMm ?? null"
          unit="mm"
          :min="2"
          :max="80"
          optional
          :data-field="`horn-${i}`"
          @update:model-value="setRod(i, 'hornMm', $event)"
        />
      </div>
    </template>
    <v-btn :disabled="surface.controls.length >= 8" data-act="add-control" @click="addControl"
      >Add a control surface</v-btn
    >
    <h3>Bays cut into it</h3>
    <p v-if="!inBay.length" class="quiet small">
      None. A servo or receiver that is given a bay here gets a pocket open below, with {{ 0.3 }} mm of air,
      and a run for its lead to the root.
    </p>
    <div v-for="item in inBay" :key="item.id" class="bay">
      <span>{{ item.name }}</span><FigureField
        label="Lead's run"
        :model-value="item.pocket!.cableMm"
        unit="mm"
        :min="0"
        :max="20"
        @update:model-value="
          setPocket(item.id, { surface: which, cableMm: $event! }, `${item.name}: set the run of its lead`)
        "
      /><v-btn
        variant="text"
        :aria-label="`No bay for ${item.name}`"
        @click="setPocket(item.id, null, `No bay for ${item.name}`)"
        >No bay</v-btn
      >
    </div>
    <v-select
      v-if="free.length"
      :model-value="null"
      :items="free"
      label="Cut a bay for"
      data-field="add-bay"
      @update:model-value="
        $event &&
        setPocket(
          $event,
          { surface: which, cableMm: 4 },
          `Cut a bay for ${doc.equipment.find(item => item.id === $event)!.name}`,
        )
      "
    />
  </div>
</template>

<style scoped>
.bay {
  display: grid;
  grid-template-columns: 1fr 110px auto;
  gap: 6px;
  align-items: center;
  font-size: 13px;
}
</style>
