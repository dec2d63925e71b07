/** STL, binary and ASCII, in mm. */
import { DocumentError } from '../document'
import { MAX_TRIANGLES } from '../geometry'

/** Nine numbers a triangle. Throws `DocumentError` that names the triangle or line at fault. */
export function readStl(bytes: Uint8Array): Float32Array {
  if (looksBinary(bytes)) return readBinary(bytes)
  if (!startsWith(bytes, 'solid'))
    throw new DocumentError(
      '',
      bytes.length < 84
        ? 'too short for an STL file; it may have been cut off'
        : `the triangle count does not match the file's length (${bytes.length} bytes); it may have been cut off`,
    )
  return readAscii(bytes)
}

const startsWith = (bytes: Uint8Array, word: string): boolean =>
  [...word].every((letter, i) => bytes[i] === letter.charCodeAt(0))

/** The length settles it: some binary files begin with "solid" too. */
function looksBinary(bytes: Uint8Array): boolean {
  if (bytes.length < 84) return false
  const count = new DataView(bytes.buffer, bytes.byteOffset).getUint32(80, true)
  return bytes.length === 84 + 50 * count
}

function readBinary(bytes: Uint8Array): Float32Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const count = view.getUint32(80, true)
  if (count === 0) throw new DocumentError('', 'has no triangles')
  if (count > MAX_TRIANGLES) throw new DocumentError('', `${count} triangles; at most ${MAX_TRIANGLES}`)
  const corners = new Float32Array(9 * count)
  for (let t = 0; t < count; t++) {
    for (let k = 0; k < 9; k++) {
      const value = view.getFloat32(84 + 50 * t + 12 + 4 * k, true)
      if (!Number.isFinite(value) || Math.abs(value) > 1e6)
        throw new DocumentError(`triangle ${t + 1}`, `has a corner at ${value}`)
      corners[9 * t + k] = value
    }
  }
  return corners
}

function readAscii(bytes: Uint8Array): Float32Array {
  const corners: number[] = []
  let line = 1,
    at = 0
  while (at < bytes.length) {
    let end = bytes.indexOf(10, at)
    if (end < 0) end = bytes.length
    // A line of an STL file is short; a longer one is something else.
    if (end - at > 400) throw new DocumentError(`line ${line}`, 'is too long for an STL file')
    const words = String.fromCharCode(...bytes.subarray(at, end))
      .trim()
      .split(/\s+/)
    if (words[0].toLowerCase() === 'vertex') {
      const values = words.slice(1).map(Number)
      if (values.length !== 3 || values.some(value => !Number.isFinite(value) || Math.abs(value) > 1e6))
        throw new DocumentError(
          `line ${line}`,
          `"${words.join(' ').slice(0, 60)}" is not a corner of three numbers`,
        )
      corners.push(...values)
      if (corners.length > 9 * MAX_TRIANGLES)
        throw new DocumentError('', `more than ${MAX_TRIANGLES} triangles`)
    }
    at = end + 1
    line++
  }
  if (corners.length === 0) throw new DocumentError('', 'has no triangles')
  if (corners.length % 9 !== 0)
    throw new DocumentError(
      `line ${line - 1}`,
      'the last triangle is not complete; the file may have been cut off',
    )
  return Float32Array.from(corners)
}
