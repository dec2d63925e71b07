<script setup lang="ts">
/**
 * One section: shape with spars and servo in it, pressure, polars; measured polars in, thickness and camber
 * changed.
 */
import { useTheme } from 'vuetify'
import { parsePolar } from '../../../core/aero'
import {
  DocumentError,
  type Aerofoil,
  surfaceOf,
  type Surface,
  type SurfaceName,
} from '../../../core/document'
import { scaleSection, shapeOf } from '../../../core/geometry'
import type { PolarCurve } from '../../../core/workshop/advice'
import { amount, figure } from '~/composables/format'
import { SURFACE_WORDS } from '~/composables/useAerofoils'
import { useAside } from '~/composables/useAside'
import { plotAxis, Scatter, STILL } from '~/composables/plot'
import { useBench } from '~/composables/useBench'

const { doc, edit } = useBench()
const surface = useState<SurfaceName>('section-surface', () => 'wing')
const share = useState('section-share', () => 0),
  alpha = useState<number>('section-alpha', () => 4)
const surfaces = computed(() => [
  { title: 'Wing', value: 'wing' },
  ...(doc.value.second ? [{ title: 'Second wing', value: 'second' }] : []),
  ...(doc.value.tail.horizontal && doc.value.tail.kind !== 'none'
    ? [{ title: doc.value.tail.kind === 'V' ? 'V-tail' : 'Tailplane', value: 'horizontal' }]
    : []),
  ...(doc.value.tail.vertical && doc.value.tail.kind !== 'V' ? [{ title: 'Fin', value: 'vertical' }] : []),
])
const own = computed<Surface>(() => surfaceOf(doc.value, surface.value) ?? doc.value.wing)
const span = computed(() => own.value.panels.reduce((sum, panel) => sum + panel.spanMm, 0))
const { answer: report, busy } = useAside(
  (core, now) => core.section(now, surface.value, share.value * span.value, alpha.value),
  () => [surface.value, share.value, alpha.value],
  60,
)

const outline = computed(() =>
  report.value!.outline.map(([x, y]) => `${x.toFixed(5)},${(-y).toFixed(5)}`).join(' '),
)
const cpMost = computed(() =>
  Math.max(2, Math.min(8, Math.ceil(-Math.min(...report.value!.pressure.flatMap(side => side.cp))))),
)
/** Suction upwards over the section, one chord wide. */
const cp = (values: { x: number[]; cp: number[] }) =>
  values.x
    .map(
      (x, i) =>
        `${i ? 'L' : 'M'}${x.toFixed(4)} ${(-0.14 - 0.3 * ((1 - values.cp[i]!) / (1 + cpMost.value))).toFixed(4)}`,
    )
    .join('')
const theme = useTheme()
const inks = computed(() => ({
  ink: String(theme.current.value.colors['on-background']),
  strong: String(theme.current.value.colors.primary),
  blue: String(theme.current.value.colors.secondary),
  red: String(theme.current.value.colors.error),
}))
const dashes = [[], [7, 4], [2, 3], [9, 3, 2, 3]]
const colour = (i: number) => [inks.value.strong, inks.value.ink, inks.value.blue, inks.value.red][i % 4]
const lines = (of: (point: PolarCurve['points'][number]) => { x: number; y: number }) =>
  report.value!.curves.map((curve, i) => ({
    label: curve.label,
    data: curve.points.filter(p => p.cd < 0.12).map(of),
    showLine: true,
    borderColor: colour(i),
    borderDash: dashes[i % 4],
    borderWidth: curve.source === 'measured' ? 2.4 : 1.7,
    pointRadius: curve.source === 'measured' ? 2.5 : 0,
    backgroundColor: colour(i),
  }))
const options = (x: string, y: string) => ({
  ...STILL,
  plugins: { legend: { display: false } },
  scales: { x: plotAxis(x, inks.value.ink), y: plotAxis(y, inks.value.ink) },
})
const at = computed(() => report.value!.at)
const ends = computed(() => {
  const [a, b] = report.value!.between
  const t = report.value!.share
  if (t < 0.005 || a === b) return a
  return t > 0.995 ? b : `${figure(100 * (1 - t))} % ${a}, ${figure(100 * t)} % ${b}`
})

/** The aerofoil at the nearer end of its panel is what a measured polar or a new thickness belongs to. */
const nearest = computed(() => report.value!.between[report.value!.share < 0.5 ? 0 : 1])
const fault = ref(''),
  reynolds = ref<number | null>(100000),
  thick = ref<number | null>(null),
  bend = ref<number | null>(null)
const chooser = ref<HTMLInputElement>()
async function bring(event: Event) {
  const file = chosenFile(event)
  if (!file) return
  fault.value = ''
  try {
    const polar = parsePolar(await file.text(), {
      aerofoil: nearest.value,
      source: file.name.slice(0, 80),
      reynolds: reynolds.value ?? 100000,
    })
    edit(`Measured polar for ${nearest.value}`, draft => {
      draft.polars.push(polar)
    })
  } catch (error) {
    if (!(error instanceof DocumentError)) throw error
    fault.value = `${file.name}: ${error.message}`
  }
}
const measured = computed(() =>
  doc.value.polars
    .map((polar, i) => ({ ...polar, i }))
    .filter(polar => report.value?.between.includes(polar.aerofoil)),
)
function scale() {
  fault.value = ''
  const thickness = (thick.value ?? 100 * report.value!.thickness) / 100,
    camber = (bend.value ?? 100 * report.value!.camber) / 100
  const from = nearest.value
  const points = scaleSection(shapeOf(from, doc.value.aerofoils), { thickness, camber })
  const name = `${from}, ${figure(100 * thickness, 1)} % thick, ${figure(100 * camber, 1)} % camber`
  let n = 1
  while (doc.value.aerofoils.some(item => item.id === `shape-${n}`)) n++
  const made: Aerofoil = { id: `shape-${n}`, name, points }
  edit(`${SURFACE_WORDS[surface.value]}: ${name}`, draft => {
    draft.aerofoils.push(made)
    const target = surfaceOf(draft, surface.value)!
    if (target.rootAerofoil === from) target.rootAerofoil = made.id
    for (const panel of target.panels) if (panel.tipAerofoil === from) panel.tipAerofoil = made.id
  })
  thick.value = bend.value = null
}
</script>

<template>
  <div v-if="report" class="look" :class="{ busy }">
    <div class="shape">
      <div class="choose">
        <v-select
          v-if="surfaces.length > 1"
          v-model="surface"
          :items="surfaces"
          label="Surface"
          density="compact"
          class="narrow"
          data-field="section-surface"
        /><label class="place"
          ><span
            ><span class="num">{{ amount(report.sMm, 'mm') }}</span> out of {{ figure(span) }}:
            <b>{{ ends }}</b></span
          ><input
            v-model.number="share"
            type="range"
            min="0"
            max="1"
            step="0.01"
            aria-label="Place along the half span"
            data-field="section-place"
        /></label>
      </div>
      <svg
        viewBox="-0.02 -0.475 1.09 0.635"
        role="img"
        :aria-label="`Section with pressure at ${figure(alpha, 1)} degrees`"
      >
        <line x1="0" x2="1" :y1="-0.14 - 0.3 / (1 + cpMost)" :y2="-0.14 - 0.3 / (1 + cpMost)" class="zero" />
        <text x="1.01" :y="-0.128 - 0.3 / (1 + cpMost)" class="t">0</text>
        <text x="1.01" y="-0.41" class="t">−{{ cpMost }}</text>
        <text x="0" y="-0.43" class="t">pressure coefficient, suction up (dashed: below)</text>
        <path v-for="side in report.pressure" :key="side.side" :d="cp(side)" class="cp" :class="side.side" />
        <polygon :points="outline" class="skin" />
        <template v-for="part in report.parts" :key="part.name">
          <template v-if="part.round">
            <circle :cx="part.x" :cy="-part.y" :r="part.width / 2" class="carbon" />
            <circle v-if="part.hollow" :cx="part.x" :cy="-part.y" :r="part.hollow / 2" class="hollow" />
          </template>
          <rect
            v-else
            :x="part.x - part.width / 2"
            :y="-part.y - part.height / 2"
            :width="part.width"
            :height="part.height"
            :class="part.kind === 'servo' ? 'servo' : 'carbon'"
          />
          <title>{{ part.name }}</title>
        </template>
        <g v-for="part in report.parts.filter(p => p.kind === 'servo')" :key="`t${part.name}`">
          <text :x="part.x" y="0.155" text-anchor="middle" class="t">{{ part.name }}</text>
        </g>
        <line :x1="at.separation[0]" :x2="at.separation[0]" y1="-0.075" y2="-0.1" class="sep" />
        <text v-if="at.separation[0] < 0.97" :x="at.separation[0]" y="-0.108" text-anchor="middle" class="t">
          leaves the top
        </text>
        <text
          v-else-if="at.transition[0] < 0.97"
          :x="at.transition[0]"
          y="-0.1"
          text-anchor="middle"
          class="t"
        >
          turns turbulent
        </text>
      </svg>
      <p class="small figures">
        <span class="num">{{ figure(100 * report.thickness, 1) }} %</span> thick (<span class="num">{{
          amount(report.thickness * report.chordMm, 'mm', 1)
        }}</span
        >), camber <span class="num">{{ figure(100 * report.camber, 1) }} %</span>, edge
        <span class="num">{{ amount(report.edgeMm, 'mm', 2) }}</span>. No lift at
        <span class="num">{{ figure(report.alphaZeroLiftDeg, 2) }}°</span>. At
        <span class="num">{{ figure(report.alphaDeg, 1) }}°</span> and Re
        <span class="num">{{ figure(report.reynolds / 1000) }} thousand</span>: cl
        <b class="num" data-figure="section-cl">{{ figure(at.cl, 3) }}</b>, cd
        <b class="num">{{ figure(at.cd, 4) }}</b>, cm <span class="num">{{ figure(at.cmQuarter, 3) }}</span>.
      </p>
    </div>
    <div class="polar">
      <Scatter
        :data="{ datasets: lines(p => ({ x: p.alphaDeg, y: p.cl })) }"
        :options="options('incidence, °', 'cl')"
        aria-label="Lift over incidence"
      />
    </div>
    <div class="polar">
      <Scatter
        :data="{ datasets: lines(p => ({ x: p.cd, y: p.cl })) }"
        :options="options('cd', 'cl')"
        aria-label="Lift over drag"
      />
    </div>
    <div class="side">
      <div>
        <table class="ledger">
          <thead>
            <tr>
              <th>Polar</th>
              <th class="r">Re</th>
              <th class="r">cl at most</th>
              <th class="r">cd ±</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(curve, i) in report.curves" :key="i">
              <td>
                <span
                  class="swatch"
                  :style="{ borderTopColor: colour(i), borderTopStyle: i % 4 ? 'dashed' : 'solid' }"
                />
                {{ curve.label }}
              </td>
              <td class="r num">{{ figure(curve.reynolds / 1000) }} k</td>
              <td class="r num">{{ figure(curve.clMax, 2) }} ± {{ figure(curve.clMaxBand, 2) }}</td>
              <td class="r num">{{ figure(100 * curve.dragBand) }} %</td>
            </tr>
          </tbody>
        </table>
        <p class="small quiet">
          Panels, then one pass of boundary layer. Under Re 150 thousand a laminar bubble decides and is only
          guessed at: the band is wider there, and a measured polar beats it.
        </p>
      </div>
      <div>
        <div class="row mt">
          <FigureField
            v-model="alpha"
            label="Incidence"
            unit="°"
            :min="-15"
            :max="20"
            data-field="section-alpha"
          /><FigureField
            v-model="reynolds"
            label="CSV measured at Re"
            :min="1000"
            :max="100000000"
            :digits="0"
            data-field="polar-re"
          />
        </div>
        <v-btn size="small" data-act="polar" @click="chooser?.click()"
          >Measured polar for {{ nearest }} (CSV)</v-btn
        ><input
          ref="chooser"
          type="file"
          accept=".csv,.txt"
          class="sr"
          aria-label="Measured polar file"
          @change="bring"
        />
        <p v-for="polar in measured" :key="polar.i" class="small">
          {{ polar.aerofoil }} at Re {{ figure(polar.reynolds / 1000) }} k, {{ polar.points.length }} points
          <v-btn
            variant="text"
            size="x-small"
            @click="
              edit('Forget a measured polar', d => {
                d.polars.splice(polar.i, 1)
              })
            "
            >Forget</v-btn
          >
        </p>
        <div class="row mt">
          <FigureField
            v-model="thick"
            :label="`Thickness, now ${figure(100 * report.thickness, 1)}`"
            unit="%"
            :min="2"
            :max="30"
            optional
            data-field="section-thick"
          /><FigureField
            v-model="bend"
            :label="`Camber, now ${figure(100 * report.camber, 1)}`"
            unit="%"
            :min="-6"
            :max="9"
            optional
            data-field="section-camber"
          />
        </div>
        <v-btn
          size="small"
          :disabled="thick === null && bend === null"
          data-act="scale-section"
          @click="scale"
          >Reshape {{ nearest }} wherever this surface has it</v-btn
        >
        <p v-if="fault" class="bad small" role="alert">{{ fault }}</p>
      </div>
    </div>
  </div>
  <p v-else class="quiet">Computing the section …</p>
</template>

<style scoped>
.look {
  display: grid;
  grid-template-columns: 1.5fr 1fr 1fr;
  grid-template-rows: 250px auto;
  gap: 12px 14px;
}
.side {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: 1.2fr 1fr;
  gap: 0 24px;
}
.busy svg {
  opacity: 0.75;
}
.shape {
  min-width: 0;
  display: flex;
  flex-direction: column;
}
.shape svg {
  flex: 1;
  min-height: 120px;
  height: 0;
  width: 100%;
}
.polar {
  position: relative;
  min-width: 0;
  min-height: 0;
}
.choose {
  display: flex;
  gap: 10px;
  align-items: center;
}
.narrow {
  max-width: 130px;
}
.place {
  flex: 1;
  display: grid;
  font-size: 12.5px;
}
.place input {
  width: 100%;
  accent-color: rgb(var(--v-theme-primary));
}
.figures {
  margin: 2px 0 0;
}
.mt {
  margin-top: 10px;
}
.skin {
  fill: color-mix(in srgb, rgb(var(--v-theme-on-background)) 8%, transparent);
  stroke: rgb(var(--v-theme-on-background));
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}
.carbon {
  fill: rgb(var(--v-theme-on-background));
}
.hollow {
  fill: rgb(var(--v-theme-background));
}
.servo {
  fill: color-mix(in srgb, rgb(var(--v-theme-primary)) 30%, transparent);
  stroke: rgb(var(--v-theme-primary));
  vector-effect: non-scaling-stroke;
}
.cp {
  fill: none;
  stroke-width: 1.8;
  vector-effect: non-scaling-stroke;
  stroke: rgb(var(--v-theme-secondary));
}
.cp.bottom {
  stroke-dasharray: 5 3;
}
.zero {
  stroke: var(--hair);
  vector-effect: non-scaling-stroke;
}
.sep {
  stroke: rgb(var(--v-theme-error));
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.t {
  font-size: 0.04px;
  fill: var(--quiet);
}
.swatch {
  display: inline-block;
  width: 18px;
  border-top: 2px solid;
  vertical-align: middle;
}
@media (max-width: 700px) {
  .look,
  .side {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto;
  }
  .shape svg {
    height: 240px;
    flex: none;
  }
  .polar {
    height: 220px;
  }
}
</style>
