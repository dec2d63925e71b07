/** What the vortices of one surface are spread over where they pass another that they do not meet. */

/** Core radius in widths of strips: under a half ripples of the single legs show, over one tips are smeared. */
const CORE = 0.7

/**
 * Square of the core's radius, m²: a leg stands for the sheet of vorticity that comes off the strips about it, and
 * a condition point for the strip it lies in; nearer than both the single leg means nothing. `share` of the full
 * core, widths in m.
 */
export const coreSquare = (share: number, source: number, target: number): number =>
  (share * CORE) ** 2 * (source ** 2 + target ** 2)
