/** A landing gear of a bent wire with a wheel to either side, for aircraft in tests. */
import type { ProjectFile } from '../document'

export const WIRE_LEG: ProjectFile['gear'][number] = {
  id: 'main',
  name: 'Main leg',
  kind: 'wire',
  xMm: 190,
  yMm: 20,
  zMm: -40,
  dropMm: 80,
  splayMm: 60,
  thicknessMm: 3,
  widthMm: 8,
  zone: 'body',
  springNmm: 5,
  travelMm: 10,
  coil: null,
  wheelMm: 50,
  tyreMm: 8,
  wheelG: 9,
  printedWheel: null,
  pair: true,
  mount: { lengthMm: 30, widthMm: 20, depthMm: 4 },
}
