/**
 * What a machine file does, from its moves and temperatures alone: pieces, layers, speeds, filament. Read twice, as a
 * stream: once to see which places belong together, once to gather each piece.
 */
import { DocumentError, type Printer } from '../../document'
import { createReplay, type GcodeFigures } from '../gcode'
import { LaidCells } from './laid-cells'
import { PieceInFile, type KeptLayer } from './piece-in-file'

export interface FilePiece {
  found: PieceInFile
  kept: KeptLayer[]
}

export interface ReadFile {
  figures: GcodeFigures
  /** Greatest that was asked for while it was printing; null where the file says nothing. °C */
  nozzleC: number | null
  bedC: number | null
  /** Pulled back so often, and how far in the middle case, mm. */
  pulls: number
  pullMm: number
  pieces: FilePiece[]
}

/** Larger than this no file is read, bytes: the reader keeps little, but replaying takes its time. */
export const MAX_MACHINE_BYTES = 300_000_000
/** What is lower than this over the first layer may be a brim, a skirt or a wiped line, mm. */
const FOOT = 0.45
/** Pieces at most; less plastic than this share of the largest is a line that was wiped. */
const MOST_PIECES = 40,
  SHARE_OF_PIECE = 0.02

export type Source = () => AsyncIterable<string> | Iterable<string>

/**
 * `source` is called twice and gives the file's text from the beginning, in stretches as they come. `progress` is
 * told the characters read so far of both passes together and may stop it by throwing. Throws `DocumentError`.
 */
export async function readMachineFile(
  source: Source,
  printer: Printer,
  progress: (characters: number) => void | Promise<void> = () => {},
): Promise<ReadFile> {
  const cells = new LaidCells(),
    low = new LaidCells()
  let lowest = Infinity,
    read = 0
  let nozzleC: number | null = null,
    bedC: number | null = null,
    printing = false
  const temperatures: { set: number | null } = { set: null }
  const pulled: number[] = []
  const survey = createReplay(printer, printer.filamentMm, {
    laid: (x0, y0, _z0, x1, y1, z) => {
      if (z < lowest) lowest = z
      if (z <= lowest + FOOT) low.mark(x0, y0, x1, y1)
      else cells.mark(x0, y0, x1, y1)
      if (cells.full || low.full) throw new DocumentError('', 'lays over more than nine square metres')
      printing = true
      if (temperatures.set !== null) nozzleC = Math.max(nozzleC ?? 0, temperatures.set)
    },
    heard: (code, value) => {
      if (value === undefined || value <= 0) return
      if (code === 'M104' || code === 'M109') temperatures.set = value
      if ((code === 'M140' || code === 'M190') && !printing) bedC = value
    },
    pulled: mm => {
      if (pulled.length < 100_000) pulled.push(mm)
    },
  })
  const pass = async (push: (text: string) => void) => {
    for await (const text of source()) {
      push(text)
      read += text.length
      await progress(read)
    }
  }
  await pass(text => survey.push(text))
  const figures = survey.end()
  const high = cells.islands()
  // A plate so flat that everything is foot.
  const islands = high.count > 0 ? high : low.islands()
  // Brims lie under their piece; a line that was wiped lies under none.
  const foot = high.count > 0 ? low.islands() : null
  const hosts = foot ? low.hostsIn(foot, high) : null
  if (islands.count > 400) throw new DocumentError('', `lays ${islands.count} things apart from each other`)
  const pieces = Array.from({ length: islands.count }, () => new PieceInFile())
  if (islands.count > 0) {
    const replay = createReplay(printer, printer.filamentMm, {
      laid: (x0, y0, z0, x1, y1, z1, plastic) => {
        const own = islands.at((x0 + x1) / 2, (y0 + y1) / 2)
        const under = own < 0 && foot && hosts ? foot.at((x0 + x1) / 2, (y0 + y1) / 2) : -1
        const at = under >= 0 ? hosts![under] : own
        if (at < 0) return
        pieces[at].add(x0, y0, z0, x1, y1, z1, plastic)
      },
    })
    await pass(text => replay.push(text))
    replay.end()
  }
  const most = Math.max(0, ...pieces.map(piece => piece.plasticMm3))
  pulled.sort((a, b) => a - b)
  return {
    figures,
    nozzleC,
    bedC,
    pulls: pulled.length,
    pullMm: pulled[pulled.length >> 1] ?? 0,
    pieces: pieces
      .filter(piece => piece.plasticMm3 > SHARE_OF_PIECE * most)
      .slice(0, MOST_PIECES)
      .map(found => ({ found, kept: found.end() })),
  }
}
