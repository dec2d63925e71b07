import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import { DocumentError, type ProjectFile } from '../document'
import { aircraft, surface } from '../testing/arbitraries'
import { testKernel } from '../testing/kernel'
import { buttCuts, plain } from '../testing/plain'
import { nacaHalfThickness, nacaMeanLine, shapeFigures, shapeOf, thicknessAt } from './aerofoil-shape'
import { bodyOutlineAt, loftBody } from './body-loft'
import { formatCoordinates, parseCoordinates } from './coordinate-file'
import { proposeAllCuts } from '../workshop/advice'
import { placedMesh } from './display-mesh'
import { monotoneCubic } from './monotone-cubic'
import { standingBox, fitsBed, usableCuts } from './pieces'
import { turnsHanded } from './piece'
import { circle, polygonArea } from './polygon'
import { proposeCuts } from './propose-cuts'
import { measureMesh } from './mesh'
import { bodyVolume, meshOf, pieceSolid } from './solid'
import { gapAt, loftSurface, outlineAt } from './surface-loft'
import { aerofoilOf } from '../document'
import { runs } from '../testing/runs'

describe('aerofoils', () => {
  it('four digits: ordinates of NACA TR 460, table for the 0012', () => {
    // Half thickness in % of chord at 1.25, 10, 30, 60 and 90 % of a 12 % section: 1.894, 4.683, 6.002,
    // 4.563, 1.448.
    for (const [x, y] of [
      [0.0125, 1.894],
      [0.1, 4.683],
      [0.3, 6.002],
      [0.6, 4.563],
      [0.9, 1.448],
    ])
      expect(100 * nacaHalfThickness(0.12, x)).toBeCloseTo(y, 2)
    const { camber, camberPlace, thickness } = shapeFigures(shapeOf('naca4412', []))
    expect(camber).toBeCloseTo(0.04, 3)
    expect(camberPlace).toBeCloseTo(0.4, 1)
    expect(thickness).toBeCloseTo(0.12, 2)
  })
  it('five digits: 230 mean line is highest at 15 % with 1.8 % camber (TR 537); mean lines are continuous and close at the tail', () => {
    const name = aerofoilOf('naca23012')!
    const heights = Array.from({ length: 1001 }, (_, i) => nacaMeanLine(name, i / 1000).y)
    const top = heights.indexOf(Math.max(...heights)) / 1000
    expect(top).toBeCloseTo(0.15, 2)
    expect(Math.max(...heights)).toBeCloseTo(0.01836, 3)
    for (const label of ['naca23012', 'naca23112', 'naca22112', 'naca24112']) {
      const n = aerofoilOf(label)!
      expect(Math.abs(nacaMeanLine(n, 1).y)).toBeLessThan(2e-4)
      const r = { 23012: 0.2025, 23112: 0.217, 22112: 0.13, 24112: 0.318 }[label.slice(4)]!
      expect(nacaMeanLine(n, r + 1e-9).y).toBeCloseTo(nacaMeanLine(n, r - 1e-9).y, 6)
      expect(nacaMeanLine(n, r + 1e-6).slope).toBeCloseTo(nacaMeanLine(n, r - 1e-6).slope, 3)
    }
  })
  it('refuses what is no designation', () => {
    for (const name of ['naca', 'naca12', 'naca2012', 'naca0412', 'naca1234567', 'naca23912', 'clark', ''])
      expect(aerofoilOf(name)).toBeNull()
  })
  const shape = shapeOf('naca2412', [])
  const around: Array<[number, number]> = [
    ...Array.from({ length: 30 }, (_, i): [number, number] => [shape.upperX[35 - i], shape.upperY[35 - i]]),
    ...Array.from({ length: 6 }, (_, i): [number, number] => [shape.upperX[5 - i], shape.upperY[5 - i]]),
    ...Array.from({ length: 35 }, (_, i): [number, number] => [shape.lowerX[i + 1], shape.lowerY[i + 1]]),
  ]
  it('coordinate files in both orders, with counts or a blank line, come to the same thickness', () => {
    const upper = around.slice(0, 36).reverse(),
      lower = [upper[0], ...around.slice(36)]
    const text = (points: ReadonlyArray<readonly [number, number]>) => points.map(p => p.join(' ')).join('\n')
    const files = [
      formatCoordinates('Round', around),
      `Two lists\n${text(upper)}\n\n${text(lower)}\n`,
      `Counted\n36. 36.\n\n${text(upper)}\n\n${text(lower)}`,
      `Bottom first\n${text([...around].reverse())}`,
    ]
    for (const file of files) {
      const own = [{ id: 'own', ...parseCoordinates(file) }]
      expect(thicknessAt(shapeOf('own', own), 0.3)).toBeCloseTo(0.12, 2)
      expect(shapeFigures(shapeOf('own', own)).camber).toBeCloseTo(0.02, 2)
    }
  })
  it('a broken coordinate file names its line; mutated ones never hang or crash otherwise', () => {
    expect(() => parseCoordinates('x\n1 0\n0.5 abc\n')).toThrow(/line 3/)
    expect(() => parseCoordinates('x\n1 0\n0 0\n')).toThrow(DocumentError)
    const good = formatCoordinates('Round', around)
    fc.assert(
      fc.property(fc.nat(good.length), fc.string({ maxLength: 12 }), fc.nat(40), (at, put, cut) => {
        try {
          expect(
            parseCoordinates(good.slice(0, at) + put + good.slice(at + cut)).points.length,
          ).toBeGreaterThan(6)
        } catch (fault) {
          expect(fault).toBeInstanceOf(DocumentError)
        }
      }),
      { numRuns: 2000 },
    )
  })
})

it('monotone cubic keeps the data, and never overshoots', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          fc.double({ min: 0.5, max: 20, noNaN: true }),
          fc.double({ min: -50, max: 50, noNaN: true }),
        ),
        { minLength: 2, maxLength: 8 },
      ),
      rows => {
        const xs = rows.map((_, i) => rows.slice(0, i + 1).reduce((sum, [d]) => sum + d, 0)),
          ys = rows.map(([, y]) => y)
        const curve = monotoneCubic(xs, ys)
        xs.forEach((x, i) => expect(curve(x)).toBeCloseTo(ys[i], 9))
        for (let i = 0; i + 1 < xs.length; i++) {
          for (const t of [0.2, 0.5, 0.8]) {
            const y = curve(xs[i] + t * (xs[i + 1] - xs[i]))
            expect(y).toBeGreaterThanOrEqual(Math.min(ys[i], ys[i + 1]) - 1e-9)
            expect(y).toBeLessThanOrEqual(Math.max(ys[i], ys[i + 1]) + 1e-9)
          }
        }
      },
    ),
  )
})

it('a polygon circle has the area of the circle; a superellipse body section of squareness 0 is an ellipse', () => {
  expect(polygonArea(circle(3, 4, 7, false)).area).toBeCloseTo(Math.PI * 49, 9)
  const station = { widthMm: 60, heightMm: 40, zMm: 5, squareness: 0, zone: 'a' }
  const loft = loftBody([
    { ...station, xMm: 0 },
    { ...station, xMm: 100 },
  ])
  expect(polygonArea(bodyOutlineAt(loft, 50)).area / (Math.PI * 30 * 20)).toBeCloseTo(1, 2)
})

describe('surface lofts', () => {
  it('opens the trailing edge to what is asked and keeps the thickness elsewhere', () => {
    const wing = DEMOS[0].wing
    const loft = loftSurface('wing', 'Wing', { ...wing, incidenceDeg: 0 }, [], 0.9)
    const outline = outlineAt(loft, 0)
    const gap = gapAt(outline, wing.xMm + 194.9)!
    expect(gap.upper - gap.lower).toBeCloseTo(0.9, 1)
    const thick = gapAt(outline, wing.xMm + 0.3 * 195)!
    expect(Math.abs((thick.upper - thick.lower) / (0.12 * 195) - 1)).toBeLessThan(0.01)
  })
  it('outlines run counter-clockwise with positive area everywhere', () => {
    fc.assert(
      fc.property(surface('a'), fc.double({ min: 0, max: 1, noNaN: true }), (s, t) => {
        const loft = loftSurface('wing', 'Wing', s, [], 0.9)
        expect(polygonArea(outlineAt(loft, t * loft.span)).area).toBeGreaterThan(0)
      }),
    )
  })
})

describe('cuts', () => {
  it('are the fewest that fit, even, and keep the fixed ones', () => {
    expect(proposeCuts(0, 600, 245).cuts).toEqual([200, 400])
    expect(proposeCuts(0, 600, 245, [270]).cuts).toEqual([135, 270, 435])
    expect(proposeCuts(0, 200, 245).cuts).toEqual([])
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 2000, noNaN: true }),
        fc.double({ min: 60, max: 400, noNaN: true }),
        (span, height) => {
          const edges = [0, ...proposeCuts(0, span, height).cuts, span]
          const lengths = edges.slice(1).map((b, i) => b - edges[i])
          expect(Math.max(...lengths)).toBeLessThanOrEqual(height + 0.11)
          // One fewer would not fit.
          if (lengths.length > 1) expect(span / (lengths.length - 1)).toBeGreaterThan(height - 0.11)
        },
      ),
    )
  })
  it('leaves out cuts at the ends or on top of each other', () => {
    expect(usableCuts(buttCuts(2, 100, 103, 598, 300), 0, 600).map(cut => cut.atMm)).toEqual([100, 300])
  })
  it('a long thin piece fits a bed diagonally only if it does', () => {
    expect(fitsBed({ width: 200, depth: 200, height: 100 }, [180, 250, 300])).toBe(false)
    expect(fitsBed({ width: 170, depth: 240, height: 100 }, [250, 180, 300])).toBe(true)
    expect(fitsBed({ width: 100, depth: 100, height: 301 }, [250, 180, 300])).toBe(false)
  })
})

describe('solids', () => {
  const checkPieces = async (
    doc: ProjectFile,
    { solidBody = false, onePart = true, withBody = true } = {},
  ) => {
    const kernel = await testKernel()
    const assessor = sharedAssessor()
    const { pieces: all, body } = assessor.airframe(doc)
    const pieces = all.filter(piece => withBody || piece.part !== 'body')
    const reports = assessor.assess(doc).pieces
    const volumes = new Map<string, number>()
    for (const piece of pieces) {
      const solid = pieceSolid(kernel, piece)
      expect(solid.status()).toBe('NoError')
      // One part of plastic: a bore that broke out would cut it in two. A bore closed at both ends is a void,
      // of negative volume.
      // In nobody's aircraft a hatch or a seat may well cut a body in two: a finding, and still closed.
      const parts = solid.decompose()
      if (onePart) expect(parts.filter(part => part.volume() > 0).length, piece.name).toBe(1)
      parts.forEach(part => part.delete())
      const bounds = solid.boundingBox()
      expect(bounds.min[2]).toBeCloseTo(0, 3)
      expect(bounds.max[2]).toBeCloseTo(piece.to + piece.proud - piece.from, 3)
      volumes.set(piece.id, solid.volume())
      if (piece.part === 'body' && solidBody)
        expect(solid.volume() / bodyVolume(body!, piece.from, piece.to)).toBeCloseTo(1, 2)
      // Every edge of the mesh is used once each way: closed.
      const measured = measureMesh(meshOf(solid))
      expect(measured.watertight, piece.name).toBe(true)
      // It stands inside the bed that it is given to, turned as the report says.
      const report = reports.find(item => item.id === piece.id)!
      if (report.printer) {
        const bed = doc.printers.find(item => item.id === report.printer)!.bedMm
        const turn = (report.turnDeg * Math.PI) / 180,
          mesh = meshOf(solid)
        const extent = (p: number, q: number) => {
          let low = Infinity,
            high = -Infinity
          for (let i = 0; i < mesh.positions.length; i += 3) {
            const v = mesh.positions[i] * p + (turnsHanded(piece) ? -1 : 1) * mesh.positions[i + 1] * q
            low = Math.min(low, v)
            high = Math.max(high, v)
          }
          return high - low
        }
        const [w, d] = [extent(Math.cos(turn), -Math.sin(turn)), extent(Math.sin(turn), Math.cos(turn))]
        expect(Math.max(w, d), piece.name).toBeLessThan(Math.max(bed[0], bed[1]) + 0.01)
        expect(Math.min(w, d), piece.name).toBeLessThan(Math.min(bed[0], bed[1]) + 0.01)
        expect(measured.max[2] - measured.min[2], piece.name).toBeLessThan(bed[2] + 0.01)
      }
      solid.delete()
    }
    for (const [id, volume] of volumes)
      if (id.endsWith('-port'))
        expect(volume / volumes.get(id.replace('-port', '-starboard'))!).toBeCloseTo(1, 6)
    return volumes
  }
  it('every demo piece is one closed manifold on its foot, port mirrors starboard', async () => {
    for (const demo of DEMOS.slice(runs(0, 1))) await checkPieces(demo)
    const bare = plain(DEMOS[0])
    await checkPieces(
      {
        ...bare,
        boom: null,
        zones: bare.zones.map(zone => ({ ...zone, recipe: { ...zone.recipe, school: 'solid' as const } })),
      },
      { solidBody: true },
    )
  })
  it('volume of a straight untapered piece is section times length, bores taken out', async () => {
    const base = plain(DEMOS[0])
    const wing = {
      ...base.wing,
      incidenceDeg: 0,
      panels: [{ ...base.wing.panels[0], spanMm: 100, dihedralDeg: 0 }],
    }
    const tube = base.spars[0]
    const doc = {
      ...base,
      wing,
      cuts: { ...base.cuts, wing: [] },
      // Slits of webs would be bores of another kind.
      zones: base.zones.map(zone => ({ ...zone, recipe: { ...zone.recipe, lattice: null } })),
      spars: [{ ...tube, toMm: 100, tipShare: tube.rootShare }],
    }
    const volumes = await checkPieces(doc)
    const section = polygonArea(outlineAt(sharedAssessor().airframe(doc).wing, 0)).area
    // Tube of 8 mm with 0.15 mm round it; its polygon has the circle's area.
    expect(volumes.get('wing-1-starboard')! / (100 * (section - Math.PI * 4.15 ** 2))).toBeCloseTo(1, 4)
  })
  it('random aircraft, cut as proposed, give closed manifolds inside their beds, port mirroring starboard', async () => {
    let run = 0
    await fc.assert(
      fc.asyncProperty(aircraft, async doc => {
        const cut = { ...doc, cuts: proposeAllCuts(sharedAssessor().airframe(doc)) }
        // Bodies take most of the time and vary least.
        await checkPieces(cut, { onePart: false, withBody: run++ % 10 === 0 })
      }),
      { numRuns: runs(200, 1), endOnFailure: true },
    )
  })
  it('the picture in space faces outwards on both sides and lies on its own side', async () => {
    const kernel = await testKernel()
    for (const piece of sharedAssessor().airframe(DEMOS[0]).pieces) {
      const solid = pieceSolid(kernel, piece)
      const { positions, triangles } = placedMesh(piece, meshOf(solid))
      solid.delete()
      expect(measureMesh({ positions, triangles }).volume, piece.name).toBeGreaterThan(0)
      const sides = positions.filter((_, i) => i % 3 === 1)
      if (piece.side === 'starboard') expect(Math.min(...sides), piece.name).toBeGreaterThan(-1e-3)
      if (piece.side === 'port') expect(Math.max(...sides), piece.name).toBeLessThan(1e-3)
    }
  })
  it('what comes off the bed is the part on its own side: a turn and a shift bring it to its place, never a mirror', async () => {
    const kernel = await testKernel()
    for (const piece of sharedAssessor().airframe(DEMOS[0]).pieces) {
      const solid = pieceSolid(kernel, piece)
      const printed = meshOf(solid),
        placed = placedMesh(piece, printed)
      solid.delete()
      // Handedness of four corners before and after: the sign of their volume.
      const corner = (mesh: typeof printed, i: number) => mesh.positions.subarray(3 * i, 3 * i + 3)
      const spread = [0, 1, 2, 3].map(k => Math.floor((k * (printed.positions.length / 3 - 1)) / 3))
      const handed = (mesh: typeof printed) => {
        const [o, a, b, c] = spread
          .map(i => corner(mesh, i))
          .map((p, _, all) => p.map((v, k) => v - all[0][k]))
        void o
        return (
          a[0] * (b[1] * c[2] - b[2] * c[1]) -
          a[1] * (b[0] * c[2] - b[2] * c[0]) +
          a[2] * (b[0] * c[1] - b[1] * c[0])
        )
      }
      const before = handed(printed),
        after = handed(placed)
      if (Math.abs(before) > 1) expect(after / before, piece.name).toBeCloseTo(1, 3)
    }
  })
  it('standing boxes turn to the least square', () => {
    const piece = sharedAssessor().airframe(DEMOS[0]).pieces[0]
    const box = standingBox(piece)
    expect(Math.max(box.width, box.depth)).toBeLessThan(195)
    expect(box.height).toBe(135)
  })
})
