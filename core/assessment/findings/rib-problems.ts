/** What ribs under film lack: edges to lie on, a skin that keeps its shape, plastic that stands the iron. */
import { hingedControls, planAt, zoneOr } from '../../geometry'
import { coveredStretches, type Airframe, type Covered } from '../resolve'
import type { Finding } from '../report'
import { q, say } from '../../units'

/** A spar this near to the nose holds the film there; share of the chord. */
const LEADING = 0.12
/** One that lies behind this, or within this before a hinge line, holds it behind. */
const TRAILING = 0.85,
  BEFORE_HINGE = 0.15
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

function edgeProblems(airframe: Airframe): Finding[] {
  const { doc, spars } = airframe
  return stretchesOf(airframe).flatMap(({ loft, from, to }): Finding[] => {
    const controls = loft.name === 'wing' ? doc.wing.controls : (doc.tail[loft.name]?.controls ?? [])
    const hinged = hingedControls(loft, controls),
      lines = spars[loft.name] ?? []
    let ahead = 0,
      behind = 0
    for (let i = 0; i < LOOKS; i++) {
      const s = from + ((to - from) * (i + 0.5)) / LOOKS
      const { lead, chord } = planAt(loft, s)
      const shares = lines
        .filter(line => s >= line.from - 1 && s <= line.to + 1)
        .map(line => (line.at(s).x - lead) / chord)
      const control = hinged.find(item => s > item.from && s < item.to)
      const last = control ? (control.hingeAt(s) - lead) / chord : 1
      const least = control ? last - BEFORE_HINGE : TRAILING
      if (!shares.some(share => share <= LEADING)) ahead++
      if (!shares.some(share => share >= least && share <= last)) behind++
    }
    const bare = (edge: 'leading' | 'trailing', count: number, where: string): Finding[] =>
      count === 0
        ? []
        : [
            {
              code: 'ribs-no-edge',
              stations: ['spine', 'skin'],
              severity: 'warn',
              where: say`${loft.label}, ${edge} edge`,
              value: ((to - from) * count) / LOOKS,
              limit: 0,
              unit: 'mm',
              text: say`Over ${q(((to - from) * count) / LOOKS, 'mm', 0)} of each half nothing carries the film from rib to rib at its ${edge} edge: it draws in between them`,
              remedy: say`Spine: a rod or a strip ${where}, through all ribs`,
            },
          ]
    return [
      ...bare('leading', ahead, 'in the first eighth of the chord'),
      ...bare(
        'trailing',
        behind,
        'near the end of the chord, and before the hinge line where a control hangs',
      ),
    ]
  })
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
    return [...hot, ...body]
  })
}
