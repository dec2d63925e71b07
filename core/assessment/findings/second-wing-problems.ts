/** A second wing that nothing holds, that lies in the first, and struts that stand on nothing. */
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

/** Nearer than this share of the chord the two are one wing to the air, and the lattice says little. */
const NEAREST = 0.25

function together({ surfaces: { wing, second } }: Airframe): Finding[] {
  if (!wing || !second) return []
  const at = (loft: SurfaceLoft, share: number) => {
    const s = Math.min(share * wing.span, loft.span),
      { lead, chord } = planAt(loft, s),
      [, , z] = placePoint(loft, lead, 0, s, 1)
    return { lead, rear: lead + chord, chord, z }
  }
  const gaps = [0, 0.5, 0.9].flatMap(share => {
    const [a, b] = [at(wing, share), at(second, share)]
    const over = Math.min(a.rear, b.rear) - Math.max(a.lead, b.lead)
    return over > 0 ? [{ gap: Math.abs(a.z - b.z), chord: Math.max(a.chord, b.chord) }] : []
  })
  const close = gaps.filter(({ gap, chord }) => gap < NEAREST * chord)
  if (close.length === 0) return []
  const least = close.reduce((a, b) => (b.gap < a.gap ? b : a))
  return [
    {
      code: 'wings-too-close',
      stations: ['shape'],
      severity: 'warn',
      where: second.label,
      value: least.gap,
      limit: NEAREST * least.chord,
      unit: 'mm',
      text: say`The wings stand ${q(least.gap, 'mm', 0)} apart, one over the other; under a quarter of the chord (${q(NEAREST * least.chord, 'mm', 0)}) what they do to each other is not reckoned well, and they bear much less than two`,
      remedy: 'Shape: a gap of about the chord, or one wing ahead of the other',
    },
  ]
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
