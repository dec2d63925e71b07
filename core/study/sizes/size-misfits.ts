/**
 * What does not go in or cannot be laid at a size: beads in thin sections, equipment in the body, bolts in
 * the firewall. mm
 */
import { beadsThick, surfaceOf } from '../../document'
import type { Finding } from '../../assess'
import { gapAt, outlineAt, planAt, zoneOr } from '../../geometry'
import { bodiesOf, type Airframe, type StandingBody } from '../../assessment/resolve'
import { q, say, dimensions } from '../../units'

export type Misfit = Pick<Finding, 'code' | 'severity' | 'where' | 'text' | 'remedy'>

/** A trailing edge thicker than this share of the chord costs drag that one feels. */
const EDGE_SHARE = 0.02

/** Where sections are thickest. */
const SHARES = [0.15, 0.2, 0.25, 0.3, 0.35, 0.4, 0.45, 0.5]

export const misfits = (airframe: Airframe): Misfit[] => [
  ...beadMisfits(airframe),
  ...bodyMisfits(airframe),
  ...firewallMisfits(airframe),
]

/**
 * Walls meet before they are all laid where the section is thinner than two skins; an edge of two beads is
 * thick on a short chord.
 */
function beadMisfits({ surfaces, doc }: Airframe): Misfit[] {
  return Object.values(surfaces).flatMap((loft): Misfit[] => {
    const { recipe, name } = zoneOr(doc.zones, loft.zones[loft.zones.length - 1]),
      { tip } = surfaceOf(doc, loft.name)!
    // Where the tip begins to be rounded off.
    const at = loft.span - (tip.kind === 'flat' ? 0 : tip.lengthMm),
      { chord, lead } = planAt(loft, at),
      outline = outlineAt(loft, at)
    const thick = Math.max(
        ...SHARES.map(share => {
          const gap = gapAt(outline, lead + share * chord)
          return gap ? gap.upper - gap.lower : 0
        }),
      ),
      skins = 2 * (beadsThick(recipe, recipe.walls) + (recipe.skinGapMm ?? 0)),
      edge = 2 * recipe.beadWidthMm
    return [
      ...(thick < skins
        ? [
            {
              code: 'bead-too-wide',
              severity: 'stop' as const,
              where: `${loft.label}, tip`,
              text: say`${loft.label}: ${q(thick, 'mm', 1)} thick at the tip, and both skins of ${name} want ${q(skins, 'mm', 1)}`,
              remedy: 'fewer or narrower beads in that zone, or a thicker section at the tip',
            },
          ]
        : []),
      ...(edge > EDGE_SHARE * chord
        ? [
            {
              code: 'edge-too-thick',
              severity: 'warn' as const,
              where: `${loft.label}, trailing edge`,
              text: say`${loft.label}: two beads make the edge ${q(edge, 'mm', 1)} thick, ${q((100 * edge) / chord, '%', 1)} of the chord at the tip`,
              remedy: 'a narrower bead, or a longer chord at the tip',
            },
          ]
        : []),
    ]
  })
}

/** Everything that stands inside the body, as it lies. */
function bodyMisfits({ body, doc }: Airframe): Misfit[] {
  if (!body) return []
  const inside = doc.equipment.filter(
    item =>
      !item.pocket &&
      !item.pair &&
      item.massG > 0 &&
      Math.abs(item.yMm) < 1 &&
      item.xMm > body.from &&
      item.xMm < body.to &&
      item.kind !== 'propeller' &&
      item.kind !== 'motor',
  )
  return inside.flatMap((item): Misfit[] => {
    const { width, height } = body.at(item.xMm),
      wall = (() => {
        const { recipe } = zoneOr(doc.zones, body.zoneAt(item.xMm))
        return beadsThick(recipe, recipe.walls)
      })()
    const room = [width - 2 * wall, height - 2 * wall],
      [, wide, high] = item.sizeMm
    return wide > room[0] || high > room[1]
      ? [
          {
            code: 'equipment-too-large',
            severity: 'stop',
            where: item.name,
            text: say`${item.name}: ${dimensions([wide, high])}, and the body leaves ${dimensions(room, 0)} there`,
            remedy: 'a smaller one, or a wider body',
          },
        ]
      : []
  })
}

const firewallMisfits = (airframe: Airframe): Misfit[] =>
  bodiesOf(airframe).flatMap(own => firewallMisfit(airframe.doc, own))

function firewallMisfit(doc: Airframe['doc'], { main, name, body, loft }: StandingBody): Misfit[] {
  const wall = body.firewall
  if (!wall || wall.bolts === 0) return []
  const { width, height } = loft.at(loft.from),
    { recipe } = zoneOr(doc.zones, loft.zoneAt(loft.from + 1))
  const room = Math.min(width, height) - 2 * beadsThick(recipe, recipe.walls),
    wanted = wall.boltCircleMm + wall.boltMm
  return wanted > room
    ? [
        {
          code: 'firewall-bolts',
          severity: 'stop',
          where: main ? 'Firewall, motor bolts' : `Firewall of ${name}, motor bolts`,
          text: say`the motor's bolts stand on a circle of ${q(wall.boltCircleMm, 'mm')} and the firewall leaves ${q(room, 'mm', 0)}`,
          remedy: 'a smaller motor, or a wider front',
        },
      ]
    : []
}
