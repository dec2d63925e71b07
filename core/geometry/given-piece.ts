/**
 * A part that came as a file: its triangles kept in the document, its place in the aircraft, its sections.
 */
import { strFromU8, strToU8, Unzlib, zlibSync } from 'fflate'
import type { Given } from '../document'
import { createCutter, mostCrossed } from './cutter'
import { measureMesh } from './mesh'
import type { PieceShape, Section } from './piece'
import type { TriangleMesh } from './triangle-mesh'
/** Steps to a millimetre that a kept mesh is rounded to: finer than any printer. */
const STEPS = 100
/** A part with more triangles would make the project too heavy to keep and to reckon with. */
export const MOST_GIVEN_TRIANGLES = 400_000
/** Longest side of a part, mm; larger ones are in another unit. */
export const LONGEST_GIVEN = 3000
/** A height at which a part is cut through more triangles than this takes seconds a section. */
export const MOST_CROSSED = 12_000
/** A kept mesh that unpacks past this is refused, bytes: corners are at most half as many again as triangles. */
const MAX_BYTES = 4 * (2 + 3 * (MOST_GIVEN_TRIANGLES + 1.5 * MOST_GIVEN_TRIANGLES))

/**
 * Triangles as text for the document: foot at z = 0, middle of the box at x = y = 0, rounded to 0.01 mm,
 * deflated, base64.
 */
export function packMesh(mesh: TriangleMesh): string {
  const { min, max } = measureMesh(mesh)
  const vertices = mesh.positions.length / 3
  const words = new Int32Array(2 + 3 * vertices + mesh.triangles.length)
  words[0] = vertices
  words[1] = mesh.triangles.length / 3
  for (let i = 0; i < mesh.positions.length; i++)
    words[2 + i] = Math.round(
      (mesh.positions[i] - (i % 3 === 2 ? min[2] : (min[i % 3] + max[i % 3]) / 2)) * STEPS,
    )
  words.set(mesh.triangles, 2 + 3 * vertices)
  // Differences deflate to a third of what the numbers themselves do.
  for (let i = words.length - 1; i >= 5; i--) words[i] -= words[i - 3]
  return toBase64(zlibSync(new Uint8Array(words.buffer), { level: 9 }))
}

/** Null where the text is no kept mesh. */
export function unpackMesh(text: string): TriangleMesh | null {
  try {
    const bytes = inflate(fromBase64(text))
    if (bytes.length % 4 !== 0 || bytes.length < 8) return null
    const words = new Int32Array(bytes.buffer)
    for (let i = 5; i < words.length; i++) words[i] += words[i - 3]
    const [vertices, triangles] = words
    if (vertices < 4 || triangles < 4 || triangles > MOST_GIVEN_TRIANGLES) return null
    if (words.length !== 2 + 3 * (vertices + triangles)) return null
    const corners = Uint32Array.from(words.subarray(2 + 3 * vertices))
    if (corners.some(corner => corner >= vertices)) return null
    const mesh = {
      positions: Float32Array.from(words.subarray(2, 2 + 3 * vertices), word => word / STEPS),
      triangles: corners,
    }
    const { min, max } = measureMesh(mesh)
    if (max.some((value, k) => value - min[k] > LONGEST_GIVEN || min[k] < -LONGEST_GIVEN)) return null
    return mostCrossed(mesh) > MOST_CROSSED ? null : mesh
  } catch {
    return null
  }
}

/** Input goes in by small slices, so that what swells is stopped while it is still small. */
function inflate(packed: Uint8Array): Uint8Array {
  const chunks: Uint8Array[] = []
  let total = 0
  const stream = new Unzlib(chunk => {
    total += chunk.length
    if (total > MAX_BYTES) throw new Error('swells')
    chunks.push(chunk)
  })
  for (let at = 0; at < packed.length; at += 16_384)
    stream.push(packed.subarray(at, at + 16_384), at + 16_384 >= packed.length)
  const bytes = new Uint8Array(total)
  chunks.reduce((at, chunk) => {
    bytes.set(chunk, at)
    return at + chunk.length
  }, 0)
  return bytes
}

const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/'
/** Base64 without the DOM's or Node's own, which core code does not have. */
export function toBase64(bytes: Uint8Array): string {
  const out = new Uint8Array(Math.ceil(bytes.length / 3) * 4)
  const letters = strToU8(ALPHABET)
  for (let i = 0, o = 0; i < bytes.length; i += 3) {
    const word = (bytes[i] << 16) | ((bytes[i + 1] ?? 0) << 8) | (bytes[i + 2] ?? 0)
    out[o++] = letters[word >> 18]
    out[o++] = letters[(word >> 12) & 63]
    out[o++] = i + 1 < bytes.length ? letters[(word >> 6) & 63] : 61
    out[o++] = i + 2 < bytes.length ? letters[word & 63] : 61
  }
  return strFromU8(out)
}
function fromBase64(text: string): Uint8Array {
  const codes = strToU8(text.replace(/=+$/, '')),
    value = new Int8Array(256).fill(-1)
  strToU8(ALPHABET).forEach((letter, i) => {
    value[letter] = i
  })
  const out = new Uint8Array(Math.floor((codes.length * 3) / 4))
  let bits = 0,
    held = 0,
    o = 0
  for (const code of codes) {
    if (value[code] < 0) throw new Error('not base64')
    held = (held << 6) | value[code]
    bits += 6
    if (bits >= 8) {
      bits -= 8
      out[o++] = (held >> bits) & 255
    }
  }
  return out
}

/** Parts too small for a solid stand in for a mesh that cannot be read: a finding names it. */
const NOTHING: TriangleMesh = {
  positions: Float32Array.of(0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0, 1),
  triangles: Uint32Array.of(0, 2, 1, 0, 1, 3, 1, 2, 3, 2, 0, 3),
}

/**
 * Where the build axis and the two others point in the aircraft, as right-handed frames: columns for x, y and
 * z of the part.
 */
const FRAMES: Record<Given['lies'], readonly [readonly number[], readonly number[], readonly number[]]> = {
  span: [
    [1, 0, 0],
    [0, 0, -1],
    [0, 1, 0],
  ],
  length: [
    [0, 1, 0],
    [0, 0, 1],
    [1, 0, 0],
  ],
  fin: [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ],
}

export interface GivenShape {
  mesh: TriangleMesh
  readable: boolean
  height: number
}
export function givenShape(text: string): GivenShape {
  const read = unpackMesh(text)
  const mesh = read ?? NOTHING
  return { mesh, readable: read !== null, height: measureMesh(mesh).max[2] }
}

/** Starboard or centre piece, and its mirror image where it is one of a pair. */
export const givenPieces = (given: Given, shape: GivenShape, index: number): PieceShape[] =>
  meshPieces(
    {
      ...given,
      mark: `G${index + 1}`,
      kind: 'given',
      part: given.lies === 'length' ? 'body' : given.lies === 'fin' ? 'vertical' : 'wing',
    },
    shape,
  )

export type MeshPiece = Pick<
  Given,
  'id' | 'name' | 'zone' | 'lies' | 'xMm' | 'yMm' | 'zMm' | 'turnDeg' | 'pair'
> &
  Pick<PieceShape, 'mark' | 'kind' | 'part'>

/** A piece that is a mesh, the middle of its box where it stands; with a mirrored one where it is one of a pair. */
export function meshPieces(
  stands: MeshPiece,
  { mesh, height }: Pick<GivenShape, 'mesh' | 'height'>,
): PieceShape[] {
  const [ex, ey, ez] = FRAMES[stands.lies]
  const turn = (stands.turnDeg * Math.PI) / 180,
    cos = Math.cos(turn),
    sin = Math.sin(turn)
  const middle = [stands.xMm, stands.yMm, stands.zMm]
  const sections = new Map<number, Section>()
  const cut = createCutter(mesh)
  const sides = stands.pair ? (['starboard', 'port'] as const) : (['centre'] as const)
  return sides.map((side): PieceShape => ({
    id: side === 'centre' ? stands.id : `${stands.id}-${side}`,
    name: side === 'centre' ? stands.name : `${stands.name} ${side}`,
    mark: `${stands.mark}${side === 'centre' ? '' : side === 'starboard' ? '·S' : '·P'}`,
    part: stands.part,
    kind: stands.kind,
    ribOf: null,
    side,
    from: 0,
    to: height,
    proud: 0,
    zoneId: stands.zone,
    zonesInside: [stands.zone],
    shapedBy: [],
    breaks: [],
    corners: [0, height],
    skinHeights: [0, height],
    features: [],
    skinAt: () => null,
    chordAt: () => null,
    sectionAt: u => {
      const known = sections.get(u)
      if (known) return known
      const loops = cut(u)
      sections.set(u, loops)
      return loops
    },
    place: (a, b, u) => {
      const p = a * cos - b * sin,
        q = a * sin + b * cos,
        r = u - height / 2
      const [x, y, z] = middle.map((m, i) => m + p * ex[i] + q * ey[i] + r * ez[i])
      return [x, side === 'port' ? -y : y, z]
    },
    joints: { foot: null, head: null },
    hardwareG: 0,
    missing: [],
    mesh,
  }))
}
