/** What a body or a pod was asked for and cannot have: lids, a firewall that is filled, something to hold on to. */
import { LIMITS } from '../../document'
import { gapToWing, placePoint, POD_TOUCHES, seatAbove, type BodyLoft } from '../../geometry'
import { bodiesOf, type Airframe, type StandingBody } from '../resolve'
import type { Finding } from '../report'
import { q, say } from '../../units'

export const bodyProblems = (airframe: Airframe): Finding[] => [
  ...bodiesOf(airframe).flatMap(own => [...lidProblems(airframe, own), ...hollowFirewall(airframe, own)]),
  ...podProblems(airframe),
  ...tailOffBooms(airframe),
]

function lidProblems({ pieces }: Airframe, { body, loft, main, ...own }: StandingBody): Finding[] {
  if (!pieces.some(piece => piece.id.startsWith(own.pieces) && piece.kind === 'fixed')) return []
  return body.openings
    .filter(opening => {
      const id = `${own.lids}${opening.id}`
      return !pieces.some(piece => piece.id === id || piece.id === `${id}-starboard`)
    })
    .map(opening => ({
      code: 'lid-not-made',
      stations: ['shape'],
      severity: 'warn',
      where: main ? opening.name : `${own.name}, ${opening.name}`,
      value: opening.widthMm,
      limit: loft.at(Math.min(loft.to, Math.max(loft.from, (opening.fromMm + opening.toMm) / 2))).width,
      unit: 'mm',
      text: `No lid can be cut for the ${opening.name}: it is as wide as the body, outside it, or under 5 mm long`,
      remedy: 'A narrower opening within the body',
    }))
}

function hollowFirewall({ pieces }: Airframe, { body, loft, main, ...own }: StandingBody): Finding[] {
  const nose = pieces.find(
    piece =>
      piece.id.startsWith(own.pieces) && piece.kind === 'fixed' && Math.abs(piece.from - loft.from) < 0.01,
  )
  const wall = body.firewall
  if (!nose || !wall || nose.zone.recipe.infillShare >= 0.5) return []
  const { baseLayers, topLayers, layerHeightMm } = nose.zone.recipe
  const solid = (baseLayers + topLayers) * layerHeightMm
  if (solid >= wall.thicknessMm - layerHeightMm / 2) return []
  return [
    {
      code: 'firewall-hollow',
      stations: ['shape'],
      severity: 'warn',
      where: main ? 'Firewall' : `Firewall of ${own.name}`,
      value: solid,
      limit: wall.thicknessMm,
      unit: 'mm',
      text: say`The firewall is ${q(wall.thicknessMm, 'mm')} thick, and base and top layers of ${nose.zone.name} fill ${q(solid, 'mm', 1)} of it`,
      remedy: `${Math.ceil((wall.thicknessMm - topLayers * layerHeightMm) / layerHeightMm)} base layers in that zone`,
    },
  ]
}

/** A pod is glued to the wing, or runs into the body; one that touches neither holds on nothing. */
function podProblems({ wing, body, pods }: Airframe): Finding[] {
  return pods.flatMap(({ pod, loft }): Finding[] => {
    const toWing = gapToWing(loft, seatAbove(wing, pod.yMm))
    const gap = Math.min(toWing, body ? gapToBody(loft, pod.yMm, body) : Infinity)
    const common = { stations: ['shape'] as Finding['stations'], where: pod.name, unit: 'mm' }
    if (gap > POD_TOUCHES)
      return [
        {
          ...common,
          code: 'pod-adrift',
          severity: 'stop',
          value: Math.min(gap, LIMITS.positionMm[1]),
          limit: POD_TOUCHES,
          text: Number.isFinite(gap)
            ? say`${pod.name} touches neither wing nor body: ${q(gap, 'mm', 0)} are between them`
            : `${pod.name} lies neither under the wing nor beside the body`,
          remedy: "Move it until its skin meets the wing's or the body's",
        },
      ]
    if (!pod.body.saddle && toWing < -POD_TOUCHES)
      return [
        {
          ...common,
          code: 'pod-unseated',
          severity: 'warn',
          value: -toWing,
          limit: POD_TOUCHES,
          text: say`${pod.name} and the wing are printed through each other, ${q(-toWing, 'mm', 0)} deep`,
          remedy: 'Cut a seat for the wing in it',
        },
      ]
    return []
  })
}

/** Least air between a pod and the body beside it, by their widths and heights, mm. */
function gapToBody(loft: BodyLoft, y: number, body: BodyLoft): number {
  let gap = Infinity
  for (const x of loft.grid.filter(at => at >= body.from && at <= body.to)) {
    const own = loft.at(x),
      main = body.at(x)
    const aside = Math.abs(y) - (main.width + own.width) / 2,
      apart = Math.abs(main.z - own.z) - (main.height + own.height) / 2
    gap = Math.min(gap, Math.max(aside, apart))
  }
  return gap
}

/** A tail between two booms is carried by them: a surface that reaches neither hangs in the air. */
function tailOffBooms({ boom, surfaces }: Airframe): Finding[] {
  if (!boom || boom.count === 1) return []
  const { yMm } = boom.boom,
    radius = boom.stock.heightMm / 2
  const tails = [surfaces.horizontal, surfaces.vertical].filter(loft => loft !== undefined)
  const short = tails.map(loft => {
    const ys = [0, loft.span].map(s => Math.abs(placePoint(loft, 0, 0, s, 1)[1]))
    return Math.max(Math.min(...ys) - yMm, yMm - Math.max(...ys)) - radius
  })
  const least = Math.min(...short)
  if (tails.length === 0 || least <= 0) return []
  return [
    {
      code: 'tail-off-booms',
      stations: ['shape'],
      severity: 'stop',
      where: 'Booms',
      value: least,
      limit: 0,
      unit: 'mm',
      text: say`No surface of the tail reaches the booms: ${q(least, 'mm', 0)} are between them`,
      remedy: 'A wider tailplane, fins on the booms, or booms nearer the middle',
    },
  ]
}
