<script setup lang="ts">
/** The aircraft in space: the skin of every piece, spars, boom and equipment, to turn and look at. */
import {
  AmbientLight,
  BoxGeometry,
  BufferAttribute,
  BufferGeometry,
  Color,
  CylinderGeometry,
  DirectionalLight,
  Group,
  HemisphereLight,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Quaternion,
  Scene,
  Vector3,
  WebGLRenderer,
} from 'three'
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js'
import type { Assessment, PieceReport } from '../../../core/assess'
import type { ProjectFile } from '../../../core/document'
import { useCore } from '~/composables/useCore'
import type { StationId } from '~/stations/path'
import { paintFor } from '~/composables/usePaint'
import { useView } from '~/stores/view'
import type { PieceMesh } from '~/workers/core.worker'

const props = defineProps<{ station: StationId; doc: ProjectFile; assessment: Assessment }>()
const host = ref<HTMLDivElement>()
const failed = ref('')
/** Why the solids are not those of the newest design. */
const lost = ref('')
const core = useCore()
const look = useView()
const meshes = shallowRef<PieceMesh[]>([])
let scene: Scene, camera: PerspectiveCamera, renderer: WebGLRenderer, controls: OrbitControls, model: Group
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
/** Aircraft axes (x aft, y starboard, z up) to the scene's (y up, right-handed). */
const toScene = (x: number, y: number, z: number) => new Vector3(y, z, x)

function rod(
  from: readonly [number, number, number],
  to: readonly [number, number, number],
  diameter: number,
): Mesh {
  const a = toScene(...from),
    b = toScene(...to)
  const mesh = new Mesh(
    new CylinderGeometry(diameter / 2, diameter / 2, a.distanceTo(b), 12),
    new MeshLambertMaterial({ color: '#2b3140' }),
  )
  mesh.position.copy(a.clone().add(b).multiplyScalar(0.5))
  mesh.quaternion.copy(
    new Quaternion().setFromUnitVectors(new Vector3(0, 1, 0), b.clone().sub(a).normalize()),
  )
  return mesh
}

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
  if (!model) return
  model.traverse(item => {
    if (item instanceof Mesh) {
      item.geometry.dispose()
      item.material.dispose()
    }
  })
  model.clear()
  const paint = paintFor(props.station, props.doc, props.assessment, look.paint)
  const see = props.station === 'spine' || props.station === 'balance'
  for (const mesh of meshes.value) {
    const report = props.assessment.pieces.find(piece => piece.id === mesh.id)
    if (!report) continue
    const positions = new Float32Array(mesh.positions.length)
    for (let i = 0; i < positions.length; i += 3) {
      positions[i] = mesh.positions[i + 1]
      positions[i + 1] = mesh.positions[i + 2]
      positions[i + 2] = mesh.positions[i]
    }
    const geometry = new BufferGeometry()
    geometry.setAttribute('position', new BufferAttribute(positions, 3))
    geometry.setIndex(new BufferAttribute(mesh.triangles, 1))
    // Facets of a printed part are flat: shared corners would smear its edges.
    const faceted = geometry.toNonIndexed()
    geometry.dispose()
    faceted.computeVertexNormals()
    const material = new MeshLambertMaterial({
      color: new Color(look.selected === report.id ? '#4f86b8' : paint.of(report).colour),
      transparent: see,
      opacity: see ? 0.45 : 1,
      depthWrite: !see,
    })
    const solid = new Mesh(faceted, material)
    solid.position.copy(apartBy(report))
    model.add(solid)
  }
  const { drawing } = props.assessment
  if (props.station === 'split' && look.apart > 0) {
    if (!framed) frame()
    draw()
    return
  }
  for (const spar of drawing.spars)
    model.add(
      rod(
        [spar.plan[0], spar.plan[1], spar.side[1]],
        [spar.plan[2], spar.plan[3], spar.side[3]],
        Math.max(2, spar.widthMm),
      ),
    )
  if (drawing.boom)
    model.add(
      rod(
        [drawing.boom.side[0], 0, drawing.boom.side[1]],
        [drawing.boom.side[2], 0, drawing.boom.side[3]],
        drawing.boom.widthMm,
      ),
    )
  for (const leg of drawing.legs) {
    model.add(rod(leg.mount, leg.axle, Math.max(2, leg.widthMm)))
    const [x, y, z] = leg.axle
    if (leg.wheelMm > 0)
      model.add(rod([x, y - 0.14 * leg.wheelMm, z], [x, y + 0.14 * leg.wheelMm, z], leg.wheelMm))
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
  const { box } = props.assessment.drawing
  const middle = toScene((box.minX + box.maxX) / 2, 0, (box.minZ + box.maxZ) / 2)
  const size = Math.hypot(box.maxX - box.minX, box.maxY - box.minY)
  controls.target.copy(middle)
  camera.position
    .copy(middle)
    .add(new Vector3(0.55, 0.42, -0.85).multiplyScalar(size * 1.05 * Math.max(1, 1.6 / camera.aspect)))
  camera.near = size / 200
  camera.far = size * 20
  camera.updateProjectionMatrix()
  controls.update()
  framed = true
}
const draw = () => renderer?.render(scene, camera)
function resize() {
  if (!host.value || !renderer) return
  const { clientWidth: w, clientHeight: h } = host.value
  renderer.setSize(w, h)
  camera.aspect = w / Math.max(1, h)
  camera.updateProjectionMatrix()
  draw()
}
let watcher: ResizeObserver | undefined
onMounted(() => {
  try {
    renderer = new WebGLRenderer({ antialias: true, alpha: true })
  } catch {
    failed.value = 'This browser has no WebGL. The drawn views show the same aircraft.'
    return
  }
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio))
  scene = new Scene()
  camera = new PerspectiveCamera(32, 1, 1, 10000)
  model = new Group()
  const sun = new DirectionalLight('#ffffff', 1.9)
  sun.position.set(-600, 1200, -500)
  scene.add(new HemisphereLight('#fffdf5', '#8a8271', 1.5), new AmbientLight('#ffffff', 0.35), sun, model)
  host.value!.append(renderer.domElement)
  renderer.domElement.setAttribute('role', 'img')
  renderer.domElement.setAttribute(
    'aria-label',
    `${props.doc.name} in space; drag to turn, wheel to come closer, shift-drag to move`,
  )
  renderer.domElement.dataset.ready = 'no'
  controls = new OrbitControls(camera, renderer.domElement)
  controls.addEventListener('change', draw)
  watcher = new ResizeObserver(resize)
  watcher.observe(host.value!)
  resize()
  void refresh()
})
onUnmounted(() => {
  watcher?.disconnect()
  controls?.dispose()
  renderer?.dispose()
})
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
    if (meshes.value.length && renderer) renderer.domElement.dataset.ready = 'yes'
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
