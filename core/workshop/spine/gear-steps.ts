/** Single changes that could mend a leg, or the mount that it stands in. */
import type { Step } from '../../change'
import type { Coil, ProjectFile } from '../../document'
import { springOf } from '../../structure'
import type { Weakness } from './weakness'
import { q, say, type Words } from '../../units'

const WIRES = [1.5, 2, 2.5, 3, 3.5, 4, 5, 6, 8]

export function gearSteps(doc: ProjectFile, weakness: Weakness): Step[] {
  return doc.gear
    .filter(leg => leg.id === weakness.subject)
    .flatMap(leg => {
      const put = (id: string, words: Words, more: Partial<typeof leg>): Step => ({
        id: `${leg.id}-${id}`,
        title: say`${leg.name}: ${words}`,
        change: { gear: doc.gear.map(item => (item.id === leg.id ? { ...leg, ...more } : item)) },
      })
      const thicker =
        leg.kind === 'wire'
          ? WIRES.filter(d => d > leg.thicknessMm).map(d =>
              put(`wire-${d}`, say`wire of ${q(d, 'mm')}`, { thicknessMm: d }),
            )
          : [1.3, 1.7, 2.4].map(times =>
              put(`thick-${times}`, say`${q(leg.thicknessMm * times, 'mm', 1)} thick`, {
                thicknessMm: Math.min(40, Math.round(10 * leg.thicknessMm * times) / 10),
              }),
            )
      const softer =
        leg.kind === 'sprung'
          ? [0.5, 0.25].map(times =>
              put(
                `spring-${times}`,
                say`a spring of ${q((springOf(leg).rate / 1000) * times, 'N/mm', 2)} and twice the travel`,
                {
                  ...(leg.coil
                    ? { coil: looser(leg.coil, times) }
                    : { springNmm: Math.max(0.01, leg.springNmm * times) }),
                  travelMm: Math.min(200, 2 * leg.travelMm),
                },
              ),
            )
          : []
      const mount = [1.4, 2, 3].map(times =>
        put(
          `mount-${times}`,
          say`a mount of ${q(leg.mount.lengthMm * times, '', 0)} × ${q(leg.mount.widthMm * times, 'mm', 0)}, ${q(leg.mount.depthMm * times, 'mm', 1)} of plastic round it`,
          {
            mount: {
              lengthMm: Math.min(200, leg.mount.lengthMm * times),
              widthMm: Math.min(200, leg.mount.widthMm * times),
              depthMm: Math.min(60, leg.mount.depthMm * times),
            },
          },
        ),
      )
      return weakness.part === 'gear' ? [...thicker, ...softer] : [...mount, ...softer]
    })
}

/** More turns of the same wire, and so much longer that it goes twice as far. */
function looser(coil: Coil, times: number): Coil {
  const turns = Math.min(60, coil.turns / times)
  const travel = Math.max(0, coil.freeMm - coil.wireMm * (coil.turns + 2))
  return { ...coil, turns, freeMm: Math.min(400, coil.wireMm * (turns + 2) + 2 * travel) }
}
