/** Cuts proposed for the beds at hand: fewest pieces that stand on a bed, of even length between the panel breaks. */

/**
 * Splits [from, to] so that no piece is taller than `maxHeight` (mm), keeping `fixed` places as cuts.
 * Even lengths within each stretch; the fewest that fit.
 */
export function proposeCuts(from: number, to: number, maxHeight: number, fixed: readonly number[] = []): number[] {
  const edges = [from, ...[...fixed].filter(at => at > from + 5 && at < to - 5).sort((a, b) => a - b), to]
  return edges.slice(0, -1).flatMap((a, i) => {
    const b = edges[i + 1]
    const count = Math.max(1, Math.ceil((b - a) / Math.max(10, maxHeight) - 1e-9))
    const inner = Array.from({ length: count - 1 }, (_, k) => Math.round((a + ((b - a) * (k + 1)) / count) * 10) / 10)
    return i > 0 ? [a, ...inner] : inner
  })
}
