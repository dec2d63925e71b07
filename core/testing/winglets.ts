/** Winglets of ordinary proportions for a wing. mm, ° */
import type { ProjectFile, Winglet } from '../document'

export const wingletsFor = ({ wing }: Pick<ProjectFile, 'wing'>, more: Partial<Winglet> = {}): Winglet => {
  const last = wing.panels[wing.panels.length - 1]
  return {
    lengthMm: 100,
    cantDeg: 75,
    rootChordMm: last.tipChordMm,
    tipChordMm: 0.6 * last.tipChordMm,
    sweepMm: 0.3 * last.tipChordMm,
    toeDeg: 0,
    aerofoil: 'naca0009',
    zone: last.zone,
    ...more,
  }
}
