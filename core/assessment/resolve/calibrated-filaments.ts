/** Filaments with the maker's own calibrations in place of the typical expansion curve. */
import type { Calibration } from '../../document'
import type { Filament } from '../../libraries'

/** Points nearer than this replace one another, the newest counts, °C. */
const SAME_TEMPERATURE = 2

/**
 * The typical curve scaled to the measured points: between them the ratio measured / typical runs straight,
 * beyond them it is held. With one point the whole curve is scaled; without any it is as shipped.
 */
export function calibratedFilaments(
  filaments: readonly Filament[],
  calibrations: readonly Calibration[],
): readonly Filament[] {
  return filaments.map(filament => {
    const own = calibrations.filter(item => item.filament === filament.id)
    if (!filament.expansion || own.length === 0) return filament
    const points = newestEach(own)
    const typical = (celsius: number) => along(filament.expansion!, celsius)
    const ratios = points.map(point => [point.nozzleC, point.expansion / typical(point.nozzleC)] as const)
    const temperatures = [
      ...new Set([...filament.expansion.map(([celsius]) => celsius), ...points.map(point => point.nozzleC)]),
    ].sort((a, b) => a - b)
    // Plastic does not shrink below its own volume.
    return {
      ...filament,
      expansion: temperatures.map(
        celsius => [celsius, Math.max(1, typical(celsius) * along(ratios, celsius))] as const,
      ),
    }
  })
}

function newestEach(list: readonly Calibration[]): Calibration[] {
  const kept: Calibration[] = []
  for (const item of [...list].sort((a, b) => b.date.localeCompare(a.date)))
    if (kept.every(other => Math.abs(other.nozzleC - item.nozzleC) > SAME_TEMPERATURE)) kept.push(item)
  return kept.sort((a, b) => a.nozzleC - b.nozzleC)
}

function along(points: ReadonlyArray<readonly [number, number]>, x: number): number {
  const next = points.findIndex(point => point[0] >= x)
  if (next === 0) return points[0][1]
  if (next < 0) return points[points.length - 1][1]
  const [x0, y0] = points[next - 1],
    [x1, y1] = points[next]
  return y0 + ((y1 - y0) * (x - x0)) / (x1 - x0)
}
