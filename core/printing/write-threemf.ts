/** 3MF written: one object a piece, side by side on one plate. */
import { strToU8, zipSync } from 'fflate'
import type { TriangleMesh } from '../geometry'

/** What XML has no way to write, escaped or not: control characters and halves of pairs. */
const UNWRITABLE = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|\p{Surrogate}/gu
const escape = (text: string): string =>
  text
    .replace(UNWRITABLE, '')
    .replace(/[&<>"]/g, letter => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[letter]!)

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
