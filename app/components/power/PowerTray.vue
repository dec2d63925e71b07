<script setup lang="ts">
/** The parts of the drive, from the shelf or typed, and the flight that is planned. */
import { usePower } from '~/composables/usePower'

const { doc, motor, controller, pack, turns, set, told } = usePower()
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
  { id: 'tilt', label: 'Motors that tilt', name: doc.value.tilt ? `up by ${doc.value.tilt.upDeg}°` : '' },
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
        <DriveTurns v-if="part.id === 'turns'" />
        <DriveMotor v-else-if="part.id === 'motor'" />
        <DriveController v-else-if="part.id === 'controller'" />
        <DrivePack v-else-if="part.id === 'pack'" />
        <DriveTilt v-else-if="part.id === 'tilt'" />
        <FlightPlanFields v-else-if="part.id === 'plan'" />
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
.link {
  text-decoration: underline;
}
@media (max-width: 700px) {
  .foldhead {
    min-height: 44px;
  }
}
</style>
