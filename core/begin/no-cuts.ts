import type { Cuts } from '../document'

/** Nothing is cut yet. */
export const NO_CUTS: Cuts = { wing: [], second: [], winglet: [], horizontal: [], vertical: [], body: [] }
