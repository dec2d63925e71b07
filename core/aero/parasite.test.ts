import { expect, it } from 'vitest'
import { chanceWithin, normalCdf } from '../mass'
import { naturalCubic, sectionOutline } from '../geometry'
import { bodyDragArea, bodyForm, ellipsePerimeter, plateFriction } from './parasite'
import { random } from '../testing/random'

it('plate friction: Blasius 0.0133 at Re 10⁴, Schlichting 0.00447 at 10⁶ and 0.00300 at 10⁷, never below the laminar value', () => {
  expect(plateFriction(1e6)).toBeCloseTo(0.00447, 5)
  expect(plateFriction(1e7)).toBeCloseTo(0.003, 4)
  for (const reynolds of [1e3, 1e4, 1e5, 1e6, 1e7])
    expect(plateFriction(reynolds)).toBeGreaterThanOrEqual(1.328 / Math.sqrt(reynolds) - 1e-12)
})
it('perimeters: a circle is 2πr, a flat one twice its width, axes 4 and 2 give 9.688448 (elliptic integral)', () => {
  expect(ellipsePerimeter(2, 2)).toBeCloseTo(2 * Math.PI, 12)
  expect(ellipsePerimeter(4, 2)).toBeCloseTo(9.688448, 5)
  expect(Math.abs(ellipsePerimeter(1, 0) - 2)).toBeLessThan(0.01)
})
it('form factor of a body of fineness 6 is 1.293 (60/216 + 6/400), and drag grows with its wetted area', () => {
  expect(bodyForm(6)).toBeCloseTo(1 + 60 / 216 + 6 / 400, 12)
  expect(bodyDragArea(0.45, 0.2, 0.08, 13, 1.5e-5) / bodyDragArea(0.45, 0.1, 0.08, 13, 1.5e-5)).toBeCloseTo(
    2,
    12,
  )
})
it('normal distribution: Φ(1) = 0.841345, Φ(1.96) = 0.975002, symmetric; a chance by sampling too', () => {
  expect(normalCdf(1)).toBeCloseTo(0.841345, 6)
  expect(normalCdf(1.96)).toBeCloseTo(0.975002, 6)
  expect(normalCdf(-0.7) + normalCdf(0.7)).toBeCloseTo(1, 9)
  const { normal } = random(4242)
  let inside = 0
  for (let i = 0; i < 20_000; i++) {
    const off = 2 * normal()
    if (231 + off >= 228 && 231 + off <= 236 && 233 + off >= 228 && 233 + off <= 236) inside++
  }
  expect(Math.abs(chanceWithin([231, 233], 2, 228, 236) - inside / 20_000)).toBeLessThan(0.01)
  // Two places further apart than the band is wide never fit together.
  expect(chanceWithin([220, 240], 3, 225, 235)).toBe(0)
})
it('natural splines pass through their points, run straight through a line, and follow a sine between', () => {
  const t = Array.from({ length: 21 }, (_, i) => (Math.PI * i) / 20)
  const wave = naturalCubic(t, t.map(Math.sin))
  t.forEach(at => expect(wave(at)).toBeCloseTo(Math.sin(at), 12))
  for (let i = 0; i < 200; i++)
    expect(Math.abs(wave((Math.PI * i) / 200) - Math.sin((Math.PI * i) / 200))).toBeLessThan(1e-5)
  const line = naturalCubic([0, 1, 4, 5], [1, 3, 9, 11])
  expect(line(2.7)).toBeCloseTo(1 + 2 * 2.7, 12)
})
it("outlines for flow are closed, run anticlockwise, and keep thickness; the designation's blunt edge is said apart", () => {
  for (const name of ['naca0012', 'naca4412', 'naca23012']) {
    const { x, y, gap } = sectionOutline(name, [], 120)
    expect([x[0], y[0]]).toEqual([x[120], y[120]])
    let area = 0
    for (let i = 0; i < 120; i++) area += (x[i] * y[i + 1] - x[i + 1] * y[i]) / 2
    // Area of the four-digit thickness form with a closed edge: 0.6851·t less the gap's wedge.
    expect(area).toBeGreaterThan(0)
    expect(Math.abs(area / (0.6851 * 0.12 - gap / 2) - 1)).toBeLessThan(0.01)
    expect(gap).toBeCloseTo(0.00252, 5)
  }
})
