/** A demo with a second wing: the first one's likeness, as far over it and aft of it as a test wants. */
import { DEMOS } from '../demo'
import type { ProjectFile, Strut } from '../document'

/** Servos stay in the first wing, whose ailerons it alone has. mm */
export function twoWings(
  {
    upMm,
    aftMm = 0,
    spanShare = 1,
    struts = [],
  }: { upMm: number; aftMm?: number; spanShare?: number; struts?: Strut[] },
  doc: ProjectFile = DEMOS[0],
): ProjectFile {
  const { wing } = doc
  return {
    ...doc,
    struts,
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

/** Upright beside the body: from the first wing's root to the second's. */
export const cabane = (more: Partial<Strut> = {}): Strut => ({
  id: 'cabane',
  name: 'Cabane strut',
  stock: 'rod-4',
  from: { on: 'body', xMm: 215, yMm: 20, zMm: 25 },
  to: { on: 'second', alongMm: 20, share: 0.3 },
  pair: true,
  fittingG: 0.5,
  ...more,
})

/** Between the wings, at the same place of both. */
export const interplane = (alongMm: number, more: Partial<Strut> = {}): Strut => ({
  id: 'interplane',
  name: 'Interplane strut',
  stock: 'rod-4',
  from: { on: 'wing', alongMm, share: 0.3 },
  to: { on: 'second', alongMm, share: 0.3 },
  pair: true,
  fittingG: 0.5,
  ...more,
})
