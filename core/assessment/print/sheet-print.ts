/** A sheet of foam, weighed by its sections; no printer has anything to do with it. */
import { polygonArea, type Piece } from '../../geometry'
import type { Filament } from '../../libraries'
import { insetArea, insetField, samplePiece, ZERO_LENGTHS, type PiecePrint } from '../../printing'
import { mm3ToM3 } from '../../units'

/** Foam of a section, mm²: all of a flat one, a strip as thick as the sheet of one that is folded. */
function foamIn(
  section: readonly Float64Array[],
  { thicknessMm, make }: NonNullable<Piece['zone']['sheet']>,
) {
  const whole = section.reduce((sum, loop) => sum + polygonArea(loop).area, 0)
  if (make === 'flat' || whole <= 0) return whole
  return whole - insetArea(insetField([...section], thicknessMm), thicknessMm)
}

/** `skin`: the same as a skin that is laid, whose beads say where its mass lies, but not to the gram how much it is. */
export function sheetPrint(piece: Piece, foam: Filament, skin: PiecePrint): PiecePrint {
  const sheet = piece.zone.sheet!
  const mm3 = samplePiece(piece).samples.reduce(
    (sum, { section, weight }) => sum + weight * foamIn(section, sheet),
    0,
  )
  const mass = mm3ToM3(mm3) * foam.density,
    by = skin.mass > 0 ? mass / skin.mass : 0
  const { xx, yy, zz, xy, xz, yz } = skin.inertia
  return {
    ...skin,
    mass,
    inertia: { xx: by * xx, yy: by * yy, zz: by * zz, xy: by * xy, xz: by * xz, yz: by * yz },
    filamentMm3: mm3,
    layers: 0,
    lengths: ZERO_LENGTHS,
    overhangMm2: 0,
    bridgeMm: 0,
    seconds: () => 0,
  }
}
