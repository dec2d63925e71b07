/**
 * Aerofoil coordinate files: a name line, then x y pairs, either from the trailing edge over the top and
 * back, or the upper and the lower side in two lists, each from the nose (a line with two counts may stand
 * before them).
 */
import { DocumentError, outlineFault } from '../document'

const MAX_LINES = 4000,
  MAX_POINTS = 2000

/** x, y, and the line they stand in. */
type Placed = [number, number, number]

/**
 * Reads either order; points come back from the trailing edge over the top and back. Throws `DocumentError`
 * naming the line.
 */
export function parseCoordinates(text: string): { name: string; points: Array<[number, number]> } {
  const lines = text.slice(0, 400_000).split(/\r?\n/)
  if (lines.length > MAX_LINES)
    throw new DocumentError('', `more than ${MAX_LINES} lines; an aerofoil has a few hundred points at most`)
  const name = (lines[0] ?? '').trim().slice(0, 100)
  const numbers: Placed[] = []
  const blanks: number[] = []
  for (let i = pairOf(lines[0] ?? '') ? 0 : 1; i < lines.length; i++) {
    if (lines[i].trim() === '') {
      blanks.push(numbers.length)
      continue
    }
    const pair = pairOf(lines[i])
    if (!pair)
      throw new DocumentError(`line ${i + 1}`, `"${lines[i].trim().slice(0, 40)}" is not a pair of numbers`)
    numbers.push([...pair, i + 1])
  }
  const counted = numbers[0] && numbers[0][0] > 2 && numbers[0][1] > 2
  const points = counted
    ? joinSides(numbers.slice(1), Math.round(numbers[0][0]))
    : startsAtNose(numbers)
      ? joinSides(numbers, splitPlace(numbers, blanks))
      : numbers
  points.forEach(([x, y, line]) => {
    if (x < -0.5 || x > 1.5 || Math.abs(y) > 1)
      throw new DocumentError(
        `line ${line}`,
        `the point ${x}, ${y} lies outside the chord 0..1; scale the file to a chord of one`,
      )
  })
  if (points.length < 7)
    throw new DocumentError('', `only ${points.length} points; an outline needs at least 7`)
  if (points.length > MAX_POINTS)
    throw new DocumentError('', `${points.length} points; an outline has at most ${MAX_POINTS}`)
  const nose = points.reduce((least, [x], i) => (x < points[least][0] ? i : least), 0)
  const ordered = nose < 2 || nose > points.length - 3 ? points : topFirst(points, nose)
  const fault = outlineFault(ordered.map(([x, y]) => [x, y]))
  if (fault) throw new DocumentError(`line ${ordered[fault.at][2]}`, fault.reason)
  return { name: name || 'Imported aerofoil', points: ordered.map(([x, y]) => [x, y]) }
}

function pairOf(line: string): [number, number] | null {
  const parts = line.trim().split(/[\s,;]+/)
  if (parts.length !== 2) return null
  const x = Number(parts[0]),
    y = Number(parts[1])
  return parts[0] !== '' && parts[1] !== '' && Number.isFinite(x) && Number.isFinite(y) ? [x, y] : null
}

const startsAtNose = (points: readonly Placed[]): boolean =>
  points.length > 4 && points[0][0] < 0.1 && points[1][0] < 0.5

function splitPlace(points: readonly Placed[], blanks: readonly number[]): number {
  const blank = blanks.find(at => at > 2 && at < points.length - 2)
  if (blank) return blank
  const drop = points.findIndex(([x], i) => i > 0 && x < points[i - 1][0] - 0.2)
  return drop > 0 ? drop : Math.floor(points.length / 2)
}

function joinSides(points: readonly Placed[], upperCount: number): Placed[] {
  const upper = points.slice(0, upperCount),
    lower = points.slice(upperCount)
  const [a, b] = [upper[0], lower[0]]
  const shared = a && b && Math.hypot(a[0] - b[0], a[1] - b[1]) < 1e-6
  return [...upper].reverse().concat(shared ? lower.slice(1) : lower)
}

/** Some files run along the bottom first; turn those round. */
function topFirst(points: Placed[], nose: number): Placed[] {
  const mean = (part: readonly Placed[]) => part.reduce((sum, [, y]) => sum + y, 0) / part.length
  return mean(points.slice(0, nose)) >= mean(points.slice(nose + 1)) ? points : [...points].reverse()
}

/** The outline as a coordinate file, trailing edge over the top and back. */
export const formatCoordinates = (name: string, points: ReadonlyArray<readonly [number, number]>): string =>
  `${name}\n${points.map(([x, y]) => `${x.toFixed(6)} ${y.toFixed(6)}`).join('\n')}\n`
