/** What of a layer lies open above or below, and so is laid solid; and what hangs over nothing. */
import type { Section } from '../geometry'
import { scanBoth, scanLength, scanLess, scanLongest, scanLoops, swapped, type Scan } from './scanlines'

/** Lines across the shorter way of a model: each sees how thick the section is there. */
export interface ScanGrid {
  low: number
  spacing: number
  lines: number
  swap: boolean
}

/** A grid over a box, lines running along its shorter side. */
export function scanGrid(x0: number, y0: number, x1: number, y1: number, most: number): ScanGrid {
  const swap = x1 - x0 > y1 - y0
  const [low, high] = swap ? [x0, x1] : [y0, y1]
  const spacing = Math.max(1e-3, (high - low) / most)
  return { low, spacing, lines: Math.max(1, Math.ceil((high - low) / spacing - 1e-9)), swap }
}

export const scanSection = (section: Section, { low, spacing, lines, swap }: ScanGrid, inset = 0): Scan =>
  scanLoops(swap ? swapped(section) : section, low, spacing, lines, inset)

/** Share of the inside (as scanned inside the innermost wall) that the other layers do not all cover. */
export function openShare(inside: Scan, others: readonly Scan[]): number {
  const whole = scanLength(inside)
  if (whole === 0) return 0
  let covered = inside
  for (const other of others) covered = scanBoth(covered, other)
  return Math.max(0, 1 - scanLength(covered) / whole)
}

/**
 * Area of `section` over nothing of `under` (mm²), and the longest stretch of it along the shorter way (mm).
 */
export function hanging(section: Scan, under: Scan, { spacing }: ScanGrid): { area: number; span: number } {
  const left = scanLess(section, under)
  return { area: scanLength(left) * spacing, span: scanLongest(left) }
}
