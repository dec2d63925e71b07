/** Resolve: the document's parts as lofts, spar lines and pieces, with libraries looked up, remembered part by part. */
import {
  designOf,
  presentSurfaces,
  type Design,
  type Given,
  type ProjectFile,
  type Strut,
} from '../../document'
import {
  givenPieces,
  givenShape,
  inZone,
  zoneOr,
  type BodyLoft,
  type PieceShape,
  type SurfaceLoft,
} from '../../geometry'
import { stockOr, type Libraries } from '../../libraries'
import { memoise } from '../../memo'
import { createBodyShapes } from './body-shapes'
import type { Airframe, Designed } from './designed'
import { createFlatSections } from './flat-sections'
import { heldBoom } from './held-boom'
import { createMaterials } from './materials'
import { missingReferences } from './missing-references'
import { createPieceZones } from './printed-recipes'
import { createWheels } from './printed-wheels'
import { standingStrut } from './standing-struts'
import { createSurfaceShapes } from './surface-shapes'
import { createTailSlots } from './tail-slots'

/** Designs remembered whole: to and fro of an edit. */
const RESOLVED = 4

/** Shapes remembered of each part: the present ones and what comparisons and nudges try. */
const SHAPES = 64

export interface Resolver {
  designed(doc: ProjectFile): Designed
  airframe(doc: ProjectFile): Airframe
}

/** `at` is told when a design is shaped anew. */
export function createResolver(libraries: Libraries, at: (what: string) => void = () => {}): Resolver {
  const surfaceShapes = createSurfaceShapes(libraries, SHAPES)
  const bodyShapes = createBodyShapes(libraries, SHAPES)
  const slotsOf = createTailSlots(SHAPES)
  const givenShapes = createGiven()
  const wheelsOf = createWheels(SHAPES)
  const strutsOf = createStruts(libraries)
  const materialsOf = createMaterials(libraries, SHAPES)
  // The same objects for the same recipe: what hangs on them is known again.
  const pieceZones = createPieceZones(4 * SHAPES)
  const flatSections = createFlatSections(SHAPES)

  const resolved = memoise((design: Design): Designed => {
    at('shapes')
    const doc = flatSections(design)
    const surfaces: Designed['surfaces'] = {},
      edgeMm: Designed['edgeMm'] = {},
      spars: Designed['spars'] = {}
    const shapes: PieceShape[] = []
    // Whose place a given part takes.
    const replaced = new Set(doc.given.map(item => item.standsFor))
    for (const [name, drawn] of presentSurfaces(doc)) {
      const { edge, loft, lines, pieces } = surfaceShapes(doc, name, drawn)
      edgeMm[name] = edge
      surfaces[name] = loft
      spars[name] = lines
      if (!replaced.has(name)) shapes.push(...pieces())
    }
    const { body, duct, pods } = bodyShapes.lofts(doc)
    const slots = slotsOf(doc, surfaces, body)
    const alongBodies = new Map<BodyLoft, readonly PieceShape[]>()
    if (body && !replaced.has('body')) {
      const pieces = bodyShapes.body(doc, { body, duct, slots, surfaces, spars })
      alongBodies.set(body, pieces)
      shapes.push(...pieces)
    }
    for (const standing of pods) {
      const pieces = bodyShapes.pod(doc, standing, surfaces.wing!)
      alongBodies.set(standing.loft, pieces)
      shapes.push(...pieces)
    }
    const given = doc.given.map(givenShapes)
    shapes.push(...given.flatMap(item => item.shapes), ...wheelsOf(doc.gear))
    const zoneOf = pieceZones(doc)
    return {
      doc,
      surfaces,
      wing: surfaces.wing!,
      spars,
      body,
      pods,
      duct,
      slots,
      boom: doc.boom && heldBoom(doc.boom, stockOr(libraries, doc.boom.stock), body, pods),
      struts: doc.struts.flatMap(strut => strutsOf(strut, surfaces) ?? []),
      pieces: shapes.map(shape => inZone(shape, zoneOf(shape))),
      edgeMm,
      zoneAt: (loft, x) => {
        const shape = alongBodies.get(loft)?.findLast(item => item.kind === 'fixed' && item.from <= x)
        return shape ? zoneOf(shape) : zoneOr(doc.zones, loft.zoneAt(x))
      },
      ...materialsOf(doc),
      missing: missingReferences(doc, libraries),
      unreadable: doc.given.filter((_, i) => !given[i].readable),
    }
  }, RESOLVED)
  return {
    designed: doc => resolved(designOf(doc)),
    airframe: memoise((doc: ProjectFile): Airframe => ({
      ...resolved(designOf(doc)),
      doc: flatSections(doc),
    })),
  }
}

/** Pieces of given parts; a mesh is unpacked once, whatever parts are made of it. */
function createGiven(): (given: Given, index: number) => { shapes: PieceShape[]; readable: boolean } {
  const made = new WeakMap<Given, { shapes: PieceShape[]; readable: boolean }>()
  const shapeOfMesh = memoise((mesh: string) => givenShape(mesh), 60)
  return (given, index) => {
    const known = made.get(given)
    if (known) return known
    const shape = shapeOfMesh(given.mesh)
    const own = { shapes: givenPieces(given, shape, index), readable: shape.readable }
    made.set(given, own)
    return own
  }
}

/** The same object while neither a strut nor what it stands on changes. */
function createStruts(libraries: Libraries) {
  const strutOf = memoise(
    (strut: Strut, from: SurfaceLoft | undefined, to: SurfaceLoft | undefined) =>
      standingStrut(strut, stockOr(libraries, strut.stock), {
        ...(from && { [from.name]: from }),
        ...(to && { [to.name]: to }),
      }),
    SHAPES,
  )
  return (strut: Strut, surfaces: Designed['surfaces']) => {
    const [from, to] = [strut.from.on, strut.to.on].map(on => (on === 'body' ? undefined : surfaces[on]))
    return strutOf(strut, from, to)
  }
}
