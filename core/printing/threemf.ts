/**
 * 3MF, core specification: objects with meshes in a zip. Reads meshes, components and build items; time and
 * memory go with the length of the file, whatever is in it.
 */
import { DecodeUTF8, unzipSync } from 'fflate'
import { SaxesParser } from 'saxes'
import { DocumentError } from '../document'
import { MAX_TRIANGLES } from '../geometry'

/** A model part that swells past this is refused before it is unpacked, bytes; the others are not unpacked. */
export const MAX_MODEL_BYTES = 160_000_000
/** Objects, components and build items; an object built of objects counts each time. */
const MAX_INSTANCES = 20_000
/** Corners lie no further out than this, mm. */
const FARTHEST = 1e6
const SLICE = 65_536
const UNITS: Record<string, number> = {
  micron: 0.001,
  millimeter: 1,
  centimeter: 10,
  inch: 25.4,
  foot: 304.8,
  meter: 1000,
}
/** Rows of the 4 × 3 affine matrix as the file has them: m00 m01 m02 m10 … m32. */
type Transform = readonly number[]
const SAME: Transform = [1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0]

interface ModelObject {
  name: string
  vertices: number[]
  triangles: number[]
  components: Instance[]
}
interface Instance {
  id: string
  transform: Transform
}
interface Model {
  unit: number
  objects: Map<string, ModelObject>
  items: Instance[]
}

/**
 * Every built object as corners in mm, nine numbers a triangle. Throws `DocumentError` naming the part at
 * fault.
 */
export function readThreeMf(bytes: Uint8Array): Array<{ name: string; corners: Float32Array }> {
  const { unit, objects, items } = readModel(unpackModel(bytes))
  const built = items.length > 0 ? items : [...objects.keys()].map(id => ({ id, transform: SAME }))
  const budget = { triangles: MAX_TRIANGLES, instances: MAX_INSTANCES }
  const filled = built
    .map(({ id, transform }) => {
      const corners: number[] = []
      collect(objects, id, scaled(transform, unit), corners, budget, 0)
      return { name: objects.get(id)?.name || `object ${id}`, corners: Float32Array.from(corners) }
    })
    .filter(item => item.corners.length > 0)
  if (filled.length === 0) throw new DocumentError('model', 'has no triangles')
  return filled
}

function unpackModel(bytes: Uint8Array): Uint8Array {
  const sizes = new Map<string, number>()
  const unzip = (wanted: (name: string, size: number) => boolean) => {
    try {
      return unzipSync(bytes, { filter: file => wanted(file.name, file.originalSize) })
    } catch (fault) {
      throw new DocumentError('', `is not a whole zip file: ${String((fault as Error).message).slice(0, 80)}`)
    }
  }
  unzip((name, size) => {
    if (/\.model$/i.test(name) && !sizes.has(name)) sizes.set(name, size)
    return false
  })
  const name = [...sizes.keys()].find(key => /(^|\/)3dmodel\.model$/i.test(key)) ?? [...sizes.keys()][0]
  if (name === undefined) throw new DocumentError('', 'holds no .model part; is this a 3MF file?')
  const size = sizes.get(name)!
  if (size > MAX_MODEL_BYTES)
    throw new DocumentError(
      name.slice(0, 60),
      `swells to ${Math.round(size / 1e6)} MB; at most ${MAX_MODEL_BYTES / 1e6} MB`,
    )
  // Two parts of one name would both be unpacked.
  let taken = false
  return unzip(key => key === name && !taken && (taken = true))[name]
}

const LEVELS = 64

function readModel(bytes: Uint8Array): Model {
  const model: Model = { unit: 1, objects: new Map(), items: [] }
  const parser = new SaxesParser()
  let object: ModelObject | null = null,
    id = '',
    depth = 0,
    triangles = 0,
    instances = 0
  const read = (into: number[], attributes: Record<string, string>, names: readonly string[], what: string) =>
    into.push(...numbers(attributes, names, () => `${label(id)}, ${what} ${into.length / 3 + 1}`))
  const instance = (attributes: Record<string, string>): Instance => {
    if (++instances > MAX_INSTANCES)
      throw new DocumentError('model', `more than ${MAX_INSTANCES} components and items`)
    return { id: attributes.objectid ?? '', transform: readTransform(attributes.transform) }
  }
  parser.on('error', fault => {
    throw new DocumentError('model', `is not well-formed XML: ${fault.message.slice(0, 120)}`)
  })
  parser.on('opentag', ({ name, attributes }) => {
    if (++depth > LEVELS) throw new DocumentError('model', `nested deeper than ${LEVELS}`)
    // Extensions have names with a prefix, and are none of these.
    switch (name) {
      case 'model':
        model.unit = UNITS[attributes.unit ?? 'millimeter'] ?? 0
        if (!model.unit) throw new DocumentError('model', 'has a unit that 3MF does not know')
        break
      case 'object':
        id = attributes.id ?? ''
        if (model.objects.size >= MAX_INSTANCES)
          throw new DocumentError('model', `more than ${MAX_INSTANCES} objects`)
        object = { name: (attributes.name ?? '').slice(0, 200), vertices: [], triangles: [], components: [] }
        model.objects.set(id, object)
        break
      case 'vertex':
        if (object) read(object.vertices, attributes, ['x', 'y', 'z'], name)
        if (object && object.vertices.length > 9 * MAX_TRIANGLES)
          throw new DocumentError(label(id), `more than ${3 * MAX_TRIANGLES} corners`)
        break
      case 'triangle':
        if (object) read(object.triangles, attributes, ['v1', 'v2', 'v3'], name)
        if (++triangles > MAX_TRIANGLES)
          throw new DocumentError(label(id), `more than ${MAX_TRIANGLES} triangles`)
        break
      case 'component':
        object?.components.push(instance(attributes))
        break
      case 'item':
        model.items.push(instance(attributes))
    }
  })
  parser.on('closetag', ({ name }) => {
    depth--
    if (name !== 'object' || !object) return
    checkCorners(object, id)
    object = null
  })
  const decoder = new DecodeUTF8(text => parser.write(text))
  try {
    for (let at = 0; at < bytes.length; at += SLICE)
      decoder.push(bytes.subarray(at, at + SLICE), at + SLICE >= bytes.length)
    parser.close()
  } catch (fault) {
    if (fault instanceof DocumentError) throw fault
    throw new DocumentError(
      'model',
      `cannot be read as text: ${String((fault as Error).message).slice(0, 80)}`,
    )
  }
  return model
}

const label = (id: string): string => `object ${id.slice(0, 20)}`

function checkCorners(object: ModelObject, id: string): void {
  const count = object.vertices.length / 3
  object.triangles.forEach((corner, i) => {
    if (!Number.isInteger(corner) || corner < 0 || corner >= count)
      throw new DocumentError(
        `${label(id)}, triangle ${Math.floor(i / 3) + 1}`,
        `names corner ${corner} of ${count}`,
      )
  })
}

function numbers(
  attributes: Record<string, string>,
  names: readonly string[],
  place: () => string,
): number[] {
  return names.map(name => {
    const text = attributes[name] ?? '',
      value = Number(text)
    if (text.trim() === '' || !Number.isFinite(value) || Math.abs(value) > 1e9)
      throw new DocumentError(place(), `${name}="${text.slice(0, 20)}" is not a number`)
    return value
  })
}

function readTransform(text: string | undefined): Transform {
  if (!text) return SAME
  const values = text.slice(0, 1000).trim().split(/\s+/).map(Number)
  if (values.length !== 12 || values.some(value => !Number.isFinite(value) || Math.abs(value) > 1e9))
    throw new DocumentError('transform', `"${text.slice(0, 40)}" is not twelve numbers`)
  return values
}

const scaled = (transform: Transform, unit: number): Transform => transform.map(value => value * unit)

/** First `inner`, then `outer`. */
function after(outer: Transform, inner: Transform): Transform {
  const found: number[] = []
  for (let row = 0; row < 4; row++)
    for (let k = 0; k < 3; k++) {
      const sum =
        inner[3 * row] * outer[k] + inner[3 * row + 1] * outer[3 + k] + inner[3 * row + 2] * outer[6 + k]
      found.push(row === 3 ? sum + outer[9 + k] : sum)
    }
  return found
}

function collect(
  objects: ReadonlyMap<string, ModelObject>,
  id: string,
  m: Transform,
  corners: number[],
  budget: { triangles: number; instances: number },
  depth: number,
): void {
  const object = objects.get(id)
  if (!object) throw new DocumentError('build', `names object ${id.slice(0, 20)}, which is not there`)
  if (depth > 16) throw new DocumentError(label(id), 'is built of itself')
  if (--budget.instances < 0)
    throw new DocumentError('build', `more than ${MAX_INSTANCES} objects, counted each time they are built`)
  budget.triangles -= object.triangles.length / 3
  if (budget.triangles < 0) throw new DocumentError('', `more than ${MAX_TRIANGLES} triangles`)
  for (const corner of object.triangles) {
    const x = object.vertices[3 * corner],
      y = object.vertices[3 * corner + 1],
      z = object.vertices[3 * corner + 2]
    for (let k = 0; k < 3; k++) {
      const value = x * m[k] + y * m[3 + k] + z * m[6 + k] + m[9 + k]
      if (!(Math.abs(value) <= FARTHEST)) throw new DocumentError(label(id), `has a corner at ${value} mm`)
      corners.push(value)
    }
  }
  for (const part of object.components)
    collect(objects, part.id, after(m, part.transform), corners, budget, depth + 1)
}
