/**
 * 3MF, core specification: objects with meshes in a zip. Reads meshes, components and build items; writes one
 * object a piece.
 */
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { DocumentError } from '../document'
import type { TriangleMesh } from '../geometry'
import { MAX_TRIANGLES } from '../geometry'

/** A zip whose model swells past this is refused before it is unpacked, bytes. */
const MAX_MODEL_BYTES = 300_000_000
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
  components: Array<{ id: string; transform: Transform }>
}

/**
 * Every built object as corners in mm, nine numbers a triangle. Throws `DocumentError` naming the part at
 * fault.
 */
export function readThreeMf(bytes: Uint8Array): Array<{ name: string; corners: Float32Array }> {
  const model = unpackModel(bytes)
  const unit = UNITS[attribute(/<model\b[^>]*>/.exec(model)?.[0] ?? '', 'unit') || 'millimeter']
  if (!unit) throw new DocumentError('model', 'has a unit that 3MF does not know')
  const objects = readObjects(model)
  const items = [...model.matchAll(/<item\b[^>]*>/g)].map(([tag]) => ({
    id: attribute(tag, 'objectid'),
    transform: readTransform(tag),
  }))
  const built = (items.length > 0 ? items : [...objects.keys()].map(id => ({ id, transform: SAME }))).map(
    ({ id, transform }) => {
      const corners: number[] = []
      collect(objects, id, [transform], corners, unit, 0)
      return { name: objects.get(id)?.name || `object ${id}`, corners: Float32Array.from(corners) }
    },
  )
  const filled = built.filter(item => item.corners.length > 0)
  if (filled.length === 0) throw new DocumentError('model', 'has no triangles')
  return filled
}

function unpackModel(bytes: Uint8Array): string {
  let files: Record<string, Uint8Array>
  try {
    files = unzipSync(bytes, {
      filter: file => {
        if (!/\.model$/i.test(file.name)) return false
        if (file.originalSize > MAX_MODEL_BYTES)
          throw new DocumentError(
            file.name.slice(0, 60),
            `swells to ${Math.round(file.originalSize / 1e6)} MB; at most ${MAX_MODEL_BYTES / 1e6} MB`,
          )
        return true
      },
    })
  } catch (fault) {
    if (fault instanceof DocumentError) throw fault
    throw new DocumentError('', `is not a whole zip file: ${String((fault as Error).message).slice(0, 80)}`)
  }
  const name = Object.keys(files).find(key => /(^|\/)3dmodel\.model$/i.test(key)) ?? Object.keys(files)[0]
  if (!name) throw new DocumentError('', 'holds no .model part; is this a 3MF file?')
  if (files[name].length > MAX_MODEL_BYTES) throw new DocumentError(name, 'is too large')
  return strFromU8(files[name])
}

const attribute = (tag: string, name: string): string =>
  new RegExp(`\\s${name}\\s*=\\s*["']([^"']*)["']`).exec(tag)?.[1] ?? ''

function numbers(tag: string, names: readonly string[], place: string): number[] {
  return names.map(name => {
    const text = attribute(tag, name),
      value = Number(text)
    if (text === '' || !Number.isFinite(value) || Math.abs(value) > 1e9)
      throw new DocumentError(place, `${name}="${text.slice(0, 20)}" is not a number`)
    return value
  })
}

function readTransform(tag: string): Transform {
  const text = attribute(tag, 'transform')
  if (!text) return SAME
  const values = text.trim().split(/\s+/).map(Number)
  if (values.length !== 12 || values.some(value => !Number.isFinite(value)))
    throw new DocumentError('transform', `"${text.slice(0, 40)}" is not twelve numbers`)
  return values
}

function readObjects(model: string): Map<string, ModelObject> {
  const objects = new Map<string, ModelObject>()
  for (const part of model.split(/<object\b/).slice(1)) {
    const head = `<object${part.slice(0, part.indexOf('>') + 1)}`
    const id = attribute(head, 'id')
    const body = part.slice(0, part.indexOf('</object>') < 0 ? undefined : part.indexOf('</object>'))
    const object: ModelObject = {
      name: attribute(head, 'name').slice(0, 200),
      vertices: [],
      triangles: [],
      components: [],
    }
    for (const [tag, kind] of body.matchAll(/<(vertex|triangle|component)\b[^>]*>/g)) {
      const place = `object ${id.slice(0, 20)}, ${kind}`
      if (kind === 'vertex')
        object.vertices.push(...numbers(tag, ['x', 'y', 'z'], `${place} ${object.vertices.length / 3 + 1}`))
      else if (kind === 'triangle')
        object.triangles.push(
          ...numbers(tag, ['v1', 'v2', 'v3'], `${place} ${object.triangles.length / 3 + 1}`),
        )
      else object.components.push({ id: attribute(tag, 'objectid'), transform: readTransform(tag) })
      if (object.triangles.length > 3 * MAX_TRIANGLES)
        throw new DocumentError(place, `more than ${MAX_TRIANGLES} triangles`)
    }
    const count = object.vertices.length / 3
    object.triangles.forEach((corner, i) => {
      if (!Number.isInteger(corner) || corner < 0 || corner >= count)
        throw new DocumentError(
          `object ${id.slice(0, 20)}, triangle ${Math.floor(i / 3) + 1}`,
          `names corner ${corner} of ${count}`,
        )
    })
    objects.set(id, object)
  }
  return objects
}

function collect(
  objects: ReadonlyMap<string, ModelObject>,
  id: string,
  transforms: readonly Transform[],
  corners: number[],
  unit: number,
  depth: number,
): void {
  const object = objects.get(id)
  if (!object) throw new DocumentError('build', `names object ${id.slice(0, 20)}, which is not there`)
  if (depth > 16) throw new DocumentError(`object ${id.slice(0, 20)}`, 'is built of itself')
  for (const corner of object.triangles) {
    let [x, y, z] = [
      object.vertices[3 * corner],
      object.vertices[3 * corner + 1],
      object.vertices[3 * corner + 2],
    ]
    // The innermost transform is the last one.
    for (let k = transforms.length - 1; k >= 0; k--) {
      const m = transforms[k]
      ;[x, y, z] = [
        x * m[0] + y * m[3] + z * m[6] + m[9],
        x * m[1] + y * m[4] + z * m[7] + m[10],
        x * m[2] + y * m[5] + z * m[8] + m[11],
      ]
    }
    corners.push(x * unit, y * unit, z * unit)
    if (corners.length > 9 * MAX_TRIANGLES)
      throw new DocumentError('', `more than ${MAX_TRIANGLES} triangles`)
  }
  for (const part of object.components)
    collect(objects, part.id, [...transforms, part.transform], corners, unit, depth + 1)
}

const escape = (text: string): string =>
  text.replace(/[&<>"]/g, letter => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[letter]!)

/** One object a piece, side by side on one plate, in mm. Places are the lower left corners, mm. */
export function writeThreeMf(
  pieces: ReadonlyArray<{ name: string; mesh: TriangleMesh; place: readonly [number, number] }>,
): Uint8Array {
  const objects = pieces.map(({ name, mesh }, i) => {
    const vertices: string[] = [],
      triangles: string[] = []
    for (let v = 0; v < mesh.positions.length; v += 3)
      vertices.push(
        `<vertex x="${mesh.positions[v]}" y="${mesh.positions[v + 1]}" z="${mesh.positions[v + 2]}"/>`,
      )
    for (let t = 0; t < mesh.triangles.length; t += 3)
      triangles.push(
        `<triangle v1="${mesh.triangles[t]}" v2="${mesh.triangles[t + 1]}" v3="${mesh.triangles[t + 2]}"/>`,
      )
    return `<object id="${i + 1}" name="${escape(name)}" type="model"><mesh><vertices>${vertices.join('')}</vertices><triangles>${triangles.join('')}</triangles></mesh></object>`
  })
  const items = pieces.map(
    ({ place }, i) => `<item objectid="${i + 1}" transform="1 0 0 0 1 0 0 0 1 ${place[0]} ${place[1]} 0"/>`,
  )
  const model = `<?xml version="1.0" encoding="UTF-8"?>\n<model unit="millimeter" xml:lang="en" xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02"><resources>${objects.join('')}</resources><build>${items.join('')}</build></model>`
  return zipSync(
    {
      '[Content_Types].xml': strToU8(
        '<?xml version="1.0" encoding="UTF-8"?>\n<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>',
      ),
      '_rels/.rels': strToU8(
        '<?xml version="1.0" encoding="UTF-8"?>\n<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Target="/3D/3dmodel.model" Id="rel0" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>',
      ),
      '3D/3dmodel.model': strToU8(model),
    },
    { level: 6 },
  )
}
