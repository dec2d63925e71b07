/** Lifting surfaces with their panels, controls and tips; tails and sets of wings. */
import { z } from 'zod'
import { aerofoilRef } from './aerofoil'
import { cut } from './cuts'
import { Spar } from './spine'
import { figure, id, list, name, pieceNumber } from './fields'

export const Panel = z.strictObject({
  spanMm: figure('spanMm', 'span of this panel, mm'),
  tipChordMm: figure('chordMm', 'chord at its outer end, mm'),
  sweepMm: figure('sweepMm', 'how far its outer leading edge lies behind its inner one, mm'),
  dihedralDeg: figure('dihedralDeg', 'dihedral, °'),
  tipTwistDeg: figure(
    'twistDeg',
    'twist of the outer section against the root, ° (nose up positive; washout is negative)',
  ),
  tipAerofoil: aerofoilRef,
  zone: id,
})

export const Hinge = z.strictObject({
  kind: z
    .enum(['bought-strip', 'printed-strip', 'pins', 'tape'])
    .describe('strips and pins get slots in both faces; tape hinges along the top skin'),
  count: z.number().int().min(1).max(12),
  gapMm: z.number().min(0.1).max(5).describe('gap between wing and control surface, mm'),
})

export const Linkage = z.strictObject({
  servo: id.nullable().describe('the component that moves it'),
  armMm: z.number().min(2).max(60).describe("from the servo's axis to the rod, mm"),
  hornMm: z.number().min(2).max(80).describe('from the hinge line to the rod, mm'),
})

export const Control = z.strictObject({
  piece: pieceNumber.describe('number of its moving pieces; it stays with the control'),
  name,
  kind: z.enum(['aileron', 'elevator', 'rudder', 'elevon', 'ruddervator', 'flap']),
  fromShare: figure('share', 'inner end, share of the half span'),
  toShare: figure('share', 'outer end, share of the half span'),
  chordShare: figure('share', 'share of the chord behind the hinge; 1 is all-moving'),
  throwUpDeg: z.number().min(0).max(60),
  throwDownDeg: z.number().min(0).max(60),
  hinge: Hinge,
  linkage: Linkage.nullable().describe('rod from servo to horn; null where none is set'),
})

export const Tip = z.strictObject({
  kind: z
    .enum(['flat', 'rounded', 'faired'])
    .describe('rounded: the thickness runs out in a quarter ellipse; faired: the chord too'),
  lengthMm: z.number().min(1).max(300).describe('how far in from the end it begins, mm'),
})

export const Surface = z.strictObject({
  xMm: figure('positionMm', 'leading edge of the root, aft of the nose, mm'),
  yMm: z.number().min(0).max(1000).describe('distance of the root from the plane of symmetry, mm'),
  zMm: figure('positionMm', 'height of the root, mm'),
  incidenceDeg: figure('incidenceDeg', 'incidence of the root, °'),
  cantDeg: z
    .number()
    .min(-90)
    .max(90)
    .describe('angle of the span from the horizontal: 0 a wing, 90 a fin, between a V-tail'),
  mirror: z.boolean().describe('whether the port half is there too'),
  rootChordMm: figure('chordMm', 'root chord, mm'),
  rootAerofoil: aerofoilRef,
  twistAxisShare: figure('share', 'share of the chord about which sections are twisted'),
  panels: list(Panel, 12, 1),
  tip: Tip,
  controls: list(Control, 8),
})

export const Tail = z.strictObject({
  kind: z.enum(['conventional', 'T', 'V', 'all-moving', 'canard', 'none']),
  horizontal: Surface.nullable().describe('tailplane, V-tail, or the canard ahead of the wing'),
  vertical: Surface.nullable().describe('fin; two of them where mirror is set'),
  screws: z
    .number()
    .int()
    .min(0)
    .max(6)
    .describe('screws at the root of each surface, which comes off for the journey; 0 where it is glued on'),
  slots: z
    .boolean()
    .describe('those of flat sheet are pushed into slots of the body, and come out in a crash'),
})

export const WingSet = z.strictObject({
  id,
  name,
  wing: Surface,
  spars: list(Spar, 24),
  cuts: list(cut(0, 3000), 40),
})

export type Panel = z.infer<typeof Panel>

export type Control = z.infer<typeof Control>

export type Hinge = z.infer<typeof Hinge>

export type Linkage = z.infer<typeof Linkage>

export type WingSet = z.infer<typeof WingSet>

export type Tip = z.infer<typeof Tip>

export type Surface = z.infer<typeof Surface>

export type Tail = z.infer<typeof Tail>
