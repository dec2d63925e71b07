/**
 * `npm run bench`: ratios and times in one run, on this machine. Part one in Node; part two drives the built
 * page in headless Chromium. `npm run bench -- trace`: one edit and the first screen alone.
 */
import { performance } from 'node:perf_hooks'
import { LU, Matrix } from 'ml-matrix'
import {
  circulation,
  factoriseLattice,
  influence,
  layPanels,
  normalFlow,
  sectionPoint,
  solveSection,
} from '../../core/aero'
import { sectionOutline } from '../../core/geometry'
import { createAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { share, type ProjectFile } from '../../core/document'
import { drawn } from '../../core/testing/drawn'
import { million, millionInPage, nudging } from './choosing'
import { power } from './power'
import { printing } from './printing'
import { keep, row } from './record'
import { trace } from './trace'

const percentile = (values: number[], p: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor((p / 100) * values.length))]
const ms = (value: number) => `${value.toFixed(1)} ms`
function time(work: () => void, times: number): number[] {
  return Array.from({ length: times }, () => {
    const from = performance.now()
    work()
    return performance.now() - from
  })
}

function assessments() {
  const edits: Array<[string, (doc: ProjectFile, i: number) => void]> = [
    [
      'move the battery',
      (doc, i) => {
        doc.equipment[3].xMm = 100 + i
      },
    ],
    [
      'one zone, another bead count',
      (doc, i) => {
        doc.zones[2].recipe.walls = 1 + (i % 3)
      },
    ],
    [
      'flow of a zone',
      (doc, i) => {
        doc.zones[3].recipe.flow = 0.4 + i / 1000
      },
    ],
    [
      'walls of the nose',
      (doc, i) => {
        doc.zones[0].recipe.walls = 2 + (i % 2)
      },
    ],
    [
      'infill of the tail',
      (doc, i) => {
        doc.zones[4].recipe.infillShare = 0.03 + i / 1000
      },
    ],
    [
      'span of the outer panel',
      (doc, i) => {
        doc.wing.panels[1].spanMm = 320 + i
      },
    ],
    [
      'end of the spar',
      (doc, i) => {
        doc.spars[0].toMm = 400 + i
      },
    ],
    [
      'move a cut',
      (doc, i) => {
        doc.cuts.wing[0].atMm = 120 + i
      },
    ],
  ]
  for (const [name, edit] of edits) {
    const assessor = createAssessor()
    let doc = DEMOS[0]
    assessor.assess(doc)
    let i = 0
    const times = time(() => {
      const next = structuredClone(doc)
      edit(next, i++)
      doc = share(doc, next)
      assessor.assess(doc)
    }, 40)
    row(
      `assess after an edit: ${name}`,
      `median ${ms(percentile(times, 50))}, 95th ${ms(percentile(times, 95))}`,
    )
  }
  row(
    'assess from nothing',
    `median ${ms(
      percentile(
        time(() => createAssessor().assess(DEMOS[0]), 10),
        50,
      ),
    )}`,
  )
}

/** Documents drawn from the schema alone, from nothing, each beside the demo: what the machine does meanwhile cancels. */
function anything(documents = 80) {
  const demo = () => time(() => createAssessor().assess(DEMOS[0]), 1)[0]
  for (let i = 0; i < 4; i++) demo()
  const found = Array.from({ length: documents }, (_, seed) => {
    const before = demo(),
      [own] = time(() => createAssessor().assess(drawn(seed)), 1)
    return { own, ratio: (2 * own) / (before + demo()) }
  })
  const said = (p: number) =>
    `${percentile(
      found.map(item => item.ratio),
      p,
    ).toFixed(1)} (${ms(
      percentile(
        found.map(item => item.own),
        p,
      ),
    )})`
  row(
    `${documents} documents drawn from the schema, from nothing, in assessments of the demo`,
    `median ${said(50)}, 90th ${said(90)}, longest ${said(100)} (wanted under 2 s each)`,
  )
}

/**
 * Strength at 200 stations from nothing but lofts, ledger and lattice: sections, every mode, every case,
 * twist, boom, body.
 */
function strength() {
  const [doc] = DEMOS
  const few = createAssessor(undefined, { stations: 2 }),
    many = createAssessor(undefined, { stations: 202 })
  const edited = (i: number): ProjectFile => ({
    ...doc,
    spars: doc.spars.map((spar, k) => (k ? spar : { ...spar, toMm: 470 + i })),
  })
  few.assess(doc)
  many.assess(doc)
  let i = 0
  // Everything else an assessment does is the same in both: the difference is 200 stations.
  const spent = time(() => {
      few.assess(edited(++i))
    }, 12),
    whole = time(() => {
      many.assess(edited(++i))
    }, 12)
  row(
    'strength at 200 stations, after an edit of a spar',
    `${ms(percentile(whole, 50) - percentile(spent, 50))} (wanted under 150); whole assessment with them ${ms(percentile(whole, 50))}`,
  )
}

/**
 * 400 panels on the half, 800 on the whole; the same system of 800, assembled by the same code, through
 * ml-matrix.
 */
function lattice() {
  const station = (y: number) => ({ x: 0, y, z: 0, chord: 1, twist: 0, slopeAt: () => 0 })
  const half = { name: 'wing', chordwise: 10, spanwise: 40, spacing: 'uniform' as const }
  const panels = layPanels([{ ...half, mirror: true, stations: [station(0), station(4)] }])
  // Twelve flows: incidence, sideslip and turning in several mixtures, so that the even and the odd system
  // both work.
  const flows = Array.from({ length: 12 }, (_, k) =>
    normalFlow(panels, (x, y, _z, out) => {
      out[0] = 1
      out[1] = 0.1 * k
      out[2] = 0.1 + 0.02 * k * y - 0.01 * x
    }),
  )
  const own = percentile(
    time(() => {
      const solved = factoriseLattice(panels)
      for (const flow of flows) circulation(solved, flow)
    }, 7),
    50,
  )
  const whole = layPanels([{ ...half, mirror: false, spanwise: 80, stations: [station(-4), station(4)] }])
  const theirs = percentile(
    time(() => {
      const direct = influence(whole).direct
      const lu = new LU(
        new Matrix(
          Array.from({ length: whole.count }, (_, i) =>
            Array.from(direct.subarray(i * whole.count, (i + 1) * whole.count)),
          ),
        ),
      )
      for (const flow of flows) lu.solve(Matrix.columnVector([...flow.starboard, ...flow.port]))
    }, 3),
    50,
  )
  row(
    `lattice of ${whole.count} panels: assembled, factorised, 12 solved`,
    `${ms(own)}; the same through ml-matrix ${ms(theirs)} (ratio ${(own / theirs).toFixed(2)}, wanted under 0.33)`,
  )
}

function sections() {
  const polar = percentile(
    time(() => {
      const outline = sectionOutline('naca4412', [], 120)
      const flow = solveSection(outline)
      for (let i = 0; i < 20; i++) sectionPoint(flow, ((i - 4) * Math.PI) / 180, 120_000, outline.gap)
    }, 15),
    50,
  )
  row('a section polar of 20 points, from the outline', `${ms(polar)} (wanted under 200)`)
}

if (process.argv.includes('trace')) await trace(row)
else {
  assessments()
  anything()
  strength()
  lattice()
  sections()

  await printing(row)
  await power()
  await nudging(row)
  million(row)
  await trace(row)
  await millionInPage(row)
  keep()
}
