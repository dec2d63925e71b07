/** Metric bolts that are sold everywhere, by nominal diameter, mm. */
export const BOLTS: readonly number[] = [2, 2.5, 3, 4, 5, 6, 8, 10]

/** The one nearest to a diameter, as a share of it. */
export const nearestBolt = (diameterMm: number): number =>
  BOLTS.reduce((a, b) => (Math.abs(Math.log(b / diameterMm)) < Math.abs(Math.log(a / diameterMm)) ? b : a))
