<script setup lang="ts">
/** The aircraft as far as it is built: done solid, what comes in moving to its place, the rest a ghost. */
import { usePreferredReducedMotion } from '@vueuse/core'
import {
  Color,
  Mesh,
  MeshLambertMaterial,
  BoxGeometry,
  CylinderGeometry,
  SphereGeometry,
  type BufferGeometry,
  type Object3D,
} from 'three'
import type { StepProgress } from '../../../core/workshop/build'
import {
  createSpaceScene,
  filmMesh,
  frameBox,
  pieceGeometry,
  rodMesh,
  toScene,
  type SpaceScene,
} from '~/components/aircraft/space-scene'
import { useBench } from '~/composables/useBench'
import { useBuild } from '~/composables/useBuild'
import { useCore } from '~/composables/useCore'
import type { PieceMesh } from '~/workers/core.worker'

const props = defineProps<{ item: StepProgress }>()
const { doc, now } = useBench()
const { progress } = useBuild()
const core = useCore()
const host = ref<HTMLDivElement>()
const fault = ref('')
const meshes = shallowRef<PieceMesh[]>([])
const still = usePreferredReducedMotion()
let space: SpaceScene | null = null
let moving: Array<{ part: Object3D; from: readonly [number, number, number] }> = []
let frame = 0

const DONE = '#c9bfa8',
  NOW = '#d9541e',
  HANDLED = '#4f86b8'

async function refresh() {
  try {
    meshes.value = await core.meshes(toRaw(doc.value))
    fault.value = ''
  } catch (error) {
    fault.value = (error as Error).message
  }
}

/** What is on the aircraft before this step. */
const placed = computed(() => {
  const ids = new Set<string>()
  for (const { step, state } of progress.value?.steps ?? [])
    if (state === 'done' && step.id !== props.item.step.id) for (const id of step.brings) ids.add(id)
  return ids
})

function look(id: string): MeshLambertMaterial {
  const { step } = props.item
  const comes = step.brings.includes(id),
    handled = step.touches.includes(id),
    there = placed.value.has(id)
  const ghost = !comes && !handled && !there
  const colour = comes ? NOW : handled ? HANDLED : DONE
  return new MeshLambertMaterial({
    color: new Color(ghost ? '#8a93a6' : colour),
    transparent: ghost,
    opacity: ghost ? 0.13 : 1,
    depthWrite: !ghost,
    // What goes into something is seen through it.
    depthTest: !(comes && !now.value.pieces.some(piece => piece.id === id)),
  })
}

/** Pieces as solids, made once for a design: from step to step only their looks and places change. */
const solids = new Map<string, Mesh<BufferGeometry, MeshLambertMaterial>>()
function makeSolids() {
  dropSolids()
  for (const mesh of meshes.value) {
    const solid = new Mesh(pieceGeometry(mesh), new MeshLambertMaterial())
    solids.set(mesh.id, solid)
    space?.model.parent?.add(solid)
  }
}
function dropSolids() {
  for (const solid of solids.values()) {
    solid.removeFromParent()
    solid.geometry.dispose()
    solid.material.dispose()
  }
  solids.clear()
}

function build() {
  if (!space) return
  space.clear()
  moving = []
  const { step } = props.item
  const put = (id: string, part: Object3D, ready = false) => {
    if (!ready) space!.model.add(part)
    if (!(part as Mesh<BufferGeometry, MeshLambertMaterial>).material.depthTest) part.renderOrder = 1
    // The first of two pieces is already there for the eye: the last one that comes in moves.
    if (
      step.brings.includes(id) &&
      (step.joins.length === 0 || id === step.joins.at(-1)![1] || step.brings.length === 1)
    )
      moving.push({ part, from: step.from })
  }
  for (const [id, solid] of solids) {
    space.spend(solid.material)
    solid.material = look(id)
    solid.position.set(0, 0, 0)
    put(id, solid, true)
  }
  const { drawing } = now.value
  for (const film of drawing.films) {
    const id = `cover.${film.part}.${film.half}`
    const done = progress.value?.steps.some(item => item.step.id === id && item.state === 'done')
    if (step.id === id) space.model.add(filmMesh(film.rings, NOW))
    else if (done) space.model.add(filmMesh(film.rings))
  }
  for (const spar of drawing.spars) {
    const id = partOf(spar.id, spar.plan[1] + spar.plan[3])
    put(
      id,
      rodMesh(
        [spar.plan[0], spar.plan[1], spar.side[1]],
        [spar.plan[2], spar.plan[3], spar.side[3]],
        Math.max(2, spar.widthMm),
        look(id),
      ),
    )
  }
  for (const { id, ends, widthMm } of drawing.struts)
    put(id, rodMesh(ends[0], ends[1], Math.max(2, widthMm), look(id)))
  for (const { plan, side, widthMm } of drawing.booms)
    put('boom', rodMesh([plan[0], plan[1], side[1]], [plan[2], plan[3], side[3]], widthMm, look('boom')))
  for (const leg of drawing.legs) {
    put(leg.id, rodMesh(leg.mount, leg.axle, Math.max(2, leg.widthMm), look(leg.id)))
  }
  for (const item of doc.value.equipment)
    for (const side of item.pair ? [1, -1] : [1]) {
      const part = new Mesh(
        item.kind === 'propeller'
          ? new CylinderGeometry(item.sizeMm[1] / 2, item.sizeMm[1] / 2, 2, 48).rotateX(Math.PI / 2)
          : new BoxGeometry(item.sizeMm[1], item.sizeMm[2], item.sizeMm[0]),
        look(item.id),
      )
      part.position.copy(toScene(item.xMm, side * item.yMm, item.zMm))
      put(item.id, part)
    }
  // Nothing comes in: a mark shows where hands are needed.
  if (moving.length === 0) {
    const mark = new Mesh(
      new SphereGeometry(9, 20, 14),
      new MeshLambertMaterial({ color: NOW, depthTest: false, transparent: true, opacity: 0.85 }),
    )
    mark.position.copy(toScene(...step.at))
    mark.renderOrder = 2
    space.model.add(mark)
  }
  for (const item of moving) item.part.userData.home = item.part.position.clone()
  aim()
  space.canvas.dataset.ready = meshes.value.length ? 'yes' : 'no'
  cancelAnimationFrame(frame)
  began = 0
  drawnAt = 0
  if (moving.length && still.value !== 'reduce' && !slow.value) frame = requestAnimationFrame(move)
  else space.draw()
}
/** As the drawing names spars: starboard and port apart where there are two. */
function partOf(id: string, across: number): string {
  const ids = props.item.step.brings.concat([...placed.value])
  const plain = id.replace(/-(starboard|port|top|bottom)$/, '')
  const port = across < -1
  return port && ids.includes(`${plain}-port`)
    ? `${plain}-port`
    : port && !doc.value.spars.find(spar => spar.id === plain)?.through
      ? `${plain}-port`
      : plain
}
/** Half of it all, round where the step is: no further out than the aircraft goes, beyond which nothing is seen. */
function aim() {
  const { box } = now.value.drawing
  const half = 0.34 * Math.max(box.maxX - box.minX, box.maxY - box.minY)
  const within = (at: number, low: number, high: number) =>
    high - low < 2 * half ? (low + high) / 2 : Math.min(high - half, Math.max(low + half, at))
  const [atX, atY, z] = props.item.step.at
  const x = within(atX, box.minX, box.maxX),
    y = within(atY, box.minY, box.maxY)
  const whole = props.item.step.bench === 'whole'
  frameBox(
    space!,
    whole
      ? box
      : {
          minX: x - half,
          maxX: x + half,
          minY: y - half,
          maxY: y + half,
          minZ: z - half / 2,
          maxZ: z + half / 2,
        },
    whole ? 1.25 : 1.1,
  )
}
/** In and out every three seconds, a few times; where frames come slowly it comes to rest at once. */
const CYCLE_MS = 3000,
  CYCLES = 4,
  SLOW_MS = 110,
  FRAME_MS = 33
let began = 0,
  drawnAt = 0
/** Found out once: this machine draws the picture too slowly to move it. */
const slow = useState('build-slow', () => false)
function move(time: number) {
  if (!space) return
  began ||= time
  const passed = (time - began) / CYCLE_MS
  const over = passed >= CYCLES || slow.value
  if (over || time - drawnAt >= FRAME_MS) {
    const phase = passed % 1
    const away = !over && phase < 0.55 ? Math.cos((Math.min(1, phase / 0.55) * Math.PI) / 2) ** 2 : 0
    for (const { part, from } of moving)
      part.position.copy(part.userData.home).add(toScene(from[0] * away, from[1] * away, from[2] * away))
    space.draw()
    // The picture is drawn apart: only the pace of the frames tells how long it takes.
    if (drawnAt && time - drawnAt > SLOW_MS) slow.value = true
    drawnAt = time
  }
  if (!over) frame = requestAnimationFrame(move)
}
onMounted(() => {
  space = createSpaceScene(
    host.value!,
    `${doc.value.name} as far as it is built, and what this step brings in`,
  )
  if (!space) {
    fault.value = 'this browser has no WebGL'
    return
  }
  void refresh()
})
onUnmounted(() => {
  cancelAnimationFrame(frame)
  dropSolids()
  space?.end()
  space = null
})
watch(meshes, makeSolids)
watch([meshes, () => props.item.step.id, placed], build)
</script>

<template>
  <div ref="host" class="scene">
    <p v-if="fault" class="quiet small">No picture: {{ fault }}.</p>
  </div>
</template>

<style scoped>
.scene {
  width: 100%;
  height: 100%;
  min-height: 0;
  overflow: hidden;
}
.scene :deep(canvas) {
  display: block;
  cursor: grab;
}
</style>
