/**
 * Numbers drawn for a simulated world, the same for the same seed; neighbouring seeds have nothing in common. A 32-bit
 * mixer over a counter: a linear congruence seeded with multiples draws worlds that resemble each other.
 */
export interface Random {
  /** In (0, 1). */
  uniform(): number
  /** Mean 0, standard deviation 1 (Box and Muller 1958). */
  normal(): number
}

export function random(seed: number): Random {
  let counter = Math.imul(seed ^ 0x5bd1e995, 0x9e3779b1)
  const uniform = () => {
    counter = (counter + 0x6d2b79f5) | 0
    let mixed = Math.imul(counter ^ (counter >>> 15), 1 | counter)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return (((mixed ^ (mixed >>> 14)) >>> 0) + 0.5) / 2 ** 32
  }
  return {
    uniform,
    normal: () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform()),
  }
}
