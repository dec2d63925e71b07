/**
 * Bags of ballast in an empty shell, so that it glides and nods as the finished aircraft will. SI inside, g
 * and mm out.
 */
import type { Assessment, PitchTables } from '../../assess'
import type { ProjectFile } from '../../document'
import { gToKg, kgToG, mmToM, mToMm } from '../../units'

export interface Bag {
  massG: number
  xMm: number
}

export interface DummyMasses {
  shellG: number
  bags: Bag[]
  cgMm: number
  /** Turning about the pitch axis as sluggishly as the finished one: 1 where it does. */
  inertiaShare: number
}

/** What is in before the electronics: prints, spars, joints, glue, small parts. */
const IN_SHELL = ['printed', 'spar', 'glue', 'joint', 'small', 'film']

/**
 * Two bags whose mass, moment and spread make up for what is missing, as far as the body reaches. Null where nothing is
 * missing. Missing parts count as points where they belong.
 */
export function dummyMasses(
  doc: ProjectFile,
  { ledger, totals }: Assessment,
  tables: PitchTables,
): DummyMasses | null {
  const missing = ledger.filter(row => !IN_SHELL.includes(row.group) && row.massG > 0)
  const mass = missing.reduce((sum, row) => sum + row.massG, 0)
  if (mass < 0.5) return null
  const middle = missing.reduce((sum, row) => sum + row.massG * row.xMm, 0) / mass
  const [cgX, , cgZ] = totals.cgMm
  const about = (x: number, z: number) => (x - cgX) ** 2 + (z - cgZ) ** 2
  const missingTurn = missing.reduce((sum, row) => sum + row.massG * about(row.xMm, row.zMm), 0)
  // Bags lie on the axis of the body: what height gives of the inertia is given along it.
  const spread = Math.max(0, missingTurn / mass - (middle - cgX) ** 2)
  const { from, to } = reachOf(doc)
  const wish = Math.sqrt(spread)
  const fore = Math.max(from, Math.min(middle - 1, middle - wish))
  const aft = Math.min(to, Math.max(middle + 1, middle + spread / Math.max(1, middle - fore)))
  const [foreG, aftG] = [(mass * (aft - middle)) / (aft - fore), (mass * (middle - fore)) / (aft - fore)]
  const inertia = foreG * (fore - cgX) ** 2 + aftG * (aft - cgX) ** 2
  const lost = gToKg(missingTurn - inertia) * mmToM(1) ** 2
  return {
    shellG: kgToG(tables.mass) - mass,
    bags: [
      { massG: foreG, xMm: fore },
      { massG: aftG, xMm: aft },
    ],
    cgMm: mToMm(tables.cgX),
    inertiaShare: 1 - lost / tables.inertia,
  }
}

/** Where something can be taped to: the body, or without one the wing's root. */
function reachOf({ body, wing }: ProjectFile): { from: number; to: number } {
  const stations = body?.stations
  return stations && stations.length > 1
    ? { from: stations[0].xMm, to: stations[stations.length - 1].xMm }
    : { from: wing.xMm, to: wing.xMm + wing.rootChordMm }
}
