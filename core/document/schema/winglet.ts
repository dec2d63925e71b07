/** Winglets: what stands at the tips of the first wing. */
import { z } from 'zod'
import { aerofoilRef } from './aerofoil'
import { figure, id } from './fields'

export const Winglet = z.strictObject({
  lengthMm: z.number().min(10).max(600).describe("along it, from the wing's tip, mm"),
  cantDeg: z.number().min(10).max(90).describe('angle from the horizontal: 90 stands upright'),
  rootChordMm: figure('chordMm', "at its foot, its trailing edge on the wing's, mm"),
  tipChordMm: figure('chordMm', 'at its end, mm'),
  sweepMm: figure('sweepMm', 'how far its outer leading edge lies behind its inner one, mm'),
  toeDeg: figure('twistDeg', 'turned about its own span, nose inward positive, °'),
  aerofoil: aerofoilRef,
  zone: id,
})

export type Winglet = z.infer<typeof Winglet>
