/**
 * Where a continuous function that changes its sign between two places is nil (Chandrupatla 1997: inverse quadratic
 * steps where they are safe, halving otherwise). `width`: how closely it is placed.
 */
export function rootBetween(f: (x: number) => number, from: number, to: number, width: number): number {
  let a = from,
    b = to,
    fa = f(a),
    fb = f(b)
  if (fa === 0) return a
  if (fb === 0) return b
  // Without a change of sign the end that is nearer to nil is the best there is.
  if (fa > 0 === fb > 0) return Math.abs(fa) < Math.abs(fb) ? a : b
  let share = 0.5
  for (let i = 0; i < 80; i++) {
    const x = a + share * (b - a),
      fx = f(x)
    const same = fx > 0 === fa > 0
    const [c, fc] = same ? [a, fa] : [b, fb]
    if (!same) [b, fb] = [a, fa]
    ;[a, fa] = [x, fx]
    const best = Math.abs(fa) < Math.abs(fb) ? a : b
    const least = width / Math.max(1e-300, Math.abs(b - a))
    if (fx === 0 || least > 0.5) return best
    const xi = (a - b) / (c - b),
      phi = (fa - fb) / (fc - fb)
    const safe = phi * phi < xi && (1 - phi) * (1 - phi) < 1 - xi
    const next = safe
      ? (fa / (fb - fa)) * (fc / (fb - fc)) + ((((c - a) / (b - a)) * fa) / (fc - fa)) * (fb / (fc - fb))
      : 0.5
    share = Math.min(1 - least, Math.max(least, next))
  }
  return Math.abs(fa) < Math.abs(fb) ? a : b
}
