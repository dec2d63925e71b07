/** Where the airframe is cut, and ought not to be, or does not come apart as it is meant to. */
import type { Cut, CutPart } from '../../document'
import { usableCuts } from '../../geometry'
import { q, say } from '../../units'
import type { Finding } from '../report'
import { type Airframe, gluedOver, hatchNoCuts, type NoCut, noCuts } from '../resolve'

const PARTS: Record<CutPart, string> = {
  wing: 'Wing',
  second: 'Second wing',
  winglet: 'Winglet',
  horizontal: 'Tailplane',
  vertical: 'Fin',
  body: 'Body',
}

export function cutProblems(airframe: Airframe): Finding[] {
  const { doc, surfaces, body } = airframe
  return [
    ...heldPlugs(airframe),
    ...(Object.keys(PARTS) as CutPart[]).flatMap(part => {
      const reach =
        part === 'body' ? body && [body.from, body.to] : surfaces[part] && [0, surfaces[part].span]
      return reach ? throughCuts(PARTS[part], doc.cuts[part], reach, noCuts(airframe, part)) : []
    }),
    ...doc.pods.flatMap(({ name, cuts, body: own }) =>
      throughCuts(name, cuts, [own.stations[0].xMm, own.stations.at(-1)!.xMm], hatchNoCuts(own)),
    ),
  ]
}

/** A joint of the wing that is meant to come apart, and does not: a spar is glued in on both sides of it. */
function heldPlugs(airframe: Airframe): Finding[] {
  const { doc, wing } = airframe
  return usableCuts(doc.cuts.wing, 0, wing.span).flatMap(({ atMm, joint }): Finding[] => {
    const held = joint.kind === 'plug' ? gluedOver(airframe, 'wing', atMm) : []
    if (held.length === 0) return []
    const names = doc.spars
      .filter(spar => held.includes(spar.id))
      .map(spar => spar.name)
      .join(', ')
    return [
      {
        code: 'plug-held',
        stations: ['split', 'spine'],
        severity: 'warn',
        where: say`Wing cut at ${q(atMm, 'mm', 0)}`,
        value: held.length,
        limit: 0,
        unit: '',
        text: say`The wing plugs together at ${q(atMm, 'mm', 0)} and does not come apart there: ${names} ${held.length === 1 ? 'is' : 'are'} glued in on both sides`,
        remedy: 'Spine: push it in instead, or Split: a glued joint',
      },
    ]
  })
}

function throughCuts(
  part: string,
  cuts: readonly Cut[],
  [from, to]: readonly number[],
  never: readonly NoCut[],
): Finding[] {
  return usableCuts(cuts, from, to).flatMap(({ atMm }): Finding[] => {
    const through = never.find(item => atMm > item.from && atMm < item.to)
    if (!through) return []
    const free = atMm - through.from < through.to - atMm ? through.from : through.to
    return [
      {
        code: 'cut-through',
        stations: ['split'],
        severity: 'warn',
        where: say`${part} cut at ${q(atMm, 'mm', 0)}`,
        value: atMm,
        limit: free,
        unit: 'mm',
        text: say`The cut at ${q(atMm, 'mm', 0)} of the ${part.toLowerCase()} runs through ${through.why}`,
        remedy: say`Move it to ${q(free, 'mm', 0)}`,
      },
    ]
  })
}
