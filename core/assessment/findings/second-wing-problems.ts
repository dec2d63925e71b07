/** A second wing that nothing holds, that lies in another surface, and struts that stand on nothing. */
import { planAt, placePoint, type SurfaceLoft } from '../../geometry'
import { q, say } from '../../units'
import { rootHeld, type Airframe } from '../resolve'
import type { Finding } from '../report'

export const secondWingProblems = (airframe: Airframe): Finding[] => [
  ...unheld(airframe),
  ...together(airframe),
  ...looseStruts(airframe),
]

function unheld({ surfaces, struts, body, boom, doc }: Airframe): Finding[] {
  const { second } = surfaces
  // Without body and boom nothing is drawn that could hold either wing.
  if (!second || (!body && !boom) || rootHeld(second, body, boom)) return []
  const reaching = struts.filter(({ feet }) => feet.filter(foot => foot?.surface === 'second').length === 1)
  const upright = reaching.reduce(
    (sum, { ends, lengthMm }) => sum + Math.abs(ends[1][2] - ends[0][2]) / lengthMm,
    0,
  )
  if (upright > 0.05) return []
  return [
    {
      code: 'second-wing-unheld',
      stations: ['spine', 'shape'],
      severity: 'stop',
      where: second.label,
      value: reaching.length,
      limit: 1,
      unit: 'struts',
      text: say`The ${second.label.toLowerCase()} touches neither body nor boom, and no upright strut reaches it: it is reckoned as if its root were held`,
      remedy: `Spine: a strut from the body to it${doc.struts.length ? ' that stands upright' : ''}; or set its root on the body (Shape)`,
    },
  ]
}

/** Nearer than this share of the chord two are one to the air, and the lattice says little. */
const NEAREST = 0.25,
  /** Nearer than this they lie in each other. */
  INSIDE = 0.1

/** The second wing over, under or in the first, or the tailplane. */
function together({ surfaces: { wing, second, horizontal } }: Airframe): Finding[] {
  if (!wing || !second) return []
  return [wing, horizontal].flatMap((other): Finding[] => {
    const found = other && nearest(second, other)
    if (!found) return []
    const { gap, chord } = found,
      inside = gap < INSIDE * chord
    return [
      {
        code: inside ? 'wings-in-each-other' : 'wings-too-close',
        stations: ['shape'],
        severity: inside ? 'stop' : 'warn',
        where: second.label,
        value: gap,
        limit: NEAREST * chord,
        unit: 'mm',
        text: inside
          ? say`${second.label} and ${other.label.toLowerCase()} lie in each other, ${q(gap, 'mm', 0)} apart in height: no figure of flight means anything`
          : say`${second.label} and ${other.label.toLowerCase()} stand ${q(gap, 'mm', 0)} apart, one over the other; under a quarter of the chord (${q(NEAREST * chord, 'mm', 0)}) what they do to each other is not reckoned well, and they bear much less than two`,
        remedy: 'Shape: a gap of about the chord, or one ahead of the other',
      },
    ]
  })
}

/** Where they overlap seen from above and stand nearer than they should, the place where they do most; else null. */
function nearest(a: SurfaceLoft, b: SurfaceLoft): { gap: number; chord: number } | null {
  const at = (loft: SurfaceLoft, y: number) => {
    const s = Math.min(loft.span, Math.max(0, (y - loft.origin[1]) / Math.max(0.2, Math.cos(loft.cant)))),
      { lead, chord, n } = planAt(loft, s),
      [, , z] = placePoint(loft, lead, n, s, 1)
    return { lead, rear: lead + chord, chord, z }
  }
  const reach = Math.min(...[a, b].map(loft => placePoint(loft, 0, 0, loft.span, 1)[1]))
  const close = [0.05, 0.5, 0.95].flatMap(share => {
    const [one, other] = [at(a, share * reach), at(b, share * reach)]
    const over = Math.min(one.rear, other.rear) - Math.max(one.lead, other.lead),
      chord = Math.max(one.chord, other.chord),
      gap = Math.abs(one.z - other.z)
    return over > 0 && gap < NEAREST * chord ? [{ gap, chord }] : []
  })
  return close.length ? close.reduce((x, y) => (y.gap < x.gap ? y : x)) : null
}

const looseStruts = ({ doc, struts }: Airframe): Finding[] =>
  doc.struts
    .filter(strut => !struts.some(standing => standing.strut.id === strut.id))
    .map(strut => ({
      code: 'strut-loose',
      stations: ['spine'],
      severity: 'stop',
      where: strut.name,
      value: 0,
      limit: 1,
      unit: 'ends held',
      text: `${strut.name} has no length, or an end on a surface that is not there; it is left out`,
      remedy: 'Spine: give both its ends something to stand on',
    }))
