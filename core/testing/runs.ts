/** How often a property is tried: `quick` while one works, `full` in the deep run (`npm run test:deep`). */
export const runs = (full: number, quick: number): number =>
  (globalThis as { mariposaDeep?: boolean }).mariposaDeep ? full : quick
/** Whether this is the deep run: what takes minutes and seldom finds what the short ones let through waits for it. */
export const DEEP = runs(1, 0) === 1
