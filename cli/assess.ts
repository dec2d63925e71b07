import { assess } from '../core/assess'
import { readProject } from '../core/document'
import type { Arguments } from './answer'
import { written } from '../core/units'

export function assessVerb({ read }: Arguments): unknown {
  const { totals, flight, plan, strength, pieces, findings } = assess(readProject(read()))
  const [x, y, z] = totals.cgMm
  return {
    massG: totals.massG,
    emptyMassG: totals.emptyMassG,
    cgMm: { x, y, z },
    neutralPointMm: flight.neutralPointMm,
    staticMarginPct: flight.staticMarginPct,
    cgRangeMm: flight.cgRangeMm,
    wingLoadingGdm2: plan.loadingGdm2,
    stallSpeedMs: flight.stallMs,
    strength: {
      reserveFactor: strength.reserve,
      mode: strength.mode,
      at: strength.atMm,
      part: strength.part,
      case: strength.case,
      wingReserveFactor: strength.wing.reserve,
      cases: strength.cases.map(({ id, reserve, mode, atMm }) => ({
        id,
        reserveFactor: reserve,
        mode,
        at: atMm,
      })),
      places: strength.places.map(({ id, label, mode, case: by, reserve, xMm }) => ({
        id,
        label,
        mode,
        case: by,
        reserveFactor: reserve,
        xMm,
      })),
      tipTwistDeg: strength.twist.diveDeg,
      divergenceMs: strength.twist.divergenceMs,
      cautionMs: strength.twist.cautionMs,
    },
    printHours: totals.hours,
    filamentG: totals.filamentG,
    filamentCost: totals.cost,
    pieces: pieces.map(piece => ({
      id: piece.id,
      name: piece.name,
      material: piece.filament,
      recipe: piece.recipe,
      massG: piece.massG,
      hours: piece.hours,
      lengthMm: piece.lengthMm,
      bboxMm: piece.boxMm,
    })),
    findings: findings.map(({ code, severity, where, value, limit, remedy }) => ({
      code,
      severity,
      where: written(where),
      value,
      limit,
      remedy: written(remedy),
    })),
  }
}
