/** What the aircraft will weigh and where it will balance, as the pieces come in. */
import type { Design } from '../../document'
import {
  chanceWithin,
  learnMasses,
  massSpread,
  normalCdf,
  sumMass,
  type MassEntry,
  type PieceMass,
} from '../../mass'
import { memoise, steadied } from '../../memo'
import { kgToG, mToMm } from '../../units'
import type { Forecast, ForecastFigures, PieceReport } from '../report'

/** Printed masses and all others, with the weighings of the first `known` entries alone. */
function piecesOf(pieces: readonly PieceReport[], known: ReadonlySet<string>): PieceMass[] {
  return pieces.map(piece => ({
    id: piece.id,
    predicted: piece.predictedG / 1000,
    weighed: piece.weighedG !== null && known.has(piece.id) ? piece.weighedG / 1000 : null,
    causes: {
      filament: piece.filamentName,
      printer: piece.printerName,
      recipe: piece.recipe,
    },
  }))
}

export interface Targets {
  massG: number
  /** Where it may balance, mm, and how well the neutral point is known. */
  cgRangeMm: readonly [number, number]
  neutralPointSigmaMm: number
}

/** `weighIns` in the order in which they were written down. */
export function forecastOf(
  doc: Design,
  entries: readonly MassEntry[],
  pieces: readonly PieceReport[],
  targets: Targets,
): Forecast {
  const order = doc.weighIns
    .map(item => item.piece)
    .filter(id => pieces.some(piece => piece.id === id && piece.weighedG !== null))
  const ids = [...new Set(order)]
  const stages = Array.from({ length: ids.length + 1 }, (_, count) =>
    stage(doc, entries, pieces, new Set(ids.slice(0, count)), targets),
  )
  const now = stages[ids.length]
  const rest = now.learned.mean.reduce(
    (sum, mean, i) => (pieces[i].weighedG === null ? sum + pieces[i].predictedG * Math.exp(mean) : sum),
    0,
  )
  return {
    ...now.figures,
    restG: rest,
    // What is still to print would have to come out so much lighter for the target to be met.
    restFactor: rest > 0 ? (rest - (now.figures.massG - targets.massG)) / rest : null,
    offsets: now.learned.offsets.map(({ cause, name, mean, sigma }) => ({
      cause,
      name,
      percent: 100 * Math.expm1(mean),
      sigmaPercent: 100 * sigma,
    })),
    surprises: [...now.learned.surprise]
      .map(([piece, z]) => ({ piece, z }))
      .sort((a, b) => Math.abs(b.z) - Math.abs(a.z)),
    stages: stages.map(({ figures }, k) => ({ piece: k === 0 ? null : ids[k - 1], ...figures })),
  }
}

/** Weighings of this design and of what is tried beside it. */
const REMEMBERED = 64
const samePieces = steadied<PieceMass[]>(REMEMBERED)
/** What weighings teach does not ask where anything stands. */
const learn = memoise(learnMasses, REMEMBERED)

function stage(
  doc: Design,
  entries: readonly MassEntry[],
  pieces: readonly PieceReport[],
  known: ReadonlySet<string>,
  targets: Targets,
) {
  const list = samePieces(piecesOf(pieces, known))
  const learned = learn(list, doc.allowances.flowSpreadShare)
  const index = new Map(pieces.map((piece, i) => [piece.id, i]))
  const adjusted = entries.map(entry => {
    const i = entry.group === 'printed' ? index.get(entry.id) : undefined
    if (i === undefined) return entry
    const { weighed, predicted } = list[i]
    return weighed === null
      ? { ...entry, mass: predicted * Math.exp(learned.mean[i]), sigma: 0, common: null }
      : { ...entry, mass: weighed }
  })
  const sum = sumMass(adjusted),
    empty = sumMass(adjusted.filter(entry => !entry.drops)),
    others = massSpread(adjusted)
  // Of pieces to come: mass, and mass times lever about the balance point; of weighed ones what a gram too much does.
  const weights = new Float64Array(pieces.length),
    levers = new Float64Array(pieces.length),
    readings = new Float64Array(pieces.length),
    turns = new Float64Array(pieces.length)
  for (const entry of adjusted) {
    const i = entry.group === 'printed' ? index.get(entry.id) : undefined
    if (i === undefined) continue
    const lever = (entry.x - sum.x) / Math.max(1e-9, sum.mass)
    if (list[i].weighed === null) {
      weights[i] = entry.mass
      levers[i] = entry.mass * lever
    } else {
      readings[i] = 1
      turns[i] = lever
    }
  }
  const massSigma = Math.hypot(others.mass, learned.spreadOf(weights, readings)),
    cgSigma = Math.hypot(others.x, learned.spreadOf(levers, turns))
  const figures: ForecastFigures = {
    massG: kgToG(sum.mass),
    massSigmaG: kgToG(massSigma),
    cgMm: mToMm(sum.x),
    cgSigmaMm: mToMm(cgSigma),
    chanceWeight: massSigma > 0 ? normalCdf((targets.massG - kgToG(sum.mass)) / kgToG(massSigma)) : 1,
    chanceBalance: chanceWithin(
      [mToMm(sum.x), mToMm(empty.x)],
      Math.hypot(mToMm(cgSigma), targets.neutralPointSigmaMm),
      targets.cgRangeMm[0],
      targets.cgRangeMm[1],
    ),
  }
  return { learned, figures }
}
