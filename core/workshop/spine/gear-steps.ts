/** Single changes that could mend a leg, or the mount that it stands in. */
import type { Step } from '../../change'
import type { ProjectFile } from '../../document'
import type { Weakness } from './weakness'

const WIRES = [1.5, 2, 2.5, 3, 3.5, 4, 5, 6, 8]

export function gearSteps(doc: ProjectFile, weakness: Weakness): Step[] {
  return doc.gear
    .filter(leg => leg.id === weakness.subject)
    .flatMap(leg => {
      const put = (id: string, words: string, more: Partial<typeof leg>): Step => ({
        id: `${leg.id}-${id}`,
        title: `${leg.name}: ${words}`,
        change: { gear: doc.gear.map(item => (item.id === leg.id ? { ...leg, ...more } : item)) },
      })
      const thicker =
        leg.kind === 'wire'
          ? WIRES.filter(d => d > leg.thicknessMm).map(d =>
              put(`wire-${d}`, `wire of ${d} mm`, { thicknessMm: d }),
            )
          : [1.3, 1.7, 2.4].map(times =>
              put(`thick-${times}`, `${(leg.thicknessMm * times).toFixed(1)} mm thick`, {
                thicknessMm: Math.min(40, Math.round(10 * leg.thicknessMm * times) / 10),
              }),
            )
      const softer =
        leg.kind === 'sprung'
          ? [0.5, 0.25].map(times =>
              put(
                `spring-${times}`,
                `a spring of ${(leg.springNmm * times).toFixed(2)} N/mm and twice the travel`,
                {
                  springNmm: Math.max(0.01, leg.springNmm * times),
                  travelMm: Math.min(200, 2 * leg.travelMm),
                },
              ),
            )
          : []
      const mount = [1.4, 2, 3].map(times =>
        put(
          `mount-${times}`,
          `a mount of ${(leg.mount.lengthMm * times).toFixed(0)} × ${(leg.mount.widthMm * times).toFixed(0)} mm, ${(leg.mount.depthMm * times).toFixed(1)} mm of plastic round it`,
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
