/** What a body or a pod was asked for and cannot have: lids, a firewall that is filled, something to hold on to. */
import { LIMITS } from '../../document'
import { gapAt, seatAbove } from '../../geometry'
import { bodiesOf, type Airframe, type StandingBody } from '../resolve'
import type { Finding } from '../report'
import { q, say } from '../../units'

export const bodyProblems = (airframe: Airframe): Finding[] => [
  ...bodiesOf(airframe).flatMap(own => [...lidProblems(airframe, own), ...hollowFirewall(airframe, own)]),
  ...podProblems(airframe),
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

/** A pod that meets neither wing nor body by this much hangs in the air, mm. */
const ADRIFT = 1

/** A pod is glued to the wing, or runs into the body; one that touches neither holds on nothing. */
function podProblems(airframe: Airframe): Finding[] {
  const { wing, body } = airframe
  return airframe.pods.flatMap(({ pod, loft }): Finding[] => {
    const seat = seatAbove(wing, pod.yMm)
    let gap = Infinity
    for (const x of loft.grid) {
      const own = loft.at(x)
      const [low, high] = [own.z - own.height / 2, own.z + own.height / 2]
      const skin = seat && gapAt(seat.outline, x)
      if (skin) gap = Math.min(gap, Math.max(seat.z + skin.lower - high, low - seat.z - skin.upper))
      if (body && x >= body.from && x <= body.to) {
        const main = body.at(x)
        const aside = Math.abs(pod.yMm) - (main.width + own.width) / 2,
          apart = Math.abs(main.z - own.z) - (main.height + own.height) / 2
        gap = Math.min(gap, Math.max(aside, apart))
      }
    }
    if (gap <= ADRIFT) return []
    const far = Number.isFinite(gap) ? gap : LIMITS.positionMm[1]
    return [
      {
        code: 'pod-adrift',
        stations: ['shape'],
        severity: 'stop',
        where: pod.name,
        value: far,
        limit: ADRIFT,
        unit: 'mm',
        text: Number.isFinite(gap)
          ? say`${pod.name} touches neither wing nor body: ${q(gap, 'mm', 0)} are between them`
          : `${pod.name} lies neither under the wing nor beside the body`,
        remedy: "Move it until its skin meets the wing's or the body's",
      },
    ]
  })
}
