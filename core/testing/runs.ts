/** How often a property is tried: `quick` while one works, `full` in the deep run (`npm run test:deep`). */
export const runs = (full: number, quick: number): number =>
  (globalThis as { mariposaDeep?: boolean }).mariposaDeep ? full : quick
