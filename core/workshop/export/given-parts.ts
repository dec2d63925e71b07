/** Parts from a file, ready to be taken into a project: read, welded, measured, packed. */
import { DocumentError } from '../../document'
import {
  LONGEST_GIVEN,
  measureMesh,
  MOST_CROSSED,
  MOST_GIVEN_TRIANGLES,
  mostCrossed,
  packMesh,
  weld,
} from '../../geometry'
import { readStl, readThreeMf } from '../../printing'

export interface GivenPart {
  name: string
  mesh: string
  triangles: number
  sizeMm: [number, number, number]
  volumeMm3: number
  openEdges: number
}

/** A file larger than this is refused unread, bytes. */
const MAX_PART_BYTES = 250_000_000
/** A project has room for so many parts, and for so much of their meshes, as text, before its file is a burden. */
const MOST_PARTS = 60
const MOST_TEXT = 40_000_000
const MOST_OF_ONE = 6_000_000

/** Throws `DocumentError` where a project would hold more of given parts than it can be kept with. */
export function refuseTooMany(parts: ReadonlyArray<{ mesh: string }>): void {
  if (parts.length > MOST_PARTS)
    throw new DocumentError('', `${parts.length} parts would be over ${MOST_PARTS} in one project`)
  const text = parts.reduce((sum, part) => sum + part.mesh.length, 0)
  if (text > MOST_TEXT || parts.some(part => part.mesh.length > MOST_OF_ONE))
    throw new DocumentError(
      '',
      'these parts are too finely meshed to keep in a project; simplify them where they were drawn',
    )
}
/** What is not even read for its size. */
export function refuseTooLarge({ size }: { size: number }): void {
  if (size > MAX_PART_BYTES)
    throw new DocumentError(
      '',
      `${(size / 1e6).toFixed(0)} MB is too large; at most ${MAX_PART_BYTES / 1e6} MB`,
    )
}

/** Sides outside this are a part in the wrong unit, mm. */
const SMALLEST = 0.5

/**
 * STL (one part) or 3MF (one a built object), told apart by what they hold. Throws `DocumentError` naming
 * part and reason.
 */
export function readGivenParts(fileName: string, bytes: Uint8Array): GivenPart[] {
  refuseTooLarge({ size: bytes.length })
  const stem = fileName.replace(/\.[^.]*$/, '').slice(0, 120) || 'part'
  const zipped = bytes[0] === 0x50 && bytes[1] === 0x4b
  const objects = zipped ? readThreeMf(bytes) : [{ name: stem, corners: readStl(bytes) }]
  return objects.map(({ name, corners }, i) => {
    const label = name.trim().slice(0, 120) || `${stem} ${i + 1}`
    const mesh = weld(corners, 1e-3)
    const count = mesh.triangles.length / 3
    if (count < 4) throw new DocumentError(label, 'has fewer than four triangles')
    if (count > MOST_GIVEN_TRIANGLES)
      throw new DocumentError(
        label,
        `has ${count} triangles; at most ${MOST_GIVEN_TRIANGLES}. Simplify it where it was drawn`,
      )
    const crossed = mostCrossed(mesh)
    if (crossed > MOST_CROSSED)
      throw new DocumentError(
        label,
        `has ${crossed} triangles at one height; at most ${MOST_CROSSED}. Simplify it where it was drawn`,
      )
    const { min, max, volume, openEdges } = measureMesh(mesh)
    const sizeMm = max.map((value, k) => value - min[k]) as [number, number, number]
    if (Math.max(...sizeMm) < SMALLEST || Math.max(...sizeMm) > LONGEST_GIVEN)
      throw new DocumentError(
        label,
        `is ${sizeMm.map(v => v.toPrecision(3)).join(' × ')} mm; is it in another unit?`,
      )
    return {
      name: label,
      mesh: packMesh(mesh),
      triangles: count,
      sizeMm,
      volumeMm3: Math.abs(volume),
      openEdges,
    }
  })
}
