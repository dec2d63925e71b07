/** What ribs under film lack: edges to lie on, a skin that keeps its shape, plastic that stands the iron. */
import { controlsOf } from '../../document'
import { hingedControls, planAt, zoneOr } from '../../geometry'
import { coveredStretches, heldEdges, type Airframe, type Covered } from '../resolve'
import type { Finding } from '../report'
import { q, say } from '../../units'

/** Film sinks between ribs that stand further apart than this share of the chord, and the section is lost. */
export const RIBS_APART = 0.5
/** Places along a stretch at which its edges are looked for. */
const LOOKS = 24

export const ribProblems = (airframe: Airframe): Finding[] => [
  ...edgeProblems(airframe),
  ...spacingProblems(airframe),
  ...zoneProblems(airframe),
]

/** Port is starboard. */
const stretchesOf = (airframe: Airframe): Covered[] =>
  coveredStretches(airframe).filter(item => item.side === 1)

/** A shorter edge without a spar is a tip's end, bent round by hand, mm. */
const LEAST_EDGE = 30

/** Once a surface and an edge, however many cuts and zones there are. */
function edgeProblems(airframe: Airframe): Finding[] {
  const { doc, spars } = airframe
  const bare = new Map<string, { ahead: number; behind: number }>()
  for (const { loft, from, to } of stretchesOf(airframe)) {
    const hinged = hingedControls(loft, controlsOf(doc, loft.name)),
      own = bare.get(loft.label) ?? { ahead: 0, behind: 0 }
    for (let i = 0; i < LOOKS; i++) {
      const held = heldEdges(loft, spars[loft.name] ?? [], hinged, from + ((to - from) * (i + 0.5)) / LOOKS)
      if (!held.ahead) own.ahead += (to - from) / LOOKS
      if (!held.behind) own.behind += (to - from) / LOOKS
    }
    bare.set(loft.label, own)
  }
  const finding = (label: string, edge: 'leading' | 'trailing', mm: number, where: string): Finding[] =>
    mm < LEAST_EDGE
      ? []
      : [
          {
            code: 'ribs-no-edge',
            stations: ['spine', 'skin'],
            severity: 'warn',
            where: say`${label}, ${edge} edge`,
            value: mm,
            limit: LEAST_EDGE,
            unit: 'mm',
            text: say`${label}: over ${q(mm, 'mm', 0)} of each half nothing carries the film from rib to rib at its ${edge} edge, and it draws in between them`,
            remedy: say`Skin: lay edges for the film; or Spine: a rod or a strip ${where}, through all ribs`,
          },
        ]
  return [...bare].flatMap(([label, { ahead, behind }]) => [
    ...finding(label, 'leading', ahead, 'in the first eighth of the chord'),
    ...finding(
      label,
      'trailing',
      behind,
      'near the end of the chord, and before the hinge line of a control',
    ),
  ])
}

const spacingProblems = (airframe: Airframe): Finding[] =>
  stretchesOf(airframe).flatMap(({ loft, zone: id, from, to }): Finding[] => {
    const zone = zoneOr(airframe.doc.zones, id)
    const chord = Math.min(planAt(loft, from).chord, planAt(loft, (from + to) / 2).chord)
    const share = zone.ribs!.pitchMm / chord
    return share <= RIBS_APART
      ? []
      : [
          {
            code: 'ribs-far',
            stations: ['skin'],
            severity: 'warn',
            where: say`${loft.label}, ${zone.name}`,
            value: 100 * share,
            limit: 100 * RIBS_APART,
            unit: '%',
            text: say`Ribs up to ${q(zone.ribs!.pitchMm, 'mm', 0)} apart on a chord of ${q(chord, 'mm', 0)}: the film sinks between them, and flight is reckoned with the section as it is drawn`,
            remedy: say`Skin: ribs at most ${q(RIBS_APART * chord, 'mm', 0)} apart`,
          },
        ]
  })

/** Of a zone: what the iron does to it, and bodies, which are never ribbed. */
function zoneProblems(airframe: Airframe): Finding[] {
  const { doc, filamentOf, coveringOf } = airframe
  const covered = new Set(stretchesOf(airframe).map(item => item.zone))
  const inBodies = new Set(
    [...(doc.body?.stations ?? []), ...doc.pods.flatMap(pod => pod.body.stations)].map(item => item.zone),
  )
  // One iron on one filament is one fault, in however many zones.
  const told = new Set<string>()
  return doc.zones.flatMap((zone): Finding[] => {
    const covering = coveringOf(zone)
    if (!covering) return []
    const { softeningC, name } = filamentOf(zone),
      { film } = covering
    const pair = `${film.id} ${name}`,
      first = covered.has(zone.id) && !told.has(pair)
    if (first) told.add(pair)
    const hot: Finding[] =
      first && film.ironC !== null && film.ironC > softeningC
        ? [
            {
              code: 'film-hot',
              stations: ['skin'],
              severity: 'note',
              where: zone.name,
              value: film.ironC,
              limit: softeningC,
              unit: '°C',
              text: say`${film.name} wants an iron of ${q(film.ironC, '°C', 0)}, and ribs of ${name} go soft at ${q(softeningC, '°C', 0)}: only the film is touched, over edges, on and off`,
              remedy:
                'Build: try it on a spare rib first; or a film that is stuck, or a filament that stands more',
            },
          ]
        : []
    const ribs = airframe.pieces.filter(piece => piece.ribOf !== null && piece.zone.id === zone.id).length
    const alone: Finding[] =
      ribs > 0 && filamentOf(zone).onePieceAPlate
        ? [
            {
              code: 'ribs-alone',
              stations: ['skin', 'print'],
              severity: 'note',
              where: zone.name,
              value: ribs,
              limit: 1,
              unit: 'plates',
              text: say`${name} oozes too much to travel between pieces: each of the ${ribs} ribs of ${zone.name} takes a plate, and its time, of its own`,
              remedy: 'Skin: a filament that does not ooze lays a bed full of ribs at once; they weigh more',
            },
          ]
        : []
    const body: Finding[] = inBodies.has(zone.id)
      ? [
          {
            code: 'ribs-in-body',
            stations: ['skin'],
            severity: 'note',
            where: zone.name,
            value: 1,
            limit: 0,
            unit: 'bodies',
            text: say`${zone.name} is built of ribs, and a body lies in it: bodies are printed as shells, by the recipe of their zone`,
            remedy: 'Shape: a zone of its own for the body',
          },
        ]
      : []
    return [...hot, ...alone, ...body]
  })
}
