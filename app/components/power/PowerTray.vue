<script setup lang="ts">
/** The parts of the drive, from the shelf or typed, and the flight that is planned. */
import type { Equipment, FlightPart } from '../../../core/document'
import { LIBRARIES } from '../../../core/libraries'
import { amount } from '~/composables/format'
import { usePower } from '~/composables/usePower'

const { doc, motor, controller, pack, turns, change, set, told } = usePower()
const SHELF = {
  motor: LIBRARIES.motors,
  controller: LIBRARIES.controllers,
  propeller: LIBRARIES.propellers,
  fan: LIBRARIES.fans,
}
const PLAIN = {
  motor: { rpmPerVolt: 1000, resistanceOhm: 0.09, noLoadA: 0.6, maxA: 16 },
  controller: { limitA: 20, resistanceOhm: 0.008 },
  propeller: {
    diameterMm: 203,
    pitchMm: 114,
    blades: 2,
    chord: 'medium' as const,
    folding: false,
    material: 'moulded' as const,
  },
}
const shelfOf = (list: ReadonlyArray<{ id: string; name: string; massG: number }>) =>
  list.map(item => ({
    title: `${item.name}, ${amount(item.massG, 'g', item.massG < 20 ? 1 : 0)}`,
    value: item.id,
  }))

function takeMotor(id: string) {
  const found = SHELF.motor.find(item => item.id === id)
  if (!found || !motor.value) return
  const { rpmPerVolt, resistanceOhm, noLoadA, maxA } = found
  change(motor.value, `is ${found.name}`, own => {
    own.motor = { rpmPerVolt, resistanceOhm, noLoadA, maxA }
    Object.assign(own, { name: found.name, massG: found.massG, sizeMm: [...found.sizeMm], weighed: false })
  })
}
function takeController(id: string) {
  const found = SHELF.controller.find(item => item.id === id)
  if (!found || !controller.value) return
  const { limitA, resistanceOhm } = found
  change(controller.value, `is ${found.name}`, own => {
    own.controller = { limitA, resistanceOhm }
    Object.assign(own, { name: found.name, massG: found.massG, sizeMm: [...found.sizeMm], weighed: false })
  })
}
function takeTurns(id: string) {
  const item = turns.value
  if (!item) return
  const propeller = SHELF.propeller.find(other => other.id === id)
  const fan = SHELF.fan.find(other => other.id === id)
  change(item, `is ${(propeller ?? fan)!.name}`, own => {
    if (propeller) {
      const { diameterMm, pitchMm, blades, chord, folding, material, name, massG } = propeller
      own.propeller = { diameterMm, pitchMm, blades, chord, folding, material }
      own.fan = null
      Object.assign(own, { name, massG, weighed: false, sizeMm: [own.sizeMm[0], diameterMm, own.sizeMm[2]] })
    } else if (fan) {
      const { diameterMm, hubMm, pitchMm, exitShare, ductMm, name, massG } = fan
      own.fan = { diameterMm, hubMm, pitchMm, exitShare, ductMm }
      own.propeller = null
      Object.assign(own, { name, massG, weighed: false, sizeMm: [diameterMm, diameterMm, diameterMm] })
    }
  })
}
function takePack(id: string) {
  const found = LIBRARIES.batteries.find(item => item.id === id)
  if (!found || !pack.value) return
  change(pack.value, `is ${found.name}`, own => {
    own.battery = {
      continuousC: own.battery?.continuousC ?? 25,
      cells: found.cells,
      capacityMah: found.capacityMah,
      resistanceOhm: null,
    }
    Object.assign(own, { name: found.name, massG: found.massG, sizeMm: [...found.sizeMm], weighed: false })
  })
}
type Spec = 'motor' | 'controller' | 'propeller' | 'fan' | 'battery'
/** One figure of a part's own figures; the first that is typed brings ordinary ones for the rest. */
const figureOf = (item: Equipment | null, spec: Spec, field: string, plain: object) => ({
  value: ((item?.[spec] ?? null) as Record<string, number | null> | null)?.[field] ?? null,
  set: (value: number | null) =>
    item &&
    change(item, `set ${field}`, own => {
      const before = (own[spec] ?? plain) as Record<string, unknown>
      ;(own as Record<string, unknown>)[spec] = { ...before, [field]: value }
    }),
})
const motorFields = computed(() => {
  const of = (field: string) => figureOf(motor.value, 'motor', field, PLAIN.motor)
  return [
    {
      id: 'kv',
      label: 'Turns for each volt',
      unit: 'rev/min',
      min: 20,
      max: 20000,
      digits: 0,
      ...of('rpmPerVolt'),
    },
    {
      id: 'resistance',
      label: 'Resistance',
      unit: 'Ω',
      min: 0.0005,
      max: 20,
      digits: 4,
      ...of('resistanceOhm'),
    },
    {
      id: 'no-load',
      label: 'Current at no load',
      unit: 'A',
      min: 0.01,
      max: 30,
      digits: 2,
      ...of('noLoadA'),
    },
    {
      id: 'motor-max',
      label: 'Bears for half a minute',
      unit: 'A',
      min: 0.2,
      max: 600,
      digits: 1,
      ...of('maxA'),
    },
  ]
})
const controllerFields = computed(() => {
  const of = (field: string) => figureOf(controller.value, 'controller', field, PLAIN.controller)
  return [
    { id: 'controller-limit', label: 'Bears', unit: 'A', min: 0.5, max: 600, digits: 0, ...of('limitA') },
    {
      id: 'controller-ohm',
      label: 'Resistance',
      unit: 'Ω',
      min: 0,
      max: 1,
      digits: 4,
      ...of('resistanceOhm'),
    },
  ]
})
const propellerFields = computed(() => {
  const of = (field: string) => figureOf(turns.value, 'propeller', field, PLAIN.propeller)
  return [
    { id: 'diameter', label: 'Diameter', unit: 'mm', min: 20, max: 1500, digits: 0, ...of('diameterMm') },
    { id: 'pitch', label: 'Pitch', unit: 'mm', min: 5, max: 1500, digits: 0, ...of('pitchMm') },
  ]
})
const fanFields = computed(() => {
  const of = (field: string) => figureOf(turns.value, 'fan', field, {})
  return [
    {
      id: 'fan-diameter',
      label: 'Over the blades',
      unit: 'mm',
      min: 15,
      max: 300,
      digits: 0,
      ...of('diameterMm'),
    },
    { id: 'fan-hub', label: 'Hub', unit: 'mm', min: 5, max: 250, digits: 0, ...of('hubMm') },
    { id: 'fan-pitch', label: 'Advance a turn', unit: 'mm', min: 5, max: 500, digits: 0, ...of('pitchMm') },
    {
      id: 'fan-exit',
      label: 'Outlet over annulus',
      unit: '',
      min: 0.4,
      max: 1.2,
      digits: 2,
      ...of('exitShare'),
    },
    { id: 'fan-duct', label: 'Duct, whole', unit: 'mm', min: 0, max: 3000, digits: 0, ...of('ductMm') },
  ]
})
const packFields = computed(() => {
  const plain = { cells: 3, capacityMah: 1000, resistanceOhm: null, continuousC: 25 }
  const of = (field: string) => figureOf(pack.value, 'battery', field, plain)
  return [
    { id: 'cells', label: 'Cells', unit: 'S', min: 1, max: 14, digits: 0, optional: false, ...of('cells') },
    {
      id: 'capacity',
      label: 'Capacity',
      unit: 'mAh',
      min: 20,
      max: 50000,
      digits: 0,
      optional: false,
      ...of('capacityMah'),
    },
    {
      id: 'pack-ohm',
      label: 'Resistance',
      unit: 'Ω',
      min: 0,
      max: 5,
      digits: 4,
      optional: true,
      ...of('resistanceOhm'),
    },
    {
      id: 'pack-c',
      label: 'Bears, times capacity',
      unit: 'C',
      min: 1,
      max: 300,
      digits: 0,
      optional: false,
      ...of('continuousC'),
    },
  ]
})
const kinds: Array<{ title: string; value: FlightPart['kind'] }> = [
  { title: 'launch, full', value: 'launch' },
  { title: 'climb, full', value: 'climb' },
  { title: 'cruise, level', value: 'cruise' },
  { title: 'aerobatics', value: 'aerobatics' },
  { title: 'glide', value: 'idle' },
]
function setPart(i: number, label: string, apply: (part: FlightPart) => void) {
  set(`Plan of the flight: ${label}`, power => {
    apply(power.plan[i]!)
  })
}
const conditions = computed(() => [
  {
    id: 'reserve',
    label: 'Land with',
    unit: '%',
    min: 0,
    max: 80,
    optional: false,
    value: doc.value.power.reservePct,
    set: (value: number | null) =>
      set('Charge to land with', power => {
        power.reservePct = value!
      }),
  },
  {
    id: 'pack-temperature',
    label: 'Cells at the start',
    unit: '°C',
    min: -30,
    max: 60,
    optional: true,
    value: doc.value.power.packC,
    set: (value: number | null) =>
      set('Temperature of the pack', power => {
        power.packC = value
      }),
  },
  {
    id: 'age',
    label: 'Wear of the pack',
    unit: '%',
    min: 0,
    max: 100,
    optional: false,
    value: doc.value.power.agePct,
    set: (value: number | null) =>
      set('Wear of the pack', power => {
        power.agePct = value!
      }),
  },
  {
    id: 'down',
    label: 'Thrust line down',
    unit: '°',
    min: -20,
    max: 20,
    optional: false,
    value: doc.value.power.downDeg,
    set: (value: number | null) =>
      set('Thrust line', power => {
        power.downDeg = value!
      }),
  },
])
const learned = computed(() => doc.value.power.learned)
const open = useState('power-open', () => 'turns')
const parts = computed(() => [
  { id: 'turns', label: 'Propeller or fan', name: turns.value?.name },
  { id: 'motor', label: 'Motor', name: motor.value?.name },
  { id: 'controller', label: 'Speed controller', name: controller.value?.name },
  { id: 'pack', label: 'Battery', name: pack.value?.name },
  { id: 'plan', label: 'The flight as planned', name: `${doc.value.power.plan.length} parts` },
  { id: 'conditions', label: 'Reserve, cold, wear, thrust line', name: '' },
])
const absurd = computed(() => told.value?.report.absurd.length ?? 0)
</script>

<template>
  <div>
    <p v-if="learned" class="small" data-figure="learned">
      Corrected by the stand of {{ learned.date }}: thrust ×
      <span class="num">{{ learned.thrustShare.toFixed(2) }}</span>, turns for each volt ×
      <span class="num">{{ learned.kvShare.toFixed(3) }}</span>.
      <button
        type="button"
        class="plain link"
        @click="
          set('Without the stand', power => {
            power.learned = null
          })
        "
      >
        Without it
      </button>
    </p>
    <section v-for="part in parts" :key="part.id" class="fold">
      <button
        type="button"
        class="plain foldhead"
        :aria-expanded="open === part.id"
        :data-fold="part.id"
        @click="open = open === part.id ? '' : part.id"
      >
        <b>{{ part.label }}</b><span class="quiet">{{ part.name ?? 'none' }}</span>
      </button>
      <div v-if="open === part.id" class="inner">
        <template v-if="part.id === 'turns'">
          <p v-if="!turns" class="small quiet">Add a propeller among the components (Balance).</p>
          <template v-else>
            <v-select
              class="mb-3"
              :model-value="null"
              :items="[...shelfOf(SHELF.propeller), ...shelfOf(SHELF.fan)]"
              label="From the shelf"
              data-field="shelf-turns"
              @update:model-value="$event && takeTurns($event)"
            />
            <template v-if="turns.fan">
              <FigureFields :fields="fanFields" />
            </template>
            <template v-else>
              <FigureFields :fields="propellerFields" pairs />
              <div v-if="turns.propeller" class="row">
                <v-select
                  :model-value="turns.propeller.blades"
                  :items="[2, 3, 4, 5, 6]"
                  label="Blades"
                  data-field="blades"
                  @update:model-value="
                    change(turns!, 'blades', own => {
                      own.propeller!.blades = $event
                    })
                  "
                />
                <v-select
                  :model-value="turns.propeller.chord"
                  :items="['narrow', 'medium', 'broad']"
                  label="Blades are"
                  @update:model-value="
                    change(turns!, 'breadth', own => {
                      own.propeller!.chord = $event
                    })
                  "
                />
              </div>
              <div v-if="turns.propeller" class="row">
                <v-select
                  :model-value="turns.propeller.material"
                  :items="['moulded', 'wood', 'carbon', 'printed']"
                  label="Made of"
                  data-field="blade-material"
                  @update:model-value="
                    change(turns!, 'material', own => {
                      own.propeller!.material = $event
                    })
                  "
                />
                <label class="tick"
                  ><input
                    type="checkbox"
                    :checked="turns.propeller.folding"
                    @change="
                      change(turns!, 'folding', own => {
                        own.propeller!.folding = ($event.target as HTMLInputElement).checked
                      })
                    "
                  />
                  folds</label
                >
              </div>
            </template>
          </template>
        </template>
        <template v-else-if="part.id === 'motor'">
          <p v-if="!motor" class="small quiet">Add a motor among the components (Balance).</p>
          <template v-else>
            <v-select
              class="mb-3"
              :model-value="null"
              :items="shelfOf(SHELF.motor)"
              label="From the shelf"
              data-field="shelf-motor"
              @update:model-value="$event && takeMotor($event)"
            />
            <FigureFields :fields="motorFields" />
          </template>
        </template>
        <template v-else-if="part.id === 'controller'">
          <p v-if="!controller" class="small quiet">Add a speed controller among the components (Balance).</p>
          <template v-else>
            <v-select
              class="mb-3"
              :model-value="null"
              :items="shelfOf(SHELF.controller)"
              label="From the shelf"
              @update:model-value="$event && takeController($event)"
            />
            <FigureFields :fields="controllerFields" pairs />
          </template>
        </template>
        <template v-else-if="part.id === 'pack'">
          <p v-if="!pack" class="small quiet">Add a battery among the components (Balance).</p>
          <template v-else>
            <v-select
              class="mb-3"
              :model-value="null"
              :items="shelfOf(LIBRARIES.batteries)"
              label="From the shelf"
              data-field="shelf-pack"
              @update:model-value="$event && takePack($event)"
            />
            <FigureFields :fields="packFields" pairs />
          </template>
        </template>
        <template v-else-if="part.id === 'plan'">
          <div v-for="(item, i) in doc.power.plan" :key="i" class="planrow">
            <v-select
              :model-value="item.kind"
              :items="kinds"
              label="Part"
              @update:model-value="
                setPart(i, 'kind', own => {
                  own.kind = $event
                })
              "
            />
            <FigureField
              label="For"
              unit="s"
              :min="1"
              :max="20000"
              :digits="0"
              :model-value="item.seconds"
              :data-field="`plan-${i}-seconds`"
              @update:model-value="
                setPart(i, 'length', own => {
                  own.seconds = $event!
                })
              "
            />
            <FigureField
              label="Throttle"
              unit="%"
              :min="0"
              :max="100"
              :digits="0"
              optional
              :model-value="item.throttlePct"
              :data-field="`plan-${i}-throttle`"
              @update:model-value="
                setPart(i, 'throttle', own => {
                  own.throttlePct = $event
                })
              "
            />
            <button
              type="button"
              class="plain link"
              :aria-label="`Leave out part ${i + 1}`"
              @click="
                set('Plan of the flight: a part less', power => {
                  power.plan.splice(i, 1)
                })
              "
            >
              ×
            </button>
          </div>
          <p class="small quiet">
            Throttle left empty: full in a launch or climb, else what stays level at cruise speed.
          </p>
          <v-btn
            size="small"
            data-act="add-part"
            :disabled="doc.power.plan.length >= 12"
            @click="
              set('Plan of the flight: one more part', power => {
                power.plan.push({ kind: 'aerobatics', seconds: 60, throttlePct: 70 })
              })
            "
            >Add a part</v-btn
          >
        </template>
        <FigureFields v-else :fields="conditions" pairs />
      </div>
    </section>
    <p v-if="absurd" class="small bad">
      Parts that do not belong together: see the first lines of the bench.
    </p>
    <p class="small caution">
      ⚠ A motor with its battery in may start at any touch. Propeller off on the bench; nobody in the disc’s
      plane; battery out before hands in.
    </p>
  </div>
</template>

<style scoped>
.fold {
  border-bottom: 1px solid var(--hair);
}
.foldhead {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  width: 100%;
  padding: 9px 0;
  font-size: 13.5px;
}
.foldhead .quiet {
  text-align: right;
  font-size: 12.5px;
}
.inner {
  padding: 6px 0 10px;
}
.planrow {
  display: grid;
  grid-template-columns: 1.3fr 1fr 0.9fr 18px;
  gap: 6px;
  align-items: center;
  margin-bottom: 8px;
}
.tick {
  display: flex;
  gap: 6px;
  align-items: center;
}
.link {
  text-decoration: underline;
}
@media (max-width: 700px) {
  .foldhead {
    min-height: 44px;
  }
}
</style>
