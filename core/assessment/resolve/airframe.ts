/**
 * Resolve: the document's parts as lofts, spar lines and pieces, with libraries looked up. Memoised part by
 * part.
 */
import { designOf, presentSurfaces, secondStands } from '../../document'
import type {
  Aerofoil,
  Body,
  Boom,
  Control,
  Cut,
  Design,
  Equipment,
  Given,
  Pod,
  ProjectFile,
  Ribs,
  Spar,
  Strut,
  Surface,
  SurfaceName,
  Zone,
} from '../../document'
import {
  cutBody,
  cutSurface,
  givenPieces,
  givenShape,
  inZone,
  loftBody,
  loftSurface,
  podStanding,
  seatAbove,
  standingBody,
  standingStations,
  sparLines,
  trailingEdgeMm,
  zoneOr,
  reuseShapes,
  type BodyLoft,
  type DuctLoft,
  loftDuct,
  type CutControl,
  type KnownShapes,
  type CrossHole,
  type PartName,
  type Piece,
  type PieceShape,
  type RibShape,
  type SheetShape,
  type Pocketed,
  type SparLine,
  type SurfaceLoft,
  type SurfaceShape,
  type WingSeat,
} from '../../geometry'
import { asMaterial, filmOr, foamOr, stockOr, type Filament, type Libraries } from '../../libraries'
import { memoise, narrowed, narrowedList, only } from '../../memo'
import type { Covering } from '../../structure'
import { calibratedFilaments } from './calibrated-filaments'
import { briefTemperature, heated, softened } from './warm'
import { createFlatSections } from './flat-sections'
import { heldBoom, holdsBoom, type HeldBoom } from './held-boom'
import { missingReferences } from './missing-references'
import { createCrossings, createSeat } from './wing-on-body'
import { standingStrut, type StandingStrut } from './standing-struts'
import { createPieceZones, recipesIn, type Printed } from './printed-recipes'
import { createWheels } from './printed-wheels'
import { makersOf, zoneFilament } from './zone-filament'

/** A design as lofts, spar lines and pieces. */
export interface Designed {
  doc: Design
  surfaces: Partial<Record<SurfaceName, SurfaceLoft>>
  wing: SurfaceLoft
  spars: Partial<Record<SurfaceName, readonly SparLine[]>>
  body: BodyLoft | null
  /** Bodies beside it, where they stand. */
  pods: ReadonlyArray<{ pod: Pod; body: Body; loft: BodyLoft }>
  /** The way for air through the body; null without a body, too. */
  duct: DuctLoft | null
  boom: HeldBoom | null
  /** Where both their ends stand on something. */
  struts: readonly StandingStrut[]
  pieces: readonly Piece[]
  /** What trailing edges are opened to, mm. */
  edgeMm: Partial<Record<SurfaceName, number>>
  /** The zone of the piece of a body at a place, as that piece is printed. */
  zoneAt(body: BodyLoft, xMm: number): Zone
  /** As it is printed in a zone, at the temperature of its data sheet. */
  filamentOf(zone: Zone): Filament
  /** What a zone of ribs is built and covered with; null where it is printed as a shell. */
  coveringOf(zone: Zone): Covering | null
  /** The same in the air of the brief and under its sun, and spars likewise: what strength is reckoned with. */
  warm: {
    temperatureC: number
    filamentOf(zone: Zone): Filament
    lines(lines: readonly SparLine[]): readonly SparLine[]
  }
  /** References to libraries that found nothing: the name wanted, and what stands in for it. */
  missing: ReadonlyArray<{ where: string; id: string; used: string }>
  /** Given parts whose mesh cannot be read. */
  unreadable: readonly Given[]
}

export const SURFACE_LABELS: Record<SurfaceName, string> = {
  wing: 'Wing',
  second: 'Second wing',
  winglet: 'Winglet',
  horizontal: 'Tailplane',
  vertical: 'Fin',
}
const SECOND_LABELS = {
  upper: 'Upper wing',
  lower: 'Lower wing',
  rear: 'Rear wing',
  front: 'Front wing',
}
/** What a winglet is glued to is no rounded end. */
const FLAT_END: Surface['tip'] = { kind: 'flat', lengthMm: 1 }
/** Gap round the boom in the body's socket, mm on the radius. */
const BOOM_CLEARANCE_MM = 0.15

/** The same with everything that the document says. */
export interface Airframe extends Designed {
  doc: ProjectFile
}

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
  const label = (name: SurfaceName, doc: Design) => {
    if (name === 'second' && doc.second) return SECOND_LABELS[secondStands({ ...doc, second: doc.second })]
    return name === 'horizontal' && doc.tail.kind === 'V'
      ? 'V-tail'
      : name === 'horizontal' && doc.tail.kind === 'canard'
        ? 'Canard'
        : SURFACE_LABELS[name]
  }
  const byName = <T>(make: () => T): Record<SurfaceName, T> => ({
    wing: make(),
    second: make(),
    winglet: make(),
    horizontal: make(),
    vertical: make(),
  })
  const loftOf = byName(() =>
    memoise(
      (
        name: SurfaceName,
        text: string,
        surface: SurfaceShape,
        aerofoils: readonly Aerofoil[],
        edge: number,
      ) => loftSurface(name, text, surface, aerofoils, edge),
      SHAPES,
    ),
  )
  // Neither controls nor the zones' names shape a surface, nor do linkages shape a control.
  const shapeOf = byName(() => narrowed(({ controls: _, ...shape }: Surface): SurfaceShape => shape, SHAPES))
  const cutControls = byName(() => narrowedList(({ linkage: _, ...cut }: Control): CutControl => cut, SHAPES))
  const pocketed = narrowed(
    only<Equipment, keyof Pocketed>('name', 'xMm', 'yMm', 'zMm', 'sizeMm', 'pocket'),
    4 * SHAPES,
  )
  const ribShape = narrowed(({ id, ribs }: Zone): RibShape => {
    const { pitchMm, thicknessMm, rimMm } = ribs!
    return { zone: id, pitchMm, thicknessMm, rimMm }
  }, SHAPES)
  const sheetShape = narrowed(({ id }: Zone): SheetShape => ({ sheetOf: id }), SHAPES)
  // A spar keeps its lines while the others change.
  const ownLines = byName(() =>
    memoise(
      (loft: SurfaceLoft, spar: Spar) => sparLines(loft, spar, stockOr(libraries, spar.stock)),
      4 * SHAPES,
    ),
  )
  const linesOf = byName(() =>
    memoise(
      (loft: SurfaceLoft, ...spars: Spar[]) => spars.flatMap(spar => ownLines[loft.name](loft, spar)),
      SHAPES,
    ),
  )
  const known: Record<PartName, KnownShapes> = {
    wing: new Map(),
    second: new Map(),
    winglet: new Map(),
    horizontal: new Map(),
    vertical: new Map(),
    body: new Map(),
    pod: new Map(),
  }
  const shapesOf = byName(() =>
    memoise(
      (
        loft: SurfaceLoft,
        cuts: readonly Cut[],
        lines: readonly SparLine[],
        controls: readonly CutControl[],
        bedHeight: number,
        ...more: Array<Pocketed | RibShape | SheetShape>
      ) =>
        reuseShapes(
          known[loft.name],
          cutSurface({
            loft,
            cuts,
            lines,
            controls,
            bedHeight,
            pockets: more.filter((item): item is Pocketed => 'pocket' in item),
            ribs: more.filter((item): item is RibShape => 'pitchMm' in item),
            sheets: more.filter((item): item is SheetShape => 'sheetOf' in item),
          }),
        ),
      SHAPES,
    ),
  )
  // Openings, walls and seats are cut out of a body: they do not shape it.
  const bodyOf = memoise(loftBody, SHAPES)
  const ductOf = memoise(loftDuct, SHAPES)
  const boomSeat = (boom: Boom | null) =>
    boom && { boom, diameter: stockOr(libraries, boom.stock).heightMm, clearance: BOOM_CLEARANCE_MM }
  // Zones of the body come last, so that an edit of any other zone leaves its shapes alone.
  const bodyShapes = memoise(
    (
      loft: BodyLoft,
      body: Body,
      cuts: readonly Cut[],
      boom: Boom | null,
      wing: WingSeat | null,
      crossings: readonly CrossHole[],
      duct: DuctLoft | null,
      ...printed: Printed[]
    ) =>
      reuseShapes(
        known.body,
        cutBody({ loft, body, boom: boomSeat(boom), wing, crossings, duct }, cuts, recipesIn(printed)),
      ),
    SHAPES,
  )
  const stood = memoise(standingStations, SHAPES)
  const standingOf = memoise((pod: Pod) => {
    const body = standingBody(pod, stood(pod.body.stations, pod.xMm, pod.zMm))
    return { pod, body, loft: bodyOf(body.stations) }
  }, SHAPES)
  const seatOfPod = memoise(seatAbove, SHAPES)
  const podShapes = memoise(
    (
      { pod, body, loft }: Designed['pods'][number],
      boom: Boom | null,
      wing: WingSeat | null,
      ...printed: Printed[]
    ) =>
      reuseShapes(
        known.pod,
        cutBody(
          { loft, body, boom: boomSeat(boom), wing, crossings: [], open: pod.duct !== null },
          pod.cuts.map(cut => ({ ...cut, atMm: cut.atMm + pod.xMm })),
          recipesIn(printed),
          podStanding(pod),
        ),
      ),
    SHAPES,
  )
  const seatOf = createSeat(),
    crossingsOf = createCrossings(SHAPES)
  const shapeOfGiven = new WeakMap<Given, { shapes: PieceShape[]; readable: boolean }>()
  const shapeOfMesh = memoise((mesh: string) => givenShape(mesh), 60)
  const givenShapes = (given: Given, index: number) => {
    const known = shapeOfGiven.get(given)
    if (known) return known
    const shape = shapeOfMesh(given.mesh)
    const made = { shapes: givenPieces(given, shape, index), readable: shape.readable }
    shapeOfGiven.set(given, made)
    return made
  }
  const wheelsOf = createWheels(SHAPES)
  // The same objects for the same recipe: what hangs on them is known again.
  const pieceZones = createPieceZones(4 * SHAPES)
  const zoneFilamentOf = memoise(zoneFilament, 4 * SHAPES)
  const coveringOf = memoise(
    (ribs: Ribs): Covering => ({ ribs, film: filmOr(libraries.films, ribs.film) }),
    4 * SHAPES,
  )
  const foamOf = memoise((id: string) => asMaterial(foamOr(libraries.foams, id)), SHAPES)
  const makers = narrowed(makersOf)
  const warmOf = memoise(heated, 4 * SHAPES)
  const warmLines = memoise(
    (lines: readonly SparLine[], temperatureC: number) => softened(lines, libraries.filaments, temperatureC),
    SHAPES,
  )
  const filamentsOf = memoise(
    (calibrations: ProjectFile['calibrations']) => calibratedFilaments(libraries.filaments, calibrations),
    SHAPES,
  )

  // The same object while neither it nor what it stands on changes.
  const strutOf = memoise(
    (strut: Strut, from: SurfaceLoft | undefined, to: SurfaceLoft | undefined) =>
      standingStrut(strut, stockOr(libraries, strut.stock), {
        ...(from && { [from.name]: from }),
        ...(to && { [to.name]: to }),
      }),
    SHAPES,
  )
  const standing = (strut: Strut, surfaces: Designed['surfaces']) => {
    const [from, to] = [strut.from.on, strut.to.on].map(on => (on === 'body' ? undefined : surfaces[on]))
    return strutOf(strut, from, to)
  }
  const flatSections = createFlatSections(SHAPES)
  const resolved = memoise((design: Design): Designed => {
    at('shapes')
    const doc = flatSections(design)
    const surfaces: Designed['surfaces'] = {},
      edgeMm: Designed['edgeMm'] = {}
    const heldOf = (...starts: string[]) =>
      doc.asPrinted.filter(item => starts.some(start => item.piece.startsWith(start)))
    const zoneOf = pieceZones(doc)
    const alongBodies = new Map<BodyLoft, readonly PieceShape[]>()
    const spars: Designed['spars'] = {}
    const shapes: PieceShape[] = []
    const replaced = new Set(doc.given.map(item => item.standsFor))
    const bedHeight = Math.max(...doc.printers.map(printer => printer.bedMm[2])) - 5
    for (const [name, drawn] of presentSurfaces(doc)) {
      const surface = name === 'wing' && doc.winglets ? { ...drawn, tip: FLAT_END } : drawn
      const zones = doc.zones.filter(zone => surface.panels.some(panel => panel.zone === zone.id))
      // Pieces that are printed keep the edge that others are glued to.
      const edge = trailingEdgeMm([...(zones.length ? zones : doc.zones), ...heldOf(`${name}-`)])
      edgeMm[name] = edge
      const loft = loftOf[name](name, label(name, doc), shapeOf[name](surface), doc.aerofoils, edge)
      const lines = linesOf[name](loft, ...doc.spars.filter(spar => spar.surface === name))
      surfaces[name] = loft
      spars[name] = lines
      const { cuts, equipment } = doc
      if (!replaced.has(name))
        shapes.push(
          ...shapesOf[name](
            loft,
            cuts[name],
            lines,
            cutControls[name](surface.controls),
            bedHeight,
            ...equipment.filter(item => item.pocket?.surface === name).map(pocketed),
            ...zones.filter(zone => zone.sheet).map(sheetShape),
            ...zones.filter(zone => zone.ribs && !zone.sheet).map(ribShape),
          ),
        )
    }
    const body = doc.body ? bodyOf(doc.body.stations) : null
    const duct = body && doc.duct ? ductOf(doc.duct.stations) : null
    if (doc.body && body && !replaced.has('body')) {
      const own = new Set(doc.body.stations.map(station => station.zone))
      const pieces = bodyShapes(
        body,
        doc.body,
        doc.cuts.body,
        doc.boom?.yMm === 0 ? doc.boom : null,
        doc.body.saddle ? seatOf(surfaces.wing!) : null,
        crossingsOf(surfaces, spars),
        duct,
        ...doc.zones.filter(zone => own.has(zone.id)),
        ...heldOf('body-', 'lid-'),
      )
      alongBodies.set(body, pieces)
      shapes.push(...pieces)
    }
    const pods = doc.pods.map(standingOf)
    for (const standing of pods) {
      const { pod, body: own } = standing
      const zones = new Set(own.stations.map(station => station.zone))
      const pieces = podShapes(
        standing,
        doc.boom && holdsBoom(pod, doc.boom) ? doc.boom : null,
        own.saddle ? seatOfPod(surfaces.wing!, pod.yMm) : null,
        ...doc.zones.filter(zone => zones.has(zone.id)),
        ...heldOf(`pod-${pod.piece}-`),
      )
      alongBodies.set(standing.loft, pieces)
      shapes.push(...pieces)
    }
    const given = doc.given.map(givenShapes)
    shapes.push(...given.flatMap(item => item.shapes), ...wheelsOf(doc.gear))
    const filaments = filamentsOf(doc.calibrations)
    const filamentOf = (zone: Zone): Filament => {
      // A piece of sheet names its foam where others name their filament.
      if (zone.sheet && zone.filament === zone.sheet.foam) return foamOf(zone.sheet.foam)
      const filament = filaments.find(f => f.id === zone.filament) ?? filaments[0]
      const { recipe } = zone
      return zoneFilamentOf(filament, recipe, makers(doc.printers), !libraries.filaments.includes(filament))
    }
    const temperatureC = briefTemperature(doc, 'flying')
    const struts = doc.struts.flatMap(strut => standing(strut, surfaces) ?? [])
    return {
      doc,
      surfaces,
      wing: surfaces.wing!,
      spars,
      body,
      pods,
      duct,
      boom: doc.boom && heldBoom(doc.boom, stockOr(libraries, doc.boom.stock), body, pods),
      struts,
      pieces: shapes.map(shape => inZone(shape, zoneOf(shape))),
      edgeMm,
      zoneAt: (loft, x) => {
        const shape = alongBodies.get(loft)?.findLast(item => item.kind === 'fixed' && item.from <= x)
        return shape ? zoneOf(shape) : zoneOr(doc.zones, loft.zoneAt(x))
      },
      filamentOf,
      coveringOf: zone => (zone.ribs && !zone.sheet ? coveringOf(zone.ribs) : null),
      warm: {
        temperatureC,
        filamentOf: zone => warmOf(filamentOf(zone), temperatureC),
        lines: lines => warmLines(lines, temperatureC),
      },
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
