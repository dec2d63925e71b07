/** Changes that wishes are made of: each by a name that stays, tried on whatever the design is by then. */
import { largerStock, withItem, withSpar, type Change } from '../../change'
import { type ProjectFile, type Panel, type Surface } from '../../document'
import { LIBRARIES, stockOr } from '../../libraries'
import { q, say, type Words } from '../../units'
import { skinSteps } from '../spine'

export interface Act {
  id: string
  group: 'Frame' | 'Skin' | 'Shape' | 'Trim and balance'
  title: Words
  change: Change
}

const round = (value: number) => Math.round(100 * value) / 100

/** Everything that can be tried on this design, in groups. */
export function actsFor(doc: ProjectFile): Act[] {
  return [...frame(doc), ...skins(doc), ...shape(doc), ...trim(doc)]
}

function frame(doc: ProjectFile): Act[] {
  const boom = doc.boom && largerStock(stockOr(LIBRARIES, doc.boom.stock), LIBRARIES)[0]
  return [
    ...(boom
      ? [
          {
            id: 'boom.larger',
            group: 'Frame' as const,
            title: say`A stiffer boom: ${boom.name}`,
            change: { boom: { ...doc.boom!, stock: boom.id } },
          },
        ]
      : []),
    ...doc.spars.flatMap(spar => {
      const next = largerStock(stockOr(LIBRARIES, spar.stock), LIBRARIES)[0]
      return next
        ? [
            {
              id: `spar.${spar.id}.larger`,
              group: 'Frame' as const,
              title: say`${spar.name}: ${next.name}`,
              change: withSpar(doc, spar.id, { stock: next.id }),
            },
          ]
        : []
    }),
    ...doc.gear.map(leg => ({
      id: `leg.${leg.id}.thicker`,
      group: 'Frame' as const,
      title: say`${leg.name} thicker by ${q(0.5, 'mm', 1)}`,
      change: {
        gear: doc.gear.map(item =>
          item.id === leg.id ? { ...item, thicknessMm: round(leg.thicknessMm + 0.5) } : item,
        ),
      },
    })),
  ]
}

/** Of what a zone can do to bear more, the two that makers reach for first. */
const skins = (doc: ProjectFile): Act[] =>
  doc.zones.flatMap(zone =>
    skinSteps(doc, zone, LIBRARIES)
      .filter(step => !step.id.includes('-in-'))
      .slice(0, 2)
      .map(step => ({
        id: `skin.${step.id}`,
        group: 'Skin' as const,
        title: step.title,
        change: step.change,
      })),
  )

/** A tail's span is enlarged by this. */
const GROWN = 1.1

function shape(doc: ProjectFile): Act[] {
  const { wing, second, tail } = doc
  // Two wings stay alike: struts stand between them.
  const panels = (apply: (panel: Panel, last: boolean) => object): Change => {
    const turned = (own: Surface): Surface => ({
      ...own,
      panels: own.panels.map((panel, i) => ({ ...panel, ...apply(panel, i === own.panels.length - 1) })),
    })
    return { wing: turned(wing), ...(second ? { second: turned(second) } : {}) }
  }
  const acts: Act[] = [
    {
      id: 'dihedral.more',
      group: 'Shape',
      title: say`${q(2, '°')} more dihedral: it rights itself more`,
      change: panels(panel => ({ dihedralDeg: Math.min(80, round(panel.dihedralDeg + 2)) })),
    },
    {
      id: 'washout.more',
      group: 'Shape',
      title: say`${q(1, '°')} more washout at the tip: it drops a wing less`,
      change: panels((panel, last) =>
        last ? { tipTwistDeg: Math.max(-15, round(panel.tipTwistDeg - 1)) } : {},
      ),
    },
  ]
  for (const [surface, id, words] of [
    ['horizontal', 'tailplane', 'A tailplane larger by'],
    ['vertical', 'fin', 'A fin larger by'],
  ] as const) {
    const own = tail[surface]
    if (!own) continue
    const panels = own.panels.map(panel => ({
      ...panel,
      spanMm: Math.min(3000, round(panel.spanMm * GROWN)),
    }))
    acts.push({
      id: `${id}.larger`,
      group: 'Shape',
      title: say`${words} ${q(10, '%')}: it ${surface === 'vertical' ? 'wags less' : 'pitches more calmly'}`,
      change: { tail: { ...tail, [surface]: { ...own, panels } } },
    })
  }
  return acts
}

function trim(doc: ProjectFile): Act[] {
  const { tail, power } = doc
  const acts: Act[] = []
  if (tail.horizontal) {
    const horizontal = tail.horizontal
    for (const [id, by, words] of [
      ['tail.up', 0.5, 'nose up'],
      ['tail.down', -0.5, 'nose down'],
    ] as const)
      acts.push({
        id,
        group: 'Trim and balance',
        title: say`The tail turned by ${q(0.5, '°', 1)}, its ${words}`,
        change: {
          tail: {
            ...tail,
            horizontal: { ...horizontal, incidenceDeg: round(horizontal.incidenceDeg + by) },
          },
        },
      })
  }
  for (const [id, by, words] of [
    ['thrust.down', 1, 'down'],
    ['thrust.up', -1, 'up'],
  ] as const)
    if (doc.equipment.some(item => item.kind === 'motor'))
      acts.push({
        id,
        group: 'Trim and balance',
        title: say`Thrust line ${q(1, '°')} further ${words}`,
        change: { power: { ...power, downDeg: Math.max(-20, Math.min(20, round(power.downDeg + by))) } },
      })
  const pack = doc.equipment.find(item => item.kind === 'battery')
  if (pack)
    for (const [id, by, words] of [
      ['pack.fore', -5, 'forward'],
      ['pack.aft', 5, 'aft'],
    ] as const)
      acts.push({
        id,
        group: 'Trim and balance',
        title: say`${pack.name} ${q(5, 'mm')} further ${words}`,
        change: withItem(doc, pack.id, { xMm: round(pack.xMm + by) }),
      })
  return acts
}

/** What moves the balance on purpose is not put back. */
export const movesBalance = (id: string): boolean => id.startsWith('pack.')

export const titleOf = (doc: ProjectFile, id: string): Words | null =>
  actsFor(doc).find(act => act.id === id)?.title ?? null
