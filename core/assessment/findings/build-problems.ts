/**
 * What was asked for and cannot be made as a solid, or prints badly: each with place, figure, limit and
 * remedy.
 */
import { controlsOf } from '../../document'
import {
  alongBody,
  bays,
  hingedControls,
  HINGE_SLOTS,
  isSheet,
  measureMesh,
  panelAt,
  podPrefix,
  selfCrossing,
  slotRoom,
  type BodyLoft,
  type Piece,
  type SparLine,
  type SurfaceLoft,
} from '../../geometry'
import { samplePiece } from '../../printing'
import type { Airframe } from '../resolve'
import type { Finding, PieceReport } from '../report'
import { bodyProblems } from './body-problems'
import { cutProblems } from './cut-problems'
import { ductProblems } from './duct-problems'
import { ribProblems } from './rib-problems'
import { sheetProblems } from './sheet-problems'
import { q, say } from '../../units'
/**
 * A foot this many times narrower than the piece is tall is knocked over by the nozzle, by common experience.
 */
export const SLENDER_LIMIT = 10
/** A bead spans about this far over nothing before it sags, mm. */
export const BRIDGE_LIMIT = 45

export const buildProblems = (airframe: Airframe, pieces: readonly PieceReport[]): Finding[] => [
  ...surfaceProblems(airframe),
  ...cutProblems(airframe),
  ...ribProblems(airframe),
  ...sheetProblems(airframe),
  ...bodyProblems(airframe),
  ...ductProblems(airframe),
  ...givenProblems(airframe),
  ...standingProblems(airframe, pieces),
  ...sharedPieces(airframe),
]

/** A piece that lies in two zones by more than this share is said to. */
const SHARED = 0.05

/**
 * A piece is printed whole in the zone that has most of it: an edge a little further, and it may be another. Said
 * before it happens.
 */
function sharedPieces(airframe: Airframe): Finding[] {
  const { doc, surfaces } = airframe
  const nameOf = (id: string) => doc.zones.find(zone => zone.id === id)?.name ?? id
  return airframe.pieces.flatMap((piece): Finding[] => {
    if (piece.kind !== 'fixed' || piece.side === 'port' || piece.ribOf !== null) return []
    const loft = alongBody(piece.part) ? null : surfaces[piece.part]
    const body = bodyOf(airframe, piece)
    const zoneAt = (at: number) =>
      loft ? loft.zones[panelAt(loft, at).index] : body ? body.zoneAt(at) : piece.zone.id
    // Edges between zones inside the piece, from its drawing.
    const edges = (loft ? loft.ends.map(end => end.s) : (body?.breaks ?? [])).filter(
      at => at > piece.from + 0.5 && at < piece.to - 0.5 && zoneAt(at - 0.1) !== zoneAt(at + 0.1),
    )
    if (edges.length === 0) return []
    const places = [piece.from, ...edges, piece.to]
    const other = places
      .slice(1)
      .map((to, i) => ({ zone: zoneAt((places[i] + to) / 2), length: to - places[i] }))
      .filter(({ zone }) => zone !== piece.zone.id)
      .reduce<{ zone: string; length: number } | null>((a, b) => (a && a.length >= b.length ? a : b), null)
    const share = other ? other.length / (piece.to - piece.from) : 0
    if (!other || share < SHARED) return []
    const own = (1 - share) * (piece.to - piece.from)
    const nearest = edges[0]
    return [
      {
        code: 'piece-in-two-zones',
        stations: ['skin', 'split'],
        severity: 'note',
        where: piece.name,
        value: 100 * share,
        limit: 100 * SHARED,
        unit: '%',
        text: say`${piece.name} lies by ${q(100 * share, '%', 0)} in ${nameOf(other.zone)} and is ${isSheet(piece) ? 'cut' : 'printed'} whole as ${piece.zone.name}, which has most of it; were the zones to meet ${q(Math.max(0, own - other.length) / 2, 'mm', 0)} further, all of it would change`,
        remedy: say`Split: a cut at ${q(nearest, 'mm', 0)}, where the zones meet`,
      },
    ]
  })
}

function surfaceProblems(airframe: Airframe): Finding[] {
  const { doc, surfaces, spars } = airframe
  return Object.values(surfaces).flatMap((loft): Finding[] => {
    const pockets = doc.equipment.filter(item => item.pocket?.surface === loft.name)
    return [
      ...crossingSections(loft),
      ...bayProblems(loft, pockets, spars[loft.name] ?? []),
      ...hingeProblems(loft, controlsOf(doc, loft.name)),
    ]
  })
}

const crossings = new WeakMap<SurfaceLoft, Finding[]>()
function crossingSections(loft: SurfaceLoft): Finding[] {
  const known = crossings.get(loft)
  if (known) return known
  const found = loft.ends.flatMap(({ s, outline, chord }, i): Finding[] => {
    const at = selfCrossing(outline)
    return at
      ? [
          {
            code: 'section-crosses',
            stations: ['shape'],
            severity: 'stop',
            where: say`${loft.label} at ${q(s, 'mm', 0)}`,
            value: at.x,
            limit: chord,
            unit: 'mm',
            text: say`The section at ${i === 0 ? 'the root' : say`${q(s, 'mm', 0)}`} of the ${loft.label.toLowerCase()} runs through itself ${q(at.x, 'mm', 0)} aft of the nose; no solid can be made of it`,
            remedy: 'Mend the coordinates there, or take another section',
          },
        ]
      : []
  })
  crossings.set(loft, found)
  return found
}

function bayProblems(
  loft: SurfaceLoft,
  pockets: Parameters<typeof bays>[0]['pockets'],
  lines: readonly SparLine[],
): Finding[] {
  return bays({ loft, pockets }).reports.flatMap((bay): Finding[] => {
    const where = `${bay.name} in the ${loft.label.toLowerCase()}`
    const found: Finding[] = []
    if (bay.outside)
      return [
        {
          code: 'bay-outside',
          stations: ['shape'],
          severity: 'stop',
          where,
          value: bay.s,
          limit: loft.span,
          unit: 'mm',
          text: say`${bay.name} lies ${q(bay.s, 'mm', 0)} along the ${loft.label.toLowerCase()}, which is ${q(loft.span, 'mm', 0)} long; no bay is cut`,
          remedy: 'Move it, or take its bay away',
        },
      ]
    // A bay that reaches past the nose or the trailing edge has no section over it at all.
    if (bay.missing && !Number.isFinite(bay.room))
      return [
        {
          code: 'bay-breaks-out',
          stations: ['shape'],
          severity: 'stop',
          where,
          value: 0,
          limit: bay.wanted,
          unit: 'mm',
          text: `${bay.name} reaches past the edge of the ${loft.label.toLowerCase()}'s section, so no bay is cut`,
          remedy: 'Move it fore or aft, into the chord',
        },
      ]
    if (bay.missing)
      found.push({
        code: 'bay-breaks-out',
        stations: ['shape'],
        severity: 'stop',
        where,
        value: bay.room,
        limit: bay.wanted,
        unit: 'mm',
        text: say`${bay.name} leaves ${q(bay.room, 'mm', 1)} of the section over its bay; it wants ${q(bay.wanted, 'mm')}, so no bay is cut`,
        remedy: 'A flatter component, a thicker section, or lower it',
      })
    if (bay.runMissing)
      found.push({
        code: 'run-too-thin',
        stations: ['shape'],
        severity: 'warn',
        where,
        value: bay.leastRun ?? 0,
        limit: bay.runWanted,
        unit: 'mm',
        text: say`The run for the lead of ${bay.name} wants ${q(bay.runWanted, 'mm', 1)} of height; the thinnest place has ${q(bay.leastRun ?? 0, 'mm', 1)}, so none is made`,
        remedy: 'A thinner lead, or lay it along the lower skin',
      })
    for (const line of lines) {
      if (bay.missing || bay.s < line.from || bay.s > line.to) continue
      const { x, n } = line.at(bay.s)
      const half = line.stock.widthMm / 2 + line.spar.clearanceMm
      if (x + half > bay.x0 && x - half < bay.x1 && n - line.stock.heightMm / 2 < bay.top)
        found.push({
          code: 'bay-meets-spar',
          stations: ['shape'],
          severity: 'stop',
          where,
          value: x,
          limit: x < (bay.x0 + bay.x1) / 2 ? bay.x0 : bay.x1,
          unit: 'mm',
          text: say`The bay of ${bay.name} (${q(bay.x0, '', 0)}–${q(bay.x1, 'mm', 0)}) cuts through ${line.spar.name} at ${q(x, 'mm', 0)}`,
          remedy: 'Move it clear of the spar',
        })
    }
    return found
  })
}

function hingeProblems(loft: SurfaceLoft, controls: Parameters<typeof hingedControls>[1]): Finding[] {
  const made = hingedControls(loft, controls)
  return [
    ...controls
      .filter(control => control.chordShare < 0.95 && !made.some(item => item.control === control))
      .map((control): Finding => ({
        code: 'control-not-made',
        stations: ['shape'],
        severity: 'warn',
        where: control.name,
        value: control.chordShare * Math.min(...loft.ends.map(end => end.chord)),
        limit: 8,
        unit: 'mm',
        text: `${control.name} would be too small to print (under 8 mm of chord, or under 10 mm long); it is left in one with the ${loft.label.toLowerCase()}`,
        remedy: 'A larger share of the chord, or a longer stretch',
      })),
    ...made.flatMap((item): Finding[] => {
      const slot = HINGE_SLOTS[item.control.hinge.kind]
      const least = slotRoom(loft, item)
      return slot && least < 0
        ? [
            {
              code: 'hinge-too-thick',
              stations: ['shape'],
              severity: 'warn',
              where: item.control.name,
              value: slot.thickness,
              limit: slot.thickness + least,
              unit: 'mm',
              text: say`${item.control.name}: a hinge ${q(slot.thickness, 'mm')} thick wants ${q(-least, 'mm', 1)} more of the section; its slots are left out there`,
              remedy: 'Hinge with tape, or a thinner strip',
            },
          ]
        : []
    }),
  ]
}

/** The body, or the pod, that a piece belongs to. */
function bodyOf({ body, pods }: Airframe, piece: Piece): BodyLoft | null {
  if (piece.part !== 'pod') return body
  return pods.find(({ pod }) => piece.id.startsWith(podPrefix(pod)))?.loft ?? null
}

const openEdges = new WeakMap<object, number>()
function givenProblems({ doc, pieces, unreadable }: Airframe): Finding[] {
  return [
    ...unreadable.map((given): Finding => ({
      code: 'given-unreadable',
      stations: ['split'],
      severity: 'stop',
      where: given.name,
      value: 0,
      limit: 1,
      unit: 'triangles',
      text: `The shape of ${given.name} in this file cannot be read; it counts as nothing`,
      remedy: 'Import its file again',
    })),
    ...pieces
      .filter(piece => piece.mesh && piece.side !== 'port')
      .flatMap((piece): Finding[] => {
        const open = openEdges.get(piece.mesh!) ?? measureMesh(piece.mesh!).openEdges
        openEdges.set(piece.mesh!, open)
        return open > 0 && doc.given.some(item => item.id === piece.id.replace('-starboard', ''))
          ? [
              {
                code: 'given-open',
                stations: ['split'],
                severity: 'warn',
                where: piece.name,
                value: open,
                limit: 0,
                unit: 'edges',
                text: `${piece.name} is not closed: ${open} edges have no neighbour; where a layer is open its beads are missing from the sum`,
                remedy: 'Mend it where it was drawn, and import it again',
              },
            ]
          : []
      }),
  ]
}

const plainRemedy = (piece: Piece): string =>
  piece.ribOf !== null || isSheet(piece)
    ? `Take the cut away, for ${piece.ribOf ? 'ribs need' : 'a sheet needs'} none; or a plain butt joint`
    : 'Another kind of joint, or move the cut'

function standingProblems({ pieces: shapes }: Airframe, pieces: readonly PieceReport[]): Finding[] {
  return pieces.flatMap((piece, i): Finding[] => {
    if (piece.side === 'port') return []
    const found: Finding[] = shapes[i].missing.map(reason => ({
      code: 'joint-not-made',
      stations: ['split'],
      severity: 'warn',
      where: `head of ${piece.name}`,
      value: 0,
      limit: 1,
      unit: 'joints',
      text: say`The joint at the head of ${piece.name} is a plain butt: ${reason}`,
      remedy: plainRemedy(shapes[i]),
    }))
    const empty = samplePiece(shapes[i]).samples.find(
      sample => sample.section.length === 0 && sample.u < piece.toMm,
    )
    if (empty)
      found.push({
        code: 'piece-broken',
        stations: ['split'],
        severity: 'stop',
        where: say`${piece.name} at ${q(empty.u, 'mm', 0)}`,
        value: 0,
        limit: 1,
        unit: 'sections',
        text: say`Nothing is left of ${piece.name} at ${q(empty.u, 'mm', 0)}: what is cut out of it is larger than it is`,
        remedy: 'Move or shrink the bay, hatch or seat there',
      })
    if (piece.slender > SLENDER_LIMIT && piece.brimMm < 3)
      found.push({
        code: 'stands-poorly',
        stations: ['split'],
        severity: 'note',
        where: piece.name,
        value: piece.slender,
        limit: SLENDER_LIMIT,
        unit: 'times',
        text: say`${piece.name} stands ${q(piece.slender, '', 0)} times as tall as its foot is narrow`,
        remedy: 'A brim of 4 mm in its zone, or another cut',
      })
    if (piece.bridgeMm > BRIDGE_LIMIT)
      found.push({
        code: 'long-bridge',
        stations: ['split'],
        severity: 'note',
        where: piece.name,
        value: piece.bridgeMm,
        limit: BRIDGE_LIMIT,
        unit: 'mm',
        text: say`${piece.name} bridges ${q(piece.bridgeMm, 'mm', 0)} over nothing`,
        remedy: 'A support there, or cut where the roof begins',
      })
    return found
  })
}
