import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { DocumentError, type ProjectFile, type Recipe } from '../../document'
import { meshOf, pieceSolid } from '../../geometry'
import {
  lyingMesh,
  lyingPrint,
  printPiece,
  replayGcode,
  sliceModel,
  type DifferenceCode,
} from '../../printing'
import { assessor, fileOf, noSolid, SHORT, written } from '../../testing/machine-files'
import { testKernel } from '../../testing/kernel'
import { DEEP, runs } from '../../testing/runs'
import { written as inWords } from '../../units'
import { checkFile, printedAsFound } from './check-file'
import { platePart, stand } from './stand'

const thistledown = DEEP ? DEMOS[0] : SHORT
const made = (...[id, change, more]: Parameters<typeof fileOf>) =>
  fileOf(id, change, { doc: thistledown, ...more })
const airframe = assessor.airframe(thistledown)
const now = assessor.assess(thistledown)
const bare = { startText: 'G28', endText: 'M84', plateOverheadMin: 0 }
/** One piece of each kind of recipe: a spiral with webs, one bead with infill, a shell, solid parts of a nose. */
const KINDS = ['wing-3-starboard', 'horizontal-1-port', 'body-2', 'lid-hopper-gate']

describe('a machine file that is written', () => {
  it('weighs and takes what slicing its solid says: mass within 0.2 %, time within 2 %', async () => {
    for (const id of KINDS.slice(0, runs(3, 1))) {
      const { piece, printer, texts, figures } = made(id, {}, { printer: bare })
      const filament = airframe.filamentOf(piece.zone)
      const replay = replayGcode(texts.join(''), printer, printer.filamentMm)
      const solid = pieceSolid(await testKernel(), piece)
      const full = sliceModel(meshOf(solid), piece.zone.recipe, filament, printer)
      solid.delete()
      expect(replay.extrudedMm3 / full.filamentMm3, `${id}: mass`).toBeGreaterThan(0.998)
      expect(replay.extrudedMm3 / full.filamentMm3, `${id}: mass`).toBeLessThan(1.002)
      expect(Math.abs(replay.seconds / full.seconds - 1), `${id}: time`).toBeLessThan(0.02)
      // What the writer says of its own file is what the replay finds in it.
      expect(figures.filamentMm).toBeCloseTo(replay.filamentMm, 3)
      // And beside the live estimate, which looks at a few sections only.
      const report = now.pieces.find(item => item.id === id)!
      expect(Math.abs((1000 * figures.mass) / report.filamentG - 1), `${id}: live mass`).toBeLessThan(0.01)
      expect(Math.abs(replay.seconds / 3600 / report.machineHours - 1), `${id}: live time`).toBeLessThan(0.03)
    }
  })
  it('a spiral rises without one way that lays nothing, begins from nothing and ends in nothing', () => {
    const { texts } = made('wing-1-port', {}, { printer: bare })
    const body = texts.slice(1, -1).join('')
    expect(body.match(/^G0/gm)).toHaveLength(1)
    const second = texts[2].match(/Z[\d.]+/g)!.map(word => Number(word.slice(1)))
    expect(Math.min(...second)).toBeGreaterThan(0.25)
    expect(Math.max(...second)).toBeCloseTo(0.5, 4)
    for (let i = 1; i < second.length; i++) expect(second[i]).toBeGreaterThanOrEqual(second[i - 1])
    // Plastic of the first rising loop grows with it; together with the closing loop it is one loop's.
    const plastic = (text: string) =>
      [...text.matchAll(/ E([\d.]+)/g)].reduce((sum, match) => sum + Number(match[1]), 0)
    const closing = texts[texts.length - 2]
    expect(closing).toContain('closing loop')
    expect(plastic(texts[2]) / plastic(texts[3])).toBeCloseTo(0.5, 1)
    expect(plastic(closing) / plastic(texts[texts.length - 3])).toBeCloseTo(0.5, 1)
  })
  it('a piece that lies on its side is cut from its solid: as heavy as its slices, root to tip along the bed', async () => {
    const kernel = await testKernel()
    const flat: ProjectFile = {
      ...DEMOS[0],
      zones: DEMOS[0].zones.map(zone => ({
        ...zone,
        recipe: {
          ...zone.recipe,
          ...{ stance: 'flat', school: 'beads', spiral: false, lattice: null, infillShare: 0.05 },
          ...{ walls: 2, baseLayers: 2, topLayers: 2, brimMm: 0 },
        },
      })),
    }
    const lying = assessor.airframe(flat)
    for (const id of ['wing-4-starboard', 'wing-4-port']) {
      const piece = lying.pieces.find(item => item.id === id)!
      const filament = lying.filamentOf(piece.zone),
        printer = { ...flat.printers[0], ...bare, bedMm: [400, 400, 200] as [number, number, number] }
      const part = platePart(piece, { xMm: 30, yMm: 40, turnDeg: 0 }, item => lyingMesh(kernel, item))
      const { texts, figures } = written([part], printer, filament)
      const full = sliceModel(lyingMesh(kernel, piece), piece.zone.recipe, filament, printer)
      expect(figures.mass / full.mass, id).toBeGreaterThan(0.998)
      expect(figures.mass / full.mass, id).toBeLessThan(1.002)
      // The station reckons it from the standing print, and rather too long than too short.
      const reckoned = lyingPrint(piece, filament, printPiece(piece, filament))
      expect((reckoned.filamentMm3 * 1e-9 * filament.density) / figures.mass).toBeGreaterThan(0.96)
      expect((reckoned.filamentMm3 * 1e-9 * filament.density) / figures.mass).toBeLessThan(1.04)
      const { seconds } = replayGcode(texts.join(''), printer, printer.filamentMm)
      expect(reckoned.seconds(printer) / seconds).toBeGreaterThan(0.95)
      expect(reckoned.seconds(printer) / seconds).toBeLessThan(1.45)
      const { widthMm, depthMm } = stand(piece, { xMm: 30, yMm: 40, turnDeg: 0 })
      expect(widthMm).toBeCloseTo(piece.to - piece.from, 6)
      expect(part.heightMm).toBeLessThan(0.2 * depthMm)
      const laid = [...texts.join('').matchAll(/^G1 X([\d.]+) Y([\d.]+) E([\d.]+)/gm)].map(m =>
        m.slice(1).map(Number),
      )
      const sum = (moves: number[][]) => moves.reduce((all, [, , e]) => all + e, 0)
      const off = laid.filter(
        ([x, y]) =>
          Math.abs(x - 30 - widthMm / 2) > widthMm / 2 || Math.abs(y - 40 - depthMm / 2) > depthMm / 2,
      )
      // Where skin and end meet at a few degrees a wall may overshoot the corner by a jog.
      expect(sum(off) / sum(laid)).toBeLessThan(1e-3)
      const [low, high] = [Math.min(...laid.map(([x]) => x)), Math.max(...laid.map(([x]) => x))]
      expect(high - low).toBeGreaterThan(widthMm - 1)
      expect(high - low).toBeLessThan(widthMm + 1)
    }
  })
  it('never leaves the bed or goes under it, wherever pieces stand; what would is refused with the place', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...KINDS),
        fc.integer({ min: -10, max: 120 }),
        fc.integer({ min: -10, max: 120 }),
        fc.integer({ min: 0, max: 359 }),
        (id, xMm, yMm, turnDeg) => {
          const piece = airframe.pieces.find(item => item.id === id)!
          const printer = { ...thistledown.printers[0], bedMm: [180, 180, 250] as [number, number, number] }
          const filament = airframe.filamentOf(piece.zone)
          let texts: string[]
          try {
            texts = written([platePart(piece, { xMm, yMm, turnDeg }, noSolid)], printer, filament).texts
          } catch (fault) {
            expect(fault).toBeInstanceOf(DocumentError)
            expect((fault as Error).message).toContain('the bed of Tall one is 180 × 180 mm')
            return
          }
          replayGcode(texts.slice(1, -1).join(''), printer, printer.filamentMm, {
            moved: (x, y, z) => {
              expect(x).toBeGreaterThanOrEqual(0)
              expect(x).toBeLessThanOrEqual(180)
              expect(y).toBeGreaterThanOrEqual(0)
              expect(y).toBeLessThanOrEqual(180)
              expect(z).toBeGreaterThanOrEqual(0)
            },
          })
        },
      ),
      { numRuns: runs(200, 1) },
    )
  })
  it('is refused, with nothing written, where it cannot be printed so', () => {
    const refused = (id: string, change: Partial<Recipe>, printer = {}) => {
      try {
        made(id, change, { printer })
      } catch (fault) {
        return (fault as Error).message
      }
      return 'written'
    }
    expect(refused('wing-1-port', {}, { nozzleMaxC: 240 })).toMatch(/good for 240 °C/)
    expect(refused('wing-1-port', { nozzleC: 262 })).toMatch(/printed at 195 to 260 °C/)
    expect(refused('wing-1-port', { lattice: null })).toMatch(/loops at .* mm, and a spiral lays one/)
    expect(refused('body-2', { beadWidthMm: 1.5, layerHeightMm: 0.8, flow: 1.5 }, { flowMm3S: 1 })).toMatch(
      /too slow. Lay a thinner bead/,
    )
    expect(refused('body-2', {}, { startText: 'M104 S{nozle}' })).toMatch(
      /start text: \{nozle\} is not known; there are \{nozzle\}/,
    )
    expect(refused('body-2', {}, { bedMm: [220, 220, 40] })).toMatch(/(66|184)\.0 mm tall; .* prints 40 mm/)
  })
  it("fills the maker's own words in, and lets no name begin a line of its own", () => {
    const { texts } = made(
      'body-2',
      {},
      { printer: { startText: 'M109 S{nozzle} ; {pieces}\nM190 S{bed}', endText: 'M84' } },
    )
    expect(texts[0]).toMatch(/^M109 S245 ; B2\nM190 S50\n/)
  })
})

/** What is wrong, and everything that may be said of it: a fault that is named must not make others up. */
const FAULTS: ReadonlyArray<
  [name: string, id: string, change: Partial<Recipe>, caught: DifferenceCode, also: DifferenceCode[]]
> = [
  ['flow left as for solid filament', 'wing-3-starboard', { flow: 1 }, 'flow', ['mass']],
  ['starved', 'wing-3-starboard', { flow: 0.4 }, 'flow', ['mass']],
  ['webs missing', 'wing-3-starboard', { lattice: null, spiral: false }, 'webs', ['spiral', 'mass']],
  ['not a spiral', 'wing-3-starboard', { spiral: false }, 'spiral', []],
  ['two beads', 'wing-4-port', { walls: 2, spiral: false }, 'walls', ['infill', 'spiral', 'mass']],
  [
    'infill left in',
    'wing-3-starboard',
    { lattice: null, spiral: false, infillShare: 0.1 },
    'infill',
    ['webs', 'spiral', 'mass'],
  ],
  ['infill four times as dense', 'horizontal-1-port', { infillShare: 0.12 }, 'infill', ['mass']],
  ['no base layers', 'horizontal-1-port', { baseLayers: 0 }, 'base', ['mass']],
  ['five base layers', 'horizontal-1-port', { baseLayers: 5 }, 'base', ['mass']],
  ['no top layers', 'vertical-1', { topLayers: 0 }, 'top', []],
  ['four top layers', 'vertical-1', { topLayers: 4 }, 'top', ['mass']],
  ['coarser layers', 'horizontal-1-port', { layerHeightMm: 0.3 }, 'layer-height', []],
  ['a wider bead', 'body-2', { beadWidthMm: 0.6 }, 'bead-width', ['flow', 'mass']],
  ['no brim', 'horizontal-1-port', { brimMm: 0 }, 'brim', ['mass']],
  ['a colder nozzle', 'wing-3-starboard', { nozzleC: 225 }, 'nozzle', []],
]

describe('any machine file, held against its piece by its moves alone', () => {
  const check = (texts: readonly string[], piece: string | null = null) =>
    // Comments say nothing: they are taken out.
    checkFile(() => texts.map(text => text.replace(/^;.*$/gm, '')), airframe, now, piece)

  it('the right file passes, whatever its turn, and is known by its shape, side and all', async () => {
    const ids = [...KINDS, 'wing-2-port', 'wing-moving-1-1-port', 'body-1']
    for (const id of ids.filter((_, i) => i % runs(1, 8) === 0)) {
      const { texts } = made(id, {}, { turnDeg: 77 })
      const { pieces, strangers } = await check(texts)
      expect(strangers, id).toBe(0)
      // Port and starboard of a symmetrical section are the same solid.
      expect(pieces[0].piece.replace(/-(port|starboard)$/, ''), id).toBe(id.replace(/-(port|starboard)$/, ''))
      if (id.startsWith('wing')) expect(pieces[0].piece).toBe(id)
      expect(
        pieces[0].differs,
        `${id}: ${pieces[0].rows
          .filter(row => row.does)
          .map(row => `${row.what} ${inWords(row.wanted)} ${inWords(row.found)}`)
          .join('; ')}`,
      ).toEqual([])
      expect(Math.abs(pieces[0].foundG / pieces[0].wantedG - 1)).toBeLessThan(0.04)
    }
  })
  for (const [name, id, change, caught, also] of FAULTS.filter((_, i) => i % runs(1, 3) === 0))
    it(`${name} is caught and named, and nothing is made up`, async () => {
      const { texts } = made(id, change)
      const { pieces } = await check(texts, id)
      expect(pieces[0].differs).toContain(caught)
      expect([caught, ...also]).toEqual(expect.arrayContaining(pieces[0].differs))
      const row = pieces[0].rows.find(item => item.code === caught)!
      expect(inWords(row.does!).length).toBeGreaterThan(10)
    })
  it('filament that is pulled back otherwise than the printer is used to is caught', async () => {
    const { texts } = made('body-2', {}, { printer: { retractMm: 4 } })
    expect((await check(texts, 'body-2')).pieces[0].differs).toEqual(['pull'])
  })
  it('the twin of the other side is caught', async () => {
    expect((await check(made('wing-4-port').texts, 'wing-4-starboard')).pieces[0].differs).toContain('side')
  })
  it.runIf(DEEP)('another piece, and one printed too small, are caught', async () => {
    expect((await check(made('body-3').texts, 'wing-4-starboard')).pieces[0].differs).toContain('piece')
    const small = made('wing-4-starboard').texts.map(text =>
      text.replace(/([XYZ])([\d.]+)/g, (_, axis, value) => `${axis}${(0.97 * Number(value)).toFixed(4)}`),
    )
    expect((await check(small, 'wing-4-starboard')).pieces[0].differs).toContain('size')
  })
  it.runIf(DEEP)('two pieces that ooze on one plate are told apart and named', async () => {
    const one = made('horizontal-moving-1-port', {}, { turnDeg: 0 })
    const parts = ['horizontal-moving-1-port', 'horizontal-moving-1-starboard'].map((id, i) =>
      platePart(
        airframe.pieces.find(item => item.id === id)!,
        { xMm: 20, yMm: 20 + 60 * i, turnDeg: 0 },
        noSolid,
      ),
    )
    const { texts } = written(parts, one.printer, airframe.filamentOf(one.piece.zone))
    const { pieces } = await check(texts)
    expect(pieces).toHaveLength(2)
    for (const piece of pieces) expect(piece.differs).toContain('company')
  })
  it('what was found can be asked for: an aircraft without its webs bears less', async () => {
    const { texts, piece } = made('wing-3-starboard', { lattice: null, spiral: false })
    const { pieces } = await check(texts, 'wing-3-starboard')
    expect(pieces[0].asFound.lattice).toBeNull()
    const as = sharedAssessor().assess(printedAsFound(thistledown, piece, pieces[0].asFound))
    const row = (of: typeof as) => of.strength.wing.reserve
    expect(row(as)).toBeLessThan(row(now))
  })
  it('mutated files give a verdict or an error that names its line, never a hang', async () => {
    const { texts } = made('lid-hopper-gate')
    const whole = texts.join('')
    await fc.assert(
      fc.asyncProperty(
        fc.nat(whole.length),
        fc.oneof(
          fc.string({ maxLength: 8 }),
          fc.constantFrom(
            '\nG91\n',
            '\nG28\n',
            'E-99',
            'Z1e9',
            'X-4000',
            '\nM82\n',
            '\nG20\n',
            '\nG92 X0 Y0 Z0\n',
          ),
        ),
        fc.nat(4000),
        async (at, put, cut) => {
          const text = whole.slice(0, at) + put + whole.slice(at + cut)
          try {
            const { pieces } = await checkFile(() => [text], airframe, now, null)
            for (const piece of pieces) expect(Number.isFinite(piece.foundG)).toBe(true)
          } catch (fault) {
            expect(fault).toBeInstanceOf(DocumentError)
          }
        },
      ),
      { numRuns: runs(2000, 12) },
    )
  })
})
