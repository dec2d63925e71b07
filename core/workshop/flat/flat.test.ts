/** Flat parts: outlines of the real sections, on sheets without overlap, in files that are read back to size. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { polygonArea } from '../../geometry'
import { USUAL_RIBS } from '../../libraries'
import { changed } from '../../testing/changed'
import { runs } from '../../testing/runs'
import { ribbed } from '../../testing/ribbed'
import { twin } from '../../testing/twin'
import { flatParts, flatSheets, placedLoops, sheetDxf, sheetSvg, type FlatPart } from '.'

const [thistledown] = DEMOS
const assessor = sharedAssessor()
const partsOf = (doc = thistledown) => flatParts(assessor.airframe(doc), assessor.assess(doc))
const areaOf = ({ loops }: Pick<FlatPart, 'loops'>) =>
  loops.reduce((sum, loop) => sum + polygonArea(loop).area, 0)

describe('flat parts', () => {
  it('a section is as long as its chord there, as many as there are sides, with a hole for each spar', () => {
    const root = partsOf().find(part => part.id === 'section-wing-0.0')!
    // A chord that is turned by its incidence covers a little less.
    const { rootChordMm, incidenceDeg } = thistledown.wing
    const turned = rootChordMm * Math.cos((incidenceDeg * Math.PI) / 180)
    expect(root.widthMm).toBeGreaterThan(turned)
    expect(root.widthMm).toBeLessThan(turned + 2)
    expect(root.count).toBe(2)
    const holes = root.loops.filter(loop => polygonArea(loop).area < 0)
    const through = assessor.airframe(thistledown).spars.wing!.filter(line => line.from <= 0)
    expect(holes).toHaveLength(through.length)
    // The bore's own circle: stock and clearance on both sides.
    const [line] = through
    const bore = line.stock.heightMm + 2 * line.spar.clearanceMm
    const found = holes.map(loop => 2 * Math.sqrt(-polygonArea(loop).area / Math.PI))
    expect(found.some(size => Math.abs(size - bore) < 0.05 * bore)).toBe(true)
  })
  it('of a wing of ribs are its ribs, as many as are printed, with all that is cut out of them', () => {
    const doc = ribbed()
    const ribs = partsOf(doc).filter(part => part.id.startsWith('rib-'))
    const printed = assessor
      .airframe(doc)
      .pieces.filter(piece => piece.ribOf !== null && piece.side === 'starboard')
    expect(ribs.map(part => part.id)).toEqual(printed.map(piece => `rib-${piece.id}`))
    ribs.forEach((part, i) => {
      const loops = printed[i].sectionAt((printed[i].from + printed[i].to) / 2)
      expect(areaOf(part)).toBeCloseTo(areaOf({ loops }), 6)
      expect(part).toMatchObject({ count: 2, thicknessMm: USUAL_RIBS.thicknessMm })
    })
    // The tailplane is no frame: sections as before.
    expect(partsOf(doc).some(part => part.id.startsWith('section-horizontal'))).toBe(true)
    expect(partsOf(doc).some(part => part.id.startsWith('section-wing'))).toBe(false)
  })
  it('stands at root, cuts, panel ends and tip, once each', () => {
    const ids = partsOf().map(part => part.id)
    for (const at of [0, ...thistledown.cuts.wing.map(cut => cut.atMm), thistledown.wing.panels[0].spanMm])
      expect(ids.filter(id => id === `section-wing-${at.toFixed(1)}`)).toHaveLength(1)
    expect(new Set(ids).size).toBe(ids.length)
  })
  it('a plate behind the motor lies inside the shell, and has the firewall’s holes', () => {
    const plate = partsOf().find(part => part.id === 'plate-body')!
    const wall = thistledown.body!.firewall!
    const loft = assessor.airframe(thistledown).body!
    const outer = loft.at(loft.from + wall.thicknessMm)
    expect(plate.widthMm).toBeLessThan(outer.width - 1)
    expect(plate.widthMm).toBeGreaterThan(0.8 * outer.width)
    expect(plate.loops).toHaveLength(1 + wall.bolts + (wall.shaftMm > 0 ? 1 : 0))
    expect(partsOf(twin()).find(part => part.id === 'plate-pod-1')!.count).toBe(2)
  })
  it('tongues are as wide as the sockets that are printed for them', () => {
    const doc = changed(thistledown, draft => {
      for (const cut of draft.cuts.wing) cut.joint = { kind: 'tongue', toleranceMm: 0.2 }
    })
    const made = partsOf(doc).filter(part => part.id.startsWith('tongue-'))
    const sockets = assessor
      .airframe(doc)
      .pieces.filter(piece => piece.joints.head?.kind === 'tongue' && piece.hardwareG > 0)
    expect(made.reduce((sum, part) => sum + part.count, 0)).toBe(sockets.length)
    // The socket is the tongue and its play.
    const cutOut = sockets[0].features.find(feature => feature.name.toLowerCase().includes('tongue'))!
    const xs = Array.from(cutOut.a).filter((_, i) => i % 2 === 0)
    const wide = Math.max(...xs) - Math.min(...xs) - 0.4
    expect(made.some(part => Math.abs(part.widthMm - wide) < 0.01)).toBe(true)
  })
})

const box = (id: number, widthMm: number, heightMm: number, count: number): FlatPart => ({
  id: `${id}`,
  mark: `B${id}`,
  name: 'Box & <co>',
  count,
  thicknessMm: null,
  loops: [Float64Array.of(0, 0, widthMm, 0, widthMm, heightMm, 0, heightMm)],
  widthMm,
  heightMm,
  note: '',
})

describe('on sheets', () => {
  it('every copy lies once, inside its sheet, clear of all others, or is named as too large', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 2, max: 400 }), fc.integer({ min: 2, max: 400 }), fc.nat(3)), {
          maxLength: 12,
        }),
        list => {
          const parts = list.map(([w, h, more], i) => box(i, w, h, 1 + more))
          const { sheets, tooLarge } = flatSheets(parts, [300, 200])
          const copies = parts
            .filter(part => !tooLarge.includes(part))
            .reduce((sum, part) => sum + part.count, 0)
          expect(sheets.flat()).toHaveLength(copies)
          for (const sheet of sheets) {
            const boxes = sheet.map(placed => {
              const [loop] = placedLoops(placed)
              const xs = loop.filter((_, i) => i % 2 === 0),
                ys = loop.filter((_, i) => i % 2 === 1)
              return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)]
            })
            for (const [x0, y0, x1, y1] of boxes) {
              expect(x0).toBeGreaterThanOrEqual(0)
              expect(y0).toBeGreaterThanOrEqual(0)
              expect(x1).toBeLessThanOrEqual(300)
              expect(y1).toBeLessThanOrEqual(200)
            }
            boxes.forEach((a, i) =>
              boxes.slice(i + 1).forEach(b => {
                const apart = a[2] < b[0] || b[2] < a[0] || a[3] < b[1] || b[3] < a[1]
                expect(apart).toBe(true)
              }),
            )
          }
          for (const part of tooLarge) expect(Math.max(part.widthMm, part.heightMm)).toBeGreaterThan(194)
        },
      ),
      { numRuns: runs(1000, 60) },
    )
  })
  it('a turned part is the same part: its area and its sense stay', () => {
    const [part] = partsOf()
    const turned = placedLoops({ part, xMm: 30, yMm: 20, turned: true })
    expect(areaOf({ loops: turned })).toBeCloseTo(areaOf(part), 6)
    expect(Math.min(...turned[0].filter((_, i) => i % 2 === 0))).toBeCloseTo(30, 9)
  })
})

describe('as files', () => {
  const { sheets } = flatSheets(partsOf(), [600, 300])
  const wanted = sheets[0].reduce((sum, { part }) => sum + areaOf(part), 0)
  const shoelace = (points: ReadonlyArray<readonly [number, number]>) =>
    points.reduce((sum, [x, y], i) => {
      const [u, v] = points[(i + 1) % points.length]
      return sum + (x * v - u * y) / 2
    }, 0)

  it('SVG is in millimetres, one path a part, closed, of the same area', () => {
    const svg = sheetSvg(sheets[0], [600, 300])
    expect(svg).toContain('width="600mm" height="300mm" viewBox="0 0 600 300"')
    const paths = [...svg.matchAll(/<path d="([^"]+)"/g)].map(match => match[1])
    expect(paths).toHaveLength(sheets[0].length)
    const area = paths
      .flatMap(path => path.split('Z').filter(Boolean))
      .map(loop =>
        shoelace(
          loop
            .slice(1)
            .split('L')
            .map(pair => pair.split(' ').map(Number) as [number, number]),
        ),
      )
      .reduce((sum, value) => sum - value, 0)
    expect(area / wanted).toBeCloseTo(1, 4)
    expect(sheetSvg([{ part: box(1, 5, 5, 1), xMm: 0, yMm: 0, turned: false }], [9, 9])).not.toMatch(/<co>/)
  })
  it('DXF says millimetres, and its closed polylines on the layer CUT enclose the same', async () => {
    const lines = (await sheetDxf(sheets[0])).split(/\r?\n/)
    const unit = lines.findIndex(line => line === '$INSUNITS')
    expect(lines[unit + 2].trim()).toBe('4')
    const pairs = Array.from(
      { length: Math.floor(lines.length / 2) },
      (_, i) => [Number(lines[2 * i]), lines[2 * i + 1]] as const,
    )
    let area = 0,
      count = 0
    pairs.forEach(([code, value], i) => {
      if (code !== 0 || value !== 'LWPOLYLINE') return
      const end = pairs.findIndex(([next], k) => k > i && next === 0)
      const own = pairs.slice(i + 1, end)
      expect(own.find(([key]) => key === 8)![1]).toBe('CUT')
      expect(own.find(([key]) => key === 70)![1].trim()).toBe('1')
      const xs = own.filter(([key]) => key === 10).map(([, x]) => Number(x)),
        ys = own.filter(([key]) => key === 20).map(([, y]) => Number(y))
      area += shoelace(xs.map((x, k) => [x, ys[k]]))
      count++
    })
    expect(count).toBe(sheets[0].reduce((sum, { part }) => sum + part.loops.length, 0))
    expect(area / wanted).toBeCloseTo(1, 4)
  })
})
