/** Areas and rooms that proportions are made of, from the document alone. mm, mm², °. */
import type { Control, ProjectFile, Surface } from '../../document'

/** Chord at a share of the span, mm. */
function chordAt(surface: Surface, share: number): number {
  const span = surface.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
  let left = share * span,
    inner = surface.rootChordMm
  for (const [i, panel] of surface.panels.entries()) {
    if (left <= panel.spanMm || i === surface.panels.length - 1)
      return inner + (panel.tipChordMm - inner) * Math.min(1, left / panel.spanMm)
    left -= panel.spanMm
    inner = panel.tipChordMm
  }
  return inner
}

const spanOf = (surface: Surface): number => surface.panels.reduce((sum, panel) => sum + panel.spanMm, 0)

/** One half, along the surface. */
export const planArea = (surface: Surface): number =>
  surface.panels.reduce(
    (sum, panel, i) =>
      sum +
      (panel.spanMm *
        (panel.tipChordMm + (i === 0 ? surface.rootChordMm : surface.panels[i - 1].tipChordMm))) /
        2,
    0,
  )

/** Behind the hinge of one half; by Simpson's rule in enough places that panel breaks do not show. */
export function controlArea(surface: Surface, { fromShare, toShare, chordShare }: Control): number {
  const n = 40,
    h = (toShare - fromShare) / n
  let sum = 0
  for (let i = 0; i <= n; i++)
    sum += chordAt(surface, fromShare + i * h) * (i === 0 || i === n ? 1 : i % 2 ? 4 : 2)
  return Math.max(0, (sum * h * spanOf(surface) * chordShare) / 3)
}

/**
 * The plain V that levels as much: each panel's rise counts by its own area further out, Σ Γ·∫c·y dy / ∫c·y
 * dy over the half wing, as strips do in roll.
 */
export function equivalentDihedralDeg(surface: Surface): number {
  const n = 200,
    span = spanOf(surface)
  let top = 0,
    bottom = 0
  for (let i = 0; i < n; i++) {
    const share = (i + 0.5) / n
    let at = share * span,
      panel = surface.panels[0]
    for (const next of surface.panels) {
      panel = next
      if (at <= next.spanMm) break
      at -= next.spanMm
    }
    const weight = chordAt(surface, share) * (surface.yMm + share * span)
    top += weight * panel.dihedralDeg
    bottom += weight
  }
  return bottom === 0 ? 0 : top / bottom + surface.cantDeg
}

/** Leading edge and chord at a distance along one half, mm. */
function edgesAt(surface: Surface, s: number): { lead: number; rear: number; z: number } {
  let lead = surface.xMm,
    z = surface.zMm,
    left = Math.max(0, s)
  for (const { spanMm, sweepMm, dihedralDeg } of surface.panels) {
    const part = Math.min(1, left / spanMm)
    lead += part * sweepMm
    z += part * spanMm * Math.tan((dihedralDeg * Math.PI) / 180)
    left -= part * spanMm
    if (left <= 0) break
  }
  return { lead, rear: lead + chordAt(surface, Math.min(1, Math.max(0, s) / spanOf(surface))), z }
}

/**
 * From the propeller's disc to what it could strike, mm: bodies and pods before, behind or beside it, the wing within
 * its reach. Each obstacle is cleared along the axis or beside it: the greater of the two signed gaps is the true one.
 * Null without a propeller, or with nothing near.
 */
export function propellerGap(doc: ProjectFile): number | null {
  const propeller = doc.equipment.find(item => item.kind === 'propeller')
  // A fan turns in its housing.
  if (!propeller || propeller.fan) return null
  const { xMm, yMm, zMm, sizeMm } = propeller
  const [front, rear] = [xMm - sizeMm[0] / 2, xMm + sizeMm[0] / 2],
    reach = sizeMm[1] / 2
  const gaps: number[] = []
  const along = (from: number, to: number) => Math.max(from - rear, front - to)
  const bodies = [
    ...(doc.body ? [{ stations: doc.body.stations, x: 0, y: 0 }] : []),
    ...doc.pods.map(pod => ({ stations: pod.body.stations, x: pod.xMm, y: pod.yMm })),
  ]
  for (const { stations, x, y } of bodies) {
    const beside =
      Math.abs(Math.abs(yMm) - Math.abs(y)) -
      reach -
      Math.max(...stations.map(station => station.widthMm)) / 2
    gaps.push(Math.max(along(x + stations[0].xMm, x + stations[stations.length - 1].xMm), beside))
  }
  // Its leading edge, or the trailing edge of a pusher's.
  const { wing } = doc
  const places = [Math.abs(yMm) - reach, Math.abs(yMm), Math.abs(yMm) + reach]
    .map(y => Math.max(0, y - wing.yMm))
    .filter(s => s < spanOf(wing))
    .map(s => edgesAt(wing, s))
  if (places.some(({ z }) => Math.abs(zMm - z) < reach))
    gaps.push(along(Math.min(...places.map(edge => edge.lead)), Math.max(...places.map(edge => edge.rear))))
  return gaps.length ? Math.min(...gaps) : null
}

/**
 * Blade tips above what the aircraft stands or lands on, mm (negative below it); null without a propeller.
 */
export function groundRoom(
  doc: ProjectFile,
  lowestMm: number,
): { mm: number; wheels: boolean; folds: boolean } | null {
  const propeller = doc.equipment.find(item => item.kind === 'propeller')
  if (!propeller) return null
  const gear = doc.equipment.filter(item => item.kind === 'gear')
  const ground = gear.length ? Math.min(...gear.map(item => item.zMm - item.sizeMm[2] / 2)) : lowestMm
  return {
    mm: propeller.zMm - propeller.sizeMm[1] / 2 - ground,
    wheels: gear.length > 0,
    folds: /fold/i.test(propeller.name),
  }
}
