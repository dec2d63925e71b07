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
export const MAX_PART_BYTES = 250_000_000
/** Sides outside this are a part in the wrong unit, mm. */
const SMALLEST = 0.5

/**
 * STL (one part) or 3MF (one a built object), told apart by what they hold. Throws `DocumentError` naming
 * part and reason.
 */
export function readGivenParts(fileName: string, bytes: Uint8Array): GivenPart[] {
  if (bytes.length > MAX_PART_BYTES)
    throw new DocumentError(
      '',
      `${Math.round(bytes.length / 1e6)} MB is too large; at most ${MAX_PART_BYTES / 1e6} MB`,
    )
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
