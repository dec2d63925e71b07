/**
 * What every picture in space shares: light, camera, turning, and parts as meshes. Aircraft axes in, scene
 * axes out.
 */
import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  CylinderGeometry,
  DirectionalLight,
  DoubleSide,
  Group,
  HemisphereLight,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Quaternion,
  Scene,
  Vector3,
  WebGLRenderer,
  type Material,
} from 'three'
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js'
import type { PieceMesh } from '~/workers/core.worker'

/** Aircraft axes (x aft, y starboard, z up) to the scene's (y up, right-handed). */
export const toScene = (x: number, y: number, z: number) => new Vector3(y, z, x)

type Point = readonly [number, number, number]

export function rodMesh(from: Point, to: Point, diameter: number, material?: Material): Mesh {
  const a = toScene(...from),
    b = toScene(...to)
  const mesh = new Mesh(
    new CylinderGeometry(diameter / 2, diameter / 2, a.distanceTo(b), 12),
    material ?? new MeshLambertMaterial({ color: '#2b3140' }),
  )
  mesh.position.copy(a.clone().add(b).multiplyScalar(0.5))
  mesh.quaternion.copy(
    new Quaternion().setFromUnitVectors(new Vector3(0, 1, 0), b.clone().sub(a).normalize()),
  )
  return mesh
}

/** Facets of a printed part are flat: shared corners would smear its edges. */
export function pieceGeometry(mesh: PieceMesh): BufferGeometry {
  const positions = new Float32Array(mesh.positions.length)
  for (let i = 0; i < positions.length; i += 3) {
    positions[i] = mesh.positions[i + 1]
    positions[i + 1] = mesh.positions[i + 2]
    positions[i + 2] = mesh.positions[i]
  }
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(positions, 3))
  geometry.setIndex(new BufferAttribute(mesh.triangles, 1))
  const faceted = geometry.toNonIndexed()
  geometry.dispose()
  faceted.computeVertexNormals()
  return faceted
}

/** Film from section to section, thin enough to see the ribs through. */
export function filmMesh(rings: ReadonlyArray<readonly number[]>, color = '#d9b45a'): Mesh {
  const count = (rings[0]?.length ?? 0) / 3
  const positions = new Float32Array(rings.length * count * 3)
  rings.forEach((ring, k) => {
    for (let i = 0; i < count; i++) {
      const at = 3 * (k * count + i)
      positions[at] = ring[3 * i + 1]!
      positions[at + 1] = ring[3 * i + 2]!
      positions[at + 2] = ring[3 * i]!
    }
  })
  const triangles: number[] = []
  for (let k = 0; k + 1 < rings.length; k++)
    for (let i = 0; i < count; i++) {
      const j = (i + 1) % count
      const [a, b, c, d] = [k * count + i, k * count + j, (k + 1) * count + i, (k + 1) * count + j]
      triangles.push(a, b, c, b, d, c)
    }
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(positions, 3))
  geometry.setIndex(triangles)
  geometry.computeVertexNormals()
  return new Mesh(
    geometry,
    new MeshLambertMaterial({
      color,
      transparent: true,
      opacity: 0.32,
      depthWrite: false,
      side: DoubleSide,
    }),
  )
}

export interface SpaceScene {
  canvas: HTMLCanvasElement
  camera: PerspectiveCamera
  controls: OrbitControls
  model: Group
  /** With the next frame, once, however often it was asked for. */
  draw(): void
  /** Takes away what was built, and what the card holds of it. */
  clear(): void
  /** A look that is no longer shown: what the card made for it is kept until the next picture has taken it over. */
  spend(material: Material): void
  end(): void
}

/** Null where the browser has no WebGL. */
export function createSpaceScene(host: HTMLElement, label: string): SpaceScene | null {
  let renderer: WebGLRenderer
  try {
    renderer = new WebGLRenderer({ antialias: true, alpha: true, preserveDrawingBuffer: true })
  } catch {
    return null
  }
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio))
  const scene = new Scene()
  const camera = new PerspectiveCamera(32, 1, 1, 10000)
  const model = new Group()
  const sun = new DirectionalLight('#ffffff', 1.9)
  sun.position.set(-600, 1200, -500)
  scene.add(new HemisphereLight('#fffdf5', '#8a8271', 1.5), new AmbientLight('#ffffff', 0.35), sun, model)
  const canvas = renderer.domElement
  host.append(canvas)
  canvas.setAttribute('role', 'img')
  canvas.setAttribute('aria-label', label)
  canvas.dataset.ready = 'no'
  const controls = new OrbitControls(camera, canvas)
  const spent: Material[] = []
  const render = () => {
    frame = 0
    renderer.render(scene, camera)
    for (const material of spent.splice(0)) material.dispose()
  }
  let frame = 0
  const draw = () => {
    frame ||= requestAnimationFrame(render)
  }
  controls.addEventListener('change', draw)
  const resize = () => {
    const { clientWidth: w, clientHeight: h } = host
    renderer.setSize(w, h)
    camera.aspect = w / Math.max(1, h)
    camera.updateProjectionMatrix()
    // At once: another size has emptied the picture.
    cancelAnimationFrame(frame)
    render()
  }
  const watcher = new ResizeObserver(resize)
  watcher.observe(host)
  resize()
  const clear = () => {
    model.traverse(item => {
      if (item instanceof Mesh) {
        item.geometry.dispose()
        spent.push(...[item.material].flat())
      }
    })
    model.clear()
  }
  return {
    canvas,
    camera,
    controls,
    model,
    draw,
    clear,
    spend: material => spent.push(material),
    end() {
      cancelAnimationFrame(frame)
      watcher.disconnect()
      controls.dispose()
      clear()
      for (const material of spent) material.dispose()
      renderer.dispose()
    },
  }
}

interface Box {
  minX: number
  maxX: number
  minY: number
  maxY: number
  minZ: number
  maxZ: number
}

/** From ahead, above and starboard. */
const FROM = new Vector3(0.55, 0.42, -0.85).normalize()
/** Air round what is seen. */
const AIR = 1.05

/** Everything in the picture, however wide or tall that is: the nearest place from which no corner of the box is cut. */
export function frameBox({ camera, controls }: SpaceScene, box: Box, closer = 1): void {
  const middle = toScene((box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2, (box.minZ + box.maxZ) / 2)
  const size = Math.hypot(box.maxX - box.minX, box.maxY - box.minY)
  const right = new Vector3(0, 1, 0).cross(FROM).normalize(),
    up = FROM.clone().cross(right)
  const tall = Math.tan((camera.fov * Math.PI) / 360),
    wide = tall * camera.aspect
  let away = 0
  for (const x of [box.minX, box.maxX])
    for (const y of [box.minY, box.maxY])
      for (const z of [box.minZ, box.maxZ]) {
        const corner = toScene(x, y, z).sub(middle)
        const beside = Math.max(Math.abs(corner.dot(right)) / wide, Math.abs(corner.dot(up)) / tall)
        away = Math.max(away, corner.dot(FROM) + AIR * beside)
      }
  controls.target.copy(middle)
  camera.position.copy(middle).addScaledVector(FROM, away / closer)
  camera.near = size / 200
  camera.far = size * 20
  camera.updateProjectionMatrix()
  controls.update()
}
