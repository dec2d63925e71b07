/** Inserts points so that no edge is longer than `longest`. */
export function divideEdges(loop: Float64Array, longest: number): Float64Array {
  const count = loop.length / 2
  let extra = 0
  const parts = new Int32Array(count)
  for (let i = 0; i < count; i++) {
    const j = i + 1 === count ? 0 : i + 1
    parts[i] = Math.max(
      1,
      Math.ceil(Math.hypot(loop[2 * j] - loop[2 * i], loop[2 * j + 1] - loop[2 * i + 1]) / longest),
    )
    extra += parts[i] - 1
  }
  if (extra === 0) return loop
  const points = new Float64Array(2 * (count + extra))
  for (let i = 0, at = 0; i < count; i++) {
    const j = i + 1 === count ? 0 : i + 1
    for (let p = 0; p < parts[i]; p++, at += 2) {
      points[at] = loop[2 * i] + ((loop[2 * j] - loop[2 * i]) * p) / parts[i]
      points[at + 1] = loop[2 * i + 1] + ((loop[2 * j + 1] - loop[2 * i + 1]) * p) / parts[i]
    }
  }
  return points
}

/** Edges a section is divided into round its outline, at least and, by `longest`, at most; and the least length, mm. */
const ROUND = 84,
  MOST = 240,
  FINEST = 0.5

/**
 * A section with its long edges divided, so that each part sees what lies opposite it: small sections more
 * finely, since a bead more or less fits over a shorter stretch there, and very large ones less finely.
 */
export function divideSection(section: readonly Float64Array[], longest: number): Float64Array[] {
  return section.map(loop => {
    let around = 0,
      twiceArea = 0
    for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2) {
      around += Math.hypot(loop[i] - loop[j], loop[i + 1] - loop[j + 1])
      twiceArea += loop[j] * loop[i + 1] - loop[i] * loop[j + 1]
    }
    // Holes are polygons of short edges already.
    const fit = Math.min(Math.max(longest, around / MOST), Math.max(FINEST, around / ROUND))
    return divideEdges(loop, twiceArea > 0 ? fit : longest)
  })
}
