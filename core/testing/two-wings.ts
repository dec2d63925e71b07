/** A demo with a second wing: the first one's likeness, as far over it and aft of it as a test wants. */
import { DEMOS } from '../demo'
import type { ProjectFile } from '../document'

/** Servos stay in the first wing, whose ailerons it alone has. mm */
export function twoWings(
  { upMm, aftMm = 0, spanShare = 1 }: { upMm: number; aftMm?: number; spanShare?: number },
  doc: ProjectFile = DEMOS[0],
): ProjectFile {
  const { wing } = doc
  return {
    ...doc,
    second: {
      ...wing,
      xMm: wing.xMm + aftMm,
      zMm: wing.zMm + upMm,
      panels: wing.panels.map(panel => ({ ...panel, spanMm: panel.spanMm * spanShare })),
      controls: [],
    },
    cuts: {
      ...doc.cuts,
      second: doc.cuts.wing.map(cut => ({ ...cut, atMm: cut.atMm * spanShare })),
    },
    spars: [
      ...doc.spars,
      ...doc.spars
        .filter(spar => spar.surface === 'wing')
        .map(spar => ({
          ...spar,
          id: `${spar.id}-2`,
          name: `${spar.name} of the second`,
          surface: 'second' as const,
          fromMm: spar.fromMm * spanShare,
          toMm: spar.toMm * spanShare,
        })),
    ],
  }
}
