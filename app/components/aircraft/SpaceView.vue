<script setup lang="ts">
/** The aircraft in space: the skin of every piece, spars, boom and equipment, to turn and look at. */
import { BoxGeometry, Color, CylinderGeometry, Mesh, MeshLambertMaterial, Vector3 } from 'three'
import type { Assessment, PieceReport } from '../../../core/assess'
import type { ProjectFile } from '../../../core/document'
import { useCore } from '~/composables/useCore'
import type { StationId } from '~/stations/path'
import { paintFor } from '~/composables/usePaint'
import { useView } from '~/stores/view'
import type { PieceMesh } from '~/workers/core.worker'
import {
  createSpaceScene,
  filmMesh,
  frameBox,
  pieceGeometry,
  rodMesh,
  toScene,
  type SpaceScene,
} from './space-scene'

const props = defineProps<{ station: StationId; doc: ProjectFile; assessment: Assessment }>()
const host = ref<HTMLDivElement>()
const failed = ref('')
/** Why the solids are not those of the newest design. */
const lost = ref('')
const core = useCore()
const look = useView()
const meshes = shallowRef<PieceMesh[]>([])
let space: SpaceScene | null = null
let framed = false
let asked = 0

async function refresh() {
  const own = ++asked
  try {
    const next = await core.meshes(toRaw(props.doc))
    if (own !== asked) return
    meshes.value = next
    lost.value = ''
  } catch (error) {
    if (own === asked) lost.value = (error as Error).message
  }
}
/** An aircraft has nothing in the corners of its box: so much closer nothing of it is cut. */
const EMPTY_CORNERS = 1.2
/** How far parts rise when the aircraft is drawn apart, mm. */
const LIFTED: Record<string, number> = { wing: 60, vertical: 50 }

/**
 * Where a piece goes when the aircraft is drawn apart: away from the middle, moving parts aft, lids off their
 * side.
 */
function apartBy(piece: PieceReport): Vector3 {
  if (props.station !== 'split' || look.apart === 0) return new Vector3()
  const { box } = props.assessment.drawing
  const [x, y, z] = piece.centreMm
  const middle = [(box.minX + box.maxX) / 2, 0, (box.minZ + box.maxZ) / 2]
  const by = 0.55 * look.apart
  return toScene(
    by * (x - middle[0]) + (piece.kind === 'moving' ? 70 * look.apart : 0),
    by * y,
    (piece.kind === 'lid' ? 90 * Math.sign(z - middle[2] || 1) : (LIFTED[piece.part] ?? 0)) * look.apart,
  )
}

function build() {
  if (!space) return
  const { model } = space
  space.clear()
  const paint = paintFor(props.station, props.doc, props.assessment, look.paint)
  const see = props.station === 'spine' || props.station === 'balance'
  for (const mesh of meshes.value) {
    const report = props.assessment.pieces.find(piece => piece.id === mesh.id)
    if (!report) continue
    const material = new MeshLambertMaterial({
      color: new Color(look.selected === report.id ? '#4f86b8' : paint.of(report).colour),
      transparent: see,
      opacity: see ? 0.45 : 1,
      depthWrite: !see,
    })
    const solid = new Mesh(pieceGeometry(mesh), material)
    solid.position.copy(apartBy(report))
    model.add(solid)
  }
  const { drawing } = props.assessment
  if (props.station === 'split' && look.apart > 0) {
    if (!framed) frame()
    draw()
    return
  }
  for (const film of drawing.films) model.add(filmMesh(film.rings))
  for (const { ends, widthMm } of drawing.struts) model.add(rodMesh(ends[0], ends[1], Math.max(2, widthMm)))
  for (const spar of drawing.spars)
    model.add(
      rodMesh(
        [spar.plan[0], spar.plan[1], spar.side[1]],
        [spar.plan[2], spar.plan[3], spar.side[3]],
        Math.max(2, spar.widthMm),
      ),
    )
  for (const { plan, side, widthMm } of drawing.booms)
    model.add(rodMesh([plan[0], plan[1], side[1]], [plan[2], plan[3], side[3]], widthMm))
  for (const leg of drawing.legs) {
    model.add(rodMesh(leg.mount, leg.axle, Math.max(2, leg.widthMm)))
    const [x, y, z] = leg.axle
    if (leg.wheelMm > 0)
      model.add(rodMesh([x, y - 0.14 * leg.wheelMm, z], [x, y + 0.14 * leg.wheelMm, z], leg.wheelMm))
  }
  for (const item of props.doc.equipment) {
    for (const side of item.pair ? [1, -1] : [1]) {
      if (item.kind === 'propeller') {
        const disc = new Mesh(
          new CylinderGeometry(item.sizeMm[1] / 2, item.sizeMm[1] / 2, 2, 48),
          new MeshLambertMaterial({ color: '#5a6478', transparent: true, opacity: 0.25, depthWrite: false }),
        )
        disc.rotation.x = Math.PI / 2
        disc.position.copy(toScene(item.xMm, side * item.yMm, item.zMm))
        model.add(disc)
        continue
      }
      const box = new Mesh(
        new BoxGeometry(item.sizeMm[1], item.sizeMm[2], item.sizeMm[0]),
        new MeshLambertMaterial({
          color: item.kind === 'battery' ? '#d9541e' : item.drops ? '#7a9a4f' : '#5a6478',
        }),
      )
      box.position.copy(toScene(item.xMm, side * item.yMm, item.zMm))
      model.add(box)
    }
  }
  if (!framed) frame()
  draw()
}
function frame() {
  frameBox(space!, props.assessment.drawing.box, EMPTY_CORNERS)
  framed = true
}
const draw = () => space?.draw()
onMounted(() => {
  space = createSpaceScene(
    host.value!,
    `${props.doc.name} in space; drag to turn, wheel to come closer, shift-drag to move`,
  )
  if (!space) {
    failed.value = 'This browser has no WebGL. The drawn views show the same aircraft.'
    return
  }
  void refresh()
})
onUnmounted(() => space?.end())
watch(() => props.doc, refresh)
watch(
  [
    meshes,
    () => props.station,
    () => props.assessment,
    () => look.paint,
    () => look.apart,
    () => look.selected,
  ],
  () => {
    build()
    if (meshes.value.length && space) space.canvas.dataset.ready = 'yes'
  },
)
</script>

<template>
  <div ref="host" class="space">
    <p v-if="failed" class="pa-6">{{ failed }}</p>
    <p v-else-if="lost" class="lost bad" role="alert" data-lost>
      The solids could not be made: {{ lost }}.
      <v-btn size="small" data-act="solids-again" @click="refresh">Try again</v-btn>
    </p>
  </div>
</template>

<style scoped>
.space {
  width: 100%;
  height: 100%;
  min-height: 0;
  overflow: hidden;
}
.space :deep(canvas) {
  display: block;
  cursor: grab;
}
</style>
