<script setup lang="ts">
import { NO_SPECS, USUAL_C, type Equipment } from '../../../core/document'
import { amount, amountOf, chance, figure } from '~/composables/format'
import { useBench } from '~/composables/useBench'
import { useLiveBalance } from '~/composables/useLiveBalance'

const { doc, now, edit, look } = useBench()
const live = useLiveBalance()
const f = computed(() => now.value.flight)
const t = computed(() => now.value.totals)
const index = computed(() =>
  Math.max(
    0,
    doc.value.equipment.findIndex(item => item.id === look.selected),
  ),
)
const item = computed(() => doc.value.equipment[index.value])
type Figures = 'massG' | 'xMm' | 'yMm' | 'zMm'
const change = (label: string, apply: (item: Equipment) => void) =>
  edit(`${item.value!.name}: ${label}`, draft => {
    apply(draft.equipment[index.value] as Equipment)
  })
const set = (field: Figures, label: string) => (value: number | null) =>
  change(`set ${label}`, own => {
    own[field] = value!
  })
const measured = computed(() => doc.value.measured.cgMm)
const kinds: Array<{ title: string; value: Equipment['kind'] }> = [
  { title: 'motor', value: 'motor' },
  { title: 'propeller', value: 'propeller' },
  { title: 'speed controller', value: 'speed-controller' },
  { title: 'battery', value: 'battery' },
  { title: 'receiver', value: 'receiver' },
  { title: 'servo', value: 'servo' },
  { title: 'payload', value: 'payload' },
  { title: 'landing gear', value: 'gear' },
  { title: 'sensor', value: 'sensor' },
  { title: 'ballast', value: 'ballast' },
  { title: 'other hardware', value: 'hardware' },
]
const ORDINARY_PACK = { cells: 3, capacityMah: 1000, resistanceOhm: null, continuousC: USUAL_C }
function setKind(kind: Equipment['kind']) {
  change(`is a ${kinds.find(entry => entry.value === kind)!.title}`, own => {
    own.kind = kind
    // A battery slides in a bay and a servo has torque: typical ones to begin with.
    if (kind === 'battery')
      Object.assign(own, {
        battery: own.battery ?? { ...ORDINARY_PACK },
        bay: own.bay ?? [own.xMm - own.sizeMm[0], own.xMm + own.sizeMm[0]],
      })
    if (kind === 'servo') own.servo ??= { torqueNcm: 14, travelDeg: 50 }
  })
}
function add() {
  let n = 1
  while (doc.value.equipment.some(e => e.id === `part-${n}`)) n++
  edit('Add a component', draft => {
    draft.equipment.push({
      id: `part-${n}`,
      name: `Component ${n}`,
      kind: 'hardware',
      massG: 10,
      spreadG: 0.5,
      xMm: Math.round(t.value.cgMm[0]),
      yMm: 0,
      zMm: 0,
      sizeMm: [20, 20, 20],
      pair: false,
      bay: null,
      drops: false,
      weighed: false,
      pocket: null,
      ...NO_SPECS,
    })
  })
  look.selected = `part-${n}`
}
</script>

<template>
  <div class="stack">
    <table class="ledger">
      <tbody>
        <tr>
          <td>Balances at</td>
          <td class="r num" data-figure="cg">
            {{ amount(live.cg[0], 'mm', 1) }}
            <span class="quiet">± {{ amountOf(t.cgSpreadMm, 'mm', 1) }}</span>
          </td>
        </tr>
        <tr>
          <td>Static margin</td>
          <td class="r num" data-figure="margin">{{ figure(live.marginPct, 1) }} %</td>
        </tr>
        <tr v-if="t.emptyMassG < t.massG">
          <td>payload gone</td>
          <td class="r num">{{ amount(live.empty[0], 'mm', 1) }}, {{ figure(live.marginEmptyPct, 1) }} %</td>
        </tr>
        <tr>
          <td>Band, {{ doc.brief.staticMarginPct[0] }}–{{ doc.brief.staticMarginPct[1] }} %</td>
          <td class="r num">{{ amountOf(f.cgRangeMm[0], 'mm', 1) }}–{{ amount(f.cgRangeMm[1], 'mm', 1) }}</td>
        </tr>
        <tr>
          <td>Neutral point</td>
          <td class="r num">
            {{ amount(f.neutralPointMm, 'mm', 1) }}
            <span class="quiet">± {{ amountOf(f.neutralPointSigmaMm, 'mm', 1) }}</span>
          </td>
        </tr>
        <tr>
          <td>Battery's bay reaches</td>
          <td class="r num">{{ amountOf(f.cgReachMm[0], 'mm', 1) }}–{{ amount(f.cgReachMm[1], 'mm', 1) }}</td>
        </tr>
        <tr>
          <td>Mean chord</td>
          <td class="r num">
            {{ amount(now.plan.macMm, 'mm', 1) }} from {{ amountOf(now.plan.macLeadMm, 'mm', 1) }}
          </td>
        </tr>
      </tbody>
    </table>
    <p class="chance">
      It comes out in the band as it stands with a chance of
      <b class="num" data-figure="chance">{{ chance(f.balanceChance) }}</b>; with the battery where it must be
      in its bay, <b>without ballast</b>,
      <b class="num" data-figure="chance-sliding">{{ chance(f.balanceChanceSliding) }}</b>.
    </p>
    <p class="small quiet">
      From the spread of every mass, and the neutral point's own ± 1.5 % of the mean chord.
    </p>
    <h3>Measured</h3>
    <div>
      <FigureField
        class="mb-3"
        label="Balance point, no payload"
        :model-value="doc.measured.cgMm"
        unit="mm"
        :min="-2000"
        :max="4000"
        optional
        data-field="measured-cg"
        @update:model-value="
          edit('Enter the measured balance point', d => {
            d.measured.cgMm = $event
          })
        "
      />
      <FigureField
        label="Weight, no payload"
        :model-value="doc.measured.massG"
        unit="g"
        :min="1"
        :max="20000"
        :digits="1"
        optional
        data-field="measured-mass"
        @update:model-value="
          edit('Enter the measured weight', d => {
            d.measured.massG = $event
          })
        "
      />
    </div>
    <p v-if="measured !== null" class="quiet">
      Measured {{ amount(measured, 'mm', 1) }}, computed {{ amount(t.cgEmptyMm[0], 'mm', 1) }}:
      {{ amount(Math.abs(measured - t.cgEmptyMm[0]), 'mm', 1) }}
      {{ measured > t.cgEmptyMm[0] ? 'aft' : 'forward' }} of it{{
        Math.abs(measured - t.cgEmptyMm[0]) > 2 * t.cgSpreadMm
          ? '; more than its spread explains, so look for a mass that is missing or misplaced'
          : ', within its spread'
      }}.
    </p>
    <h3>Component</h3>
    <template v-if="item">
      <v-select
        :model-value="item.id"
        :items="doc.equipment.map(e => ({ title: e.name, value: e.id }))"
        label="Which"
        data-field="component"
        @update:model-value="look.selected = $event"
      />
      <v-select
        :model-value="item.kind"
        :items="kinds"
        label="Is a"
        data-field="component-kind"
        @update:model-value="setKind($event)"
      />
      <div class="row">
        <FigureField
          label="Mass of one"
          :model-value="item.massG"
          unit="g"
          :min="0"
          :max="20000"
          data-field="component-mass"
          @update:model-value="set('massG', 'mass')($event)"
        /><FigureField
          label="Aft of the nose"
          :model-value="item.xMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          data-field="component-x"
          @update:model-value="set('xMm', 'place')($event)"
        />
      </div>
      <div class="row">
        <FigureField
          label="To starboard"
          :model-value="item.yMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          @update:model-value="set('yMm', 'place')($event)"
        /><FigureField
          label="Up"
          :model-value="item.zMm"
          unit="mm"
          :min="-2000"
          :max="4000"
          @update:model-value="set('zMm', 'height')($event)"
        />
      </div>
      <div v-if="item.kind === 'battery' && item.bay" class="row">
        <FigureField
          label="Bay from"
          :model-value="item.bay[0]"
          unit="mm"
          :min="-2000"
          :max="4000"
          data-field="bay-from"
          @update:model-value="
            change('bay from', own => {
              own.bay![0] = $event!
            })
          "
        /><FigureField
          label="to"
          :model-value="item.bay[1]"
          unit="mm"
          :min="-2000"
          :max="4000"
          data-field="bay-to"
          @update:model-value="
            change('bay to', own => {
              own.bay![1] = $event!
            })
          "
        />
      </div>
      <div v-if="item.kind === 'battery'" class="row">
        <FigureField
          label="Cells"
          :model-value="item.battery?.cells ?? null"
          unit="S"
          :min="1"
          :max="14"
          :digits="0"
          optional
          @update:model-value="
            change('cells', own => {
              own.battery =
                $event === null ? null : { ...ORDINARY_PACK, ...own.battery, cells: Math.round($event) }
            })
          "
        /><FigureField
          label="Capacity"
          :model-value="item.battery?.capacityMah ?? null"
          unit="mAh"
          :min="20"
          :max="50000"
          :digits="0"
          optional
          @update:model-value="
            change('capacity', own => {
              own.battery = $event === null ? null : { ...ORDINARY_PACK, ...own.battery, capacityMah: $event }
            })
          "
        />
      </div>
      <div v-if="item.kind === 'servo'" class="row">
        <FigureField
          label="Torque"
          :model-value="item.servo?.torqueNcm ?? null"
          unit="N·cm"
          :min="0.1"
          :max="2000"
          optional
          data-field="servo-torque"
          @update:model-value="
            change('torque', own => {
              own.servo = $event === null ? null : { travelDeg: 50, ...own.servo, torqueNcm: $event }
            })
          "
        /><FigureField
          label="Travel each way"
          :model-value="item.servo?.travelDeg ?? null"
          unit="°"
          :min="5"
          :max="120"
          optional
          @update:model-value="
            change('travel', own => {
              own.servo = $event === null ? null : { torqueNcm: 14, ...own.servo, travelDeg: $event }
            })
          "
        />
      </div>
      <div class="acts">
        <v-btn @click="add">Add a component</v-btn
        ><v-btn
          @click="
            edit(`Remove ${item.name}`, d => {
              d.equipment.splice(index, 1)
            })
          "
          >Remove this one</v-btn
        >
      </div>
    </template>
    <v-btn v-else @click="add">Add a component</v-btn>
    <PartsDrawer :selected="item ?? null" />
  </div>
</template>

<style scoped>
.chance {
  line-height: 1.4;
}
</style>
